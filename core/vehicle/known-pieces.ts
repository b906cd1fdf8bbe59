import type { FastenerGroup, Piece, Side, VehicleProfile, Zone } from './profile.ts';

/** One text for a piece of one name on one side: it is the same piece, whoever describes it. */
export const pieceKey = ({ name, side }: Pick<Piece, 'name' | 'side'>): string => `${name.trim().toLowerCase()}/${side}`;

/** How fasteners of one kind look, wherever they are. */
export type FastenerKind = Pick<FastenerGroup, 'drive' | 'size' | 'lengthMm' | 'release' | 'singleUse'>;

/** A piece as some kinds of vehicle have it: what it is called, where, and what holds it there. */
export interface KnownPiece {
  name: string;
  side: Side;
  zone: Zone;
  fasteners: FastenerKind[];
}

/** Fasteners that most vehicles have somewhere, as those who write down their first piece look for them. */
export const COMMON_FASTENERS: readonly FastenerKind[] = [
  { drive: 'cross-head', size: 'PH2', release: 'unscrew', singleUse: false },
  { drive: 'hex', size: '10 mm', release: 'unscrew', singleUse: false },
  { drive: 'six-lobe', size: 'T20', release: 'unscrew', singleUse: false },
  { drive: 'six-lobe', size: 'T25', release: 'unscrew', singleUse: false },
  { drive: 'six-lobe', size: 'T30', release: 'unscrew', singleUse: false },
  { drive: 'push-pin', size: '8 mm', release: 'push centre', singleUse: false },
  { drive: 'fir-tree clip', release: 'pull out', singleUse: false },
  { drive: 'hook', release: 'squeeze tabs', singleUse: false },
  { drive: 'plug lock', release: 'squeeze tabs', singleUse: false },
];

/** One text for fasteners that look the same. */
export const fastenerKey = ({ drive, size = '', lengthMm = 0, release, singleUse }: FastenerKind): string => [drive, size, lengthMm, release, singleUse].join('/');

/** Fasteners by how they look, each once, in the order in which they come. */
export function fastenerKinds(groups: readonly FastenerKind[]): FastenerKind[] {
  const kinds = new Map(
    groups.map(({ drive, size, lengthMm, release, singleUse }) => {
      const kind = { drive, ...(size === undefined ? {} : { size }), ...(lengthMm === undefined ? {} : { lengthMm }), release, singleUse };
      return [fastenerKey(kind), kind] as const;
    }),
  );
  return [...kinds.values()];
}

/** Pieces of all kinds of vehicle by name and side, those that most kinds have first: what one calls a piece that nobody has described. */
export function knownPieces(profiles: readonly Pick<VehicleProfile, 'pieces'>[]): KnownPiece[] {
  const found = new Map<string, { pieces: Piece[]; kinds: number }>();
  for (const { pieces } of profiles)
    for (const piece of pieces) {
      const name = pieceKey(piece);
      const before = found.get(name) ?? { pieces: [], kinds: 0 };
      found.set(name, { pieces: [...before.pieces, piece], kinds: before.kinds + 1 });
    }
  return [...found.values()]
    .sort((a, b) => b.kinds - a.kinds)
    .flatMap(({ pieces }) => {
      const [first] = pieces;
      return first ? [{ name: first.name, side: first.side, zone: first.zone, fasteners: fastenerKinds(pieces.flatMap(({ fasteners }) => fasteners)) }] : [];
    });
}
