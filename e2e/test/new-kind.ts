import type { Page } from 'playwright-core';
import { serious } from './axe.ts';

interface Logged {
  events: {
    type: string;
    payload: {
      pieces?: { id: string; name: string; box: { yMm: [number, number]; zMm: [number, number] }; levels: { openMin: number; ways: { needs: { piece: string }[] }[] }[] }[];
      piece?: string;
      fasteners?: { count: number }[];
      samePlaces?: { place: string; is: string }[];
      apartPlaces?: { place: string }[];
    };
  }[];
}
export const logOf = async (page: Page, address: string, job: string) => ((await (await page.context().request.get(`${address}/api/jobs/${job}`)).json()) as Logged).events;
const jobOf = (page: Page) => /jobs\/([^/?]+)/.exec(page.url())?.[1] ?? '';
export const go = async (page: Page, station: string) => {
  await page
    .getByRole('navigation')
    .getByRole('link', { name: new RegExp(`^${station}`) })
    .tap();
  await page.getByRole('heading', { level: 1, name: station }).waitFor();
};
export const pick = async (page: Page, select: string, option: string) => {
  const field = page.getByRole('dialog').locator('.v-select').filter({ hasText: select });
  // Once what stands above it has come to rest.
  await field.tap({ trial: true });
  await page.waitForTimeout(300);
  await field.tap();
  await page.getByRole('option', { name: option, exact: true }).tap();
};

/** Opens a job on a vehicle of the kind; on the first one the kind itself is made. */
export async function openJob(page: Page, address: string, plate: string, makes: boolean, like?: string): Promise<string> {
  await page.goto(address);
  await page.getByRole('button', { name: 'Open a job' }).tap();
  const form = page.getByRole('dialog');
  await form.getByRole('button', { name: 'A vehicle that is new' }).tap();
  await form.getByRole('textbox', { name: 'Plate' }).fill(plate);
  await form.getByRole('textbox', { name: 'Model year' }).fill('2021');
  if (makes) {
    await form.getByRole('button', { name: 'A kind that is not in the library' }).tap();
    await form.getByRole('textbox', { name: 'Maker' }).fill('Dunmorrow');
    await form.getByRole('textbox', { name: 'Model', exact: true }).fill(like ? 'Heron long bed' : 'Heron double cab');
    await pick(page, 'Body', 'Pickup, double cab');
    await form.getByText('4 measures as such a body typically has: measure, and write what you found.').waitFor();
    // What cannot be is said at once, and nothing that was written goes.
    await form.getByRole('textbox', { name: 'Wheelbase, mm' }).fill('5900');
    await form.getByRole('radio', { name: '12 V' }).tap();
    await form.getByRole('radio', { name: 'no high voltage' }).tap();
    await form.getByRole('alert').filter({ hasText: 'Wheelbase, mm' }).waitFor();
    await form.getByRole('textbox', { name: 'Wheelbase, mm' }).fill('3210');
    await form.getByRole('group', { name: /^The vehicle from the side/ }).waitFor();
    if (like) {
      await pick(page, 'Much like', like);
      await form.getByText('4 pieces are taken over as assumed').waitFor();
    }
    expect(await serious(page)).toEqual([]);
  } else await pick(page, 'Kind of vehicle', 'Dunmorrow Heron double cab');
  await form.getByRole('textbox', { name: 'Customer', exact: true }).fill(makes ? 'Northfell Sawmill' : 'Quay Street Ice House');
  await pick(page, 'Kits to fit', 'Cairn Fen pair (does not name this vehicle)');
  await page.keyboard.press('Escape');
  await form.getByRole('button', { name: 'Open it' }).tap();
  await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
  return jobOf(page);
}

/** Writes a piece down as it comes, and counts the taps that takes; a text field counts one. */
export async function came(
  page: Page,
  how: { tap?: [number, number]; drag?: [number, number, number, number]; name?: string; suggested?: string; fastener?: RegExp; count?: string; minutes: string },
): Promise<number> {
  let taps = 1;
  await page.getByRole('button', { name: 'A piece came off' }).tap();
  const form = page.getByRole('dialog');
  const sheet = form.getByRole('group', { name: /^Tap where the piece sits/ });
  await sheet.waitFor();
  if (how.tap) {
    // Once the form has come to rest.
    await sheet.tap({ trial: true });
    const box = await sheet.boundingBox();
    if (!box) throw new Error('no sheet');
    await page.touchscreen.tap(box.x + box.width * how.tap[0], box.y + box.height * how.tap[1]);
    taps++;
  }
  if (how.drag) {
    await form.getByRole('button', { name: 'Draw its extent' }).tap();
    await sheet.scrollIntoViewIfNeeded();
    const box = await sheet.boundingBox();
    if (!box) throw new Error('no sheet');
    const [left, top, right, bottom] = how.drag;
    await page.mouse.move(box.x + box.width * right, box.y + box.height * bottom);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * left, box.y + box.height * top, { steps: 4 });
    await page.mouse.up();
    // It is drawn once, and the next tap is a tap.
    await form.getByRole('button', { name: 'Draw its extent', pressed: false }).waitFor();
    taps += 2;
  }
  if (how.suggested) await form.getByRole('group', { name: 'Called so on other vehicles' }).getByRole('button', { name: how.suggested, exact: true }).tap();
  if (how.name) await form.getByRole('textbox', { name: 'What is it?' }).fill(how.name);
  taps++;
  if (how.fastener) {
    await form.getByRole('group', { name: 'What held it' }).getByRole('button', { name: how.fastener }).first().tap();
    await form.getByRole('textbox', { name: /^How many/ }).fill(how.count ?? '1');
    taps += 2;
  }
  // The clock took them; a test has no minutes to spare.
  await form.getByRole('textbox', { name: 'Minutes it took' }).fill(how.minutes);
  expect(await serious(page)).toEqual([]);
  await form.getByRole('button', { name: 'It is off, write it down' }).tap();
  await form.waitFor({ state: 'detached' });
  return taps + 1;
}
