import type { LinesOf } from './lines-of.ts';
import { type Described, type Piece } from '@jade/core/vehicle';
import { sayAsItComes, sayGroup, sayMeasures, sayStand } from '@jade/words/names';
import { sayJudged } from '@jade/words/capture';
import { sayProtection } from '@jade/words/wiring';
import { amount, capitalised, inSentence, plural } from '@jade/words/units';

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

/** A way as a phrase: its author's id read as words. */
export function sayWay(id: string): string {
  return id.replaceAll('-', ' ');
}

/** Lines of the family, as the log shows them. */
export const OPENING_LINES: LinesOf<'opening'> = {
  'piece.moved': ({ piece, level, fasteners, without = [], needed = [] }, names) => {
    const count = fasteners.reduce((sum, group) => sum + group.count, 0);
    const list = (pieces: readonly string[]) => pieces.map((id) => inSentence(names.piece(id))).join(', ');
    return [
      `${names.piece(piece)} ${level}${count > 0 ? `, ${plural(count, 'fastener')}` : ''}`,
      ...(without.length > 0 ? [`would have come with ${list(without)} on`] : []),
      ...(needed.length > 0 ? [`not before ${list(needed)}`] : []),
    ].join('; ');
  },
  'piece.found': ({ piece, level }, names) => (level === 'off' ? `${names.piece(piece)} was not there when it came` : `${names.piece(piece)} was ${level} when it came`),
  'piece.tried': ({ piece, level }, names) => `${names.piece(piece)} did not come ${level}`,
  'piece.wanted': ({ piece, level }, names) => `Wanted besides: ${inSentence(names.piece(piece))} ${level}`,
  'part.bagged': ({ piece, where }, names) => `${names.piece(piece)} bagged: ${where}`,
  'position.set': ({ kind, place }) => capitalised(place === undefined ? sayAsItComes(kind) : sayStand({ kind, place })),
  'supply.set': ({ supply, is, by }, names) => `${names.supply(supply)} ${is}${by ? `, ${by}` : ''}`,
  'setting.restored': ({ setting }) => `${setting} set again`,
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
  'opening.enough': ({ kits }, names) => `All is open that ${kits.map((kit) => names.kit(kit)).join('; ')} is worked at, as was seen`,
  'opening.judged': ({ pieces }, names) => sayJudged(pieces, names.piece),
  'moves.ordered': () => 'Which of two moves came first was said',
  'way.blocked': ({ place, way, why }, names) => `${names.place(place)}: ${sayWay(way)} is blocked, ${why}`,
  'way.chosen': ({ place, way }, names) => (way === undefined ? `${names.place(place)}: back to the least labour` : `${names.place(place)}: ${sayWay(way)} chosen`),
  'order.chosen': ({ school, people, side }) => `Order: ${school}${side ? `, ${side} side` : ''}, ${plural(people, 'person', 'people')}`,
  'opening.left': ({ why }) => `Opening given up: ${why}`,
  'opening.resumed': ({ why }) => `Opening taken up again: ${why}`,
};
