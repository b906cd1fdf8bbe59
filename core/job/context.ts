import { levelRank, moveNamed, planAccess, setUpOf, type AccessPlan, type AccessRequest, type FurtherKit } from '../access/index.ts';
import { AIM_GATE, isAimGate, planClosing, type ClosePlan, type Gate, type MadeMove } from '../closing/index.ts';
import { checkContents, type GatherCheck } from '../gather/index.ts';
import type { Connection, FitStep, Fitment, Kit, KitTest, Lamp } from '../kit/index.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import { matchKit, withOptions, type MatchVerdict } from '../match/index.ts';
import type { AimRule, RuleSet } from '../rules/index.ts';
import type { TakenBySteps } from '../schedule/index.ts';
import type { LampFunction, Level, LevelNeed, MountPosition, Piece, VehicleProfile, Way } from '../vehicle/index.ts';
import type { School } from './events.ts';
import { onThisVehicle } from './overlay.ts';
import { factValues, type JobState } from './state.ts';

/** A job with the documents it pins: all that any station needs. */
export interface JobContext {
  state: JobState;
  profile: VehicleProfile;
  kits: Kit[];
  rules: RuleSet;
  /** Model year of the vehicle, where it is known. */
  year?: number;
  /** Whether the shop has not yet handed over a job with one of these kits: one side is then proved first. */
  newKit?: boolean;
  /** Times taken so far at this shop on vehicles of this kind. */
  taken?: TakenBySteps;
}

/** A job's state with the documents it pins, as they hold for this one vehicle. */
export function jobContext(state: JobState, documents: Omit<JobContext, 'state'>): JobContext {
  return { ...documents, state, profile: onThisVehicle(documents.profile, state) };
}

/** A kit on this vehicle: its fitment and the facts as its conditions read them. */
export interface KitOnVehicle {
  kit: Kit;
  fitment?: Fitment;
  facts: FactValues;
}

/** The fitment of a kit for a vehicle, with the places that the facts do not rule out. */
function fitmentOn(kit: Kit, vehicle: string, facts: FactValues): Fitment | undefined {
  const fitment = kit.fitments.find((candidate) => candidate.vehicle === vehicle);
  return fitment && { ...fitment, mounts: fitment.mounts.filter((place) => evaluate(place.when, facts) !== 'no') };
}

/** The kits of a job with what holds for them on this vehicle; none once opening was given up. */
export function kitsOnVehicle({ state, profile, kits }: JobContext): KitOnVehicle[] {
  if (state.left !== undefined) return [];
  const values = factValues(state);
  return kits.map((kit) => {
    const facts = withOptions(values, kit, state.options[kit.slug] ?? {});
    return { kit, fitment: fitmentOn(kit, profile.slug, facts), facts };
  });
}

/** The match verdict of every kit of the job. */
export function verdicts(context: JobContext): MatchVerdict[] {
  return kitsOnVehicle(context).map(({ kit, facts }) => matchKit(kit, context.profile, context.year, facts));
}

/** The contents check of every kit of the job. */
export function contentChecks(context: JobContext): { kit: Kit; check: GatherCheck }[] {
  return kitsOnVehicle(context).map(({ kit, facts }) => ({ kit, check: checkContents(kit, facts, context.state.counts[kit.slug] ?? {}) }));
}

/** Mount positions that the job's kits use, each once. */
export function targetMounts(context: JobContext): string[] {
  return [...new Set(kitsOnVehicle(context).flatMap(({ fitment }) => (fitment?.mounts ?? []).map((place) => place.mount)))];
}

/** Pieces that the job's kits take the place of. */
export function replacedPieces(context: JobContext): string[] {
  return [...new Set(kitsOnVehicle(context).flatMap(({ fitment }) => fitment?.replaces ?? []))];
}

/** Factory functions that go away with pieces the kits take the place of. */
export function lostFunctions(context: JobContext): string[] {
  return [...new Set(kitsOnVehicle(context).flatMap(({ fitment }) => fitment?.losesFunctions ?? []))];
}

function holdsBy(way: Way, level: (piece: string) => number): boolean {
  return way.needs.every((need) => level(need.piece) >= levelRank(need.level));
}

/** Whether every target has been reachable at some moment of this job: opening is then done. */
export function openingDone(context: JobContext): boolean {
  const reached = (piece: string) => levelRank(context.state.reached[piece] ?? 'fitted');
  const replaced = replacedPieces(context).every((piece) => reached(piece) === levelRank('off'));
  return replaced && mountsOf(context).every((mount) => mount.reach.some((way) => holdsBy(presentWay(context, way), reached)));
}

function mountsOf(context: JobContext): MountPosition[] {
  const ids = targetMounts(context);
  return context.profile.mounts.filter((mount) => ids.includes(mount.id));
}

/** A way without the needs for pieces that this vehicle does not have. */
function presentWay({ profile, state }: JobContext, way: Way): Way {
  const facts = factValues(state);
  const absent = new Set(profile.pieces.filter((piece) => evaluate(piece.when, facts) === 'no').map((piece) => piece.id));
  return { ...way, needs: way.needs.filter((need) => !absent.has(need.piece)) };
}

/** The order of opening: as chosen for this job, else one side first with a kit that is new to the shop. */
export function schoolOf({ state, newKit }: Pick<JobContext, 'state' | 'newKit'>): School {
  return state.order?.school ?? (newKit ? 'prove one side first' : 'least set-up');
}

/** By how much the clips of this vehicle break more often than new ones, by its model year and the year the job was opened. */
export function ageFactorOf({ state, rules, year }: JobContext): number {
  if (!rules.ageing || year === undefined || state.openedYear === undefined) return 1;
  return 1 + rules.ageing.perYear * Math.max(0, state.openedYear - year - rules.ageing.fromYears);
}

/** Times taken that hold for this vehicle: none for opening a piece whose bolts are seized here. */
function takenHere({ taken = {}, state }: JobContext): TakenBySteps {
  const seized = new Set(state.seized.map((entry) => entry.piece));
  if (seized.size === 0) return taken;
  return Object.fromEntries(
    Object.entries(taken).filter(([name]) => {
      const move = moveNamed(name);
      return move?.way === undefined || !seized.has(move.piece);
    }),
  );
}

/** What is to be opened from what is open now: nothing once every target has been reachable, or once opening was given up. */
export function openingRequest(context: JobContext): AccessRequest {
  const { state, profile, rules } = context;
  const done = state.left !== undefined || openingDone(context);
  return {
    profile,
    facts: factValues(state),
    mounts: done ? [] : targetMounts(context),
    present: Object.entries(state.pieces)
      .filter(([, level]) => level !== 'fitted')
      .map(([piece, level]) => ({ piece, level })),
    replaced: done ? [] : replacedPieces(context),
    rules,
    chosen: state.waysChosen,
    school: schoolOf(context),
    people: state.order?.people ?? 1,
    ageFactor: ageFactorOf(context),
    taken: takenHere(context),
  };
}

/** The least-labour way in from what is open now; the best found after so many places looked at. */
export function planOpening(context: JobContext, mostLooked = Infinity): AccessPlan {
  return planAccess(openingRequest(context), mostLooked);
}

/** Kits that are not on the job and have a fitment for its vehicle that the facts known do not rule out. */
export function furtherKits(context: JobContext, library: readonly Kit[]): FurtherKit[] {
  const { profile, kits, year } = context;
  const facts = factValues(context.state);
  return library.flatMap((kit) => {
    const fitment = fitmentOn(kit, profile.slug, withOptions(facts, kit, {}));
    if (!fitment || kits.some((own) => own.slug === kit.slug)) return [];
    if (matchKit(kit, profile, year, withOptions(facts, kit, {})).value === 'no') return [];
    return [{ kit: kit.slug, mounts: [...new Set(fitment.mounts.map((place) => place.mount))], replaces: fitment.replaces }];
  });
}

/** What a move needed at its moment, by the way it took; a way that is not noted counts as the profile's first. */
function needsOf(context: JobContext, pieceId: string, levelName: Level, wayId: string | undefined): LevelNeed[] {
  const level = context.profile.pieces.find((piece) => piece.id === pieceId)?.levels.find((candidate) => candidate.level === levelName);
  const way = level?.ways.find((candidate) => candidate.id === wayId) ?? level?.ways[0];
  return way ? presentWay(context, way).needs : [];
}

/** Opening moves made and not undone, then those still planned, with what each needed. */
export function openingMoves(context: JobContext, plan: AccessPlan | undefined): MadeMove[] {
  const made = context.state.moves.map((move) => ({ ...move, needs: needsOf(context, move.piece, move.level, move.way) }));
  const planned = (plan?.steps ?? []).map(({ piece, from, level, way }) => ({ piece, from, level, way, needs: needsOf(context, piece, level, way) }));
  return [...made, ...planned];
}

/** All opening moves ever made on this job, with what each needed, and those still planned. */
export function everyOpeningMove(context: JobContext, plan: AccessPlan | undefined): MadeMove[] {
  const made = context.state.history.map((move) => ({ ...move, needs: needsOf(context, move.piece, move.level, move.way) }));
  const planned = openingMoves(context, plan).slice(context.state.moves.length);
  return [...made, ...planned];
}

/** Whether a gate is behind the job: its test has passed, or its lamp is aimed and in, aimed by others, or let go by a named exception. */
export function gatePassed(context: JobContext, gate: string): boolean {
  const { state } = context;
  if (isAimGate(gate)) {
    const lamp = gate.slice(AIM_GATE.length);
    return state.aims[lamp]?.after !== undefined || state.aimByOthers[lamp] !== undefined || state.exceptions[gate] !== undefined;
  }
  const [kit = '', test = ''] = gate.split('/');
  return state.tests[kit]?.[test] === true;
}

/** Aims that must come before a piece hides the adjuster. */
function aimGates(context: JobContext, opened: ReadonlyMap<string, number>): Gate[] {
  return lampsToAim(context).flatMap(({ kit, lamp, mount }) => {
    const hides = (mount.adjusterBehind ?? []).filter((piece) => (opened.get(piece) ?? 0) > 0);
    return hides.length > 0 ? [{ test: `${AIM_GATE}${kit.slug}/${lamp.id}`, coveredBy: hides, after: (mount.aimAfter ?? []).filter((piece) => (opened.get(piece) ?? 0) > 0) }] : [];
  });
}

/** Tests and aims that are gates, with the pieces whose refitting would cover what each proves. */
export function gatesOf(context: JobContext, moves: readonly MadeMove[]): Gate[] {
  const pieceOpen = new Map(moves.map((move) => [move.piece, levelRank(move.level)]));
  const tests = kitsOnVehicle(context).flatMap(({ kit, fitment }) =>
    (fitment?.tests ?? [])
      .filter((test) => test.gate)
      .map((test) => {
        const mountId = fitment?.mounts.find((place) => place.lamp === test.lamp)?.mount;
        const mount = context.profile.mounts.find((candidate) => candidate.id === mountId);
        const way = mount?.reach.map((candidate) => presentWay(context, candidate)).find((candidate) => holdsBy(candidate, (piece) => pieceOpen.get(piece) ?? 0));
        return { test: `${kit.slug}/${test.id}`, coveredBy: way ? supports(context.profile, way.needs, moves) : [], ...(test.after ? { after: test.after } : {}) };
      }),
  );
  return [...tests, ...aimGates(context, pieceOpen)];
}

/** Pieces that must be open for these needs, and for what those rest on in turn. A plug among them hides nothing: joining it is what the test proves. */
function supports({ pieces }: Pick<VehicleProfile, 'pieces'>, needs: readonly LevelNeed[], moves: readonly MadeMove[]): string[] {
  const found = new Set<string>();
  const open = [...needs];
  for (let need = open.pop(); need; need = open.pop()) {
    if (found.has(need.piece)) continue;
    found.add(need.piece);
    for (const move of moves) if (move.piece === need.piece) open.push(...move.needs);
  }
  const isPlug = ({ fasteners }: Piece) => fasteners.length > 0 && fasteners.every((group) => group.drive === 'plug lock');
  const plugs = new Set(pieces.filter(isPlug).map((piece) => piece.id));
  return [...found].filter((id) => !plugs.has(id));
}

/** The order of putting back what is open or planned to be, with the tests that must come before each step. */
export function planClosingOf(context: JobContext, plan: AccessPlan | undefined): ClosePlan {
  const moves = openingMoves(context, plan);
  const gates = gatesOf(context, everyOpeningMove(context, plan));
  return planClosing(context.profile, factValues(context.state), moves, replacedPieces(context), gates, setUpOf(context.rules), {
    people: context.state.order?.people,
    taken: context.taken,
  });
}

/** Fit steps that this vehicle and the chosen options ask for. */
export function fitStepsOf({ fitment, facts }: KitOnVehicle): FitStep[] {
  return (fitment?.fitSteps ?? []).filter((step) => evaluate(step.when, facts) !== 'no');
}

/** Connections that this vehicle and the chosen options ask for. */
export function connectionsOf({ fitment, facts }: KitOnVehicle): Connection[] {
  return (fitment?.connections ?? []).filter((connection) => evaluate(connection.when, facts) !== 'no');
}

export function testsOf({ fitment }: KitOnVehicle): KitTest[] {
  return fitment?.tests ?? [];
}

/** Factory functions that this vehicle has. */
export function functionsOf({ profile, state }: JobContext): LampFunction[] {
  const facts = factValues(state);
  return profile.functions.filter((lamp) => evaluate(lamp.when, facts) !== 'no');
}

/** A lamp of a kit that a rule of the rule set says how to aim, with where it sits. */
export interface LampToAim {
  kit: Kit;
  lamp: Lamp;
  mount: MountPosition;
  rule: AimRule;
}

/** Lamps of the job that are to be aimed: those whose beam has a rule. The rule chosen at the wall wins for its beam. */
export function lampsToAim(context: JobContext): LampToAim[] {
  return kitsOnVehicle(context).flatMap(({ kit, fitment }) =>
    kit.lamps.flatMap((lamp) => {
      const rules = context.rules.aim.filter((rule) => rule.beam === lamp.optics.beam);
      const rule = rules.find((candidate) => candidate.id === context.state.wall?.rule) ?? rules[0];
      const mountId = fitment?.mounts.find((place) => place.lamp === lamp.id)?.mount;
      const mount = context.profile.mounts.find((candidate) => candidate.id === mountId);
      return rule && mount ? [{ kit, lamp, mount, rule }] : [];
    }),
  );
}
