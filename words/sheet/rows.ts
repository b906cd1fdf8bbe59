import type {
  DroppedLine,
  HeldLine,
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
  LensLine,
  WarningsLine,
  FedLine,
  LitLine,
} from '@jade/core/sheet';
import { sayAimRuleShort } from '@jade/words/aiming';
import { CAUTIONS } from '@jade/words/cautions';
import { sayMileage } from '@jade/words/customers';
import { sayConsent } from '@jade/words/job';
import type { Names } from '@jade/words/names';
import { sayWarnings } from '@jade/words/judging';
import { sayCalibration } from '@jade/words/sensing';
import { sayKey } from '@jade/words/subject';
import { amperes, bothLengths, inSentence, metres, millimetres, percent, plural, sayDay, volts, type ShopWays } from '@jade/words/units';
import { sayChecked, sayJoinedHow, sayNotReckoned, sayProtection } from '@jade/words/wiring';
import { saySide } from '@jade/words/vehicle';
import { sayTriedClosed } from './new-lamps.ts';

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

export const fittedRow =
  (names: Names) =>
  ({ kit, lamp, mount, is }: FittedLine): string[] => [`${names.kit(kit)}: ${inSentence(names.lamp(kit, lamp))}`, names.mount(mount), FITTED[is]];

export const fedRow =
  (names: Names) =>
  ({ kit, lamps, circuit, seen, afterA, share, weakest, unknown }: FedLine): string[] => [
    lamps.map((lamp) => inSentence(names.lamp(kit, lamp))).join(', '),
    circuit.name,
    `${sayProtection(circuit)}${circuit.fuse && circuit.batteryToFuseMm === undefined ? (seen ? ', seen' : ', as documented') : ''}`,
    // What is not described is no load that was found to be carried.
    unknown.length === 0
      ? `${amperes(afterA)} at worst, ${percent(share)} of the ${weakest}`
      : `${amperes(afterA)} or more at worst, ${percent(share)} or more of the ${weakest}. ${sayNotReckoned(unknown)}`,
  ];

export const droppedRow =
  (names: Names) =>
  ({ kit, why, stays, left }: DroppedLine): string[] => {
    const still = left > 0 ? [`${plural(left, 'thing')} of it still on the vehicle`] : [];
    const for_ever = stays.map((step) => `${inSentence(names.step(kit, step))}, which cannot be undone`);
    return [names.kit(kit), why ?? 'with the whole job', [...still, ...for_ever].join('; ') || 'nothing of it is on the vehicle'];
  };

export const heldRow =
  (names: Names) =>
  ({ kit, step }: HeldLine): string[] => [names.step(kit, step), 'held again with the tool, they do not move'];

export const litRow =
  (names: Names) =>
  ({ kit, test, open, closed, lights, before }: LitLine): string[] => [
    names.test(kit, test),
    before ? NONE : open === undefined ? 'not tried' : open ? 'works' : 'does not work',
    closed === undefined ? (lights ? 'not tried' : NONE) : sayTriedClosed(closed),
  ];

export function madeRow(line: MadeLine, names: Names): string[] {
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

export function arrivalRow(line: ArrivalLine, names: Names): string[] {
  switch (line.code) {
    case 'wish':
      return ['The customer wanted', line.text];
    case 'mileage':
      return ['Odometer or hours', line.mileage ? sayMileage(line.mileage) : 'not written down'];
    case 'battery':
      return ['Battery at rest', line.restV === undefined ? 'not measured' : `${volts(line.restV, 1)}${line.why ? `: ${line.why}` : ''}`];
    case 'damage':
      return [`Damage: ${inSentence(line.place)}`, line.note];
    case 'came-open':
      return [names.piece(line.piece), line.level === 'off' ? 'not there when it came' : `${line.level} when it came`];
    case 'accessory': {
      const { name, side, holds } = line.accessory;
      return [`Already fitted: ${inSentence(name)}`, `${saySide(side)}${holds.length > 0 ? `, held ${holds.map((piece) => inSentence(names.piece(piece))).join(', ')}` : ''}`];
    }
  }
}

/** Factory lamps as they came and leave; a left and a right one of which the same is to be said share a row. */
/** Rows of which a left and a right one say the same become one. */
function paired(rows: readonly string[][]): string[][] {
  const pairOf = (row: string[] | undefined, side: 'left' | 'right', by: string[]) =>
    row?.[0] === by[0]?.replace(/, (left|right)$/, `, ${side}`) && row?.slice(1).join() === by.slice(1).join();
  return rows.flatMap((row) => {
    const [name = '', ...rest] = row;
    if (name.endsWith(', right') && rows.some((other) => pairOf(other, 'left', row))) return [];
    return name.endsWith(', left') && rows.some((other) => pairOf(other, 'right', row)) ? [[`${name} and right`, ...rest]] : [row];
  });
}

export const factoryRows = (lines: readonly FactoryLine[]): string[][] =>
  paired(lines.map(({ lamp, before, after, replaced }) => [lamp.name, tried(before), replaced ? 'the kit takes its place' : tried(after)]));

export function gapRow({ gap, beforeMm, afterMm, beforeWhy, afterWhy }: GapLine): string[] {
  const { nominalMm, toleranceMm } = gap;
  const said = (widthMm: number | undefined, why: string | undefined) => {
    if (widthMm === undefined) return 'not measured';
    const beside = nominalMm !== undefined && toleranceMm !== undefined && Math.abs(widthMm - nominalMm) > toleranceMm + 1e-9;
    return `${millimetres(widthMm, 1)}${beside ? ', outside' : ''}${why ? `: ${why}` : ''}`;
  };
  const meant = nominalMm === undefined ? 'not stated' : `${millimetres(nominalMm, 1)}${toleranceMm === undefined ? '' : ` ± ${millimetres(toleranceMm, 1)}`}`;
  return [gap.name, said(beforeMm, beforeWhy), said(afterMm, afterWhy), meant];
}

export const aimRow =
  (names: Names, { lengths }: ShopWays) =>
  ({ kit, lamp, rule, before, after, byOthers, wantedMm, referenceMm, floorBeyond, distanceMm }: AimLine): string[] => {
    const said = (error: AimLine['after']) =>
      error ? `${bothLengths(error.heightMm, lengths)}, ${error.within ? 'in' : 'out'}${floorBeyond ? ', not certified: the floor is beyond the tolerance' : ''}` : 'not read';
    const wall = distanceMm === undefined ? '' : `, wall at ${metres(distanceMm / 1000)}`;
    const mark = wantedMm === undefined ? '' : `; mark at ${bothLengths(wantedMm, lengths)}${wall}`;
    const height = referenceMm === undefined ? '; its height was not measured' : `; it sits at ${bothLengths(referenceMm, lengths)}`;
    return [names.lamp(kit, lamp), `${sayAimRuleShort(rule)}${mark}${height}`, said(before), byOthers ? `by others: ${byOthers}` : said(after)];
  };

export const sensorRow =
  (names: Names) =>
  ({ sensor, plug, due, calibrated }: SensorLine): string[] => [
    names.sensor(sensor),
    SENSOR_PLUG[plug],
    calibrated ? sayCalibration(calibrated) : due ? 'calibration due, not done' : 'the profile asks for no calibration',
  ];

const WHEN = { before: 'On arrival', after: 'Leaving' } as const;

/** Fault codes of a moment, each on its row, and beside the first what warning lamps were lit then. */
export function codeRows({ moment, read, codes }: CodesLine, warnings: WarningsLine | undefined): string[][] {
  const lit = warnings?.lit ? `${sayWarnings(warnings.lit)}${warnings.why ? `: ${warnings.why}` : ''}` : 'not looked at';
  const said = codes.length === 0 ? [read ? 'none stored' : 'not read'] : codes.map(({ code, note }) => (note ? `${code}, ${note}` : code));
  return said.map((text, index) => [index === 0 ? WHEN[moment] : '', text, index === 0 ? lit : '']);
}

export function lensRows(lines: readonly LensLine[]): string[][] {
  const said = (grade: string | undefined, why: string | undefined) => (grade === undefined ? 'not graded' : `${grade}${why ? `: ${why}` : ''}`);
  return paired(
    lines.map(({ lamp, before, after, beforeWhy, afterWhy, replaced }) => [
      `Lens of ${inSentence(lamp.name)}`,
      said(before, beforeWhy),
      replaced ? 'the kit takes its place' : said(after, afterWhy),
    ]),
  );
}

export function partRow(line: PartLine, names: Names): string[] {
  switch (line.code) {
    case 'closed':
      return [`${plural(line.count, 'piece')} that ${line.count === 1 ? 'was' : 'were'} opened`, 'back in place'];
    case 'open':
      return [names.piece(line.piece), `still ${line.level}`];
    case 'bagged':
      return [`${names.piece(line.piece)}, original`, line.where];
    case 'tighten again':
      return [
        `${names.group(line.piece, line.group)}, ${inSentence(names.piece(line.piece))}`,
        `${line.count} were out and are tight: tightened once more after ${line.afterKm} km`,
      ];
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

export function useRow(line: UseLine, names: Names): string[] {
  switch (line.code) {
    case 'option':
      return [names.option(line.kit, line.option), names.choice(line.kit, line.option, line.choice)];
    case 'position': {
      const lights = line.lights.map((lamp) => inSentence(names.lamp(line.kit, lamp))).join(', ');
      return [names.position(line.kit, line.control, line.position), lights === '' ? 'nothing lights' : `lights ${lights}`];
    }
    case 'caution':
      return ['On the road', CAUTIONS[line.caution]];
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

/** Work by whom it was done, in its order; what the same people did follows on one row. */
export function whoRows(lines: readonly WhoLine[], benchName: (person: string) => string): string[][] {
  const works = new Map<string, string[]>();
  for (const { work, people } of lines) {
    const who = people.map(benchName).join(', ');
    const list = works.get(who) ?? [];
    works.set(who, [...list, list.length === 0 ? WORK[work] : inSentence(WORK[work])]);
  }
  return [...works].map(([who, list]) => [list.join(', '), who]);
}
