import { unknownId, type Fault } from '../faults/index.ts';
import { testsThatFollow, type Fitment, type Kit } from '../kit/index.ts';
import type { DescribedHere, FoundPlug, KitDescribedHere } from '../overlay/index.ts';
import { circuitId, madeCircuitId } from '../wiring/index.ts';
import type { PinnedDocuments } from './documents.ts';

/** What was told on a job so far that entries may name besides what its documents have. */
export interface Told {
  accessories: ReadonlySet<string>;
  /** Plugs that were found, by id. */
  plugs: ReadonlyMap<string, FoundPlug>;
  described: DescribedHere;
  kits: Readonly<Record<string, KitDescribedHere>>;
}

type Named = readonly { id: string }[];

/** What an entry is held against: the documents as they hold for this vehicle, what was found on it, and how a fault is said. */
export interface Known extends PinnedDocuments {
  found: ReadonlyMap<string, FoundPlug>;
  accessories: ReadonlySet<string>;
  /** The path of the payload, and of a field of it. */
  payloadAt: string;
  at: (field: string) => string;
  /** The fault of an id that a list does not have. */
  among: (items: Named | undefined, id: string, field: string, what: string) => Fault[];
  kitOf: (slug: string) => Kit | undefined;
  /** How a kit sits on this vehicle. */
  fitmentOf: (slug: string) => Fitment | undefined;
  /** Tests of a kit on this vehicle, with those that follow from what it does. */
  testsOf: (slug: string) => Named;
  /** Faults of a kit, and of what is named of it. */
  inKit: <P extends { kit: string }>(payload: P, lists?: { [F in Exclude<keyof P, 'kit'>]?: Named | undefined }) => Fault[];
  /** Circuits of the vehicle, those that a kit lays, and those that the shop may lay to a contact of a kit. */
  circuits: () => Named;
  /** A plug of the vehicle, also one that was found on it. */
  pinsOf: (plug: string) => Named | undefined;
  atPin: (plug: string, pin: string) => Fault[];
  inProfile: (piece: string) => Fault[];
  atLevel: (piece: string, level: string) => Fault[];
  atGroup: (piece: string, group: string) => Fault[];
  /** Faults of a way: of a mount position, or of a level of a piece. */
  atWay: (named: { place: string; level?: string; way?: string }) => Fault[];
  inCableWays: (path: readonly string[]) => Fault[];
}

/**
 * What an entry is held against.
 * @param path that the entry has, as in `events[2]`
 */
export function knownTo(documents: PinnedDocuments, { accessories, plugs: found }: Pick<Told, 'accessories' | 'plugs'>, path: string): Known {
  const { profile, kits } = documents;
  const at = (field: string) => `${path}.payload.${field}`;
  const among: Known['among'] = (items, id, field, what) => unknownId(id, new Set((items ?? []).map((item) => item.id)), at(field), what);
  const kitOf = (slug: string) => kits.find((kit) => kit.slug === slug);
  const fitmentOf = (slug: string) => kitOf(slug)?.fitments.find((fitment) => fitment.vehicle === profile.slug);
  const pinsOf = (plug: string): Named | undefined => (profile.plugs.find((entry) => entry.id === plug) ?? found.get(plug))?.pins;
  const inProfile = (piece: string) => (accessories.has(piece) ? [] : among(profile.pieces, piece, 'piece', 'piece'));
  const pieceOf = (piece: string) => profile.pieces.find(({ id }) => id === piece);
  return {
    ...documents,
    found,
    accessories,
    payloadAt: `${path}.payload`,
    at,
    among,
    kitOf,
    fitmentOf,
    testsOf: (slug) => {
      const [kit, fitment] = [kitOf(slug), fitmentOf(slug)];
      return kit && fitment ? [...fitment.tests, ...testsThatFollow(kit, profile, { ...fitment, tests: [] })] : [];
    },
    inKit: (payload, lists = {}) => {
      if (!kitOf(payload.kit)) return [{ path: at('kit'), code: 'unknown-id', data: { id: payload.kit, what: 'kit' } }];
      const fields: Record<string, unknown> = payload;
      return Object.entries<Named | undefined>(lists).flatMap(([field, items]) => among(items, String(fields[field] ?? ''), field, field));
    },
    circuits: () => [
      ...profile.circuits,
      ...kits.flatMap((kit) => kit.feeds.map(({ id }) => ({ id: circuitId(kit, id) }))),
      ...kits.flatMap((kit) =>
        (fitmentOf(kit.slug)?.connections ?? []).flatMap(({ id, kitPlug }) =>
          (kit.plugs.find((plug) => plug.id === kitPlug)?.pins ?? []).map((pin) => ({ id: madeCircuitId(kit.slug, id, pin.id) })),
        ),
      ),
    ],
    pinsOf,
    atPin: (plug, pin) => {
      const pins = pinsOf(plug);
      return pins ? among(pins, pin, 'pin', 'pin') : among([], plug, 'plug', 'plug');
    },
    inProfile,
    atLevel: (piece, level) => {
      const levels = pieceOf(piece)?.levels.map((entry) => ({ id: entry.level }));
      return levels ? among(levels, level, 'level', 'level') : inProfile(piece);
    },
    atGroup: (piece, group) => {
      const known = pieceOf(piece);
      return known ? among(known.fasteners, group, 'group', 'fastener group') : inProfile(piece);
    },
    atWay: ({ place, level, way }) => {
      const mount = profile.mounts.find((entry) => entry.id === place);
      const piece = pieceOf(place);
      if (!mount && !piece) return accessories.has(place) ? [] : [{ path: at('place'), code: 'unknown-id', data: { id: place, what: 'place' } }];
      const ways = mount ? mount.reach : (piece?.levels ?? []).filter((entry) => entry.level === level).flatMap((entry) => entry.ways);
      return way === undefined ? [] : among(ways, way, 'way', 'way');
    },
    inCableWays: (along) => along.flatMap((segment, place) => among(profile.cableWays?.segments, segment, `path[${place}]`, 'segment')),
  };
}
