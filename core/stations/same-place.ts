import { LONGEST_TEXT, type Happened } from '../events/index.ts';
import type { JobContext } from '../job/index.ts';
import type { PlaceList } from '../overlay/index.ts';
import { pieceKey, type PointMm, type Sensor, type Side, type VehicleProfile } from '../vehicle/index.ts';
import { refused, tooLong, unless, type Act } from './act.ts';
import { question, type Asked } from './hold.ts';

/** So near each other two devices can have tapped one place. */
const NEAR_MM = 150;
/** Of these a piece carries several as a rule. */
const SEVERAL: readonly Sensor['kind'][] = ['parking', 'washer'];

/** A place, sensor, gap or plug by what it is called. */
export interface NamedPlace {
  id: string;
  name: string;
  side: Side;
}

/** One that was described, and one that was described or known before it and looks like the same. */
export interface PlaceTwin {
  list: PlaceList;
  place: NamedPlace;
  is: NamedPlace;
  /** Both are called the same: two that are kept have to be told apart by name. */
  named: boolean;
  /** Plugs of two faces are two, whatever they are called. */
  canBeOne: boolean;
}

type Entry<L extends PlaceList> = VehicleProfile[L][number];

const near = (one: PointMm, other: PointMm): boolean => Math.hypot(one.xMm - other.xMm, one.yMm - other.yMm, one.zMm - other.zMm) <= NEAR_MM;

/** The side of a place; of a sensor that of the piece that carries it. */
const sideOf = ({ pieces }: Pick<VehicleProfile, 'pieces'>, entry: Entry<PlaceList>): Side =>
  'on' in entry ? (pieces.find(({ id }) => id === entry.on)?.side ?? 'centre') : entry.side;

/** Whether two plugs show one face: the same cavities, and no wire of which both say a colour that differs. */
function oneFace(one: Entry<'plugs'>, other: Entry<'plugs'>): boolean {
  if (one.rows !== other.rows || one.columns !== other.columns || one.pins.length !== other.pins.length) return false;
  return one.pins.every((pin) => {
    const twin = other.pins.find(({ row, column }) => row === pin.row && column === pin.column);
    const colours = new Set([pin.colour, twin?.colour].flatMap((colour) => colour?.trim().toLowerCase() || []));
    return twin !== undefined && colours.size < 2;
  });
}

/** Whether two of one side look alike, whatever they are called. */
const ALIKE: { [L in PlaceList]: (one: Entry<L>, other: Entry<L>) => boolean } = {
  mounts: (one, other) => near(one.at, other.at),
  gaps: (one, other) => near(one.at, other.at),
  sensors: (one, other) => one.on === other.on && one.kind === other.kind && !SEVERAL.includes(one.kind),
  plugs: oneFace,
};

/**
 * Places of one list that two devices described, each not knowing of the other, and that may be one: they are called the same on one side, or two devices found
 * what looks alike there. Those that somebody said are two are left out. A sensor is on the side of the piece that carries it.
 */
export function placeTwins<L extends PlaceList>(context: Pick<JobContext, 'profile' | 'state'>, list: L): PlaceTwin[] {
  const { profile, state } = context;
  const { apartPlaces } = state.described;
  const described: Readonly<Record<string, object>> = state.described[list];
  const order = Object.keys(state.describedOn);
  // In the order in which they were described, those of the profile before them.
  const entries: readonly Entry<L>[] = [...profile[list]].sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
  const isHere = (id: string) => described[id] !== undefined || (list === 'plugs' && state.plugsFound[id] !== undefined);
  const ofTwoDevices = (one: string, other: string) => {
    const [first, second] = [state.describedOn[one], state.describedOn[other]];
    return first && second && first !== second;
  };
  const named = (entry: Entry<L>): NamedPlace => ({ id: entry.id, name: entry.name, side: sideOf(profile, entry) });
  return entries.flatMap((entry, place): PlaceTwin[] => {
    if (!isHere(entry.id)) return [];
    const twin = entries.slice(0, place).flatMap((is): PlaceTwin[] => {
      if (sideOf(profile, is) !== sideOf(profile, entry) || apartPlaces.some((pair) => pair.place === entry.id && pair.from === is.id)) return [];
      const calledAlike = pieceKey(named(is)) === pieceKey(named(entry));
      const alike = ALIKE[list](is, entry);
      if (!calledAlike && !(alike && ofTwoDevices(is.id, entry.id))) return [];
      return [{ list, place: named(entry), is: named(is), named: calledAlike, canBeOne: list !== 'plugs' || alike }];
    })[0];
    return twin ? [twin] : [];
  });
}

/** What is asked of places that may be one. */
export const askedOfTwins = (context: Pick<JobContext, 'profile' | 'state'>, list: PlaceList): Asked[] =>
  placeTwins(context, list).map(({ place, is }) => question('place-twice', { place: place.name, is: is.name }));

const twinOf = (context: JobContext, list: PlaceList, id: string) => placeTwins(context, list).find(({ place }) => place.id === id);

/** Two descriptions are of one place: it stands as the first one says it, and what was done at the other was done there. */
export function areSame(context: JobContext, list: PlaceList, id: string): Act {
  const twin = twinOf(context, list, id);
  if (!twin) return refused({ code: 'unknown', what: 'place', id });
  if (!twin.canBeOne) return refused({ code: 'face-impossible', why: 'two faces' });
  return { events: [{ type: 'kind.described', payload: { samePlaces: [{ place: id, is: twin.is.id }] } }] };
}

const LONGEST: Readonly<Record<PlaceList, number>> = { mounts: LONGEST_TEXT.kitEntry, sensors: LONGEST_TEXT.accessory, gaps: LONGEST_TEXT.accessory, plugs: LONGEST_TEXT.plugName };

/**
 * Two descriptions are of two places.
 * @param name what the second one is called from now on, where both are called the same
 */
export function areTwo(context: JobContext, list: PlaceList, id: string, name = ''): Act {
  const twin = twinOf(context, list, id);
  if (!twin) return refused({ code: 'unknown', what: 'place', id });
  const apartPlaces = [{ place: id, from: twin.is.id }];
  if (!twin.named) return { events: [{ type: 'kind.described', payload: { apartPlaces } }] };
  const called = { ...twin.place, name: name.trim() };
  if (called.name === '') return refused({ code: 'missing', count: 1 });
  const { described, plugsFound } = context.state;
  const { profile } = context;
  const entries: readonly Entry<PlaceList>[] = profile[list];
  if (entries.some((entry) => pieceKey({ name: entry.name, side: sideOf(profile, entry) }) === pieceKey(called))) return refused({ code: 'name-taken', name: called.name });
  const own = described[list][id];
  const found = list === 'plugs' ? plugsFound[id] : undefined;
  return unless(tooLong(called.name, LONGEST[list]), (): Happened[] => [
    ...(found ? [{ type: 'plug.found' as const, payload: { ...found, name: called.name } }] : []),
    { type: 'kind.described', payload: { ...(own ? { [list]: [{ ...own, name: called.name }] } : {}), apartPlaces } },
  ]);
}
