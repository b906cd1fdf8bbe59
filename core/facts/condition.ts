/**
 * What is held to be so of one vehicle: values by fact. A fact that is not in the record is unknown; what it is not may still be known,
 * under its name with `!` before it, values parted by `|`.
 */
export type FactValues = Readonly<Record<string, string>>;

/** Values that an unknown fact is known not to have. */
export function ruledOut(facts: FactValues, fact: string): string[] {
  const values = facts[`!${fact}`];
  return values === undefined ? [] : values.split('|');
}

/** A condition over facts: exactly one of its fields is set. */
export interface Condition {
  /** Name of a fact; holds where its value equals `is`. */
  fact?: string;
  is?: string;
  all?: Condition[];
  any?: Condition[];
  not?: Condition;
}

/** The three values of Kleene's logic. */
export type Truth = 'yes' | 'no' | 'unknown';

const INVERSE: Record<Truth, Truth> = { yes: 'no', no: 'yes', unknown: 'unknown' };

/**
 * Strong Kleene value of a condition. An absent condition holds. An empty `all` holds, an empty `any` does not.
 * Source: S. C. Kleene, Introduction to Metamathematics, section 64.
 */
export function evaluate(condition: Condition | undefined, facts: FactValues): Truth {
  if (!condition) return 'yes';
  if (condition.all) return combine(condition.all, facts, 'no', 'yes');
  if (condition.any) return combine(condition.any, facts, 'yes', 'no');
  if (condition.not) return INVERSE[evaluate(condition.not, facts)];
  const value = condition.fact === undefined ? undefined : facts[condition.fact];
  if (value === undefined) return condition.fact !== undefined && condition.is !== undefined && ruledOut(facts, condition.fact).includes(condition.is) ? 'no' : 'unknown';
  return value === condition.is ? 'yes' : 'no';
}

function combine(parts: Condition[], facts: FactValues, deciding: Truth, neutral: Truth): Truth {
  let result = neutral;
  for (const part of parts) {
    const value = evaluate(part, facts);
    if (value === deciding) return deciding;
    if (value === 'unknown') result = 'unknown';
  }
  return result;
}

/** Names of all facts that a condition mentions, each once, in order of first mention. */
export function factsOf(condition: Condition | undefined): string[] {
  if (!condition) return [];
  const parts = [...(condition.all ?? []), ...(condition.any ?? []), ...(condition.not ? [condition.not] : [])];
  const own = condition.fact === undefined ? [] : [condition.fact];
  return [...new Set([...own, ...parts.flatMap(factsOf)])];
}

/** A condition with the value of each of its parts, for showing why. */
export interface ReasonTree {
  condition: Condition;
  value: Truth;
  parts: ReasonTree[];
}

/** The reason tree of a condition: the same nesting, each part with its own value. */
export function explain(condition: Condition, facts: FactValues): ReasonTree {
  const parts = condition.all ?? condition.any ?? (condition.not ? [condition.not] : []);
  return { condition, value: evaluate(condition, facts), parts: parts.map((part) => explain(part, facts)) };
}
