import { levelRank } from './present.ts';
import type { LevelNeed, Supply, Way } from './profile.ts';

/** Whether needs hold what isolates a supply. */
const isolates = (needs: readonly LevelNeed[], { piece, level }: Supply): boolean => needs.some((need) => need.piece === piece && levelRank(need.level) >= levelRank(level));

/**
 * A way with the supplies that it was gone dead with: what isolates one is no need of it by itself, but that the supply is dead is, and whoever plans adds
 * the isolation. What is said so waits until it is dead, and is said where it is live again.
 */
export function askingDead<W extends Pick<Way, 'needs' | 'asks'>>(way: W, supplies: readonly Supply[]): W {
  const dead = supplies.filter((supply) => isolates(way.needs, supply));
  if (dead.length === 0) return way;
  const { asks = [] } = way;
  return {
    ...way,
    needs: way.needs.filter(({ piece }) => !dead.some((supply) => supply.piece === piece)),
    asks: [...asks, ...dead.filter(({ id }) => !asks.some(({ supply }) => supply === id)).map(({ id }) => ({ supply: id, is: 'dead' as const }))],
  };
}
