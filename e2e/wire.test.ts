import type { Page } from 'playwright-core';
import { PHONE, TestBench } from './test/bench.ts';
import { append, goTo, openedJob, VAN_FACTS } from './test/job.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);
const inPicture = (page: Page, name: string | RegExp) => page.getByRole('group', { name: /^Electrical picture/ }).getByRole('button', { name });
const fuse = (page: Page, text: string) => page.getByRole('radiogroup', { name: 'Fuse seen in the slot' }).getByRole('radio', { name: text });

test(
  'a fuse that is too large is met, mended and accepted; the joint list is taken to the bench as list, drawing and paper',
  async () => {
    const { page, complaints } = await shop.open('fern');
    const job = await openedJob(page, shop.address);
    await goTo(page, shop.address, job, 'wire', 'Wire');
    await inPicture(page, /^Front fog .*It carries/).waitFor();
    await fuse(page, '15').click();
    await page.getByText(/A fuse of 15.A sits where 10.A is documented/).waitFor();
    await page.getByText(/Not like this\. The fuse lets more through than what lies behind it carries \(10.A\)/).waitFor();
    expect(await page.getByRole('button', { name: 'Accept this load' }).count()).toBe(0);
    const station = page.getByRole('navigation').getByRole('link', { name: /^Wire/ });
    expect(await station.textContent()).toContain('blocked');
    await page.getByText(/open here/).click();
    await page.getByRole('link', { name: /^Now Front fog has a fuse above what lies behind it/ }).waitFor();
    await fuse(page, '10').click();
    await page.getByText(/Fuse seen: 10.A, as documented\./).waitFor();
    await page.getByRole('button', { name: 'Accept this load' }).click();
    await page.getByRole('button', { name: 'Load accepted' }).waitFor();
    expect(await station.textContent()).not.toContain('blocked');

    const list = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Joint list' }) });
    expect(await list.getByRole('listitem').count()).toBe(4);
    const taken = async (name: string) => {
      const href = await list.getByRole('link', { name }).getAttribute('href');
      const answer = await page.context().request.get(`${shop.address}${href ?? ''}`);
      return { status: answer.status(), text: (await answer.body()).toString('latin1') };
    };
    expect((await taken('List, CSV')).text).toContain('"pin 2, white/green: front fog"');
    expect((await taken('Drawing, SVG')).text).toContain('<svg xmlns');
    const printed = await taken('Print');
    expect([printed.status, printed.text.slice(0, 5)]).toEqual([200, '%PDF-']);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'triggered by main beam the bar hangs on the battery and its relay on a wire that is proved before it is tapped, by keyboard alone',
  async () => {
    const { page } = await shop.open('fern');
    const job = await openedJob(page, shop.address, ['tarn-gantry-1100'], { ...VAN_FACTS, 'aux-output': 'absent' });
    await goTo(page, shop.address, job, 'match', 'Match');
    await page.getByRole('radio', { name: /main/i }).click();
    await goTo(page, shop.address, job, 'wire', 'Wire');
    await inPicture(page, /^Battery feed of the bar .*It carries/).waitFor();
    await inPicture(page, /^Main beam, left F14/).waitFor();
    const tap = inPicture(page, /^Body loom plug, left, wire of pin 3: Bar relay, coil only/);
    await tap.focus();
    await page.keyboard.press('Enter');
    await page.getByText('Tap: the white/black wire of pin 3 carries main, as the lead wants.').waitFor();
    await page.getByText(/First prove the wire at Probe: body loom plug, left, pin 3/).waitFor();
    expect(await page.getByRole('button', { name: 'Tapped: fits both wires, pulled, sealed' }).isDisabled()).toBe(true);
    await page.getByText('60 mm from the back of the plug').waitFor();
  },
  LONG_MS,
);

test(
  'lamps that are too much for an output are fed from elsewhere: picture, list, what is brought and the test follow, and the choice goes back',
  async () => {
    const { page, complaints } = await shop.open('fern');
    const job = await openedJob(page, shop.address, ['tarn-stern-pair'], {}, 'forestry-9');
    await append(page, shop.address, job, [['option.chosen', { kit: 'tarn-stern-pair', option: 'outputs', choice: 'one' }]]);
    await goTo(page, shop.address, job, 'wire', 'Wire');
    await inPicture(page, /^Switch output 3 O3.*Too much for this circuit/).click();
    await page.getByRole('button', { name: 'Switch output 3', exact: true }).click();
    await page.getByText('Feed it from elsewhere').click();
    const option = (name: RegExp) => page.getByRole('listitem').filter({ hasText: name });
    await page.getByRole('textbox', { name: /Length of new wire/ }).fill('2,5');
    await page.getByRole('textbox', { name: /Length of new wire/ }).press('Enter');
    await option(/^Switch output 4.*Not from there: it does not carry the load/s).waitFor();
    await option(/^Battery, by a relay that switch output 3 triggers.*Main fuse 10.A.*Wire 0\.5.mm², 2\.5.m/s)
      .getByRole('button')
      .click();
    await inPicture(page, /^Splitter of the harness battery, 10.A 63.%: It carries/).waitFor();
    await inPicture(page, /^Switch output 3: Splitter of the harness, coil only/).waitFor();
    await page.getByText(/Battery negative off first and on last. Main fuse within 180.mm/).waitFor();
    const list = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Joint list' }) });
    await list.getByText('positive post, by way of the main fuse').waitFor();
    await goTo(page, shop.address, job, 'gather', 'Gather');
    await page.getByText(/For other sources: 2\.5.m of wire 0\.5.mm²; 1 relay with socket; 1 main fuse holder with 10.A\./).waitFor();
    await goTo(page, shop.address, job, 'wire', 'Wire');
    await inPicture(page, /coil only/).click();
    await page.getByRole('button', { name: 'As the kit has it' }).click();
    await inPicture(page, /^Switch output 3 O3.*Too much for this circuit/).waitFor();
    await page.getByRole('textbox', { name: /Length of new wire/ }).fill('2,5');
    await page.getByRole('textbox', { name: /Length of new wire/ }).press('Enter');
    await option(/^Headlamp output/)
      .getByRole('button', { name: 'Feed it from here' })
      .click();
    await inPicture(page, /^Headlamp output O1, 20.A/).waitFor();
    await goTo(page, shop.address, job, 'fit', 'Fit');
    await page.getByText('Ignition on, parking lamps on, dipped beam on. Hold.').first().waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'with gloves on a phone: one step after another, what was seen is what the button says, another step on demand, remembered after a reload',
  async () => {
    const { page, complaints } = await shop.open('fern', { viewport: PHONE, hasTouch: true });
    const job = await openedJob(page, shop.address, ['tarn-gantry-1100'], { ...VAN_FACTS, 'aux-output': 'present' });
    await goTo(page, shop.address, job, 'wire', 'Wire');
    await page.getByRole('button', { name: 'Floor mode' }).tap();
    for (const circuit of ['Battery feed of the bar', 'Auxiliary output']) {
      await page.getByRole('heading', { name: `Settle the load on ${circuit}` }).waitFor();
      // A second tap that comes too soon is none.
      await page.waitForTimeout(400);
      await page.getByRole('button', { name: 'Accept this load' }).tap();
    }
    await page.getByRole('heading', { name: 'Prove pin 2 of Auxiliary output plug' }).waitFor();
    await page.getByRole('button', { name: 'Later' }).tap();
    await page.getByRole('heading', { name: 'Join Auxiliary output plug' }).waitFor();
    const done = page.getByRole('button', { name: 'Joined: seal in place, clicked, second lock home, pulled' });
    const box = await done.boundingBox();
    const rule = await page.getByRole('navigation', { name: /stations/i }).boundingBox();
    expect([(box?.height ?? 0) >= 56, (box?.y ?? 999) + (box?.height ?? 0) <= (rule?.y ?? 0), (box?.x ?? 0) + (box?.width ?? 999) <= 390]).toEqual([true, true, true]);
    await page.getByText('Another step').tap();
    await page.getByRole('button', { name: 'Cap Trigger lead of the harness' }).tap();
    await page.getByRole('heading', { name: 'Cap Trigger lead of the harness' }).waitFor();
    await page.waitForTimeout(400);
    await page.getByRole('button', { name: 'Capped and tied away' }).tap();
    await page.getByRole('heading', { name: 'Prove pin 2 of Auxiliary output plug' }).waitFor();
    await page.reload();
    await page.getByRole('heading', { name: 'Prove pin 2 of Auxiliary output plug' }).waitFor();
    await page.getByText('Another step').tap();
    expect(await page.getByRole('button', { name: /^Cap / }).count()).toBe(0);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);
