import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { atRest, serious } from './test/axe.ts';
import { settled, TABLET, TestBench } from './test/bench.ts';

/** How long the server is away at least, in minutes: the journey is the same however long it is. */
const AWAY_MIN = Number(process.env.JADE_AWAY_MIN ?? 0);
const LONG_MS = 600_000 + AWAY_MIN * 60_000;
const shop = new TestBench(LONG_MS, true);
const HERON = 'dunmorrow-heron-double-cab';

const go = async (page: Page, station: string) => {
  await page
    .getByRole('navigation')
    .getByRole('link', { name: new RegExp(`^${station}`) })
    .tap();
  await page.getByRole('heading', { level: 1, name: station }).waitFor();
};
/** Until no list is open any more: one that is still shutting takes the next tap for itself. */
const listsShut = async (page: Page) => {
  await page.waitForFunction(() => ![...document.querySelectorAll('[role=listbox]')].some((list) => list.checkVisibility()));
  await atRest(page);
};
const choose = async (page: Page, select: string, option: string) => {
  await listsShut(page);
  await page.locator('.v-select').filter({ hasText: select }).tap();
  await page.getByRole('listbox', { name: select }).getByRole('option', { name: option, exact: true }).tap();
};
/** The tablet is a stranger until the code of the counter lets it in. */
async function letIn(tablet: Page, counter: Page): Promise<void> {
  await tablet.goto(await shop.elsewhere());
  await tablet.getByRole('heading', { name: 'This device is not let in yet' }).waitFor();
  await counter.goto(`${shop.address}/people`);
  await counter.getByRole('button', { name: 'Let a device in' }).click();
  await tablet.getByRole('textbox', { name: 'Code from the counter' }).fill(((await counter.locator('.code').textContent()) ?? '').trim());
  await tablet.getByRole('textbox', { name: 'What this device is called' }).fill('Bay 1 tablet');
  await tablet.getByRole('button', { name: 'Let it in' }).tap();
  await tablet
    .getByRole('dialog')
    .getByRole('button', { name: /^Slate/ })
    .tap();
  await tablet.getByRole('button', { name: 'Open a job' }).waitFor();
}

/** A plug that nobody described, taken in hand and read wire by wire as it is asked: its second wire is live with main beam alone. */
async function proved(page: Page): Promise<void> {
  const form = page.getByRole('dialog');
  for (const [name, value] of [
    ['Ground used to battery −', '0.02'],
    ['A known feed', '12.5'],
  ] as const) {
    await page.getByRole('textbox', { name }).fill(value);
    await page.keyboard.press('Enter');
  }
  await page.getByRole('button', { name: 'A plug that is not in the profile' }).tap();
  // The first field takes the focus as the form opens: nobody writes before that, and what is written meanwhile would go into it.
  await page.waitForFunction(() => document.activeElement?.tagName === 'INPUT');
  await form.getByRole('textbox', { name: 'What to call it' }).fill('Headlamp plug');
  await form.getByRole('textbox', { name: 'Where it hides' }).fill('behind the left lamp');
  await form.getByRole('radio', { name: 'front lamps' }).tap();
  await form.getByRole('radio', { name: 'left', exact: true }).tap();
  const lamps = form.getByRole('group', { name: 'What its lamps have' });
  const listed = (await lamps.getByRole('button', { pressed: true }).allTextContents()).map((text) => text.trim());
  for (const name of listed.filter((text) => text !== 'main')) await lamps.getByRole('button', { name, exact: true }).tap();
  await choose(page, 'Rows', '1');
  await choose(page, 'Wires in a row', '2');
  await form.getByRole('button', { name: 'Read this plug' }).tap();
  await form.waitFor({ state: 'detached' });
  await page.getByRole('button', { name: 'Floor mode' }).tap();
  const step = page.locator('article.step');
  for (let taps = 0; taps < 12; taps++) {
    const [helper, pin] = await step.evaluate((element) => [element.querySelector('h2')?.textContent ?? '', (element.querySelector('.pin')?.textContent ?? '').replace(/\D/g, '')]);
    if (pin === '') break;
    const shown = await step.textContent();
    for (const key of pin === '2' && /main beam/i.test(helper) ? ['12', '12.4'] : ['0', '0.0']) await step.getByRole('button', { name: key, exact: true }).tap();
    await page.waitForFunction((text) => document.querySelector('article.step')?.textContent !== text, shown);
  }
  await page.getByRole('button', { name: 'The whole station' }).tap();
}

async function vehicle(page: Page, plate: string, makes: boolean): Promise<void> {
  await page.goto(await shop.elsewhere());
  await page.getByRole('button', { name: 'Open a job' }).tap();
  const form = page.getByRole('dialog');
  await form.getByRole('button', { name: 'A vehicle that is new' }).tap();
  await form.getByRole('textbox', { name: 'Plate' }).fill(plate);
  await form.getByRole('textbox', { name: 'Model year' }).fill(makes ? '2021' : '2019');
  if (makes) {
    await form.getByRole('button', { name: 'A kind that is not in the library' }).tap();
    await form.getByRole('textbox', { name: 'Maker', exact: true }).fill('Dunmorrow');
    await form.getByRole('textbox', { name: 'Model', exact: true }).fill('Heron double cab');
    await choose(page, 'Body', 'Pickup, double cab');
    await form.getByRole('radio', { name: '12 V' }).tap();
    await form.getByRole('radio', { name: 'no high voltage' }).tap();
  } else await choose(page, 'Kind of vehicle', 'Dunmorrow Heron double cab');
  await form.getByRole('textbox', { name: 'Customer', exact: true }).fill('Northfell Sawmill');
}

async function pieceCame(page: Page, name: string, at: [number, number]): Promise<void> {
  await page.getByRole('button', { name: 'A piece came off' }).tap();
  const form = page.getByRole('dialog');
  await pointAt(page, /^Tap where the piece sits/, at);
  await form.getByRole('textbox', { name: 'What is it?' }).fill(name);
  await form.getByRole('textbox', { name: 'Minutes it took' }).fill('3.5');
  await form.getByRole('button', { name: 'It is off, write it down' }).tap();
  await form.waitFor({ state: 'detached' });
}

async function pointAt(page: Page, label: RegExp, [across, down]: [number, number]): Promise<void> {
  const sheet = page.getByRole('dialog').getByRole('group', { name: label });
  // Once the form has come to rest.
  await sheet.tap({ trial: true });
  await sheet.scrollIntoViewIfNeeded();
  const box = await sheet.boundingBox();
  if (!box) throw new Error('no sheet');
  await page.touchscreen.tap(box.x + box.width * across, box.y + box.height * down);
}

test(
  'in an empty shop a pickup and a bar that nobody described are worked on by touch, kept, and the second pickup is planned and fitted from it',
  async () => {
    const first = {
      name: 'Harrow Quay Lamp Works',
      currency: 'crowns',
      bays: ['Bay 1'],
      mileageUnit: 'km',
      lengths: 'mm',
      timeZone: 'Etc/GMT',
      people: [{ benchName: 'Slate', role: 'lead' }],
    };
    const { page: counter } = await shop.open(undefined);
    expect((await counter.context().request.post(`${shop.address}/api/shop`, { data: first })).status()).toBe(201);
    await counter.context().request.post(`${shop.address}/api/session`, { data: { person: 'slate', device: 'Counter' } });
    const { page, context, complaints } = await shop.open(undefined, { viewport: TABLET, hasTouch: true });
    await letIn(page, counter);

    await vehicle(page, 'NF 41', true);
    const form = page.getByRole('dialog');
    await form.getByRole('button', { name: 'A kit that is not in the library' }).tap();
    await form.getByText('Still missing: its maker, its name, what it is, or its price.').waitFor();
    await form.getByRole('textbox', { name: 'Maker of the kit' }).fill('Tarn');
    await form.getByRole('textbox', { name: 'Name of the kit' }).fill('Prow bar');
    await choose(page, 'What it is', 'Light bar');
    await form.getByRole('textbox', { name: 'Price, crowns; 0 where the customer brings it' }).fill('329,5');
    expect(await serious(page)).toEqual([]);
    await form.getByRole('button', { name: 'Open it' }).tap();
    await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    const job = /jobs\/([^/?]+)/.exec(page.url())?.[1] ?? '';

    // Its lamps are marked and tried, and what else is read as it came.
    await page.getByRole('button', { name: 'Mark all' }).tap();
    await page.getByRole('button', { name: /^It has these \d+ lamps$/ }).tap();
    await page.getByRole('button', { name: 'That is all of them' }).tap();
    await page.getByText(/^\d+ of \d+ lamps to try/).waitFor();
    await page.getByRole('button', { name: /^The other \d+ work$/ }).tap();
    await page.getByText('Every factory lamp is tried.').waitFor();
    await page.getByRole('textbox', { name: 'Number, 17 places' }).fill('11111111111111111');
    await page.keyboard.press('Enter');
    await page.getByRole('textbox', { name: 'Battery at rest' }).fill('12.6');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Read: none stored' }).tap();
    await page.getByRole('button', { name: 'None is lit' }).tap();
    const lenses = page.getByRole('group', { name: 'Lens haze' });
    await lenses.waitFor();
    for (const clear of await lenses.getByRole('radio', { name: 'clear' }).all()) await clear.tap();

    // A gap as it came, before anything is opened: of one that nobody described nothing is said to be outside.
    await page.getByText('No panel gap of this kind of vehicle is described').waitFor();
    await page.getByRole('button', { name: 'Measure a gap' }).tap();
    await pointAt(page, /^Tap where the gap is/, [0.3, 0.45]);
    await form.getByRole('button', { name: 'Bonnet to wing' }).tap();
    await form.getByText('Still missing: where it is, between what, its side, or its width.').waitFor();
    await form.getByRole('radio', { name: 'left', exact: true }).tap();
    await form.getByRole('textbox', { name: 'Width, mm' }).fill('4.2');
    expect(await serious(page)).toEqual([]);
    await form.getByRole('button', { name: 'Measured so' }).tap();
    await form.waitFor({ state: 'detached' });

    await go(page, 'Match');
    await page.getByText('Nobody has described what is in its box: it is counted at Gather.').waitFor();
    await page.getByRole('button', { name: 'It was held against the vehicle, and goes' }).tap();
    await page.getByRole('button', { name: 'Match confirmed' }).waitFor();

    await go(page, 'Gather');
    // On the floor as well nothing is said to be counted while nobody knows what there is to count.
    await page.getByRole('button', { name: 'Floor mode' }).tap();
    await page.getByRole('region', { name: 'What is in the box' }).waitFor();
    expect(await page.getByText('Everything is counted, and the bench is done.').count()).toBe(0);
    await page.getByRole('button', { name: 'The whole station' }).tap();
    for (const item of ['Light bar', 'Foot, left', 'Foot, right', 'Harness']) await page.getByRole('button', { name: `One more of ${item}`, exact: true }).tap();
    await page.getByRole('textbox', { name: 'How many of Bolts' }).fill('6');
    await page.getByRole('button', { name: 'Something else is in it' }).tap();
    await page.getByRole('textbox', { name: 'What it is called' }).fill('Edge strip');
    await page.getByRole('button', { name: 'Add it to the list' }).tap();
    await page.getByRole('button', { name: 'Write down these 6' }).tap();
    await page.getByText('6 listed').waitFor();
    await page.getByRole('button', { name: 'That is all that is in it' }).tap();
    const lamps = page.getByRole('region', { name: 'Its lamps' });
    await lamps.getByRole('textbox', { name: 'Power of one, W' }).fill('96');
    await choose(page, 'What lights in it', 'LED with a driver');
    for (const [field, value] of [
      ['At, V', '13.2'],
      ['Width of its body, mm', '560'],
      ['Height, mm', '72'],
      ['Depth, mm', '81'],
      ['What is printed or moulded on it; “none found” where nothing is', 'none found'],
    ] as const)
      await lamps.getByRole('textbox', { name: field }).fill(value);
    expect(await serious(page)).toEqual([]);
    await lamps.getByRole('button', { name: 'Write it down' }).tap();
    await lamps.getByRole('button', { name: 'It has no other lamp' }).tap();
    await lamps.waitFor({ state: 'detached' });

    // The server is away while it is opened and fitted.
    await go(page, 'Open up');
    await page.waitForFunction(() => performance.getEntriesByType('resource').some((entry) => entry.name.includes('known-pieces')));
    await page.waitForLoadState('networkidle');
    await context.setOffline(true);
    await pieceCame(page, 'Grille', [0.38, 0.55]);
    await pieceCame(page, 'Air duct', [0.5, 0.62]);
    await page.getByRole('button', { name: 'All that is needed is open' }).tap();
    await page.getByText('Everything is reachable.').waitFor();

    await go(page, 'Fit');
    await page.getByRole('button', { name: 'A step was done' }).tap();
    await form.getByRole('group', { name: 'What of the box it was' }).getByRole('button', { name: 'Light bar', exact: true }).tap();
    await form.getByRole('group', { name: 'Lamps that now sit in their place by it' }).getByRole('button', { name: 'Light bar', exact: true }).tap();
    await pointAt(page, /^Tap where it sits/, [0.4, 0.5]);
    await form.getByRole('textbox', { name: 'What the place is called' }).fill('Behind the grille');
    await form.getByRole('group', { name: 'Tool' }).getByRole('button', { name: '13 mm hex' }).tap();
    expect(await form.getByRole('button', { name: 'It is done' }).isDisabled()).toBe(true);
    await form.getByRole('radio', { name: 'Bolted: started, aligned, tightened' }).tap();
    await form.getByRole('textbox', { name: 'Minutes it took' }).fill('9');
    expect(await serious(page)).toEqual([]);
    await form.getByRole('button', { name: 'It is done' }).tap();
    await form.waitFor({ state: 'detached' });
    // A hole is agreed to before it is written down as one, at a place that is known by now.
    await page.getByRole('button', { name: 'A step was done' }).tap();
    await form.getByRole('textbox', { name: 'What was done' }).fill('Hole of 12 mm for the grommet');
    await form.getByRole('radio', { name: 'middle' }).tap();
    await form.getByRole('button', { name: 'Behind the grille' }).tap();
    await form.getByRole('textbox', { name: 'Tool' }).fill('step drill');
    await form.getByRole('radio', { name: 'Done in one go' }).tap();
    await form.getByRole('textbox', { name: 'Minutes it took' }).fill('4');
    await form.getByRole('button', { name: 'It cut or drilled something' }).tap();
    await form.getByText('Still missing: what was done, its side, its place, the tool, how it is held, the minutes, or who agreed.').waitFor();
    await form.getByRole('textbox', { name: /^Who agreed to that/ }).fill('the yard manager');
    await form.getByRole('button', { name: 'It is done' }).tap();
    await form.waitFor({ state: 'detached' });
    const whole = page.getByRole('button', { name: 'That is all that is fitted' });
    expect(await whole.isDisabled()).toBe(true);
    await page.getByText('First take the tests that prove the lamps of Tarn Prow bar.').waitFor();
    await page.getByRole('button', { name: 'Take this test' }).tap();
    await whole.tap();
    await page.getByText('2 steps are written down.').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'It works' }).tap();
    await page.getByRole('button', { name: 'Passed' }).waitFor();
    // Its trigger lead goes to a wire that is found and proved, its feed to the battery.
    await go(page, 'Wire');
    await page.getByText('Nobody has described all of how Tarn Prow bar is wired on this kind of vehicle').waitFor();
    await page.getByText('what 1 lamp takes while off, which nobody has measured').waitFor();
    expect(await page.getByText('No plug of this job meets the vehicle').count()).toBe(0);
    await page.getByRole('button', { name: 'A joint is ready to be made' }).tap();
    await form.getByText('No plug of this vehicle is in hand yet.').waitFor();
    await form.getByRole('link', { name: 'To Probe' }).tap();
    await page.getByRole('heading', { level: 1, name: 'Probe' }).waitFor();
    await proved(page);
    await go(page, 'Wire');
    await page.getByRole('button', { name: 'A joint is ready to be made' }).tap();
    await form.getByRole('group', { name: 'Plug of the vehicle' }).getByRole('button', { name: 'Headlamp plug' }).tap();
    await form.getByRole('radio', { name: 'a lead of the kit to one of its wires' }).tap();
    await form.getByRole('radio', { name: 'pin 2 · main, proved' }).tap();
    await form.getByRole('button', { name: 'Trigger lead' }).tap();
    await form.getByRole('radio', { name: 'switches a relay of the kit' }).tap();
    await form.getByRole('textbox', { name: 'Main fuse of the kit’s feed, A' }).fill('15');
    await form.getByRole('textbox', { name: 'From the battery to that fuse, mm' }).fill('140');
    await form.getByRole('textbox', { name: 'Printed on the relay, A' }).fill('10');
    await form.getByRole('textbox', { name: 'Slot of the fuse that guards the wire' }).fill('F21');
    await form
      .getByRole('group', { name: 'Printed on that fuse' })
      .getByRole('button', { name: /^10\s?A$/ })
      .tap();
    await form.getByText(/^A main fuse of 15.A lets more through than the relay carries/).waitFor();
    expect(await form.getByRole('button', { name: 'Made and looked at' }).isDisabled()).toBe(true);
    await form.getByRole('textbox', { name: 'Printed on the relay, A' }).fill('30');
    // Half of a lead is asked for: with its wire goes where the ground is made.
    await form.getByRole('textbox', { name: 'Length of the lead, mm' }).fill('1850');
    await form
      .getByRole('group', { name: 'Cross-section of its wires' })
      .getByRole('button', { name: /^1\.5\s?mm²$/ })
      .tap();
    await form.getByText(/^Still to be said/).waitFor();
    await form.getByRole('radio', { name: 'comes back in the lead' }).tap();
    await form.getByText('Look at it before you press').waitFor();
    expect(await serious(page)).toEqual([]);
    await form.getByRole('button', { name: 'Made and looked at' }).tap();
    await form.waitFor({ state: 'detached' });
    await page.getByText('One joint is written down.').waitFor();
    await page.getByText('Nothing that is known speaks against it.').waitFor();
    await page.getByRole('button', { name: 'That is all that is joined' }).tap();
    await page.getByText('One joint is written down.').waitFor({ state: 'detached' });
    for (const source of ['From the battery', 'Headlamp plug, pin 2']) {
      await page.getByRole('heading', { name: source }).waitFor();
      await page.getByRole('button', { name: 'Accept this load' }).tap();
      await page.getByRole('button', { name: 'Load accepted' }).waitFor();
      if (source === 'From the battery') await page.getByRole('button', { name: 'Next in the picture' }).tap();
    }
    await page.getByRole('button', { name: 'Write a note' }).tap();
    await form.getByRole('textbox').fill('the loom lies above the wheel arch');
    await form.getByRole('button', { name: 'Keep it' }).tap();
    await form.waitFor({ state: 'detached' });
    await page.waitForTimeout(AWAY_MIN * 60_000);
    await context.setOffline(false);
    await settled(page);

    // A sensor was on the grille: it is written down where it sits, unplugged, and plugged in again.
    await go(page, 'Sense');
    await page.getByRole('button', { name: 'A sensor was on it' }).tap();
    await form.getByRole('group', { name: 'On which piece' }).getByRole('button', { name: 'Grille' }).tap();
    await form.getByRole('radio', { name: 'parking sensor' }).tap();
    await form.getByRole('radio', { name: 'forward' }).tap();
    // What is begun survives a reload, each field of it.
    await page.reload();
    await page.getByRole('button', { name: 'A sensor was on it' }).tap();
    expect(await form.getByRole('button', { name: 'Grille' }).getAttribute('aria-pressed')).toBe('true');
    for (const name of ['parking sensor', 'forward']) expect(await form.getByRole('radio', { name }).getAttribute('aria-checked')).toBe('true');
    await form.getByRole('group', { name: 'How its plug lets go' }).getByRole('button', { name: 'tab', exact: true }).tap();
    await form.getByRole('radio', { name: 'unplugged now' }).tap();
    await form.getByRole('radio', { name: 'is not asked for' }).tap();
    // That nothing has to be calibrated is said with where it stands.
    await form.getByText(/^Still missing: the piece/).waitFor();
    await form.getByRole('textbox', { name: /^By which procedure/ }).fill('paper of its maker');
    expect(await serious(page)).toEqual([]);
    await form.getByRole('button', { name: 'Write it down' }).tap();
    await form.waitFor({ state: 'detached' });
    await page.getByText('how far it may stand off is not known').waitFor();
    await page.getByRole('button', { name: 'Reconnected, tab closed' }).tap();
    await page.getByRole('button', { name: 'No other sensor was on or behind it' }).tap();
    await page.getByRole('heading', { name: 'Not described' }).waitFor({ state: 'detached' });
    await settled(page);

    // It goes back together, the last piece first, and is looked over as it leaves.
    await go(page, 'Close up');
    await page.getByRole('heading', { name: /^Put back: / }).waitFor();
    const back = page.getByRole('button', { name: /^It is back/ });
    while ((await back.count()) > 0) {
      const shown = (await page.getByRole('heading', { name: /^Put back: / }).textContent()) ?? '';
      await back.tap();
      await page.getByRole('heading', { name: shown.trim(), exact: true }).waitFor({ state: 'detached' });
    }
    await go(page, 'Hand over');
    await page.getByRole('button', { name: /^Tried: / }).tap();
    await page.getByText('Every lamp is tried again.').waitFor();
    await page
      .getByRole('listitem')
      .filter({ hasText: /light bar/i })
      .getByRole('button', { name: 'It works', exact: true })
      .tap();
    await page.getByRole('button', { name: 'Read: none stored' }).tap();
    await page.getByRole('button', { name: 'None is lit' }).tap();
    await lenses.getByRole('button', { name: 'The others as on arrival' }).tap();
    await page.getByRole('textbox', { name: /^Bonnet to wing/ }).fill('4.3');
    await page.keyboard.press('Enter');
    await settled(page);
    await page.getByRole('heading', { name: 'It can leave' }).waitFor();
    await page.getByRole('button', { name: 'Sign off as Slate' }).tap();
    await page.getByRole('heading', { name: 'Signed off' }).waitFor();
    await settled(page);
    const sheet = await page.context().request.get(`${shop.address}/api/jobs/${job}/sheet.pdf`);
    expect([sheet.status(), sheet.headers()['content-type']]).toEqual([200, 'application/pdf']);

    // What it taught is offered where it leaves, and stands on the sheet and in a list.
    await page.getByText(/^It taught something of Dunmorrow Heron.* and of Tarn Prow bar that the next one/).waitFor();
    await page.getByRole('link', { name: 'See it, and keep it' }).tap();
    await page.waitForURL(`**/library?show=vehicle/${HERON}`);
    const taught = page.getByRole('region', { name: 'What the jobs teach' });
    await taught.getByRole('group', { name: 'What the jobs teach, from the front' }).waitFor();
    const kit = taught.getByRole('listitem').filter({ hasText: 'Tarn Prow bar' });
    await kit.getByText('1 lamp; 6 items in its box; 2 steps of fitting; 1 joint of its wiring; 1 test more than before').waitFor();
    await taught.getByText(/^A panel gap, measured on arrival and leaving. Left side/).waitFor();
    await taught.getByText(/^A plug\. Left side, first .*grille off.* Proved: pin 2 main\./).waitFor();
    // Whoever leaves the place leaves what sits there.
    await taught.getByRole('button', { name: 'Take: Behind the grille' }).tap();
    await taught.getByText('Left as well, as the way to it leads over what you left: Tarn Prow bar.').waitFor();
    await taught.getByRole('button', { name: 'Take: Behind the grille' }).tap();
    await taught
      .getByRole('listitem')
      .filter({ hasText: 'Parking sensor' })
      .getByText('A sensor, parking, on grille; plug: tab. Calibration not required: paper of its maker')
      .waitFor();
    // What was noted may be of that one vehicle: it is taken only where somebody says so.
    const wired = taught.getByRole('button', { name: 'Take: the loom lies above the wheel arch' });
    expect(await wired.getAttribute('aria-pressed')).toBe('false');
    await wired.tap();
    expect(await serious(page)).toEqual([]);
    await taught.getByRole('button', { name: 'Keep as version 2' }).tap();
    await page.getByText('Kept as version 2, with 1 kit.').waitFor();

    // Whoever looks at the first one again has it as it was kept: its bolts are held again.
    const again = { id: randomUUID(), vehicle: job.replace('job-', 'vehicle-'), kits: [], follows: { job, why: 'recheck' } };
    expect((await context.request.post(`${shop.address}/api/jobs`, { data: again })).status()).toBe(201);
    const opened = (await (await context.request.get(`${shop.address}/api/jobs/job-${again.id}`)).json()) as {
      events: { payload: { fitted?: { slug: string; version: number }[] } }[];
    };
    expect(opened.events[0]?.payload.fitted).toMatchObject([{ slug: 'tarn-prow-bar', version: 2 }]);

    await vehicle(page, 'NF 42', false);
    await choose(page, 'Kits to fit', 'Tarn Prow bar');
    await page.keyboard.press('Escape');
    await form.getByRole('button', { name: 'Open it' }).tap();
    await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    await go(page, 'Match');
    await page.getByText('It was fitted to this kind of vehicle, as this shop saw; its maker does not name it.').waitFor();
    await go(page, 'Gather');
    await page.getByText('6 items to count').waitFor();
    await go(page, 'Open up');
    await page.getByRole('heading', { name: '2 steps to go' }).waitFor();
    expect(await page.locator('ol.rows button.step').allInnerTexts()).toEqual([expect.stringContaining('Grille'), expect.stringContaining('Air duct')]);
    await page.getByText('Unplug parking sensor before the pull: tab.').waitFor();
    // Nobody was asked what could have stayed on of the first one, and the plan says so.
    await page.getByText('Nobody has said that grille had to be open: it was.').waitFor();
    await go(page, 'Wire');
    await page.getByText('the loom lies above the wheel arch').waitFor();
    // The second one is joined, fed and proved by the first: its wire is likely, and no proof.
    expect(await page.getByRole('button', { name: 'A joint is ready to be made' }).count()).toBe(0);
    await page.getByText('Nothing that is known speaks against it.').waitFor();
    await page.getByRole('button', { name: 'Floor mode' }).tap();
    await page.getByText('Another step').tap();
    await page
      .getByRole('button', { name: /^Prove/ })
      .first()
      .tap();
    await page.getByText('Nobody has proved what this wire carries on this vehicle.').waitFor();
    await page.getByRole('button', { name: 'The whole station' }).tap();
    await go(page, 'Fit');
    await page.getByText(/^This cannot be undone: hole of 12 mm/).waitFor();
    await page
      .getByText(/First open: .*grille/i)
      .first()
      .waitFor();

    // This one came without its grille: that is no work, and stays so.
    await go(page, 'Open up');
    await page.getByRole('button', { name: 'It was not there when it came' }).tap();
    await page.getByRole('heading', { name: '1 step to go' }).waitFor();

    // A version that was wrong is taken back by a further one: what rests on it is told before, and what was captured is offered again.
    await page.goto(`${await shop.elsewhere()}/library?show=vehicle/${HERON}`);
    await page.getByText('Version 2: what changed').tap();
    await page.getByRole('button', { name: 'Go back to version 1', exact: true }).tap();
    await page.getByRole('alert').getByRole('listitem').first().waitFor();
    expect(await serious(page)).toEqual([]);
    await page.getByRole('button', { name: 'Go back to version 1 all the same' }).tap();
    await page.getByText('Version 3 says what version 1 said.').waitFor();
    await taught.getByRole('button', { name: 'Take: Behind the grille' }).waitFor();
    const { document } = (await (await context.request.get(`${shop.address}/api/documents/vehicle/${HERON}`)).json()) as { document: { pieces: object[]; mounts: object[] } };
    expect([document.pieces, document.mounts]).toEqual([[], []]);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);
