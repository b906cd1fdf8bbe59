import { createHash, randomUUID } from 'node:crypto';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { frame, HEAD, jpeg, SCAN } from '@jade/core/photos/test';
import { openBrowser } from '../../scripts/browser.mjs';
import { cameraPhoto } from '../../e2e/test/photo.ts';
import { compare, summarise, time, type Line, type Timing } from '../measure.ts';

const PHOTOS = 200;
const RUNS = 5;
/** Of the picture whose making is measured: 60 million points. */
const LARGE = { widthPx: 9000, heightPx: 6700 };
const JOB = 'hill-road-07';
const AT = '/open-up';

async function bench(browser: Browser, address: string): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.request.post(`${address}/api/session`, { data: { person: 'fern', device: 'bench' } });
  return { context, page: await context.newPage() };
}

/** From the address to the step that can be done, in a browser that knows the program already. */
async function opening(page: Page, address: string): Promise<Timing> {
  const spent: number[] = [];
  for (let run = -1; run < RUNS; run++) {
    const start = performance.now();
    await page.goto(`${address}/jobs/${JOB}${AT}`, { waitUntil: 'commit' });
    await page.getByRole('button', { name: /^Done/ }).first().waitFor();
    if (run >= 0) spent.push(performance.now() - start);
  }
  return summarise(spent);
}

/** Photos of a job, as devices send them. */
async function fill({ request }: BrowserContext, address: string): Promise<void> {
  const events = [];
  for (let count = 0; count < PHOTOS; count++) {
    const bytes = Buffer.from(jpeg(HEAD, [0xe2, [count, ...Array.from({ length: 20_000 }, (_, at) => (at * 31 + count) & 0xff)]], [0xc0, frame(1600, 900)], SCAN));
    const hash = createHash('sha256').update(bytes).digest('hex');
    await request.put(`${address}/api/jobs/${JOB}/photos/${hash}`, { data: bytes, headers: { 'content-type': 'image/jpeg' } });
    const payload = { hash, thumb: hash, widthPx: 1600, heightPx: 900, about: 'arrival' };
    events.push({ id: randomUUID(), type: 'photo.taken', v: 1, at: new Date().toISOString(), payload });
  }
  await request.post(`${address}/api/jobs/${JOB}/events`, { data: { events } });
}

/** From the camera's file to the small picture that is seen, against drawing the same file in the page alone. */
async function making(page: Page): Promise<Line> {
  const file = await cameraPhoto(page, 1, LARGE);
  const seen = () => page.locator('.thumb:not(.elsewhere) img');
  const ours: number[] = [];
  for (let run = 0; run < 3; run++) {
    const before = await seen().count();
    // Another picture each time: the same one would be taken once.
    const another = await cameraPhoto(page, run + 1, LARGE);
    const start = performance.now();
    await page
      .getByLabel(/^Photo: /)
      .first()
      .setInputFiles([another]);
    await page.waitForFunction(
      (least) => [...document.querySelectorAll<HTMLImageElement>('.thumb:not(.elsewhere) img')].filter(({ naturalWidth }) => naturalWidth > 0).length > least,
      before,
    );
    ours.push(performance.now() - start);
  }
  const other = await page.evaluate(async (data) => {
    const blob = new Blob([Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))], { type: 'image/jpeg' });
    const times: number[] = [];
    for (let run = 0; run < 3; run++) {
      const start = performance.now();
      (await createImageBitmap(blob)).close();
      times.push(performance.now() - start);
    }
    return times;
  }, file.buffer.toString('base64'));
  return compare(
    `A photo of ${Math.round((LARGE.widthPx * LARGE.heightPx) / 1e6)} million points, from the file to what is seen`,
    summarise(ours),
    'reading its points alone',
    summarise(other),
  );
}

/** From the server being there again to the photo seen on another device, against a note that waited with it. */
async function across(browser: Browser, address: string): Promise<Line> {
  const [phone, desk] = [await bench(browser, address), await bench(browser, address)];
  const photos: number[] = [];
  const notes: number[] = [];
  for (const { page } of [phone, desk]) {
    await page.goto(`${address}/jobs/saltmarsh-3/check-in`);
    await page.getByText('Photo', { exact: true }).first().waitFor();
  }
  for (let run = 0; run < RUNS; run++) {
    const file = await cameraPhoto(phone.page, 20 + run);
    const note = `Note ${run} of the bench`;
    await phone.context.route('**/api/**', (route) => route.abort());
    await phone.page.getByLabel('Photo: vehicle on arrival', { exact: true }).setInputFiles([file]);
    await phone.page
      .getByText(/picture/)
      .first()
      .waitFor();
    await phone.page.getByRole('button', { name: 'Write a note' }).click();
    await phone.page.getByRole('dialog').getByRole('textbox').fill(note);
    await phone.page.getByRole('dialog').getByRole('button').first().click();
    // As long as it takes until tries are furthest apart.
    await phone.page.waitForTimeout(8000 + run * 300);
    await phone.context.unroute('**/api/**');
    const start = performance.now();
    await Promise.all([
      desk.page
        .getByText(note, { exact: true })
        .waitFor()
        .then(() => notes.push(performance.now() - start)),
      desk.page
        .waitForFunction((least) => [...document.querySelectorAll<HTMLImageElement>('.thumb img')].filter(({ naturalWidth }) => naturalWidth > 0).length > least, run)
        .then(() => photos.push(performance.now() - start)),
    ]);
  }
  return compare('A photo taken without a server, seen on the desk from when it is there again', summarise(photos), 'a note that waited with it', summarise(notes));
}

/** What photos cost: opening a job that has two hundred, making a large one ready, bringing one to another device. */
export async function benchPhotos(address: string): Promise<Line[]> {
  const browser = await openBrowser();
  const { context, page } = await bench(browser, address);
  const before = await opening(page, address);
  const large = await making(page);
  const view = () => time(30, () => fetch(`${address}/api/jobs/${JOB}`).then((answer) => answer.arrayBuffer()));
  const [bare, lines] = [await view(), [large, await across(browser, address)]];
  await fill(context, address);
  const after = await opening(page, address);
  const full = await view();
  await browser.close();
  return [
    compare(`Open up of a job with ${PHOTOS} photos, from the address to the step`, after, 'the same job before them', before),
    compare(`The answer of the server for a job with ${PHOTOS} photos`, full, 'the same job before them', bare),
    ...lines,
  ];
}
