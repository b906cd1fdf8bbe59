import { minutesToHundredths } from '../units/index.ts';
import type { FactValues } from '../facts/index.ts';
import type { RuleSet } from '../rules/index.ts';
import type { FastenerGroup, Level, LevelNeed, Piece, Side, Zone } from '../vehicle/index.ts';
import { accessProblem, levelRank, type AccessProblem, type AccessProfile } from './problem.ts';
import { sequence, type SequenceStep, type SetUp } from './sequence.ts';
import { solveAccess, type AccessChoice, type AccessTrouble, type Move } from './solve.ts';

/** One step of opening. Minutes are for the people of the step working together. */
export interface OpenStep {
  slot: number;
  piece: string;
  from: Level;
  level: Level;
  way: string;
  needs: LevelNeed[];
  side: Side;
  zone: Zone;
  people: number;
  minutes: number;
  tools: string[];
  fasteners: FastenerGroup[];
  /** Sensors that leave their place or their plug with this step. */
  sensors: string[];
}

export interface AccessPlan {
  steps: OpenStep[];
  choice: AccessChoice;
  /** Person-minutes, all of opening and closing with expected breakage. */
  personMin: number;
  openMin: number;
  closeMin: number;
  breakageMin: number;
  /** For each piece moved, the targets that need it. */
  neededBy: Record<string, string[]>;
  /** Tools in the order first needed. */
  tools: string[];
  mostPeople: number;
  problems: AccessTrouble[];
}

/** Name of the tool that a fastener group wants: size before drive, or the drive alone. */
export function toolOf(group: FastenerGroup): string | undefined {
  if (group.drive === 'none' || group.drive === 'plug lock') return undefined;
  return group.size ? `${group.size} ${group.drive}` : group.drive;
}

/** Set-up times of a rule set in whole hundredths of a minute. */
export function setUpOf(rules: Pick<RuleSet, 'sequence'>): SetUp {
  const { sideMin, zoneMin, toolMin, helperMin } = rules.sequence;
  return {
    side: minutesToHundredths(sideMin),
    zone: minutesToHundredths(zoneMin),
    tool: minutesToHundredths(toolMin),
    helper: minutesToHundredths(helperMin),
  };
}

/** Fastener groups that come out when a piece goes from one level to another. */
export function fastenersBetween(piece: Piece, from: Level, to: Level): FastenerGroup[] {
  return piece.fasteners.filter((group) => levelRank(group.atLevel) > levelRank(from) && levelRank(group.atLevel) <= levelRank(to));
}

function stepOf(move: Move, piece: Piece, profile: AccessProfile): Omit<OpenStep, 'slot'> {
  const level = piece.levels.find((candidate) => candidate.level === move.level);
  const before = piece.levels.find((candidate) => candidate.level === move.from);
  const way = level?.ways.find((candidate) => candidate.id === move.way);
  const people = level?.people ?? 1;
  const personMin = (level ? level.openMin * level.people : 0) - (before ? before.openMin * before.people : 0) + (way?.extraMin ?? 0);
  const fasteners = fastenersBetween(piece, move.from, move.level);
  const tools = [...new Set(fasteners.map(toolOf).filter((tool) => tool !== undefined))];
  return {
    piece: piece.id,
    from: move.from,
    level: move.level,
    way: move.way,
    needs: way?.needs ?? [],
    side: piece.side,
    zone: piece.zone,
    people,
    minutes: personMin / people,
    tools,
    fasteners,
    sensors: profile.sensors.filter((sensor) => sensor.on === piece.id).map((sensor) => sensor.id),
  };
}

/** For every move the indexes of the moves that must come before it: what its way needs, and its own lower levels. */
export function precedence(moves: readonly { piece: string; level: Level; needs: LevelNeed[] }[]): number[][] {
  return moves.map((move, index) => {
    const before = new Set<number>();
    for (const need of move.needs) {
      const provider = moves.findIndex((other) => other.piece === need.piece && levelRank(other.level) >= levelRank(need.level));
      if (provider >= 0 && provider !== index) before.add(provider);
    }
    moves.forEach((other, place) => {
      if (other.piece === move.piece && levelRank(other.level) < levelRank(move.level)) before.add(place);
    });
    return [...before];
  });
}

function neededBy(choice: AccessChoice, problem: AccessProblem): Record<string, string[]> {
  const result: Record<string, string[]> = {};
  const needsOf = (move: Move) =>
    problem.pieces
      .find((piece) => piece.id === move.piece)
      ?.levels.find((level) => level.level === move.level)
      ?.ways.find((way) => way.id === move.way)?.needs ?? [];
  for (const { target, way } of choice.targetWays) {
    const open = [...(problem.targets.find((candidate) => candidate.id === target)?.ways.find((candidate) => candidate.id === way)?.needs ?? [])];
    const seen = new Set<string>();
    for (let need = open.pop(); need; need = open.pop()) {
      if (seen.has(need.piece)) continue;
      seen.add(need.piece);
      for (const move of choice.moves) if (move.piece === need.piece) open.push(...needsOf(move));
    }
    for (const move of choice.moves) if (seen.has(move.piece)) (result[move.piece] ??= []).push(target);
  }
  for (const piece of Object.keys(result)) result[piece] = [...new Set(result[piece])];
  return result;
}

export interface AccessRequest {
  profile: AccessProfile;
  facts: FactValues;
  mounts: string[];
  present: AccessProblem['present'];
  replaced: string[];
  setUp: SetUp;
}

/**
 * The least-labour way in for all mount positions at once, in an order that keeps precedence with the least set-up, with tools,
 * people and the tray slot of each step. Steps done already are not planned again: they stand in `present`.
 */
export function planAccess(request: AccessRequest): AccessPlan {
  const { profile, facts, mounts, present, replaced, setUp } = request;
  const problem = accessProblem(profile, facts, mounts, present, replaced);
  const choice = solveAccess(problem);
  const pieces = new Map(profile.pieces.map((piece) => [piece.id, piece]));
  const raw = choice.moves.flatMap((move) => {
    const piece = pieces.get(move.piece);
    return piece ? [stepOf(move, piece, profile)] : [];
  });
  const before = precedence(raw);
  const { order } = sequence(
    raw.map((step, index): SequenceStep => ({ ...step, before: before[index] ?? [] })),
    setUp,
  );
  const steps = order.flatMap((index, place) => {
    const step = raw[index];
    return step ? [{ ...step, slot: place + 1 }] : [];
  });
  return {
    steps,
    choice,
    personMin: choice.total / 100,
    openMin: choice.open / 100,
    closeMin: (choice.close + choice.closePresent) / 100,
    breakageMin: choice.breakage / 100,
    neededBy: neededBy(choice, problem),
    tools: [...new Set(steps.flatMap((step) => step.tools))],
    mostPeople: steps.reduce((most, step) => Math.max(most, step.people), 0),
    problems: choice.problems,
  };
}
