import type { Page } from 'playwright-core';
import { TestBench } from './test/bench.ts';
import { goTo, openedJob } from './test/job.ts';

const LONG_MS = 120_000;
const shop = new TestBench(LONG_MS);

const write = async (page: Page, name: string, value: string) => {
  const field = page.getByRole('textbox', { name });
  await field.fill(value);
  await field.press('Enter');
};
const card = (page: Page) => page.getByRole('article').filter({ hasText: 'Now, for the helper' });

/** What the wires of the demo hatchback's rear clusters do. */
const isLive = (helper: string, pin: string) => (pin === '2' && helper.startsWith('Parking lamps')) || (pin === '3' && helper.startsWith('Press the brake pedal'));

test(
  'both rear clusters are proved by the readings that the card asks for: an odd one is asked about, the next one can be typed at once, the helper switches once',
  async () => {
    const { page, complaints } = await shop.open('fern');
    const job = await openedJob(page, shop.address, ['cairn-wren-rear-pair'], {}, 'saltmarsh-3');
    await goTo(page, shop.address, job, 'probe', 'Probe');
    await write(page, 'Ground used to battery −', '0.02');
    await write(page, 'A known feed', '12,5');
    await card(page).waitFor();
    await write(page, 'The meter shows', '-12.4');
    await page.getByText('Below the ground: are the probes swapped?').waitFor();
    const states: string[] = [];
    for (let step = 0; step < 16; step++) {
      if (await page.getByText('Every wire that the job uses is proved.').isVisible()) break;
      const helper = (await card(page).getByRole('heading').textContent()) ?? '';
      const [pin = ''] = (await card(page).locator('.pin strong').allTextContents()) ?? [];
      states.push(helper);
      const shown = await card(page).textContent();
      await write(page, 'The meter shows', isLive(helper, pin) ? '12.4' : '0.03');
      await page.waitForFunction((text) => document.querySelector('article.card')?.textContent !== text, shown);
      if (step === 0) expect(await page.evaluate(() => document.activeElement?.tagName)).toBe('INPUT');
      // From half-way it goes on.
      if (step === 3) await page.reload();
    }
    await page.getByText('Every wire that the job uses is proved.').waitFor();
    expect(states.filter((state, index) => state !== states[index - 1])).toHaveLength(2);
    expect(await page.getByText('Proved: on with its state, off without it.').count()).toBe(4);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);
