import type { Fault } from '../faults/index.ts';
import type { Condition, FactValues } from './condition.ts';

/** Known facts and options, each with its choices. */
export type FactChoices = ReadonlyMap<string, readonly string[]>;

/** Faults of a condition: other than exactly one form set, a fact that is not defined, a value that is not among its choices. */
export function checkCondition(condition: Condition | undefined, known: FactChoices, path: string): Fault[] {
  if (!condition) return [];
  const forms = ['fact', 'all', 'any', 'not'].filter((form) => condition[form as keyof Condition] !== undefined);
  if (forms.length !== 1 || (condition.is === undefined) !== (condition.fact === undefined)) {
    return [{ path, code: 'condition-shape', data: {} }];
  }
  if (condition.fact !== undefined) {
    const choices = known.get(condition.fact);
    if (!choices) return [{ path: `${path}.fact`, code: 'unknown-id', data: { id: condition.fact, what: 'fact' } }];
    if (!choices.includes(condition.is ?? '')) {
      return [{ path: `${path}.is`, code: 'choice', data: { value: condition.is ?? '', choices: choices.join(', ') } }];
    }
    return [];
  }
  if (condition.not) return checkCondition(condition.not, known, `${path}.not`);
  const form = condition.all ? 'all' : 'any';
  return (condition[form] ?? []).flatMap((part, index) => checkCondition(part, known, `${path}.${form}[${index}]`));
}

/** Faults of facts as they are given: a fact that is not defined, a value that is not among its choices, one that is ruled out and is not either. */
export function checkFacts(facts: FactValues, known: FactChoices, path: string): Fault[] {
  return Object.entries(facts).flatMap(([name, text]): Fault[] => {
    const fact = name.startsWith('!') ? name.slice(1) : name;
    const choices = known.get(fact);
    if (!choices) return [{ path: `${path}.${name}`, code: 'unknown-id', data: { id: fact, what: 'fact' } }];
    const values = name.startsWith('!') ? text.split('|') : [text];
    return values.filter((value) => !choices.includes(value)).map((value): Fault => ({ path: `${path}.${name}`, code: 'choice', data: { value, choices: choices.join(', ') } }));
  });
}
