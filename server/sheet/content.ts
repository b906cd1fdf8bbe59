import { functionsOf, lampAims, leftoverPlugs, lostFunctions, replacedPieces, watchedLamps, wireJoints, circuitLoads, type JobContext } from '@jade/core/job';
import { sense, standingOf } from '@jade/core/stations';
import { namesOf } from '@jade/words/job';
import { sayHold, sayKey } from '@jade/words/stations';
import { sayJoinedHow, sayProtection, sayWatchedShort } from '@jade/words/wiring';
import { sayMileage } from '@jade/words/customers';
import { amperes, bothLengths, inSentence, millimetres, percent, volts } from '@jade/words/units';

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
  signedBy: string;
  signedAt: string;
}

export interface SheetFrame {
  shop: string;
  job: string;
  plate: string;
  customer: string;
  signedBy: string;
  signedAt: string;
}

const shown = (value: string | undefined) => value ?? 'not tried';

function functionTable(context: JobContext): SheetTable {
  const lost = lostFunctions(context);
  const { baseline, final } = context.state;
  return {
    title: 'Factory lamps, on arrival and leaving',
    head: ['Lamp', 'On arrival', 'Leaving'],
    rows: functionsOf(context).map((lamp) => [lamp.name, shown(baseline[lamp.id]), lost.includes(lamp.id) ? 'replaced by the kit' : shown(final[lamp.id])]),
    empty: 'The profile names no factory lamps.',
  };
}

function aimTable(context: JobContext): SheetTable {
  const rows = lampAims(context).map((aim) => {
    const said = (error: typeof aim.after) => (error ? `${bothLengths(error.heightMm)}, ${error.within ? 'in' : 'out'}` : '—');
    const result = aim.byOthers ? `aim by others: ${aim.byOthers}. Limit night use until it is done.` : said(aim.after);
    return [aim.lamp.name, `${aim.rule.name} (${aim.rule.certainty})`, said(aim.before), result];
  });
  return { title: 'Aim, height on the wall', head: ['Lamp', 'Rule checked', 'Before', 'After'], rows, empty: 'No lamp of this job has a rule of aim.' };
}

function wireTable(context: JobContext): SheetTable {
  const loads = circuitLoads(context).map(({ circuit, check }) => [
    `${circuit.name}, ${sayProtection(circuit)}${circuit.fuse ? `, ${context.state.fuses[circuit.id] === undefined ? 'as documented' : 'seen'}` : ''}`,
    `${amperes(check.afterA)} at worst`,
    `${percent(check.shareAfter)} of the ${check.weakest}`,
  ]);
  const joints = wireJoints(context).map((joint) => [
    joint.vehiclePlug.name,
    joint.joined ? sayJoinedHow(joint) : 'not joined',
    joint.toProve.every((wire) => wire.proof.code === 'proved') ? 'proved on and off' : 'not proved',
  ]);
  const lamps = (watchedLamps(context) ?? []).map(({ channel, value, accepted }) => [
    channel.name,
    'how the vehicle watches it',
    sayWatchedShort(value, channel.flashes, accepted),
  ]);
  const left = leftoverPlugs(context).map(({ plug, capped }) => [plug.name, 'left over', capped ? 'capped and tied away' : 'not capped']);
  return { title: 'Connections and load', head: ['Place', 'How', 'Result'], rows: [...loads, ...joints, ...left, ...lamps], empty: 'Nothing was connected.' };
}

function sensorTable(context: JobContext): SheetTable {
  const rows = sense.disturbedSensors(context, undefined).map(({ sensor, calibrationDue }) => {
    const done = context.state.calibrated[sensor.id];
    return [
      sensor.name,
      calibrationDue ? 'calibration due' : 'not required by the profile',
      done ? `${done.how}${done.note ? `: ${done.note}` : ''}` : (context.state.exceptions[`sensor:${sensor.id}`] ?? '—'),
    ];
  });
  return { title: 'Sensors that were disturbed', head: ['Sensor', 'Asked', 'Done'], rows, empty: 'No sensor was moved or unplugged.' };
}

function partsTable(context: JobContext): SheetTable {
  const names = namesOf(context);
  const { bagged, tray } = context.state;
  const rows = replacedPieces(context)
    .filter((piece) => bagged[piece])
    .map((piece) => [names.piece(piece), 'original part', bagged[piece] ?? '']);
  for (const [piece, groups] of Object.entries(tray)) {
    for (const [group, tally] of Object.entries(groups))
      if (tally.broken > 0) rows.push([`${names.group(piece, group)}, ${inSentence(names.piece(piece))}`, `${tally.broken} broken`, 'replaced new']);
  }
  return { title: 'Parts kept and parts renewed', head: ['Part', 'What', 'Where'], rows, empty: 'No original part was replaced and none broke.' };
}

function codeTable(context: JobContext): SheetTable {
  const before = context.state.codes.before.map(({ code, note }) => [code, 'on arrival', note ?? '']);
  const after = context.state.codes.after.map(({ code, note }) => [code, 'leaving', note ?? context.state.exceptions[`code:${code}`] ?? '']);
  return { title: 'Fault codes', head: ['Code', 'When', 'Note'], rows: [...before, ...after], empty: 'None stored on arrival, none leaving.' };
}

function exceptionTable(context: JobContext): SheetTable {
  return {
    title: 'Named exceptions',
    head: ['About', 'What was agreed'],
    rows: Object.entries(context.state.exceptions).map(([about, note]) => [sayKey(about, namesOf(context)), note]),
    empty: 'None.',
  };
}

/** What was opened and how it leaves: closed, off because the kit takes its place, or still open. */
function closedNotes(context: JobContext, names: ReturnType<typeof namesOf>): string[] {
  const open = Object.entries(context.state.pieces).filter(([, level]) => level !== 'fitted');
  const replaced = replacedPieces(context);
  const named = (list: typeof open) => list.map(([piece, level]) => `${inSentence(names.piece(piece))}${level === 'off' ? '' : `, ${level}`}`).join('; ');
  const stay = open.filter(([piece]) => replaced.includes(piece));
  const left = open.filter(([piece]) => !replaced.includes(piece));
  if (Object.keys(context.state.reached).length === 0) return ['Nothing was opened.'];
  return [
    left.length === 0 ? 'Everything else that was opened is closed again.' : `Still open: ${named(left)}.`,
    ...(stay.length > 0 ? [`Off, because the kit takes its place: ${named(stay)}.`] : []),
  ];
}

/** Puts the customer's sheet into words from the job as folded at signing. */
export function sheetContent(context: JobContext, frame: SheetFrame): SheetContent {
  const { state, profile, rules } = context;
  const names = namesOf(context);
  const { missing } = standingOf(context, undefined);
  const gaps = profile.gaps.filter((gap) => state.gaps.after[gap.id] !== undefined);
  const notes = [
    ...(state.left === undefined ? [] : [`Opening was given up and what was open is closed again: ${state.left}. No kit was fitted.`]),
    ...(state.opened?.wish ? [`The customer wanted: ${state.opened.wish}`] : []),
    `Counter on arrival: ${state.opened?.mileage ? sayMileage(state.opened.mileage) : 'not written down'}.`,
    `Battery at rest on arrival: ${state.restV === undefined ? 'not measured' : volts(state.restV, 1)}.`,
    gaps.length > 0
      ? `Panel gaps leaving: ${gaps.map((gap) => `${gap.name} ${millimetres(state.gaps.after[gap.id] ?? 0, 1)}`).join('; ')}.`
      : 'Panel gaps were not measured again.',
    ...closedNotes(context, names),
    `Checked against the rule set “${rules.name}”. Local rules and the maker’s procedure decide; this sheet does not say that anything is lawful.`,
    'Come back after 100 km for a check of all new fasteners.',
  ];
  return {
    ...frame,
    seq: state.lastSeq,
    vehicle: `${profile.maker} ${profile.model}`,
    number: state.number ?? 'not read',
    kits: context.kits.map((kit) => names.kit(kit.slug)),
    verdict: missing.length === 0 ? 'Nothing is left open.' : `Signed with open points: ${missing.map((hold) => sayHold(hold, names)).join('; ')}.`,
    tables: [functionTable(context), aimTable(context), wireTable(context), sensorTable(context), codeTable(context), partsTable(context), exceptionTable(context)],
    notes,
  };
}
