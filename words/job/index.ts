import { AIM_GATE, isAimGate, type CloseTrouble } from '@jade/core/closing';
import type { EventType, Hold, HoldCode, JobContext, LoggedEvent, OpenQuestion, PartToOrder, Payloads, Station, StationState } from '@jade/core/job';
import type { Pass } from '@jade/core/kit';
import type { FastenerGroup } from '@jade/core/vehicle';
import { amount, inSentence, millimetres, percent, plural } from '@jade/words/units';

export const STATION_NAMES: Record<Station, string> = {
  'check-in': 'Check in',
  match: 'Match',
  gather: 'Gather',
  'open-up': 'Open up',
  wire: 'Wire',
  probe: 'Probe',
  sense: 'Sense',
  fit: 'Fit',
  'close-up': 'Close up',
  aim: 'Aim',
  'hand-over': 'Hand over',
};

export const STATION_QUESTIONS: Record<Station, string> = {
  'check-in': 'What exactly is this vehicle, and how did it arrive?',
  match: 'Does this kit fit this vehicle, with what?',
  gather: 'Is everything here before anything comes off?',
  'open-up': 'What has to come off, in which order, with which tools?',
  wire: 'What plugs into what, what feeds it, and will it carry?',
  probe: 'Which wire is which, on this very vehicle?',
  sense: 'What do radar, camera and parking sensors see after this?',
  fit: 'Mount, connect, test while it is still open.',
  'close-up': 'Put it back right the first time.',
  aim: 'Where should the beam land, and where does it?',
  'hand-over': 'Can it leave?',
};

export const STATE_NAMES: Record<StationState, string> = {
  'not begun': 'not begun',
  'under way': 'under way',
  settled: 'settled',
  'needs an answer': 'needs an answer',
  blocked: 'blocked',
};

/** Looks up what a person calls the things that a hold names by id. */
export interface Names {
  piece: (id: string) => string;
  /** A piece or a mount position. */
  place: (id: string) => string;
  kit: (slug: string) => string;
  item: (kit: string, id: string) => string;
  task: (kit: string, id: string) => string;
  step: (kit: string, id: string) => string;
  test: (kit: string, id: string) => string;
  lamp: (kit: string, id: string) => string;
  factory: (id: string) => string;
  fact: (id: string) => string;
  mount: (id: string) => string;
  plug: (id: string) => string;
  circuit: (id: string) => string;
  sensor: (id: string) => string;
  group: (piece: string, id: string) => string;
}

function find<T extends { id: string }>(items: readonly T[] | undefined, id: string): T | undefined {
  return items?.find((item) => item.id === id);
}

/** Names from the documents of a job; an id that is not found stands for itself. */
export function namesOf({ profile, kits }: Pick<JobContext, 'profile' | 'kits'>): Names {
  const kit = (slug: string) => kits.find((candidate) => candidate.slug === slug);
  const fitment = (slug: string) => kit(slug)?.fitments.find((candidate) => candidate.vehicle === profile.slug);
  return {
    piece: (id) => find(profile.pieces, id)?.name ?? id,
    place: (id) => (find(profile.pieces, id) ?? find(profile.mounts, id))?.name ?? id,
    kit: (slug) => (kit(slug) ? `${kit(slug)?.maker} ${kit(slug)?.name}` : slug),
    item: (slug, id) => {
      const item = find(kit(slug)?.contents, id);
      return item ? `${item.name}${item.hand ? `, ${item.hand}` : ''}` : id;
    },
    task: (slug, id) => find(kit(slug)?.benchTasks, id)?.name ?? id,
    step: (slug, id) => find(fitment(slug)?.fitSteps, id)?.name ?? id,
    test: (slug, id) => find(fitment(slug)?.tests, id)?.name ?? id,
    lamp: (slug, id) => find(kit(slug)?.lamps, id)?.name ?? id,
    factory: (id) => find(profile.functions, id)?.name ?? id,
    fact: (id) => find(profile.facts, id)?.label ?? id,
    mount: (id) => find(profile.mounts, id)?.name ?? id,
    plug: (id) => find(profile.plugs, id)?.name ?? id,
    circuit: (id) => find(profile.circuits, id)?.name ?? id,
    sensor: (id) => find(profile.sensors, id)?.name ?? id,
    group: (piece, id) => sayGroup(find(find(profile.pieces, piece)?.fasteners, id)) ?? id,
  };
}

/** A way as a phrase: its author's id read as words. */
export function sayWay(id: string): string {
  return id.replaceAll('-', ' ');
}

/** A fastener group in the trade's words: "T25 six-lobe × 25 mm". */
export function sayGroup(group: { drive: string; size?: string; lengthMm?: number } | undefined): string | undefined {
  if (!group) return undefined;
  const drive = group.drive === 'none' ? 'tape' : group.drive;
  const name = group.size ? `${group.size} ${drive}` : drive;
  return group.lengthMm ? `${name} × ${amount(group.lengthMm, 'mm')}` : name;
}

type Say = (data: Hold['data'], names: Names) => string;
const text = (value: string | number | undefined) => String(value ?? '');
const number = (value: string | number | undefined) => Number(value ?? 0);

const HOLDS: Record<HoldCode, Say> = {
  'number-missing': () => 'Read the vehicle number',
  'battery-missing': () => 'Measure the battery at rest',
  'codes-before-missing': () => 'Read the fault codes before anything is touched',
  'baseline-missing': ({ count, of }) => `Try ${plural(number(count), 'factory lamp')} of ${of}`,
  'gaps-before-missing': ({ count }) => `Measure ${plural(number(count), 'panel gap')}`,
  'fact-unknown': ({ fact, count }, names) => `Look at ${inSentence(names.fact(text(fact)))}${number(count) > 1 ? ` and ${plural(number(count) - 1, 'more fact')}` : ''}`,
  'kit-does-not-fit': ({ kit }, names) => `${names.kit(text(kit))} does not fit this vehicle`,
  'kit-undecided': ({ kit, fact }, names) =>
    `${names.kit(text(kit))}: ${fact ? `look at ${inSentence(names.fact(text(fact)))} to settle the match` : 'the model year is not known'}`,
  'kit-unconfirmed': ({ kit }, names) => `Confirm the options of ${names.kit(text(kit))}`,
  'content-short': ({ kit, item, count }, names) => `${names.item(text(kit), text(item))}: ${count} missing from ${names.kit(text(kit))}`,
  'content-hands': ({ kit, item, left, right }, names) => `${names.item(text(kit), text(item)).replace(/, (left|right)$/, '')}: ${left} left and ${right} right`,
  'content-uncounted': ({ kit, count }, names) => `Count ${plural(number(count), 'item')} of ${names.kit(text(kit))}`,
  'bench-task': ({ kit, task }, names) => `On the bench: ${names.task(text(kit), text(task))}`,
  'target-unreachable': ({ mount }, names) => `${names.mount(text(mount))} cannot be reached by any way in the profile`,
  'pieces-to-open': ({ count, piece }, names) =>
    number(count) > 0 ? `${plural(number(count), 'step')} to open, next: ${names.piece(text(piece))}` : 'The way in is being worked out',
  'plug-does-not-mate': ({ plug }, names) => `${names.plug(text(plug))} does not meet its mate pin by pin`,
  'plug-to-join': ({ plug }, names) => `Join ${inSentence(names.plug(text(plug)))}`,
  'load-refused': ({ circuit, share }, names) => `${names.circuit(text(circuit))} would carry ${percent(number(share))} of its weakest part`,
  'load-to-accept': ({ circuit, share }, names) => `${names.circuit(text(circuit))} will carry ${percent(number(share))}: accept it`,
  'reference-missing': () => 'Prove the reference before any reading',
  'wire-unproved': ({ plug, pin, carries }, names) => `${names.plug(text(plug))}, pin ${pin}: prove ${carries} on and off`,
  'wire-contradictory': ({ plug, pin }, names) => `${names.plug(text(plug))}, pin ${pin}: the readings contradict`,
  'sensor-unplugged': ({ sensor }, names) => `${names.sensor(text(sensor))} is still unplugged`,
  'calibration-due': ({ sensor }, names) => `${names.sensor(text(sensor))} was disturbed: calibration due`,
  'fit-passes': ({ step, kit, count }, names) => `${plural(number(count), 'fitting step')} open, next: ${names.step(text(kit), text(step))}`,
  'test-failed': ({ kit, test }, names) => `Test failed: ${names.test(text(kit), text(test))}`,
  'test-missing': ({ kit, test }, names) => `Test: ${names.test(text(kit), text(test))}`,
  'covered-untested': ({ kit, test, piece }, names) => `${names.piece(text(piece))} went back before “${names.test(text(kit), text(test))}” had passed`,
  'covered-unaimed': ({ kit, test, piece }, names) => `${names.piece(text(piece))} hides the adjuster of ${inSentence(names.lamp(text(kit), text(test)))}, which is not aimed`,
  'piece-open': ({ piece, level }, names) => `${names.piece(text(piece))} is still ${level}`,
  'fasteners-out': ({ piece, group, count }, names) => `${count} × ${names.group(text(piece), text(group))} of ${inSentence(names.piece(text(piece)))} still in the tray`,
  'fastener-dropped': ({ piece, group, count }, names) => `${count} × ${names.group(text(piece), text(group))} of ${inSentence(names.piece(text(piece)))} dropped and not found`,
  'part-to-bag': ({ piece }, names) => `Bag ${inSentence(names.piece(text(piece)))} for the owner`,
  'wall-missing': () => 'Set the wall: rule, distance, floor',
  'aim-preparation': () => 'Tyres, load and levelling before aiming',
  'aim-missing': ({ kit, lamp }, names) => `Aim ${inSentence(names.lamp(text(kit), text(lamp)))}`,
  'aim-out': ({ kit, lamp, errorMm }, names) => `${names.lamp(text(kit), text(lamp))} lands ${amount(Math.abs(number(errorMm)), 'mm')} too ${number(errorMm) > 0 ? 'high' : 'low'}`,
  'final-missing': ({ count }) => `Try ${plural(number(count), 'factory lamp')} again`,
  'function-worse': ({ lamp, result }, names) => `${names.factory(text(lamp))} is ${result}, and was better on arrival`,
  'codes-after-missing': () => 'Read the fault codes again',
  'code-new': ({ code }) => `Fault code ${code} was not there on arrival`,
  'gap-after-missing': ({ count }) => `Measure ${plural(number(count), 'panel gap')} again`,
  'sign-off': () => 'Sign the job off',
  'log-question': ({ count }) => (number(count) === 1 ? '1 entry in the log does not fit what came before' : `${count} entries in the log do not fit what came before`),
};

/** The sentence for one hold. */
export function sayHold(hold: Hold, names: Names): string {
  return HOLDS[hold.code](hold.data, names);
}

/** The sentence for a question the log leaves open. */
export function sayQuestion(question: OpenQuestion, names: Names): string {
  switch (question.code) {
    case 'event-before-opening':
      return 'An entry came before the job was opened.';
    case 'second-opening':
      return 'The job was opened a second time.';
    case 'more-back-than-out':
      return `${names.piece(question.piece)}: more ${names.group(question.piece, question.group)} went back than came out.`;
    case 'late-event':
      return 'An entry came after the job was signed.';
  }
}

const EVENTS: { [T in EventType]: (payload: Payloads[T], names: Names) => string } = {
  'job.opened': () => 'Job opened',
  'job.repinned': ({ profile, lost }) => `Newer documents taken over, profile version ${profile.version}${lost.length > 0 ? `; lost: ${lost.join(', ')}` : ''}`,
  'job.assigned': ({ person }) => `Given to ${person}`,
  'number.recorded': ({ number: read }) => `Number ${read}`,
  'fact.recorded': ({ fact, certainty, value }, names) =>
    `${names.fact(fact)}: ${certainty === 'unknown' ? 'not known' : `${value ?? ''}${certainty === 'assumed' ? ', assumed' : ''}`}`,
  'baseline.tried': ({ lamp, result }, names) => `${names.factory(lamp)}: ${result}`,
  'battery.measured': ({ restV }) => `Battery at rest ${amount(restV, 'V', 1)}`,
  'code.recorded': ({ code, moment }) => `Fault code ${code}, ${moment}`,
  'codes.read': ({ moment, count }) => `Fault codes read ${moment}: ${count === 0 ? 'none' : count}`,
  'gap.measured': ({ widthMm, moment }) => `Gap ${amount(widthMm, 'mm', 1)}, ${moment}`,
  'damage.noted': ({ place, note }) => `Damage, ${place}: ${note}`,
  'option.chosen': ({ option, choice }) => `${option}: ${choice}`,
  'match.confirmed': ({ kit }, names) => `Match of ${names.kit(kit)} confirmed`,
  'content.counted': ({ kit, item, count }, names) => `${names.item(kit, item)}: ${count} counted`,
  'bench.done': ({ kit, task }, names) => `Bench: ${names.task(kit, task)}`,
  'piece.moved': ({ piece, level }, names) => `${names.piece(piece)} ${level}`,
  'accessory.found': ({ name, holds }, names) =>
    `Found on the vehicle: ${name}${holds.length > 0 ? `, before ${holds.map((piece) => inSentence(names.piece(piece))).join(', ')}` : ''}`,
  'way.blocked': ({ place, way, why }, names) => `${names.place(place)}: ${sayWay(way)} is blocked, ${why}`,
  'way.chosen': ({ place, way }, names) => (way === undefined ? `${names.place(place)}: back to the least labour` : `${names.place(place)}: ${sayWay(way)} chosen`),
  'order.chosen': ({ school, people }) => `Order: ${school}, ${plural(people, 'person', 'people')}`,
  'opening.left': ({ why }) => `Opening given up: ${why}`,
  'opening.resumed': ({ why }) => `Opening taken up again: ${why}`,
  'fastener.seized': ({ piece, group, count, addMin }, names) =>
    `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} seized, ${amount(addMin, 'min')} more`,
  'fastener.broken': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} broken`,
  'fastener.dropped': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} dropped`,
  'fastener.found': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} found`,
  'plug.joined': ({ connection }) => `Plug joined: ${connection}`,
  'load.accepted': ({ circuit }, names) => `Load on ${inSentence(names.circuit(circuit))} accepted`,
  'reference.checked': ({ groundV, feedV }) => `Reference: ground ${amount(groundV, 'V', 2)}, feed ${amount(feedV, 'V', 2)}`,
  'reading.taken': ({ plug, pin, state, lowV, highV }, names) =>
    `${names.plug(plug)} pin ${pin}, ${state}: ${lowV === highV ? amount(highV, 'V', 2) : `${amount(lowV, 'V', 2)} to ${amount(highV, 'V', 2)}`}`,
  'sensor.unplugged': ({ sensor }, names) => `${names.sensor(sensor)} unplugged`,
  'sensor.reconnected': ({ sensor }, names) => `${names.sensor(sensor)} reconnected`,
  'sensor.moved': ({ sensor }, names) => `${names.sensor(sensor)} moved`,
  'sensor.calibrated': ({ sensor, how }, names) => `${names.sensor(sensor)} calibration: ${how}`,
  'step.passed': ({ kit, step, pass }, names) => `${names.step(kit, step)}: ${PASS_WORDS[pass]}`,
  'test.tried': ({ kit, test, passed }, names) => `${names.test(kit, test)}: ${passed ? 'passed' : 'failed'}`,
  'wall.set': ({ rule, distanceMm }) => `Wall at ${amount(distanceMm / 1000, 'm', 2)}, ${rule}`,
  'aim.prepared': () => 'Prepared for aiming',
  'aim.measured': ({ moment, heightMm }) => `Aim ${moment}: ${amount(heightMm, 'mm')}`,
  'aim.by-others': ({ by }) => `Aim by others: ${by}`,
  'final.tried': ({ lamp, result }, names) => `${names.factory(lamp)} leaving: ${result}`,
  'part.bagged': ({ piece, where }, names) => `${names.piece(piece)} bagged: ${where}`,
  'exception.named': ({ note }) => `Exception: ${note}`,
  'job.signed': () => 'Signed off',
  'job.reopened': ({ why }) => `Reopened: ${why}`,
  undone: () => 'Taken back',
};

/** What is done to the fasteners of a step in each pass. */
export const PASS_WORDS: Record<Pass, string> = { start: 'all started', align: 'aligned', tighten: 'tightened' };

/** Why a fastener is wanted new. */
export const PART_WHY: Record<PartToOrder['why'], string> = {
  'single use': 'used once only',
  broken: 'broken',
  seized: 'seized',
  'too short': 'the vehicle’s own are too short for the kit’s part',
};

/** What goes back in place of fasteners that came out; nothing where they go back themselves. */
export function sayNew(parts: readonly PartToOrder[], piece: string, group: FastenerGroup): string {
  const longer = parts.find((part) => part.why === 'too short' && part.piece === piece && part.group.id === group.id);
  if (longer?.group.lengthMm !== undefined) return `take new ones of ${millimetres(longer.group.lengthMm)}, through the kit’s part`;
  return group.singleUse ? 'take new ones' : '';
}

/** What a gate is called: a test, or the aim of a lamp. */
export function sayGate(gate: string, names: Names): string {
  const [kit = '', id = ''] = gate.replace(AIM_GATE, '').split('/');
  return isAimGate(gate) ? `aim ${inSentence(names.lamp(kit, id))}` : names.test(kit, id);
}

/** What does not go in closing, and what is left to do. */
export function sayCloseTrouble(trouble: CloseTrouble, names: Names): string {
  const pieces = trouble.pieces.map(names.piece).join(', then ');
  if (trouble.code === 'refit-contradiction') return `The refit rules contradict each other: ${pieces}. The order below keeps without them; decide at the vehicle.`;
  return `“${sayGate(trouble.test, names)}” cannot come before ${trouble.pieces.map((piece) => inSentence(names.piece(piece))).join(' and ')} in any order. What is left: ${trouble.offers.join(', or ')}.`;
}

/** One line of the log in words. */
export function sayEvent(event: LoggedEvent, names: Names): string {
  const say = EVENTS[event.type] as (payload: LoggedEvent['payload'], names: Names) => string;
  return say(event.payload, names);
}
