import { type KitDescribedHere, type ThisVehicle, records } from '../overlay/index.ts';
import type { FactValues } from '../facts/index.ts';
import type { Pass } from '../kit/index.ts';
import type { Level, LevelNeed, Stand, SupplyId, SupplyState } from '../vehicle/index.ts';
import type { PoseChange } from '../sensing/index.ts';
import type { ProbeFunction, Reading } from '../probing/index.ts';
import type { Photo } from '../photos/index.ts';
import type { VehicleState } from '../states/index.ts';
import type { SeenLit } from '../wiring/index.ts';
import type {
  AimPreparation,
  BaselineResult,
  Calibrated,
  FactCertainty,
  JointCheck,
  Judged,
  LedTo,
  LensGrade,
  Moment,
  NightItem,
  Opened,
  Order,
  Stroke,
  Wall,
  WarningLamp,
  WireOpening,
} from './values.ts';
import { key, type StationId } from '../subject/index.ts';

/** Version of the fold; a summary made by another version is made anew. */
export const FOLD_VERSION = 22;

export interface FactRecord {
  certainty: FactCertainty;
  value?: string;
  /** Values that are ruled out while it is not known. */
  not?: string[];
  seenAt?: string;
}

/** Fasteners of one group: how many came out, went back themselves, broke, are lost on the floor, and how many new ones were put in. */
export interface GroupTally {
  out: number;
  back: number;
  broken: number;
  dropped: number;
  renewed: number;
  /** Whole ones that are not used again because a new one is in their place. */
  spent: number;
}

export interface MadeMoveRecord {
  event: string;
  piece: string;
  from: Level;
  level: Level;
  way?: string;
  /** Device time. */
  at: string;
}

/** Something the log says that does not fit what came before; a person decides. */
export type OpenQuestion =
  | { code: 'event-before-opening'; event: string }
  | { code: 'second-opening'; event: string }
  | { code: 'more-back-than-out'; event: string; piece: string; group: string }
  | { code: 'late-event'; event: string }
  /** Two people said otherwise of the same thing within a minute. */
  | { code: 'contradicted'; event: string; other: string };

/** What a job is, folded from its log. */
export interface JobState extends ThisVehicle {
  lastSeq: number;
  eventCount: number;
  /** Device time of the last event that counts. */
  at?: string;
  opened?: Opened;
  /** Year in which the job was opened. */
  openedYear?: number;
  /** Ids that were lost when newer documents were taken over. */
  lost: string[];
  assigned?: string;
  /** What is promised to the customer, with what was said of it. */
  promise: { at?: string; why?: string };
  /** Where it stands; undefined where the log does not say, as in one that was opened before logs did. */
  bay?: { bay?: string };
  wish?: string;
  notes: { event: string; at: string; by?: string; station: StationId; note: string }[];
  /** By the entries that say they were taken, in that order. */
  photos: Record<string, Photo>;
  /** Kits that are not fitted after all, with the reason. */
  dropped: Record<string, string>;
  /** Why the work is not done after all, and since when. */
  cancelled?: { why: string; at: string };
  /** Whether anything was ever taken apart, joined or opened on the vehicle. */
  touched: boolean;
  /** Steps of kits that an earlier job fitted, whose bolts were held again. */
  rechecked: Record<string, string[]>;
  /** When something was last recorded that was no pause, and the minutes of pauses since: where the next step began. */
  begun?: { at: string; restMin: number };
  /** Hands are off the vehicle since; until somebody goes on, or works on it. */
  pause?: { at: string; by?: string };
  /** Left open for the night: since when, by whom, what was seen to; until somebody looks it over or works on it. */
  night?: { event: string; at: string; by?: string; seen: NightItem[]; where?: string };
  /** It was not found as it was left. */
  notAsLeft: { event: string; note: string }[];
  number?: string;
  facts: Record<string, FactRecord>;
  baseline: Record<string, BaselineResult>;
  final: Record<string, BaselineResult>;
  restV?: number;
  codes: Record<Moment, { code: string; note?: string }[]>;
  codesRead: Partial<Record<Moment, number>>;
  /** Warning lamps that were lit with everything running; not read where it is not there. */
  warnings: Partial<Record<Moment, WarningLamp[]>>;
  /** How clear lenses are, by lamp function. */
  lenses: Record<Moment, Record<string, LensGrade>>;
  gaps: Record<Moment, Record<string, number>>;
  /** What was said of measures that made one wonder: of the battery, of a gap or a lens and its moment, of the warning lamps of a moment. */
  measureWhy: Record<string, string>;
  damage: { event: string; place: string; note: string }[];
  options: Record<string, Record<string, string>>;
  confirmed: string[];
  counts: Record<string, Record<string, number>>;
  benchDone: Record<string, string[]>;
  pieces: Record<string, Level>;
  /** Opening moves not yet undone, in the order made. */
  moves: MadeMoveRecord[];
  /** All opening moves ever made, undone or not: what was opened through what. */
  history: MadeMoveRecord[];
  tray: Record<string, Record<string, GroupTally>>;
  /** How the vehicle stands, as was said last: raised, its wheels turned; nothing of what is as it comes. */
  stand: Stand;
  /** What was last said of each supply, and when by the device's clock. */
  supplies: Partial<Record<SupplyId, { is: SupplyState; at: string; by?: string; order: number }>>;
  /** When each piece was last moved: number of the event in the log, and device time. */
  lastMoved: Record<string, { order: number; at: string }>;
  /** What was set again of what the vehicle forgot since a supply was last dead. */
  settings: Partial<Record<SupplyId, string[]>>;
  /** The device that described each place, sensor, gap and plug first, in that order; empty as long as the server has not said which. */
  describedOn: Record<string, string>;
  /** What was described of the kits of this job, by kit, each entry by its id as it was said last. */
  kitsDescribed: Record<string, KitDescribedHere>;
  /** Pieces that have to be open as well, as somebody said. */
  wanted: LevelNeed[];
  /** Kits for which somebody saw that all that is worked at can be reached, since anything was last opened. */
  enough: string[];
  /** How far pieces would have been enough, as was said of what was opened. */
  judged: Record<string, Judged['enough']>;
  /** Ways chosen by hand: by mount position, or by piece and level as in `grille/off`. */
  waysChosen: Record<string, string>;
  order?: Order;
  /** Why opening was given up, where it was: what is open is put back and nothing more is opened. */
  left?: string;
  joined: Record<string, string[]>;
  /** What was looked at when a joint was made, by kit and connection. */
  jointChecked: Record<string, JointCheck[]>;
  /** Adapters of the plug library that were put between, by kit and connection. */
  adaptersUsed: Record<string, string[]>;
  /** Contacts of kits' plugs in other cavities than they came in, by kit and plug. */
  contactsMoved: Record<string, { pin: string; row: number; column: number }[]>;
  /** Wires of kits' plugs that are led elsewhere, by kit and connection, then by pin. */
  led: Record<string, Record<string, LedTo>>;
  /** Ways of legs, as laid and as chosen by hand, by kit and leg. */
  laid: Record<string, string>;
  routes: Record<string, string>;
  /** Segments with a hole that may be drilled. */
  drillAgreed: Record<string, { by: string; behind: string }>;
  /** Plugs left over that were capped, as in `fog-left` or `some-kit/plug`. */
  capped: string[];
  /** By circuit; without amperes where they were not yet said. */
  loadsAccepted: Record<string, { afterA?: number; fuseA?: number }>;
  /** Fuses as seen, by circuit, in amperes. */
  fuses: Record<string, number>;
  /** Ground points as measured under load. */
  grounds: Record<string, { dropMv: number; ampere: number }>;
  /** Fuse slots as measured, by the name that is printed at them. */
  slots: Record<string, { ratedA?: number; readings: Reading[] }>;
  /** Lamps that are left reported or flashing fast, by channel, with the watts that hung on it. */
  outagesAccepted: Record<string, number>;
  reference?: { groundV: number; feedV: number };
  readings: Record<string, Reading[]>;
  /** From a pin to the body, by plug and pin, in ohms; all of them. */
  continuity: Record<string, number[]>;
  /** What was lost over a pin that a load returned over, in volts; all of them. */
  drops: Record<string, number[]>;
  /** What is looked for in plugs, besides what the job's joints want. */
  sought: Record<string, ProbeFunction[]>;
  /** Wires of the vehicle whose insulation is open, by plug and pin. */
  wiresOpen: Record<string, WireOpening>;
  /** Where the probe was last, and the state that the vehicle was in. */
  lastRead?: { plug: string; pin: string; state: VehicleState };
  /** Since when the ignition was asked for, until something was read with the key off. */
  ignition?: { since: string };
  battery?: { volts: number; at: string };
  charger: boolean;
  /** Wires of kits' lamps as they were tried on the bench, by kit, plug and pin. */
  powered: Record<string, { volts: number; ampere: number; lit: SeenLit }>;
  unplugged: string[];
  sensorMoves: Record<string, PoseChange>;
  calibrated: Record<string, Calibrated>;
  passes: Record<string, Record<string, Pass[]>>;
  /** Whether the last try of each test passed. */
  tests: Record<string, Record<string, boolean>>;
  /** Whether what a test lights did so with everything closed, since anything was last opened. */
  finalTests: Record<string, Record<string, boolean>>;
  /** Who agreed to what cannot be undone, by what it is about. */
  consents: Record<string, string>;
  /** The customer's signature, as it was drawn. */
  signature?: Stroke[];
  wall?: Wall;
  aimPrepared?: AimPreparation;
  /** Heights of the rule's reference points as measured on this vehicle. */
  references: Record<string, number>;
  aims: Record<string, Partial<Record<Moment, { heightMm: number; referenceMm: number }>>>;
  aimByOthers: Record<string, string>;
  bagged: Record<string, string>;
  exceptions: Record<string, string>;
  signed?: { event: string; at: string; atSeq: number; by?: string };
  questions: OpenQuestion[];
}

/** What was noted of the damage that a photo shows; undefined of a photo of anything else, and where the note was taken back. */
export const damageOn = ({ damage }: Pick<JobState, 'damage'>, { about }: Pick<Photo, 'about'>): JobState['damage'][number] | undefined =>
  damage.find(({ event }) => about === key({ kind: 'damage', entry: event }));

/** Under what a word on a gap is kept, on a lens, on the warning lamps. */
export const gapWhyKey = (gap: string, moment: Moment): string => `${gap}/${moment}`;
export const lensWhyKey = (lamp: string, moment: Moment): string => `lens/${lamp}/${moment}`;
export const warningsWhyKey = (moment: Moment): string => `warnings/${moment}`;

/** A job nothing has happened to yet. */
export function emptyJob(): JobState {
  return {
    lastSeq: 0,
    eventCount: 0,
    promise: {},
    notes: [],
    photos: records(),
    dropped: records(),
    touched: false,
    rechecked: records(),
    notAsLeft: [],
    facts: records(),
    baseline: records(),
    final: records(),
    codes: { before: [], after: [] },
    codesRead: records(),
    warnings: records(),
    lenses: { before: records(), after: records() },
    gaps: { before: records(), after: records() },
    measureWhy: records(),
    damage: [],
    options: records(),
    confirmed: [],
    counts: records(),
    benchDone: records(),
    pieces: records(),
    reached: records(),
    moves: [],
    history: [],
    judged: records(),
    tray: records(),
    stand: {},
    supplies: records(),
    lastMoved: records(),
    settings: records(),
    references: records(),
    accessories: records(),
    described: {
      pieces: records(),
      functions: records(),
      mounts: records(),
      supplies: records(),
      sensors: records(),
      gaps: records(),
      plugs: records(),
      circuits: records(),
      facts: records(),
      refitRules: records(),
      measures: {},
      without: [],
      held: records(),
      same: records(),
      apart: [],
      apartPlaces: [],
      whole: [],
    },
    describedOn: records(),
    kitsDescribed: records(),
    came: records(),
    wanted: [],
    enough: [],
    blocked: [],
    seized: [],
    waysChosen: records(),
    joined: records(),
    grounds: records(),
    jointChecked: records(),
    adaptersUsed: records(),
    populated: records(),
    contactsMoved: records(),
    led: records(),
    laid: records(),
    routes: records(),
    drillAgreed: records(),
    capped: [],
    loadsAccepted: records(),
    fuses: records(),
    slots: records(),
    outagesAccepted: records(),
    readings: records(),
    continuity: records(),
    drops: records(),
    plugsFound: records(),
    sought: records(),
    colours: records(),
    wiresOpen: records(),
    charger: false,
    powered: records(),
    unplugged: [],
    sensorMoves: records(),
    calibrated: records(),
    passes: records(),
    tests: records(),
    finalTests: records(),
    consents: records(),
    aims: records(),
    aimByOthers: records(),
    bagged: records(),
    exceptions: records(),
    lost: [],
    questions: [],
  };
}

/** Facts known or assumed, as conditions read them; of a fact recorded as unknown what it is not. */
export function factValues(state: JobState): FactValues {
  const values = records<string>();
  for (const [fact, record] of Object.entries(state.facts)) {
    if (record.certainty !== 'unknown' && record.value !== undefined) values[fact] = record.value;
    else if (record.not && record.not.length > 0) values[`!${fact}`] = record.not.join('|');
  }
  return values;
}

/** Fasteners of a group that lie in the tray: taken out, neither back nor broken nor put aside for a new one. */
export function outstanding({ out, back, broken, spent }: GroupTally): number {
  return Math.max(0, out - back - broken - spent);
}

/** Places of a group that stay empty although its tray is: an old one broke and no new one was put in. */
export function wanting({ broken, spent, renewed }: GroupTally): number {
  return Math.max(0, broken + spent - renewed);
}

/** Whether a job has left the shop: signed, or cancelled before anything on the vehicle was touched, with no charger on it. */
export const hasLeft = ({ signed, cancelled, touched, charger }: Pick<JobState, 'signed' | 'cancelled' | 'touched' | 'charger'>): boolean =>
  signed !== undefined || (cancelled !== undefined && !touched && !charger);

/** The pins of a job, or undefined before it is opened. */
export function pinsOf(state: JobState): Pick<Opened, 'profile' | 'kits' | 'rules' | 'plugs' | 'fitted'> | undefined {
  if (!state.opened) return undefined;
  const { profile, kits, rules, plugs, fitted } = state.opened;
  return { profile, kits, rules, ...(plugs ? { plugs } : {}), ...(fitted ? { fitted } : {}) };
}

/** Name of the place a way leads to: a mount position, or a piece with its level. */
export function wayPlace(place: string, level: string | undefined): string {
  return level === undefined ? place : `${place}/${level}`;
}

/** The key of a plug that is capped: one of the vehicle by its own id, one of a kit by both. */
export const cappedKey = (plug: string, kit?: string): string => (kit === undefined ? plug : `${kit}/${plug}`);
