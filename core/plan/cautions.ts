import type { FitStep, KitTest, BenchTask } from '../kit/index.ts';
import { onWith } from '../states/index.ts';
import { positionsOf, type Level, type Piece, type Position, type SupplyAsk } from '../vehicle/index.ts';
import { type JobContext, kitsFittedBefore, kitsOnVehicle, stepReach, testsOf, type KitOnVehicle, type TakeOut } from '../job/index.ts';
import type { LegPath, WireJoint } from '../loom/index.ts';

/** What can hurt somebody at a step, or others afterwards: said there, each once. */
export type CautionCode =
  | 'assumed'
  | 'sensor there'
  | 'orange cables'
  | 'raised'
  | 'arch'
  | 'height'
  | 'brittle'
  | 'sharp edges'
  | 'hot parts'
  | 'moving parts'
  | 'brakes'
  | 'fuel'
  | 'steering'
  | 'check after'
  | 'dead first'
  | 'joint heat'
  | 'drilling'
  | 'solvent'
  | 'sealant'
  | 'adhesive'
  | 'eyes'
  | 'hot lamp'
  | 'engine'
  | 'roof lamp'
  | 'not on the road';

const once = (codes: readonly (CautionCode | false | undefined)[]): CautionCode[] => [...new Set(codes.filter((code): code is CautionCode => Boolean(code)))];

/** Beams that blind from near, and make their lamp hot. */
const GLARING: readonly string[] = ['front fog', 'dipped', 'driving', 'work'];

const asksHigh = (asks: readonly SupplyAsk[] | undefined) => (asks ?? []).some(({ supply }) => supply === 'high');

/** What a piece is beside, or is itself. */
function besideOf({ beside = [] }: Pick<Piece, 'beside'>): CautionCode[] {
  return once([
    beside.includes('sharp edge') && 'sharp edges',
    beside.includes('hot part') && 'hot parts',
    beside.includes('moving part') && 'moving parts',
    beside.includes('brakes') && 'brakes',
    beside.includes('fuel') && 'fuel',
    beside.includes('steering') && 'steering',
  ]);
}

/** Where a piece is worked at: below the vehicle, in an arch behind a wheel, above the head. */
function placeOf({ zone, beside = [] }: Pick<Piece, 'zone' | 'beside'>, positions: readonly Position[] = []): CautionCode[] {
  const stands = (kind: string) => positions.some((position) => position.kind === kind);
  return once([(zone === 'underneath' || stands('raised')) && 'raised', (stands('wheels') || beside.includes('wheel')) && 'arch', zone === 'roof' && 'height']);
}

/** Whether a piece bares or touches the high-voltage side of its vehicle: it asks for it dead, isolates it, or lies below, where its battery and cables are. */
function nearHigh({ highVoltage, supplies }: JobContext['profile'], piece: Piece, to?: Level): boolean {
  if (!highVoltage) return false;
  const levels = piece.levels.filter(({ level }) => to === undefined || level === to);
  const asks = levels.some((level) => asksHigh(level.asks) || (level.deadWhileOpen ?? []).includes('high') || level.ways.some((way) => asksHigh(way.asks)));
  return asks || piece.zone === 'underneath' || supplies.some(({ piece: isolating }) => isolating === piece.id);
}

/** What can hurt where a piece is opened to a level. */
export function openingCautions({ profile }: Pick<JobContext, 'profile'>, id: string, to: Level, wayId?: string): CautionCode[] {
  const piece = profile.pieces.find((entry) => entry.id === id);
  if (!piece) return [];
  const way = piece.levels.find(({ level }) => level === to)?.ways.find((entry) => entry.id === wayId);
  return once([
    piece.assumed !== undefined && 'assumed',
    piece.assumed !== undefined && piece.sensorAssumed && 'sensor there',
    nearHigh(profile, piece, to) && 'orange cables',
    ...placeOf(piece, positionsOf(way)),
    ...besideOf(piece),
    piece.brittle && 'brittle',
  ]);
}

/** What can hurt where a piece goes back, and what is looked at then: nothing of brakes, fuel or steering may have been pulled or bent. */
export function closingCautions({ profile }: Pick<JobContext, 'profile'>, id: string, positions?: readonly Position[]): CautionCode[] {
  const piece = profile.pieces.find((entry) => entry.id === id);
  if (!piece) return [];
  const vital = (piece.beside ?? []).some((what) => what === 'brakes' || what === 'fuel' || what === 'steering');
  return once([
    nearHigh(profile, piece) && 'orange cables',
    ...placeOf(piece, positions),
    ...besideOf(piece).filter((code) => code === 'sharp edges' || code === 'hot parts'),
    vital && 'check after',
    piece.brittle && 'brittle',
  ]);
}

const usedIn = (uses: FitStep['uses'] = []): CautionCode[] =>
  once([uses.includes('solvent') && 'solvent', uses.includes('sealant') && 'sealant', uses.includes('adhesive') && 'adhesive', uses.includes('heat') && 'joint heat']);

/** What can hurt at a fitting step: what it does, what it uses, and what lies beside the place that was opened for it. */
export function stepCautions({ profile }: Pick<JobContext, 'profile'>, { fitment }: Pick<KitOnVehicle, 'fitment'>, step: FitStep): CautionCode[] {
  const opened = new Set(stepReach({ profile }, step).flatMap(({ needs }) => needs.map(({ piece }) => piece)));
  const pieces = profile.pieces.filter(({ id }) => opened.has(id));
  const below = pieces.some(({ zone }) => zone === 'underneath');
  const mounts = (fitment?.mounts ?? []).flatMap(({ mount }) => profile.mounts.find(({ id }) => id === mount) ?? []);
  const high = mounts.length > 0 && mounts.every(({ at }) => at.zMm > profile.measures.heightMm * ROOF_SHARE) && pieces.some(({ zone }) => zone === 'roof');
  const wired = (step.asks ?? []).length > 0 || (step.lays ?? []).length > 0;
  return once([
    profile.highVoltage && wired && 'orange cables',
    (step.asks ?? []).some(({ is }) => is === 'dead') && 'dead first',
    step.irreversible && 'drilling',
    ...usedIn(step.uses),
    below && 'raised',
    high && 'height',
    ...pieces.flatMap(besideOf),
  ]);
}

/** What can hurt at a joint: of a wire that is live, of heat where sleeves are shrunk, of a vehicle with a high-voltage side. */
export function jointCautions(
  { profile }: Pick<JobContext, 'profile'>,
  { tapped, plugless, led, connection, circuits }: Pick<WireJoint, 'tapped' | 'plugless' | 'led' | 'connection' | 'circuits'>,
): CautionCode[] {
  const byWire = tapped || plugless || led.length > 0;
  const fromBattery = circuits.some(({ batteryToFuseMm }) => batteryToFuseMm !== undefined);
  const dead = byWire || fromBattery || (connection.asks ?? []).some(({ is }) => is === 'dead');
  return once([profile.highVoltage && 'orange cables', dead && 'dead first', (plugless || led.length > 0) && 'joint heat']);
}

/** What can hurt where a leg is laid. */
export function legCautions({ path }: { path?: Pick<LegPath, 'along'> }): CautionCode[] {
  const has = (hazard: 'edge' | 'heat' | 'movement') => path?.along.some(({ hazards }) => (hazards[hazard] ?? 0) > 0);
  return once([has('edge') && 'sharp edges', has('heat') && 'hot parts', has('movement') && 'moving parts', path?.along.some(({ drill }) => drill) && 'drilling']);
}

/** What can hurt while a test runs and after it: light into eyes, a lamp that was on, an engine that has to run. */
export function testCautions({ kit }: Pick<KitOnVehicle, 'kit'>, { lamps, state }: Pick<KitTest, 'lamps' | 'state'>): CautionCode[] {
  const glaring = kit.lamps.some(({ id, optics }) => lamps.includes(id) && GLARING.includes(optics.beam));
  return once([glaring && 'eyes', glaring && 'hot lamp', onWith(state).includes('engine') && 'engine']);
}

/** What can hurt while a lamp is aimed. */
export const aimCautions = (): CautionCode[] => ['eyes', 'hot lamp'];

/** What can hurt at a task of the bench. */
export const benchCautions = ({ uses }: Pick<BenchTask, 'uses'>): CautionCode[] => usedIn(uses);

/** What can hurt where something of a dropped kit comes out again. */
export function outCautions(context: Pick<JobContext, 'profile'>, { step, asks }: Pick<TakeOut, 'step' | 'asks'>): CautionCode[] {
  const dead = asks.some(({ is }) => is === 'dead');
  return once([
    ...(step ? stepCautions(context, {}, step).filter((code) => code !== 'drilling') : []),
    context.profile.highVoltage && dead && 'orange cables',
    dead && 'dead first',
  ]);
}

/** What can hurt while all that the kits light is tried once more, and what whoever drives then has to know. */
export function closedCautions(context: JobContext): CautionCode[] {
  const kits = [...kitsOnVehicle(context), ...kitsFittedBefore(context)];
  return once([...kits.flatMap((onVehicle) => testsOf(onVehicle).flatMap((test) => testCautions(onVehicle, test))), ...leavingCautions(context, kits)]);
}

/** Of the height of a vehicle: a lamp that sits above it is on its roof. */
const ROOF_SHARE = 0.95;

/** What whoever drives the vehicle has to know before it leaves. */
export function leavingCautions({ profile }: Pick<JobContext, 'profile'>, kits: readonly KitOnVehicle[]): CautionCode[] {
  const lamps = kits.flatMap(({ kit, fitment }) =>
    (fitment?.mounts ?? []).flatMap(({ lamp, mount }) => {
      const own = kit.lamps.find(({ id }) => id === lamp);
      const at = profile.mounts.find(({ id }) => id === mount)?.at;
      return own && at ? [{ beam: own.optics.beam, zMm: at.zMm }] : [];
    }),
  );
  return once([
    lamps.some(({ beam, zMm }) => GLARING.includes(beam) && zMm > profile.measures.heightMm * ROOF_SHARE) && 'roof lamp',
    lamps.some(({ beam }) => beam === 'work') && 'not on the road',
  ]);
}
