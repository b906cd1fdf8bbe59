import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { solveAccess, type AccessPlan } from '../access/index.ts';
import type { FactValues } from '../facts/index.ts';
import { foldJob } from '../log/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { planOpening } from '../plan/index.ts';
import type { Happened, LoggedEvent } from '../events/index.ts';
import { RULES } from '../job/test/log.ts';
import { checkKit, newKit, type Fitment, type Kit } from '../kit/index.ts';
import { checkIn, closeUp, fit, isRefused, openUp, type Act } from '../stations/index.ts';
import { NEW_BAR } from '../test/new-bar.ts';
import { checkProfile, levelRank, newKind, type OpenLevel, type Piece, type VehicleProfile } from '../vehicle/index.ts';
import { kindCaptured, seenJob, withCaptured, takenTogether } from './index.ts';
import { Hidden, type HiddenMove } from './test/hidden-van.ts';
import { replay, type Taken } from './test/simulated.ts';
import { allTaken } from './test/taken.ts';

const read = <T>(file: string): T => JSON.parse(readFileSync(join(import.meta.dirname, '../../demo', file), 'utf8')) as T;
const VAN = read<VehicleProfile>('vehicles/wexholm-bollard-35.json');
/** How a kit sits on it, in truth. */
const fitmentOf = (kit: string): Fitment => {
  const found = read<Kit>(`kits/${kit}.json`).fitments.find(({ vehicle }) => vehicle === VAN.slug);
  if (!found) throw new Error(`${kit} does not fit`);
  return found;
};
const NOTHING = newKind({ maker: 'Wexholm', model: 'Unknown van', year: 2021, body: VAN.body, systemVoltageV: 12, highVoltage: false, ...VAN.measures });
const MINUTE = 60_000;

/** Somebody who works on a van that nobody described, and writes each piece down as it comes. */
class Installer {
  readonly log: LoggedEvent[] = [];
  private clock = Date.parse('2026-03-05T08:00:00Z');
  readonly spare: string[] = [];

  constructor(
    readonly job: string,
    readonly profile: VehicleProfile,
    readonly kit: Kit,
  ) {
    const pin = { slug: 'x', version: 1 };
    this.write({ type: 'job.opened', payload: { vehicle: 'v', profile: pin, kits: [pin], rules: pin } });
  }

  write(...events: Happened[]): void {
    for (const { type, payload } of events) {
      const seq = this.log.length + 1;
      this.log.push({ id: `${this.job}-${seq}`, type, v: 1, at: new Date(this.clock).toISOString(), payload, seq, person: 'fern' } as LoggedEvent);
    }
  }

  get context(): JobContext {
    return jobContext(foldJob(this.log), { profile: this.profile, kits: [this.kit], rules: RULES });
  }

  act(act: Act, minutes = 1): void {
    if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
    this.clock += minutes * MINUTE;
    this.write(...act.events);
  }

  /** A piece comes off as it is in truth: by what is open, and from where the vehicle has to stand for it. */
  opens(hidden: Hidden, { piece, level, stand }: HiddenMove): void {
    const came: openUp.CamePiece = {
      name: piece.name,
      side: piece.side,
      zone: piece.zone,
      box: piece.box,
      level: level.level,
      openMin: level.openMin,
      people: level.people,
      fasteners: piece.fasteners.filter(({ atLevel }) => levelRank(atLevel) <= levelRank(level.level)).map(({ drive, size, count, release }) => ({ drive, size, count, release })),
      beside: piece.beside ?? [],
      brittle: piece.brittle ?? false,
      ...(stand ? { stands: [stand] } : {}),
    };
    const id = `${piece.id}-${this.job}`;
    const supply = hidden.van.supplies.find((entry) => entry.piece === piece.id && entry.level === level.level);
    if (supply) {
      const { waitMin, before, forgets } = supply;
      this.act(openUp.supplyIsolated(this.context, { supply: supply.id, by: came, waitMin, before, forgets }, id, true), level.openMin);
      this.clock += waitMin * MINUTE;
    } else this.act(openUp.pieceCame(this.context, came, id, true), level.openMin);
  }

  /** The whole of it: opens by the least plan and one needless piece in five, fits, puts back, says what could have stayed on. */
  works(hidden: Hidden): void {
    this.write({ type: 'codes.read', payload: { moment: 'before', count: 0 } }, { type: 'warnings.read', payload: { moment: 'before', lit: [] } });
    this.act(checkIn.noMore(this.context, 'functions'));
    const opened = hidden.worked();
    for (const move of opened) {
      this.opens(hidden, move);
      if (move.needless) this.spare.push(`${move.piece.id}-${this.job}`);
    }
    hidden.mounts.forEach((mount, index) => {
      const { name, side, at } = hidden.van.mounts.find(({ id }) => id === mount) ?? { name: mount, side: 'centre', at: { xMm: 0, yMm: 0, zMm: 0 } };
      const inPlaceOf = hidden.replaced.filter((id) => hidden.mounts.length === 1 || hidden.piece(id).side === side).map((id) => `${id}-${this.job}`);
      const done: fit.StepDone = {
        name: `Lamp into its place, ${name}`,
        side,
        lamps: index === 0 ? this.kit.lamps.map(({ id }) => id) : [],
        place: { id: `${mount}-${this.job}`, name, at },
        tool: 'hand',
        tighten: '',
        minutes: 5,
        bolted: true,
        inPlaceOf,
      };
      this.act(fit.stepFitted(this.context, this.kit.slug, done, `step-${index}-${this.job}`), 5);
    });
    for (const { piece, level } of [...opened].reverse()) {
      if (hidden.replaced.includes(piece.id)) continue;
      this.clock += level.closeMin * MINUTE;
      this.write({ type: 'piece.moved', payload: { piece: `${piece.id}-${this.job}`, level: 'fitted', fasteners: [] } });
    }
    this.act(
      closeUp.judge(
        this.context,
        closeUp.openedHere(this.context).map(({ piece }) => ({ piece, enough: this.spare.includes(piece) ? ('fitted' as const) : ('needed' as const) })),
      ),
    );
  }

  get seen() {
    return seenJob(this.job, { profile: this.profile, kits: [this.kit], rules: RULES }, this.log).seen;
  }

  get told() {
    const { described, kitsDescribed } = foldJob(this.log);
    return { job: this.job, described, kits: kitsDescribed };
  }
}

const BAR = newKit(NEW_BAR);
/** A vehicle of the kind that nobody described, worked on once, and what is kept of it. */
function captured(hidden: Hidden) {
  const first = new Installer('a1', NOTHING, BAR);
  first.works(hidden);
  const taught = kindCaptured([first.seen], [first.told], NOTHING, [BAR]);
  const profile = withCaptured(NOTHING, taught, allTaken(taught));
  const [kit = BAR] = takenTogether(taught, NOTHING, allTaken(taught)).kits;
  const second = new Installer('b2', profile, kit);
  return { first, taught, profile, kit, second, plan: planOpening(second.context) };
}
/** A plan of what was captured, in the pieces as they are in truth. */
const inTruth = ({ steps }: AccessPlan): Taken[] => steps.map(({ piece, level }) => ({ piece: piece.replace(/-a1$/, ''), level: level as OpenLevel }));

const CASES = ['tarn-gantry-1100', 'cairn-fen-pair'].flatMap((kit) =>
  ['plain', 'guard'].flatMap((trim) => ['blank', 'factory'].map((fog): [string, FactValues] => [kit, { trim, 'front-fog': fog }])),
);

test.each(CASES)('%s on the van with %j, captured from nothing by itself: the second vehicle is planned at the least that there is in truth', (kitSlug, facts) => {
  const hidden = new Hidden(VAN, fitmentOf(kitSlug), facts);
  const { first, profile, kit, plan } = captured(hidden);
  expect(first.spare.length).toBeGreaterThan(0);
  expect([checkProfile(profile), checkKit(kit, new Map([[profile.slug, profile]])), plan.problems]).toEqual([[], [], []]);
  const least = hidden.plan;
  expect(Math.round(least.personMin * 100)).toBe(solveAccess(hidden.truth).total);
  const replayed = replay(hidden.truth, inTruth(plan));
  expect([replayed.jams, replayed.total]).toEqual([undefined, replay(hidden.truth, least.steps as Taken[]).total]);
  // In the same order, with as much set-up: raised and with its wheels turned as it was.
  expect([inTruth(plan), plan.setUpMin]).toEqual([least.steps.map(({ piece, level }) => ({ piece, level })), least.setUpMin]);
});

test('what was opened with the battery off waits for it on the second vehicle, and needs it no more where the isolation is not kept', () => {
  const hidden = new Hidden(VAN, fitmentOf('tarn-gantry-1100'), { trim: 'plain', 'front-fog': 'blank' });
  const { taught, profile, second, plan } = captured(hidden);
  const way = (list: readonly Piece[], id: string) => list.find((piece) => piece.id === `${id}-a1`)?.levels[0]?.ways[0];
  // Said as a dead supply; what came off before it says nothing of one.
  expect(way(profile.pieces, 'pillar-trim-left')?.asks).toEqual([{ supply: 'low', is: 'dead' }]);
  expect(way(profile.pieces, 'pillar-trim-left')?.needs.map(({ piece }) => piece)).not.toContain('battery-negative-a1');
  expect([way(profile.pieces, 'battery-cover')?.asks, way(profile.pieces, 'battery-negative')?.asks]).toEqual([undefined, undefined]);
  expect(profile.supplies).toEqual([
    {
      id: 'low',
      name: '12 V battery',
      piece: 'battery-negative-a1',
      level: 'off',
      waitMin: 3,
      by: 'anyone',
      before: ['One window a hand’s width open', 'Keys out of the vehicle'],
      forgets: ['Clock', 'One-touch windows'],
    },
  ]);
  expect(plan.steps.filter(({ isolates }) => isolates !== undefined).map(({ piece, isolates }) => [piece, isolates])).toEqual([['battery-negative-a1', 'low']]);
  const trim = plan.steps.find(({ piece }) => piece === 'pillar-trim-left-a1');
  expect(trim?.dead).toEqual(['low']);
  expect(trim && openUp.against(second.context, plan, trim, '2026-03-05T09:00:00Z').map(({ code }) => code)).toContain('supply-live');
  // A place reached with the battery off is not covered by it once it is back.
  const roof = profile.mounts[0];
  expect([roof?.reach[0]?.asks, roof?.hiddenBy.some(({ piece }) => piece === 'battery-negative-a1')]).toEqual([[{ supply: 'low', is: 'dead' }], false]);
  // Whoever leaves the isolation keeps what it did as a piece that was off.
  const left = withCaptured(NOTHING, taught, { ...allTaken(taught), supplies: [] });
  expect(checkProfile(left)).toEqual([]);
  expect([left.supplies, way(left.pieces, 'pillar-trim-left')?.asks]).toEqual([[], undefined]);
  expect(way(left.pieces, 'pillar-trim-left')?.needs.map(({ piece }) => piece)).toContain('battery-negative-a1');
  // Whoever leaves the piece leaves what it isolates, and what leads over it.
  const without = takenTogether(taught, NOTHING, { ...allTaken(taught), pieces: allTaken(taught).pieces.filter((id) => id !== 'battery-negative-a1') });
  expect([without.supplies, without.pieces.map(({ id }) => id)]).toEqual([[], ['battery-cover-a1', 'bonnet-a1']]);
});
