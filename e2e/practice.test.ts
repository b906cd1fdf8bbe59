import type { Page } from 'playwright-core';
import { nextReadings, PracticeBench, PRACTICE_RULES, type PracticeAct } from '@jade/core/probing';
import { serious } from './test/axe.ts';
import { TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

/** The plug before the trainee, as the page keeps it. */
const seedOf = (page: Page) =>
  page.evaluate(() => {
    const kept = Object.values(sessionStorage)
      .concat(Object.values(localStorage))
      .find((text) => /"seed":\d+/.test(String(text)));
    return Number(/"seed":(\d+)/.exec(String(kept ?? ''))?.[1] ?? 0);
  });
const FUNCTION_BUTTONS: Record<string, string> = { 'stop pedal': 'stop' };

test(
  'a trainee reads, goes on after a reload, is told what was wasted, names what is proved, and the result stands in the chart; naming blindly costs',
  async () => {
    const { page, complaints } = await shop.open('copper');
    await page.goto(`${shop.address}/practice`);
    await page.getByText('None yet: the first plug that is done stands here.').waitFor();
    await page.getByRole('radio', { name: 'key off', exact: true }).click();
    await page.getByRole('button', { name: 'Pin 1', exact: true }).click();
    await page.getByText(/^pin 1 with key off/).waitFor();
    const seed = await seedOf(page);
    expect(seed).toBeGreaterThan(0);
    const bench = new PracticeBench(seed);
    bench.act({ kind: 'read', pin: '1', state: 'key off' });
    const doing = async (act: PracticeAct) => {
      if (act.kind === 'read') {
        await page.getByRole('radio', { name: act.state, exact: true }).click();
        await page.getByRole('button', { name: `Pin ${act.pin}`, exact: true }).click();
        await page.getByText(new RegExp(`^pin ${act.pin} with ${act.state}`)).waitFor();
      }
      bench.act(act);
    };
    await doing({ kind: 'read', pin: '1', state: 'key off' });
    await page.getByRole('status').filter({ hasText: 'Not worth its time' }).waitFor();
    await page.reload();
    await page.getByText(/2 read$/).waitFor();
    let named = 0;
    for (let acts = 0; acts < 60; acts++) {
      const { run, readings, claims } = bench.stands();
      const { step, found } = nextReadings(run, PRACTICE_RULES, readings.at(-1)?.state);
      if (step.now) {
        await doing({ kind: 'read', pin: step.now.pin, state: step.now.state });
        continue;
      }
      const proved = found.functions.find(({ function: name, pin }) => pin !== undefined && run.wanted?.includes(name) && !claims.some((claim) => claim.function === name));
      if (!proved?.pin) break;
      // The pin in hand is read once more, to name it.
      await doing({ kind: 'read', pin: proved.pin, state: readings.at(-1)?.state ?? 'key off' });
      // One reading in a hundred is wrong: where this one was, nothing is named before it is proved anew.
      const again = nextReadings(bench.stands().run, PRACTICE_RULES, bench.stands().readings.at(-1)?.state);
      if (again.found.functions.find(({ function: name }) => name === proved.function)?.pin !== proved.pin) continue;
      await page
        .locator('.both')
        .getByRole('button', { name: FUNCTION_BUTTONS[proved.function] ?? proved.function, exact: true })
        .click();
      bench.act({ kind: 'claim', pin: proved.pin, function: proved.function });
      named++;
    }
    expect(named).toBeGreaterThanOrEqual(2);
    await page.getByRole('heading', { name: / of 100$/ }).waitFor();
    expect(await page.getByText(/, and it was proved\.$/).count()).toBe(named);
    await page.getByRole('img', { name: /^Scores of 1 practice: \d+$/ }).waitFor();
    expect(await serious(page)).toEqual([]);

    await page.getByRole('button', { name: 'Another plug' }).click();
    await page.getByRole('button', { name: 'Pin 2', exact: true }).click();
    const names = page.locator('.both .line button');
    for (let left = await names.count(); left > 0; left = await names.count()) await names.first().click();
    await page.getByRole('heading', { name: / of 100$/ }).waitFor();
    await page
      .getByText(/a lamp fed from it would have been wrong with/)
      .first()
      .waitFor();
    await page.getByRole('img', { name: /^Scores of 2 practices: \d+, \d+$/ }).waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);
