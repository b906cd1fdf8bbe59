import type { Page } from 'playwright-core';
import { serious } from './test/axe.ts';
import { append } from './test/job.ts';
import { PHONE, settled, TABLET, TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);
const JOB = 'hill-road-02';
const panel = (page: Page) => page.getByRole('region', { name: 'What could have stayed on?' });
const judged = async (page: Page) =>
  (
    (await (await page.context().request.get(`${shop.address}/api/jobs/${JOB}`)).json()) as { events: { type: string; payload: { pieces: { piece: string; enough: string }[] } }[] }
  ).events.flatMap(({ type, payload }) => (type === 'opening.judged' ? [payload.pieces.filter(({ enough }) => enough !== 'needed')] : []));

test(
  'what could have stayed on is tapped, read back, and said; nothing is said of it before; offline it waits; taken back it is asked anew',
  async () => {
    const { page, context, complaints } = await shop.open('fern', { viewport: TABLET, hasTouch: true });
    await page.goto(`${shop.address}/jobs/${JOB}/close-up`);
    await panel(page).getByRole('button', { name: 'Overhead console hung' }).tap();
    expect([
      await panel(page)
        .getByRole('button', { name: /^Battery negative/ })
        .count(),
      await judged(page),
    ]).toEqual([0, []]);
    await context.setOffline(true);
    await panel(page).getByRole('button', { name: 'Read it back' }).tap();
    await panel(page).getByText('Could all together have stayed on: Overhead console.').waitFor();
    await panel(page).getByRole('button', { name: 'Change it' }).tap();
    await panel(page).getByRole('button', { name: 'Sun visor, left off' }).tap();
    await panel(page).getByRole('button', { name: 'Read it back' }).tap();
    await panel(page).getByText('Could all together have stayed on: Overhead console; sun visor, left.').waitFor();
    expect(await serious(page)).toEqual([]);
    await panel(page).getByRole('button', { name: 'So it is' }).tap();
    await panel(page).getByRole('heading', { name: 'Said of what was opened' }).waitFor();
    expect(await judged(page)).toEqual([]);
    await context.setOffline(false);
    await settled(page);
    expect(await judged(page)).toEqual([
      [
        { piece: 'console', enough: 'fitted' },
        { piece: 'visor-left', enough: 'fitted' },
      ],
    ]);
    await page.getByRole('button', { name: /^Undo/ }).first().tap();
    await panel(page).getByRole('button', { name: 'Nothing that was opened could have stayed on' }).waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'on the floor it is asked once everything is back, and fits a phone',
  async () => {
    const { page } = await shop.open('fern', { viewport: PHONE, hasTouch: true });
    await page.goto(`${shop.address}/jobs/${JOB}/close-up`);
    await panel(page).waitFor();
    await page.locator('.switch .turn').tap();
    await panel(page).getByRole('button', { name: 'Nothing that was opened could have stayed on' }).tap();
    await panel(page).getByText('Had to be open, as far as was seen: Battery cover').waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  },
  LONG_MS,
);

test(
  'what the jobs teach is read in the library, taken or left one by one, and kept as the next version; then it is known',
  async () => {
    const { page, complaints } = await shop.open('slate');
    await page.goto(`${shop.address}/jobs/forestry-9/close-up`);
    for (const name of ['Skid plate, front loosened', 'Front cover strap loosened']) await panel(page).getByRole('button', { name }).click();
    await panel(page).getByRole('button', { name: 'Read it back' }).click();
    await panel(page).getByRole('button', { name: 'So it is' }).click();
    await settled(page);
    await page.goto(`${shop.address}/library?show=vehicle/wexholm-fieldcat`);
    const taught = page.getByRole('region', { name: 'What the jobs teach' });
    const line = taught.getByRole('listitem').filter({ hasText: /^Front cover off: nothing first/ });
    await line.getByText('Shorter than: first front cover strap loosened, plough frame folded').waitFor();
    await line.getByText('Gone on 1 job.').waitFor();
    expect(await serious(page)).toEqual([]);
    // What is shorter is offered as taken, one more way as left.
    const takes = taught.getByRole('button', { name: /^Take: / });
    expect(await takes.evaluateAll((all) => all.map((one) => one.getAttribute('aria-pressed')))).toEqual(['true', 'false', 'false']);
    await takes.first().click();
    expect(await taught.getByRole('button', { name: 'Keep as version 2' }).isDisabled()).toBe(true);
    await takes.first().click();
    await taught.getByRole('button', { name: 'Keep as version 2' }).click();
    await page.getByText('Kept as version 2.').waitFor();
    await line.waitFor({ state: 'detached' });
    const exported = async () =>
      (await (await page.context().request.get(`${shop.address}/api/documents/vehicle/wexholm-fieldcat/export`)).json()) as {
        pieces: { id: string; levels: { ways: { id: string; needs: object[] }[] }[] }[];
        mounts: { reach: object[] }[];
      };
    const { pieces, mounts } = await exported();
    expect(pieces.find(({ id }) => id === 'front-cover')?.levels[0]?.ways.map(({ id, needs }) => [id.slice(0, 5), needs.length])).toEqual([
      ['front', 2],
      ['frame', 1],
      ['seen-', 0],
    ]);
    expect(mounts.map(({ reach }) => reach.length)).toEqual(mounts.map(() => 1));
    // Whoever is in training reads it, and takes nothing.
    const copper = await shop.open('copper');
    await copper.page.goto(`${shop.address}/library?show=vehicle/wexholm-fieldcat`);
    await copper.page.getByRole('heading', { name: 'What the jobs teach' }).waitFor();
    expect(await copper.page.getByRole('button', { name: /^Take: / }).count()).toBe(0);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'of two moves that two devices recorded within a minute it is asked which came first, once',
  async () => {
    const { page } = await shop.open('fern');
    const phone = await shop.open(undefined);
    await page.context().request.post(`${shop.address}/api/session`, { data: { person: 'fern', device: 'bay' } });
    await phone.context.request.post(`${shop.address}/api/session`, { data: { person: 'copper', device: 'phone' } });
    const off = (piece: string): [string, object] => ['piece.moved', { piece, level: 'off', fasteners: [] }];
    await append(page, shop.address, 'forestry-9', [off('dash-top')]);
    await append(phone.page, shop.address, 'forestry-9', [off('rear-rack')]);
    await page.goto(`${shop.address}/jobs/forestry-9/close-up`);
    await panel(page).getByRole('heading', { name: 'Which came first?' }).waitFor();
    await panel(page).getByRole('button', { name: 'Rear rack off' }).click();
    await panel(page).getByRole('heading', { name: 'What could have stayed on?' }).waitFor();
    await settled(page);
    const { events } = (await (await page.context().request.get(`${shop.address}/api/jobs/forestry-9`)).json()) as {
      events: { id: string; type: string; payload: { piece?: string; first?: string } }[];
    };
    const said = events.find(({ type }) => type === 'moves.ordered');
    expect(events.find(({ id }) => id === said?.payload.first)?.payload.piece).toBe('rear-rack');
    for (const piece of ['dash-top', 'rear-rack']) await append(page, shop.address, 'forestry-9', [['piece.moved', { piece, level: 'fitted', fasteners: [] }]]);
  },
  LONG_MS,
);

test(
  'times of this shop go into the profile at one press, by whoever may; they are counted no more, and the way back has them again',
  async () => {
    const { page, complaints } = await shop.open('slate');
    await page.goto(`${shop.address}/library?show=vehicle/wexholm-bollard-35`);
    const times = page.locator('.leaf').filter({ has: page.getByRole('heading', { name: 'Times at this shop' }) });
    await times.getByText(/^\d+ numbers would change$/).click();
    await times.getByText('Bonnet, held open back from folded').waitFor();
    expect(await serious(page)).toEqual([]);
    await times.getByRole('button', { name: 'Put them into version 2' }).click();
    await times.getByText(/^No step that the profile has was timed since .+ Version 2 holds \d+ times in its minutes\.$/).waitFor();
    await page.getByText('Version 2: what changed').click();
    await page.getByText('closeMin').first().waitFor();
    await page.getByRole('button', { name: 'Go back to version 1' }).click();
    await times.getByRole('button', { name: 'Put them into version 4' }).waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'who may not take in documents reads what would change, and has no press for it',
  async () => {
    const { page } = await shop.open('fern', { viewport: PHONE, hasTouch: true });
    await page.goto(`${shop.address}/library?show=vehicle/oskarre-linnet`);
    const times = page.locator('.leaf').filter({ has: page.getByRole('heading', { name: 'Times at this shop' }) });
    await times.getByText(/numbers? would change$/).tap();
    await times.getByText(/ → /).first().waitFor();
    expect(await times.getByRole('button', { name: /^Put them into/ }).count()).toBe(0);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  },
  LONG_MS,
);
