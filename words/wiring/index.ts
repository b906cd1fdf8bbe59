import type { Load } from '@jade/core/vehicle';
import type { LoadCheck, MateTrouble, MateVerdict, PinVerdict } from '@jade/core/wiring';
import { amperes, inSentence, percent, stated, volts } from '@jade/words/units';

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

/** What a load check says, with its numbers. */
export function sayLoad(check: LoadCheck): string {
  const base = `${amperes(check.beforeA)} before, ${amperes(check.afterA)} after at the worst voltage: ${percent(check.shareAfter)} of the ${check.weakest} (${stated(check.limitA, 'A')}). Drop ${volts(check.dropV)} (${percent(check.dropShare, 1)}) at running voltage.`;
  switch (check.verdict) {
    case 'carries':
      return `It carries. ${base}`;
    case 'warn':
      return `It carries with little in hand. ${base}`;
    case 'refuse':
      return `Too much for this circuit. ${base} The ${check.weakest} must grow, or another source must feed it.`;
    case 'never':
      return 'This circuit is never used: it belongs to a safety system.';
  }
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
