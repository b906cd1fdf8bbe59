import { duplicateIds, unknownId, type Fault } from '../faults/index.ts';
import type { CableWays } from './profile.ts';

/** Faults of the ways for cable: ids twice, ends that are no place, plugs, mounts or pieces that the vehicle does not have. */
export function checkCableWays({ places, segments }: CableWays, known: { plugs: ReadonlySet<string>; mounts: ReadonlySet<string>; pieces: ReadonlySet<string> }): Fault[] {
  const ids = new Set(places.map(({ id }) => id));
  return [
    ...duplicateIds(places, 'cableWays.places'),
    ...duplicateIds(segments, 'cableWays.segments'),
    ...places.flatMap(({ plugs = [], mounts = [] }, index) => [
      ...plugs.flatMap((id, at) => unknownId(id, known.plugs, `cableWays.places[${index}].plugs[${at}]`, 'vehicle plug')),
      ...mounts.flatMap((id, at) => unknownId(id, known.mounts, `cableWays.places[${index}].mounts[${at}]`, 'mount position')),
    ]),
    ...segments.flatMap(({ from, to, needs }, index) => [
      ...unknownId(from, ids, `cableWays.segments[${index}].from`, 'place'),
      ...unknownId(to, ids, `cableWays.segments[${index}].to`, 'place'),
      ...needs.flatMap(({ piece }, at) => unknownId(piece, known.pieces, `cableWays.segments[${index}].needs[${at}].piece`, 'piece')),
    ]),
  ];
}
