import { accessProblem, planAccess, type AccessPlan, type AccessProblem } from '../../access/index.ts';
import type { FactValues } from '../../facts/index.ts';
import { RULES } from '../../job/test/log.ts';
import type { Fitment } from '../../kit/index.ts';
import { onlyPresent, type Level, type Piece, type PieceLevel, type Position, type VehicleProfile } from '../../vehicle/index.ts';
import { needsAt, type Levels } from './simulated.ts';

/** One piece in five that comes off is needless. */
const ONE_IN = 5;

/** A piece as it comes off in truth, and how the vehicle stands for it. */
export interface HiddenMove {
  piece: Piece;
  level: PieceLevel;
  stand?: Position;
  /** It could have stayed on. */
  needless: boolean;
}

/** The van as it is, which nobody knows, and what a kit has to reach on it. */
export class Hidden {
  readonly van: VehicleProfile;
  readonly truth: AccessProblem;

  constructor(
    van: VehicleProfile,
    readonly fitment: Fitment,
    facts: FactValues,
  ) {
    this.van = onlyPresent(van, facts, new Set());
    this.truth = accessProblem(this.van, facts, this.mounts, [], this.replaced);
  }

  get mounts(): string[] {
    return [...new Set(this.fitment.mounts.map(({ mount }) => mount))];
  }

  get replaced(): string[] {
    return this.fitment.replaces.filter((id) => this.van.pieces.some((piece) => piece.id === id));
  }

  get plan(): AccessPlan {
    return planAccess({
      profile: this.van,
      facts: {},
      mounts: this.mounts,
      further: [],
      present: [],
      replaced: this.replaced,
      rules: RULES,
      school: 'least set-up',
      people: 1,
      ageFactor: 1,
      taken: {},
    });
  }

  piece(id: string): Piece {
    const found = this.van.pieces.find((piece) => piece.id === id);
    if (!found) throw new Error(`no ${id}`);
    return found;
  }

  /** All that a first installer opens who goes the least way and one piece in five besides, in order. */
  worked(): HiddenMove[] {
    const { steps } = this.plan;
    const planned = new Set(steps.map(({ piece }) => piece));
    const levels: Record<string, Level> = {};
    const moves: HiddenMove[] = [];
    const opens = (move: HiddenMove) => {
      levels[move.piece.id] = move.level.level;
      moves.push(move);
    };
    steps.forEach((step, index) => {
      const other = index % (ONE_IN - 1) === 1 ? this.needless(levels, planned) : undefined;
      if (other) opens({ ...other, needless: true });
      const piece = this.piece(step.piece);
      const level = piece.levels.find((entry) => entry.level === step.level);
      const stand = level?.ways.find(({ id }) => id === step.way)?.position;
      if (level) opens({ piece, level, needless: false, ...(stand ? { stand } : {}) });
    });
    return moves;
  }

  /** A piece that the plan does not open, that can be opened now, and that nothing planned is. */
  private needless(levels: Levels, planned: ReadonlySet<string>): { piece: Piece; level: Piece['levels'][number] } | undefined {
    for (const piece of this.van.pieces) {
      const [level] = piece.levels;
      const spare = !planned.has(piece.id) && levels[piece.id] === undefined && !this.van.supplies.some((supply) => supply.piece === piece.id);
      if (spare && level && level.people === 1 && !level.asks && level.ways.some((way) => needsAt(way.needs, levels))) return { piece, level };
    }
    return undefined;
  }
}
