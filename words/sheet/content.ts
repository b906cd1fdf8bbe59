import type {
  Sheet,
  FactoryLine,
  AimLine,
  FittedLine,
  GapLine,
  MadeLine,
  PartLine,
  SensorLine,
  UseLine,
  WhoLine,
  ArrivalLine,
  CodesLine,
  FedLine,
  LitLine,
} from '@jade/core/sheet';
import type { JobContext, Stroke } from '@jade/core/job';
import { standingOf } from '@jade/core/stations';
import { sayAimRuleShort } from '@jade/words/aiming';
import { sayMileage } from '@jade/words/customers';
import { sayConsent } from '@jade/words/job';
import { namesOf, type Names } from '@jade/words/names';
import { sayCalibration } from '@jade/words/sensing';
import { sayHold } from '@jade/words/stations';
import { sayKey } from '@jade/words/subject';
import { amperes, bothLengths, inSentence, metres, millimetres, percent, plural, sayDay, sayMoment, volts, type ShopWays } from '@jade/words/units';
import { sayChecked, sayJoinedHow, sayProtection } from '@jade/words/wiring';
import { saySide } from '@jade/words/vehicle';
import { sayTriedClosed } from './new-lamps.ts';

export interface SheetTable {
  title: string;
  head: string[];
  rows: string[][];
  /** Said where there is nothing to show. */
  empty: string;
  /** How the columns share the width; the first has two fifths where it is not said. */
  shares?: number[];
}

/** What the customer's sheet says, as text; drawing it is another matter. */
export interface SheetContent {
  shop: string;
  job: string;
  seq: number;
  vehicle: string;
  plate: string;
  customer: string;
  number: string;
  kits: string[];
  verdict: string;
  tables: SheetTable[];
  notes: string[];
  /** Who signed it off and when, by the shop's clock; as the job stands while nobody has. */
  signed: string;
  signature?: Stroke[];
  received: string;
}

/** Whose job a sheet is of, and how its shop writes. */
export interface SheetFrame extends ShopWays {
  shop: string;
  job: string;
  plate: string;
  customer: string;
  /** Undefined while it is not signed off. */
  signedBy?: string;
  /** When it was signed off, or is looked at. */
  at: string;
  benchName: (person: string) => string;
}

export const SHEET = {
  title: 'Hand-over sheet',
  draft: 'What the sheet will say',
  notSigned: 'Not signed by the customer.',
  received: 'Received by',
  open: 'Not signed off yet.',
  late: 'These came after the job was signed. They count once it is opened again; the sheet is made anew when it is signed again.',
} as const;

/** What stands around a signature. */
export const SIGNING = {
  field: 'Field for the customer’s signature',
  drawn: 'The customer’s signature',
  ask: 'The customer reads this and signs with a finger. Without it the sheet says that it is not signed.',
  done: 'Signed',
  again: 'Begin again',
  read: 'Read the sheet with the customer',
  back: 'Back to Hand over',
} as const;

const NONE = '—';
const SENSOR_PLUG: Readonly<Record<SensorLine['plug'], string>> = { unplugged: 'still unplugged', reconnected: 'plugged in again', 'never out': 'not unplugged' };
const FITTED: Readonly<Record<FittedLine['is'], string>> = { fitted: 'fitted', begun: 'begun, not finished', 'not begun': 'not fitted' };
const WORK: Readonly<Record<WhoLine['work'], string>> = {
  arrival: 'Looked at on arrival',
  opening: 'Opened and closed',
  wiring: 'Connected',
  fitting: 'Fitted',
  testing: 'Probed and tested while open',
  aiming: 'Aimed',
  leaving: 'Tried with everything closed',
};
const tried = (result: string | undefined) => result ?? 'not tried';

const fittedRow =
  (names: Names) =>
  ({ kit, lamp, mount, is }: FittedLine): string[] => [`${names.kit(kit)}: ${inSentence(names.lamp(kit, lamp))}`, names.mount(mount), FITTED[is]];

const fedRow =
  (names: Names) =>
  ({ kit, lamps, circuit, seen, afterA, share, weakest }: FedLine): string[] => [
    lamps.map((lamp) => inSentence(names.lamp(kit, lamp))).join(', '),
    circuit.name,
    `${sayProtection(circuit)}${circuit.fuse && circuit.batteryToFuseMm === undefined ? (seen ? ', seen' : ', as documented') : ''}`,
    `${amperes(afterA)} at worst, ${percent(share)} of the ${weakest}`,
  ];

const litRow =
  (names: Names) =>
  ({ kit, test, open, closed, lights }: LitLine): string[] => [
    names.test(kit, test),
    open === undefined ? 'not tried' : open ? 'works' : 'does not work',
    closed === undefined ? (lights ? 'not tried' : NONE) : sayTriedClosed(closed),
  ];

function madeRow(line: MadeLine, names: Names): string[] {
  switch (line.code) {
    case 'joint': {
      const { joint, proved, checked } = line;
      const wires = joint.toProve.length === 0 ? '' : proved ? 'wires proved on and off' : 'wires not proved';
      return [joint.vehiclePlug.name, sayJoinedHow(joint), [sayChecked(checked), wires].filter((text) => text !== '').join('; ') || NONE];
    }
    case 'capped':
      return [line.kit === undefined ? names.plug(line.plug) : names.kitPlug(line.kit, line.plug), 'left over', line.capped ? 'capped and tied away' : 'not capped'];
    case 'contact':
      return [names.plug(line.plug), `contact for ${line.carries} put in at row ${line.row}, column ${line.column}`, NONE];
    case 're-pinned':
      return [names.kitPlug(line.kit, line.plug), `${plural(line.count, 'contact')} of the kit’s plug moved`, NONE];
    case 'leg':
      return [`Leg to ${inSentence(names.leg(line.kit, line.leg))}`, 'laid and tied', NONE];
    case 'drilled':
      return [names.segment(line.segment), 'a hole was agreed to', sayConsent(line.by)];
    case 'consent':
      return [sayKey(line.about, names), 'cannot be undone', sayConsent(line.by)];
  }
}

function arrivalRow(line: ArrivalLine, names: Names): string[] {
  switch (line.code) {
    case 'wish':
      return ['The customer wanted', line.text];
    case 'mileage':
      return ['Counter', line.mileage ? sayMileage(line.mileage) : 'not written down'];
    case 'battery':
      return ['Battery at rest', line.restV === undefined ? 'not measured' : `${volts(line.restV, 1)}${line.why ? `: ${line.why}` : ''}`];
    case 'damage':
      return [`Damage: ${inSentence(line.place)}`, line.note];
    case 'accessory': {
      const { name, side, holds } = line.accessory;
      return [`Already fitted: ${inSentence(name)}`, `${saySide(side)}${holds.length > 0 ? `, held ${holds.map((piece) => inSentence(names.piece(piece))).join(', ')}` : ''}`];
    }
  }
}

/** Factory lamps as they came and leave; a left and a right one of which the same is to be said share a row. */
function factoryRows(lines: readonly FactoryLine[]): string[][] {
  const rows = lines.map(({ lamp, before, after, replaced }) => [lamp.name, tried(before), replaced ? 'the kit takes its place' : tried(after)]);
  const pairOf = (row: string[] | undefined, side: 'left' | 'right', by: string[]) =>
    row?.[0] === by[0]?.replace(/, (left|right)$/, `, ${side}`) && row?.slice(1).join() === by.slice(1).join();
  return rows.flatMap((row) => {
    const [name = '', ...rest] = row;
    if (name.endsWith(', right') && rows.some((other) => pairOf(other, 'left', row))) return [];
    return name.endsWith(', left') && rows.some((other) => pairOf(other, 'right', row)) ? [[`${name} and right`, ...rest]] : [row];
  });
}

function gapRow({ gap, beforeMm, afterMm, beforeWhy, afterWhy }: GapLine): string[] {
  const said = (widthMm: number | undefined, why: string | undefined) => {
    if (widthMm === undefined) return 'not measured';
    const beside = Math.abs(widthMm - gap.nominalMm) > gap.toleranceMm + 1e-9;
    return `${millimetres(widthMm, 1)}${beside ? ', outside' : ''}${why ? `: ${why}` : ''}`;
  };
  return [gap.name, said(beforeMm, beforeWhy), said(afterMm, afterWhy), `${millimetres(gap.nominalMm, 1)} ± ${millimetres(gap.toleranceMm, 1)}`];
}

const aimRow =
  (names: Names, { lengths }: ShopWays) =>
  ({ kit, lamp, rule, before, after, byOthers, wantedMm, referenceMm, floorBeyond, distanceMm }: AimLine): string[] => {
    const said = (error: AimLine['after']) =>
      error ? `${bothLengths(error.heightMm, lengths)}, ${error.within ? 'in' : 'out'}${floorBeyond ? ', not certified: the floor is beyond the tolerance' : ''}` : 'not read';
    const wall = distanceMm === undefined ? '' : `, wall at ${metres(distanceMm / 1000)}`;
    const mark = wantedMm === undefined ? '' : `; mark at ${bothLengths(wantedMm, lengths)}${wall}`;
    const height = referenceMm === undefined ? '; its height was not measured' : `; it sits at ${bothLengths(referenceMm, lengths)}`;
    return [names.lamp(kit, lamp), `${sayAimRuleShort(rule)}${mark}${height}`, said(before), byOthers ? `by others: ${byOthers}` : said(after)];
  };

const sensorRow =
  (names: Names) =>
  ({ sensor, plug, due, calibrated }: SensorLine): string[] => [
    names.sensor(sensor),
    SENSOR_PLUG[plug],
    calibrated ? sayCalibration(calibrated) : due ? 'calibration due, not done' : 'the profile asks for no calibration',
  ];

function codeRows({ moment, read, codes }: CodesLine): string[][] {
  const when = moment === 'before' ? 'On arrival' : 'Leaving';
  if (codes.length === 0) return [[when, read ? 'none stored' : 'not read', '']];
  return codes.map(({ code, note = '' }) => [when, code, note]);
}

function partRow(line: PartLine, names: Names): string[] {
  switch (line.code) {
    case 'closed':
      return [`${plural(line.count, 'piece')} that ${line.count === 1 ? 'was' : 'were'} opened`, 'back in place'];
    case 'open':
      return [names.piece(line.piece), `still ${line.level}`];
    case 'bagged':
      return [`${names.piece(line.piece)}, original`, line.where];
    case 'left over':
      return [`${names.item(line.kit, line.item)}, of the kit`, `${line.count} left over`];
    default: {
      const { piece, group, count } = line;
      const said = {
        renewed: 'put in new',
        wanting: 'broke, and no new one is in its place',
        again: 'went back, made to be used once',
        dropped: 'dropped and not found',
        out: 'not back',
      }[line.code];
      return [`${names.group(piece, group)}, ${inSentence(names.piece(piece))}`, `${count} ${said}`];
    }
  }
}

function useRow(line: UseLine, names: Names): string[] {
  switch (line.code) {
    case 'option':
      return [names.option(line.kit, line.option), names.choice(line.kit, line.option, line.choice)];
    case 'position': {
      const lights = line.lights.map((lamp) => inSentence(names.lamp(line.kit, lamp))).join(', ');
      return [names.position(line.kit, line.control, line.position), lights === '' ? 'nothing lights' : `lights ${lights}`];
    }
    case 'warning':
      return ['Of the kit', line.text];
    case 'aim by others':
      return [names.lamp(line.kit, line.lamp), `Aimed by others: ${line.by}. Not by night until that is done.`];
    case 'calibration':
      return [
        names.sensor(line.sensor),
        `Calibrated by others: ${line.by}${line.dueOn === undefined ? '' : `, until ${sayDay(line.dueOn)}`}. What hangs on it is not to be relied on before.`,
      ];
    case 'reported':
      return [names.channel(line.channel), 'The vehicle may report it, or flash it fast: accepted.'];
    case 'restored':
      return [line.setting, 'was forgotten while the battery was off, and set again'];
    case 'exception':
      return [sayKey(line.about, names), line.note];
  }
}

const whoRow =
  (benchName: SheetFrame['benchName']) =>
  ({ work, people }: WhoLine): string[] => [WORK[work], people.map(benchName).join(', ')];

/** Puts the customer's sheet into words: what it says of a job, for whose job it is. */
export function sheetContent(sheet: Sheet, context: JobContext, frame: SheetFrame): SheetContent {
  const { state, profile } = context;
  const names = namesOf(context);
  const { missing } = standingOf(context, undefined);
  const { signedBy, at, benchName, shop, job, plate, customer } = frame;
  const exceptions = sheet.use.filter(({ code }) => code === 'exception');
  const tables: SheetTable[] = [
    { title: 'What was fitted, and where', head: ['Lamp', 'Where', 'State'], rows: sheet.fitted.map(fittedRow(names)), empty: 'Nothing was fitted.', shares: [0.45, 0.35, 0.2] },
    {
      title: 'What the kit lights',
      head: ['Function', 'While it was open', 'Everything closed'],
      rows: sheet.lit.map(litRow(names)),
      empty: 'Nothing of the kits lights.',
      shares: [0.56, 0.22, 0.22],
    },
    {
      title: 'Fed from, and guarded by',
      head: ['Lamps', 'From', 'Guarded by', 'Load'],
      rows: sheet.fed.map(fedRow(names)),
      empty: 'Nothing is connected.',
      shares: [0.3, 0.2, 0.24, 0.26],
    },
    {
      title: 'How it was joined',
      head: ['Place', 'How', 'Seen'],
      rows: sheet.made.map((line) => madeRow(line, names)),
      empty: 'Nothing was joined, cut or drilled.',
      shares: [0.3, 0.34, 0.36],
    },
    {
      title: 'Aim, height on the wall',
      head: ['Lamp', 'Rule checked', 'Before', 'After'],
      rows: sheet.aims.map(aimRow(names, frame)),
      empty: 'No lamp of this job has a rule of aim.',
      shares: [0.18, 0.46, 0.18, 0.18],
    },
    { title: 'As it arrived', head: ['What', 'As found'], rows: sheet.arrival.map((line) => arrivalRow(line, names)), empty: 'Nothing was written down.' },
    { title: 'Factory lamps', head: ['Lamp', 'On arrival', 'Leaving'], rows: factoryRows(sheet.factory), empty: 'The profile describes no factory lamps.' },
    { title: 'Panel gaps', head: ['Gap', 'On arrival', 'Leaving', 'Meant to be'], rows: sheet.gaps.map(gapRow), empty: 'The profile describes no gaps.' },
    {
      title: 'Sensors that were disturbed',
      head: ['Sensor', 'Plug', 'Calibration'],
      rows: sheet.sensors.map(sensorRow(names)),
      empty: 'None that the profile describes.',
      shares: [0.3, 0.2, 0.5],
    },
    { title: 'Fault codes', head: ['When', 'Code', 'Note'], rows: sheet.codes.flatMap(codeRows), empty: 'Not read.', shares: [0.2, 0.3, 0.5] },
    { title: 'Parts: kept, renewed, left over', head: ['Part', 'What became of it'], rows: sheet.parts.map((line) => partRow(line, names)), empty: 'Nothing was opened.' },
    {
      title: 'Using it, and its limits',
      head: ['What', 'How'],
      rows: sheet.use.filter(({ code }) => code !== 'exception').map((line) => useRow(line, names)),
      empty: 'Nothing beside the factory lamps’ own switches.',
    },
    { title: 'Named exceptions', head: ['About', 'What was agreed'], rows: exceptions.map((line) => useRow(line, names)), empty: 'None.' },
    { title: 'By whom', head: ['Work', 'Who'], rows: sheet.who.map(whoRow(benchName)), empty: 'Nobody has recorded anything yet.' },
  ];
  const notes = [
    ...(sheet.left === undefined ? [] : [`Opening was given up and nothing was fitted: ${sheet.left}.`]),
    ...(sheet.recheck ? [`Come back after ${sheet.recheck.afterKm} km, or on ${sayDay(sheet.recheck.on)}: new fasteners and the aim are looked at again.`] : []),
    `Checked against the rule set “${sheet.rules}”. Local rules and the maker’s procedure decide; this sheet does not say that anything is lawful.`,
  ];
  return {
    shop,
    job,
    plate,
    customer,
    seq: sheet.seq,
    vehicle: `${profile.maker} ${profile.model}`,
    number: state.number ?? 'not read',
    kits: context.kits.map((kit) => names.kit(kit.slug)),
    verdict:
      missing.length === 0
        ? exceptions.length > 0
          ? `Nothing is left open besides ${plural(exceptions.length, 'named exception')}.`
          : 'Nothing is left open.'
        : `Still open: ${missing.map((hold) => sayHold(hold, names)).join('; ')}.`,
    tables,
    notes,
    signed: signedBy === undefined ? SHEET.open : `Checked and signed off at the bench by ${signedBy}, ${sayMoment(at, frame)}.`,
    ...(state.signature ? { signature: state.signature } : {}),
    received: state.signature ? SHEET.received : SHEET.notSigned,
  };
}

/** What stands below the plate, at the foot, and how its pages are counted. */
export const sayHead = ({ number, kits }: Pick<SheetContent, 'number' | 'kits'>): string => `Vehicle number ${number} · kits: ${kits.join(', ')}`;
export const sayFoot = ({ job, seq }: Pick<SheetContent, 'job' | 'seq'>): string => `${job} · log at ${seq}`;
export const sayPage = (foot: string, page: number, of: number): string => `${foot} · page ${page} of ${of}`;
