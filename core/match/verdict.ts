import type { Kit } from '../kit/index.ts';
import { isUndescribed, type MountPosition, type VehicleProfile } from '../vehicle/index.ts';
import { evaluate, explain, factsOf, ruledOut, type Condition, type FactValues, type ReasonTree, type Truth } from '../facts/index.ts';

/** Clearance of a lamp's box in the opening it goes into, in millimetres; negative where it does not go in. */
export interface Clearance {
  lamp: string;
  mount: string;
  widthMm: number;
  heightMm: number;
  depthMm: number;
  value: Truth;
}

export type MatchReason =
  | { code: 'made-for'; value: Truth; vehicle: string }
  /** Nobody made it for this kind, as far as is known, and it was fitted to one: so far as that was described, it sits. */
  | { code: 'was-fitted'; value: Truth; vehicle: string }
  | { code: 'years'; value: Truth; year: number; from: number; to: number | null }
  | { code: 'equipment'; value: Truth; tree: ReasonTree }
  | { code: 'opening'; value: Truth; clearance: Clearance };

/** Whether a kit fits a vehicle, why, and which unknown fact is the cheapest to look at first. */
export interface MatchVerdict {
  kit: string;
  value: Truth;
  reasons: MatchReason[];
  /** Facts not known that could still change the verdict or the adapters, cheapest look first. */
  ask: string[];
  /** Contents whose need is settled as yes. */
  adapters: string[];
  /** Contents whose need hangs on a fact that is not known. */
  undecidedAdapters: string[];
}

/** The facts of a vehicle joined with the options chosen for a kit, which conditions name as `option.<id>`. */
export function withOptions(facts: FactValues, kit: Kit, chosen: Readonly<Record<string, string>>): FactValues {
  const options = Object.fromEntries(kit.options.map((option) => [`option.${option.id}`, chosen[option.id] ?? option.default]));
  return { ...facts, ...options };
}

function clearanceOf(kit: Kit, mount: MountPosition, lampId: string): Clearance | undefined {
  const lamp = kit.lamps.find((candidate) => candidate.id === lampId);
  if (!lamp || !mount.opening) return undefined;
  const widthMm = mount.opening.widthMm - lamp.box.widthMm;
  const heightMm = mount.opening.heightMm - lamp.box.heightMm;
  const depthMm = mount.opening.depthMm - lamp.box.depthMm;
  return { lamp: lampId, mount: mount.id, widthMm, heightMm, depthMm, value: Math.min(widthMm, heightMm, depthMm) >= 0 ? 'yes' : 'no' };
}

function allOf(values: Truth[]): Truth {
  if (values.includes('no')) return 'no';
  return values.includes('unknown') ? 'unknown' : 'yes';
}

/** Largest number of completions that are looked at one by one. */
const MOST_COMPLETIONS = 4096;

/** Every way the facts can lie that are not known, without what is ruled out; undefined where those are too many or a fact has no choice. */
function* completions(open: readonly string[], facts: FactValues, profile: VehicleProfile): Generator<FactValues> {
  const choices = open.map((fact) => choicesLeft(fact, facts, profile));
  const count = choices.reduce((product, list) => product * list.length, 1);
  for (let index = 0; index < count; index++) {
    let rest = index;
    const completed: Record<string, string> = { ...facts };
    open.forEach((fact, place) => {
      const list = choices[place] ?? [];
      completed[fact] = list[rest % list.length] ?? '';
      rest = Math.floor(rest / list.length);
    });
    yield completed;
  }
}

function choicesLeft(fact: string, facts: FactValues, profile: VehicleProfile): string[] {
  const out = ruledOut(facts, fact);
  return (profile.facts.find((definition) => definition.id === fact)?.choices ?? []).filter((choice) => !out.includes(choice));
}

const openFacts = (condition: Condition | undefined, facts: FactValues) => factsOf(condition).filter((fact) => facts[fact] === undefined);
const countOf = (open: readonly string[], facts: FactValues, profile: VehicleProfile) => open.reduce((product, fact) => product * choicesLeft(fact, facts, profile).length, 1);

/**
 * Value of a condition that is also settled when every completion of its unknown facts agrees ("A or not A"), with what is ruled out left
 * out. Beyond 4096 completions the plain Kleene value is returned.
 */
export function settle(condition: Condition | undefined, facts: FactValues, profile: VehicleProfile): Truth {
  const plain = evaluate(condition, facts);
  if (plain !== 'unknown') return plain;
  const open = openFacts(condition, facts);
  const count = countOf(open, facts, profile);
  if (count === 0 || count > MOST_COMPLETIONS) return 'unknown';
  let agreed: Truth | undefined;
  for (const completed of completions(open, facts, profile)) {
    const value = evaluate(condition, completed);
    if (agreed !== undefined && value !== agreed) return 'unknown';
    agreed = value;
  }
  return agreed ?? 'unknown';
}

/** Unknown facts of a condition of which one value and another can still make a difference, whatever the others are. Of too many completions all count. */
function deciding(condition: Condition | undefined, facts: FactValues, profile: VehicleProfile): string[] {
  const open = openFacts(condition, facts);
  if (countOf(open, facts, profile) > MOST_COMPLETIONS) return open;
  return open.filter((fact) => {
    const others = open.filter((other) => other !== fact);
    for (const completed of completions(others, facts, profile)) {
      const values = new Set(choicesLeft(fact, facts, profile).map((choice) => evaluate(condition, { ...completed, [fact]: choice })));
      if (values.size > 1) return true;
    }
    return false;
  });
}

/**
 * Three-valued verdict of one kit on one vehicle with its reasons.
 * @param year model year, or undefined where it is not known
 * @param facts what is known of this vehicle, options joined in (see `withOptions`)
 */
export function matchKit(kit: Kit, profile: VehicleProfile, year: number | undefined, facts: FactValues): MatchVerdict {
  const fitment = kit.fitments.find((candidate) => candidate.vehicle === profile.slug);
  if (!fitment) {
    // Nobody has described where a lamp can sit on it, or what the kit fits: that the kit does not name it then says nothing.
    const value = isUndescribed(profile, 'mounts') || kit.undescribed?.includes('vehicles') ? 'unknown' : 'no';
    const reason: MatchReason = { code: 'made-for', value, vehicle: profile.slug };
    const needOf = (truth: Truth) => (value === 'no' ? [] : kit.contents.filter((item) => item.when && evaluate(item.when, facts) === truth).map((item) => item.id));
    return { kit: kit.slug, value, reasons: [reason], ask: [], adapters: needOf('yes'), undecidedAdapters: needOf('unknown') };
  }
  const isSeen = fitment.undescribed?.includes('years') ?? false;
  const reasons: MatchReason[] = [{ code: isSeen ? 'was-fitted' : 'made-for', value: 'yes', vehicle: profile.slug }];
  const { from, to } = fitment.years;
  // Which years it fits is its maker's to say: of one that was fitted without that nothing is known of it.
  if (!isSeen) {
    const value = year === undefined ? 'unknown' : year >= from && year <= (to ?? Infinity) ? 'yes' : 'no';
    reasons.push({ code: 'years', value, year: year ?? 0, from, to: to ?? null });
  }
  if (fitment.condition) {
    reasons.push({ code: 'equipment', value: settle(fitment.condition, facts, profile), tree: explain(fitment.condition, facts) });
  }
  for (const place of fitment.mounts) {
    if (evaluate(place.when, facts) === 'no') continue;
    const mount = profile.mounts.find((candidate) => candidate.id === place.mount);
    const clearance = mount && clearanceOf(kit, mount, place.lamp);
    if (clearance) reasons.push({ code: 'opening', value: clearance.value, clearance });
  }
  const value = allOf(reasons.map((reason) => reason.value));
  const conditional = [...kit.contents, ...fitment.connections, ...fitment.fitSteps, ...fitment.mounts, ...fitment.tests].map((item) => item.when);
  const undecided = [fitment.condition, ...conditional].filter((when) => settle(when, facts, profile) === 'unknown');
  const open = undecided.flatMap((when) => deciding(when, facts, profile));
  const lookMin = (fact: string) => profile.facts.find((definition) => definition.id === fact)?.lookMin ?? 0;
  const ask = value === 'no' ? [] : [...new Set(open)].sort((a, b) => lookMin(a) - lookMin(b) || a.localeCompare(b));
  const needOf = (truth: Truth) => kit.contents.filter((item) => item.when && settle(item.when, facts, profile) === truth).map((item) => item.id);
  return { kit: kit.slug, value, reasons, ask, adapters: needOf('yes'), undecidedAdapters: needOf('unknown') };
}
