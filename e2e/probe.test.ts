import type { Page } from 'playwright-core';
import { serious } from './test/axe.ts';
import { PHONE, TestBench } from './test/bench.ts';
import { append, goTo, openedJob } from './test/job.ts';

const LONG_MS = 400_000;
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

test(
  'a fuse slot is measured through the states, one that is live otherwise and one that is never used are told, and the good one is fed from at Wire',
  async () => {
    const { page, complaints } = await shop.open('fern');
    const job = await openedJob(page, shop.address);
    await append(page, shop.address, job, [['reference.checked', { groundV: 0.02, feedV: 12.5 }]]);
    await goTo(page, shop.address, job, 'probe', 'Probe');
    await page.getByText('Find a fuse slot').click();
    const slot = page.getByRole('textbox', { name: 'Slot, as printed' });
    await slot.fill('F3');
    await write(page, 'The slot shows', '12.4');
    await page.getByText('Slot F3 is never used: airbag.').waitFor();
    await slot.fill('F40');
    await write(page, 'The slot shows', '12.4');
    await write(page, 'The slot shows', '12.3');
    await page.getByText('F40: not as wanted, on with key off where off is wanted.').waitFor();
    await slot.fill('F41');
    for (const volts of ['12.4', '0.01', '0.02', '0.03', '0.04', '0.05']) {
      await write(page, 'The slot shows', volts);
      await page
        .getByText(new RegExp(`^Slot F41, .*: ${Number(volts).toFixed(2)}.V$`))
        .first()
        .waitFor();
    }
    await page.getByText('F41: behaves as wanted.').waitFor();
    await page.getByRole('link', { name: 'Choose it at Wire' }).click();
    const picture = page.getByRole('group', { name: /^Electrical picture/ });
    await picture.getByRole('button', { name: /^Front fog plug, left: / }).click();
    await page.getByText('Feed it from elsewhere').click();
    await page.getByRole('textbox', { name: /Length of new wire/ }).fill('1');
    await page.getByRole('textbox', { name: /Length of new wire/ }).press('Enter');
    await page
      .getByRole('listitem')
      .filter({ hasText: /^F41 fuse tap/ })
      .getByRole('button', { name: 'Feed it from here' })
      .click();
    await picture.getByRole('button', { name: /^F41 F41, 3.A/ }).waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'on a phone in floor mode a reading is two taps with nothing in their way, what moves four; the next one stands there, on through a reload, and the seal of a pierced wire last',
  async () => {
    const { page, complaints } = await shop.open('fern', { viewport: PHONE, hasTouch: true });
    const job = await openedJob(page, shop.address, ['cairn-wren-rear-pair'], {}, 'saltmarsh-3');
    await append(page, shop.address, job, [
      ['reference.checked', { groundV: 0.02, feedV: 12.5 }],
      ['wire.opened', { plug: 'cluster-left', pin: '2', how: 'pierced' }],
    ]);
    await goTo(page, shop.address, job, 'probe', 'Probe');
    await page.getByRole('button', { name: 'Floor mode' }).click();
    const step = page.locator('article.step');
    const tap = async (name: string) => {
      const key = step.getByRole('button', { name, exact: true });
      await key.scrollIntoViewIfNeeded();
      const box = await key.boundingBox();
      const inReach =
        box &&
        (await page.evaluate(
          ([x, y]) =>
            document
              .elementFromPoint(x ?? 0, y ?? 0)
              ?.closest('button')
              ?.textContent?.trim(),
          [box.x + box.width / 2, box.y + box.height / 2],
        ));
      expect([name, inReach, (box?.height ?? 0) >= 55]).toEqual([name, name, true]);
      await key.tap();
    };
    let taps = 0;
    for (; taps < 20; taps++) {
      const [helper, pin] = await step.evaluate(
        (element) => [element.querySelector('h2')?.textContent ?? '', (element.querySelector('.pin')?.textContent ?? '').replace(/\D/g, '')] as const,
      );
      if (pin === '') break;
      const shown = await step.textContent();
      if (isLive(helper, pin)) await tap('12').then(() => tap('12.4'));
      else await tap('0').then(() => tap('0.0'));
      await page.waitForFunction((text) => document.querySelector('article.step')?.textContent !== text, shown);
      if (taps === 2) await page.reload();
    }
    expect(taps).toBeLessThan(16);
    await step.getByRole('button', { name: 'Sealed again' }).tap();
    await step.getByRole('heading', { name: 'Everything at Probe is done' }).waitFor();
    expect(await serious(page)).toEqual([]);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);
