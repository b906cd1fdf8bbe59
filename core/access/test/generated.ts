import type { OpenLevel } from '../../vehicle/index.ts';
import type { AccessLevel, AccessPiece, AccessProblem, AccessWay } from '../index.ts';

/** A small generator of numbers that gives the same series for the same seed (a linear congruence after Numerical Recipes). */
export function numbers(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 4_294_967_296) * below);
  };
}

/**
 * A generated vehicle: pieces with one to three levels, each with up to three ways that need one to three other pieces, some of them
 * mutually dependent, some without needs; targets behind the last of them.
 */
export function generateVehicle(pieceCount: number, targetCount: number, seed: number): AccessProblem {
  const next = numbers(seed);
  const names: OpenLevel[] = ['loosened', 'folded', 'off'];
  const pieces: AccessPiece[] = [];
  for (let index = 0; index < pieceCount; index++) {
    const count = 1 + next(3);
    let open = 0;
    const levels = Array.from({ length: count }, (_, place): AccessLevel => {
      open += 20 + next(300);
      const ways = Array.from({ length: 1 + next(3) }, (_way, number): AccessWay => {
        const outer = index < pieceCount * 0.25 && number === 0;
        const needs = outer
          ? []
          : Array.from({ length: 1 + next(3) }, () => {
              const reach = next(4) === 0 ? pieceCount : Math.max(1, index);
              return { piece: `p${next(reach)}`, level: names[next(2)] ?? 'loosened' };
            }).filter((need) => need.piece !== `p${index}`);
        return { id: `w${number}`, needs, extra: next(5) === 0 ? next(200) : 0, irreversible: false };
      });
      return { level: names[3 - count + place] ?? 'off', open, close: Math.round(open * 1.1), breakage: next(3) === 0 ? next(40) : 0, ways };
    });
    for (let place = 1; place < levels.length; place++) {
      const [below, here] = [levels[place - 1], levels[place]];
      if (below && here) here.breakage = Math.max(here.breakage, below.breakage);
    }
    pieces.push({ id: `p${index}`, levels });
  }
  const targets = Array.from({ length: targetCount }, (_, index) => ({
    id: `t${index}`,
    ways: Array.from({ length: 1 + next(2) }, (_way, number) => ({
      id: `w${number}`,
      needs: Array.from({ length: 1 + next(2) }, () => ({ piece: `p${Math.floor(pieceCount * 0.6) + next(Math.ceil(pieceCount * 0.4))}`, level: 'loosened' as const })),
      extra: next(3) === 0 ? next(100) : 0,
      irreversible: false,
    })),
  }));
  return { pieces, targets, present: [], replaced: [] };
}

/**
 * A generated vehicle that is hard to plan: three or four ways to every level, each through two to four other pieces anywhere on the
 * vehicle, so that most pieces rest on each other in both directions, and staged needs, where a piece has to be eased before what it is
 * taken off through. One piece in six opens by itself. Twelve pieces are replaced.
 */
export function tangled(pieceCount: number, seed: number): AccessProblem {
  const next = numbers(seed * 7919 + 13);
  const free = (index: number) => index % 6 === 0;
  const pieces = Array.from({ length: pieceCount }, (_, index): AccessPiece => {
    let open = 0;
    const levels = (['loosened', 'off'] as const).map((level, stage): AccessLevel => {
      open += 30 + next(250);
      const ways = Array.from({ length: 3 + next(2) }, (_way, number): AccessWay => {
        const needs = Array.from({ length: 2 + next(3) }, () => ({ piece: `p${next(pieceCount)}`, level: next(3) === 0 ? ('off' as const) : ('loosened' as const) }));
        return {
          id: `w${number}`,
          needs: free(index) && number === 0 ? [] : needs.filter((need) => need.piece !== `p${index}`),
          extra: next(4) === 0 ? next(150) : 0,
          irreversible: false,
        };
      });
      return { level, open, close: Math.round(open * (1 + stage * 0.2)), breakage: 0, ways };
    });
    return { id: `p${index}`, levels };
  });
  const targets = Array.from({ length: 5 }, (_, index) => ({
    id: `t${index}`,
    ways: Array.from({ length: 3 }, (_way, number) => ({
      id: `w${number}`,
      needs: Array.from({ length: 3 }, () => ({ piece: `p${next(pieceCount)}`, level: 'off' as const })),
      extra: 0,
      irreversible: false,
    })),
  }));
  const replaced = Array.from({ length: 12 }, () => `p${next(pieceCount)}`);
  return { pieces, targets, present: [], replaced: [...new Set(replaced)] };
}
