import type { LinesOf } from './lines-of.ts';
import { sayWarnings } from '@jade/words/judging';
import { amount, inSentence } from '@jade/words/units';

/** Lines of the family, as the log shows them. */
export const ARRIVAL_LINES: LinesOf<'arrival'> = {
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
  'accessory.found': ({ name, holds, why }, names) =>
    `Found on the vehicle: ${name}${holds.length > 0 ? `, before ${holds.map((piece) => inSentence(names.piece(piece))).join(', ')}` : ''}${why ? `; ${why}` : ''}`,
};
