import type { EventType, JobContext, LedTo, LoggedEvent, OpenQuestion, PartToOrder, Payloads } from '@jade/core/job';
import { testsThatFollow, type Pass } from '@jade/core/kit';
import { isScrewed, type FastenerGroup, type Release, type Tightening } from '@jade/core/vehicle';
import { circuitId } from '@jade/core/wiring';
import { sayTest } from '@jade/words/kit';
import { sayFunctions } from '@jade/words/probing';
import { sayArea } from '@jade/words/wiring';
import { amount, inSentence, millimetres, plural, stated } from '@jade/words/units';

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
  kitPlug: (kit: string, id: string) => string;
  channel: (id: string) => string;
  adapter: (id: string) => string;
  /** A leg by the lamp that it leads to. */
  leg: (kit: string, id: string) => string;
  segment: (id: string) => string;
  ground: (id: string) => string;
  sensor: (id: string) => string;
  group: (piece: string, id: string) => string;
  connection: (kit: string, id: string) => string;
  supply: (id: string) => string;
  rule: (id: string) => string;
}

function find<T extends { id: string }>(items: readonly T[] | undefined, id: string): T | undefined {
  return items?.find((item) => item.id === id);
}

/** Names from the documents of a job; an id that is not found stands for itself. */
export function namesOf({ profile, kits, rules, plugs }: Pick<JobContext, 'profile' | 'kits'> & Partial<Pick<JobContext, 'rules' | 'plugs'>>): Names {
  const kit = (slug: string) => kits.find((candidate) => candidate.slug === slug);
  const fitment = (slug: string) => kit(slug)?.fitments.find((candidate) => candidate.vehicle === profile.slug);
  /** A circuit that the shop lays, by the plug that it feeds. */
  const laidTo = (id: string) => {
    const [slug = '', connection = '', pin] = id.split('.');
    const plug = find(kit(slug)?.plugs, find(fitment(slug)?.connections, connection)?.kitPlug ?? '')?.name;
    return plug === undefined || pin === undefined ? undefined : `Wire laid to ${inSentence(plug)}`;
  };
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
    test: (slug, id) => {
      const [on, fit] = [kit(slug), fitment(slug)];
      if (!on || !fit) return id;
      const test = find(fit.tests, id) ?? find(testsThatFollow(on, profile, { ...fit, tests: [] }), id);
      return test ? sayTest(on, test) : id;
    },
    lamp: (slug, id) => find(kit(slug)?.lamps, id)?.name ?? id,
    factory: (id) => find(profile.functions, id)?.name ?? id,
    fact: (id) =>
      find(profile.facts, id)?.label ??
      find(
        kits.flatMap((entry) => entry.options),
        id.replace(/^option\./, ''),
      )?.label ??
      id,
    mount: (id) => find(profile.mounts, id)?.name ?? id,
    plug: (id) => find(profile.plugs, id)?.name ?? id,
    circuit: (id) =>
      find(profile.circuits, id)?.name ??
      find(
        kits.flatMap((laid) => laid.feeds.map((feed) => ({ ...feed, id: circuitId(laid, feed.id) }))),
        id,
      )?.name ??
      laidTo(id) ??
      id,
    kitPlug: (slug, id) => find(kit(slug)?.plugs, id)?.name ?? id,
    channel: (id) => find(profile.channels, id)?.name ?? id,
    adapter: (id) => find(plugs?.adapters, id)?.name ?? id,
    leg: (slug, id) => find(kit(slug)?.lamps, find(kit(slug)?.legs, id)?.lamp ?? '')?.name ?? id,
    ground: (id) => find(profile.grounds, id)?.name ?? id,
    segment: (id) => find(profile.cableWays?.segments, id)?.name ?? id,
    sensor: (id) => find(profile.sensors, id)?.name ?? id,
    connection: (slug, id) => {
      const connection = find(fitment(slug)?.connections, id);
      const plug = find(profile.plugs, connection?.vehiclePlug ?? '')?.name ?? id;
      return connection?.tap ? `${plug}, wire of pin ${connection.tap.pin}` : plug;
    },
    supply: (id) => find(profile.supplies, id)?.name ?? `${id} supply`,
    rule: (id) => find(rules?.aim, id)?.name ?? id,
    group: (piece, id) => sayGroup(find(find(profile.pieces, piece)?.fasteners, id)) ?? id,
  };
}

/** Where a wire of a kit is led to. */
export function sayLedTo({ at, plug = '', pin = '', slot = '', ground, fuseA, areaMm2, lengthMm = 0 }: LedTo, names: Pick<Names, 'plug' | 'ground'>): string {
  const wire = `the wire of pin ${pin} of ${inSentence(names.plug(plug))}`;
  const new_ = lengthMm > 0 && areaMm2 !== undefined ? `, ${stated(lengthMm / 1000, 'm')} of ${sayArea(areaMm2)}` : '';
  const fuse = fuseA === undefined ? '' : `, fuse ${stated(fuseA, 'A')}`;
  switch (at) {
    case 'wire':
      return `fed from ${wire}${new_}`;
    case 'slot':
      return `fed by a tap at slot ${slot}${fuse}${new_}`;
    case 'battery':
      return `fed from the battery over a relay that ${wire} closes${fuse}${new_}`;
    case 'ground':
      return `to ${ground === undefined ? 'a ground point of the body' : inSentence(names.ground(ground))}${new_}`;
  }
}

/** A way as a phrase: its author's id read as words. */
export function sayWay(id: string): string {
  return id.replaceAll('-', ' ');
}

/** What holds without a drive, by how it lets go. */
const WITHOUT_DRIVE: Readonly<Record<string, string>> = { turn: 'knob', unscrew: 'knob', 'squeeze tabs': 'tab', slide: 'slide', 'lift then pull': 'catch' };

/** A fastener group in the trade's words: "T25 six-lobe × 25 mm". */
export function sayGroup(group: { drive: string; size?: string; lengthMm?: number; release?: string; singleUse?: boolean } | undefined): string | undefined {
  if (!group) return undefined;
  const drive = group.drive === 'none' ? (WITHOUT_DRIVE[group.release ?? ''] ?? (group.singleUse === false ? 'stud' : 'tape')) : group.drive;
  const name = group.size ? `${group.size} ${drive}` : drive;
  return group.lengthMm ? `${name} × ${amount(group.lengthMm, 'mm')}` : name;
}

/** How what is not screwed goes home. */
const HOME: Record<Exclude<Release, 'unscrew'>, string> = {
  'pull out': 'pressed home',
  'push centre': 'pressed home, centre flush',
  'centre out first': 'pressed home, centre in last',
  'squeeze tabs': 'in until it clicks',
  slide: 'slid home, lock closed',
  turn: 'turned home by hand',
  'lift then pull': 'in until it catches',
};

/** How a fastener goes back: what is screwed by its torque with the source, or snug in what it goes into; what is not, by how it goes home. */
export function sayHome({ release, tighten }: { release: Release; tighten: Tightening }): string {
  if (!isScrewed(release)) return HOME[release];
  if (tighten.torqueNm !== undefined) return `${amount(tighten.torqueNm, 'Nm', Number.isInteger(tighten.torqueNm) ? 0 : 1)} (${tighten.source ?? 'no source'})`;
  return tighten.snug ? `snug, in ${tighten.snug}` : 'snug, by hand';
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
  'fact.recorded': ({ fact, certainty, value, not = [] }, names) =>
    `${names.fact(fact)}: ${certainty === 'unknown' ? 'not known' : `${value ?? ''}${certainty === 'assumed' ? ', assumed' : ''}`}${not.length > 0 ? `, surely not ${not.join(' or ')}` : ''}`,
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
  'supply.set': ({ supply, is, by }, names) => `${names.supply(supply)} ${is}${by ? `, ${by}` : ''}`,
  'setting.restored': ({ setting }) => `${setting} set again`,
  'accessory.found': ({ name, holds }, names) =>
    `Found on the vehicle: ${name}${holds.length > 0 ? `, before ${holds.map((piece) => inSentence(names.piece(piece))).join(', ')}` : ''}`,
  'way.blocked': ({ place, way, why }, names) => `${names.place(place)}: ${sayWay(way)} is blocked, ${why}`,
  'way.chosen': ({ place, way }, names) => (way === undefined ? `${names.place(place)}: back to the least labour` : `${names.place(place)}: ${sayWay(way)} chosen`),
  'order.chosen': ({ school, people, side }) => `Order: ${school}${side ? `, ${side} side` : ''}, ${plural(people, 'person', 'people')}`,
  'opening.left': ({ why }) => `Opening given up: ${why}`,
  'opening.resumed': ({ why }) => `Opening taken up again: ${why}`,
  'fastener.seized': ({ piece, group, count, addMin }, names) =>
    `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} seized, ${amount(addMin, 'min')} more`,
  'fastener.broken': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} broken`,
  'fastener.dropped': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} dropped`,
  'fastener.found': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} found`,
  'plug.joined': ({ kit, connection, adapters = [] }, names) =>
    `Plug joined: ${inSentence(names.connection(kit, connection))}${adapters.length > 0 ? `, by ${adapters.map((adapter) => inSentence(names.adapter(adapter))).join(', then ')}` : ''}`,
  'cavity.populated': ({ plug, row, column, carries, circuit }, names) =>
    `${names.plug(plug)}, row ${row}, column ${column}: contact for ${carries} put in${circuit === undefined ? '' : `, fed from ${inSentence(names.circuit(circuit))}`}`,
  'contacts.moved': ({ kit, plug, moves }, names) =>
    `${names.kitPlug(kit, plug)} re-pinned: ${moves.map(({ pin, row, column }) => `pin ${pin} to row ${row}, column ${column}`).join('; ')}`,
  'source.chosen': ({ kit, connection, pin, to }, names) => `${names.connection(kit, connection)}, pin ${pin}: ${to ? sayLedTo(to, names) : 'fed as the kit has it'}`,
  'leg.laid': ({ kit, leg, path }, names) => `Leg to ${inSentence(names.leg(kit, leg))} laid: ${path.map((id) => inSentence(names.segment(id))).join(', ')}`,
  'route.chosen': ({ kit, leg, path }, names) =>
    path
      ? `Way of the leg to ${inSentence(names.leg(kit, leg))} chosen: ${path.map((id) => inSentence(names.segment(id))).join(', ')}`
      : `Way of the leg to ${inSentence(names.leg(kit, leg))}: back to the least labour`,
  'drill.agreed': ({ segment, by, behind }, names) => `Hole at ${inSentence(names.segment(segment))} agreed by ${by}; behind it: ${behind}`,
  'plug.capped': ({ plug, kit }, names) => `${kit === undefined ? names.plug(plug) : names.kitPlug(kit, plug)} capped and tied away`,
  'load.accepted': ({ circuit }, names) => `Load on ${inSentence(names.circuit(circuit))} accepted`,
  'fuse.seen': ({ circuit, ratedA }, names) => `Fuse of ${inSentence(names.circuit(circuit))} seen: ${stated(ratedA, 'A')}`,
  'ground.measured': ({ ground, dropMv, ampere }, names) => `${names.ground(ground)}: ${amount(dropMv, 'mV')} at ${stated(ampere, 'A')}`,
  'slot.measured': ({ slot, state, lowV, highV }) => `Slot ${slot}, ${state}: ${lowV === highV ? amount(highV, 'V', 2) : `${amount(lowV, 'V', 2)} to ${amount(highV, 'V', 2)}`}`,
  'outage.accepted': ({ channel }, names) => `${names.channel(channel)}: left as the vehicle reports it`,
  'battery.watched': ({ volts }) => `Battery with the ignition on: ${amount(volts, 'V', 1)}`,
  'ignition.set': ({ on }) => (on ? 'Ignition on' : 'Ignition off'),
  'charger.set': ({ on }) => (on ? 'Charger on the battery' : 'Charger off the battery'),
  'lamp.powered': ({ kit, plug, pin, ampere, lit }, names) => `${names.kitPlug(kit, plug)} pin ${pin} fed on the bench: ${amount(ampere, 'A', 2)}, lights ${lit}`,
  'reference.checked': ({ groundV, feedV }) => `Reference: ground ${amount(groundV, 'V', 2)}, feed ${amount(feedV, 'V', 2)}`,
  'reading.taken': ({ plug, pin, state, lowV, highV }, names) =>
    `${names.plug(plug)} pin ${pin}, ${state}: ${lowV === highV ? amount(highV, 'V', 2) : `${amount(lowV, 'V', 2)} to ${amount(highV, 'V', 2)}`}`,
  'continuity.measured': ({ plug, pin, ohm }, names) => `${names.plug(plug)} pin ${pin} to the body: ${amount(ohm, 'Ω', 1)}`,
  'drop.measured': ({ plug, pin, dropV }, names) => `${names.plug(plug)} pin ${pin}, with a load returning over it: ${amount(dropV, 'V', 2)} lost`,
  'plug.found': ({ name, pins }) => `Found: ${inSentence(name)}, ${plural(pins.length, 'wire')}, not in the profile`,
  'probe.wanted': ({ plug, functions }, names) =>
    functions.length === 0 ? `${names.plug(plug)}: nothing more is looked for` : `${names.plug(plug)}: looking for ${functions.map((name) => sayFunctions([name])).join(', ')}`,
  'wire.opened': ({ plug, pin, how }, names) => `${names.plug(plug)} pin ${pin}: wire ${how} to read it`,
  'colour.noted': ({ plug, pin, on, colour }, names) => `${names.plug(plug)} pin ${pin}: ${colour} ${on === 'beyond' ? 'beyond the plug' : 'on this side'}`,
  'wire.sealed': ({ plug, pin }, names) => `${names.plug(plug)} pin ${pin}: wire sealed again`,
  'sensor.unplugged': ({ sensor }, names) => `${names.sensor(sensor)} unplugged`,
  'sensor.reconnected': ({ sensor }, names) => `${names.sensor(sensor)} reconnected`,
  'sensor.moved': ({ sensor }, names) => `${names.sensor(sensor)} moved`,
  'sensor.calibrated': ({ sensor, how }, names) => `${names.sensor(sensor)} calibration: ${how}`,
  'step.passed': ({ kit, step, pass }, names) => `${names.step(kit, step)}: ${PASS_WORDS[pass]}`,
  'test.tried': ({ kit, test, passed }, names) => `${names.test(kit, test)}: ${passed ? 'passed' : 'failed'}`,
  'wall.set': ({ rule, distanceMm }, names) => `Wall at ${amount(distanceMm / 1000, 'm', 2)}, ${names.rule(rule)}`,
  'aim.prepared': () => 'Prepared for aiming',
  'aim.measured': ({ moment, heightMm }) => `Aim ${moment}: ${amount(heightMm, 'mm')}`,
  'aim.referenced': ({ referenceMm }) => `Reference height ${amount(referenceMm, 'mm')}`,
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

/** One line of the log in words. */
export function sayEvent(event: LoggedEvent, names: Names): string {
  const say = EVENTS[event.type] as (payload: LoggedEvent['payload'], names: Names) => string;
  return say(event.payload, names);
}

/** What stands in the place of what holds a job, where its log cannot be read. */
export const UNREADABLE = 'This job cannot be read: npm run check says where its log is damaged';
