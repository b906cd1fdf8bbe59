import type { Page } from 'playwright-core';
import { serious } from './test/axe.ts';
import { TestBench } from './test/bench.ts';
import { append, goTo, openedJob } from './test/job.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);
const itself = (page: Page, job: string) => goTo(page, shop.address, job, 'job', 'The job');
const strip = (page: Page) => page.locator('header.strip');

test(
  'promise, bay, person and a note: each is on the other screen at once, and the board has them',
  async () => {
    const { page } = await shop.open('till');
    const other = (await shop.open('fern')).page;
    const job = await openedJob(page, shop.address);
    await goTo(other, shop.address, job, 'fit', 'Fit');
    await itself(page, job);
    await page.getByRole('radio', { name: 'Bay 2', exact: true }).click();
    await page.getByRole('radio', { name: 'Fern', exact: true }).click();
    await page.getByRole('button', { name: 'Promise another time' }).click();
    await page.getByLabel('Promised for').fill('2020-03-05T16:00');
    await page.getByText('That is past', { exact: false }).or(page.getByRole('alert')).first().waitFor();
    expect(await page.getByRole('dialog').getByRole('button', { name: 'Record it' }).isDisabled()).toBe(true);
    await page.getByLabel('Promised for').fill('2099-03-05T16:00');
    await page.getByRole('dialog').getByRole('button', { name: 'Record it' }).click();
    await strip(other)
      .getByText(/Bay 2 · promised Thu 5 Mar, 16:00 · Fern$/)
      .waitFor();
    // A note stands at the station where it was written, for whoever comes there.
    await other.getByRole('button', { name: 'Write a note' }).click();
    await other.getByLabel('What to know').fill('The left bracket wants a washer');
    await other.getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('The left bracket wants a washer', { exact: true }).waitFor();
    await page.getByText(/^Fern · Fit · /).waitFor();
    await page.goto(shop.address);
    await page.getByRole('radio', { name: 'By bay' }).click();
    await page.getByRole('heading', { name: 'Bay 2', exact: true }).waitFor();
    await page.getByRole('link', { name: /Thu 5 Mar, 16:00.*Bay 2 · Fern/s }).waitFor();
    expect(await serious(page)).toEqual([]);
  },
  LONG_MS,
);

test(
  'a kit is added while the job runs; dropped again, what is on the vehicle of it comes out at Fit by taps, floor mode too',
  async () => {
    const { page, complaints } = await shop.open('slate');
    const job = await openedJob(page, shop.address);
    await itself(page, job);
    await page.getByRole('button', { name: 'Add a kit' }).click();
    await page.getByRole('dialog').getByRole('combobox', { name: 'Which kit' }).press('ArrowDown');
    await page.getByRole('option', { name: 'Tarn Gantry 1100' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Add a kit' }).click();
    await page.getByText('Tarn Gantry 1100', { exact: true }).first().waitFor();
    // Its feet were started in their channel.
    await append(page, shop.address, job, [
      ['piece.moved', { piece: 'gutter-strip-left', level: 'off', way: 'from-step', fasteners: [{ group: 'clips', count: 6 }] }],
      ['piece.moved', { piece: 'gutter-strip-right', level: 'off', way: 'from-step', fasteners: [{ group: 'clips', count: 6 }] }],
      ['step.passed', { kit: 'tarn-gantry-1100', step: 'feet', pass: 'start' }],
    ]);
    await page.getByRole('listitem').filter({ hasText: 'Tarn Gantry 1100' }).getByRole('button', { name: 'Drop it' }).click();
    await page.getByText('There is 1 thing of it on the vehicle', { exact: false }).waitFor();
    await page.getByLabel('Why, and who decided it').fill('too tall, the station officer');
    await page.getByRole('dialog').getByRole('button', { name: 'Drop it' }).click();
    await page.getByRole('link', { name: '1 thing of it to be taken out, at Fit' }).click();
    await page.getByRole('heading', { name: 'Comes out again' }).waitFor();
    await page.getByRole('button', { name: 'Floor mode' }).click();
    await page.getByRole('heading', { name: /^Undo: feet/ }).waitFor();
    // A tap right after the step came may have been meant for the one before.
    await page.waitForTimeout(800);
    await page.getByRole('button', { name: 'It is undone' }).click();
    await page.getByRole('heading', { name: /^Undo: feet/ }).waitFor({ state: 'detached' });
    await itself(page, job);
    await page.getByText('not fitted: too tall, the station officer', { exact: true }).waitFor();
    expect(await page.getByRole('link', { name: /to be taken out/ }).count()).toBe(0);
    // Taken up again it is fitted as any other.
    await page.getByRole('button', { name: 'Take it up again' }).click();
    await page.getByText('not fitted: too tall, the station officer', { exact: true }).waitFor({ state: 'detached' });
    expect(await serious(page)).toEqual([]);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'left open for the night it says so on the board; found otherwise in the morning, somebody has to look',
  async () => {
    const { page } = await shop.open('fern', { viewport: { width: 390, height: 844 } });
    const job = await openedJob(page, shop.address);
    await append(page, shop.address, job, [['piece.moved', { piece: 'tow-eye-cover', level: 'off', way: 'front', fasteners: [{ group: 'tab', count: 1 }] }]]);
    await itself(page, job);
    await page.getByRole('button', { name: /^Trays closed/ }).click();
    await page.getByLabel('Where what is off lies').fill('rack 2');
    await page.getByRole('button', { name: 'Leave it for the night' }).click();
    await page.getByRole('heading', { name: 'Left open for the night' }).waitFor();
    const rows = page.getByRole('listitem');
    expect(await rows.filter({ hasText: 'Trays closed' }).filter({ hasText: 'not seen to' }).count()).toBe(0);
    expect(await rows.filter({ hasText: 'Openings covered' }).filter({ hasText: 'not seen to' }).count()).toBe(1);
    await strip(page).getByText('Left open overnight: look it over, then go on').waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.getByRole('button', { name: 'It is not', exact: true }).click();
    await page.getByLabel('What is otherwise').fill('The cover lay on the floor');
    await page.getByRole('dialog').getByRole('button', { name: 'It is not' }).click();
    await page.goto(`${shop.address}/jobs/${job}/hand-over`);
    await page.getByText(/open here$/).click();
    await page.getByRole('listitem').filter({ hasText: 'It was not found as it was left: The cover lay on the floor' }).first().waitFor();
  },
  LONG_MS,
);

test(
  'cancelled before anything was touched it leaves the board with its reason, and is found by kit and body; the next job can follow one that left',
  async () => {
    const { page } = await shop.open('till');
    const job = await openedJob(page, shop.address, ['cairn-wren-rear-pair'], {}, 'saltmarsh-3');
    await itself(page, job);
    await page.getByRole('button', { name: 'Cancel the job' }).click();
    await page.getByText('it leaves the board at once', { exact: false }).waitFor();
    await page.getByLabel('Why, and who decided it').fill('sold the car');
    await page.getByRole('dialog').getByRole('button', { name: 'Cancel it' }).click();
    await page.getByText('Cancelled: sold the car.').waitFor();
    await page.goto(shop.address);
    await page.getByRole('heading', { name: 'This week' }).waitFor();
    await page.getByLabel('Find a job').fill('wren crossover');
    await page.getByRole('link', { name: /Cancelled: sold the car/ }).waitFor();
    await page.getByRole('button', { name: 'Back to the board' }).click();
    await page.getByText('Help', { exact: true }).click();
    await page.getByText('somebody has to decide something').waitFor();
  },
  LONG_MS,
);

test(
  'a vehicle that comes again for what an earlier job fitted has that on it: tried, aimed and held again, without a kit to fit',
  async () => {
    const { page } = await shop.open('slate');
    const earlier = await openedJob(page, shop.address, ['cairn-fen-pair'], {}, 'hill-road-12');
    await append(page, shop.address, earlier, [['job.signed', { atSeq: 1 }]]);
    await page.goto(shop.address);
    await page.getByRole('button', { name: 'Open a job' }).click();
    await page.getByLabel('Plate, number or customer').fill('HR 12');
    await page.getByRole('button', { name: /HR 12/ }).first().click();
    await page.getByRole('radio', { name: 'As agreed, to look at it again' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Open it' }).click();
    await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    await strip(page)
      .getByRole('link', { name: /^The job itself/ })
      .click();
    await page.getByText('on the vehicle since an earlier job').waitFor();
    await page.getByRole('link', { name: /^Recheck of the job of/ }).click();
    await page.getByRole('link', { name: /^Looked at again on/ }).waitFor();
  },
  LONG_MS,
);

test(
  'what was tapped for the night holds for what it was tapped for: more of it since, or another job, and it is to be seen to again',
  async () => {
    const { page } = await shop.open('fern');
    const [one, two] = [await openedJob(page, shop.address), await openedJob(page, shop.address)];
    const off = (piece: string, way: string, group: string, count: number): [string, object] => ['piece.moved', { piece, level: 'off', way, fasteners: [{ group, count }] }];
    for (const job of [one, two]) await append(page, shop.address, job, [off('tow-eye-cover', 'front', 'tab', 1)]);
    await itself(page, one);
    const trays = page.getByRole('button', { name: /^Trays closed/ });
    await trays.click();
    expect(await trays.getAttribute('aria-pressed')).toBe('true');
    await append(page, shop.address, one, [off('gutter-strip-left', 'from-step', 'clips', 6)]);
    await page.getByRole('button', { name: 'Trays closed: 7 fasteners in them' }).waitFor();
    expect(await trays.getAttribute('aria-pressed')).toBe('false');
    await trays.click();
    // The other job by its own address, in the same page.
    await page.evaluate((to) => window.history.pushState({}, '', to), `/jobs/${two}/job`);
    await page.evaluate(() => window.dispatchEvent(new PopStateEvent('popstate', { state: window.history.state })));
    await page.getByRole('button', { name: 'Trays closed: 1 fastener in them' }).waitFor();
    expect(await trays.getAttribute('aria-pressed')).toBe('false');
  },
  LONG_MS,
);

test(
  'labels: the sheet that lies in the printer and its first free place are picked, and remembered where the last ones ended',
  async () => {
    const { page } = await shop.open('slate');
    const job = await openedJob(page, shop.address);
    await itself(page, job);
    const print = page.getByRole('button', { name: 'Print labels' });
    await print.click();
    await page.getByRole('heading', { name: /^1 label: / }).waitFor();
    await page.getByRole('radio', { name: '30 on letter' }).click();
    await page.getByRole('button', { name: 'Place 5, stays free' }).click();
    await page.getByRole('button', { name: 'Place 4, used up' }).waitFor();
    expect(await page.getByRole('button', { name: /will be printed/ }).count()).toBe(1);
    expect(await serious(page)).toEqual([]);
    const sheet = page.getByRole('link', { name: 'Open the sheet to print' });
    expect(await sheet.getAttribute('href')).toBe(`/api/jobs/${job}/labels.pdf?sheet=30&from=5`);
    const [opened] = await Promise.all([page.context().waitForEvent('page'), sheet.click()]);
    await opened.close();
    await print.click();
    await page.getByRole('button', { name: 'Place 6, will be printed' }).waitFor();
  },
  LONG_MS,
);
