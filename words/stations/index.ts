import { MOST_PINS, type JobState } from '@jade/core/events';
import type { FaceFault, Hold, HoldCode, Refusal, Station, StationState } from '@jade/core/stations';
import type { PoweredFault } from '@jade/core/wiring';
import { MEASURE_NAMES, type Names } from '@jade/words/names';
import { saySubject, sayTarget } from '@jade/words/subject';
import { sayDoubt } from '@jade/words/judging';
import { DOUBT_WORDS, POWERED_FAULTS, sayReference } from '@jade/words/probing';
import { BAR_WORDS } from '@jade/words/wiring';
import { LANGUAGE, amount, inSentence, percent, plural, sayTooLong, stated } from '@jade/words/units';

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

/** What a station knows nothing of. */
export const NOT_DESCRIBED = {
  title: 'Not described',
  why: {
    wired: (kit: string) =>
      `Nobody has described all of how ${kit} is wired on this kind of vehicle: what of it is not written down joint by joint is not worked out here. Go by the kit’s paper and the maker’s, and find each wire at Probe. What no joint says, say here: nothing is planned by that for the next one.`,
    fitted: (kit: string) =>
      `Nobody has described how ${kit} is mounted and tested on this kind of vehicle. Go by the kit’s paper, and try each function before anything covers it. Where its steps are not written down one by one, say here how it was done: nothing is planned by that for the next one.`,
    aimed: (kit: string) =>
      `Nobody has described where the lamps of ${kit} sit on this kind of vehicle: no mark is worked out for the wall. Aim by the rule that holds where it is used, or leave it to others.`,
  },
  ask: {
    wired: (kit: string) => `How was ${kit} wired?`,
    fitted: (kit: string) => `How was ${kit} fitted and tested?`,
    aimed: (kit: string) => `How were the lamps of ${kit} aimed?`,
  },
  say: 'Say how it was done',
  anew: 'Say it anew',
  how: 'What was done, and what showed that it is right',
  hint: 'It stands on the sheet as you write it, as something that nobody had described.',
  write: 'Write it down',
} as const;

export const STATE_NAMES: Record<StationState, string> = {
  'not begun': 'not begun',
  'under way': 'under way',
  settled: 'settled',
  'needs an answer': 'needs an answer',
  blocked: 'blocked',
};

type Say = (data: Hold['data'], names: Names) => string;
const text = (value: string | number | undefined) => String(value ?? '');
const number = (value: string | number | undefined) => Number(value ?? 0);

/** What keeps a circuit from carrying, where it is not its weakest part. */
const REFUSED: Readonly<Record<string, string>> = {
  'fuse above': 'has a fuse above what lies behind it',
  'fuse far': 'has its main fuse too far from the battery',
  surge: 'lets go when the lamps are switched on',
};

const FACE_FAULTS: Readonly<Record<FaceFault, string>> = {
  'no pins': 'No wire is left in that face.',
  'too many pins': `More than ${MOST_PINS} wires are not told apart at one time: take them in parts, each with a name of its own.`,
  'two faces': 'Their cavities or colours differ: plugs of two faces are two.',
  'known already': 'A plug of this name is known on this vehicle: look for it there, or give this one another name.',
};

/** What cannot be seen any more once a supply was dead. */
const BEFORE_DEAD = { codes: 'read the fault codes', warnings: 'look at the warning lamps', baseline: 'try every factory lamp' } as const;

const HOLDS: Record<HoldCode, Say> = {
  'number-missing': () => 'Read the vehicle number',
  'battery-missing': () => 'Measure the battery at rest',
  'warnings-before-missing': () => 'Look at the warning lamps, with everything running',
  'warnings-uncoded': ({ lit }) => `Lit without a fault code: ${text(lit)}`,
  'lenses-before-missing': ({ count }) => `Grade ${plural(number(count), 'lens', 'lenses')}`,
  'codes-before-missing': () => 'Read the fault codes before anything is touched',
  'baseline-missing': ({ count, of }) => `Try ${plural(number(count), 'factory lamp')} of ${of}`,
  'gaps-before-missing': ({ count }) => `Measure ${plural(number(count), 'panel gap')}`,
  'fact-unknown': ({ fact, count }, names) => `Look at ${inSentence(names.fact(text(fact)))}${number(count) > 1 ? ` and ${plural(number(count) - 1, 'more fact')}` : ''}`,
  'kit-does-not-fit': ({ kit }, names) => `${names.kit(text(kit))} does not fit this vehicle`,
  'kit-undecided': ({ kit, fact }, names) =>
    `${names.kit(text(kit))}: ${fact ? `look at ${inSentence(names.fact(text(fact)))} to settle the match` : 'the model year is not known'}`,
  'kit-unconfirmed': ({ kit }, names) => `Confirm the options of ${names.kit(text(kit))}`,
  'kit-undescribed': ({ kit }, names) => `Nobody has described how ${names.kit(text(kit))} sits on this kind of vehicle: hold it against the vehicle`,
  'lamps-undescribed': () => 'Say which lamps this vehicle has: nobody has described them',
  'piece-twice': ({ piece, is }, names) => `${names.piece(text(piece))} and ${inSentence(names.piece(text(is)))}: one piece described twice, or two`,
  'place-twice': ({ place, is }) => `${text(place)} and ${inSentence(text(is))}: one that was described twice, or two`,
  'reach-undescribed': ({ kit }, names) => `Nobody has described what has to be open for ${names.kit(text(kit))}: open it, and say when it is enough`,
  'wiring-undescribed': ({ kit }, names) => `Nobody has described how ${names.kit(text(kit))} is wired here: say how it was joined, fed and guarded`,
  'fitting-undescribed': ({ kit }, names) => `Nobody has described how ${names.kit(text(kit))} is fitted and tested here: say what was done`,
  'aim-undescribed': ({ kit }, names) => `Nobody has described where the lamps of ${names.kit(text(kit))} sit: say how they were aimed`,
  'sensors-undescribed': () => 'Say whether a sensor was met: nobody has described those of this kind of vehicle',
  'contents-undescribed': ({ kit }, names) => `Nobody has described what is in the box of ${names.kit(text(kit))}: count what is there`,
  'kit-lamps-undescribed': ({ kit }, names) => `Nobody has described the lamps of ${names.kit(text(kit))}: write down what is printed on them`,
  'content-short': ({ kit, item, count }, names) => `${names.item(text(kit), text(item))}: ${count} missing from ${names.kit(text(kit))}`,
  'content-hands': ({ kit, item, left, right }, names) => `${names.item(text(kit), text(item)).replace(/, (left|right)$/, '')}: ${left} left and ${right} right`,
  'content-uncounted': ({ kit, count }, names) => `Count ${plural(number(count), 'item')} of ${names.kit(text(kit))}`,
  'bench-task': ({ kit, task }, names) => `On the bench: ${names.task(text(kit), text(task))}`,
  'piece-unreachable': ({ piece }, names) => `${names.piece(text(piece))} is replaced, and no way in the profile takes it off`,
  'target-unreachable': ({ target }, names) => `${sayTarget(text(target), names)} cannot be reached by any way in the profile`,
  'steps-wait-for-each-other': ({ piece, count }, names) =>
    `${names.piece(text(piece))}${number(count) > 1 ? ` and ${plural(number(count) - 1, 'more step')}` : ''}: no order lets them be done, each waits for the other`,
  'pieces-to-open': ({ count, piece }, names) =>
    number(count) > 0 ? `${plural(number(count), 'step')} to open, next: ${names.piece(text(piece))}` : 'The way in is being worked out',
  'plug-does-not-mate': ({ plug }, names) => `${names.plug(text(plug))} does not meet its mate pin by pin`,
  'leg-to-lay': ({ kit, leg }, names) => `Lay the leg to ${inSentence(names.leg(text(kit), text(leg)))}`,
  'plug-to-cap': ({ plug, kit }, names) => `Cap ${inSentence(text(kit) === '' ? names.plug(text(plug)) : names.kitPlug(text(kit), text(plug)))}, which is left over`,
  'pin-over': ({ plug, pin }, names) => `${names.plug(text(plug))}, pin ${text(pin)}, would carry more than its plug may`,
  'plug-to-join': ({ plug }, names) => `Join ${inSentence(names.plug(text(plug)))}`,
  'load-refused': ({ circuit, share, trouble }, names) =>
    `${names.circuit(text(circuit))} ${REFUSED[text(trouble)] ?? `would carry ${percent(number(share))} of its weakest part`}`,
  'outage-to-accept': ({ channel, fast }, names) =>
    `${names.channel(text(channel))}: ${number(fast) ? 'it would flash fast' : 'the vehicle would report it'}, and nothing in the kits cures that`,
  'load-to-accept': ({ circuit, share, open }, names) =>
    open === undefined
      ? `${names.circuit(text(circuit))} will carry ${percent(number(share))}: accept it`
      : `${names.circuit(text(circuit))} will carry ${percent(number(share))} or more, and not all of it is described: look at it and accept it`,
  'reference-missing': () => 'Prove the reference before any reading',
  'wire-unproved': ({ plug, pin, carries }, names) => `${names.plug(text(plug))}, pin ${pin}: prove ${carries} on and off`,
  'wire-contradictory': ({ plug, pin }, names) => `${names.plug(text(plug))}, pin ${pin}: the readings contradict`,
  'lamp-otherwise': ({ kit, plug, pin, fault }, names) =>
    `${names.kitPlug(text(kit), text(plug))}, pin ${text(pin)}: on the bench ${POWERED_FAULTS[text(fault) as PoweredFault] ?? text(fault)}`,
  'wire-open': ({ plug, pin, how }, names) => `${names.plug(text(plug))}, pin ${pin}: seal the ${how} wire`,
  'sensor-unplugged': ({ sensor }, names) => `${names.sensor(text(sensor))} is still unplugged`,
  'calibration-due': ({ sensor }, names) => `${names.sensor(text(sensor))} was disturbed: calibration due`,
  'fit-passes': ({ step, kit, count }, names) => `${plural(number(count), 'fitting step')} open, next: ${names.step(text(kit), text(step))}`,
  'kit-to-take-out': ({ kit, count }, names) => `Take ${names.kit(text(kit))} out again: ${plural(number(count), 'thing')}`,
  'bolts-to-recheck': ({ kit, step, count }, names) =>
    `Hold the bolts again: ${names.step(text(kit), text(step))}${number(count) > 1 ? ` and ${plural(number(count) - 1, 'more step')}` : ''}`,
  'test-failed': ({ kit, test }, names) => `Test failed: ${names.test(text(kit), text(test))}`,
  'test-missing': ({ kit, test }, names) => `Test: ${names.test(text(kit), text(test))}`,
  'covered-untested': ({ kit, test, piece }, names) => `${names.piece(text(piece))} went back before “${names.test(text(kit), text(test))}” had passed`,
  'covered-unaimed': ({ kit, test, piece }, names) => `${names.piece(text(piece))} hides the adjuster of ${inSentence(names.lamp(text(kit), text(test)))}, which is not aimed`,
  'piece-open': ({ piece, level }, names) => `${names.piece(text(piece))} is still ${level}`,
  'fasteners-out': ({ piece, group, count }, names) => `${count} × ${names.group(text(piece), text(group))} of ${inSentence(names.piece(text(piece)))} still in the tray`,
  'fastener-dropped': ({ piece, group, count }, names) => `${count} × ${names.group(text(piece), text(group))} of ${inSentence(names.piece(text(piece)))} dropped and not found`,
  'fastener-wanting': ({ piece, group, count }, names) =>
    `${count} × ${names.group(text(piece), text(group))} of ${inSentence(names.piece(text(piece)))} broke, and no new one is in its place`,
  'used-again': ({ piece, group, count }, names) =>
    `${count} × ${names.group(text(piece), text(group))} of ${inSentence(names.piece(text(piece)))} went back, and is made to be used once`,
  'still-raised': ({ place }) => `The ${text(place)} still stands raised: let it down once nobody is under it, and say so`,
  'supply-dead': ({ supply }, names) => `${names.supply(text(supply))} is still dead`,
  'setting-forgotten': ({ setting }) => `Set again what the vehicle forgot: ${inSentence(text(setting))}`,
  'part-to-bag': ({ piece }, names) => `Bag ${inSentence(names.piece(text(piece)))} for the owner`,
  'wall-missing': () => 'Set the wall: rule and distance',
  'floor-missing': () => 'Measure the floor at the wall, or find it level',
  'floor-beyond': ({ mmPerM, toleranceMmPerM }) =>
    `The floor is ${amount(number(mmPerM), 'mm', 1)} off for each metre, at most ${amount(number(toleranceMmPerM), 'mm', 1)} are allowed: aim elsewhere, or it is not certified`,
  'aim-preparation': () => 'Tyres, load and levelling before aiming',
  'height-missing': ({ kit, lamp }, names) => `Measure how high ${inSentence(names.lamp(text(kit), text(lamp)))} sits`,
  'aim-missing': ({ kit, lamp }, names) => `Aim ${inSentence(names.lamp(text(kit), text(lamp)))}`,
  'aim-out': ({ kit, lamp, errorMm }, names) => `${names.lamp(text(kit), text(lamp))} lands ${amount(Math.abs(number(errorMm)), 'mm')} too ${number(errorMm) > 0 ? 'high' : 'low'}`,
  'final-missing': ({ count }) => `Try ${plural(number(count), 'factory lamp')} again`,
  'function-worse': ({ lamp, result }, names) => `${names.factory(text(lamp))} is ${result}, and was better on arrival`,
  'new-untried': ({ count }) => `Try what the kit lights once more, everything closed: ${plural(number(count), 'function')}`,
  'new-failed': ({ kit, test }, names) => `With everything closed it failed: ${inSentence(names.test(text(kit), text(test)))}`,
  'warnings-after-missing': () => 'Look at the warning lamps again',
  'warning-new': ({ lamp }) => `Warning lamp that was not lit on arrival: ${text(lamp)}`,
  'lenses-after-missing': ({ count }) => `Look at ${plural(number(count), 'lens', 'lenses')} again`,
  'lens-worse': ({ lamp, grade }, names) => `Lens of ${inSentence(names.factory(text(lamp)))} left worse than it came: ${text(grade)}`,
  'codes-after-missing': () => 'Read the fault codes again',
  'code-new': ({ code }) => `Fault code ${code} was not there on arrival`,
  'gap-after-missing': ({ count }) => `Measure ${plural(number(count), 'panel gap')} again`,
  'sign-off': () => 'Sign the job off',
  'left-overnight': () => 'Left open overnight: look it over, then go on',
  'not-as-left': ({ note }) => `It was not found as it was left: ${text(note)}`,
  contradicted: () => 'Two people said otherwise of the same thing within a minute: look again together',
  'log-question': ({ count }) => (number(count) === 1 ? '1 entry in the log does not fit what came before' : `${count} entries in the log do not fit what came before`),
};

/** The sentence for one hold. */
export function sayHold(hold: Hold, names: Names): string {
  return HOLDS[hold.code](hold.data, names);
}

/** What a job that holds nothing back says of itself. */
export const sayLeft = ({ cancelled }: Pick<JobState, 'cancelled'>): string => (cancelled ? `Cancelled: ${cancelled.why}` : 'Signed and ready to leave');

const listed = (ids: readonly string[], say: (id: string) => string) => ids.map((id) => inSentence(say(id))).join(', ');

/** Why an act cannot be recorded now, and what to do first. */
export function sayRefusal(refusal: Refusal, names: Names): string {
  switch (refusal.code) {
    case 'already':
      return 'It is recorded already.';
    case 'nothing':
      return 'There is nothing to record.';
    case 'unknown':
      return `No ${refusal.what} is called “${refusal.id}”.`;
    case 'open-first':
      return `First open: ${listed(refusal.pieces, names.piece)}.`;
    case 'back-first':
      return `First back: ${listed(refusal.pieces, names.piece)}.`;
    case 'gate-first':
      return `First this, or it will be covered: ${refusal.subjects.map((subject) => inSentence(saySubject(subject, names))).join(', ')}.`;
    case 'dead-work-first':
      return `First, while it is dead: ${refusal.subjects.map((subject) => inSentence(saySubject(subject, names))).join(', ')}.`;
    case 'prove-first':
      return `First fit and test the ${refusal.side} side, before the other is touched.`;
    case 'before-dead':
      return `Before the supply goes dead: ${refusal.what.map((what) => BEFORE_DEAD[what]).join(', ')}, at Check in.`;
    case 'too-long':
      return sayTooLong(refusal.over, refusal.most);
    case 'doubtful':
      return `${refusal.doubts.map(sayDoubt).join(' ')} Keep it with a word, or measure again.`;
    case 'qualified-first':
      return `${names.supply(refusal.supply)}: only by qualified people and the maker’s procedure. Write down who isolates it and how.`;
    case 'bolts-asked':
      return `First say which length goes where: ${listed(refusal.groups, (group) => names.group(refusal.piece, group))}.`;
    case 'new-or-old':
      return `First say whether new ones went in: ${listed(refusal.groups, (group) => names.group(refusal.piece, group))}.`;
    case 'sensor-first':
      return `First plug in and lock: ${listed(refusal.sensors, names.sensor)}.`;
    case 'consent-first':
      return `This cannot be undone: ${inSentence(saySubject(refusal.about, names))}. First write down who agreed to it.`;
    case 'height-first':
      return 'First measure how high the lamp sits on this vehicle: the mark on the wall hangs on it.';
    case 'count':
      return `At most ${refusal.most} can be counted of ${refusal.group}.`;
    case 'pass-first':
      return `First ${refusal.pass} every fastener of this side.`;
    case 'step-first':
      return `First: ${listed(
        refusal.steps.map(({ kit, step }) => names.step(kit, step)),
        (name) => name,
      )}.`;
    case 'join-first':
      return 'First join its plug, at Wire.';
    case 'part-first':
      return `First part: ${listed(refusal.connections, (connection) => names.connection(refusal.kit, connection))}.`;
    case 'has-left':
      return 'The job has left the shop. A lead opens it again, with the reason.';
    case 'promise-past':
      return 'That time is past. Choose another, or say why it is kept.';
    case 'does-not-fit':
      return `${names.kit(refusal.kit)} does not fit this vehicle.`;
    case 'facts-first':
      return `First look at: ${listed(refusal.facts, names.fact)}.`;
    case 'year-first':
      return 'First the model year: it is not known.';
    case 'reference-first':
      return 'First prove the reference.';
    case 'reference':
      return sayReference(refusal.verdict);
    case 'does-not-mate':
      return 'These plugs do not meet.';
    case 'load-refused':
      return `${names.circuit(refusal.circuit)} does not carry it.`;
    case 'is-joined':
      return 'It is joined already: take that back first.';
    case 'no-source':
      return `Not from there: ${refusal.because.map((bar) => BAR_WORDS[bar]).join('; ')}.`;
    case 'measure-first':
      return `First measure slot ${refusal.slot} in ${refusal.states.join(', ')}: it is not known whether it behaves as wanted.`;
    case 'no-way':
      return 'The ways of this vehicle that are described do not lead to it.';
    case 'no-terminal':
      return `The plug library has no contact for ${inSentence(names.plug(refusal.plug))} that takes the kit’s wire.`;
    case 'pin-over':
      return `${names.plug(refusal.plug)}, pin ${refusal.pin}: it would carry more than its plug may. Feed some of it by another plug, or over a relay.`;
    case 'wire-first':
      return `First prove the wire at Probe: ${inSentence(names.plug(refusal.plug))}, pin ${refusal.pin}, on and off. Nothing is tapped on its colour alone.`;
    case 'never-slot':
      return `Slot ${refusal.slot} is never used: ${inSentence(names.circuit(refusal.circuit))}.`;
    case 'reading-impossible':
    case 'reading-odd':
      return refusal.doubts.map((doubt) => DOUBT_WORDS[doubt]).join(' ');
    case 'powered':
      return `Pin ${refusal.pin} was live with the key off: continuity is measured with nothing on the wire. Isolate the battery first, or leave it.`;
    case 'on-vehicle':
      return `${refusal.plug} is ${refusal.because}: a supply of the bench feeds a lamp that is off the vehicle, never one that is on it.`;
    case 'face-impossible':
      return FACE_FAULTS[refusal.why];
    case 'goes-round':
      return `${names.piece(refusal.first)} cannot go back before ${inSentence(names.piece(refusal.then))}: what is known already has it the other way round.`;
    case 'let-down-first':
      return `First let the vehicle down: its ${refusal.place} was said to stand raised, and light is aimed from its own wheels. Say so once it is down.`;
    case 'wall-first':
      return 'First say how far the wall is.';
    case 'settings-first':
      return `First set again what the vehicle forgot: ${listed(refusal.settings, (setting) => setting)}.`;
    case 'too-many-photos':
      return `A job keeps up to ${refusal.most} photos: take back one that says nothing.`;
    case 'too-many-on-sheet':
      return `Up to ${refusal.most} photos go with the sheet: take another off it first.`;
    case 'described':
      return `${names.piece(refusal.piece)} is described already: take it off as its step says, or give this piece another name.`;
    case 'name-taken':
      return `${refusal.name} is described already: give this one another name.`;
    case 'lamps-first':
      return `First describe the lamps of ${names.kit(refusal.kit)}, at Gather.`;
    case 'place-first':
      return `First say which step sets ${listed(refusal.lamps, (lamp) => inSentence(names.lamp(refusal.kit, lamp)))} in place.`;
    case 'tests-first':
      return `First take the tests that prove the lamps of ${names.kit(refusal.kit)}.`;
    case 'fact-known':
      return `It is asked for already: choose ${inSentence(names.fact(refusal.fact))} among what is known.`;
    case 'measure-out':
      return `${MEASURE_NAMES[refusal.measure]}: from ${refusal.leastMm} to ${refusal.mostMm} mm, by the other measures.`;
    case 'same-choice':
      return 'This vehicle and the others are said to be the same: then it tells nothing.';
    case 'opened-already':
      return 'A panel was moved already: a gap measured now is not as it came.';
    case 'feed-first':
      return `First say which joint feeds ${listed(refusal.lamps, (lamp) => inSentence(names.lamp(refusal.kit, lamp)))}.`;
    case 'feeds-nothing':
      return `Nothing that is switched is known in ${inSentence(names.plug(refusal.plug))}: prove its wires at Probe first.`;
    case 'several-functions':
      return `${names.plug(refusal.plug)} carries several functions: which lamp is fed by which is described in the library, not here. Say in a sentence how it was joined.`;
    case 'fuse-above':
      return `A main fuse of ${stated(refusal.fuseA, 'A')} lets more through than the relay carries (${stated(refusal.mostA, 'A')}). Read both again.`;
    case 'missing':
      return `${plural(refusal.count, 'thing')} still missing.`;
    case 'supply-live':
      return `${names.supply(refusal.supply)} must be dead for this: ${inSentence(names.piece(refusal.piece))} first.`;
    case 'supply-dead':
      return `${names.supply(refusal.supply)} must be live for this: ${inSentence(names.piece(refusal.piece))} back first.`;
    case 'supply-waits':
      return `${names.supply(refusal.supply)} counts as dead from ${timeOfDay(refusal.until)}. Work that does not ask for it can go on.`;
    case 'kept-dead':
      return `${names.supply(refusal.supply)} must not be live while ${inSentence(names.piece(refusal.piece))} is open.`;
  }
}

function timeOfDay(iso: string): string {
  return new Date(iso).toLocaleTimeString(LANGUAGE, { hour: '2-digit', minute: '2-digit', second: '2-digit' });
}
