/** A leg of the harness for each lamp, and what is left over or missing. */
export interface LegUse {
  lamp: string;
  leg: string;
  neededMm: number;
  lengthMm: number;
  /** Positive is to be stowed, negative to be extended. */
  surplusMm: number;
}

/** Weight of a millimetre that is to be extended against one that is to be stowed. */
const EXTENSION = 1e6;

/**
 * Assigns harness legs to lamps so that the total extension is least, ties by the least surplus; none where there are fewer legs than lamps.
 * Needed length = path + slack at both ends + lift-out loop, given by the caller. Exact, by shortest augmenting paths.
 * Source: H. W. Kuhn, The Hungarian method for the assignment problem, 1955.
 */
export function assignLegs(needs: readonly { lamp: string; neededMm: number }[], legs: readonly { id: string; lengthMm: number }[]): LegUse[] {
  if (legs.length < needs.length) return [];
  const cost = needs.map((need) => legs.map((leg) => EXTENSION * Math.max(0, need.neededMm - leg.lengthMm) + Math.max(0, leg.lengthMm - need.neededMm)));
  const legFor = leastAssignment(cost, legs.length);
  return needs.flatMap(({ lamp, neededMm }, index) => {
    const leg = legs[legFor[index] ?? -1];
    return leg ? [{ lamp, leg: leg.id, neededMm, lengthMm: leg.lengthMm, surplusMm: leg.lengthMm - neededMm }] : [];
  });
}

/** For each row the column that it gets, so that the sum is least. Rows and columns are counted from one inside, zero stands for none. */
function leastAssignment(cost: readonly (readonly number[])[], columns: number): number[] {
  const rowPrice = new Array<number>(cost.length + 1).fill(0);
  const columnPrice = new Array<number>(columns + 1).fill(0);
  const rowOf = new Array<number>(columns + 1).fill(0);
  const cameFrom = new Array<number>(columns + 1).fill(0);
  for (let row = 1; row <= cost.length; row++) {
    rowOf[0] = row;
    let at = 0;
    const least = new Array<number>(columns + 1).fill(Infinity);
    const seen = new Array<boolean>(columns + 1).fill(false);
    do {
      seen[at] = true;
      const owner = rowOf[at] ?? 0;
      let step = Infinity;
      let next = 0;
      for (let column = 1; column <= columns; column++) {
        if (seen[column]) continue;
        const reduced = (cost[owner - 1]?.[column - 1] ?? Infinity) - (rowPrice[owner] ?? 0) - (columnPrice[column] ?? 0);
        if (reduced < (least[column] ?? Infinity)) {
          least[column] = reduced;
          cameFrom[column] = at;
        }
        if ((least[column] ?? Infinity) < step) {
          step = least[column] ?? Infinity;
          next = column;
        }
      }
      for (let column = 0; column <= columns; column++) {
        if (seen[column]) {
          const held = rowOf[column] ?? 0;
          rowPrice[held] = (rowPrice[held] ?? 0) + step;
          columnPrice[column] = (columnPrice[column] ?? 0) - step;
        } else least[column] = (least[column] ?? Infinity) - step;
      }
      at = next;
    } while (rowOf[at] !== 0);
    while (at !== 0) {
      const before = cameFrom[at] ?? 0;
      rowOf[at] = rowOf[before] ?? 0;
      at = before;
    }
  }
  const legFor = new Array<number>(cost.length).fill(-1);
  for (let column = 1; column <= columns; column++) {
    const row = rowOf[column] ?? 0;
    if (row > 0) legFor[row - 1] = column - 1;
  }
  return legFor;
}
