import { withKitDescribed, type DescribedHere, type KitDescribedHere } from '../job/index.ts';
import type { Fitment, Kit } from '../kit/index.ts';
import type { KindNote, VehicleProfile } from '../vehicle/index.ts';

/** What one job described of its kind of vehicle, and of the kits that it fitted. */
export interface JobDescribed {
  job: string;
  described: DescribedHere;
  /** What was noted on it, each with the day. */
  notes?: readonly KindNote[];
  kits?: Readonly<Record<string, KitDescribedHere>>;
}

/** A kit with what jobs of a kind of vehicle described of it: its next version as they have it. */
export interface KitProposed {
  kit: Kit;
  jobs: string[];
  /** Places and pieces of the vehicle that it names there. */
  places: string[];
  pieces: string[];
  /** How many of each it has more than before. */
  more: { lamps: number; contents: number; fitSteps: number; tests: number };
}

/** What was described of a kit with places and pieces by the ids that they are kept under. */
function placed(described: KitDescribedHere, places: ReadonlyMap<string, string>, pieces: ReadonlyMap<string, string>): KitDescribedHere {
  const to = (mount: string) => places.get(mount) ?? mount;
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
    replaces: described.replaces.map(piece),
  };
}

/** How it is fitted belongs together: the steps of two jobs are not mixed. */
const NO_FITMENT: Pick<KitDescribedHere, 'mounts' | 'fitSteps' | 'tests' | 'replaces'> = { mounts: {}, fitSteps: {}, tests: {}, replaces: [] };
const isAll = ({ whole }: KitDescribedHere) => whole.includes('fitSteps');
const stepsOf = ({ fitSteps }: KitDescribedHere) => Object.keys(fitSteps).length;

/** The job whose fitting is kept: one that said that it is all, else the one with the most steps; the first of two alike. None where no step was written down. */
function fittingOf(told: readonly { job: string; described: KitDescribedHere }[]): string | undefined {
  const [best] = told
    .filter(({ described }) => stepsOf(described) > 0)
    .sort((a, b) => Number(isAll(b.described)) - Number(isAll(a.described)) || stepsOf(b.described) - stepsOf(a.described));
  return best?.job;
}

/**
 * Kits as jobs of a kind of vehicle described them: what they hold by all of those jobs, how they are fitted by one of them. A kit that has all of it
 * already is none of them.
 * @param kept the ids under which places and pieces of the vehicle are kept
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
    // A fitting that is described as a whole is corrected by hand.
    const open = had === undefined || (had.undescribed ?? []).includes('fitSteps');
    const fitting = open ? fittingOf(own) : undefined;
    const kit = own.reduce((now, { job, described }) => {
      const isFitting = job === fitting;
      const whole = described.whole.filter((list) => isFitting || list === 'lamps' || list === 'contents');
      return withKitDescribed(now, { ...described, ...(isFitting ? {} : NO_FITMENT), whole }, profile);
    }, before);
    const has = kit.fitments.find(({ vehicle }) => vehicle === profile.slug);
    const count = (list: 'fitSteps' | 'tests', fitment: Fitment | undefined) => fitment?.[list].length ?? 0;
    const more = {
      lamps: kit.lamps.length - before.lamps.length,
      contents: kit.contents.length - before.contents.length,
      fitSteps: count('fitSteps', has) - count('fitSteps', had),
      tests: count('tests', has) - count('tests', had),
    };
    const lists = (one: Kit, fitment: Fitment | undefined) => JSON.stringify([one.undescribed ?? [], fitment?.undescribed ?? []]);
    if (Object.values(more).every((number) => number === 0) && lists(kit, has) === lists(before, had)) return [];
    const named = [...(has?.mounts ?? []).map(({ mount }) => mount), ...(has?.fitSteps ?? []).flatMap(({ at }) => at ?? [])];
    return [{ kit, jobs: own.map(({ job }) => job), places: [...new Set(named)], pieces: has?.replaces ?? [], more }];
  });
}
