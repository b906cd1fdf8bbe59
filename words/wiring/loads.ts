import type { Circuit } from '@jade/core/vehicle';
import type { LoadCheck, LoadTrouble, LoadUnknown } from '@jade/core/wiring';
import { amperes, inSentence, percent, stated, volts } from '@jade/words/units';

/** What mends a way on which too much is lost. */
function sayDropMend({ areaMm2, mostLengthM, of }: NonNullable<LoadCheck['mend']>): string {
  const part = of === 'leg' ? 'leg' : 'way';
  const wire = areaMm2 === undefined ? [] : [`${of === 'leg' ? 'a leg' : 'a wire'} of ${sayArea(areaMm2)}`];
  const way = mostLengthM === undefined ? [] : [`a ${part} of at most ${stated(Math.floor(mostLengthM * 10) / 10, 'm')}`];
  const mends = [...wire, ...way];
  if (mends.length === 0) return 'No wire mends it: contacts and body alone lose too much, so it wants a feed of its own.';
  return `It would hold with ${mends.join(' or ')}, or with a relay and a feed of its own.`;
}

const LOAD_TROUBLES: Record<LoadTrouble, (check: LoadCheck) => string> = {
  'fuse above': ({ fuseMostA }) => `The fuse lets more through than what lies behind it carries (${stated(fuseMostA ?? 0, 'A')}): fit one of at most that.`,
  'fuse far': () => 'The main fuse sits too far from the battery: the wire between them burns unguarded. Move it nearer.',
  surge: ({ surge }) =>
    `When they are switched on the lamps draw ${stated(surge?.ampere ?? 0, 'A')} for a moment, and the output bears ${stated(surge?.mostA ?? 0, 'A')}: it lets go.`,
  standby: ({ standby }) => `Switched off they still draw ${stated(standby?.mA ?? 0, 'mA')}, and the output takes more than ${stated(standby?.mostMa ?? 0, 'mA')} for a fault.`,
  share: () => 'There is little in hand.',
  'leg share': ({ fullestLeg, refuseShare }) =>
    (fullestLeg?.share ?? 0) > refuseShare + 1e-9
      ? `The kit’s leg is too thin for its lamp: ${amperes(fullestLeg?.ampere ?? 0)}, and it may carry ${amperes(fullestLeg?.permittedA ?? 0)}. It wants thicker wire.`
      : `The kit’s leg has little in hand: ${percent(fullestLeg?.share ?? 0)} of what it may carry.`,
  drop: ({ mend }) => `Too much is lost on the way, and lamps burn dim. ${sayDropMend(mend ?? { of: 'wire' })}`,
  'least voltage': ({ atLeastV, neededV }) =>
    `At the least voltage ${volts(atLeastV)} are left for the lamps, and they are stated to need ${volts(neededV ?? 0)}: they may go out.`,
};

const LOAD_UNKNOWNS: Record<LoadUnknown, string> = {
  loads: 'what else hangs on it',
  wire: 'its wire',
  contacts: 'what its contacts bear',
  coil: 'what the relay’s coil draws and needs',
};

/** What of a load is not described, in a line; undefined where all is. */
export const sayNotReckoned = (unknown: readonly LoadUnknown[]): string | undefined =>
  unknown.length === 0 ? undefined : `Not described: ${unknown.map((part) => LOAD_UNKNOWNS[part]).join('; ')}`;

/** What a load check could not reckon with, and how that is settled; undefined where all is known. */
export function sayLoadUnknown({ unknown }: Pick<LoadCheck, 'unknown'>): string | undefined {
  const open = sayNotReckoned(unknown);
  if (open === undefined) return undefined;
  const measure = unknown.some((part) => part !== 'contacts') ? ' Switch all of it on, and measure the current at the fuse and the voltage at the lamps.' : '';
  return `${open}. So these figures are the least that they can be.${measure}`;
}

/** The wire of a circuit: its size and its length, where somebody measured it. */
export const sayCircuitWire = ({ wire }: Pick<Circuit, 'wire'>): string => (wire ? `${stated(wire.areaMm2, 'mm²')}, ${stated(wire.lengthM, 'm')}` : 'wire not measured');

/** What a load check says, with its numbers. */
export function sayLoad(check: LoadCheck): string {
  const leg = check.longestLeg ? ` Of that ${volts(check.longestLeg.dropV)} in the kit’s leg, which carries ${percent(check.longestLeg.share)} of what it may.` : '';
  const open = sayLoadUnknown(check);
  const unknown = open === undefined ? '' : ` ${open}`;
  const base = `${amperes(check.beforeA)} before, ${amperes(check.afterA)} after at the worst voltage: ${percent(check.shareAfter)} of the ${check.weakest} (${stated(check.limitA, 'A')}). Lost on the way: ${volts(check.dropV)} at running voltage, ${percent(check.dropShare, 1)} of at most ${percent(check.dropLimitShare, 1)}.${leg}${unknown}`;
  const troubles = check.troubles.map((trouble) => LOAD_TROUBLES[trouble](check));
  switch (check.verdict) {
    case 'carries':
      return `It carries. ${base}`;
    case 'not known':
      return `Nothing that is known speaks against it. ${base}`;
    case 'warn':
      return `It carries, but look at this. ${troubles.join(' ')} ${base}`;
    case 'refuse':
      if (check.shareAfter <= check.refuseShare + 1e-9) return `Not like this. ${troubles.join(' ')} ${base}`;
      return `Too much for this circuit. ${base} A larger fuse is no cure. Feed the lamps from another source, or over a relay with a feed of its own that takes only its trigger from here.`;
    case 'never':
      return 'This circuit is never used: it belongs to a safety system.';
  }
}

/** What is not known of a leg: that nobody said what wire is in it. */
export function sayLegUnknown(name: string, lengthMm: number): string {
  return `The kit does not say what wire its leg to ${name} is of (${stated(lengthMm, 'mm')}): it is not counted, and its fuse may be too large for it. Look at its print or measure its strands.`;
}

/** The size of a wire, as it is printed on it. */
export const sayArea = (areaMm2: number): string => `${areaMm2}\u202fmm²`;

/** A circuit as it is described: what guards it, its wire, its loads, when it is live. */
export function sayCircuit({ wire, loads, liveIn, neverUse, undescribed = [] }: Circuit, guarded: string): string {
  const open = undescribed.includes('loads');
  const drawn = loads.map(({ name, powerW, atV }) => `${inSentence(name)} ${stated(powerW, 'W')} at ${stated(atV, 'V')}`).join(', ');
  return [
    guarded,
    sayCircuitWire({ wire }),
    drawn ? `${drawn}${open ? ', others are not described' : ''}` : open ? 'its loads are not described' : 'no loads',
    `live: ${liveIn.join(', ')}`,
    ...(neverUse ? [`never used: ${neverUse}`] : []),
  ].join(' · ');
}
