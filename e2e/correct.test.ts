import { serious } from './test/axe.ts';
import { settled, TABLET, TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);
type Page = Awaited<ReturnType<TestBench['open']>>['page'];

const VAN = 'wexholm-bollard-35';
const field = (page: Page, path: string) => page.locator(`[data-path="${path}"] input`).first();
const open = async (page: Page, path: string) => {
  const entry = page.locator(`details[data-path="${path}"]`);
  if ((await entry.getAttribute('open')) === null) await entry.locator('> summary').click();
};
const part = (page: Page, name: string | RegExp) => page.getByRole('navigation', { name: 'Parts of the document' }).getByRole('button', { name }).click();
interface Profile {
  pieces: { id: string; name: string; side: string; box: { yMm: number[]; zMm: number[] }; levels: { openMin: number }[] }[];
}
const exported = async (page: Page, kind: string, slug: string) =>
  (await (await page.context().request.get(`${shop.address}/api/documents/${kind}/${slug}/export`)).json()) as Profile & Record<string, unknown>;

test(
  'a wrong value is refused at its field while it is written, the right one is saved as the next version, and all else comes out as it was',
  async () => {
    const { page, complaints } = await shop.open('slate');
    const before = await exported(page, 'vehicle', VAN);
    await page.goto(`${shop.address}/library?show=vehicle/${VAN}`);
    await page.getByRole('link', { name: 'Correct', exact: true }).click();
    await page.getByText('Nothing stands against it.').waitFor();
    expect(await page.getByRole('button', { name: 'Save as version 2' }).isDisabled()).toBe(true);
    await part(page, /^Pieces/);
    await open(page, 'pieces[4]');
    await open(page, 'pieces[4].levels[0]');
    const minutes = field(page, 'pieces[4].levels[0].openMin');
    await minutes.fill('-4');
    await page.locator('[data-path="pieces[4].levels[0].openMin"]').getByText('Must lie between 0 and 6000').waitFor();
    expect(await page.getByRole('button', { name: 'Save as version 2' }).isDisabled()).toBe(true);
    await minutes.fill('soon');
    await page
      .locator('[data-path="pieces[4].levels[0].openMin"]')
      .getByText(/Must be a number/)
      .waitFor();
    // What was written so far is there after a reload, with what stands against it.
    await page.waitForTimeout(600);
    await page.reload();
    await page.getByText('Taken up as it was left.').waitFor();
    await page.getByText('1 thing stands against it').waitFor();
    await part(page, /^Pieces.*1 wrong/);
    await open(page, 'pieces[4]');
    await open(page, 'pieces[4].levels[0]');
    expect(await minutes.inputValue()).toBe('soon');
    await minutes.fill('4,25');
    await page.getByText('Nothing stands against it.').waitFor();
    await page.getByText('1 place changed').click();
    await page.getByText('pieces › grille › levels › off › openMin').waitFor();
    expect(await serious(page)).toEqual([]);
    await page.getByRole('button', { name: 'Save as version 2' }).click();
    await page.getByText('Version 2: what changed').waitFor();
    const after = await exported(page, 'vehicle', VAN);
    expect(after.pieces[4]?.levels[0]?.openMin).toBe(4.25);
    const wanted = structuredClone(before);
    const level = wanted.pieces[4]?.levels[0];
    if (level) level.openMin = 4.25;
    expect(after).toEqual(wanted);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'a piece is picked and dragged on the drawing; its fields say the same, and undo takes it back',
  async () => {
    const { page } = await shop.open('slate');
    await page.goto(`${shop.address}/library/vehicle/${VAN}/correct`);
    await page.getByText('Nothing stands against it.').waitFor();
    await part(page, /^Pieces/);
    await open(page, 'pieces[4]');
    const [low, high] = [field(page, 'pieces[4].box.yMm'), page.locator('[data-path="pieces[4].box.yMm"] input').nth(1)];
    const [was, to] = [Number(await low.inputValue()), Number(await high.inputValue())];
    const grip = page.locator('.handles g.left .reach');
    await grip.scrollIntoViewIfNeeded();
    const box = await grip.boundingBox();
    if (!box) throw new Error('no grip');
    const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x - 20, from.y + 9, { steps: 4 });
    await page.mouse.up();
    const now = Number(await low.inputValue());
    expect([now < was, Math.abs(now % 5), Number(await high.inputValue())]).toEqual([true, 0, to]);
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(Number(await low.inputValue())).toBe(was);
    await page.getByText('Nothing is changed yet.').waitFor();
    // Of the smallest piece too each grip is as large as a finger, and none lies on another.
    const least = (await exported(page, 'vehicle', VAN)).pieces.findIndex(({ id }) => id === 'battery-negative');
    await open(page, `pieces[${least}]`);
    const grips = await page.locator('.handles .reach, .handles .middle').evaluateAll((all) => all.map((one) => one.getBoundingClientRect()));
    expect([grips.length, Math.min(...grips.map(({ width }) => Math.round(width)))]).toEqual([5, 44]);
    expect(grips.flatMap((a, index) => grips.slice(index + 1).filter((b) => a.right > b.left + 1 && b.right > a.left + 1 && a.bottom > b.top + 1 && b.bottom > a.top + 1))).toEqual(
      [],
    );
    // A tap on a piece opens it.
    await page.getByRole('radio', { name: 'front', exact: true }).click();
    await page.locator('g.piece', { hasText: 'Badge carrier' }).locator('.edge').click({ force: true });
    await page.locator('details[data-path^="pieces["][open]').waitFor();
  },
  LONG_MS,
);

test(
  'entries are added, copied, moved and taken out; what is new says what it wants',
  async () => {
    const { page } = await shop.open('till', { viewport: TABLET, hasTouch: true });
    await page.goto(`${shop.address}/library/kit/cairn-fen-pair/correct`);
    await page.getByText('Nothing stands against it.').waitFor();
    await part(page, /^Contents/);
    const entries = page.locator('details[data-path^="contents["]');
    const count = await entries.count();
    await page.getByRole('button', { name: 'Add one', exact: true }).last().click();
    expect(await entries.count()).toBe(count + 1);
    await page
      .getByText(/\d things stand against it/)
      .first()
      .waitFor();
    await field(page, `contents[${count}].id`).fill('spare-fuse');
    await field(page, `contents[${count}].name`).fill('Spare fuse');
    await field(page, `contents[${count}].count`).fill('2');
    await page.locator(`[data-path="contents[${count}].kind"] .v-select`).click();
    await page.getByRole('option', { name: 'other' }).click();
    // What is said beneath the fields goes as they are checked, and moves what stands below: the next tap waits until that rests.
    await page.getByText('1 thing stands against it').first().waitFor();
    await page.locator(`[data-path="contents[${count}].spareAllowed"]`).getByRole('radio', { name: 'yes' }).click();
    await page.getByText('Nothing stands against it.').waitFor();
    await page.getByRole('button', { name: 'Copy', exact: true }).first().click();
    expect(await field(page, `contents[${count + 1}].id`).inputValue()).toBe('spare-fuse-2');
    await page
      .locator(`details[data-path="contents[${count + 1}]"]`)
      .getByRole('button', { name: 'Take out', exact: true })
      .last()
      .click();
    await page.locator(`details[data-path="contents[${count}]"]`).getByRole('button', { name: 'Up', exact: true }).click();
    expect(await page.locator(`details[data-path="contents[${count - 1}]"] > summary`).innerText()).toContain('Spare fuse');
    await page.getByRole('button', { name: 'Save as version 2' }).click();
    await page.getByText('Version 2: what changed').waitFor();
    const contents = (await exported(page, 'kit', 'cairn-fen-pair')).contents as { id: string; count: number }[];
    expect(contents.at(-2)).toEqual({ id: 'spare-fuse', name: 'Spare fuse', kind: 'other', count: 2, spareAllowed: true });
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  },
  LONG_MS,
);

test(
  'while the server is away what is written stays, and is checked when it is back; whoever comes second is told of the version that came first',
  async () => {
    const { page, context } = await shop.open('slate');
    await page.goto(`${shop.address}/library/vehicle/oskarre-linnet/correct`);
    await page.getByText('Nothing stands against it.').waitFor();
    await context.setOffline(true);
    await field(page, 'model').fill('Linnet Two');
    await page.getByText(/The server is not there/).waitFor();
    await context.setOffline(false);
    await page.getByText('Nothing stands against it.').waitFor();
    const other = await exported(page, 'vehicle', 'oskarre-linnet');
    await context.request.post(`${shop.address}/api/documents`, { data: { ...other, cautions: ['Somebody was faster.'] }, headers: { origin: shop.address } });
    await page.getByRole('button', { name: 'Save as version 2' }).click();
    await page.getByRole('alert').filter({ hasText: 'version 2 of oskarre-linnet has come since version 1' }).waitFor();
    expect(await field(page, 'model').inputValue()).toBe('Linnet Two');
    expect((await exported(page, 'vehicle', 'oskarre-linnet')).cautions).toEqual(['Somebody was faster.']);
  },
  LONG_MS,
);

test(
  'a like vehicle begins as a copy with the wheel on the other side, is a vehicle of its own, and takes no name that is taken',
  async () => {
    const { page } = await shop.open('slate');
    await page.goto(`${shop.address}/library?show=vehicle/${VAN}`);
    await page.getByRole('link', { name: 'Copy to a like vehicle' }).click();
    await page.getByRole('heading', { level: 1, name: 'A like vehicle' }).waitFor();
    await page
      .getByText(/things stand against it/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Wheel on the other side' }).click();
    await field(page, 'maker').fill('Wexholm');
    await field(page, 'model').fill('Bollard 35 R');
    await field(page, 'years.from').fill('2021');
    await field(page, 'slug').fill(VAN);
    await page.getByText('Nothing stands against it.').waitFor();
    await page.getByRole('button', { name: 'Save as a new vehicle' }).click();
    await page
      .getByRole('alert')
      .filter({ hasText: /has come since version 0/ })
      .waitFor();
    await field(page, 'slug').fill('wexholm-bollard-35-r');
    await page.getByText('Nothing stands against it.').waitFor();
    await page.getByRole('button', { name: 'Save as a new vehicle' }).click();
    await page.getByRole('heading', { level: 2, name: 'Wexholm Bollard 35 R' }).waitFor();
    const [own, first] = [await exported(page, 'vehicle', 'wexholm-bollard-35-r'), await exported(page, 'vehicle', VAN)];
    const panel = (profile: Profile) => profile.pieces.find(({ id }) => id.startsWith('kick-panel'));
    expect([panel(first)?.side, panel(own)?.side]).toEqual(['left', 'right']);
    expect(panel(own)?.box.yMm).toEqual([...(panel(first)?.box.yMm ?? [])].reverse().map((mm) => 0 - mm));
    expect(own.pieces.length).toBe(first.pieces.length);
  },
  LONG_MS,
);

test(
  'whoever is in training reads the library and corrects nothing',
  async () => {
    const { page } = await shop.open('copper');
    await page.goto(`${shop.address}/library?show=vehicle/${VAN}`);
    await page.getByRole('heading', { level: 2, name: /Bollard 35/ }).waitFor();
    await settled(page);
    expect(await page.getByRole('link', { name: /^(Correct|Copy)/ }).count()).toBe(0);
  },
  LONG_MS,
);
