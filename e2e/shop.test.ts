import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const van = JSON.parse(readFileSync(join(import.meta.dirname, '../demo/vehicles/wexholm-bollard-35.json'), 'utf8')) as {
  pieces: { levels: { openMin: number }[] }[];
  mounts: { id: string }[];
};
const shop = new TestBench(LONG_MS);

test(
  'the board shows each job with its promise and what holds it back, and leads to that station',
  async () => {
    const { page, complaints } = await shop.open('till');
    await page.goto(shop.address);
    await page.getByRole('heading', { level: 1, name: 'Harrow Quay Lamp Works' }).waitFor();
    expect(await page.locator('a.job').count()).toBe(10);
    expect(
      await page
        .locator('a.job')
        .filter({ hasText: /left \w{3} \d+ \w{3}/ })
        .count(),
    ).toBe(3);
    const job = page.locator('a.job').filter({ hasText: /HR 07.*to open, next:/s });
    await job.click();
    await page.getByRole('heading', { level: 1, name: 'Open up' }).waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'a job is opened from the board for a vehicle and a kit, and begins at check in',
  async () => {
    const { page } = await shop.open('till');
    await page.goto(shop.address);
    await page.getByRole('button', { name: 'Open a job' }).click();
    const open = page.getByRole('button', { name: 'Open it' });
    expect(await open.isDisabled()).toBe(true);
    await page.getByRole('textbox', { name: 'Plate, number or customer' }).fill('saltmarsh');
    await page.getByRole('button', { name: /SV 3 Saltmarsh Veterinary/ }).click();
    await page.getByRole('combobox', { name: 'Kits to fit' }).focus();
    await page.keyboard.press('ArrowDown');
    await page.getByRole('option', { name: 'Cairn Fen pair' }).click();
    await page.keyboard.press('Escape');
    // The vehicle has a job that is open: a second one is meant, or it is not opened; and none is promised for yesterday.
    await page.getByText('This vehicle has a job that is still open.').waitFor();
    expect(await open.isDisabled()).toBe(true);
    await page.getByRole('button', { name: 'A second job is meant' }).click();
    await page.getByLabel('Promised for').fill('2020-01-01T12:00');
    await page.getByText('That time is past').waitFor();
    expect(await open.isDisabled()).toBe(true);
    await page.getByLabel('Promised for').fill('2199-01-01T12:00');
    await open.click();
    await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    expect(page.url()).toMatch(/\/jobs\/job-[0-9a-f-]+\/check-in$/);
    await page.getByRole('banner').getByText('Saltmarsh Veterinary').waitFor();
  },
  LONG_MS,
);

test(
  'the finder goes from anywhere to a station, a job and a vehicle by keyboard alone',
  async () => {
    const { page } = await shop.open('till');
    await page.goto(`${shop.address}/jobs/hill-road-07/open-up`);
    await page.getByRole('heading', { level: 1, name: 'Open up' }).waitFor();
    const find = async (text: string) => {
      await page.keyboard.press('/');
      await page.getByRole('textbox', { name: 'Station, job, vehicle or kit' }).fill(text);
      await page
        .getByRole('dialog')
        .getByRole('listitem')
        .filter({ hasText: new RegExp(text, 'i') })
        .first()
        .waitFor();
      await page.keyboard.press('Enter');
      await page.getByRole('dialog').waitFor({ state: 'hidden' });
    };
    await find('wire');
    await page.getByRole('heading', { level: 1, name: 'Wire' }).waitFor();
    await find('linnet');
    await page.getByRole('heading', { level: 2, name: /^Oskarre Linnet/ }).waitFor();
    await page.keyboard.press('/');
    await page.getByRole('textbox', { name: 'Station, job, vehicle or kit' }).fill('no such thing');
    await page.getByText('Nothing by that name.').waitFor();
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
  },
  LONG_MS,
);

test(
  'a file is taken in from the library: faults with their paths and nothing stored, then the next version',
  async () => {
    const { page, context } = await shop.open('till');
    await page.goto(`${shop.address}/library`);
    await page.getByRole('heading', { level: 2, name: /^Dunmorrow Causeway/ }).waitFor();
    const take = (name: string, text: string) => page.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
    const broken = structuredClone(van);
    if (broken.pieces[3]?.levels[0]) broken.pieces[3].levels[0].openMin = -4;
    await take('broken.json', JSON.stringify(broken));
    await page.getByRole('status').getByText('broken.json was not taken.').waitFor();
    await page.getByText('pieces[3].levels[0].openMin must lie between 0 and 6000').waitFor();
    await take('no.json', '{"format": ');
    await page.getByRole('status').getByText('no.json was not taken.').waitFor();
    const version = async () => ((await (await context.request.get(`${shop.address}/api/documents/vehicle/wexholm-bollard-35`)).json()) as { version: number }).version;
    expect(await version()).toBe(1);
    await take('van.json', JSON.stringify(van));
    await page.getByText('van.json: vehicle wexholm-bollard-35, version 1, nothing new').waitFor();
    await take('van.json', JSON.stringify({ ...van, cautions: ['Mind the harbour wind on the tailgate.'] }));
    await page.getByText('van.json: vehicle wexholm-bollard-35, version 2').waitFor();
    expect(await version()).toBe(2);
    // What kits and open jobs rest on is not taken away unawares.
    const less = JSON.stringify({ ...van, cableWays: undefined, mounts: van.mounts.filter(({ id }) => id !== 'fog-right') });
    await take('less.json', less);
    await page.getByText('kits.cairn-fen-pair.fitments[0].mounts[1].mount no mount position is called “fog-right”').waitFor();
    await page.getByRole('alert').getByRole('button', { name: 'Leave it' }).click();
    expect(await version()).toBe(2);
    await take('less.json', less);
    await page.getByRole('button', { name: 'Take it in all the same' }).click();
    await page.getByText('less.json: vehicle wexholm-bollard-35, version 3').waitFor();
    expect(await version()).toBe(3);
    await take('van.json', JSON.stringify(van));
    await page.getByText('van.json: vehicle wexholm-bollard-35, version 4').waitFor();
  },
  LONG_MS,
);

test(
  'a script in a name is shown as text and never run',
  async () => {
    const { page, complaints } = await shop.open('till');
    await page.goto(`${shop.address}/library`);
    const named = { ...van, slug: 'script-van', model: '<img src=x onerror="document.title=\'run\'">' };
    await page.locator('input[type=file]').setInputFiles({ name: 'script.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(named)) });
    await page.getByText('script.json: vehicle script-van, version 1').waitFor();
    await page.goto(`${shop.address}/library?show=vehicle/script-van`);
    await page.getByRole('heading', { level: 2, name: /<img src=x/ }).waitFor();
    expect(await page.title()).not.toBe('run');
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'an address that leads nowhere says so and leads back; a job that is not there too',
  async () => {
    const { page } = await shop.open('till');
    await page.goto(`${shop.address}/tea`);
    await page.getByRole('link', { name: /board/i }).first().waitFor();
    await page.goto(`${shop.address}/jobs/nowhere/check-in`);
    await page.getByText('No job is called “nowhere”').first().waitFor();
  },
  LONG_MS,
);

test(
  'the library shows what the steps take at this shop beside the profile, and Open up reckons with it',
  async () => {
    const { page } = await shop.open('slate');
    await page.goto(`${shop.address}/library?show=vehicle/wexholm-bollard-35`);
    await page.getByRole('img', { name: 'Minutes by the profile and at this shop' }).waitFor();
    await page.getByText(/^All \d+ steps$/).click();
    await page
      .getByText(/done 2 times at this shop/)
      .first()
      .waitFor();
    await page.getByRole('link', { name: /Pellorin Trio 300/ }).click();
    await page.getByText('No step that the profile has was timed').waitFor();
    await page.goto(`${shop.address}/jobs/hill-road-07/open-up`);
    await page
      .getByRole('listitem')
      .getByRole('button', { name: /Tow eye cover/ })
      .click();
    await page.getByText('Why this?').click();
    await page.getByText(/done 2 times at this shop, it is reckoned with/).waitFor();
  },
  LONG_MS,
);
