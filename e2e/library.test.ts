import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);
const VEHICLES = ['wexholm-bollard-35', 'oskarre-linnet', 'dunmorrow-causeway-26', 'pellorin-trio-300', 'wexholm-fieldcat'];
const van = JSON.parse(readFileSync(join(import.meta.dirname, '../demo/vehicles/wexholm-bollard-35.json'), 'utf8')) as {
  pieces: { id: string; levels: { level: string; openMin: number }[] }[];
};

async function openVehicle(page: Page, slug: string): Promise<void> {
  await page.goto(`${shop.address}/library?show=vehicle/${slug}`);
  await page.locator('svg.sheet').waitFor();
}
const choose = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).click();

/** Names on the sheet that cover one another. */
const covering = (page: Page) =>
  page.locator('svg.sheet .name text').evaluateAll((texts) => {
    const boxes = texts.map((text) => ({ text: text.textContent, box: text.getBoundingClientRect() }));
    return boxes.flatMap(({ text, box: a }, index) =>
      boxes
        .slice(index + 1)
        .flatMap(({ text: other, box: b }) => (a.right > b.left + 1 && b.right > a.left + 1 && a.bottom > b.top + 2 && b.bottom > a.top + 2 ? [`${text} / ${other}`] : [])),
    );
  });

/** What a list or drawing of a printed page lies in that a page break would cut, because it does not flow. */
const stiff = (page: Page) =>
  page.locator('article').evaluate((article) =>
    [...article.querySelectorAll('li, figure')]
      .filter((entry) => !entry.parentElement?.closest('li, figure, .cautions'))
      .flatMap((entry) => {
        const around: Element[] = [];
        for (let up = entry.parentElement; up && up !== article.parentElement; up = up.parentElement) around.push(up);
        return around.filter((up) => /grid|flex/.test(getComputedStyle(up).display)).map((up) => up.className || up.tagName);
      }),
  );

test(
  'every vehicle is read from every side: pieces named outside the drawing, no name over another, behind and moved out too',
  async () => {
    const { page, complaints } = await shop.open('fern');
    for (const slug of VEHICLES) {
      await openVehicle(page, slug);
      for (const view of ['front', 'rear', 'left side', 'above']) {
        await choose(page, view);
        for (const depth of ['From outside', 'Look behind', 'Moved out']) {
          await choose(page, depth);
          expect([slug, view, depth, await covering(page)]).toEqual([slug, view, depth, []]);
        }
      }
    }
    await openVehicle(page, 'wexholm-bollard-35');
    expect(await page.locator('svg.sheet .name text').count()).toBeGreaterThan(8);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'a tap on the drawing opens the piece with its fasteners and ways; each piece can be tapped; a name with a slip finds it',
  async () => {
    const { page } = await shop.open('fern');
    await openVehicle(page, 'wexholm-bollard-35');
    const grille = page.locator('svg.sheet .piece').filter({ hasText: 'Grille: fitted' });
    const box = await grille.boundingBox();
    if (!box) throw new Error('no grille is drawn');
    // Beside the badge, which lies before its middle.
    await page.mouse.click(box.x + box.width * 0.15, box.y + box.height / 2);
    await page.getByRole('heading', { name: 'Grille', exact: true }).waitFor();
    await page.getByText('off: 3 min out, 3 min back'.replaceAll(/(\d) min/g, '$1\u202fmin')).waitFor();
    await page.getByText(/^5 × T25 six-lobe/).waitFor();
    await page.getByText(/first bonnet/).waitFor();

    // A name means its piece.
    await page.locator('svg.sheet .name text', { hasText: 'Bumper skin' }).click();
    await page.getByRole('heading', { name: 'Bumper skin' }).waitFor();

    // Where several lie over one another, tapping again means the next of them.
    await choose(page, 'Look behind');
    const middles = await page.locator('svg.sheet .piece').evaluateAll((pieces) =>
      pieces.map((piece) => {
        const { x, y, width, height } = (piece.querySelector('.edge') ?? piece).getBoundingClientRect();
        return { name: piece.querySelector('title')?.textContent?.replace(/: \w+$/, '') ?? '', x: x + width / 2, y: y + height / 2 };
      }),
    );
    expect(middles.length).toBeGreaterThan(25);
    const missed: string[] = [];
    for (const { name, x, y } of middles) {
      const chip = page.locator('.chips button', { hasText: name }).and(page.locator('[aria-pressed="true"]'));
      let hit = false;
      for (let tap = 0; tap < 24 && !hit; tap += 1) {
        await page.mouse.click(x, y);
        hit = (await chip.count()) > 0;
      }
      if (!hit) missed.push(name);
    }
    expect(missed).toEqual([]);

    await page.getByLabel('Find a piece').fill('washre tnak');
    await page.getByRole('button', { name: 'Washer tank' }).click();
    await page.getByRole('heading', { name: 'Washer tank' }).waitFor();
    await page.getByLabel('Find in the library').fill('oskare');
    await page.getByRole('link', { name: /Oskarre Linnet/ }).waitFor();
    expect(await page.getByRole('link', { name: /Wexholm Bollard/ }).count()).toBe(0);
  },
  LONG_MS,
);

test(
  'a new version says in what it differs from the one before',
  async () => {
    const { page, context } = await shop.open('slate');
    const later = structuredClone(van);
    const grille = later.pieces.find(({ id }) => id === 'grille')?.levels.find(({ level }) => level === 'off');
    if (!grille) throw new Error('the van has a grille');
    grille.openMin = 4.5;
    expect((await context.request.post(`${shop.address}/api/documents`, { data: later })).status()).toBe(201);
    await openVehicle(page, 'wexholm-bollard-35');
    await page.getByText('Version 2: what changed').click();
    await page.getByText('pieces › grille › levels › off › openMin').waitFor();
    await page.getByText('was 3, is 4.5').waitFor();
  },
  LONG_MS,
);

test(
  'a contents list goes out as a file of cells and comes in again as a new version; a faulty one is refused with its lines',
  async () => {
    const { page, context } = await shop.open('slate');
    await page.goto(`${shop.address}/library?show=kit/cairn-fen-pair`);
    const list = await (await context.request.get(`${shop.address}/api/documents/kit/cairn-fen-pair/contents.csv`)).text();
    const [head = '', first = '', ...rest] = list.split('\r\n');
    const cells = first.split(',');
    const take = (text: string) => page.locator('input[type=file][accept*=csv]').setInputFiles({ name: 'fen.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
    await page.getByRole('link', { name: 'Contents as CSV' }).waitFor();
    await take([head, cells.with(3, 'several').join(','), ...rest].join('\r\n'));
    await page.getByText('fen.csv was not taken.').waitFor();
    await page.getByText(/line 2, count/).waitFor();
    await take([head, cells.with(3, '7').join(','), ...rest].join('\r\n'));
    await page.getByText('fen.csv: kit cairn-fen-pair, version 2').waitFor();
    await page.locator('.rows li').first().getByText('7', { exact: true }).waitFor();
    await page.getByText('Version 2: what changed').click();
    await page.getByText(/contents › .* › count/).waitFor();
  },
  LONG_MS,
);

test(
  'a side of which nothing is described is drawn so and says so; that is not to say that nothing is there',
  async () => {
    const { page } = await shop.open('fern');
    await openVehicle(page, 'dunmorrow-causeway-26');
    const whole = page.locator('svg.sheet');
    expect([await page.locator('svg.sheet .undescribed').count(), await whole.getAttribute('aria-label')]).toEqual([0, 'Causeway 26 from the front']);
    await choose(page, 'rear');
    await page.getByText('No piece is described that is seen from the rear.').waitFor();
    expect(await whole.getAttribute('aria-label')).toBe('Causeway 26 from the rear, not described from here');
    const body = page.locator('svg.sheet .undescribed path.body').first();
    expect(await body.evaluate((path) => [getComputedStyle(path).strokeDasharray !== 'none', getComputedStyle(path).fill.startsWith('url(')])).toEqual([true, true]);
  },
  LONG_MS,
);

test(
  'the work card of a job prints on both papers: what comes off, what is fitted, the way back, and nothing of the program round it',
  async () => {
    const { page } = await shop.open('fern');
    await page.goto(`${shop.address}/jobs/hill-road-07/card`);
    await page.getByRole('heading', { level: 1, name: 'Work card' }).waitFor();
    await page.getByText('Loosen: front undertray').waitFor();
    await page
      .getByText(/^5 × 10 mm hex × 20/)
      .first()
      .waitFor();
    await page.getByText('Put back: bumper skin').waitFor();
    // What can hurt stands at the steps, those of the kit and of the way back too.
    await page.getByText('Nobody looks into the beam or stands in front of it.').first().waitFor();
    await page.getByText('Two people at the last hold. Tape the wing edges first.').last().waitFor();
    await page.getByText('Plugs, joints, wires and fuses are on the wiring paper of the job.').waitFor();
    await page.getByText('Not settled when this card was made').waitFor({ state: 'detached' });
    await page.getByText('Before it: Join front fog plug, left').first().waitFor();
    expect(await page.locator('svg.sheet').count()).toBe(2);
    await page.emulateMedia({ media: 'print' });
    expect(await page.getByRole('navigation').first().isVisible()).toBe(false);
    expect(await page.getByRole('button', { name: 'Print' }).isVisible()).toBe(false);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    expect(await stiff(page)).toEqual([]);
    for (const [format, paper] of [
      ['A4', /MediaBox\s*\[\s*0 0 59[56](\.\d+)? 84[123](\.\d+)?/],
      ['Letter', /MediaBox\s*\[\s*0 0 612 792/],
    ] as const) {
      const pdf = (await page.pdf({ format })).toString('latin1');
      expect(pdf).toMatch(paper);
    }
  },
  LONG_MS,
);

test(
  'a profile prints whole: four views, every piece with its ways and fasteners, plugs and circuits',
  async () => {
    const { page, complaints } = await shop.open('fern');
    await openVehicle(page, 'oskarre-linnet');
    await page.getByRole('link', { name: 'To print' }).click();
    await page.getByRole('heading', { level: 1, name: /^Oskarre Linnet/ }).waitFor();
    expect(await page.locator('svg.sheet').count()).toBe(4);
    expect(await page.locator('section.piece h2').count()).toBe(25);
    await page.getByText('Plugs: 4').waitFor();
    expect(await page.getByText('from the wire side').or(page.locator('svg[aria-label*="wire side"]')).first().isVisible()).toBe(true);
    await page.emulateMedia({ media: 'print' });
    expect(await page.getByRole('button', { name: 'Print' }).isVisible()).toBe(false);
    expect(await stiff(page)).toEqual([]);
    expect((await page.pdf({ format: 'A4' })).toString('latin1')).toMatch(/MediaBox/);
    await page.goto(`${shop.address}/library/oskarre-linnet/sheet?only=plugs`);
    await page.getByText('Plugs: 4').waitFor();
    expect([await page.locator('svg[aria-label*="wire side"]').count(), await page.locator('section.piece').count(), await page.getByText(/^Circuits/).count()]).toEqual([4, 0, 0]);
    await page.goto(`${shop.address}/library/nothing/sheet`);
    await page.getByText('No vehicle is called “nothing”').waitFor();
    expect(complaints.filter((text) => !text.includes('404'))).toEqual([]);
  },
  LONG_MS,
);
