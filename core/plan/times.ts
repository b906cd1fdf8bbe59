import { levelRank, openMinutes, setUpBetween, setUpOf, stepName, toolsBetween, turningTo, type SequenceStep } from '../access/index.ts';
import { closeMinutes } from '../closing/index.ts';
import { PRIOR_SIGMA } from '../schedule/index.ts';
import { positionsOf, standIn, stillToTake, type Level, type Piece, type Stand, standAfter } from '../vehicle/index.ts';
import type { JobContext } from '../job/index.ts';
import { flagsOf, type LoggedEvent } from '../events/index.ts';
import { standingEvents } from '../log/index.ts';
import { minutesBetween } from '../units/index.ts';
import { records } from '../overlay/index.ts';

/** Time that one step of opening or putting back took, without its set-up. */
export interface StepTime {
  event: string;
  /** As `stepName` names it. */
  step: string;
  minutes: number;
}

/** Beyond four spreads of the profile's time a step was ticked late, together with others, or lay over a pause. */
const PLAUSIBLE = Math.exp(4 * PRIOR_SIGMA);

interface Move {
  piece: Piece;
  from: Level;
  level: Level;
  way?: string;
}

function sequenceStep({ piece, from, level, way }: Move): SequenceStep {
  const [low, high] = levelRank(from) < levelRank(level) ? [from, level] : [level, from];
  const entry = piece.levels.find((candidate) => candidate.level === high);
  const positions = positionsOf(entry?.ways.find((candidate) => candidate.id === way));
  return { side: piece.side, zone: piece.zone, people: entry?.people ?? 1, tools: toolsBetween(piece, low, high), before: [], ...(positions.length > 0 ? { positions } : {}) };
}

/**
 * Times that the steps of a job took, by its log. A step begins where the same person ticked the work before it, and the set-up
 * between the two is taken off, and so are pauses. Left out are steps with no such beginning, those of pieces with a seized, broken or lost fastener,
 * and times more than four spreads away from the profile's: they were ticked together, or there was a pause.
 */
export function stepTimes({ profile, rules, state }: JobContext, log: readonly LoggedEvent[]): StepTime[] {
  const setUp = setUpOf(rules);
  const events = standingEvents(log);
  const troubled = new Set(events.flatMap((event) => (flagsOf(event).timed === 'trouble' && 'piece' in event.payload ? [event.payload.piece] : [])));
  const levels = records<Level>();
  const before = new Map<string, { at: string; restMin: number; move?: Move }>();
  /** Who is in a pause, since when. */
  const paused = new Map<string, string>();
  /** How the vehicle stands, and the acts by which something moved: a position that is said with a move was taken for it. */
  let stand: Stand = {};
  const moving = new Set(events.flatMap(({ type, act }) => (type === 'piece.moved' && act !== undefined ? [act] : [])));
  const times: StepTime[] = [];
  for (const event of events) {
    const { timed } = flagsOf(event);
    if (timed === 'untouched' || (event.type === 'position.set' && event.act !== undefined && moving.has(event.act))) continue;
    const person = event.person ?? '';
    if (event.type === 'work.paused') {
      if (!paused.has(person)) paused.set(person, event.at);
      continue;
    }
    if (event.type === 'work.resumed') {
      // Whoever says so: work goes on.
      for (const [who, at] of paused) {
        const step = before.get(who);
        if (step) step.restMin += minutesBetween(at, event.at);
      }
      paused.clear();
      continue;
    }
    // Who works on without a word of it worked on at some time in between: when, nobody knows.
    const began = paused.delete(person) ? undefined : before.get(person);
    before.delete(person);
    if (timed !== 'ticked') continue;
    if (event.type === 'position.set') stand = standAfter(stand, event.payload);
    if (event.type !== 'piece.moved') {
      before.set(person, { at: event.at, restMin: 0 });
      continue;
    }
    const { level, way } = event.payload;
    const piece = profile.pieces.find((entry) => entry.id === event.payload.piece);
    const from = levels[event.payload.piece] ?? 'fitted';
    levels[event.payload.piece] = level;
    if (!piece) continue;
    const move: Move = { piece, from, level, way };
    const step = sequenceStep(move);
    const stood = stand;
    stand = standIn(stand, step.positions ?? []);
    before.set(person, { at: event.at, restMin: 0, move });
    if (!began || troubled.has(piece.id) || state.accessories[piece.id]) continue;
    const opening = levelRank(level) > levelRank(from);
    const turning = stillToTake(step.positions ?? [], stood).reduce((sum, position) => sum + turningTo(position, setUp), 0);
    const setUpMin = (setUpBetween(began.move && sequenceStep(began.move), step, setUp) + turning) / 100;
    const minutes = minutesBetween(began.at, event.at) - began.restMin - setUpMin;
    const priorMin = opening ? openMinutes(piece, { from, level, way }) : closeMinutes(piece, from, level);
    if (!(minutes > priorMin / PLAUSIBLE && minutes < priorMin * PLAUSIBLE)) continue;
    times.push({ event: event.id, step: stepName({ piece: piece.id, from, level, ...(opening ? { way } : {}) }), minutes });
  }
  return times;
}
