import type { ReasonTree } from '@jade/core/facts';
import type { Load } from '@jade/core/vehicle';
import type { Drain, DropMend, LoadCheck, LoadTrouble, MateTrouble, MateVerdict, PinVerdict } from '@jade/core/wiring';
import { sayCondition } from '@jade/words/match';
import { amperes, inSentence, percent, plural, stated, volts } from '@jade/words/units';

export const MATE_WORDS: Record<MateVerdict['value'], string> = {
  mates: 'Plug meets plug, pin by pin',
  'mates with pins wrong': 'Plugs meet, but pins are wrong',
  'does not mate': 'These plugs do not meet',
};
export const PIN_WORDS: Record<PinVerdict, string> = {
  meets: 'meets',
  swapped: 'carries something else',
  'nothing there': 'no contact in the vehicle plug',
  'left over': 'left over, cap it',
  spare: 'empty on both',
};

/** Why two plugs do not go together. */
export function sayMateTrouble(trouble: MateTrouble): string {
  switch (trouble.code) {
    case 'family':
      return `The vehicle has family ${trouble.vehicle}, the kit ${trouble.kit}.`;
    case 'gender':
      return `Both have ${trouble.gender}.`;
    case 'keying':
      return `Keying ${trouble.vehicle} on the vehicle, ${trouble.kit} on the kit.`;
    case 'face':
      return `The vehicle’s face is ${trouble.vehicle}, the kit’s ${trouble.kit}.`;
  }
}

/** That a meeting of two plugs is only one of several, while it is not known which. */
export function sayOnlyWhere(tree: ReasonTree, factName: (id: string) => string): string {
  return `Only where ${sayCondition(tree, factName)}, which is not known yet: settle it at Check in.`;
}

/** What mends a way on which too much is lost. */
function sayDropMend({ areaMm2, mostLengthM }: DropMend): string {
  const wire = areaMm2 === undefined ? [] : [`a wire of ${stated(areaMm2, 'mm²')}`];
  const way = mostLengthM === undefined ? [] : [`a way of at most ${stated(Math.floor(mostLengthM * 10) / 10, 'm')}`];
  const mends = [...wire, ...way];
  if (mends.length === 0) return 'No wire mends it: contacts and body alone lose too much, so it wants a feed of its own.';
  return `It would hold with ${mends.join(' or ')}, or with a relay and a feed of its own.`;
}

const LOAD_TROUBLES: Record<LoadTrouble, (check: LoadCheck) => string> = {
  share: () => 'There is little in hand.',
  drop: ({ mend }) => `Too much is lost on the way, and lamps burn dim. ${sayDropMend(mend ?? {})}`,
  'least voltage': ({ atLeastV, neededV }) =>
    `At the least voltage ${volts(atLeastV)} are left for the lamps, and they are stated to need ${volts(neededV ?? 0)}: they may go out.`,
};

/** What a load check says, with its numbers. */
export function sayLoad(check: LoadCheck): string {
  const base = `${amperes(check.beforeA)} before, ${amperes(check.afterA)} after at the worst voltage: ${percent(check.shareAfter)} of the ${check.weakest} (${stated(check.limitA, 'A')}). Lost on the way: ${volts(check.dropV)} at running voltage, ${percent(check.dropShare, 1)} of at most ${percent(check.dropLimitShare, 1)}.`;
  const troubles = check.troubles.map((trouble) => LOAD_TROUBLES[trouble](check));
  switch (check.verdict) {
    case 'carries':
      return `It carries. ${base}`;
    case 'warn':
      return `It carries, but look at this. ${troubles.join(' ')} ${base}`;
    case 'refuse':
      return `Too much for this circuit. ${base} A larger fuse is no cure. Feed the lamps from another source, or over a relay with a feed of its own that takes only its trigger from here.`;
    case 'never':
      return 'This circuit is never used: it belongs to a safety system.';
  }
}

/** Why a load that was accepted is asked for again. */
export function sayWithdrawn(acceptedA: number, { afterA }: Pick<LoadCheck, 'afterA'>): string {
  return `${amperes(acceptedA)} were accepted, and it is ${amperes(afterA)} now: look at it again.`;
}

const days = (hours: number) => plural(Math.floor(hours / 24), 'day');

/** How long a vehicle may stand with what its kits draw, with the numbers that it comes from. */
export function sayStanding({ beforeMa, afterMa, hoursBefore, hoursAfter, capacityAh, usableShare }: Drain & { capacityAh: number; usableShare: number }): string {
  const drawn = `While it stands the vehicle draws ${stated(beforeMa, 'mA')}, and the kits ${stated(afterMa - beforeMa, 'mA')} more.`;
  const without = hoursBefore === null ? '' : `; without the kits it would be ${days(hoursBefore)}`;
  return `${drawn} After ${days(hoursAfter ?? 0)} it may not start${without} (${percent(usableShare)} of ${stated(capacityAh, 'Ah')}).`;
}

/** Loads added to a circuit; those that are alike are counted. */
export function sayAdded(loads: readonly Load[]): string {
  const alike = new Map<string, Load[]>();
  for (const load of loads) {
    const key = `${load.powerW}/${load.atV}/${load.kind}`;
    alike.set(key, [...(alike.get(key) ?? []), load]);
  }
  return [...alike.values()]
    .map((list) => {
      const [{ name, powerW, atV, kind } = { name: '', powerW: 0, atV: 0, kind: '' }] = list;
      const what = list.length > 2 ? `${list.length} lamps, ${inSentence(name)} and alike, each` : list.map((load) => inSentence(load.name)).join(' and ');
      return `${what}${list.length === 2 ? ', each' : ''} ${stated(powerW, 'W')} at ${stated(atV, 'V')}, ${kind}`;
    })
    .join('; ');
}
