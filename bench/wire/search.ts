import loadHighs from 'highs';
import { assignLegs, cheapestChain, cheapestPaths, segmentCostMm, type PlugAdapter, type Segment } from '@jade/core/wiring';
import type { PlugFace } from '@jade/core/vehicle';
import { compare, time, type Line } from '../measure.ts';

/** Numbers that look random and are the same each time. Source: D. H. Lehmer's generator, modulus 2^31 − 1. */
function numbers(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (state * 48_271) % 2_147_483_647;
    return state % below;
  };
}

const LIBRARY = 5000;
const FAMILIES = 60;

function library(): { adapters: PlugAdapter[]; vehicle: PlugFace; kit: PlugFace } {
  const random = numbers(20_261_126);
  const end = (family: number, gender: 'pins' | 'sockets') => ({ family: `F${family}`, gender, keying: 'A', rows: 1, columns: 3 });
  const orders = [
    [1, 2, 3],
    [2, 1, 3],
    [3, 2, 1],
    [2, 3, 1],
  ];
  const adapters = Array.from({ length: LIBRARY }, (_, index): PlugAdapter => {
    const order = orders[random(orders.length)] ?? [1, 2, 3];
    return {
      id: `a${index}`,
      name: `Adapter ${index}`,
      priceCents: 300 + random(2000),
      vehicleEnd: end(random(FAMILIES), 'pins'),
      lampEnd: end(random(FAMILIES), 'sockets'),
      pins: order.map((to, at) => ({ from: { row: 1, column: at + 1 }, to: { row: 1, column: to } })),
    };
  });
  const face = (family: number, gender: 'pins' | 'sockets'): PlugFace => ({
    id: 'x',
    name: 'x',
    lock: 'tab',
    ...end(family, gender),
    pins: (['ground', 'dipped', 'main'] as const).map((carries, at) => ({ id: String(at + 1), row: 1, column: at + 1, carries })),
  });
  return { adapters, vehicle: face(0, 'sockets'), kit: face(1, 'pins') };
}

/** The cheapest chain by following every one of at most three, without an order. */
function everyChain(adapters: readonly PlugAdapter[], vehicle: PlugFace, kit: PlugFace): number {
  const byFamily = new Map<string, PlugAdapter[]>();
  for (const adapter of adapters) byFamily.set(adapter.vehicleEnd.family, [...(byFamily.get(adapter.vehicleEnd.family) ?? []), adapter]);
  let least = Infinity;
  const follow = (family: string, at: readonly number[], left: number, price: number) => {
    if (family === kit.family && at.every((column, index) => column === index + 1)) least = Math.min(least, price);
    if (left === 0) return;
    for (const { lampEnd, pins, priceCents } of byFamily.get(family) ?? [])
      follow(
        lampEnd.family,
        at.map((column) => pins.find(({ from }) => from.column === column)?.to.column ?? 0),
        left - 1,
        price + priceCents,
      );
  };
  follow(vehicle.family, [1, 2, 3], 3, 0);
  return least;
}

const SEGMENTS = 300;
const PLACES = 110;

function net(): { segments: Segment[]; lamps: string[] } {
  const random = numbers(7);
  const segments = Array.from({ length: SEGMENTS }, (_, index): Segment => {
    // Each place hangs on an earlier one, so that all can be reached; the rest lie anywhere.
    const to = index < PLACES - 1 ? index + 1 : random(PLACES);
    return {
      id: `s${index}`,

      from: `p${index < PLACES - 1 ? random(index + 1) : random(PLACES)}`,
      to: `p${to}`,
      lengthMm: 100 + random(900),
      hazards: { heat: random(3) },
    };
  }).filter(({ from, to }) => from !== to);
  return { segments, lamps: Array.from({ length: 8 }, (_, index) => `p${PLACES - 1 - 7 * index}`) };
}

/** The cheapest way to a place as a flow of one, for a general solver. */
function flow(segments: readonly Segment[], to: string): string {
  const arcs = segments.flatMap((segment) => [
    { name: `${segment.id}f`, from: segment.from, to: segment.to, cost: segmentCostMm(segment) },
    { name: `${segment.id}b`, from: segment.to, to: segment.from, cost: segmentCostMm(segment) },
  ]);
  const places = [...new Set(arcs.flatMap((arc) => [arc.from, arc.to]))];
  const balance = places.map((place) => {
    const out = arcs.filter((arc) => arc.from === place).map(({ name }) => `+ ${name}`);
    const into = arcs.filter((arc) => arc.to === place).map(({ name }) => `- ${name}`);
    return ` b${place}: ${[...out, ...into].join(' ')} = ${place === 'p0' ? 1 : place === to ? -1 : 0}`;
  });
  return `Minimize\n obj: ${arcs.map(({ name, cost }) => `+ ${cost} ${name}`).join(' ')}\nSubject To\n${balance.join('\n')}\nEnd\n`;
}

function legs(): { needs: { lamp: string; neededMm: number }[]; legs: { id: string; lengthMm: number }[] } {
  const random = numbers(11);
  return {
    needs: Array.from({ length: 8 }, (_, index) => ({ lamp: `l${index}`, neededMm: 400 + random(3600) })),
    legs: Array.from({ length: 12 }, (_, index) => ({ id: `g${index}`, lengthMm: 400 + random(3600) })),
  };
}

/** The assignment of legs for a general solver: extension first, then surplus. */
function assignment({ needs, legs: list }: ReturnType<typeof legs>): string {
  const pairs = needs.flatMap(({ neededMm }, row) =>
    list.map(({ lengthMm }, column) => ({ name: `x${row}_${column}`, row, column, cost: 1e6 * Math.max(0, neededMm - lengthMm) + Math.max(0, lengthMm - neededMm) })),
  );
  const each = needs.map(
    (_, row) =>
      ` r${row}: ${pairs
        .filter((pair) => pair.row === row)
        .map(({ name }) => `+ ${name}`)
        .join(' ')} = 1`,
  );
  const once = list.map(
    (_, column) =>
      ` c${column}: ${pairs
        .filter((pair) => pair.column === column)
        .map(({ name }) => `+ ${name}`)
        .join(' ')} <= 1`,
  );
  return `Minimize\n obj: ${pairs.map(({ name, cost }) => `+ ${cost} ${name}`).join(' ')}\nSubject To\n${[...each, ...once].join('\n')}\nBinary\n ${pairs.map(({ name }) => name).join(' ')}\nEnd\n`;
}

const close = (one: number, other: number) => Math.abs(one - other) < 1e-6 * Math.max(1, Math.abs(other));

/** Searches of the station Wire, each against something that finds the same; ends where the answers differ. */
export async function benchWire(): Promise<Line[]> {
  const highs = await loadHighs();
  const solve = (text: string) => highs.solve(text, { output_flag: false, mip_rel_gap: 0, mip_abs_gap: 0 });
  const same = (what: string, one: number, other: number) => {
    if (!close(one, other)) throw new Error(`${what}: ${one} is not ${other}`);
  };
  const { adapters, vehicle, kit } = library();
  same('adapters', cheapestChain(vehicle, kit, adapters)?.priceCents ?? Infinity, everyChain(adapters, vehicle, kit));
  const { segments, lamps } = net();
  for (const lamp of lamps) same(lamp, cheapestPaths(segments, 'p0', lamp, 1)[0]?.costMm ?? Infinity, solve(flow(segments, lamp)).ObjectiveValue);
  const list = legs();
  const ours = assignLegs(list.needs, list.legs).reduce((sum, { surplusMm }) => sum + (surplusMm < 0 ? -1e6 * surplusMm : surplusMm), 0);
  same('legs', ours, solve(assignment(list)).ObjectiveValue);
  return [
    compare(
      `Cheapest chain of at most 3 adapters from ${LIBRARY}`,
      await time(30, () => cheapestChain(vehicle, kit, adapters)),
      'following every chain',
      await time(10, () => everyChain(adapters, vehicle, kit)),
    ),
    compare(
      'The same, of a list that was not seen before',
      await time(30, () => cheapestChain(vehicle, kit, [...adapters])),
      'following every chain',
      await time(10, () => everyChain(adapters, vehicle, kit)),
    ),
    compare(
      `Cheapest path for 8 legs over ${segments.length} segments`,
      await time(30, () => lamps.map((lamp) => cheapestPaths(segments, 'p0', lamp, 1))),
      'a flow of one in highs',
      await time(5, () => lamps.map((lamp) => solve(flow(segments, lamp)))),
    ),
    compare(
      `The four cheapest paths for 8 legs over ${segments.length} segments`,
      await time(30, () => lamps.map((lamp) => cheapestPaths(segments, 'p0', lamp, 4))),
      'the cheapest alone, as a flow of one in highs',
      await time(5, () => lamps.map((lamp) => solve(flow(segments, lamp)))),
    ),
    compare(
      'The same, of segments that were not seen before',
      await time(30, () => {
        const fresh = [...segments];
        return lamps.map((lamp) => cheapestPaths(fresh, 'p0', lamp, 4));
      }),
      'the cheapest alone, as a flow of one in highs',
      await time(5, () => lamps.map((lamp) => solve(flow(segments, lamp)))),
    ),
    compare('12 legs to 8 lamps', await time(200, () => assignLegs(list.needs, list.legs)), 'the assignment in highs', await time(30, () => solve(assignment(list)))),
  ];
}
