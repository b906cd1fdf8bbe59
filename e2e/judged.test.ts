import type { Page } from 'playwright-core';
import { serious } from './test/axe.ts';
import { PHONE, settled, TABLET, TestBench } from './test/bench.ts';

const LONG_MS = 120_000;
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
    await panel(page).getByText('Could all together have stayed on: Overhead console, sun visor, left.').waitFor();
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
    await panel(page).getByText('Had to be open: Battery cover').waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  },
  LONG_MS,
);
