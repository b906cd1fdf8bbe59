import type { FactValues } from '../../facts/index.ts';
import { circuitLoads, leftoverPlugs, legOf, watchedLamps, wireJoints } from '../../loom/index.ts';
import { fitStepsOf, functionsOf, kitsOnVehicle, lampAims, lensesOf, suppliesNow, testsOf, toTakeOut, verdicts, type JobContext, type JobDocuments } from '../../job/index.ts';
import { hasLeft, type BaselineResult, type LensGrade, type WarningLamp, type Happened, type LoggedEvent, type School } from '../../events/index.ts';
import { jobNow, planMemory, planOpening, provingSide, type JobNow, type PlanMemory } from '../../plan/index.ts';
import { liveWith } from '../../states/index.ts';
import { key } from '../../subject/index.ts';
import {
  aim,
  checkIn,
  closeUp,
  consented,
  fit,
  gather,
  handOver,
  isRefused,
  itself,
  match,
  openUp,
  probe,
  raisedAt,
  sense,
  standingOf,
  stoodSo,
  wire,
  type Act,
  type Refusal,
} from '../index.ts';
import { TrueVehicle } from './true-vehicle.ts';

/** What is so of the vehicle and the shop, and how the job is to be done. */
export interface Truth {
  facts: FactValues;
  people: 1 | 2;
  school: School;
  /** A factory lamp that came dim and leaves so. */
  dim?: string;
  /** One fastener of the first piece that comes off breaks. */
  breaks?: boolean;
}

const WHO = 'Slate, by the maker’s procedure';
const START = Date.parse('2026-03-05T07:00:00Z');
const MOST_ACTS = 900;
const OFF_MM = 4;
/** Lit when it came, and still so. */
export const LIT: readonly WarningLamp[] = ['tyre pressure'];
/** Of two lenses one was renewed before it came. */
export const hazeOf = (context: JobContext, lamp: string): LensGrade => (lensesOf(context)[0]?.id === lamp ? 'light haze' : 'clear');
const RENEWED = 'the other lamp was renewed';

/** An installer who taps only what is true, through the rules of the stations, and takes each act that is offered in the order of work. */
/** Whether the way back waits for light that is aimed. */
const aimIsNext = ({ steps }: JobNow['closing']) => steps.some((step) => step.kind === 'piece' && closeUp.gatesAgainst(step).some(({ subject }) => subject.kind === 'aim'));

export class Robot {
  readonly log: LoggedEvent[] = [];
  readonly vehicle: TrueVehicle;
  private clock = START;
  private memory: PlanMemory = planMemory(planOpening);

  constructor(
    readonly documents: JobDocuments,
    readonly truth: Truth,
  ) {
    this.vehicle = new TrueVehicle(documents, truth.facts);
    const pin = { slug: 'x', version: 1 };
    this.write([{ type: 'job.opened', payload: { vehicle: 'v', profile: pin, kits: [pin], rules: pin } }]);
    this.write([{ type: 'order.chosen', payload: { school: truth.school, people: truth.people } }]);
    for (const kit of documents.kits) {
      for (const option of kit.options) {
        const choice = truth.facts[`option.${option.id}`];
        if (choice !== undefined && choice !== option.default) this.write([{ type: 'option.chosen', payload: { kit: kit.slug, option: option.id, choice } }]);
      }
    }
  }

  /** Another robot that takes over at a place of this one's log: what was done until there is done. */
  takeOver(count: number): Robot {
    const other = new Robot(this.documents, this.truth);
    other.log.length = 0;
    const vehicle = new TrueVehicle(this.documents, this.truth.facts);
    for (const event of this.log.slice(0, count)) {
      vehicle.take(event);
      other.log.push(event);
    }
    Object.assign(other, { vehicle, clock: Date.parse(this.log[count - 1]?.at ?? '') });
    return other;
  }

  private write(events: readonly Happened[]): void {
    const act = this.log.length;
    for (const { type, payload } of events) {
      const seq = this.log.length + 1;
      const id = `00000000-0000-7000-8000-${String(seq).padStart(12, '0')}`;
      const event = { id, type, v: 1, at: new Date(this.clock).toISOString(), act: `act-${act}`, payload, seq, person: 'fern' } as LoggedEvent;
      this.vehicle.take(event);
      this.log.push(event);
    }
    this.clock += 60_000;
  }

  /** The work is not done after all. */
  cancel(): void {
    const act = itself.cancelled(this.now().context, 'sold');
    if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
    this.write(act.events);
  }

  get at(): string {
    return new Date(this.clock).toISOString();
  }

  now(): JobNow {
    return jobNow(this.log, this.documents, this.memory);
  }

  /** Does the job to its end. Gives back what it still waits for where it can do nothing more, undefined where it is signed. */
  work(mostActs = MOST_ACTS): string | undefined {
    for (let acts = 0; acts < mostActs; acts++) {
      const now = this.now();
      if (hasLeft(now.context.state)) return undefined;
      const refusals: Refusal[] = [];
      let done = false;
      for (const offer of this.offers(now)) {
        const act = offer();
        if (!act) continue;
        if (isRefused(act)) {
          refusals.push(...act.refused);
          continue;
        }
        this.write(act.events);
        done = true;
        break;
      }
      if (done) continue;
      const until = refusals.flatMap((refusal) => (refusal.code === 'supply-waits' ? [Date.parse(refusal.until)] : []));
      if (until.length > 0) this.clock = Math.max(this.clock, ...until);
      else return this.stuckAt(now, refusals);
    }
    return 'too many acts';
  }

  private stuckAt(now: JobNow, refusals: readonly Refusal[]): string {
    const { missing } = standingOf(now.context, now.plan, now.closing);
    return JSON.stringify({
      missing: missing.slice(0, 4).map(({ code, data }) => ({ code, ...data })),
      plan: now.plan?.steps.slice(0, 3).map((step) => `${step.piece} ${step.level}`),
      planProblems: now.plan?.problems,
      closing: now.closing.steps
        .slice(0, 4)
        .map((step) => (step.kind === 'piece' ? `${step.piece} ${step.to}` : step.kind === 'supply' ? `${step.supply} ${step.to}` : step.gate.subject)),
      problems: now.closing.problems,
      refusals,
    });
  }

  /** Every act that could be true now, in the order of work. */
  private *offers(now: JobNow): Generator<() => Act | undefined> {
    const { context, plan, closing } = now;
    const { state, profile } = context;
    const { facts } = this.truth;
    for (const out of toTakeOut(context)) yield () => fit.takenOut(context, out.kit, out.kind, out.id, this.at);
    if (!state.number) yield () => checkIn.recordNumber(context, '11111111111111111');
    for (const fact of profile.facts) if (!state.facts[fact.id]) yield () => checkIn.recordFact(context, fact.id, 'known', facts[fact.id]);
    for (const lamp of functionsOf(context)) if (!state.baseline[lamp.id]) yield () => checkIn.tryLamp(context, lamp.id, this.lampIs(lamp.id), this.at);
    if (state.restV === undefined) yield () => checkIn.batteryMeasured(context, 12.6 * (profile.systemVoltageV / 12));
    if (state.codesRead.before === undefined) yield () => checkIn.codesRead(context, 'before', this.at);
    if (state.warnings.before === undefined) yield () => checkIn.warningsRead(context, 'before', LIT, this.at);
    for (const { id } of lensesOf(context)) if (state.lenses.before[id] === undefined) yield () => checkIn.lensGraded(context, id, 'before', hazeOf(context, id), RENEWED);
    for (const [place, gap] of profile.gaps.entries())
      if (state.gaps.before[gap.id] === undefined) yield () => checkIn.gapMeasured(context, gap.id, 'before', (gap.nominalMm ?? 4) + place / 10);
    for (const verdict of verdicts(context)) if (!state.confirmed.includes(verdict.kit)) yield () => match.confirm(context, verdict.kit);
    for (const { kit } of kitsOnVehicle(context)) {
      for (const item of gather.uncounted(context, kit.slug)) {
        const wanted = kit.contents.find((entry) => entry.id === item)?.count ?? 0;
        yield () => gather.count(context, kit.slug, item, wanted);
      }
      for (const task of kit.benchTasks) if (!(state.benchDone[kit.slug] ?? []).includes(task.id)) yield () => gather.benchDone(context, kit.slug, task.id);
    }
    for (const load of circuitLoads(context)) if (!load.accepted) yield () => wire.acceptLoad(context, load.circuit.id);
    for (const lamp of watchedLamps(context) ?? []) if (lamp.value === 'open' && !lamp.accepted) yield () => wire.acceptOutage(context, lamp.channel.id);
    if (plan) {
      for (const step of this.truth.people === 2 ? plan.steps : plan.steps.slice(0, 1)) {
        const counts = step.fasteners.map((group) => ({ group: group.id, count: group.count }));
        const about = { kind: 'piece' as const, piece: step.piece, level: step.level };
        if (openUp.wayOf(context, step)?.irreversible && state.consents[key(about)] === undefined) yield () => consented(context, about, 'the owner');
        yield () => openUp.moved(context, plan, step, counts, this.at, WHO);
      }
    }
    yield* this.breaking(now);
    yield* this.wires(now);
    yield* this.fitting(now);
    if (plan?.steps.length === 0) yield* this.back(now);
    for (const { sensor, calibrationDue } of sense.disturbedSensors(context, plan)) {
      // Where only half of an act is there.
      if (state.pieces[sensor.on] === 'fitted' && state.unplugged.includes(sensor.id)) yield () => sense.reconnected(context, sensor.id);
      if (calibrationDue && !state.calibrated[sensor.id] && !state.unplugged.includes(sensor.id) && plan?.steps.length === 0 && state.pieces[sensor.on] === 'fitted')
        yield () => sense.calibrated(sensor.id, 'done here', 'by the maker’s procedure');
    }
    // Nothing is left that wants it raised, or its light is aimed before the rest goes back.
    const place = raisedAt(context);
    if (place !== undefined && plan?.steps.length === 0 && (closing.steps.length === 0 || aimIsNext(closing))) yield () => stoodSo(context, 'raised', undefined);
    yield* this.aiming(now);
    if (closing.steps.length === 0) yield* this.leaving(now);
  }

  private lampIs(lamp: string): BaselineResult {
    return lamp === this.truth.dim ? 'dim' : 'works';
  }

  private *breaking({ context: { state, profile } }: JobNow): Generator<() => Act | undefined> {
    if (!this.truth.breaks || Object.values(state.tray).some((groups) => Object.values(groups).some(({ broken }) => broken > 0))) return;
    const once = (piece: string, group: string) => profile.pieces.find(({ id }) => id === piece)?.fasteners.find(({ id }) => id === group)?.singleUse;
    const [found] = Object.entries(state.tray).flatMap(([piece, groups]) => Object.keys(groups).flatMap((group) => (once(piece, group) === false ? [{ piece, group }] : [])));
    if (found) yield () => ({ events: [{ type: 'fastener.broken', payload: { ...found, count: 1 } }] });
  }

  private *wires({ context }: JobNow): Generator<() => Act | undefined> {
    const { state } = context;
    const rest = 12.6 * (context.profile.systemVoltageV / 12);
    for (const joint of wireJoints(context)) if (!joint.joined) yield () => wire.join(context, joint.kit.slug, joint.connection.id, this.at);
    for (const route of wire.legsToLay(context)) yield () => wire.layLeg(context, route.kit, legOf(context, route), route.path?.id);
    for (const { plug, kit, capped } of leftoverPlugs(context)) if (!capped) yield () => wire.cap(context, plug.id, kit?.slug);
    if (probe.wiresToProve(context).length > 0 && !state.reference) yield () => probe.checkedReference(context, 0.02, rest, this.at);
    for (const { plug, pin, state: lit, liveIn, proof } of probe.wiresToProve(context)) {
      if (proof.code === 'proved') continue;
      for (const tried of [lit, 'key off', ...(proof.code === 'rivals' && proof.state ? [proof.state] : [])] as const) {
        if ((state.readings[`${plug.id}/${pin.id}`] ?? []).some((reading) => reading.state === tried)) continue;
        const highV = liveWith(liveIn, tried) ? rest : 0;
        const flashes = lit === 'turn left' || lit === 'turn right';
        yield () => probe.take(context, plug.id, pin.id, { state: tried, lowV: flashes ? 0 : highV, highV }, this.at);
      }
    }
  }

  private *fitting(now: JobNow): Generator<() => Act | undefined> {
    const { context, closing } = now;
    const { state } = context;
    for (const onVehicle of kitsOnVehicle(context)) {
      const kit = onVehicle.kit.slug;
      for (const step of fitStepsOf(onVehicle)) {
        const about = { kind: 'fit' as const, kit, step: step.id };
        if (step.irreversible && state.consents[key(about)] === undefined) yield () => consented(context, about, 'the owner');
        for (const pass of step.passes) if (!(state.passes[kit]?.[step.id] ?? []).includes(pass)) yield () => fit.passed(context, kit, step.id, pass, this.at);
      }
      for (const test of testsOf(onVehicle)) {
        if (state.tests[kit]?.[test.id]) continue;
        yield () => fit.tested(context, kit, test.id, true, this.at);
        const alone = fit.againstTest(context, onVehicle, test, this.at);
        const side = provingSide(context);
        if (side !== undefined && alone.length > 0 && alone.every((refusal) => refusal.code === 'supply-dead') && test.side === side) {
          const live = closeUp.supplySwitch(context, 'low', 'live');
          if (live) yield () => closeUp.switchSupply(context, closing, live, WHO);
        }
      }
    }
  }

  private *back({ context, closing }: JobNow): Generator<() => Act | undefined> {
    const { people } = this.truth;
    const steps = closeUp.stepsNow(context, closing);
    for (const step of people === 2 ? steps : steps.slice(0, 1)) {
      if (step.kind === 'gate') continue;
      if (step.kind === 'supply') {
        yield () => closeUp.switchSupply(context, closing, step, WHO);
        // What comes after a change of the supply waits for it.
        return;
      }
      const lengthsMm = Object.fromEntries(closeUp.lengthsAsked(step).map(({ group }) => [group.id, group.lengthMm ?? 0]));
      for (const sensor of closeUp.sensorsFirst(context, step)) yield () => sense.reconnected(context, sensor);
      // What is used once only goes in new, all of it.
      const renewed = Object.fromEntries(closeUp.newAsked(context, step).map((group) => [group.id, closeUp.placesOf(context, step.piece, group)]));
      yield () => closeUp.putBack(context, closing, step, { counts: {}, renewed, lengthsMm }, this.at);
    }
    for (const { piece, group, ready, places, onceOnly } of closeUp.emptyPlaces(context))
      yield () => closeUp.putIn(context, piece, group, onceOnly ? { old: 0, fresh: places } : { old: ready, fresh: places - ready });
    for (const piece of closeUp.toBag(context)) yield () => closeUp.bagged(context, piece, 'shelf 3');
    for (const { supply, is, forgotten } of suppliesNow(context))
      if (is === 'live' && steps.length === 0) for (const setting of forgotten) yield () => closeUp.settingRestored(context, supply.id, setting, this.at);
  }

  private *aiming({ context, plan }: JobNow): Generator<() => Act | undefined> {
    if (plan?.steps.length !== 0) return;
    const { state } = context;
    const lamps = lampAims(context);
    if (lamps.length === 0) return;
    if (!state.wall) yield () => aim.setWall(context, { distanceMm: 10_000 });
    if (state.wall && state.wall.floorAtWallMm === undefined) yield () => aim.setWall(context, { floorAtWallMm: 0 });
    if (!(state.aimPrepared?.tyres && state.aimPrepared.load && state.aimPrepared.levelling)) yield () => aim.prepare(context, { tyres: true, load: true, levelling: true });
    for (const lamp of lamps) {
      if (lamp.byOthers || lamp.after?.within) continue;
      const { mark } = lamp;
      // No vehicle stands exactly as high as its profile says.
      if (!lamp.referenced) yield () => aim.referenced(context, lamp.key, Math.round(lamp.referenceMm) + OFF_MM);
      if (!mark) yield () => aim.byOthers(context, lamp.key, 'the test lane');
      else if ((lamp.mount.aimAfter ?? []).every((piece) => (state.pieces[piece] ?? 'fitted') === 'fitted'))
        yield () => aim.measured(context, lamp.key, 'after', mark.wantedMm, this.at);
    }
  }

  private *leaving(now: JobNow): Generator<() => Act | undefined> {
    const { context, plan, closing } = now;
    const { state, profile } = context;
    for (const { kit, test, passed } of handOver.closedTests(context)) if (!passed) yield () => handOver.triedClosed(context, kit, test.id, true, this.at);
    for (const lamp of handOver.toTryAgain(context)) yield () => handOver.tryAgain(context, lamp.id, this.lampIs(lamp.id), this.at);
    if (state.codesRead.after === undefined) yield () => handOver.codesReadAfter(context, this.at);
    if (state.warnings.after === undefined) yield () => checkIn.warningsRead(context, 'after', LIT, this.at);
    for (const { id } of handOver.lensesToLookAt(context)) yield () => checkIn.lensGraded(context, id, 'after', hazeOf(context, id), RENEWED);
    for (const [place, gap] of profile.gaps.entries())
      if (state.gaps.after[gap.id] === undefined) yield () => checkIn.gapMeasured(context, gap.id, 'after', (gap.nominalMm ?? 4) - place / 10);
    yield () => handOver.sign(context, standingOf(context, plan, closing));
  }
}
