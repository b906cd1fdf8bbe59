import { levelRank, moveNamed, openMinutes, type NamedMove } from '../access/index.ts';
import { closeMinutes } from '../closing/index.ts';
import { estimateStep, type Estimate, type TakenBySteps } from '../schedule/index.ts';
import { hundredthsToMinutes, minutesEach, minutesToHundredths } from '../units/index.ts';
import type { Level, OpenLevel, Piece, PieceLevel, VehicleProfile } from '../vehicle/index.ts';

/** A step of a profile that this shop has timed, beside what the profile gives it. */
export interface LearnedStep extends NamedMove {
  /** As `stepName` names it. */
  step: string;
  profileMin: number;
  estimate: Estimate;
}

/** Steps of a profile that were timed, those with the most minutes between the two first; times of steps that it no longer has are left out. */
export function learnedSteps({ pieces }: Pick<VehicleProfile, 'pieces'>, taken: TakenBySteps): LearnedStep[] {
  const steps = Object.entries(taken).flatMap(([name, times]): LearnedStep[] => {
    const move = moveNamed(name);
    const piece = pieces.find((entry) => entry.id === move?.piece);
    if (!move || !piece) return [];
    const { from, level, way } = move;
    const opening = levelRank(level) > levelRank(from);
    const high = piece.levels.find((entry) => entry.level === (opening ? level : from));
    if (!high || (opening && !high.ways.some((entry) => entry.id === way))) return [];
    const profileMin = opening ? openMinutes(piece, { from, level, way }) : closeMinutes(piece, from, level);
    if (profileMin <= 0) return [];
    return [{ ...move, step: name, profileMin, estimate: estimateStep(profileMin, times) }];
  });
  const off = ({ estimate, profileMin }: LearnedStep) => Math.abs(estimate.medianMin - profileMin);
  return steps.sort((a, b) => off(b) - off(a) || a.piece.localeCompare(b.piece));
}

/** Minutes of a profile that the times of a shop make other: those of its people for opening or putting back, or what one way takes more. */
export interface MinutesChange {
  piece: string;
  level: OpenLevel;
  what: { minutes: 'open' | 'close' } | { extraOf: string };
  beforeMin: number;
  nowMin: number;
  /** How many times it rests on; none where it only goes up with the level below it. */
  times: number;
}

/** Whole person-minutes of a way or of going back, as its steps show them, each by how often it was done. */
interface Whole {
  personMin: number;
  times: number;
}

function wholeOf(steps: readonly LearnedStep[], people: number, beneath: ReadonlyMap<Level, number>): Whole | undefined {
  const times = steps.reduce((sum, { estimate }) => sum + estimate.taken, 0);
  const personMin = steps.reduce((sum, { from, level, estimate }) => {
    const below = beneath.get(levelRank(from) < levelRank(level) ? from : level) ?? 0;
    return sum + (below + estimate.medianMin * people) * estimate.taken;
  }, 0);
  return times > 0 ? { personMin: personMin / times, times } : undefined;
}

/** Whether a piece has both levels of a step: from or to one that it does not have, nothing is known of how far that is. */
const isBetween = ({ levels }: Piece, { from, level }: LearnedStep) => [from, level].every((end) => end === 'fitted' || levels.some((own) => own.level === end));

interface OpenNow {
  openMin: number;
  times: number;
  /** What ways that were timed take more than the level, by their ids. */
  extras: ReadonlyMap<string, Whole>;
}

/**
 * What opening a level takes as it was timed. What a way takes more stays as the profile has it where only that way was timed, and is what was measured
 * where a plainer one was too; what was never timed keeps its minutes, and goes up with the level below it.
 */
function openNow(level: PieceLevel, steps: readonly LearnedStep[], beneath: ReadonlyMap<Level, number>, below: { before: number; now: number }): OpenNow {
  const timed = level.ways.flatMap(({ id, extraMin }) => {
    const whole = wholeOf(
      steps.filter(({ way }) => way === id),
      level.people,
      beneath,
    );
    return whole ? [{ id, extraMin, ...whole }] : [];
  });
  const [plain] = [...timed].sort((a, b) => a.extraMin - b.extraMin || b.times - a.times);
  const before = level.openMin * level.people;
  const shown = plain ? Math.min(plain.personMin - plain.extraMin, ...timed.map(({ personMin }) => personMin)) : before + Math.max(0, below.now - below.before);
  const least = Math.max(shown, below.now);
  return {
    openMin: minutesEach(least, level.people, below.now),
    times: timed.reduce((sum, { times }) => sum + times, 0),
    extras: new Map(timed.map(({ id, personMin, times }) => [id, { personMin: Math.max(0, personMin - least), times }])),
  };
}

function learnedPiece(piece: Piece, steps: readonly LearnedStep[]): { piece: Piece; changes: MinutesChange[] } {
  const opening = steps.filter(({ from, level }) => levelRank(level) > levelRank(from));
  const opened = new Map<Level, number>([['fitted', 0]]);
  const closed = new Map<Level, number>([['fitted', 0]]);
  const changes: MinutesChange[] = [];
  const change = (level: OpenLevel, what: MinutesChange['what'], beforeMin: number, nowMin: number, times: number): number => {
    if (minutesToHundredths(beforeMin) === minutesToHundredths(nowMin)) return beforeMin;
    changes.push({ piece: piece.id, level, what, beforeMin, nowMin, times });
    return nowMin;
  };
  let below = { before: 0, now: 0 };
  const now = new Map<OpenLevel, PieceLevel>();
  for (const level of [...piece.levels].sort((a, b) => levelRank(a.level) - levelRank(b.level))) {
    const { people } = level;
    const open = openNow(
      level,
      opening.filter((step) => step.level === level.level),
      opened,
      below,
    );
    const back = wholeOf(
      steps.filter((step) => step.from === level.level && !opening.includes(step)),
      people,
      closed,
    );
    const openMin = change(level.level, { minutes: 'open' }, level.openMin, open.openMin, open.times);
    const closeMin = change(level.level, { minutes: 'close' }, level.closeMin, back ? minutesEach(back.personMin, people) : level.closeMin, back?.times ?? 0);
    const ways = level.ways.map((way) => {
      const extra = open.extras.get(way.id);
      const extraMin = extra ? hundredthsToMinutes(minutesToHundredths(extra.personMin)) : way.extraMin;
      return { ...way, extraMin: change(level.level, { extraOf: way.id }, way.extraMin, extraMin, extra?.times ?? 0) };
    });
    now.set(level.level, { ...level, openMin, closeMin, ways });
    below = { before: level.openMin * people, now: openMin * people };
    opened.set(level.level, openMin * people);
    closed.set(level.level, closeMin * people);
  }
  return { piece: changes.length > 0 ? { ...piece, levels: piece.levels.map((level) => now.get(level.level) ?? level) } : piece, changes };
}

/**
 * A profile with its minutes as this shop's times have moved them, each by its estimate, and what that changes, piece by piece. Opening never falls as the
 * level rises. Gives back the names of the steps that went in: whoever plans with the profile from then on must not count their times once more.
 * @param taken times that the profile does not hold yet
 */
export function withLearnedTimes<P extends Pick<VehicleProfile, 'pieces'>>(profile: P, taken: TakenBySteps): { profile: P; changes: MinutesChange[]; steps: string[] } {
  const steps = learnedSteps(profile, taken);
  const used = profile.pieces.map((piece) => steps.filter((step) => step.piece === piece.id && isBetween(piece, step)));
  const learned = profile.pieces.map((piece, index) => learnedPiece(piece, used[index] ?? []));
  const changes = learned.flatMap((entry) => entry.changes);
  if (changes.length === 0) return { profile, changes, steps: [] };
  return { profile: { ...profile, pieces: learned.map(({ piece }) => piece) }, changes, steps: used.flat().map(({ step }) => step) };
}
