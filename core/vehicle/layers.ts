import { levelRank } from './present.ts';
import type { Piece, Way } from './profile.ts';

/** How far a piece can be opened at all, and in which round it gets there. */
interface Reached {
  /** Rank of the furthest level that can be reached. */
  rank: number;
  /** Round in which it got there, counted from 1; 0 where it never moves. */
  round: number;
}

/**
 * Opens all that can be opened, round by round: in each what nothing stands before any more after the rounds before it. Conditions of a vehicle are left
 * aside: every need counts. What no round reaches stays as it is.
 */
export function openInRounds(pieces: readonly Piece[]): Map<string, Reached> {
  const reached = new Map(pieces.map((piece): [string, Reached] => [piece.id, { rank: 0, round: 0 }]));
  for (let [round, grew] = [1, true]; grew; round += 1) {
    grew = false;
    const before = new Map([...reached].map(([id, { rank }]) => [id, rank]));
    for (const piece of pieces) {
      // Its own lower levels count in the same round: a piece does not lie behind itself.
      let own = reached.get(piece.id)?.rank ?? 0;
      const rankOf = (id: string) => (id === piece.id ? own : (before.get(id) ?? 0));
      const holds = (way: Way) => way.needs.every((need) => rankOf(need.piece) >= levelRank(need.level));
      for (const { level, ways } of piece.levels) {
        if (levelRank(level) <= own || !ways.some(holds)) continue;
        own = levelRank(level);
        reached.set(piece.id, { rank: own, round });
        grew = true;
      }
    }
  }
  return reached;
}

/**
 * How far inside each piece lies, counted from outside: 1 where it can be opened as far as it goes with nothing open before it, else one more than the
 * layer of the last that has to be open first, by the way of fewest layers. What can never be opened so far lies behind all others.
 */
export function layersOf(pieces: readonly Piece[]): Map<string, number> {
  const reached = openInRounds(pieces);
  const deepest = Math.max(0, ...[...reached.values()].map(({ round }) => round));
  return new Map(
    pieces.map(({ id, levels }) => {
      const furthest = Math.max(0, ...levels.map(({ level }) => levelRank(level)));
      const { rank = 0, round = 0 } = reached.get(id) ?? {};
      return [id, rank < furthest ? deepest + 1 : Math.max(1, round)];
    }),
  );
}
