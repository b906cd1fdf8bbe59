// npm run screenshots: one current picture of each main view, from the demo data, into docs/screenshots.
import { join } from 'node:path';
import { ROOT, say } from './packages.mjs';
import { openThrowawayShop } from './demo-shop.mjs';

const COUNTER = { width: 1280, height: 800 };
const TABLET = { width: 1024, height: 768 };
const PHONE = { width: 390, height: 844 };
const job = (id, station) => `/jobs/${id}/${station}`;
const PICTURES = [
  ['board', '/', COUNTER],
  ['the-job', job('hill-road-07', 'job'), COUNTER],
  ['library', '/library?show=vehicle/wexholm-bollard-35', COUNTER],
  ['customers', '/customers?vehicle=hill-road-02', COUNTER],
  ['correct', '/library/vehicle/wexholm-bollard-35/correct', COUNTER, { by: 'slate', press: /^Pieces/, tap: 'details[data-path="pieces[4]"] > summary' }],
  ['check-in', job('hill-road-07', 'check-in'), COUNTER],
  ['match', job('saltmarsh-3', 'match'), COUNTER],
  ['gather', job('hill-road-07', 'gather'), COUNTER],
  ['open-up', job('hill-road-07', 'open-up'), COUNTER],
  ['practice', '/practice', COUNTER],
  ['open-up-floor', job('hill-road-07', 'open-up'), TABLET, { floor: true, light: 'bay' }],
  ['wire', job('hill-road-02', 'wire'), COUNTER],
  [
    'probe',
    job('bakery-5', 'probe'),
    COUNTER,
    {
      write: [
        ['Ground used to battery −', '0.02'],
        ['A known feed', '12.6'],
        ['The meter shows', '12.3'],
        ['The meter shows', '0.02'],
      ],
    },
  ],
  // Goes on where the picture before it was.
  ['probe-phone', job('bakery-5', 'probe'), PHONE, { floor: true }],
  ['sense', job('hill-road-07', 'sense'), COUNTER],
  ['fit', job('hill-road-07', 'fit'), COUNTER],
  ['close-up', job('hill-road-07', 'close-up'), COUNTER],
  ['aim', job('saltmarsh-1', 'aim'), COUNTER],
  ['hand-over', job('hill-road-02', 'hand-over'), COUNTER],
];

const shop = await openThrowawayShop();
const { openBrowser } = await import('./browser.mjs');
const browser = await openBrowser();
const wanted = process.argv.slice(2);
for (const [name, path, viewport, { floor = false, light = 'counter', by = 'fern', press, tap, write = [] } = {}] of PICTURES) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const context = await browser.newContext({ viewport, hasTouch: viewport !== COUNTER });
  await context.request.post(`${shop.address}/api/session`, { data: { person: by, device: 'pictures' } });
  await context.addInitScript((value) => localStorage.setItem('jade-light', value), light);
  const page = await context.newPage();
  await page.goto(shop.address + path);
  await page.getByRole('heading', { level: 1 }).waitFor();
  if (floor) await page.getByRole('button', { name: 'Floor mode' }).click();
  await page.waitForTimeout(900);
  if (press) {
    await page.getByRole('button', { name: press }).click();
    await page.waitForTimeout(600);
  }
  if (tap) {
    await page.locator(tap).click();
    await page.waitForTimeout(600);
  }
  for (const [field, value] of write) {
    await page.getByRole('textbox', { name: field }).fill(value);
    await page.getByRole('textbox', { name: field }).press('Enter');
    await page.waitForTimeout(600);
  }
  await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
  await context.close();
  say(`docs/screenshots/${name}.png`);
}
await browser.close();
await shop.end();
