import type { Fault } from '../../faults/index.ts';
import { factChoices } from '../../vehicle/index.ts';
import { LEARNED, type Definition } from '../definition.ts';
import type { FactCertainty } from '../values.ts';

/** `seenAt` where the fact comes from an earlier job of the same vehicle; `not` names values that are ruled out while it is not known. */
export interface FactRecorded {
  fact: string;
  certainty: FactCertainty;
  value?: string;
  not?: string[];
  seenAt?: string;
}

export const factRecorded: Definition<FactRecorded> = {
  ...LEARNED,
  says: ({ fact, certainty, value = '' }) => [fact, `${certainty} ${value}`],
  opposite: 'itself',
  does: (state, { fact, ...record }) => void (state.facts[fact] = record),
  names: ({ fact, value, not = [] }, { profile, at }) => {
    const choices = factChoices(profile).get(fact);
    if (!choices) return [{ path: at('fact'), code: 'unknown-id', data: { id: fact, what: 'fact' } }];
    const odd = [...(value === undefined ? [] : [['value', value]]), ...not.map((entry, index) => [`not[${index}]`, entry])];
    return odd
      .filter(([, entry = '']) => !choices.includes(entry))
      .map(([field = '', entry = '']): Fault => ({ path: at(field), code: 'choice', data: { value: entry, choices: choices.join(', ') } }));
  },
};
