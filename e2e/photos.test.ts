import { randomBytes } from 'node:crypto';
import { serious } from './test/axe.ts';
import { settled, TABLET, PHONE, TestBench } from './test/bench.ts';
import { cameraPhoto } from './test/photo.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

type Page = Awaited<ReturnType<TestBench['open']>>['page'];
/** Takes photos where a button for them stands. */
const take = (page: Page, name: string | RegExp, files: { name: string; mimeType: string; buffer: Buffer }[]) => page.getByLabel(name).first().setInputFiles(files);
const thumbs = (page: Page) =>
  page
    .getByRole('group', { name: 'Photos of this step' })
    .first()
    .getByRole('button', { name: /^Look at/ });
/** Whether a picture is really seen: drawn with points of its own. */
const seen = (page: Page, count = 1) =>
  page.waitForFunction(
    (least) => [...document.querySelectorAll<HTMLImageElement>('.thumb img')].filter((image) => image.complete && image.naturalWidth > 0).length >= least,
    count,
  );

test(
  'a photo taken on a phone without a server is kept over a reload, and on the desktop once the server is there again',
  async () => {
    const { page: desk } = await shop.open('slate');
    const { page: phone, context } = await shop.open('fern', { viewport: PHONE });
    await desk.goto(`${shop.address}/jobs/hill-road-07/open-up`);
    await desk.getByRole('button', { name: /^Done/ }).first().waitFor();
    await phone.goto(`${shop.address}/jobs/hill-road-07/open-up`);
    await phone.getByRole('button', { name: /^Done/ }).first().waitFor();
    await phone.getByRole('banner').getByRole('button', { name: 'Fern' }).waitFor();
    const files = [await cameraPhoto(phone, 1), await cameraPhoto(phone, 2, { widthPx: 3000, heightPx: 4000 })];
    // The server is there and answers nothing: reading goes on from what the page has.
    await context.route('**/api/**', (route) => route.abort());
    await take(phone, /^Photo: front undertray/, files);
    // Pictures are fetched where they are looked at.
    await thumbs(phone).nth(1).scrollIntoViewIfNeeded();
    await seen(phone, 2);
    await phone.getByText(/kept here, 4 pictures/).waitFor();
    expect(await thumbs(desk).count()).toBe(0);
    await phone.reload();
    await thumbs(phone).nth(1).scrollIntoViewIfNeeded();
    await seen(phone, 2);
    await phone.getByText(/kept here, 4 pictures/).waitFor();
    await context.unroute('**/api/**');
    await seen(desk, 2);
    await settled(phone);
    const answer = await context.request.get(`${shop.address}/api/jobs/hill-road-07/photos`);
    expect(((await answer.json()) as { kept: string[] }).kept).toHaveLength(4);
  },
  LONG_MS,
);

test(
  'what leaves the device is upright, scaled, and carries nothing that the camera wrote beside the picture',
  async () => {
    const { page, context, complaints } = await shop.open('fern', { viewport: TABLET });
    await page.goto(`${shop.address}/jobs/hill-road-05/check-in`);
    // Held upright: the camera writes the picture lying, with a record that says how to turn it, and one of the place.
    const file = await cameraPhoto(page, 3, { widthPx: 4000, heightPx: 3000, turn: 6, place: 'N 12.345 E 6.789' });
    expect(file.buffer.includes('N 12.345')).toBe(true);
    await take(page, /^Photo: vehicle on arrival$/, [file]);
    await seen(page);
    await settled(page);
    const { events } = (await (await context.request.get(`${shop.address}/api/jobs/hill-road-05/events`)).json()) as {
      events: { type: string; payload: Record<string, unknown> }[];
    };
    const taken = events.find(({ type }) => type === 'photo.taken');
    expect(taken?.payload).toMatchObject({ widthPx: 1200, heightPx: 1600, about: 'arrival' });
    const sent = await (await context.request.get(`${shop.address}/api/photos/${String(taken?.payload.hash)}`)).body();
    expect([sent.includes('N 12.345'), sent.includes('Exif')]).toEqual([false, false]);
    // The corner that was red lies above on the right once it is turned by a quarter to the right.
    const corners = await page.evaluate(async (hash) => {
      const picture = await createImageBitmap(await (await fetch(`/api/photos/${hash}`)).blob());
      const canvas = new OffscreenCanvas(picture.width, picture.height);
      const pen = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
      pen.drawImage(picture, 0, 0);
      const isRed = (x: number, y: number) => {
        const [red = 0, green = 0] = pen.getImageData(x, y, 1, 1).data;
        return red > 180 && green < 80;
      };
      return [isRed(20, 20), isRed(picture.width - 20, 20), isRed(20, picture.height - 20)];
    }, String(taken?.payload.hash));
    expect(corners).toEqual([false, true, false]);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'a file that is no picture, broken, empty, in a format that no browser draws, or huge is refused with what to do; the good one beside it is taken',
  async () => {
    const { page } = await shop.open('fern');
    await page.goto(`${shop.address}/jobs/hill-road-12/check-in`);
    const good = await cameraPhoto(page, 4);
    const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/jpeg', buffer });
    await take(page, /^Photo: vehicle on arrival$/, [
      file('note.jpg', Buffer.from('only words')),
      file('empty.jpg', Buffer.alloc(0)),
      file('broken.jpg', Buffer.concat([good.buffer.subarray(0, 300), randomBytes(400)])),
      file('phone.heic', Buffer.from('\0\0\0\x18ftypheic\0\0\0\0mif1heic', 'latin1')),
      good,
    ]);
    for (const text of [/not a picture/, /nothing in this file/, /broken and cannot be drawn/, /browsers cannot show\. Set the camera to JPEG/])
      await page.getByRole('alert').filter({ hasText: text }).waitFor();
    await seen(page);
    expect(await thumbs(page).count()).toBe(1);
    // A picture of more points than any device should hold says so by its head alone.
    const head = Buffer.alloc(60);
    Buffer.from('\x89PNG\r\n\x1a\n\0\0\0\rIHDR', 'latin1').copy(head);
    head.writeUInt32BE(40_000, 16);
    head.writeUInt32BE(30_000, 20);
    await take(page, /^Photo: vehicle on arrival$/, [file('huge.png', head)]);
    await page.getByRole('alert').filter({ hasText: '1200 million points; up to 120 million' }).waitFor();
    // What was said of the files before is gone with them.
    expect(await page.getByText(/not a picture/).count()).toBe(0);
  },
  LONG_MS,
);

test(
  'a ring and a word say where to look, by tap and by keyboard; the next vehicle of the kind shows them at the same step, and nothing of it can be changed there',
  async () => {
    const { page } = await shop.open('fern');
    await page.goto(`${shop.address}/jobs/hill-road-12/open-up`);
    await page
      .getByRole('button', { name: /Front undertray/ })
      .first()
      .click();
    await take(page, /^Photo: front undertray/, [await cameraPhoto(page, 5)]);
    const own = page.locator('.thumb:not(.elsewhere)');
    await own.click();
    const dialog = page.getByRole('dialog');
    const picture = dialog.getByRole('group', { name: /^Where to look/ });
    // Once the dialog stands still.
    await picture.waitFor();
    await page.waitForFunction(() => document.getAnimations().every(({ playState }) => playState !== 'running'));
    const box = await picture.boundingBox();
    if (!box) throw new Error('no picture');
    await picture.click({ position: { x: box.width * 0.3, y: box.height * 0.6 } });
    const ring = dialog.locator('circle.ring');
    const at = async () => [Math.round(Number(await ring.getAttribute('cx'))), Math.round(Number(await ring.getAttribute('cy')))];
    expect((await at()).map((value) => Math.round(value / 10))).toEqual([48, 72]);
    await picture.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowUp');
    expect((await at()).map((value) => Math.round(value / 10))).toEqual([52, 69]);
    const r = Number(await ring.getAttribute('r'));
    await page.keyboard.press('+');
    expect(Number(await ring.getAttribute('r'))).toBeGreaterThan(r);
    await dialog.getByLabel('What it shows').fill('Hidden bolt');
    await dialog.getByRole('button', { name: 'Record it' }).click();
    await dialog.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByRole('button', { name: /^Look at: Hidden bolt \(front undertray/ }).waitFor();
    await settled(page);
    // Another van of the kind, at the same step.
    await page.goto(`${shop.address}/jobs/hill-road-07/open-up`);
    const earlier = page.getByRole('button', { name: /^Look at: Hidden bolt \(front undertray/ });
    await earlier.waitFor();
    await earlier.click();
    await dialog.getByText('on HR 12').waitFor();
    expect([
      await dialog.locator('circle.ring').count(),
      await dialog.getByRole('button', { name: /ring|sheet|back/ }).count(),
      await dialog.getByLabel('What it shows').count(),
    ]).toEqual([1, 0, 0]);
    // And in the library, at the piece.
    await page.goto(`${shop.address}/library?show=vehicle/wexholm-bollard-35`);
    await page.getByLabel('Find a piece').fill('front undertray');
    await page.getByRole('button', { name: 'Front undertray', exact: true }).first().click();
    await page.getByRole('button', { name: /^Look at: Hidden bolt/ }).waitFor();
  },
  LONG_MS,
);

test(
  'photos of a job stand together; one chosen for the customer is on the sheet, one taken back is gone everywhere',
  async () => {
    const { page } = await shop.open('fern');
    await page.goto(`${shop.address}/jobs/bakery-5/check-in`);
    await take(page, /^Photo: vehicle on arrival$/, [await cameraPhoto(page, 6), await cameraPhoto(page, 7)]);
    await seen(page, 2);
    await page.goto(`${shop.address}/jobs/bakery-5/job`);
    await page.getByRole('link', { name: 'All photos (2)' }).click();
    await page.getByRole('heading', { level: 1, name: 'Photos' }).waitFor();
    await seen(page, 2);
    await page
      .getByRole('button', { name: /^Look at/ })
      .first()
      .click();
    expect(await serious(page)).toEqual([]);
    await page.getByRole('dialog').getByRole('button', { name: 'For the customer’s sheet' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByText('goes with the sheet').waitFor();
    expect(await serious(page)).toEqual([]);
    await page
      .getByRole('button', { name: /^Look at/ })
      .nth(1)
      .click();
    await page.getByRole('dialog').getByRole('button', { name: 'Take photo back' }).click();
    await page.waitForFunction(() => document.querySelectorAll('.thumb').length === 1);
    await settled(page);
    await page.goto(`${shop.address}/jobs/bakery-5/hand-over`);
    await page.getByRole('button', { name: 'Read the sheet with the customer' }).click();
    await page.getByRole('heading', { level: 3, name: 'Photos' }).waitFor();
    await page.waitForFunction(() => [...document.querySelectorAll<HTMLImageElement>('.sheet img')].filter((image) => image.naturalWidth > 0).length === 1);
  },
  LONG_MS,
);
