import type { Page } from 'playwright-core';
import type { JobDocuments } from '@jade/core/job';
import type { LoggedEvent } from '@jade/core/events';
import type { Pass } from '@jade/core/kit';
import { LEVELS, type Level } from '@jade/core/vehicle';
import { namesOf } from '@jade/words/names';
import type { Case } from '../core/stations/test/cases.ts';
import { Robot } from '../core/stations/test/robot.ts';
import { settled, TestBench } from './test/bench.ts';
import { readyForBack } from './test/job.ts';
import { ownClock } from './test/clock.ts';
import { demoCases, openCase, VEHICLES } from './test/cases.ts';

const LONG_MS = 600_000;
const shop = new TestBench(LONG_MS);
const cases = demoCases();
const PASSES: Record<Pass, string> = { start: 'Start all', align: 'Align', tighten: 'Tighten' };
/** Most jobs that are walked through the interface. */
const MOST = 24;

/** The last case of every kit on every vehicle, alone, in both schools; where not all are asked for, one of every vehicle, the schools in turn. */
const whole = [
  ...new Map(
    cases.filter(({ truth }) => truth.people === 1).map((entry) => [`${entry.documents.kits[0]?.slug} ${entry.documents.profile.slug} ${entry.truth.school}`, entry]),
  ).values(),
];
const walked =
  process.env.JADE_ROBOT === 'all'
    ? whole.slice(0, MOST)
    : Object.keys(VEHICLES).flatMap((slug, index) => whole.filter(({ documents }) => documents.profile.slug === slug).at(-1 - (index % 2)) ?? []);

/** Events by the act that recorded them. */
function actsOf(log: readonly LoggedEvent[]): LoggedEvent[][] {
  const acts = new Map<string, LoggedEvent[]>();
  for (const event of log) acts.set(event.act ?? event.id, [...(acts.get(event.act ?? event.id) ?? []), event]);
  return [...acts.values()];
}

/** The same acts through the interface: whatever is moved, joined, fitted or tried is tapped where the stations offer it, the rest is sent as another device would. */
class Hand {
  private sent = 0;
  private readonly levels = new Map<string, Level>();

  constructor(
    private readonly page: Page,
    private readonly job: string,
    private readonly documents: JobDocuments,
    private readonly tellTime: (at: string) => Promise<void>,
  ) {}

  private async go(station: string): Promise<void> {
    const heading = this.page.getByRole('heading', { level: 1, name: station });
    if (await heading.isVisible()) return;
    await this.page
      .getByRole('navigation')
      .getByRole('link', { name: new RegExp(`^${station}`) })
      .click();
    await heading.waitFor();
  }

  private nameOf(piece: string): string {
    return this.documents.profile.pieces.find((entry) => entry.id === piece)?.name ?? piece;
  }

  private async heading(): Promise<string> {
    return (await this.page.locator('article.step h2').first().textContent()) ?? '';
  }

  private async log(): Promise<LoggedEvent[]> {
    const answer = await this.page.context().request.get(`${shop.address}/api/jobs/${this.job}`);
    return ((await answer.json()) as { events: LoggedEvent[] }).events;
  }

  private async send(events: readonly LoggedEvent[]): Promise<void> {
    const body = events.map(({ type, v, at, payload }) => ({ id: `01900000-0000-7000-a000-${this.job.slice(-4)}${String(++this.sent).padStart(8, '0')}`, type, v, at, payload }));
    const answer = await this.page.context().request.post(`${shop.address}/api/jobs/${this.job}/events`, { data: { events: body } });
    if (answer.status() !== 200) throw new Error(`${answer.status()}: ${await answer.text()}`);
  }

  /** A piece opened at Open up as its next step, or else moved at Close up. */
  private async move({ payload: { piece, level } }: LoggedEvent<'piece.moved'>): Promise<void> {
    const name = this.nameOf(piece).toLowerCase();
    const opening = LEVELS.indexOf(level) > LEVELS.indexOf(this.levels.get(piece) ?? 'fitted');
    this.levels.set(piece, level);
    // Some levels have a saying of their own: the bonnet is opened and propped.
    const own = this.documents.profile.pieces.find(({ id }) => id === piece)?.levels.find((entry) => entry.level === level)?.say;
    if (opening && (await this.opened(own ?? name))) return;
    await this.go('Close up');
    await this.page.locator('article.step').waitFor();
    const shown = await this.heading();
    if (/Live for the test|Dead again/.test(shown)) {
      await this.page.getByRole('button', { name: /^It is (live|off)/ }).click();
      return;
    }
    if (!shown.toLowerCase().includes(name)) {
      // Not the next step back: a supply brought live for a test, at Fit.
      await this.go('Fit');
      await this.page
        .getByRole('button', { name: /^It is live.*for the test$/ })
        .first()
        .click();
      return;
    }
    for (const field of await this.page.locator('fieldset.ask').all()) {
      for (const length of await field.getByRole('radio').all()) {
        await length.click();
        if ((await field.getByRole('alert').count()) === 0) break;
      }
    }
    await readyForBack(this.page);
    await this.page.getByRole('button', { name: /^It is (back|loosened|folded|hung)/ }).click();
  }

  /** Taps Done at the next step of opening; false where there is none, as everything is reachable. */
  private async opened(name: string): Promise<boolean> {
    await this.go('Open up');
    const reachable = this.page.getByText('Everything is reachable.');
    const step = this.page.locator('article.step');
    await step.or(reachable).first().waitFor();
    if (await reachable.isVisible()) return false;
    await step.getByRole('heading', { name: new RegExp(escaped(name), 'i') }).waitFor();
    const who = this.page.getByRole('textbox', { name: 'Who isolates it, and by which procedure' });
    if (await who.isVisible()) await who.fill('Slate, by the maker’s procedure');
    await step.locator('button[aria-disabled=false]').first().waitFor();
    await step.getByRole('button', { name: /^Done(, \d+ into slot|$)/ }).click();
    return true;
  }

  /** Does one act and waits until the log has it. */
  async act(events: readonly LoggedEvent[]): Promise<void> {
    const [first] = events;
    if (!first) return;
    await this.tellTime(first.at);
    const moved = events.find((event): event is LoggedEvent<'piece.moved'> => event.type === 'piece.moved');
    const before = (await this.log()).length;
    const fitment = this.documents.kits.flatMap((kit) => kit.fitments).find((entry) => entry.vehicle === this.documents.profile.slug);
    if (moved) await this.move(moved);
    else if (first.type === 'step.passed') {
      const { step, pass } = first.payload;
      await this.go('Fit');
      const name = fitment?.fitSteps.find((entry) => entry.id === step)?.name ?? step;
      await this.page
        .getByRole('group', { name: `Passes of ${name}`, exact: true })
        .getByRole('button', { name: new RegExp(`^(${PASSES[pass]}|Done)$`) })
        .click();
    } else if (first.type === 'test.tried') {
      const { test } = first.payload;
      await this.go('Fit');
      const name = namesOf(this.documents).test(first.payload.kit, test);
      await this.page
        .getByRole('listitem')
        .filter({ has: this.page.getByText(name, { exact: true }) })
        .getByRole('button', { name: 'It works' })
        .click();
    } else if (first.type === 'plug.joined') {
      const { connection } = first.payload;
      await this.go('Wire');
      const joint = fitment?.connections.find((entry) => entry.id === connection);
      const plug = this.documents.profile.plugs.find((entry) => entry.id === joint?.vehiclePlug)?.name ?? connection;
      await this.page
        .getByRole('group', { name: /^Electrical picture/ })
        .getByRole('button', { name: new RegExp(`^${escaped(plug)}\\b.*:`) })
        .first()
        .click();
      await this.page.getByRole('button', { name: /^(Joined|Tapped)\b.*: / }).click();
    } else await this.send(events);
    for (let look = 0; (await this.log()).length < before + events.length; look++) {
      if (look > 100) throw new Error(`not recorded: ${JSON.stringify(events)}`);
      await this.page.waitForTimeout(50);
    }
  }

  /** What the server has of the robot's acts, as type and payload: what is carried over from the vehicle's record stands before them. */
  async recorded(): Promise<[string, object][]> {
    const log = await this.log();
    return log.slice(log.findIndex((event) => event.type === 'order.chosen')).map(plain);
  }
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** An event as it is held against another: without the name of who isolated what anybody may. */
const plain = ({ type, payload }: LoggedEvent): [string, object] => [type, type === 'supply.set' ? { ...payload, by: undefined } : payload];

test.each(walked.map((entry, index): [string, number, Case] => [entry.name, index, entry]))(
  '%s: through the interface, tapping only what is true, with the very same record',
  async (_, number, entry) => {
    const { page, complaints } = await shop.open('slate');
    const tellTime = await ownClock(page);
    const { job, documents } = await openCase(page, shop.address, entry, number);
    const robot = new Robot(documents, entry.truth);
    expect(robot.work()).toBeUndefined();
    const acts = actsOf(robot.log).slice(1);
    const hand = new Hand(page, job, documents, tellTime);
    await page.goto(`${shop.address}/jobs/${job}/open-up`);
    await page.getByRole('heading', { level: 1, name: 'Open up' }).waitFor();
    for (const events of acts) await hand.act(events);
    expect(await hand.recorded()).toEqual(robot.log.slice(1).map(plain));
    await settled(page);
    expect(complaints).toEqual([]);
    await page.context().close();
  },
  LONG_MS,
);
