import type { KitPlug } from '../kit/index.ts';
import type { PinFunction } from '../states/index.ts';
import type { PlugFace, PlugPin } from '../vehicle/index.ts';
import { cheapestChain, type AdapterChain, type Cavity, type PlugAdapter } from './adapters.ts';
import { matePlugs, type MateVerdict } from './plugs.ts';

/** What happens where plugs whose pins differ are pushed together as they are. */
export type PlugHarm = { code: 'short'; carries: PinFunction } | { code: 'reversed'; carries: PinFunction } | { code: 'wrong lamp'; carries: PinFunction; wanted: PinFunction };

export type PlugVerdict =
  | { value: 'works' }
  | { value: 'works either way' }
  /** As it is the pins differ; turned by half a turn they meet. */
  | { value: 'turn it' }
  | { value: 're-pin'; moves: { pin: string; from: Cavity; to: Cavity }[]; harm: PlugHarm[] }
  /** A cavity of the vehicle's plug has no contact for what is wanted. */
  | { value: 'populate'; missing: { carries: PinFunction; row: number; column: number }[]; harm: PlugHarm[] }
  | { value: 'adapter'; chain: AdapterChain }
  /** No plug leads there: what is joined wire by wire, and what has to be fed from elsewhere. */
  | { value: 'no plug'; joins: { pin: string; carries: PinFunction; vehiclePin?: string }[] }
  | { value: 'do not connect'; because: 'data' | 'unknown'; pin: string };

function harmsOf({ pairs }: MateVerdict): PlugHarm[] {
  return pairs.flatMap((pair): PlugHarm[] => {
    const [gives, wants] = [pair.vehicleCarries as PinFunction | undefined, pair.kitWants as PinFunction | undefined];
    if (pair.verdict !== 'swapped' || gives === undefined || wants === undefined) return [];
    if (gives === 'ground') return [{ code: 'reversed', carries: wants }];
    if (wants === 'ground') return [{ code: 'short', carries: gives }];
    return [{ code: 'wrong lamp', carries: gives, wanted: wants }];
  });
}

/** A face turned by half a turn. */
export const turned = <T extends PlugFace>(face: T): T => ({
  ...face,
  pins: face.pins.map((pin) => ({ ...pin, row: face.rows + 1 - pin.row, column: face.columns + 1 - pin.column })),
});

/** Whether the lamp may be fed the wrong way round, and just that is what differs. */
function eitherWay(kit: PlugFace | KitPlug, { pairs }: MateVerdict): boolean {
  const differ = pairs.filter(({ verdict }) => verdict === 'swapped' || verdict === 'nothing there');
  const carried = (pair: (typeof differ)[number]) => [pair.vehicleCarries, pair.kitWants];
  const [one, other] = differ;
  if (!('eitherWay' in kit) || !kit.eitherWay || differ.length !== 2 || !one || !other) return false;
  return carried(one).includes('ground') && carried(one).join() === carried(other).reverse().join();
}

/** The pins of a face by what they carry: the first of each. */
const pinFor = (face: PlugFace, carries: PinFunction): PlugPin | undefined => face.pins.find((pin) => pin.carries === carries);

/**
 * What is to be done so that a plug of the vehicle feeds a plug of a kit. A pin of data, or one that nobody knows, that would meet a wanted
 * one is not connected. Plugs that meet are turned, re-pinned or get the missing contact; for others the cheapest chain of adapters is sought,
 * and where there is none the joints wire by wire are named.
 */
export function judgePlugs(vehicle: PlugFace, kit: PlugFace | KitPlug, adapters: readonly PlugAdapter[] = []): PlugVerdict {
  const mate = matePlugs(vehicle, kit);
  const wanted = kit.pins.filter(({ carries }) => carries !== 'empty');
  if (mate.troubles.length === 0) {
    const doubtful = mate.pairs.find(({ vehicleCarries, kitWants }) => (vehicleCarries === 'data' || vehicleCarries === 'unknown') && (kitWants ?? 'empty') !== 'empty');
    if (doubtful) return { value: 'do not connect', because: doubtful.vehicleCarries === 'data' ? 'data' : 'unknown', pin: doubtful.vehiclePin ?? '' };
    if (mate.value === 'mates') return { value: 'works' };
    if (eitherWay(kit, mate)) return { value: 'works either way' };
    if (kit.keying === 'none' && matePlugs(vehicle, turned(kit)).value === 'mates') return { value: 'turn it' };
    const harm = harmsOf(mate);
    const meets = ({ carries, row, column }: PlugPin) => vehicle.pins.find((pin) => pin.row === row && pin.column === column && pin.carries === carries);
    const taken = new Set(wanted.flatMap((pin) => meets(pin) ?? []));
    const missing: PlugPin[] = [];
    // Each contact goes to a cavity of its own, so that two grounds do not end in one.
    const moves = wanted.flatMap((own) => {
      if (meets(own)) return [];
      const to = vehicle.pins.find((pin) => pin.carries === own.carries && !taken.has(pin));
      if (!to) missing.push(own);
      else taken.add(to);
      return to ? [{ pin: own.id, from: { row: own.row, column: own.column }, to: { row: to.row, column: to.column } }] : [];
    });
    if (missing.length > 0) return { value: 'populate', missing: missing.map(({ carries, row, column }) => ({ carries, row, column })), harm };
    return { value: 're-pin', moves, harm };
  }
  const chain = cheapestChain(vehicle, kit, adapters);
  if (chain) return { value: 'adapter', chain };
  return {
    value: 'no plug',
    joins: wanted.map(({ id, carries }) => {
      const vehiclePin = pinFor(vehicle, carries)?.id;
      return { pin: id, carries, ...(vehiclePin === undefined ? {} : { vehiclePin }) };
    }),
  };
}
