import { levelRank } from '../vehicle/index.ts';
import { once } from './context.ts';
import { type NightItem, outstanding } from '../events/index.ts';
import { replacedPieces } from './kits.ts';
import { suppliesNow } from './supply.ts';

/** One thing that is seen to before a vehicle that is open is left for the night. */
export interface NightLine {
  item: NightItem;
  /** Pieces that hang loose or lie beside it. */
  pieces: string[];
  /** Fasteners out, wires bared, sensors unplugged; of the battery 1 while it is not known to be dead. */
  count: number;
}

/** What is seen to before the vehicle is left open as it is now; empty where nothing is open and nothing unplugged. */
export const nightLines = once((context): NightLine[] => {
  const { state } = context;
  const replaced = new Set(replacedPieces(context).filter((piece) => state.bagged[piece] !== undefined));
  const open = Object.entries(state.pieces).filter(([piece, level]) => levelRank(level) > 0 && !replaced.has(piece));
  const off = open.filter(([, level]) => level === 'off').map(([piece]) => piece);
  const loose = open.filter(([, level]) => level !== 'off').map(([piece]) => piece);
  const tray = Object.entries(state.tray)
    .filter(([piece]) => !replaced.has(piece))
    .reduce((sum, [, groups]) => sum + Object.values(groups).reduce((own, tally) => own + outstanding(tally), 0), 0);
  const bared = Object.keys(state.wiresOpen).length;
  const sensors = state.unplugged.length;
  if (open.length === 0 && bared === 0 && sensors === 0) return [];
  // Of which nothing is described it counts as live.
  const live = !suppliesNow(context).some(({ supply, is }) => supply.id === 'low' && is === 'dead');
  const lines: NightLine[] = [
    { item: 'loose', pieces: loose, count: loose.length },
    { item: 'off', pieces: off, count: off.length },
    { item: 'tray', pieces: [], count: tray },
    { item: 'bared', pieces: [], count: bared },
    { item: 'sensors', pieces: [], count: sensors },
    { item: 'charger', pieces: [], count: state.charger ? 1 : 0 },
  ];
  return [
    ...lines.filter(({ count }) => count > 0),
    { item: 'battery', pieces: [], count: live ? 1 : 0 },
    ...(open.length > 0 ? [{ item: 'cover' as const, pieces: [], count: open.length }] : []),
    { item: 'key', pieces: [], count: 1 },
  ];
});
