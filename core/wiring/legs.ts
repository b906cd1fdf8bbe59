/** A leg of the harness for each lamp, and what is left over or missing. */
export interface LegUse {
  lamp: string;
  leg: string;
  neededMm: number;
  lengthMm: number;
  /** Positive is to be stowed, negative to be extended. */
  surplusMm: number;
}

/**
 * Assigns harness legs to lamps so that the total extension is least, ties by the least surplus. Exact by trying every
 * assignment; up to eight lamps. Needed length = path + slack at both ends + lift-out loop, given by the caller.
 */
export function assignLegs(needs: readonly { lamp: string; neededMm: number }[], legs: readonly { id: string; lengthMm: number }[]): LegUse[] {
  let best: LegUse[] = [];
  let least = Infinity;
  const place = (index: number, used: LegUse[], extension: number, surplus: number) => {
    const score = extension * 1e6 + surplus;
    if (score >= least) return;
    const need = needs[index];
    if (!need) {
      least = score;
      best = used;
      return;
    }
    for (const leg of legs) {
      if (used.some((use) => use.leg === leg.id)) continue;
      const surplusMm = leg.lengthMm - need.neededMm;
      const use = { lamp: need.lamp, leg: leg.id, neededMm: need.neededMm, lengthMm: leg.lengthMm, surplusMm };
      place(index + 1, [...used, use], extension + Math.max(0, -surplusMm), surplus + Math.max(0, surplusMm));
    }
  };
  place(0, [], 0, 0);
  return best;
}
