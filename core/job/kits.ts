import { checkContents, type GatherCheck } from '../contents/index.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import {
  beamOf,
  testsAsFed,
  testsThatFollow,
  type Beam,
  type Connection,
  type FedOtherwise,
  type FitmentList,
  type FitStep,
  type Fitment,
  type Kit,
  type KitTest,
  type Lamp,
} from '../kit/index.ts';
import { matchKit, withOptions, type MatchVerdict } from '../match/index.ts';
import type { AimRule } from '../rules/index.ts';
import { isUndescribed, needsPresent, type LampFunction, type MountPosition, type Side, type Way } from '../vehicle/index.ts';
import { once, type JobContext } from './context.ts';
import { asLed, ledWires, ownLiveIn, plugsWorkedAt, type LedWire } from './led-wires.ts';
import { factValues } from '../events/index.ts';

/** A kit on this vehicle: its fitment and the facts as its conditions read them. */
export interface KitOnVehicle {
  kit: Kit;
  fitment?: Fitment;
  facts: FactValues;
  /** Wires that are led elsewhere than the kit has them, by connection. */
  led?: ReadonlyMap<string, LedWire[]>;
}

/** The fitment of a kit for a vehicle with what the facts do not rule out: places, connections, fitting steps, tests with those that follow from what it does; what names a piece that is not there is without it. */
export function fitmentOn(kit: Kit, { profile }: Pick<JobContext, 'profile'>, facts: FactValues): Fitment | undefined {
  const fitment = kit.fitments.find((candidate) => candidate.vehicle === profile.slug);
  if (!fitment) return undefined;
  const there = new Set(profile.pieces.map((piece) => piece.id));
  const absent = new Set(fitment.fitSteps.flatMap((step) => step.needs.map((need) => need.piece)).filter((piece) => !there.has(piece)));
  const holds = ({ when }: { when?: Parameters<typeof evaluate>[0] }) => evaluate(when, facts) !== 'no';
  const connections = fitment.connections.filter(holds);
  const written = fitment.tests.filter(holds).map((test) => (test.after ? { ...test, after: test.after.filter((piece) => there.has(piece)) } : test));
  const follow = testsThatFollow(kit, profile, { connections, tests: written }, (kit.controls ?? []).filter(holds));
  return {
    ...fitment,
    mounts: fitment.mounts.filter(holds),
    connections,
    fitSteps: fitment.fitSteps.filter(holds).map((step) => ({ ...step, needs: needsPresent(step.needs, absent) })),
    tests: [...written, ...follow],
    replaces: fitment.replaces.filter((piece) => there.has(piece)),
  };
}

/** A fitment with the joints as their wires are led on this job; tests follow what feeds them. */
function fitmentLed(context: Pick<JobContext, 'profile' | 'state' | 'rules'>, kit: Kit, fitment: Fitment): { fitment: Fitment; led?: Map<string, LedWire[]> } {
  const led = new Map(fitment.connections.map((connection) => [connection.id, ledWires(context, kit, connection)] as const).filter(([, wires]) => wires.length > 0));
  if (led.size === 0) return { fitment };
  const connections = fitment.connections.map((connection) => asLed(context, connection, kit, led.get(connection.id) ?? []));
  const tests = fitment.connections.reduce((now, connection) => testsAsFed(now, kit, connection, changesOf(context, connection, led.get(connection.id) ?? [])), fitment.tests);
  return { fitment: { ...fitment, connections, tests }, led };
}

/** When what each led contact feeds was live, and when it is now. */
const changesOf = (context: Pick<JobContext, 'profile'>, connection: Connection, wires: readonly LedWire[]): FedOtherwise[] =>
  wires.flatMap(({ pin, circuit }) => (circuit ? [{ carries: pin.carries, was: ownLiveIn(context, connection, pin), is: circuit.liveIn }] : []));

/** Whether a kit is not fitted after all: dropped by itself, or with all of the work. */
export const isDropped = ({ state }: Pick<JobContext, 'state'>, kit: string): boolean =>
  state.left !== undefined || state.cancelled !== undefined || state.dropped[kit] !== undefined;

function onVehicle(context: JobContext, kits: readonly Kit[]): KitOnVehicle[] {
  const { state } = context;
  const values = factValues(state);
  return kits.map((kit) => {
    const facts = withOptions(values, kit, state.options[kit.slug] ?? {});
    const made = fitmentOn(kit, context, facts);
    return { kit, facts, ...(made ? fitmentLed(context, kit, made) : {}) };
  });
}

/** The kits of a job with what holds for them on this vehicle; without those that were dropped, none once opening was given up or the job cancelled. */
export const kitsOnVehicle = once((context): KitOnVehicle[] =>
  onVehicle(
    context,
    context.kits.filter(({ slug }) => !isDropped(context, slug)),
  ),
);

/** Kits of the job that are not fitted after all, with what held for them. */
export const kitsDropped = once((context): KitOnVehicle[] =>
  onVehicle(
    context,
    context.kits.filter(({ slug }) => isDropped(context, slug)),
  ),
);

/** Kits that were on the vehicle when the job that this one follows left. */
export const kitsFittedBefore = once((context): KitOnVehicle[] => onVehicle(context, context.fitted ?? []));

/** The match verdict of every kit of the job. */
export const verdicts = once((context): MatchVerdict[] => kitsOnVehicle(context).map(({ kit, facts }) => matchKit(kit, context.profile, context.year, facts)));

/** The contents check of every kit of the job. */
export const contentChecks = once((context): { kit: Kit; check: GatherCheck }[] =>
  kitsOnVehicle(context).map(({ kit, facts }) => ({ kit, check: checkContents(kit, facts, context.state.counts[kit.slug] ?? {}) })),
);

/** Whether nobody has described a list of a kit on this kind of vehicle: that it asks for nothing there is not to say that nothing is to be done. */
const isOpen = ({ profile }: Pick<JobContext, 'profile'>, { kit, fitment }: KitOnVehicle, list: FitmentList): boolean =>
  fitment ? (fitment.undescribed ?? []).includes(list) : isUndescribed(profile, 'mounts') || (kit.undescribed ?? []).includes('vehicles');

/** Kits of which nobody has described a list on this kind of vehicle. */
export const kitsUndescribed = (context: JobContext, list: FitmentList): string[] =>
  kitsOnVehicle(context)
    .filter((onVehicle) => isOpen(context, onVehicle, list))
    .map(({ kit }) => kit.slug);

/** Kits of which nobody has described where they sit on this kind of vehicle. */
export const unplacedKits = once((context): string[] => kitsUndescribed(context, 'mounts'));

/** Ways to where a fitting step is done: to its mount position, with what it needs besides; of one without a position, what it needs. */
export function stepReach({ profile }: Pick<JobContext, 'profile'>, { at, needs }: Pick<FitStep, 'at' | 'needs'>): Way[] {
  const reach = profile.mounts.find(({ id }) => id === at)?.reach ?? [];
  return reach.length === 0 ? [{ id: 'open', needs, extraMin: 0 }] : reach.map((way) => ({ ...way, needs: [...way.needs, ...needs] }));
}

/** Mount positions that the job's kits use, each once. */
export function targetMounts(context: JobContext): string[] {
  return [...new Set(kitsOnVehicle(context).flatMap(({ fitment }) => (fitment?.mounts ?? []).map((place) => place.mount)))];
}

/** Pieces that the job's kits take the place of. */
export function replacedPieces(context: JobContext): string[] {
  return [...new Set(kitsOnVehicle(context).flatMap(({ fitment }) => fitment?.replaces ?? []))];
}

/** Pieces that are off and do not go back: a kit of the job takes their place. */
export function goneForGood(context: JobContext): string[] {
  return replacedPieces(context).filter((piece) => context.state.pieces[piece] === 'off');
}

/** Factory functions that go away with pieces the kits take the place of. */
export function lostFunctions(context: JobContext): string[] {
  return [...new Set(kitsOnVehicle(context).flatMap(({ fitment }) => fitment?.losesFunctions ?? []))];
}

/** Fit steps that this vehicle and the chosen options ask for. */
export function fitStepsOf({ fitment }: KitOnVehicle): FitStep[] {
  return fitment?.fitSteps ?? [];
}

/** Connections that this vehicle and the chosen options ask for. */
export function connectionsOf({ fitment }: KitOnVehicle): Connection[] {
  return fitment?.connections ?? [];
}

/** Wires of a connection that are led elsewhere than the kit has them. */
export const ledOf = ({ led }: Pick<KitOnVehicle, 'led'>, { id }: Pick<Connection, 'id'>): LedWire[] => led?.get(id) ?? [];

/** Plugs of the vehicle that hands work at for a connection. */
export const plugsOf = (onVehicle: Pick<KitOnVehicle, 'kit' | 'led'>, connection: Connection): string[] => plugsWorkedAt(connection, onVehicle.kit, ledOf(onVehicle, connection));

export function testsOf({ fitment }: KitOnVehicle): KitTest[] {
  return fitment?.tests ?? [];
}

/** Lamps that must be fed for a test to say anything: those it lights, of a position or a pairing all that its control lights at all. */
function lampsTried(kit: Kit, { lamps, follows }: KitTest): string[] {
  if (!follows || !('control' in follows)) return lamps;
  return kit.controls?.find(({ id }) => id === follows.control)?.positions.flatMap(({ lights }) => lights) ?? lamps;
}

/** Connections that feed what a test lights: those with a pin that carries its state, else all that feed its lamps. */
export function feedsOf({ kit, fitment }: KitOnVehicle, test: KitTest): Connection[] {
  const lamps = lampsTried(kit, test);
  const own = (fitment?.connections ?? []).filter((connection) => connection.lamps.some((lamp) => lamps.includes(lamp)));
  const carrying = own.filter(({ kitPlug }) => kit.plugs.find((plug) => plug.id === kitPlug)?.pins.some((pin) => pin.carries === test.state));
  return carrying.length > 0 ? carrying : own;
}

/** The side that a connection is of: that of its lamps where they are all on one. */
export function sideOf({ kit }: KitOnVehicle, connection: Connection): Side {
  const sides = new Set(kit.lamps.filter((lamp) => connection.lamps.includes(lamp.id)).map((lamp) => lamp.side));
  const [side] = sides;
  return sides.size === 1 && side ? side : 'centre';
}

/** Factory functions that this vehicle has. */
export const functionsOf = once(({ profile, state }): LampFunction[] => {
  const facts = factValues(state);
  return profile.functions.filter((lamp) => evaluate(lamp.when, facts) !== 'no');
});

/** Lamps whose lens is graded for haze: those of the dipped beam, which has a cut-off to lose. */
export const lensesOf = (context: JobContext): LampFunction[] => functionsOf(context).filter(({ state }) => state === 'dipped');

/** A lamp of a kit that a rule of the rule set says how to aim, with where it sits. */
export interface LampToAim {
  kit: Kit;
  lamp: Lamp;
  mount: MountPosition;
  rule: AimRule;
}

/** Kits with a lamp whose beam has a rule, of which nobody has described where it sits on this kind of vehicle. */
export const unplacedToAim = (context: JobContext): string[] => {
  const unplaced = new Set(unplacedKits(context));
  const aimed = (beam: Beam | undefined) => context.rules.aim.some((rule) => rule.beam === beam);
  // Of a kit whose lamps nobody has described its kind tells which they are.
  return context.kits.filter((kit) => unplaced.has(kit.slug) && [...kit.lamps.map(({ optics }) => optics.beam), beamOf(kit)].some(aimed)).map(({ slug }) => slug);
};

/** Lamps of the job that are to be aimed: those whose beam has a rule. The rule chosen at the wall wins for its beam. */
export const lampsToAim = once((context): LampToAim[] =>
  [...kitsOnVehicle(context), ...kitsFittedBefore(context)].flatMap(({ kit, fitment }) =>
    kit.lamps.flatMap((lamp) => {
      const rules = context.rules.aim.filter((rule) => rule.beam === lamp.optics.beam);
      const rule = rules.find((candidate) => candidate.id === context.state.wall?.rule) ?? rules[0];
      const mountId = fitment?.mounts.find((place) => place.lamp === lamp.id)?.mount;
      const mount = context.profile.mounts.find((candidate) => candidate.id === mountId);
      return rule && mount ? [{ kit, lamp, mount, rule }] : [];
    }),
  ),
);
