import type { EventType, LedTo, LoggedEvent, NightItem, OpenQuestion, Payloads } from '@jade/core/events';
import type { PartToOrder } from '@jade/core/job';
import type { FitmentList, KitList, Pass } from '@jade/core/kit';
import { isScrewed, type Described, type FastenerGroup, type Piece, type Release, type Tightening } from '@jade/core/vehicle';
import { sayAsItComes, sayGroup, sayMeasures, sayStand, type Names } from '@jade/words/names';
import { sayWarnings } from '@jade/words/judging';
import { sayJudged } from '@jade/words/capture';
import { sayPictured } from '@jade/words/photos';
import { sayFunctions } from '@jade/words/probing';
import { sayKey } from '@jade/words/subject';
import { sayArea, sayProtection } from '@jade/words/wiring';
import { amount, capitalised, degrees, inSentence, millimetres, plural, stated } from '@jade/words/units';

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
  const again = tighten.recheckKm === undefined ? '' : `, once more after ${amount(tighten.recheckKm, 'km')}`;
  if (tighten.torqueNm !== undefined) return `${amount(tighten.torqueNm, 'Nm', Number.isInteger(tighten.torqueNm) ? 0 : 1)} (${tighten.source ?? 'no source'})${again}`;
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
    case 'contradicted':
      return 'Two people said otherwise of the same thing within a minute.';
  }
}

/** A lamp of a kit by the key of its aim. */
const lampOf = (kept: string, names: Names): string => inSentence(names.lamp(kept.slice(0, kept.indexOf('/')), kept.slice(kept.indexOf('/') + 1)));

/** A moment by the clock of whoever reads it. */
const when = (iso: string) => new Date(iso).toLocaleString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** What is seen to before the night, in short. */
const NIGHT_NAMES: Record<NightItem, string> = {
  loose: 'what hangs loose',
  off: 'what is off',
  tray: 'the trays',
  bared: 'bared wires',
  battery: 'the battery',
  charger: 'the charger',
  sensors: 'sensors unplugged',
  cover: 'the cover',
  key: 'the key',
};

/** Lamps that a line of the log names. */
const MOST_NAMED = 3;

/** Pieces that were described, apart from those that were only taken to be as on the other side. */
function sayDescribed(pieces: readonly Pick<Piece, 'name' | 'assumed'>[]): string[] {
  const listed = (list: typeof pieces) => list.map(({ name }, index) => (index === 0 ? name : inSentence(name))).join('; ');
  const seen = pieces.filter(({ assumed }) => assumed === undefined);
  const taken = pieces.filter(({ assumed }) => assumed !== undefined);
  return [...(seen.length > 0 ? [`Described: ${listed(seen)}`] : []), ...(taken.length > 0 ? [`Assumed, as on ${taken[0]?.assumed}: ${inSentence(listed(taken))}`] : [])];
}

/** Of which this vehicle has nothing beyond what is described. */
const WHOLE: Readonly<Record<Described, string>> = {
  functions: 'It has no further lamps',
  pieces: 'No further pieces came off',
  sensors: 'No sensor was met beyond those described',
  mounts: 'No further mount positions are used',
};

/** Of which a kit has nothing beyond what is described. */
const WHOLE_OF_KIT: Readonly<Record<KitList | FitmentList, string>> = {
  lamps: 'it has no other lamp',
  contents: 'nothing else is in its box',
  vehicles: 'it fits on no other vehicle',
  mounts: 'it sits nowhere else',
  connections: 'nothing else of it is joined',
  fitSteps: 'that is all that is fitted',
  tests: 'that is all that is tried',
  years: 'its maker makes it for those years alone',
};

const EVENTS: { [T in EventType]: (payload: Payloads[T], names: Names) => string } = {
  'job.opened': () => 'Job opened',
  'job.repinned': ({ profile, lost }) => `Newer documents taken over, profile version ${profile.version}${lost.length > 0 ? `; lost: ${lost.join(', ')}` : ''}`,
  'job.assigned': ({ person }) => (person === undefined ? 'Given to nobody' : `Given to ${person}`),
  'promise.made': ({ at, why }) => (at === undefined ? 'Nothing promised any more' : `Promised for ${when(at)}${why ? `, ${why}` : ''}`),
  'bay.taken': ({ bay }) => (bay === undefined ? 'In no bay' : `In ${bay}`),
  'wish.written': ({ wish }) => (wish === undefined ? 'No wish of the customer' : `The customer wants: ${wish}`),
  'note.written': ({ note }) => `Note: ${note}`,
  'photo.taken': ({ about }, names) => `Photo: ${inSentence(sayPictured(about, names))}`,
  'photo.marked': ({ ring }) => (ring ? 'Photo: where to look' : 'Photo: ring taken off'),
  'photo.captioned': ({ note }) => (note === undefined ? 'Photo: word taken off' : `Photo: ${note}`),
  'photo.chosen': ({ onSheet }) => (onSheet ? 'Photo for the customer’s sheet' : 'Photo no longer for the customer’s sheet'),
  'kit.added': ({ kit }, names) => `${names.kit(kit.slug)} added, version ${kit.version}`,
  'kit.dropped': ({ kit, why }, names) => `${names.kit(kit)} is not fitted: ${why}`,
  'job.cancelled': ({ why }) => `Cancelled: ${why}`,
  'plug.parted': ({ kit, connection }, names) => `Plug parted: ${inSentence(names.connection(kit, connection))}`,
  'leg.lifted': ({ kit, leg }, names) => `Leg to ${inSentence(names.leg(kit, leg))} lifted out`,
  'contact.pulled': ({ plug, row, column }, names) => `${names.plug(plug)}, row ${row}, column ${column}: contact pulled out`,
  'step.undone': ({ kit, step }, names) => `${names.step(kit, step)}: undone`,
  'step.rechecked': ({ kit, step }, names) => `${names.step(kit, step)}: bolts held again, they do not move`,
  'work.paused': () => 'A pause',
  'work.resumed': () => 'Work goes on',
  'night.left': ({ seen, where }) =>
    `Left open overnight; seen to: ${seen.length > 0 ? seen.map((item) => NIGHT_NAMES[item]).join(', ') : 'nothing'}${where ? `; what is off: ${where}` : ''}`,
  'night.over': ({ asLeft, note }) => (asLeft ? 'Found as it was left' : `Not found as it was left: ${note ?? ''}`),
  'number.recorded': ({ number: read }) => `Number ${read}`,
  'fact.recorded': ({ fact, certainty, value, not = [] }, names) =>
    `${names.fact(fact)}: ${certainty === 'unknown' ? 'not known' : `${value ?? ''}${certainty === 'assumed' ? ', assumed' : ''}`}${not.length > 0 ? `, surely not ${not.join(' or ')}` : ''}`,
  'baseline.tried': ({ lamp, result }, names) => `${names.factory(lamp)}, on arrival: ${result}`,
  'battery.measured': ({ restV, why }) => `Battery at rest ${amount(restV, 'V', 1)}${why ? `, ${why}` : ''}`,
  'code.recorded': ({ code, moment }) => `Fault code ${code}, ${moment}`,
  'codes.read': ({ moment, count }) => `Fault codes read ${moment}: ${count === 0 ? 'none' : count}`,
  'warnings.read': ({ moment, lit, why }) => `Warning lamps, ${moment}: ${sayWarnings(lit)}${why ? `, ${why}` : ''}`,
  'lens.graded': ({ lamp, moment, grade, why }, names) => `Lens of ${inSentence(names.factory(lamp))}, ${moment}: ${grade}${why ? `, ${why}` : ''}`,
  'gap.measured': ({ gap, widthMm, moment, why }, names) => `${names.gap(gap)}, ${moment}: ${amount(widthMm, 'mm', 1)}${why ? `, ${why}` : ''}`,
  'damage.noted': ({ place, note }) => `Damage, ${place}: ${note}`,
  'option.chosen': ({ kit, option, choice }, names) => `${names.kit(kit)}, ${inSentence(names.option(kit, option))}: ${inSentence(names.choice(kit, option, choice))}`,
  'match.confirmed': ({ kit }, names) => `Match of ${names.kit(kit)} confirmed`,
  'content.counted': ({ kit, item, count }, names) => `${names.item(kit, item)}: ${count} counted`,
  'bench.done': ({ kit, task }, names) => `Bench: ${names.task(kit, task)}`,
  'piece.moved': ({ piece, level, fasteners, without = [], needed = [] }, names) => {
    const count = fasteners.reduce((sum, group) => sum + group.count, 0);
    const list = (pieces: readonly string[]) => pieces.map((id) => inSentence(names.piece(id))).join(', ');
    return [
      `${names.piece(piece)} ${level}${count > 0 ? `, ${plural(count, 'fastener')}` : ''}`,
      ...(without.length > 0 ? [`would have come with ${list(without)} on`] : []),
      ...(needed.length > 0 ? [`not before ${list(needed)}`] : []),
    ].join('; ');
  },
  'position.set': ({ kind, place }) => capitalised(place === undefined ? sayAsItComes(kind) : sayStand({ kind, place })),
  'supply.set': ({ supply, is, by }, names) => `${names.supply(supply)} ${is}${by ? `, ${by}` : ''}`,
  'setting.restored': ({ setting }) => `${setting} set again`,
  'accessory.found': ({ name, holds, why }, names) =>
    `Found on the vehicle: ${name}${holds.length > 0 ? `, before ${holds.map((piece) => inSentence(names.piece(piece))).join(', ')}` : ''}${why ? `; ${why}` : ''}`,
  'kit.described': ({ kit, lamps = [], contents = [], fitSteps = [], plugs = [], feeds = [], legs = [], connections = [], tests = [], replaces = [], whole = [] }, names) =>
    [
      ...(lamps.length > 0 ? [`${names.kit(kit)} has: ${lamps.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...(contents.length > 0 ? [`${names.kit(kit)}, in the box: ${contents.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...fitSteps.map(({ name }) => `${names.kit(kit)}, fitted: ${inSentence(name)}`),
      ...connections.map(
        ({ kitPlug, vehiclePlug, tap }) =>
          `${names.kit(kit)}, joined: ${inSentence(plugs.find(({ id }) => id === kitPlug)?.name ?? names.kitPlug(kit, kitPlug))} to ${tap ? `pin ${tap.pin} of ` : ''}${inSentence(names.plug(vehiclePlug))}`,
      ),
      ...feeds.map(({ fuseA, batteryToFuseMm }) => `${names.kit(kit)}, fed from the battery: main fuse ${stated(fuseA, 'A')}, ${stated(batteryToFuseMm, 'mm')} from it`),
      ...legs.map(({ lengthMm, wire }) => `${names.kit(kit)}, its lead: ${stated(lengthMm, 'mm')}${wire ? ` of ${sayArea(wire.areaMm2)}` : ''}`),
      ...(tests.length > 0 ? [`${names.kit(kit)} is tried by: ${tests.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...(replaces.length > 0 ? [`${names.kit(kit)} takes the place of: ${replaces.map((piece) => inSentence(names.piece(piece))).join('; ')}`] : []),
      ...(whole.length > 0 ? [`${names.kit(kit)}: ${whole.map((list) => WHOLE_OF_KIT[list]).join(', ')}`] : []),
    ].join('. '),
  'kind.described': (
    {
      pieces = [],
      functions = [],
      mounts = [],
      supplies = [],
      sensors = [],
      gaps = [],
      plugs = [],
      circuits = [],
      facts = [],
      measures = {},
      without = [],
      refitRules = [],
      held = [],
      same = [],
      apart = [],
      samePlaces = [],
      apartPlaces = [],
      whole = [],
    },
    names,
  ) =>
    [
      ...sayDescribed(pieces),
      ...(functions.length > MOST_NAMED ? [`It has ${plural(functions.length, 'lamp')}, ${inSentence(functions[0]?.name ?? '')} and others`] : []),
      ...(functions.length > 0 && functions.length <= MOST_NAMED ? [`It has: ${functions.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...(mounts.length > 0 ? [`A place of the vehicle: ${mounts.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...supplies.map(
        ({ name, piece, waitMin }) => `${name}: isolated by ${inSentence(pieces.find(({ id }) => id === piece)?.name ?? names.piece(piece))}, dead after ${amount(waitMin, 'min')}`,
      ),
      ...(sensors.length > 0 ? [`A sensor: ${sensors.map(({ name, on }) => `${inSentence(name)} on ${inSentence(names.piece(on))}`).join('; ')}`] : []),
      ...(gaps.length > 0 ? [`A panel gap: ${gaps.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...plugs.map(
        ({ name, pins }) => `A plug of the vehicle: ${inSentence(name)}${pins.flatMap(({ id, carries, proved }) => (proved ? [`, pin ${id} ${carries}`] : [])).join('')}`,
      ),
      ...circuits.map((circuit) => `A circuit: ${sayProtection(circuit)}, live in ${circuit.liveIn.join(', ')}`),
      ...facts.map(({ label, choices }) => `Vehicles of this kind differ, ${inSentence(label)}: ${choices.join(' or ')}`),
      ...(Object.keys(measures).length > 0 ? [`Measured: ${sayMeasures(measures)}`] : []),
      ...refitRules.map(({ first, then, why }) => `${names.piece(first)} goes back before ${inSentence(names.piece(then))}: ${why}`),
      ...held.map(
        ({ piece, fasteners }) => `${names.piece(piece)} is held by ${fasteners.map((group) => `${group.count} × ${sayGroup(group) ?? group.id}`).join('; ') || 'nothing'}`,
      ),
      ...(without.length > 0 ? [`This kind has no ${without.map((piece) => inSentence(names.piece(piece))).join(', no ')}`] : []),
      ...same.map(({ piece, is }) => `${names.piece(piece)} and ${inSentence(names.piece(is))} are one piece, described twice`),
      ...apart.map(({ piece, from }) => `${names.piece(piece)} and ${inSentence(names.piece(from))} are two pieces`),
      ...samePlaces.map(({ is }) => `${names.spot(is)} was described twice: it is one`),
      ...apartPlaces.map(({ place, from }) => `${names.spot(place)} and ${inSentence(names.spot(from))} are two`),
      ...whole.map((list) => WHOLE[list]),
    ].join('. '),
  'piece.wanted': ({ piece, level }, names) => `Wanted besides: ${inSentence(names.piece(piece))} ${level}`,
  'opening.enough': ({ kits }, names) => `All is open that ${kits.map((kit) => names.kit(kit)).join('; ')} is worked at, as was seen`,
  'way.blocked': ({ place, way, why }, names) => `${names.place(place)}: ${sayWay(way)} is blocked, ${why}`,
  'piece.found': ({ piece, level }, names) => (level === 'off' ? `${names.piece(piece)} was not there when it came` : `${names.piece(piece)} was ${level} when it came`),
  'piece.tried': ({ piece, level }, names) => `${names.piece(piece)} did not come ${level}`,
  'opening.judged': ({ pieces }, names) => sayJudged(pieces, names.piece),
  'moves.ordered': () => 'Which of two moves came first was said',
  'way.chosen': ({ place, way }, names) => (way === undefined ? `${names.place(place)}: back to the least labour` : `${names.place(place)}: ${sayWay(way)} chosen`),
  'order.chosen': ({ school, people, side }) => `Order: ${school}${side ? `, ${side} side` : ''}, ${plural(people, 'person', 'people')}`,
  'opening.left': ({ why }) => `Opening given up: ${why}`,
  'opening.resumed': ({ why }) => `Opening taken up again: ${why}`,
  'fastener.seized': ({ piece, group, count, addMin, why }, names) =>
    `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} seized, ${amount(addMin, 'min')} more${why ? `, ${why}` : ''}`,
  'fastener.broken': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} broken`,
  'fastener.dropped': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} dropped`,
  'fastener.found': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} found`,
  'fastener.renewed': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} put in new`,
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
  'load.accepted': ({ circuit, afterA }, names) => `Load on ${inSentence(names.circuit(circuit))} accepted${afterA === undefined ? '' : `: ${amount(afterA, 'A', 1)}`}`,
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
  'sensor.moved': ({ sensor, xMm, yMm, zMm, yawDeg, pitchDeg }, names) =>
    `${names.sensor(sensor)} moved: ${[xMm, yMm, zMm].map((value) => amount(value, 'mm')).join(', ')}; ${[yawDeg, pitchDeg].map((value) => degrees(value)).join(', ')}`,
  'sensor.calibrated': ({ sensor, how, note, by, dueOn }, names) =>
    `${names.sensor(sensor)} calibration: ${how}${by === undefined ? '' : `, ${by}`}${dueOn === undefined ? '' : `, by ${dueOn}`}${note ? `, ${note}` : ''}`,
  'step.passed': ({ kit, step, pass }, names) => `${names.step(kit, step)}: ${PASS_WORDS[pass]}`,
  'test.tried': ({ kit, test, passed, note }, names) => `${names.test(kit, test)}: ${passed ? 'passed' : 'failed'}${note ? `, ${note}` : ''}`,
  'wall.set': ({ rule, distanceMm }, names) => `Wall at ${amount(distanceMm / 1000, 'm', 2)}, ${names.rule(rule)}`,
  'aim.prepared': ({ tyres, load, levelling }) => {
    const done = [...(tyres ? ['tyres'] : []), ...(load ? ['load'] : []), ...(levelling ? ['levelling'] : [])];
    return `Prepared for aiming: ${done.length > 0 ? done.join(', ') : 'nothing yet'}`;
  },
  'aim.measured': ({ lamp, moment, heightMm }, names) => `Aim ${moment}, ${lampOf(lamp, names)}: ${amount(heightMm, 'mm')}`,
  'aim.referenced': ({ lamp, referenceMm }, names) => `Height of ${lampOf(lamp, names)} above the floor: ${amount(referenceMm, 'mm')}`,
  'aim.by-others': ({ lamp, by }, names) => `Aim by others, ${lampOf(lamp, names)}: ${by}`,
  'final.tried': ({ lamp, result }, names) => `${names.factory(lamp)}, leaving: ${result}`,
  'final.tested': ({ kit, test, passed, note }, names) => `${names.test(kit, test)}, everything closed: ${passed ? 'works' : 'does not work'}${note ? `, ${note}` : ''}`,
  'consent.given': ({ about, by }, names) => `Agreed to by ${by}: ${inSentence(sayKey(about, names))}`,
  'customer.signed': () => 'The customer signed',
  'part.bagged': ({ piece, where }, names) => `${names.piece(piece)} bagged: ${where}`,
  'exception.named': ({ about, note }, names) => `Exception, ${inSentence(sayKey(about, names))}: ${note}`,
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

/** What cannot be undone on a vehicle, and who agreed to it. */
export const CONSENT = {
  caution: 'This cannot be undone. Whose vehicle it is agrees to it beforehand, by name.',
  ask: 'Write down who agreed',
  title: 'Consent',
  label: 'Who agreed to it, and how',
  record: 'Record the consent',
} as const;
export const sayConsent = (by: string): string => `Agreed to: ${by}`;

/** One line of the log with who made it, where that is known. */
export function sayLogLine(event: LoggedEvent, names: Names, benchName: (id: string) => string): string {
  const said = event.type === 'job.assigned' && event.payload.person !== undefined ? `Given to ${benchName(event.payload.person)}` : sayEvent(event, names);
  return event.person === undefined ? said : `${benchName(event.person)}: ${said}`;
}

/** Two entries of which the one contradicts the other: who said what. */
export function sayContradiction(entries: readonly LoggedEvent[], names: Names, benchName: (id: string) => string): string {
  return `${entries.map((event) => sayLogLine(event, names, benchName)).join('. ')}. Within a minute: look again together, and say it once more.`;
}

/** What stands in the place of what holds a job, where its log cannot be read. */
export const UNREADABLE = 'This job cannot be read: npm run check says where its log is damaged';

export * from './views.ts';
