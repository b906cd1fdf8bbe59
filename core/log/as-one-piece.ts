import { levelRank, type Level } from '../vehicle/index.ts';
import { FASTENERS, type GroupCount, type LoggedEvent } from '../events/index.ts';
import { joinedOf, keptAs, type DescribedHere } from '../overlay/index.ts';

/** A value with every id in it as it is kept, also within texts like `grille-a1/off`; what people wrote is left as it is. */
function renamedIn(value: unknown, to: (id: string) => string): unknown {
  if (typeof value === 'string') return value.includes(' ') ? value : value.replace(/[a-z0-9-]+/g, to);
  if (Array.isArray(value)) return value.map((entry) => renamedIn(entry, to));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, entry]) => [name, renamedIn(entry, to)]));
}

const isOfFasteners = (event: LoggedEvent): event is LoggedEvent<keyof typeof FASTENERS> => Object.hasOwn(FASTENERS, event.type);

/**
 * Reads the entries of a log as of the pieces that they are of, where two devices described one: one that says what the other one has said already, or of
 * fasteners that the first description does not have, is passed over. To be read in the order of the log; what is described is given back as it was said.
 * @param described all that the log describes
 */
export function asOnePiece({ same, pieces }: Pick<DescribedHere, 'same' | 'pieces'>): (event: LoggedEvent) => LoggedEvent | undefined {
  if (Object.keys(same).length === 0) return (event) => event;
  const to = (id: string) => keptAs(same, id);
  const shared = new Set(Object.keys(same).flatMap((piece) => [piece, to(piece)]));
  const { pieces: joined, groups } = joinedOf({ same, pieces });
  const said = new Map<string, Level>();
  const open = new Map<string, Level>();
  /** How far each was opened, under whichever id; and under each of them. */
  const reached = new Map<string, Level>();
  const reachedBy = new Map<string, Level>();
  const rankIn = (levels: ReadonlyMap<string, Level>, piece: string) => levelRank(levels.get(piece) ?? 'fitted');
  const reach = (levels: Map<string, Level>, piece: string, level: Level) => {
    if (levelRank(level) > rankIn(levels, piece)) levels.set(piece, level);
  };
  /** Whether a move says more than what is known of the piece, by whoever knew it under this id. */
  const isNews = (piece: string, level: Level): boolean => {
    const [own, rank] = [to(piece), levelRank(level)];
    const opens = rank > rankIn(said, piece);
    // Who opens it anew opens it; who opens it for the first time may only be the second to say so, also where it has gone back by now.
    const further = rank > rankIn(rankIn(reachedBy, piece) >= rank ? open : reached, own);
    const news = opens ? further : rank < rankIn(open, own);
    said.set(piece, level);
    if (news) open.set(own, level);
    reach(reached, own, level);
    reach(reachedBy, piece, level);
    return news;
  };
  const groupOf = (piece: string, group: string) => (groups.has(piece) ? groups.get(piece)?.to.get(group) : group);
  const out = new Map<string, number>();
  /**
   * Fasteners of a move as they are kept. What both saw come out the first one counted; of what goes back there is no more than what is out, however many the
   * other one took it for.
   */
  const counted = (piece: string, fasteners: readonly GroupCount[], opens: boolean): GroupCount[] =>
    fasteners.flatMap(({ group, count }) => {
      const own = groupOf(piece, group);
      const other = groups.get(piece);
      const key = `${to(piece)}/${own}`;
      const seenByBoth = other && !other.own.has(group);
      if (own === undefined || (opens && seenByBoth && out.has(key))) return [];
      const left = out.get(key) ?? 0;
      const first = joined[to(piece)]?.fasteners.find(({ id }) => id === own)?.count ?? count;
      const told = opens ? (seenByBoth ? first : count) : other ? Math.max(0, Math.min(count, left)) : count;
      out.set(key, opens ? left + told : left - told);
      return [{ group: own, count: told }];
    });
  return (event) => {
    if (event.type === 'kind.described') return event;
    // The face stands as it was found first.
    if (event.type === 'plug.found' && same[event.payload.plug] !== undefined) return undefined;
    const of = 'piece' in event.payload && shared.has(event.payload.piece) ? event.payload.piece : undefined;
    const renamed = { ...event, payload: renamedIn(event.payload, to) } as LoggedEvent;
    if (of === undefined) return renamed;
    if (event.type === 'piece.moved' || event.type === 'piece.found') {
      const before = rankIn(open, to(of));
      if (!isNews(of, event.payload.level)) return undefined;
      const opens = levelRank(event.payload.level) > before;
      return renamed.type === 'piece.moved' ? { ...renamed, payload: { ...renamed.payload, fasteners: counted(of, renamed.payload.fasteners, opens) } } : renamed;
    }
    if (!isOfFasteners(renamed)) return renamed;
    const group = groupOf(of, renamed.payload.group);
    const broken = `${to(of)}/${group}`;
    if (renamed.type === 'fastener.broken') out.set(broken, (out.get(broken) ?? 0) - renamed.payload.count);
    return group === undefined ? undefined : ({ ...renamed, payload: { ...renamed.payload, group } } as LoggedEvent);
  };
}
