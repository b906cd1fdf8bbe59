import { kitsOnVehicle, kitsUndescribed, type JobContext } from '../../job/index.ts';
import { LONGEST_TEXT, type Happened } from '../../events/index.ts';
import { PASSES, testsCommon, type Fitment, type FitmentList, type FitStep, type KitTest } from '../../kit/index.ts';
import { key } from '../../subject/index.ts';
import type { MountPosition, Piece, PointMm, Side } from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, type Act, type Refusal } from '../act.ts';
import { doubtsOfMinutes, wayNow } from '../open-up/index.ts';

/** What of a kit on this kind of vehicle is written down at Fit. */
const HERE: readonly FitmentList[] = ['mounts', 'fitSteps', 'tests'];

const openKit = (context: JobContext, slug: string) =>
  kitsUndescribed(context, 'fitSteps').includes(slug) ? kitsOnVehicle(context).find(({ kit }) => kit.slug === slug) : undefined;

/** Kits of which nobody has described how they are fitted: each step is written down as it is done. */
export const kitsToDescribe = (context: JobContext) => kitsOnVehicle(context).filter(({ kit }) => openKit(context, kit.slug) !== undefined);

/** A place of the vehicle at which a step of fitting was done: one that is known, or one that was pointed at. */
export type FittedAt = { id: string } | { id: string; name: string; at?: PointMm };

/** A step of fitting that was done and that nobody had described. */
export interface StepDone {
  name: string;
  side?: Side;
  /** Lamps that it sets in their place. */
  lamps: readonly string[];
  place?: FittedAt;
  tool: string;
  /** How tight, as its paper says; snug until somebody says so. */
  tighten: string;
  minutes: number;
  /** Whether there are fasteners that were started, aligned and tightened, or it was done in one go; nothing while nobody has said it. */
  bolted?: boolean;
  /** Pieces of the vehicle, off now, that its part takes the place of: they do not go back. */
  inPlaceOf?: readonly string[];
  /** Where it cannot be undone: who of the customer's side agreed. */
  agreedBy?: string;
}

/** Snug until somebody says how tight: that breaks nothing. */
const SNUG = 'snug';

const isNew = (place: FittedAt): place is Extract<FittedAt, { name: string }> => 'name' in place;

/** A place where hands are now: what is open leads to it, and may hide it again. */
function mountOf(context: JobContext, { id, name, at }: { id: string; name: string; at: PointMm }, side: Side): MountPosition {
  const way = wayNow(context);
  return { id, name: name.trim(), side, at, reach: [way], hiddenBy: way.needs };
}

function faultsOf({ name, side, place, tool, tighten, minutes, bolted, agreedBy }: StepDone, irreversible: boolean): Refusal[] {
  const missing = [
    name.trim() === '',
    side === undefined,
    place === undefined || (isNew(place) && (place.name.trim() === '' || place.at === undefined)),
    tool.trim() === '',
    !(minutes > 0),
    bolted === undefined,
    irreversible && !agreedBy?.trim(),
  ].filter(Boolean).length;
  return [
    ...(missing > 0 ? [{ code: 'missing' as const, count: missing }] : []),
    ...tooLong(name, LONGEST_TEXT.fitStep),
    ...tooLong(place && isNew(place) ? place.name : '', LONGEST_TEXT.kitEntry),
    ...tooLong(tool, LONGEST_TEXT.tool),
    ...tooLong(tighten, LONGEST_TEXT.fitStep),
    ...tooLong(agreedBy, LONGEST_TEXT.consent),
  ];
}

/** Pieces that are off and that a part of a kit can have taken the place of: what isolates a supply goes back. */
export const placesTaken = ({ state, profile }: Pick<JobContext, 'state' | 'profile'>): Piece[] =>
  profile.pieces.filter(
    ({ id, levels }) => state.pieces[id] === 'off' && levels.some(({ level }) => level === 'off') && !profile.supplies.some(({ piece }) => piece === id) && !state.accessories[id],
  );

/**
 * A step of fitting that was done and that nobody had described: described, with the place at which hands were and what was open then, and passed.
 * @param id for good: of its name and four letters drawn by the device
 * @param irreversible it cut or drilled what does not grow back
 * @param sure said where its minutes made one wonder
 */
export function stepFitted(context: JobContext, slug: string, done: StepDone, id: string, irreversible = false, sure = false): Act {
  const onVehicle = openKit(context, slug);
  const { place, side = 'centre', inPlaceOf = [] } = done;
  if (!onVehicle) return refused({ code: 'already' });
  const odd = done.lamps.find((lamp) => !onVehicle.kit.lamps.some((own) => own.id === lamp));
  if (odd !== undefined) return refused({ code: 'unknown', what: 'lamp', id: odd });
  const kept = inPlaceOf.find((piece) => !placesTaken(context).some(({ id: other }) => other === piece));
  if (kept !== undefined) return refused({ code: 'unknown', what: 'piece', id: kept });
  const faults = faultsOf(done, irreversible);
  if (faults.length > 0 || !place) return refused(...faults);
  if (onVehicle.fitment?.fitSteps.some((step) => step.id === id)) return refused({ code: 'already' });
  const known = context.profile.mounts.some((mount) => mount.id === place.id);
  if (!known && !(isNew(place) && place.at)) return refused({ code: 'unknown', what: 'mount position', id: place.id });
  const step: FitStep = {
    id,
    name: done.name.trim(),
    side,
    needs: [],
    at: place.id,
    passes: done.bolted ? [...PASSES] : ['start'],
    minutes: done.minutes,
    tool: done.tool.trim(),
    tighten: done.tighten.trim() || SNUG,
    ...(inPlaceOf.length > 0 ? { inPlaceOf: [...inPlaceOf] } : {}),
    ...(irreversible ? { irreversible } : {}),
  };
  const mounts: Fitment['mounts'] = done.lamps.map((lamp) => ({ lamp, mount: place.id }));
  const events: Happened[] = [
    ...(!known && isNew(place) && place.at ? [{ type: 'kind.described' as const, payload: { mounts: [mountOf(context, { ...place, at: place.at }, side)] } }] : []),
    { type: 'kit.described', payload: { kit: slug, ...(mounts.length > 0 ? { mounts } : {}), ...(inPlaceOf.length > 0 ? { replaces: [...inPlaceOf] } : {}), fitSteps: [step] } },
    ...(irreversible && done.agreedBy ? [{ type: 'consent.given' as const, payload: { about: key({ kind: 'fit', kit: slug, step: id }), by: done.agreedBy.trim() } }] : []),
    ...step.passes.map((pass) => ({ type: 'step.passed' as const, payload: { kit: slug, step: id, pass } })),
  ];
  const doubts = sure ? [] : doubtsOfMinutes(done.minutes);
  return doubts.length > 0 ? refused({ code: 'doubtful', doubts }) : { events };
}

/** Tests of a kit as another kind of vehicle has them, without what is of that vehicle alone. */
const elsewhere = ({ after: _after, when: _when, ...test }: KitTest): KitTest => test;

/** Tests that prove the lamps of a kit and that nobody has taken for this kind of vehicle: those that it has on another one, or those of its kind. */
export function testsOffered(context: JobContext, slug: string): KitTest[] {
  const onVehicle = openKit(context, slug);
  if (!onVehicle) return [];
  const { kit, fitment } = onVehicle;
  const taken = fitment?.tests ?? [];
  const other = kit.fitments.find(({ vehicle, tests }) => vehicle !== context.profile.slug && tests.length > 0);
  if (other) return other.tests.filter(({ id }) => !taken.some((test) => test.id === id)).map(elsewhere);
  return testsCommon(kit, taken);
}

/** Tests taken: they are tried as any. */
export function takeTests(context: JobContext, slug: string, ids: readonly string[]): Act {
  const tests = testsOffered(context, slug).filter(({ id }) => ids.includes(id));
  return tests.length === 0 ? refused({ code: 'nothing' }) : happened({ type: 'kit.described', payload: { kit: slug, tests } });
}

/** All of a kit is fitted, as somebody says who did it: each of its lamps in a place, and with tests that prove them where some are known. */
export function allFitted(context: JobContext, slug: string): Act {
  const onVehicle = openKit(context, slug);
  if (!onVehicle) return refused({ code: 'already' });
  const { kit, fitment } = onVehicle;
  if (!fitment || fitment.fitSteps.length === 0) return refused({ code: 'nothing' });
  const unplaced = kit.lamps.filter(({ id }) => !fitment.mounts.some(({ lamp }) => lamp === id)).map(({ id }) => id);
  const untested = fitment.tests.length === 0 && testsOffered(context, slug).length > 0;
  const refusals: Refusal[] = [
    ...((kit.undescribed ?? []).includes('lamps') ? [{ code: 'lamps-first' as const, kit: slug }] : []),
    ...(unplaced.length > 0 ? [{ code: 'place-first' as const, kit: slug, lamps: unplaced }] : []),
    ...(untested ? [{ code: 'tests-first' as const, kit: slug }] : []),
  ];
  return unless(refusals, () => [{ type: 'kit.described', payload: { kit: slug, whole: HERE.filter((list) => (fitment.undescribed ?? []).includes(list)) } }]);
}
