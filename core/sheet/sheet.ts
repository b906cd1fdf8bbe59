import type { AimError } from '../aiming/index.ts';
import type { Mileage } from '../customers/index.ts';
import type { Accessory } from '../overlay/index.ts';
import type { BaselineResult, JointCheck, LensGrade, Payloads, WarningLamp, Work } from '../events/index.ts';
import type { CautionCode } from '../plan/index.ts';
import type { WireJoint } from '../loom/index.ts';
import type { Photo } from '../photos/index.ts';
import type { AimRule } from '../rules/index.ts';
import type { Circuit, GapPoint, LampFunction, OpenLevel, SupplyId } from '../vehicle/index.ts';
import type { LoadUnknown } from '../wiring/index.ts';

/** The entries of the log that say a line; none only where the line says that something is not on record. */
export interface Said {
  from: string[];
}

/** A lamp of a kit at its place. `fitted` once every pass of every step of its side is done. */
export interface FittedLine extends Said {
  kit: string;
  lamp: string;
  mount: string;
  is: 'fitted' | 'begun' | 'not begun';
}

/** What feeds a lamp of a kit and what guards that, once it is joined. */
export interface FedLine extends Said {
  kit: string;
  lamps: string[];
  circuit: Circuit;
  /** Whether the fuse was seen, and not only documented. */
  seen: boolean;
  /** What it carries at the worst voltage, and the share of its weakest part. */
  afterA: number;
  share: number;
  weakest: string;
  /** What that could not reckon with: the figures are then the least that they can be. */
  unknown: LoadUnknown[];
}

/** A test of a kit: as it came out while it was open, and with everything closed. */
export interface LitLine extends Said {
  kit: string;
  test: string;
  open?: boolean;
  closed?: boolean;
  /** Whether it lights anything, and so is tried once more with everything closed. */
  lights: boolean;
  /** Of a kit that an earlier job fitted: it was never tried open on this one. */
  before: boolean;
}

/** A kit that was not fitted after all, with the steps of it that were done and cannot be undone. */
export interface DroppedLine extends Said {
  kit: string;
  why?: string;
  stays: string[];
  /** How much of it is still on the vehicle. */
  left: number;
}

/** Bolts of a kit that an earlier job fitted, held again with their tool. */
export interface HeldLine extends Said {
  kit: string;
  step: string;
}

/** How something was joined, changed or made ready. */
export type MadeLine = Said &
  (
    | { code: 'joint'; joint: WireJoint; proved: boolean; checked: JointCheck[] }
    | { code: 'capped'; plug: string; kit?: string; capped: boolean }
    | { code: 'contact'; plug: string; row: number; column: number; carries: string }
    | { code: 're-pinned'; kit: string; plug: string; count: number }
    | { code: 'leg'; kit: string; leg: string }
    | { code: 'drilled'; segment: string; by: string }
    | { code: 'consent'; about: string; by: string }
  );

export type ArrivalLine = Said &
  (
    | { code: 'wish'; text: string }
    | { code: 'mileage'; mileage?: Mileage }
    | { code: 'battery'; restV?: number; why?: string }
    | { code: 'damage'; place: string; note: string }
    | { code: 'accessory'; accessory: Accessory }
    | { code: 'came-open'; piece: string; level: OpenLevel }
  );

export interface FactoryLine extends Said {
  lamp: LampFunction;
  before?: BaselineResult;
  after?: BaselineResult;
  /** A kit took its place. */
  replaced: boolean;
}

export interface GapLine extends Said {
  gap: GapPoint;
  beforeMm?: number;
  afterMm?: number;
  /** What was said of them where they made one wonder. */
  beforeWhy?: string;
  afterWhy?: string;
}

export interface AimLine extends Said {
  kit: string;
  lamp: string;
  rule: AimRule;
  distanceMm?: number;
  /** As measured on this vehicle. */
  referenceMm?: number;
  wantedMm?: number;
  before?: AimError & { heightMm: number };
  after?: AimError & { heightMm: number };
  byOthers?: string;
  /** The floor lay beyond the rule set's tolerance: what was read is not certified. */
  floorBeyond: boolean;
}

export interface SensorLine extends Said {
  sensor: string;
  /** Of one that is in its plug: whether it was out of it. */
  plug: 'unplugged' | 'reconnected' | 'never out';
  due: boolean;
  calibrated?: Omit<Payloads['sensor.calibrated'], 'sensor'>;
}

export interface CodesLine extends Said {
  moment: 'before' | 'after';
  /** Whether they were read at all. */
  read: boolean;
  codes: { code: string; note?: string; from: string[] }[];
}

/** Warning lamps of the instrument panel at a moment; `lit` where they were looked at. */
export interface WarningsLine extends Said {
  moment: 'before' | 'after';
  lit?: WarningLamp[];
  why?: string;
}

/** How clear a lens is. */
export interface LensLine extends Said {
  lamp: LampFunction;
  before?: LensGrade;
  after?: LensGrade;
  beforeWhy?: string;
  afterWhy?: string;
  /** A kit took its place. */
  replaced: boolean;
}

export type PartLine = Said &
  (
    | { code: 'bagged'; piece: string; where: string }
    | { code: 'renewed' | 'wanting' | 'again' | 'dropped' | 'out'; piece: string; group: string; count: number }
    | { code: 'tighten again'; piece: string; group: string; count: number; afterKm: number }
    | { code: 'left over'; kit: string; item: string; count: number }
    | { code: 'open'; piece: string; level: string }
    | { code: 'closed'; count: number }
  );

export type UseLine = Said &
  (
    | { code: 'option'; kit: string; option: string; choice: string }
    | { code: 'position'; kit: string; control: string; position: string; lights: string[] }
    | { code: 'warning'; text: string }
    | { code: 'caution'; caution: CautionCode }
    | { code: 'aim by others'; kit: string; lamp: string; by: string }
    | { code: 'calibration'; sensor: string; by: string; dueOn?: string }
    | { code: 'reported'; channel: string }
    | { code: 'restored'; supply: SupplyId; setting: string }
    | { code: 'exception'; about: string; note: string }
  );

/** A photo that goes with the sheet; of damage with what was written of it. */
export interface PhotoLine extends Said {
  photo: Photo;
  damage?: { place: string; note: string };
}

export interface WhoLine extends Said {
  work: Work;
  people: string[];
}

/** When all new fasteners and the aim are looked at again. */
export interface Recheck {
  afterKm: number;
  on: string;
}

/** What the customer's sheet says of a job: each line with the entries of the log that say it. */
export interface Sheet {
  seq: number;
  /** Why opening was given up; then nothing was fitted. */
  left?: string;
  /** Why the work was not done after all. */
  cancelled?: string;
  dropped: DroppedLine[];
  held: HeldLine[];
  fitted: FittedLine[];
  fed: FedLine[];
  lit: LitLine[];
  made: MadeLine[];
  arrival: ArrivalLine[];
  factory: FactoryLine[];
  gaps: GapLine[];
  aims: AimLine[];
  sensors: SensorLine[];
  codes: CodesLine[];
  warnings: WarningsLine[];
  lenses: LensLine[];
  parts: PartLine[];
  use: UseLine[];
  photos: PhotoLine[];
  who: WhoLine[];
  /** Of a job that something was fitted on. */
  recheck?: Recheck;
  /** The rule set that the job was checked against. */
  rules: string;
}
