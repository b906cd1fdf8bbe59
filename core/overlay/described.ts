import { FITMENT_LISTS, KIT_LISTS, type Fitment, type FitmentList, type Kit, type KitList } from '../kit/index.ts';
import { withMeasures, withoutPieces, withTelling, type FastenerGroup, type Piece, type VehicleProfile } from '../vehicle/index.ts';
import { withFurther } from './joined.ts';
import { describedOnce } from './once.ts';
import type { DescribedHere, KindDescribed, KitDescribed, KitDescribedHere } from './here.ts';
import { records } from './records.ts';

/** Entries of a document, then those that were described besides; one that the document has itself stands as the document says it. */
const joined = <T>(own: readonly T[], described: Readonly<Record<string, T>>, idOf: (entry: T) => string): T[] => {
  const known = new Set(own.map(idOf));
  return [...own, ...Object.values(described).filter((entry) => !known.has(idOf(entry)))];
};
const byId = ({ id }: { id: string }) => id;
/** Where a lamp sits: one lamp can sit in several places, a light and its plug, say. */
const byPlace = ({ lamp, mount }: Fitment['mounts'][number]) => `${lamp}/${mount}`;

/** Entries by their id as each was said last. */
const further = <T>(known: Readonly<Record<string, T>>, entries: readonly T[], idOf: (entry: T) => string): Record<string, T> =>
  Object.assign(records<T>(), known, Object.fromEntries(entries.map((entry) => [idOf(entry), entry])));

/** Lists of a profile that are described while a vehicle is worked on. */
export const KIND_LISTS = ['pieces', 'functions', 'mounts', 'supplies', 'sensors', 'gaps', 'plugs', 'circuits', 'facts', 'refitRules'] as const;

/** Lists of a kit by which it is wired: its plugs and leads, what it lays from the battery, what meets what. */
export const WIRING_LISTS = ['plugs', 'relays', 'feeds', 'legs', 'connections'] as const;

export const NOTHING_DESCRIBED: DescribedHere = {
  pieces: {},
  functions: {},
  mounts: {},
  supplies: {},
  sensors: {},
  gaps: {},
  plugs: {},
  circuits: {},
  facts: {},
  refitRules: {},
  measures: {},
  without: [],
  held: {},
  same: {},
  apart: [],
  apartPlaces: [],
  whole: [],
};
const NOTHING_OF_KIT: KitDescribedHere = {
  lamps: {},
  contents: {},
  mounts: {},
  fitSteps: {},
  tests: {},
  plugs: {},
  relays: {},
  feeds: {},
  legs: {},
  connections: {},
  replaces: [],
  whole: [],
};

/** A piece as it is held, where that is other than was said before. */
export const heldAs = (piece: Piece, fasteners: readonly FastenerGroup[] | undefined): Piece => (fasteners ? { ...piece, fasteners: [...fasteners] } : piece);

/** Whether one thing is another, as far as that is said, itself or by what it is. */
const leadsTo = (same: Readonly<Record<string, string>>, from: string | undefined, to: string): boolean => from !== undefined && (from === to || leadsTo(same, same[from], to));

/** Which pieces and places are others, with one more: never in a ring, and said anew as it was said last. */
function andSame(same: Readonly<Record<string, string>>, { id, is }: { id: string; is: string }): Record<string, string> {
  return leadsTo(same, is, id) ? same : Object.assign(records<string>(), same, { [id]: is });
}

/** What was described, and what is described now: an entry that is said anew stands as it was said last. */
export function describedFurther(before: DescribedHere, said: KindDescribed): DescribedHere {
  const { pieces = [], functions = [], mounts = [], supplies = [], sensors = [], gaps = [], plugs = [], circuits = [], facts = [], refitRules = [], without = [] } = said;
  const { measures = {}, held = [], same = [], apart = [], samePlaces = [], apartPlaces = [], whole = [] } = said;
  return {
    // Of two who took a piece further each knows one of its levels.
    pieces: further(
      before.pieces,
      pieces.map((piece) => withFurther(piece, before.pieces[piece.id])),
      byId,
    ),
    functions: further(before.functions, functions, byId),
    mounts: further(before.mounts, mounts, byId),
    supplies: further(before.supplies, supplies, byId),
    sensors: further(before.sensors, sensors, byId),
    gaps: further(before.gaps, gaps, byId),
    plugs: further(before.plugs, plugs, byId),
    circuits: further(before.circuits, circuits, byId),
    facts: further(before.facts, facts, byId),
    refitRules: further(before.refitRules, refitRules, byId),
    measures: { ...before.measures, ...measures },
    without: [...new Set([...before.without, ...without])],
    held: Object.assign(records<FastenerGroup[]>(), before.held, Object.fromEntries(held.map(({ piece, fasteners }) => [piece, fasteners]))),
    same: [...same.map(({ piece, is }) => ({ id: piece, is })), ...samePlaces.map(({ place, is }) => ({ id: place, is }))].reduce(andSame, before.same),
    apart: [...before.apart, ...apart],
    apartPlaces: [...before.apartPlaces, ...apartPlaces],
    whole: [...new Set([...before.whole, ...whole])],
  };
}

/** What was described of a kit, and what is described now. */
export function kitDescribedFurther(before: KitDescribedHere = NOTHING_OF_KIT, said: KitDescribed): KitDescribedHere {
  const { lamps = [], contents = [], mounts = [], fitSteps = [], tests = [], plugs = [], relays = [], feeds = [], legs = [], connections = [], replaces = [], whole = [] } = said;
  return {
    lamps: further(before.lamps, lamps, byId),
    contents: further(before.contents, contents, byId),
    mounts: further(before.mounts, mounts, byPlace),
    fitSteps: further(before.fitSteps, fitSteps, byId),
    tests: further(before.tests, tests, byId),
    plugs: further(before.plugs, plugs, byId),
    relays: further(before.relays, relays, byId),
    feeds: further(before.feeds, feeds, byId),
    legs: further(before.legs, legs, byId),
    connections: further(before.connections, connections, byId),
    replaces: [...new Set([...before.replaces, ...replaces])],
    whole: [...new Set([...before.whole, ...whole])],
  };
}

/** Whether a job described nothing. */
export const describedNothing = (described: DescribedHere): boolean =>
  KIND_LISTS.every((list) => Object.keys(described[list]).length === 0) &&
  described.without.length + described.whole.length + Object.keys(described.measures).length + Object.keys(described.held).length === 0;

/** What is left of lists that nobody has described as a whole; nothing at all where none is left. */
export function leftOpen<T extends string>(before: readonly T[] | undefined, whole: readonly string[]): { undescribed?: T[] } {
  const undescribed = (before ?? []).filter((list) => !whole.includes(list));
  return undescribed.length > 0 ? { undescribed } : {};
}

/**
 * A profile with what a job described besides: pieces, lamps, mount positions, supplies, sensors, gaps, plugs and circuits that nobody had described, what
 * tells its vehicles apart, without pieces that it does not have, and without the lists of which it has nothing beyond. A profile that has learned an entry since says it itself.
 */
export function withDescribed(profile: VehicleProfile, told: DescribedHere): VehicleProfile {
  if (describedNothing(told)) return profile;
  const described = describedOnce(told);
  const { undescribed, ...rest } = profile;
  const held = {
    ...rest,
    pieces: joined(profile.pieces, described.pieces, byId).map((piece) => withFurther(heldAs(piece, described.held[piece.id]), described.pieces[piece.id])),
    functions: joined(profile.functions, described.functions, byId),
    mounts: joined(profile.mounts, described.mounts, byId),
    supplies: joined(profile.supplies, described.supplies, byId),
    sensors: joined(profile.sensors, described.sensors, byId),
    gaps: joined(profile.gaps, described.gaps, byId),
    plugs: joined(profile.plugs, described.plugs, byId),
    circuits: joined(profile.circuits, described.circuits, byId),
    refitRules: joined(profile.refitRules, described.refitRules, byId),
    ...leftOpen(undescribed, described.whole),
  };
  return withMeasures(withoutPieces(withTelling(held, Object.values(described.facts)), described.without), described.measures);
}

const isFitmentList = (list: KitList | FitmentList): list is FitmentList => FITMENT_LISTS.some((own) => own === list);

/** How a kit sits on a kind of vehicle of which nobody has described anything yet. */
export const fitmentUnknown = ({ slug, years }: Pick<VehicleProfile, 'slug' | 'years'>): Fitment => ({
  vehicle: slug,
  years,
  mounts: [],
  connections: [],
  replaces: [],
  losesFunctions: [],
  fitSteps: [],
  tests: [],
  undescribed: [...FITMENT_LISTS],
});

/** How a kit sits on a kind of vehicle, with what a job described of it; undefined where nobody has described anything of it. */
function fitmentDescribed(own: Fitment | undefined, described: KitDescribedHere, profile: Pick<VehicleProfile, 'slug' | 'years'>): Fitment | undefined {
  const said =
    [described.mounts, described.fitSteps, described.tests, described.connections].some((entries) => Object.keys(entries).length > 0) ||
    described.replaces.length > 0 ||
    described.whole.some(isFitmentList);
  if (!said) return own;
  const { undescribed, ...before } = own ?? fitmentUnknown(profile);
  return {
    ...before,
    mounts: joined(before.mounts, described.mounts, byPlace),
    fitSteps: joined(before.fitSteps, described.fitSteps, byId),
    tests: joined(before.tests, described.tests, byId),
    connections: joined(before.connections, described.connections, byId),
    replaces: [...new Set([...before.replaces, ...described.replaces])],
    ...leftOpen(undescribed, described.whole),
  };
}

/** A kit with what a job described besides, of what it holds and of how it sits on this kind of vehicle. A kit that has learned an entry since says it itself. */
export function withKitDescribed(kit: Kit, described: KitDescribedHere | undefined, profile: Pick<VehicleProfile, 'slug' | 'years'>): Kit {
  if (!described) return kit;
  const { undescribed, fitments, ...rest } = kit;
  const own = fitments.find(({ vehicle }) => vehicle === profile.slug);
  const fitment = fitmentDescribed(own, described, profile);
  return {
    ...rest,
    lamps: joined(kit.lamps, described.lamps, byId),
    contents: joined(kit.contents, described.contents, byId),
    plugs: joined(kit.plugs, described.plugs, byId),
    relays: joined(kit.relays, described.relays, byId),
    feeds: joined(kit.feeds, described.feeds, byId),
    legs: joined(kit.legs, described.legs, byId),
    fitments: [...fitments.filter((entry) => entry !== own), ...(fitment ? [fitment] : [])],
    ...leftOpen(
      undescribed,
      described.whole.filter((list) => KIT_LISTS.some((known) => known === list)),
    ),
  };
}
