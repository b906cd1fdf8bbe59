import type { Fault } from '../faults/index.ts';
import { definitionOf, isEventType, knownTo, type Definition, type JobEvent, type PinnedDocuments, type Told } from '../events/index.ts';
import { NOTHING_DESCRIBED, withDescribed, withKitDescribed, type DescribedHere, type FoundPlug, type KitDescribedHere } from '../overlay/index.ts';
import type { Piece } from '../vehicle/index.ts';

/** Faults of an event, with the path it has, as in `events[2]`. */
export type IdCheck = (event: JobEvent, path: string) => Fault[];

/**
 * Holds events, in the order they happened, against the documents that their job pins: a fact, value, option, item, task, lamp, joint,
 * step, test, pin, sensor, supply, piece, fastener, way or rule that they do not have. An accessory that was found counts as a piece
 * from then on, and what was described as an entry of the profile. Whether an event fits what happened before it is not asked here.
 * @param found ids of accessories and plugs that were found before, and what was described
 */
export function idCheck(
  pinned: PinnedDocuments,
  found: { accessories?: Iterable<string>; plugs?: Iterable<FoundPlug>; described?: DescribedHere; kitsDescribed?: Readonly<Record<string, KitDescribedHere>> } = {},
): IdCheck {
  let told: Told = {
    accessories: new Set(found.accessories ?? []),
    plugs: new Map([...(found.plugs ?? [])].map((plug) => [plug.plug, plug])),
    described: found.described ?? NOTHING_DESCRIBED,
    kits: found.kitsDescribed ?? {},
  };
  const asDescribed = ({ described, kits }: Told) => {
    // A device that was away may have opened what another one found missing, and may still know a piece under the id of its own description.
    const known = withDescribed(pinned.profile, { ...described, without: [] });
    const again = <T extends { id: string }>(said: Readonly<Record<string, T>>, own: readonly T[]): T[] => [
      ...own,
      ...Object.values(said).filter(({ id }) => described.same[id] !== undefined && !own.some((entry) => entry.id === id)),
    ];
    // It may as well count what holds a piece as the profile has it, while another one found it held otherwise; and what it opened went by the way that was
    // described here, whatever the profile has learned of it since.
    const asBefore = (piece: Piece): Piece => {
      const before = described.held[piece.id] ? (pinned.profile.pieces.find(({ id }) => id === piece.id)?.fasteners ?? []) : [];
      const levels = piece.levels.map((level) => {
        const own = described.pieces[piece.id]?.levels.find((entry) => entry.level === level.level)?.ways ?? [];
        return { ...level, ways: [...level.ways, ...own.filter(({ id }) => !level.ways.some((way) => way.id === id))] };
      });
      return { ...piece, levels, fasteners: [...piece.fasteners, ...before.filter(({ id }) => !piece.fasteners.some((group) => group.id === id))] };
    };
    const profile = {
      ...known,
      pieces: again(described.pieces, known.pieces.map(asBefore)),
      mounts: again(described.mounts, known.mounts),
      sensors: again(described.sensors, known.sensors),
      gaps: again(described.gaps, known.gaps),
      plugs: again(described.plugs, known.plugs),
    };
    return { ...pinned, profile, kits: pinned.kits.map((kit) => withKitDescribed(kit, kits[kit.slug], profile)) };
  };
  let documents = asDescribed(told);
  return (event, path) => {
    if (!isEventType(event.type)) return [];
    const { names, tells, ofFitted } = definitionOf(event.type) as Definition<never>;
    // What an earlier job fitted is tried, aimed and held again.
    const kits = ofFitted ? [...documents.kits, ...(pinned.fitted ?? [])] : documents.kits;
    const faults = names(event.payload as never, knownTo({ ...documents, kits }, told, path));
    if (faults.length > 0 || !tells) return faults;
    const before = told;
    told = tells(told, event.payload as never);
    if (told.described !== before.described || told.kits !== before.kits) documents = asDescribed(told);
    return [];
  };
}
