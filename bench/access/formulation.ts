import { levelRank, type AccessLevel, type AccessPiece, type AccessProblem, type AccessWay } from '@jade/core/access';

/** One stop of a piece at a level, with what it costs beyond the stop below it. */
interface Stop {
  name: string;
  rank: number;
  delta: number;
  ways: AccessWay[];
}

function finalCost(level: AccessLevel | undefined, replaced: boolean): number {
  if (!level) return 0;
  return level.open + (replaced && level.level === 'off' ? 0 : level.close) + level.breakage;
}

function stopsOf(piece: AccessPiece, place: number, replaced: boolean): Stop[] {
  return piece.levels.map((level, index) => ({
    name: `p${place}l${index}`,
    rank: levelRank(level.level),
    delta: finalCost(level, replaced) - finalCost(piece.levels[index - 1], replaced),
    ways: level.ways,
  }));
}

/**
 * For every stop the names of those that can rest on it while it rests on them: its strongly connected component. Only within one can
 * anything rest on itself, so only there is an order to be kept, and its size is all that the order variables need to span.
 */
function loops(stops: ReadonlyMap<string, Stop[]>): Map<string, Set<string>> {
  const rests = new Map<string, string[]>();
  for (const list of stops.values()) {
    for (const stop of list) {
      const needs = stop.ways.flatMap((way) => way.needs);
      rests.set(
        stop.name,
        needs.flatMap((need) => (stops.get(need.piece) ?? []).filter((other) => other.rank >= levelRank(need.level)).map((other) => other.name)),
      );
    }
  }
  const below = (from: string): Set<string> => {
    const found = new Set<string>();
    const open = [...(rests.get(from) ?? [])];
    for (let name = open.pop(); name !== undefined; name = open.pop()) {
      if (found.has(name)) continue;
      found.add(name);
      open.push(...(rests.get(name) ?? []));
    }
    return found;
  };
  const reached = new Map([...rests.keys()].map((name) => [name, below(name)]));
  return new Map([...reached].map(([name, set]) => [name, new Set([...set].filter((other) => reached.get(other)?.has(name)))]));
}

/**
 * The way in as a straight mixed-integer programme in LP text: a binary for every stop, way and support, an order variable for every
 * stop that lies in a loop so that nothing rests on itself. For pieces fitted at the start whose costs rise with the level; costs in hundredths.
 */
export function formulate(problem: AccessProblem): string {
  const stops = new Map(problem.pieces.map((piece, place) => [piece.id, stopsOf(piece, place, problem.replaced.includes(piece.id))]));
  const loop = loops(stops);
  const cost: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const orders: string[] = [];
  const term = (coefficient: number, name: string) => coefficient !== 0 && cost.push(`${coefficient} ${name}`);
  const support = (way: AccessWay, user: string, order: string | undefined) => {
    way.needs.forEach((need, index) => {
      const providers = (stops.get(need.piece) ?? []).filter((stop) => stop.rank >= levelRank(need.level));
      const shares = providers.map((provider, place) => {
        const share = `s_${user}_${index}_${place}`;
        binaries.push(share);
        rows.push(`${share} - r_${provider.name} <= 0`);
        const among = order === undefined ? undefined : loop.get(order);
        if (among?.has(provider.name)) rows.push(`t_${order} - t_${provider.name} - ${among.size} ${share} >= ${1 - among.size}`);
        return share;
      });
      rows.push(shares.length > 0 ? `${shares.join(' + ')} - ${user} >= 0` : `${user} <= 0`);
    });
  };
  for (const [piece, list] of stops) {
    list.forEach((stop, index) => {
      binaries.push(`r_${stop.name}`, `q_${stop.name}`);
      const among = loop.get(stop.name)?.size ?? 0;
      if (among > 0) orders.push(`0 <= t_${stop.name} <= ${among - 1}`);
      term(stop.delta, `q_${stop.name}`);
      for (const higher of list.slice(index)) rows.push(`q_${stop.name} - r_${higher.name} >= 0`);
      const uses = stop.ways.map((way, place) => {
        const use = `x_${stop.name}_${place}`;
        binaries.push(use);
        term(way.extra, use);
        support(way, use, stop.name);
        return use;
      });
      rows.push(uses.length > 0 ? `r_${stop.name} - ${uses.join(' - ')} <= 0` : `r_${stop.name} <= 0`);
    });
    if (problem.replaced.includes(piece) && list.length > 0) rows.push(`r_${list.at(-1)?.name ?? ''} >= 1`);
  }
  problem.targets.forEach((target, index) => {
    const uses = target.ways.map((way, place) => {
      const use = `y_${index}_${place}`;
      binaries.push(use);
      term(way.extra, use);
      support(way, use, undefined);
      return use;
    });
    rows.push(`${uses.join(' + ')} >= 1`);
  });
  const objective = cost.length > 0 ? cost.join(' + ').replaceAll('+ -', '- ') : `0 ${binaries[0] ?? 'x'}`;
  return [
    'Minimize',
    ` obj: ${objective}`,
    'Subject To',
    ...rows.map((row, index) => ` c${index}: ${row}`),
    'Bounds',
    ...orders.map((line) => ` ${line}`),
    'Binary',
    ...binaries.map((name) => ` ${name}`),
    'End',
    '',
  ].join('\n');
}
