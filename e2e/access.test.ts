import { STATIONS } from '@jade/core/stations';
import { serious } from './test/axe.ts';
import { PHONE, TABLET, TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

const PLACES = [
  '/',
  '/library',
  '/library?show=bodies',
  '/jobs/hill-road-07/card',
  '/jobs/hill-road-07/photos',
  '/library/wexholm-bollard-35/sheet',
  ...STATIONS.map((station) => `/jobs/hill-road-07/${station}`),
  '/jobs/hill-road-02/aim',
  '/jobs/saltmarsh-1/hand-over',
  '/jobs/saltmarsh-3/match',
];

test.each(['counter', 'bay'])(
  'nothing serious stands in the way of assistive technology, in the light of the %s',
  async (light) => {
    const { page, context } = await shop.open('fern');
    await context.addInitScript((value) => localStorage.setItem('jade-light', value), light);
    for (const place of PLACES) {
      await page.goto(shop.address + place);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForTimeout(250);
      expect([place, await serious(page)]).toEqual([place, []]);
    }
  },
  LONG_MS,
);

test.each([TABLET, PHONE])(
  'nothing scrolls sideways at $width × $height',
  async (viewport) => {
    const { page } = await shop.open('fern', { viewport, hasTouch: true });
    for (const place of PLACES) {
      await page.goto(shop.address + place);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForTimeout(150);
      expect([place, await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)]).toEqual([place, true]);
    }
  },
  LONG_MS,
);

test(
  'the finder and the key sheet open by one key each and close again',
  async () => {
    const { page } = await shop.open('fern');
    await page.goto(shop.address);
    await page.getByText('HR 07').waitFor();
    await page.keyboard.press('/');
    await page.getByLabel('Station, job, vehicle or kit').last().fill('hr 07');
    await page.getByRole('button', { name: /HR 07 Hill Road Rescue/ }).waitFor();
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    await page.keyboard.press(']');
    await page.getByRole('heading', { level: 1, name: 'Match' }).waitFor();
    await page.keyboard.press('?');
    await page.getByRole('heading', { name: 'Keys' }).waitFor();
    await page.keyboard.press('Escape');
    await page.getByRole('heading', { name: 'Keys' }).waitFor({ state: 'hidden' });
  },
  LONG_MS,
);
