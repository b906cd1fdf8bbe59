import type { Page } from 'playwright-core';
import { sayHelperState } from '@jade/words/kit';
import { MeterBridge } from '../stand-ins/meter/bridge.ts';
import { sitIn } from '../stand-ins/meter/seat.ts';
import { Played, type PlayedVehicle } from '../stand-ins/meter/vehicle.ts';
import { serious } from './test/axe.ts';
import { PHONE, TestBench } from './test/bench.ts';
import { append, goTo, openedJob } from './test/job.ts';

const LONG_MS = 400_000;
const MOST_STEPS = 40;
const shop = new TestBench(LONG_MS);
const open: MeterBridge[] = [];
afterEach(() => Promise.all(open.splice(0).map((bridge) => bridge.close())));

const card = (page: Page) => page.getByRole('article').filter({ hasText: 'Now, for the helper' });
const now = async (page: Page) => {
  const [state, pin, plug] = await Promise.all([
    card(page).getByRole('heading').textContent(),
    card(page).locator('.pin strong').textContent(),
    card(page).locator('.pin').textContent(),
  ]);
  return { state: state ?? '', pin: pin ?? '', plug: plug ?? '' };
};

/** A bench at Probe with its reference proved and a played vehicle on its meter. */
async function atProbe(vehicle: PlayedVehicle, person: string) {
  const { page, complaints } = await shop.open(person);
  const job = await openedJob(page, shop.address, ['pell-perch-bar'], {}, 'bakery-5');
  await append(page, shop.address, job, [['reference.checked', { groundV: 0.02, feedV: 12.6 }]]);
  await goTo(page, shop.address, job, 'probe', 'Probe');
  const played = new Played(vehicle, 5);
  const bridge = new MeterBridge(played);
  open.push(bridge);
  const port = await bridge.listen();
  await page.getByRole('button', { name: 'Meter', exact: true }).click();
  await page.getByRole('textbox', { name: 'Address of the meter’s bridge' }).fill(`ws://127.0.0.1:${port}`);
  await page.getByRole('button', { name: 'Call it' }).click();
  await page.getByText('Simulated meter').waitFor();
  return { page, complaints, job, played, bridge };
}

/** Waits until something holds. */
async function until(what: string, holds: () => boolean | Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 200; tries++) {
    if (await holds()) return;
    await new Promise((settle) => setTimeout(settle, 25));
  }
  throw new Error(`it never was: ${what}`);
}

test(
  'a rear lamp that nobody described is proved with the meter and a helper whose phone says what to switch; a cut line loses nothing, and the map is kept for the next vehicle',
  async () => {
    const { page, complaints, played, bridge } = await atProbe(
      { pins: { 1: 'ground', 2: 'stop pedal', 3: 'turn left', 4: 'empty', 5: 'tail', 6: 'reverse' }, systemV: 12.6 },
      'slate',
    );
    await page.getByRole('button', { name: 'Helper’s phone' }).click();
    const link = (await page.locator('a.address').getAttribute('href')) ?? '';
    const { page: phone, complaints: phoneComplaints } = await shop.open(undefined, { viewport: PHONE, hasTouch: true });
    await phone.goto(link);
    await phone.getByRole('heading', { level: 1 }).waitFor();
    const stop = new AbortController();
    const seat = sitIn(played, link, stop.signal);

    await page.getByRole('button', { name: 'A plug that is not in the profile' }).click();
    await page.getByRole('textbox', { name: 'What to call it' }).fill('Box lamp plug');
    await page.getByRole('textbox', { name: 'Where it hides' }).fill('Inside the box, left');
    for (const name of ['rear lamps', 'left']) await page.getByRole('radio', { name, exact: true }).click();
    for (const name of ['rear fog', 'constant supply']) await page.getByRole('button', { name, exact: true }).click();
    await page.getByRole('button', { name: 'Read this plug' }).click();
    await page.getByRole('heading', { name: 'Box lamp plug, pin by pin' }).waitFor();

    let steps = 0;
    for (; steps < MOST_STEPS; steps++) {
      const { state, pin, plug } = await now(page);
      if (!plug.includes('Box lamp plug')) break;
      await until(`the phone says ${state}`, async () => (await phone.getByRole('heading', { level: 1 }).textContent()) === state);
      await until(`the helper did ${state}`, () => sayHelperState(played.state) === state);
      played.pin = pin;
      const shown = await card(page).textContent();
      if (steps === 3) {
        // The line is cut while the key of the meter is pressed.
        bridge.drop();
        bridge.hold();
        await page.getByRole('button', { name: /^It is of pin \d with / }).click();
      } else bridge.hold();
      await page.waitForFunction((text) => document.querySelector('article.card')?.textContent !== text, shown);
      // A page that is loaded anew goes on with the meter and the phone.
      if (steps === 5) {
        await page.reload();
        await page.getByText('Simulated meter').waitFor();
      }
    }
    expect([steps > 8, steps < 25]).toEqual([true, true]);
    await until('the phone is told to wait or of another plug', async () => (await phone.getByRole('heading', { level: 1 }).textContent()) === (await now(page)).state);
    const map = page.locator('details').filter({ has: page.getByRole('heading', { name: 'Box lamp plug, pin by pin' }) });
    await map.getByRole('button', { name: 'Pin 1 of Box lamp plug' }).click();
    const ohm = map.getByRole('textbox', { name: 'To the body' });
    await ohm.fill('0,3');
    await ohm.press('Enter');
    for (const found of ['ground, proved', 'stop, proved', 'turn left, proved', 'tail, proved', 'reverse, proved']) await map.getByText(found).waitFor();
    expect(await serious(page)).toEqual([]);
    expect(await serious(phone)).toEqual([]);

    await page.getByRole('button', { name: 'Keep it in the profile' }).click();
    await page.getByRole('button', { name: 'Keep 5 as a new version' }).click();
    await page.getByText(/Kept: version 2 of Pellorin Trio 300/).waitFor();
    const { document: profile } = (await (await page.context().request.get(`${shop.address}/api/documents/vehicle/pellorin-trio-300`)).json()) as {
      document: { plugs: { name: string; pins: { id: string; carries: string; proved?: { readings: number } }[] }[] };
    };
    expect(profile.plugs.at(-1)?.pins.map(({ id, carries, proved }) => [id, carries, proved !== undefined])).toEqual([
      ['1', 'ground', true],
      ['2', 'stop pedal', true],
      ['3', 'turn left', true],
      ['4', 'unknown', false],
      ['5', 'parking', true],
      ['6', 'reverse', true],
    ]);
    await page.getByRole('button', { name: 'Helper’s phone' }).click();
    await page.getByRole('button', { name: 'Shut the link' }).click();
    await phone.getByText(/^This link is shut/).waitFor();
    stop.abort();
    await seat;
    expect([complaints, phoneComplaints]).toEqual([[], []]);
  },
  LONG_MS,
);

test(
  'one wire is looked for, a turn signal: it is read where it is said to be, proved on and off, flashing, beside a wire that leaks',
  async () => {
    const { page, complaints, played, bridge } = await atProbe(
      { pins: { 1: 'ground', 2: 'tail', 3: 'stop pedal', 4: 'turn left', 5: 'turn right', 6: 'empty' }, systemV: 12.6, leak: { pin: '2', state: 'turn left' } },
      'fern',
    );
    await page.getByText('Find one wire').click();
    await page.getByRole('combobox', { name: 'What it is to carry' }).press('Enter');
    await page.getByRole('option', { name: 'Turn left' }).click();
    await page.getByText(/^Factory tail plug, in the middle: pin 4, orange on this side of the plug; said to be, not proved/).waitFor();
    await page.getByRole('button', { name: 'Read it at Factory tail plug' }).click();
    const proved = page.getByText(/^Factory tail plug, in the middle: pin 4, .*proved on this vehicle/);
    for (let steps = 0; steps < MOST_STEPS && !(await proved.isVisible()); steps++) {
      const { state, pin } = await now(page);
      const asked = (['key off', 'ignition', 'parking', 'stop pedal', 'turn left', 'turn right', 'hazard'] as const).find((entry) => sayHelperState(entry) === state);
      if (!asked) throw new Error(`no state is told by “${state}”`);
      [played.state, played.pin] = [asked, pin];
      const shown = await card(page).textContent();
      bridge.hold();
      await page.waitForFunction((text) => document.querySelector('article.card')?.textContent !== text, shown);
    }
    await proved.waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);
