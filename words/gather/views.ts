import type { BenchColumn } from '@jade/core/contents';
import { minutes, plural } from '@jade/words/units';

export const GATHER_STATION = {
  laidOut: (maker: string, name: string) => `${maker} ${name}, laid out`,
  notDescribed: 'not described',
  toCount: (items: number) => (items === 0 ? 'everything is counted' : `${plural(items, 'item')} to count`),
  restAsListed: 'The rest is as listed',
  notNeeded: 'not needed on this vehicle',
  ifNeeded: (wanted: number) => `${wanted} if needed`,
  listed: (wanted: number) => `${wanted} listed`,
  less: (name: string) => `One ${name} less`,
  tapWhenHere: (name: string, counted: number | undefined, wanted: number) => `${name}: ${counted ?? 'not counted'}, tap when ${wanted} are here`,
  more: (name: string) => `One ${name} more`,
  bench: 'On the bench first',
  done: 'Done',
  markDone: 'Mark done',
  shelf: 'From the shelf',
} as const;

export const JOB_PRICE = {
  title: 'What it comes to',
  leads: 'Leads between plugs',
  labour: 'Labour still ahead',
  labourOf: ({ openMin, benchMin, fitMin }: { openMin: number; benchMin: number; fitMin: number }) =>
    `${minutes(openMin)} in and back, ${minutes(benchMin)} on the bench, ${minutes(fitMin)} to fit, of one person`,
  noRate: 'the shop names no rate',
  working: 'the way in is being worked out',
  total: 'Together, without tax',
  notDescribed: (parts: readonly string[]) => `Nobody has described the ${parts.join(' and the ')} for a kit of this job: that is not in the labour, and no sum is said.`,
  without: 'Wiring, probing and aim are not in the labour; cable, ties, seals and new fasteners have no price in the library.',
} as const;

/** Which hand an item of a kit is for. */
export const HANDS: Readonly<Record<BenchColumn['hand'], string>> = { left: 'left hand', both: 'both', right: 'right hand' };
export const BENCH_LAYOUT = { label: (item: string) => `Laid out on the bench; now: ${item}` } as const;
