import { describedOnce, withDescribed, withKitDescribed } from '../overlay/index.ts';
import { factValues, type LoggedEvent } from '../events/index.ts';
import { foldJob, readOnce, standingEvents } from '../log/index.ts';
import { goneBefore, jobContext, type JobDocuments } from '../job/index.ts';
import { stepTimes } from '../plan/index.ts';
import {
  absentPieces,
  levelRank,
  positionsIn,
  positionsOf,
  standingIn,
  type Level,
  type LevelNeed,
  type OpenLevel,
  type PieceLevel,
  type Position,
  type Stand,
  standAfter,
} from '../vehicle/index.ts';
import { inOrder, mayFollow, orderSaid, ordersOf, type ClockSkews, type Timed } from './order.ts';
import type { CloseUpAnswer, HeldThen, OpenThen, SeenClosing, SeenJob, SeenMove, SeenTarget, TriedMove } from './seen.ts';

/** Two moves of two devices of which the clocks do not say which came first. */
export interface UnorderedMoves {
  one: string;
  other: string;
}

/** An entry by which a piece is opened further, or goes back; `place` is its place in the order of time. */
interface Turn extends Omit<Timed, 'event'> {
  event: string;
  piece: string;
  from: Level;
  level: Level;
  opens: boolean;
  /** It was so when the vehicle came: nobody opened it here. */
  came?: boolean;
}

/** Every turn of a piece of the profile; what an owner added to this one vehicle is none of its kind. */
function turnsOf(entries: readonly Timed[], kind: ReadonlySet<string>): Turn[] {
  const levels = new Map<string, Level>();
  return entries.flatMap(({ event, ...timed }): Turn[] => {
    if ((event.type !== 'piece.moved' && event.type !== 'piece.found') || !kind.has(event.payload.piece)) return [];
    const { piece, level } = event.payload;
    const from = levels.get(piece) ?? 'fitted';
    const came = event.type === 'piece.found';
    if (came && levelRank(level) <= levelRank(from)) return [];
    levels.set(piece, level);
    return [{ ...timed, event: event.id, piece, from, level, opens: levelRank(level) > levelRank(from), ...(came ? { came } : {}) }];
  });
}

/** Plugs and mount positions at which an entry is the first work: those of a joint, and that of a fitting step, or those of its side where it says none. */
function workedAt({ kits, profile }: JobDocuments, { event }: Timed): string[] {
  if (event.type !== 'plug.joined' && event.type !== 'step.passed') return [];
  const fitment = kits.find(({ slug }) => slug === event.payload.kit)?.fitments.find(({ vehicle }) => vehicle === profile.slug);
  if (event.type === 'plug.joined') return (fitment?.connections ?? []).filter(({ id }) => id === event.payload.connection).map(({ vehiclePlug }) => vehiclePlug);
  const step = fitment?.fitSteps.find(({ id }) => id === event.payload.step);
  if (step?.at !== undefined) return [step.at];
  const side = step?.side;
  const used = new Set((fitment?.mounts ?? []).map(({ mount }) => mount));
  return profile.mounts.filter((mount) => used.has(mount.id) && mount.side === side).map(({ id }) => id);
}

/**
 * What the log of one job shows of its kind of vehicle: each move with what was open before it, the first work at each place, what did not come, what was
 * said of it. Where two devices moved something within a minute of each other, and nobody has said which came first, each counts as open for the other:
 * more open never hinders, so no set becomes too small by it.
 * @param pinned the documents that the job pins, the profile whole
 * @param skews what is to be added to the time of each device, in milliseconds, as `clockSkews` has it; without them all clocks count as right
 */
export function seenJob(job: string, pinned: JobDocuments, log: readonly LoggedEvent[], skews?: ClockSkews): { seen: SeenJob; unordered: UnorderedMoves[] } {
  const state = foldJob(log);
  const profile = withDescribed(pinned.profile, state.described);
  const documents = { ...pinned, profile, kits: pinned.kits.map((kit) => withKitDescribed(kit, state.kitsDescribed[kit.slug], profile)) };
  const minutes = new Map(stepTimes(jobContext(state, documents), log).map(({ event, minutes: taken }) => [event, taken]));
  const standing = standingEvents(log);
  const once = readOnce(standing);
  // By time: whatever two devices opened as one was open from when the first of them did.
  const entries = inOrder(standing, skews).flatMap((entry) => {
    const event = once(entry.event);
    return event ? [{ ...entry, event }] : [];
  });
  const { pieces } = describedOnce(state.described);
  const said = ordersOf(entries.map(({ event }) => event));
  const kind = new Set(profile.pieces.map(({ id }) => id));
  const turns = turnsOf(entries, kind);
  const opened = new Set(Object.keys(state.reached));
  // What an earlier job put something else in the place of is not there either.
  const gone = goneBefore(documents).replaced.filter((piece) => !opened.has(piece));
  const lacked = [...new Set([...absentPieces(profile, factValues(state), opened), ...gone])].map((piece): LevelNeed => ({ piece, level: 'off' }));
  const broken = new Set(entries.flatMap(({ event }) => (event.type === 'fastener.broken' ? [event.payload.piece] : [])));

  const openAt = (at: Omit<Timed, 'event'> & { event: string; piece?: string }): OpenThen => {
    const open = new Map<string, Level>();
    for (const turn of turns) {
      if (turn.event === at.event) continue;
      // What was so when it came was so all along, whenever somebody wrote it down.
      if (turn.came && turn.piece !== at.piece) {
        open.set(turn.piece, turn.level);
        continue;
      }
      const order = turn.piece === at.piece ? (turn.place < at.place ? 'before' : 'after') : orderSaid(turn, at, said);
      // Of two that nobody has put in order what opens counts, and what closes does not.
      if (order === 'before' || (order === 'unknown' && turn.opens)) open.set(turn.piece, turn.level);
    }
    return [...lacked, ...[...open].flatMap(([piece, level]): LevelNeed[] => (level === 'fitted' ? [] : [{ piece, level }]))];
  };

  const unordered = turns.flatMap((turn) =>
    turns.flatMap((other): UnorderedMoves[] => {
      const asked = turn.opens && other.opens && !turn.came && !other.came && other.place < turn.place && other.piece !== turn.piece && orderSaid(other, turn, said) === 'unknown';
      return asked ? [{ one: other.event, other: turn.event }] : [];
    }),
  );
  const moves: SeenMove[] = [];
  const closings: SeenClosing[] = [];
  for (const turn of turns) {
    const { event, piece, from, level, opens } = turn;
    if (turn.came) continue;
    const people = profile.pieces.find(({ id }) => id === piece)?.levels.find((entry) => entry.level === (opens ? level : from))?.people ?? 1;
    // What opening a piece took that was described in this job stands in its description; of one that was only assumed the clock says it.
    const own = pieces[piece]?.assumed === undefined ? pieces[piece] : undefined;
    const at = (open: Level) => (opens ? own?.levels.find((entry) => entry.level === open) : undefined);
    const described = at(level);
    const lower = at(from);
    const taken = (described && described.openMin - (lower ? (lower.openMin * lower.people) / described.people : 0)) || minutes.get(event);
    const personMin = taken === undefined ? {} : { personMin: taken * people };
    if (opens)
      moves.push({
        event,
        piece,
        from,
        level: level as OpenLevel,
        open: openAt(turn),
        people,
        ...personMin,
        ...(broken.has(piece) ? { broken: true } : {}),
        ...stoodFor(documents, entries, event, described),
        ...movedAs(entries, event),
      });
    else if (taken !== undefined && level === 'fitted') closings.push({ event, piece, from, personMin: taken * people });
  }
  // Whoever opens more afterwards has not said of that what could have stayed on.
  const judged = entries
    .filter((entry) => entry.event.type === 'opening.judged' && !turns.some((turn) => turn.opens && mayFollow(turn, entry)))
    .sort((a, b) => a.logged - b.logged);
  const answers = judged.reduce<CloseUpAnswer[]>((before, { event }) => {
    const told = event.type === 'opening.judged' ? event.payload.pieces.map(({ piece, enough }): CloseUpAnswer => ({ event: `${event.id}/${piece}`, piece, enough })) : [];
    return [...before.filter(({ piece }) => !told.some((own) => own.piece === piece)), ...told];
  }, []);
  const targets: SeenTarget[] = [];
  const tried: TriedMove[] = [];
  for (const entry of entries) {
    const { event } = entry;
    for (const target of workedAt(documents, entry)) {
      const later = judged.some((answer) => mayFollow(entry, answer));
      if (!targets.some((known) => known.target === target)) targets.push({ event: event.id, target, open: openAt({ ...entry, event: event.id }), ...(later ? { later } : {}) });
    }
    if (event.type === 'piece.tried' && kind.has(event.payload.piece))
      tried.push({ event: event.id, ...event.payload, open: openAt({ ...entry, event: event.id, piece: event.payload.piece }), ...standingIn(stoodAt(entries, event.id)) });
  }
  return { seen: { job, moves, targets, tried, closings, answers }, unordered };
}

/** Fasteners that came out with a move, where some were counted, and what was said at once of what was open before it. */
function movedAs(entries: readonly Timed[], move: string): Pick<SeenMove, 'fasteners' | 'answers'> {
  const event = entries.find((entry) => entry.event.id === move)?.event;
  if (event?.type !== 'piece.moved') return {};
  const { fasteners, without = [], needed = [] } = event.payload;
  const said = (pieces: readonly string[], enough: CloseUpAnswer['enough']) => pieces.map((piece): CloseUpAnswer => ({ event: `${move}/${piece}`, piece, enough }));
  const answers = [...said(without, 'fitted'), ...said(needed, 'needed')];
  return { ...(fasteners.length > 0 ? { fasteners } : {}), ...(answers.length > 0 ? { answers } : {}) };
}

/** How the vehicle stood at an entry, as far as it was said before. */
function stoodAt(entries: readonly Timed[], at: string): Position[] {
  let stand: Stand = {};
  for (const { event } of entries) {
    if (event.id === at) break;
    if (event.type === 'position.set') stand = standAfter(stand, event.payload);
  }
  return positionsIn(stand);
}

/** How the vehicle stood for a move: as whoever described it by that move said, else as it stood, and as the way that it went has it. */
function stoodFor({ profile }: JobDocuments, entries: readonly Timed[], move: string, described: PieceLevel | undefined): HeldThen {
  if (described) return standingIn(positionsOf(described.ways[0]));
  const event = entries.find((entry) => entry.event.id === move)?.event;
  if (event?.type !== 'piece.moved') return {};
  const { piece, level, way } = event.payload;
  const gone = profile.pieces
    .find(({ id }) => id === piece)
    ?.levels.find((entry) => entry.level === level)
    ?.ways.find(({ id }) => id === way);
  return standingIn([...positionsOf(gone), ...stoodAt(entries, move)]);
}
