import type { Photo } from '../photos/index.ts';
import { onWith, type VehicleState } from '../states/index.ts';
import { key } from '../subject/index.ts';
import { levelRank, type Level, standAfter } from '../vehicle/index.ts';
import {
  type EventType,
  type LoggedEvent,
  type Payloads,
  emptyJob,
  gapWhyKey,
  lensWhyKey,
  wanting,
  warningsWhyKey,
  wayPlace,
  type JobState,
  type MadeMoveRecord,
} from '../events/index.ts';
import { contradictions } from './contradictions.ts';
import { describedFurther, kitDescribedFurther, NOTHING_DESCRIBED, PLACE_LISTS, records } from '../overlay/index.ts';
import { minutesBetween } from './step-clock.ts';
import { asOnePiece } from './as-one-piece.ts';

type Apply<T extends EventType> = (state: JobState, payload: Payloads[T], event: LoggedEvent<T>) => void;

function within<T>(record: Record<string, Record<string, T>>, key: string): Record<string, T> {
  return (record[key] ??= records<T>());
}

function addOnce<T extends string>(list: T[], item: T): void {
  if (!list.includes(item)) list.push(item);
}

function tally(state: JobState, piece: string, group: string) {
  return (within(state.tray, piece)[group] ??= { out: 0, back: 0, broken: 0, dropped: 0, renewed: 0, spent: 0 });
}

/** Moves of a job once a piece went back to a level: those beyond it are undone; one that led past it led there. */
function loweredTo(moves: readonly MadeMoveRecord[], piece: string, level: Level): MadeMoveRecord[] {
  const rank = levelRank(level);
  return moves.flatMap((move) => {
    if (move.piece !== piece || levelRank(move.level) <= rank) return [move];
    return levelRank(move.from) < rank ? [{ ...move, level }] : [];
  });
}

/** What was described, less what was said to be missing of pieces that were opened all the same: those are there, whoever said what first. */
function thereAfterAll({ described, reached }: JobState): JobState['described'] {
  const without = described.without.filter((piece) => reached[piece] === undefined);
  return without.length === described.without.length ? described : { ...described, without };
}

function movePiece(state: JobState, payload: Payloads['piece.moved'], event: LoggedEvent): void {
  const { piece, level } = payload;
  const from = state.pieces[piece] ?? 'fitted';
  const opening = levelRank(level) > levelRank(from);
  state.pieces[piece] = level;
  state.lastMoved[piece] = { order: state.eventCount, at: event.at };
  if (levelRank(level) > levelRank(state.reached[piece] ?? 'fitted')) state.reached[piece] = level;
  state.described = thereAfterAll(state);
  // What hangs on the vehicle again lies in no bag.
  if (!opening) delete state.bagged[piece];
  if (opening) {
    const move = { event: event.id, piece, from, level, way: payload.way, at: event.at };
    state.moves.push(move);
    state.history.push(move);
    // What was tried with everything closed was tried before this, and as a lamp was leaving it may no longer be.
    state.finalTests = records();
    state.final = records();
    // What was said of what could have stayed on was said without this.
    state.judged = records();
    state.enough = [];
  } else state.moves = loweredTo(state.moves, piece, level);
  for (const { group, count } of payload.fasteners) {
    const entry = tally(state, piece, group);
    entry[opening ? 'out' : 'back'] += count;
    if (entry.back + entry.broken + entry.spent > entry.out) state.questions.push({ code: 'more-back-than-out', event: event.id, piece, group });
  }
}

/** A reading says how the key stood: since when the ignition is on, or that it is off. */
function keyIn(state: JobState, read: VehicleState, at: string): void {
  if (onWith(read).includes('ignition')) state.ignition ??= { since: at };
  else delete state.ignition;
}

/** A word on a measure stands as long as that measure does. */
function said(state: JobState, key: string, why: string | undefined): void {
  if (why === undefined) delete state.measureWhy[key];
  else state.measureWhy[key] = why;
}

/** What is said of a photo that was taken back says nothing. */
function changePhoto(state: JobState, id: string, change: (before: Photo) => Photo): void {
  const before = state.photos[id];
  if (before) state.photos[id] = change(before);
}

/** The key of a plug that is capped: one of the vehicle by its own id, one of a kit by both. */
export const cappedKey = (plug: string, kit?: string): string => (kit === undefined ? plug : `${kit}/${plug}`);

/** What was tried of a kit says nothing any more once something of it is parted or loose. */
function untried(state: JobState, kit: string): void {
  delete state.tests[kit];
  delete state.finalTests[kit];
}

/** What may come after a job was signed without changing what was signed for. */
const AFTER_SIGNING: readonly EventType[] = [
  'job.reopened',
  'job.signed',
  'note.written',
  'photo.taken',
  'photo.marked',
  'photo.captioned',
  'opening.judged',
  'moves.ordered',
  'bay.taken',
  'job.assigned',
  'work.paused',
  'work.resumed',
];

/** Events that change something on the vehicle: after one of them it does not leave without being looked over. */
const TOUCHES: readonly EventType[] = [
  'piece.moved',
  'position.set',
  'supply.set',
  'plug.joined',
  'cavity.populated',
  'leg.laid',
  'wire.opened',
  'sensor.unplugged',
  'sensor.moved',
  'step.passed',
  'drill.agreed',
  'plug.capped',
];

/** Events of a pause: what a step takes is counted without them. */
const PAUSES: readonly EventType[] = ['work.paused', 'work.resumed'];

/** What somebody can do in a pause: it goes on. */
const ASIDE: readonly EventType[] = [
  'note.written',
  'photo.taken',
  'photo.marked',
  'photo.captioned',
  'photo.chosen',
  'promise.made',
  'wish.written',
  'bay.taken',
  'job.assigned',
  'moves.ordered',
];

/** Events that change what is fitted on the job. */
const ORDERS: readonly EventType[] = ['kit.added', 'kit.dropped', 'job.cancelled', 'opening.left', 'opening.resumed'];

const APPLY: { [T in EventType]: Apply<T> } = {
  'job.opened': (state, payload, event) => {
    if (state.opened) state.questions.push({ code: 'second-opening', event: event.id });
    else {
      state.opened = payload;
      state.openedYear = Number(event.at.slice(0, 4));
      const { promisedAt, bay, wish, fitted = [] } = payload;
      // Logs of before say no choices with them.
      for (const { slug, options = [] } of fitted) for (const { option, choice } of options) within(state.options, slug)[option] = choice;
      if (promisedAt !== undefined) state.promise = { at: promisedAt };
      if (bay !== undefined) state.bay = { bay };
      if (wish !== undefined) state.wish = wish;
    }
  },
  'job.repinned': (state, { profile, kits, rules, plugs, lost }) => {
    if (state.opened) state.opened = { ...state.opened, profile, kits, rules, ...(plugs ? { plugs } : {}) };
    state.lost = lost;
  },
  'job.assigned': (state, { person }) => void (state.assigned = person),
  'promise.made': (state, { at, why }) => void (state.promise = { ...(at === undefined ? {} : { at }), ...(why === undefined ? {} : { why }) }),
  'bay.taken': (state, { bay }) => void (state.bay = bay === undefined ? {} : { bay }),
  'wish.written': (state, { wish }) => void (state.wish = wish),
  'note.written': (state, { station, note }, { id, at, person }) => void state.notes.push({ event: id, at, station, note, ...(person === undefined ? {} : { by: person }) }),
  'photo.taken': (state, taken, { id, at, person }) => void (state.photos[id] = { event: id, at, ...(person === undefined ? {} : { by: person }), ...taken, onSheet: false }),
  'photo.marked': (state, { photo, ring }) => changePhoto(state, photo, ({ ring: _before, ...rest }) => (ring ? { ...rest, ring } : rest)),
  'photo.captioned': (state, { photo, note }) => changePhoto(state, photo, ({ note: _before, ...rest }) => (note === undefined ? rest : { ...rest, note })),
  'photo.chosen': (state, { photo, onSheet }) => changePhoto(state, photo, (before) => ({ ...before, onSheet })),
  'kit.added': (state, { kit }) => {
    delete state.dropped[kit.slug];
    state.confirmed = state.confirmed.filter((slug) => slug !== kit.slug);
    if (state.opened) state.opened = { ...state.opened, kits: [...state.opened.kits.filter(({ slug }) => slug !== kit.slug), kit] };
  },
  'kit.dropped': (state, { kit, why }) => void (state.dropped[kit] = why),
  'job.cancelled': (state, { why }, { at }) => void (state.cancelled = { why, at }),
  'plug.parted': (state, { kit, connection }) => {
    state.joined[kit] = (state.joined[kit] ?? []).filter((id) => id !== connection);
    delete state.jointChecked[`${kit}/${connection}`];
    delete state.adaptersUsed[`${kit}/${connection}`];
    untried(state, kit);
  },
  'leg.lifted': (state, { kit, leg }) => void delete state.laid[`${kit}/${leg}`],
  'contact.pulled': (state, { plug, row, column }) =>
    void (state.populated[plug] = (state.populated[plug] ?? []).filter((contact) => contact.row !== row || contact.column !== column)),
  'step.undone': (state, { kit, step, lamps }) => {
    delete state.passes[kit]?.[step];
    delete state.consents[key({ kind: 'fit', kit, step })];
    for (const lamp of lamps) delete state.aims[`${kit}/${lamp}`];
    untried(state, kit);
  },
  'step.rechecked': (state, { kit, step }) => addOnce((state.rechecked[kit] ??= []), step),
  'work.paused': (state, _nothing, { at, person }) => void (state.pause ??= { at, ...(person === undefined ? {} : { by: person }) }),
  'work.resumed': (state, _nothing, { at }) => {
    if (state.pause && state.begun) state.begun = { ...state.begun, restMin: state.begun.restMin + Math.max(0, minutesBetween(state.pause.at, at)) };
    delete state.pause;
  },
  'night.left': (state, { seen, where }, { id, at, person }) =>
    void (state.night = { event: id, at, seen, ...(where === undefined ? {} : { where }), ...(person === undefined ? {} : { by: person }) }),
  'night.over': (state, { asLeft, note = '' }, { id }) => {
    delete state.night;
    if (!asLeft) state.notAsLeft.push({ event: id, note });
  },
  'number.recorded': (state, { number }) => void (state.number = number),
  'fact.recorded': (state, { fact, ...record }) => void (state.facts[fact] = record),
  'baseline.tried': (state, { lamp, result }) => void (state.baseline[lamp] = result),
  'battery.measured': (state, { restV, why }) => {
    state.restV = restV;
    said(state, 'battery', why);
  },
  'code.recorded': (state, { moment, code, note }) => void state.codes[moment].push({ code, note }),
  'codes.read': (state, { moment, count }) => void (state.codesRead[moment] = count),
  'warnings.read': (state, { moment, lit, why }) => {
    state.warnings[moment] = lit;
    said(state, warningsWhyKey(moment), why);
  },
  'lens.graded': (state, { lamp, moment, grade, why }) => {
    state.lenses[moment][lamp] = grade;
    said(state, lensWhyKey(lamp, moment), why);
  },
  'gap.measured': (state, { gap, moment, widthMm, why }) => {
    state.gaps[moment][gap] = widthMm;
    said(state, gapWhyKey(gap, moment), why);
  },
  'damage.noted': (state, { place, note }, event) => void state.damage.push({ event: event.id, place, note }),
  'option.chosen': (state, { kit, option, choice }) => void (within(state.options, kit)[option] = choice),
  'match.confirmed': (state, { kit }) => addOnce(state.confirmed, kit),
  'content.counted': (state, { kit, item, count }) => void (within(state.counts, kit)[item] = count),
  'bench.done': (state, { kit, task }) => addOnce((state.benchDone[kit] ??= []), task),
  'piece.moved': movePiece,
  'piece.found': (state, { piece, level }) => {
    state.came[piece] = level;
    if (levelRank(level) > levelRank(state.pieces[piece] ?? 'fitted')) state.pieces[piece] = level;
    if (levelRank(level) > levelRank(state.reached[piece] ?? 'fitted')) state.reached[piece] = level;
    state.enough = [];
  },
  'position.set': (state, position) => void (state.stand = standAfter(state.stand, position)),
  'supply.set': (state, { supply, is, by }, event) => {
    state.supplies[supply] = { is, at: event.at, order: state.eventCount, ...(by === undefined ? {} : { by }) };
    if (is === 'dead') delete state.settings[supply];
  },
  'setting.restored': (state, { supply, setting }) => addOnce((state.settings[supply] ??= []), setting),
  'accessory.found': (state, payload) => void (state.accessories[payload.accessory] = payload),
  'kind.described': (state, said, { device = '' }) => {
    for (const list of PLACE_LISTS) for (const { id } of said[list] ?? []) state.describedOn[id] ??= device;
    state.described = describedFurther(state.described, said);
    state.described = thereAfterAll(state);
  },
  'kit.described': (state, said) => void (state.kitsDescribed[said.kit] = kitDescribedFurther(state.kitsDescribed[said.kit], said)),
  'piece.wanted': (state, { piece, level }) => void (state.wanted = [...state.wanted.filter((need) => need.piece !== piece), { piece, level }]),
  'opening.enough': (state, { kits }) => {
    for (const kit of kits) addOnce(state.enough, kit);
  },
  'way.blocked': (state, payload) => void state.blocked.push(payload),
  // What did not come, and which move came first, is read from the log by who learns of the kind.
  'piece.tried': () => undefined,
  'moves.ordered': () => undefined,
  'opening.judged': (state, { pieces }) => {
    for (const { piece, enough } of pieces) state.judged[piece] = enough;
  },
  'way.chosen': (state, { place, level, way }) => {
    const key = wayPlace(place, level);
    if (way === undefined) delete state.waysChosen[key];
    else state.waysChosen[key] = way;
  },
  'order.chosen': (state, payload) => void (state.order = payload),
  'opening.left': (state, { why }) => void (state.left = why),
  'opening.resumed': (state) => void (state.left = undefined),
  'fastener.seized': (state, payload) => void state.seized.push(payload),
  'fastener.broken': (state, { piece, group, count }) => void (tally(state, piece, group).broken += count),
  'fastener.dropped': (state, { piece, group, count }) => void (tally(state, piece, group).dropped += count),
  'fastener.found': (state, { piece, group, count }) => {
    const entry = tally(state, piece, group);
    entry.dropped = Math.max(0, entry.dropped - count);
  },
  'fastener.renewed': (state, { piece, group, count }, event) => {
    const entry = tally(state, piece, group);
    entry.spent += Math.max(0, count - wanting(entry));
    entry.renewed += count;
    if (entry.back + entry.broken + entry.spent > entry.out) state.questions.push({ code: 'more-back-than-out', event: event.id, piece, group });
  },
  'plug.joined': (state, { kit, connection, adapters, checked }) => {
    addOnce((state.joined[kit] ??= []), connection);
    if (checked) state.jointChecked[`${kit}/${connection}`] = checked;
    if (adapters) state.adaptersUsed[`${kit}/${connection}`] = adapters;
  },
  'cavity.populated': (state, { plug, ...contact }) => {
    const others = (state.populated[plug] ?? []).filter(({ row, column }) => row !== contact.row || column !== contact.column);
    state.populated[plug] = [...others, contact];
  },
  'contacts.moved': (state, { kit, plug, moves }) => {
    const moved = new Set(moves.map(({ pin }) => pin));
    const at = `${kit}/${plug}`;
    state.contactsMoved[at] = [...(state.contactsMoved[at] ?? []).filter(({ pin }) => !moved.has(pin)), ...moves];
  },
  'source.chosen': (state, { kit, connection, pin, to }) => {
    const wires = within(state.led, `${kit}/${connection}`);
    if (to) wires[pin] = to;
    else delete wires[pin];
  },
  'leg.laid': (state, { kit, leg, path }) => void (state.laid[`${kit}/${leg}`] = path.join('+')),
  'route.chosen': (state, { kit, leg, path }) => {
    if (path) state.routes[`${kit}/${leg}`] = path.join('+');
    else delete state.routes[`${kit}/${leg}`];
  },
  'drill.agreed': (state, { segment, ...agreed }) => void (state.drillAgreed[segment] = agreed),
  'plug.capped': (state, { plug, kit }) => addOnce(state.capped, cappedKey(plug, kit)),
  'load.accepted': (state, { circuit, afterA, fuseA }) =>
    void (state.loadsAccepted[circuit] = { ...(afterA === undefined ? {} : { afterA }), ...(fuseA === undefined ? {} : { fuseA }) }),
  'fuse.seen': (state, { circuit, ratedA }) => void (state.fuses[circuit] = ratedA),
  'ground.measured': (state, { ground, ...reading }) => void (state.grounds[ground] = reading),
  'slot.measured': (state, { slot, ratedA, ...reading }, event) => {
    keyIn(state, reading.state, event.at);
    const before = state.slots[slot];
    const fuse = ratedA ?? before?.ratedA;
    state.slots[slot] = { ...(fuse === undefined ? {} : { ratedA: fuse }), readings: [...(before?.readings ?? []).filter((earlier) => earlier.state !== reading.state), reading] };
  },
  'outage.accepted': (state, { channel, afterW }) => void (state.outagesAccepted[channel] = afterW),
  'battery.watched': (state, { volts }, event) => void (state.battery = { volts, at: event.at }),
  'ignition.set': (state, { on }, event) => keyIn(state, on ? 'ignition' : 'key off', event.at),
  'charger.set': (state, { on }) => void (state.charger = on),
  'lamp.powered': (state, { kit, plug, pin, ...tried }) => void (state.powered[`${kit}/${plug}/${pin}`] = tried),
  'reference.checked': (state, payload) => void (state.reference = payload),
  'reading.taken': (state, { plug, pin, ...reading }, event) => {
    keyIn(state, reading.state, event.at);
    // All of them: which count where one was taken again is a matter of what they say.
    (state.readings[`${plug}/${pin}`] ??= []).push(reading);
    state.lastRead = { plug, pin, state: reading.state };
  },
  'continuity.measured': (state, { plug, pin, ohm }) => void (state.continuity[`${plug}/${pin}`] ??= []).push(ohm),
  'drop.measured': (state, { plug, pin, dropV }) => void (state.drops[`${plug}/${pin}`] ??= []).push(dropV),
  'plug.found': (state, found, { device = '' }) => {
    state.describedOn[found.plug] ??= device;
    state.plugsFound[found.plug] = found;
  },
  'probe.wanted': (state, { plug, functions }) => {
    if (functions.length > 0) state.sought[plug] = functions;
    else delete state.sought[plug];
  },
  'wire.opened': (state, { plug, pin, how }) => void (state.wiresOpen[`${plug}/${pin}`] = how),
  'colour.noted': (state, { plug, pin, on, colour }) => void (within(state.colours, `${plug}/${pin}`)[on] = colour),
  'wire.sealed': (state, { plug, pin }) => void delete state.wiresOpen[`${plug}/${pin}`],
  'sensor.unplugged': (state, { sensor }) => addOnce(state.unplugged, sensor),
  'sensor.reconnected': (state, { sensor }) => void (state.unplugged = state.unplugged.filter((id) => id !== sensor)),
  'sensor.moved': (state, { sensor, ...change }) => void (state.sensorMoves[sensor] = change),
  'sensor.calibrated': (state, { sensor, ...how }) => void (state.calibrated[sensor] = how),
  'step.passed': (state, { kit, step, pass }) => {
    const steps = within(state.passes, kit);
    const passes = (steps[step] ??= []);
    if (!passes.includes(pass)) passes.push(pass);
  },
  'test.tried': (state, { kit, test, passed }) => void (within(state.tests, kit)[test] = passed),
  'wall.set': (state, payload) => void (state.wall = payload),
  'aim.prepared': (state, payload) => void (state.aimPrepared = payload),
  'aim.measured': (state, { lamp, moment, heightMm, referenceMm }) => {
    (state.aims[lamp] ??= {})[moment] = { heightMm, referenceMm };
    if (moment === 'after') delete state.aimByOthers[lamp];
  },
  'aim.referenced': (state, { lamp, referenceMm }) => void (state.references[lamp] = referenceMm),
  'aim.by-others': (state, { lamp, by }) => void (state.aimByOthers[lamp] = by),
  'final.tried': (state, { lamp, result }) => void (state.final[lamp] = result),
  'final.tested': (state, { kit, test, passed }) => void (within(state.finalTests, kit)[test] = passed),
  'consent.given': (state, { about, by }) => void (state.consents[about] = by),
  'customer.signed': (state, { strokes }) => void (state.signature = strokes),
  'part.bagged': (state, { piece, where }) => void (state.bagged[piece] = where),
  'exception.named': (state, { about, note }) => void (state.exceptions[about] = note),
  'job.signed': (state, { atSeq }, event) => void (state.signed ??= { event: event.id, at: event.at, atSeq, by: event.person }),
  'job.reopened': (state) => {
    state.signed = undefined;
    // What came late was shown to whoever opened the job again, and is signed for anew; so is what the customer signed.
    state.questions = state.questions.filter(({ code }) => code !== 'late-event');
    delete state.signature;
  },
  undone: () => undefined,
};

function apply<T extends EventType>(state: JobState, event: LoggedEvent<T>): void {
  const { type, payload } = event as LoggedEvent<T> & { type: T; payload: Payloads[T] };
  (APPLY[type] as Apply<T> | undefined)?.(state, payload, event);
}

/** Ids of events that are skipped: undone by an event that is not itself undone, together with all that the same act recorded. */
export function undoneEvents(log: readonly LoggedEvent[]): Set<string> {
  const undone = new Set<string>();
  const actOf = new Map<string, string>();
  const ofAct = new Map<string, string[]>();
  for (const { id, act } of log) {
    if (act === undefined) continue;
    actOf.set(id, act);
    ofAct.set(act, [...(ofAct.get(act) ?? []), id]);
  }
  for (const event of [...log].reverse()) {
    if (event.type !== 'undone' || undone.has(event.id)) continue;
    const { event: target = '', act = actOf.get(target) } = event.payload;
    for (const id of act === undefined ? [target] : (ofAct.get(act) ?? [])) undone.add(id);
  }
  return undone;
}

/** The last so many events of a log, the newest first, without those that only take another back. */
export function lastEvents(log: readonly LoggedEvent[], most: number): LoggedEvent[] {
  const last: LoggedEvent[] = [];
  for (let place = log.length - 1; place >= 0 && last.length < most; place--) {
    const event = log[place];
    if (event && event.type !== 'undone') last.push(event);
  }
  return last;
}

/** Events of a log that count: those not taken back; only those of some types where such are named. */
export function standingEvents(log: readonly LoggedEvent[], types?: readonly EventType[]): LoggedEvent[] {
  const asked = types ? log.filter((event) => types.includes(event.type)) : [...log];
  if (!log.some((event) => event.type === 'undone')) return asked;
  const undone = undoneEvents(log);
  return asked.filter((event) => !undone.has(event.id));
}

/**
 * Reads entries as of the pieces and places that they are of, where two devices described one; undefined of one that says nothing new by it.
 * @param standing the entries of the log that count; they are read in the order in which they are given, each once
 */
export function readOnce(standing: readonly LoggedEvent[]): (event: LoggedEvent) => LoggedEvent | undefined {
  const told = standing.flatMap((event) => (event.type === 'kind.described' ? [event.payload] : []));
  return asOnePiece(told.some(({ same, samePlaces }) => same !== undefined || samePlaces !== undefined) ? told.reduce(describedFurther, NOTHING_DESCRIBED) : NOTHING_DESCRIBED);
}

/**
 * Folds a log to what the job is. Events count in order of `seq`, those not yet taken by the server last; an event undone later
 * is skipped. What does not fit is kept and becomes an open question; nothing is refused here.
 */
export function foldJob(log: readonly LoggedEvent[]): JobState {
  const state = emptyJob();
  const undone = undoneEvents(log);
  const asKept = readOnce(log.filter(({ id }) => !undone.has(id)));
  for (const event of log) {
    state.eventCount++;
    state.lastSeq = Math.max(state.lastSeq, event.seq ?? 0);
    if (undone.has(event.id)) continue;
    state.at = event.at;
    if (!state.opened && event.type !== 'job.opened') state.questions.push({ code: 'event-before-opening', event: event.id });
    if (state.signed && !AFTER_SIGNING.includes(event.type)) state.questions.push({ code: 'late-event', event: event.id });
    // The customer signed for what there was then.
    if (!state.signed && (TOUCHES.includes(event.type) || ORDERS.includes(event.type))) delete state.signature;
    if (TOUCHES.includes(event.type)) {
      state.touched = true;
      // Whoever works on it is there.
      delete state.night;
    }
    const kept = asKept(event);
    if (kept) apply(state, kept);
    // Whoever works on it is back; the next step begins here. What is taken back was none.
    if (event.type === 'undone' || PAUSES.includes(event.type) || (state.pause && ASIDE.includes(event.type))) continue;
    delete state.pause;
    state.begun = { at: event.at, restMin: 0 };
  }
  state.questions.push(...contradictions(log.filter(({ id }) => !undone.has(id))));
  return state;
}
