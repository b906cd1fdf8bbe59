import { type Preparation, preparationsIn } from '../access/index.ts';
import type { Happened } from '../events/index.ts';
import type { JobContext } from '../job/index.ts';
import { positionsOf, STANDS, stillToTake, type Position } from '../vehicle/index.ts';
import { happened, refused, type Act } from './act.ts';
import { todo, type Asked } from './hold.ts';

/** Kind of position in which a vehicle does not stand on its own wheels. */
const RAISED = 'raised';

/** Where a vehicle of this kind can be brought to stand besides as it comes: what is common, and what its ways ask for. */
export function standsOffered({ profile, state }: Pick<JobContext, 'profile' | 'state'>): { kind: string; places: string[] }[] {
  const ways = profile.pieces.flatMap(({ levels }) => levels.flatMap((level) => level.ways.flatMap(positionsOf)));
  const all: Position[] = [...STANDS, ...ways, ...Object.entries(state.stand).map(([kind, place]) => ({ kind, place }))];
  return [...new Set(all.map(({ kind }) => kind))].map((kind) => ({ kind, places: [...new Set(all.filter((entry) => entry.kind === kind).map(({ place }) => place))] }));
}

/** The vehicle brought to stand so; as it comes of that kind without a place. */
export function stoodSo({ state }: Pick<JobContext, 'state'>, kind: string, place: string | undefined): Act {
  if (state.stand[kind] === place) return refused({ code: 'already' });
  return happened({ type: 'position.set', payload: { kind, ...(place === undefined ? {} : { place }) } });
}

/** What is recorded of how the vehicle stands where a step needed it so. */
export const positionsTaken = ({ state }: Pick<JobContext, 'state'>, positions: readonly Position[]): Happened[] =>
  stillToTake(positions, state.stand).map((payload) => ({ type: 'position.set', payload }));

/** What has to be done before a step as the vehicle stands now, whatever the plan takes before it. */
export const preparationsNow = ({ state }: Pick<JobContext, 'state'>, prepare: readonly Preparation[]): Preparation[] => preparationsIn(prepare, state.stand);

/** Where the vehicle still stands on stands: it is let down before it leaves, and before its light is aimed. */
export const raisedAt = ({ state }: Pick<JobContext, 'state'>): string | undefined => state.stand[RAISED];

/** A vehicle that still stands raised is let down. */
export function askedOfStand(context: Pick<JobContext, 'state'>): Asked[] {
  const place = raisedAt(context);
  return place === undefined ? [] : [todo('still-raised', { place })];
}
