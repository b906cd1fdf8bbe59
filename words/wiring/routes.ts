import type { LegPath, LegRoute, RouteParts } from '@jade/core/loom';
import type { RouteHazard } from '@jade/core/vehicle';
import { millimetres, minutes, plural, stated } from '@jade/words/units';

const HAZARD_WORDS: Readonly<Record<RouteHazard, string>> = { heat: 'heat', movement: 'what moves', edge: 'sharp edges', wet: 'water', lid: 'a lid that closes on it' };

/** A way for cable, from the source to the lamp, with what lies along it. */
export function sayPath({ along, lengthMm, hazards, layMin }: LegPath): string {
  if (along.length === 0) return 'At the plug itself, no way to lay';
  const past = hazards.length > 0 ? `; past ${hazards.map((hazard) => HAZARD_WORDS[hazard]).join(', ')}` : '';
  return `${along.map(({ name }) => name).join(' → ')}: ${millimetres(lengthMm)}, ${minutes(layMin)} to lay${past}`;
}

/** What another way costs against the one that is planned. */
export function sayPathPrice(path: LegPath, planned: LegPath, byNeeds: number): string {
  const more = path.layMin - planned.layMin;
  const longer = path.lengthMm - planned.lengthMm;
  const length = longer === 0 ? 'as long' : `${millimetres(Math.abs(longer))} ${longer > 0 ? 'longer' : 'shorter'}`;
  const time = more === 0 ? 'as quick to lay' : `${minutes(Math.abs(more))} ${more > 0 ? 'more' : 'less'} to lay`;
  return `${length}, ${time}${byNeeds > 0 ? `, ${plural(byNeeds, 'piece')} more to open` : ''}`;
}

/** Whether a leg is long enough, and what is done with what is over or missing. */
export function sayLegUse({ use, path }: Pick<LegRoute, 'use' | 'path'>): string {
  if (!path) return 'The ways of this vehicle that are described do not lead to it.';
  if (!use) return 'The kit has no leg for it.';
  const needed = `${millimetres(use.neededMm)} needed with slack, the leg is ${millimetres(use.lengthMm)}`;
  if (use.surplusMm < 0) return `${needed}: extend it by ${millimetres(-use.surplusMm)}, joints staggered and sealed.`;
  if (use.surplusMm === 0) return `${needed}.`;
  return `${needed}: ${millimetres(use.surplusMm)} over, folded flat and tied where it is dry and still.`;
}

/** What is done along a way besides laying: seals closed again, a hinge moved through its full travel. */
export function sayAlong({ along }: LegPath): string[] {
  return along.flatMap(({ seal, hinge, drill }) => [
    ...(seal ? [`${seal}: small plug first, sealed again, tried with water.`] : []),
    ...(hinge ? [`${hinge}: a loop, and the full travel tried.`] : []),
    ...(drill ? ['The hole: bright metal painted, grommet in.'] : []),
  ]);
}

/** What is brought for laying the legs: ties, loom by its bore, sleeves, sealant; undefined where nothing is. */
export function sayRouteParts({ ties, seals, looms, sleeves }: RouteParts): string | undefined {
  const bores = [...new Set(looms.map(({ boreMm }) => boreMm))];
  const loom = bores.map((bore) => {
    const lengthMm = looms.filter(({ boreMm }) => boreMm === bore).reduce((sum, entry) => sum + entry.lengthMm, 0);
    return `${stated(Math.ceil(lengthMm / 100) / 10, 'm')} of loom${bore === undefined ? ', its bore by the wires as they are' : ` with a bore of ${millimetres(bore)}`}`;
  });
  const parts = [
    ...(ties > 0 ? [plural(ties, 'cable tie')] : []),
    ...loom,
    ...(sleeves > 0 ? [`${plural(sleeves, 'sleeve')} with sealant`] : []),
    ...(seals.length > 0 ? [`sealant for ${seals.join(', ')}`] : []),
  ];
  return parts.length === 0 ? undefined : `To bring: ${parts.join('; ')}.`;
}
