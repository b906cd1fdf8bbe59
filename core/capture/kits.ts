import { withKitDescribed, type DescribedHere, type KitDescribedHere, type WIRING_LISTS } from '../overlay/index.ts';
import type { Fitment, Kit } from '../kit/index.ts';
import type { Revived } from './revived.ts';
import type { KindNote, VehicleProfile } from '../vehicle/index.ts';

/** What one job described of its kind of vehicle, and of the kits that it fitted. */
export interface JobDescribed {
  job: string;
  described: DescribedHere;
  /** What was noted on it, each with the day. */
  notes?: readonly KindNote[];
  kits?: Readonly<Record<string, KitDescribedHere>>;
  /** What bringing supplies back took on it. */
  revived?: readonly Revived[];
}

/** A kit with what jobs of a kind of vehicle described of it: its next version as they have it. */
export interface KitProposed {
  kit: Kit;
  jobs: string[];
  /** Places, pieces, plugs and circuits of the vehicle that it names there. */
  names: { mounts: string[]; pieces: string[]; plugs: string[]; circuits: string[] };
  /** How many of each it has more than before. */
  more: { lamps: number; contents: number; fitSteps: number; connections: number; tests: number };
}

/** What was described of a kit with places, plugs and pieces by the ids that they are kept under. */
function placed(described: KitDescribedHere, places: ReadonlyMap<string, string>, pieces: ReadonlyMap<string, string>): KitDescribedHere {
  const to = (place: string) => places.get(place) ?? place;
  const piece = (id: string) => pieces.get(id) ?? id;
  return {
    ...described,
    mounts: Object.fromEntries(Object.entries(described.mounts).map(([key, entry]) => [key, { ...entry, mount: to(entry.mount) }])),
    fitSteps: Object.fromEntries(
      Object.entries(described.fitSteps).map(([key, step]) => [
        key,
        { ...step, ...(step.at === undefined ? {} : { at: to(step.at) }), ...(step.inPlaceOf ? { inPlaceOf: step.inPlaceOf.map(piece) } : {}) },
      ]),
    ),
    connections: Object.fromEntries(Object.entries(described.connections).map(([key, entry]) => [key, { ...entry, vehiclePlug: to(entry.vehiclePlug) }])),
    replaces: described.replaces.map(piece),
  };
}

/** How it is fitted belongs together: the steps of two jobs are not mixed. */
const NO_FITMENT: Pick<KitDescribedHere, 'mounts' | 'fitSteps' | 'tests' | 'replaces'> = { mounts: {}, fitSteps: {}, tests: {}, replaces: [] };
/** How it is wired belongs together as well. */
const NO_WIRING: Pick<KitDescribedHere, (typeof WIRING_LISTS)[number]> = { plugs: {}, relays: {}, feeds: {}, legs: {}, connections: {} };

/** The job whose fitting, or wiring, is kept: one that said that it is all, else the one with the most entries; the first of two alike. None where none was written down. */
function mostOf(told: readonly { job: string; described: KitDescribedHere }[], list: 'fitSteps' | 'connections'): string | undefined {
  const isAll = ({ whole }: KitDescribedHere) => whole.includes(list);
  const count = (described: KitDescribedHere) => Object.keys(described[list]).length;
  const [best] = told
    .filter(({ described }) => count(described) > 0)
    .sort((a, b) => Number(isAll(b.described)) - Number(isAll(a.described)) || count(b.described) - count(a.described));
  return best?.job;
}

/** What of a vehicle the fitment of a kit names. */
function namedBy(kit: Kit, fitment: Fitment | undefined): KitProposed['names'] {
  const { mounts = [], fitSteps = [], connections = [], replaces = [] } = fitment ?? {};
  const own = new Set(kit.feeds.map(({ id }) => id));
  const fed = connections.flatMap(({ feed, trigger }) => [feed.circuit, ...(trigger ? [trigger.circuit] : [])]);
  return {
    mounts: [...new Set([...mounts.map(({ mount }) => mount), ...fitSteps.flatMap(({ at }) => at ?? [])])],
    pieces: [...replaces],
    plugs: [...new Set(connections.map(({ vehiclePlug }) => vehiclePlug))],
    circuits: [...new Set(fed)].filter((id) => !own.has(id)),
  };
}

/**
 * Kits as jobs of a kind of vehicle described them: what they hold by all of those jobs, how they are fitted by one of them, how they are wired by one. A kit that has all of it
 * already is none of them.
 * @param kept the ids under which places, plugs and pieces of the vehicle are kept
 */
export function kitsProposed(
  told: readonly JobDescribed[],
  profile: VehicleProfile,
  kits: readonly Kit[],
  kept: { places: ReadonlyMap<string, string>; pieces: ReadonlyMap<string, string> },
): KitProposed[] {
  return kits.flatMap((before): KitProposed[] => {
    const own = told.flatMap(({ job, kits: by }) => {
      const described = by?.[before.slug];
      return described ? [{ job, described: placed(described, kept.places, kept.pieces) }] : [];
    });
    const had = before.fitments.find(({ vehicle }) => vehicle === profile.slug);
    // What is described as a whole is corrected by hand.
    const keptOf = (list: 'fitSteps' | 'connections') => (had === undefined || (had.undescribed ?? []).includes(list) ? mostOf(own, list) : undefined);
    const [fitting, wiring] = [keptOf('fitSteps'), keptOf('connections')];
    const kit = own.reduce((now, { job, described }) => {
      const [isFitting, isWiring] = [job === fitting, job === wiring];
      const whole = described.whole.filter((list) => list === 'lamps' || list === 'contents' || (list === 'connections' ? isWiring : isFitting));
      return withKitDescribed(now, { ...described, ...(isFitting ? {} : NO_FITMENT), ...(isWiring ? {} : NO_WIRING), whole }, profile);
    }, before);
    const has = kit.fitments.find(({ vehicle }) => vehicle === profile.slug);
    const count = (list: 'fitSteps' | 'connections' | 'tests', fitment: Fitment | undefined) => fitment?.[list].length ?? 0;
    const more = {
      lamps: kit.lamps.length - before.lamps.length,
      contents: kit.contents.length - before.contents.length,
      fitSteps: count('fitSteps', has) - count('fitSteps', had),
      connections: count('connections', has) - count('connections', had),
      tests: count('tests', has) - count('tests', had),
    };
    const lists = (one: Kit, fitment: Fitment | undefined) => JSON.stringify([one.undescribed ?? [], fitment?.undescribed ?? []]);
    if (Object.values(more).every((number) => number === 0) && lists(kit, has) === lists(before, had)) return [];
    return [{ kit, jobs: own.map(({ job }) => job), names: namedBy(kit, has), more }];
  });
}
