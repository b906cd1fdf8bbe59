import type { CloseTrouble, SupplyStep } from '@jade/core/closing';
import type { GroupCount } from '@jade/core/job';
import type { Names } from '@jade/words/job';
import { saySubject } from '@jade/words/stations';
import { inSentence, plural } from '@jade/words/units';

/** What does not go in closing, and what is left to do. */
export function sayCloseTrouble(trouble: CloseTrouble, names: Names): string {
  if (trouble.code === 'refit-contradiction') {
    return `The refit rules contradict each other: ${trouble.pieces.map(names.piece).join(', then ')}. The order below keeps without them; decide at the vehicle.`;
  }
  const pieces = trouble.pieces.map((piece) => inSentence(names.piece(piece))).join(' and ');
  return `“${saySubject(trouble.subject, names)}” cannot come before ${pieces} in any order. ${trouble.offers.length > 0 ? `What is left: ${trouble.offers.join(', or ')}.` : 'The rules contradict each other: decide at the vehicle.'}`;
}

/** What a tap on a change of a supply says, with the fasteners that it counts. */
export function saySwitch({ to }: Pick<SupplyStep, 'to'>, counts: readonly GroupCount[]): string {
  const count = counts.reduce((total, entry) => total + entry.count, 0);
  const [is, where] = to === 'live' ? ['live', 'in'] : ['off', 'out'];
  return `It is ${is}${count > 0 ? `, ${plural(count, 'fastener')} ${where}` : ''}`;
}
