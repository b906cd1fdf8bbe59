import type { Locator, Page } from 'playwright-core';

let made = 0;
let sent = 0;

/** All facts of the demo van, as its fresh vehicle has them. */
export const VAN_FACTS = { trim: 'guard', headlamp: 'led', 'headlamp-maker': 'b', 'front-fog': 'blank', 'drive-side': 'right', 'aux-output': 'present' };

/** Opens a job of its own, on the demo van unless another is named, with its facts known, so that no test sees another's events. */
export async function openedJob(
  page: Page,
  address: string,
  kits: string[] = ['cairn-fen-pair'],
  facts: Record<string, string> = VAN_FACTS,
  vehicle = 'hill-road-12',
): Promise<string> {
  const id = `01900000-0000-7000-8000-0000000001${String(++made).padStart(2, '0')}`;
  const answer = await page.context().request.post(`${address}/api/jobs`, { data: { id, vehicle, kits: kits.map((slug) => ({ slug })) } });
  const job = ((await answer.json()) as { id: string }).id;
  await append(
    page,
    address,
    job,
    Object.entries(facts).map(([fact, value]): [string, object] => ['fact.recorded', { fact, certainty: 'known', value }]),
  );
  return job;
}

/** Appends events to a job past the interface. */
export async function append(page: Page, address: string, job: string, events: [string, object][]): Promise<void> {
  if (events.length === 0) return;
  const body = events.map(([type, payload]) => ({ id: `01900000-0000-7000-9000-${String(++sent).padStart(12, '0')}`, type, v: 1, at: '2026-03-05T08:30:00Z', payload }));
  const answer = await page.context().request.post(`${address}/api/jobs/${job}/events`, { data: { events: body } });
  if (answer.status() !== 200) throw new Error(`${answer.status()}: ${await answer.text()}`);
}

/** Opens a station of a job by its address. */
export async function goTo(page: Page, address: string, job: string, station: string, name: string): Promise<void> {
  await page.goto(`${address}/jobs/${job}/${station}`);
  await page.getByRole('heading', { level: 1, name }).waitFor();
}

/** Records an accessory found on the vehicle, which holds one piece, by the form that asks for it. */
export async function findAccessory(page: Page, name: string, holds: string): Promise<void> {
  await page.getByRole('button', { name: 'Something was fitted here' }).click();
  await page.getByRole('textbox', { name: 'What it is' }).fill(name);
  // The list opens when the form has come to rest; a key before that is lost.
  const option = page.getByRole('option', { name: holds, exact: true });
  for (let tries = 0; tries < 5 && !(await option.isVisible()); tries++) {
    await page.getByRole('combobox', { name: 'Pieces it holds back' }).press('ArrowDown');
    await option.waitFor({ timeout: 2000 }).catch(() => undefined);
  }
  await option.click();
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').getByRole('radio', { name: 'left', exact: true }).click();
  await page.getByRole('combobox', { name: 'Its fasteners' }).focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: 'hex', exact: true }).click();
  await page.getByRole('spinbutton', { name: 'How many' }).fill('2');
  await page.getByRole('spinbutton', { name: 'Minutes to take it off' }).fill('5');
  await page.getByRole('spinbutton', { name: 'People' }).fill('1');
  await page.getByRole('button', { name: 'Record it and plan again' }).click();
}

/** What a step of the way back asks for before it is done: each sensor plugged in by a tap of its own, new fasteners where they are used once only. */
export async function readyForBack(page: Page, press: (button: Locator) => Promise<void> = (button) => button.click()): Promise<void> {
  const sensors = page.getByRole('button', { name: / is in and locked$/ });
  for (let left = await sensors.count(); left > 0; left--) {
    await press(sensors.first());
    await page.waitForFunction(
      (before) => [...document.querySelectorAll('button')].filter((button) => / is in and locked$/.test(button.textContent?.trim() ?? '')).length < before,
      left,
    );
  }
  for (const choice of await page.getByRole('radio', { name: 'New ones in' }).all()) if ((await choice.getAttribute('aria-checked')) !== 'true') await press(choice);
}

/** Minutes that a text says: "37 min", "1 h 12 min". */
export function minutesIn(text: string | null): number {
  const [, hours = '0', rest = '0'] = /^(?:(\d+)\s*h\s*)?(?:([\d.]+)\s*min)?/.exec((text ?? '').replaceAll('\u202f', ' ')) ?? [];
  return 60 * Number(hours) + Number(rest);
}
