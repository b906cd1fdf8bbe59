import { AIM_GATE, isAimGate, type ClosePlan } from '../closing/index.ts';
import { levelRank, type AccessPlan } from '../access/index.ts';
import { sensorEffects } from '../sensing/index.ts';
import { lampAims } from './aim.ts';
import {
  contentChecks,
  fitStepsOf,
  functionsOf,
  gatePassed,
  gatesOf,
  kitsOnVehicle,
  lostFunctions,
  openingDone,
  everyOpeningMove,
  planClosingOf,
  replacedPieces,
  testsOf,
  verdicts,
  type JobContext,
} from './context.ts';
import type { BaselineResult } from './events.ts';
import { block, question, STATIONS, todo, type Asked, type Hold, type Standing, type Station, type StationStanding, type StationState } from './hold.ts';
import { factValues, outstanding } from './state.ts';
import { circuitLoads, wireJoints } from './wire.ts';

function checkIn(context: JobContext): Asked[] {
  const { state, profile } = context;
  const asked: Asked[] = [];
  if (!state.number) asked.push(todo('number-missing', {}, 'number'));
  const untried = functionsOf(context).filter((lamp) => !state.baseline[lamp.id]);
  if (untried.length > 0) asked.push(todo('baseline-missing', { count: untried.length, of: functionsOf(context).length }));
  if (state.restV === undefined) asked.push(todo('battery-missing'));
  if (state.codesRead.before === undefined) asked.push(todo('codes-before-missing'));
  const gaps = profile.gaps.filter((gap) => state.gaps.before[gap.id] === undefined);
  if (gaps.length > 0) asked.push(todo('gaps-before-missing', { count: gaps.length }));
  const silent = profile.facts.filter((fact) => !state.facts[fact.id]);
  if (silent.length > 0) asked.push(todo('fact-unknown', { fact: silent[0]?.id ?? '', count: silent.length }));
  return asked;
}

function match(context: JobContext): Asked[] {
  return verdicts(context).flatMap((verdict): Asked[] => {
    if (verdict.value === 'no') return [block('kit-does-not-fit', { kit: verdict.kit })];
    if (verdict.value === 'unknown' || verdict.ask.length > 0) return [question('kit-undecided', { kit: verdict.kit, fact: verdict.ask[0] ?? '' })];
    return context.state.confirmed.includes(verdict.kit) ? [] : [todo('kit-unconfirmed', { kit: verdict.kit })];
  });
}

function gather(context: JobContext): Asked[] {
  return contentChecks(context).flatMap(({ kit, check }): Asked[] => {
    const troubles = check.troubles.map((trouble) =>
      trouble.code === 'short'
        ? block('content-short', { kit: kit.slug, item: trouble.item, count: trouble.missing }, `content:${kit.slug}/${trouble.item}`)
        : block('content-hands', { kit: kit.slug, item: trouble.items[0] ?? '', left: trouble.left, right: trouble.right }),
    );
    const open = check.lines.filter((line) => line.counted === undefined && line.needed !== 'no');
    const uncounted = open.length > 0 ? [todo('content-uncounted', { kit: kit.slug, count: open.length })] : [];
    const done = context.state.benchDone[kit.slug] ?? [];
    const tasks = kit.benchTasks.filter((task) => !done.includes(task.id)).map((task) => todo('bench-task', { kit: kit.slug, task: task.id }));
    return [...troubles, ...uncounted, ...tasks];
  });
}

function openUp(context: JobContext, plan: AccessPlan | undefined): Asked[] {
  const lost = (plan?.problems ?? []).map((problem) => block('target-unreachable', { mount: problem.target }));
  if (openingDone(context)) return lost;
  const count = plan?.steps.length ?? 0;
  return count > 0 || !plan ? [...lost, todo('pieces-to-open', { count, piece: plan?.steps[0]?.piece ?? '' })] : lost;
}

function wire(context: JobContext): Asked[] {
  const plugs = wireJoints(context).flatMap((joint): Asked[] => {
    const data = { kit: joint.kit.slug, plug: joint.vehiclePlug.id, connection: joint.connection.id };
    if (joint.mate.value !== 'mates') return [block('plug-does-not-mate', data, `plug:${joint.connection.id}`)];
    return joint.joined ? [] : [todo('plug-to-join', data)];
  });
  const loads = circuitLoads(context).flatMap(({ circuit, check, accepted }): Asked[] => {
    const data = { circuit: circuit.id, share: check.shareAfter };
    if (check.verdict === 'refuse' || check.verdict === 'never') return [block('load-refused', data)];
    return accepted ? [] : [todo('load-to-accept', data)];
  });
  return [...loads, ...plugs];
}

function probe(context: JobContext): Asked[] {
  const wires = wireJoints(context).flatMap((joint) => joint.toProve.map((wire_) => ({ joint, ...wire_ })));
  if (wires.length === 0) return [];
  const reference = context.state.reference ? [] : [todo('reference-missing')];
  const open = wires.flatMap(({ joint, pin, proof }): Asked[] => {
    const data = { plug: joint.vehiclePlug.id, pin: pin.id, carries: pin.carries };
    const about = `wire:${joint.vehiclePlug.id}/${pin.id}`;
    if (proof.code === 'proved') return [];
    return proof.code === 'contradictory' || proof.code === 'unclear' ? [question('wire-contradictory', data, about)] : [todo('wire-unproved', data, about)];
  });
  return [...reference, ...open];
}

/** Sensors that this job's opening disturbs, now or as planned. */
export function disturbedSensors(context: JobContext, plan: AccessPlan | undefined) {
  const opened = new Map(Object.entries(context.state.reached));
  for (const step of plan?.steps ?? []) if (levelRank(step.level) > levelRank(opened.get(step.piece) ?? 'fitted')) opened.set(step.piece, step.level);
  return sensorEffects(
    context.profile,
    factValues(context.state),
    [...opened].map(([piece, level]) => ({ piece, level })),
    context.state.sensorMoves,
  );
}

function sense(context: JobContext, plan: AccessPlan | undefined): Asked[] {
  return disturbedSensors(context, plan).flatMap(({ sensor, calibrationDue }): Asked[] => {
    const asked: Asked[] = [];
    if (context.state.unplugged.includes(sensor.id)) asked.push(todo('sensor-unplugged', { sensor: sensor.id }));
    if (calibrationDue && !context.state.calibrated[sensor.id]) asked.push(todo('calibration-due', { sensor: sensor.id }, `sensor:${sensor.id}`));
    return asked;
  });
}

function fit(context: JobContext): Asked[] {
  return kitsOnVehicle(context).flatMap((onVehicle): Asked[] => {
    const { kit } = onVehicle;
    const passes = context.state.passes[kit.slug] ?? {};
    const steps = fitStepsOf(onVehicle).filter((step) => step.passes.some((pass) => !(passes[step.id] ?? []).includes(pass)));
    const asked: Asked[] = steps.length > 0 ? [todo('fit-passes', { kit: kit.slug, step: steps[0]?.id ?? '', count: steps.length })] : [];
    for (const test of testsOf(onVehicle)) {
      const passed = context.state.tests[kit.slug]?.[test.id];
      const data = { kit: kit.slug, test: test.id };
      if (passed === false) asked.push(block('test-failed', data));
      else if (passed === undefined) asked.push(todo('test-missing', data));
    }
    return asked;
  });
}

function closeUp(context: JobContext, plan: AccessPlan | undefined, closing: ClosePlan): Asked[] {
  const { state } = context;
  const asked: Asked[] = [];
  const replaced = replacedPieces(context);
  const unrunnable = new Set(closing.problems.flatMap((problem) => (problem.code === 'gate-cannot-run' ? [problem.test] : [])));
  for (const gate of gatesOf(context, everyOpeningMove(context, plan))) {
    if (gatePassed(context, gate.test) || unrunnable.has(gate.test)) continue;
    const [kit = '', test = ''] = gate.test.replace(AIM_GATE, '').split('/');
    const covered = Object.entries(state.reached).find(([piece]) => (state.pieces[piece] ?? 'fitted') === 'fitted' && gate.coveredBy.includes(piece));
    if (!covered) continue;
    const data = { kit, test, piece: covered[0] };
    asked.push(isAimGate(gate.test) ? block('covered-unaimed', data, gate.test) : block('covered-untested', data));
  }
  for (const [piece, level] of Object.entries(state.pieces)) {
    if (level !== 'fitted' && !replaced.includes(piece)) asked.push(todo('piece-open', { piece, level }));
  }
  for (const piece of replaced) if (state.pieces[piece] === 'off' && !state.bagged[piece]) asked.push(todo('part-to-bag', { piece }));
  for (const [piece, groups] of Object.entries(state.tray)) {
    if (replaced.includes(piece)) continue;
    for (const [group, tally] of Object.entries(groups)) {
      const about = `tray:${piece}/${group}`;
      if (outstanding(tally) > 0) asked.push(todo('fasteners-out', { piece, group, count: outstanding(tally) }, about));
      if (tally.dropped > 0) asked.push(question('fastener-dropped', { piece, group, count: tally.dropped }, `dropped:${piece}/${group}`));
    }
  }
  return asked;
}

function aim(context: JobContext): Asked[] {
  const lamps = lampAims(context);
  if (lamps.length === 0) return [];
  const own = lamps.filter((lamp) => !lamp.byOthers);
  const asked: Asked[] = [];
  if (own.length > 0 && !context.state.wall) asked.push(todo('wall-missing'));
  const prepared = context.state.aimPrepared;
  if (own.length > 0 && !(prepared?.tyres && prepared.load && prepared.levelling)) asked.push(todo('aim-preparation'));
  for (const lamp of own) {
    const data = { kit: lamp.kit.slug, lamp: lamp.lamp.id };
    if (!lamp.after) asked.push(todo('aim-missing', data, `aim:${lamp.key}`));
    else if (!lamp.after.within) asked.push(question('aim-out', { ...data, errorMm: lamp.after.errorMm }, `aim:${lamp.key}`));
  }
  return asked;
}

const RESULT_ORDER: BaselineResult[] = ['works', 'dim', 'flickers', 'dead'];

/** Whether a function left worse than it came. A function not fitted on arrival cannot get worse. */
export function functionWorse(before: BaselineResult | undefined, after: BaselineResult): boolean {
  if (before === undefined || before === 'not fitted') return false;
  const rank = (result: BaselineResult) => (result === 'not fitted' ? RESULT_ORDER.length : RESULT_ORDER.indexOf(result));
  return rank(after) > rank(before);
}

function handOver(context: JobContext): Asked[] {
  const { state, profile } = context;
  const asked: Asked[] = [];
  const lost = lostFunctions(context);
  const untried = functionsOf(context).filter((lamp) => !state.final[lamp.id] && !lost.includes(lamp.id));
  if (untried.length > 0) asked.push(todo('final-missing', { count: untried.length }));
  for (const lamp of functionsOf(context)) {
    const after = state.final[lamp.id];
    if (after && functionWorse(state.baseline[lamp.id], after)) asked.push(question('function-worse', { lamp: lamp.id, result: after }, `function:${lamp.id}`));
  }
  if (state.codesRead.after === undefined) asked.push(todo('codes-after-missing'));
  const before = new Set(state.codes.before.map((entry) => entry.code));
  for (const { code } of state.codes.after) if (!before.has(code)) asked.push(question('code-new', { code }, `code:${code}`));
  const gaps = profile.gaps.filter((gap) => state.gaps.before[gap.id] !== undefined && state.gaps.after[gap.id] === undefined);
  if (gaps.length > 0) asked.push(todo('gap-after-missing', { count: gaps.length }));
  if (state.questions.length > 0) asked.push(question('log-question', { count: state.questions.length }, 'log'));
  return asked;
}

function begun(context: JobContext): Record<Station, boolean> {
  const { state } = context;
  const filled = (record: object) => Object.keys(record).length > 0;
  return {
    'check-in': state.number !== undefined || filled(state.facts) || filled(state.baseline),
    match: state.confirmed.length > 0 || filled(state.options),
    gather: filled(state.counts) || filled(state.benchDone),
    'open-up': filled(state.reached),
    wire: filled(state.joined) || state.loadsAccepted.length > 0,
    probe: state.reference !== undefined || filled(state.readings),
    sense: filled(state.calibrated) || filled(state.sensorMoves) || state.unplugged.length > 0,
    fit: filled(state.passes) || filled(state.tests),
    'close-up': Object.entries(state.reached).some(([piece]) => state.pieces[piece] === 'fitted'),
    aim: state.wall !== undefined || filled(state.aims) || filled(state.aimByOthers),
    'hand-over': filled(state.final) || state.signed !== undefined,
  };
}

function stateOf(holds: readonly Hold[], isBegun: boolean, ready: boolean): StationState {
  if (holds.some((hold) => hold.kind === 'block')) return 'blocked';
  if (holds.some((hold) => hold.kind === 'question')) return 'needs an answer';
  if (holds.length === 0) return ready || isBegun ? 'settled' : 'not begun';
  return isBegun ? 'under way' : 'not begun';
}

/**
 * Where every station of a job stands and what holds the job back now. A hold for which an exception is named no longer counts.
 * @param plan the way in as computed from what is open now, or undefined while it is being worked out
 * @param closing the way back, where it is known already
 */
export function standingOf(context: JobContext, plan: AccessPlan | undefined, closing = planClosingOf(context, plan)): Standing {
  const asked: Record<Exclude<Station, 'hand-over'>, Asked[]> = {
    'check-in': checkIn(context),
    match: match(context),
    gather: gather(context),
    'open-up': openUp(context, plan),
    wire: wire(context),
    probe: probe(context),
    sense: sense(context, plan),
    fit: fit(context),
    'close-up': closeUp(context, plan, closing),
    aim: aim(context),
  };
  const excepted = context.state.exceptions;
  const keep = (station: Station, list: Asked[]): Hold[] => list.filter((hold) => hold.about === undefined || !excepted[hold.about]).map((hold) => ({ ...hold, station }));
  const started = begun(context);
  const opened = openingDone(context);
  const ready: Record<Station, boolean> = {
    'check-in': true,
    match: true,
    gather: true,
    'open-up': opened,
    wire: opened,
    probe: opened,
    sense: opened,
    fit: true,
    'close-up': opened && started['close-up'],
    aim: true,
    'hand-over': false,
  };
  const stations = STATIONS.map((station): StationStanding => {
    const list = station === 'hand-over' ? handOver(context) : asked[station];
    const holds = keep(station, list);
    if (station === 'hand-over' && !context.state.signed) holds.push({ station, ...todo('sign-off') });
    const isBegun = started[station];
    return { station, holds, begun: isBegun, state: stateOf(holds, isBegun, ready[station]) };
  });
  const all = stations.flatMap((entry) => entry.holds);
  const missing = all.filter((hold) => hold.code !== 'sign-off');
  return { stations, missing, holding: all.find((hold) => hold.kind === 'block') ?? all[0], readyToSign: missing.length === 0 && !context.state.signed };
}
