import type { Locator, Page } from 'playwright-core';
import type { EventType, LoggedEvent } from '@jade/core/events';
import { Robot } from '../core/stations/test/robot.ts';
import { PHONE, settled, TABLET, TestBench } from './test/bench.ts';
import { ownClock } from './test/clock.ts';
import { demoCases, openCase } from './test/cases.ts';
import { append, readyForBack } from './test/job.ts';

const LONG_MS = 600_000;
const shop = new TestBench(LONG_MS);
const MOST_ROUNDS = 12;
const MOST_STEPS = 90;
const STATIONS = { gather: 'Gather', 'open-up': 'Open up', wire: 'Wire', fit: 'Fit', 'close-up': 'Close up', aim: 'Aim' } as const;
type FloorStation = keyof typeof STATIONS;
/** One job of each, the last of its cases: alone, in the order with the least set-up. */
const JOBS = ['cairn-fen-pair on wexholm-bollard-35', 'cairn-ridge-pair on dunmorrow-causeway-26', 'pell-perch-bar on pellorin-trio-300'];
const cases = demoCases();
const walked = JOBS.map((name) => cases.filter((entry) => entry.name.startsWith(`${name},`) && entry.truth.people === 1 && entry.truth.school === 'least set-up').at(-1));

/** What a person records at the desk, or at Probe, before the hands begin; and what after them. */
const BEFORE: readonly EventType[] = [
  'order.chosen',
  'option.chosen',
  'number.recorded',
  'fact.recorded',
  'baseline.tried',
  'battery.measured',
  'match.confirmed',
  'load.accepted',
  'outage.accepted',
  'reference.checked',
  'reading.taken',
];
const AFTER: readonly EventType[] = ['part.bagged', 'setting.restored', 'sensor.calibrated', 'final.tested', 'final.tried'];
const pairs = (log: readonly LoggedEvent[]) => log.map(({ type, payload }): [string, object] => [type, payload]);
const isBefore = (event: LoggedEvent) => BEFORE.includes(event.type) || ('moment' in event.payload && event.payload.moment === 'before');
const isAfter = (event: LoggedEvent) => AFTER.includes(event.type) || (event.type !== 'aim.measured' && 'moment' in event.payload && event.payload.moment === 'after');

/** Hands with gloves: one step at a time, at both small sizes, without ever scrolling. */
class Gloves {
  private now = Date.parse('2026-03-05T09:00:00Z');
  /** Every Done that was tapped. */
  taps = 0;

  constructor(
    private readonly page: Page,
    private readonly robot: Robot,
    private readonly tellTime: (at: number) => Promise<void>,
  ) {}

  private get done(): Locator {
    return this.page.locator('.on-floor .reach .push.big').first();
  }

  async go(station: FloorStation): Promise<void> {
    await this.page.setViewportSize(TABLET);
    await this.page
      .getByRole('navigation')
      .getByRole('link', { name: new RegExp(`^${STATIONS[station]}`) })
      .click();
    await this.page.getByRole('heading', { level: 1, name: STATIONS[station] }).waitFor();
    // A station that has nothing to do with the job says so.
    await this.page.locator('.on-floor, .empty').first().waitFor();
  }

  /** Whether Done is on the screen at a size, whole, with nothing before it, and without scrolling. */
  private async measured(size: typeof PHONE): Promise<[number, number]> {
    await this.page.setViewportSize(size);
    const seen = await this.done.evaluate(async (button) => {
      await new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next)));
      const { left, top, right, bottom } = button.getBoundingClientRect();
      const inside: [number, number][] = [0.03, 0.5, 0.97].flatMap((x) => [0.08, 0.5, 0.92].map((y): [number, number] => [left + (right - left) * x, top + (bottom - top) * y]));
      const covered = inside.flatMap(([x, y]) => {
        const hit = document.elementFromPoint(x, y);
        return hit && button.contains(hit) ? [] : [`${hit?.tagName ?? 'nothing'}.${hit?.className ?? ''}`];
      });
      return { left, top, right, bottom, covered, scrolled: scrollY, name: button.textContent?.trim() ?? '', high: bottom - top };
    });
    const on = seen.left >= 0 && seen.top >= 0 && seen.right <= size.width && seen.bottom <= size.height;
    expect([size.width, seen.name, seen.covered, seen.scrolled, on]).toEqual([size.width, seen.name, [], 0, true]);
    expect(seen.high).toBeGreaterThanOrEqual(56);
    return [(seen.left + seen.right) / 2, (seen.top + seen.bottom) / 2];
  }

  /** What a step wants besides its Done: lengths told apart, sensors plugged in, who isolates a supply, a measure. */
  private async prepared(): Promise<void> {
    for (const field of await this.page.locator('fieldset.ask').all())
      for (const length of await field.getByRole('radio').all()) {
        await length.tap();
        if ((await field.getByRole('alert').count()) === 0) break;
      }
    await readyForBack(this.page, (button) => button.tap());
    const who = this.page.getByRole('textbox', { name: 'Who isolates it, and by which procedure' });
    if (await who.isVisible()) await who.fill('Slate, by the maker’s procedure');
    const consent = this.page.getByRole('button', { name: 'Write down who agreed' });
    if (await consent.isVisible()) {
      await consent.tap();
      await this.page.getByLabel('Who agreed to it, and how').fill('the owner');
      await this.page.getByRole('button', { name: 'Record the consent' }).tap();
      await consent.waitFor({ state: 'detached' });
    }
    const measure = this.page.locator('.on-floor .reach .measure input');
    if ((await this.done.textContent())?.trim() === 'Write it down') await measure.fill(await this.reading());
    await this.page.evaluate(() => scrollTo({ top: 0 }));
  }

  /** What the robot read for the lamp that is asked for. */
  private async reading(): Promise<string> {
    const asked = ((await this.page.locator('.on-floor article h2').first().textContent()) ?? '').toLowerCase();
    const lamps = this.robot.documents.kits.flatMap((kit) => kit.lamps.map((lamp) => ({ key: `${kit.slug}/${lamp.id}`, name: lamp.name.toLowerCase() })));
    const key = lamps.find(({ name }) => asked.includes(name))?.key;
    const [height, read] = (['aim.referenced', 'aim.measured'] as const).map(
      (type) => this.robot.log.findLast((event) => event.type === type && event.payload.lamp === key)?.payload,
    );
    return String(asked.startsWith('how high') ? height && 'referenceMm' in height && height.referenceMm : read && 'heightMm' in read && Math.round(read.heightMm));
  }

  /** Taps Done after Done until the station has none that can be tapped. Gives back whether any was. */
  async work(station: FloorStation): Promise<boolean> {
    await this.go(station);
    for (let step = 0; step < MOST_STEPS; step++) {
      this.now += 60_000;
      await this.tellTime(this.now);
      const heading = this.page.locator('.on-floor article h2').first();
      if (!(await this.done.isVisible()) || (await this.done.evaluate((button) => button.tagName)) === 'A') return step > 0;
      await this.prepared();
      await this.page.waitForTimeout(400);
      if (await this.done.isDisabled()) return step > 0;
      const before = `${await heading.textContent()}${await this.done.textContent()}`;
      await this.measured(PHONE);
      const [x, y] = await this.measured(TABLET);
      await this.page.touchscreen.tap(x, y);
      this.taps++;
      await this.page
        .waitForFunction(
          (was) => `${document.querySelector('.on-floor article h2')?.textContent ?? ''}${document.querySelector('.on-floor .reach .push.big')?.textContent ?? ''}` !== was,
          before,
        )
        .catch(async () => {
          throw new Error(`${station}: ${before} did not end: ${await this.page.getByRole('main').innerText()}`);
        });
    }
    throw new Error(`${station} did not come to an end`);
  }
}

test.each(JOBS.map((name, index) => [name, index] as const))(
  '%s: with gloves through every hands-on station, Done is never covered nor off the screen, at both small sizes, and nothing is scrolled',
  async (_, index) => {
    const entry = walked[index];
    if (!entry) throw new Error('no such case');
    const { page, complaints } = await shop.open('slate', { viewport: TABLET, hasTouch: true });
    const tellTime = await ownClock(page);
    const { job, documents } = await openCase(page, shop.address, entry, 500 + index);
    const robot = new Robot(documents, entry.truth);
    expect(robot.work()).toBeUndefined();
    await append(page, shop.address, job, pairs(robot.log.filter(isBefore)));
    await page.goto(`${shop.address}/jobs/${job}/gather`);
    await page.evaluate((stations) => {
      for (const station of stations) localStorage.setItem(`jade.floor.${station}`, 'on');
    }, Object.keys(STATIONS));
    await page.reload();
    const gloves = new Gloves(page, robot, tellTime);
    for (let round = 0; round < MOST_ROUNDS; round++) {
      let did = false;
      for (const station of Object.keys(STATIONS) as FloorStation[]) did = (await gloves.work(station)) || did;
      if (!did) break;
    }
    expect(gloves.taps).toBeGreaterThan(25);
    await settled(page);
    await append(page, shop.address, job, pairs(robot.log.filter(isAfter)));
    await page.setViewportSize(TABLET);
    await page
      .getByRole('navigation')
      .getByRole('link', { name: /^Hand over/ })
      .click();
    await page.getByRole('heading', { name: 'It can leave' }).waitFor();
    expect(complaints).toEqual([]);
    await page.context().close();
  },
  LONG_MS,
);
