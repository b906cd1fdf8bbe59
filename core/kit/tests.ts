import type { PinFunction, VehicleState } from '../states/index.ts';
import { isVehicleState, liveWith } from '../states/index.ts';
import type { VehicleProfile } from '../vehicle/index.ts';
import type { Connection, Fitment, Kit, KitControl, KitTest } from './kit.ts';

const slug = (carries: string) => carries.replaceAll(' ', '-');

/** The state that lights what a wire carries; of a supply that is no lamp by itself, that of the circuit it hangs on. */
function stateOf(carries: PinFunction, { vehiclePlug, feed }: Connection, { plugs, circuits }: Pick<VehicleProfile, 'plugs' | 'circuits'>): VehicleState | undefined {
  if (isVehicleState(carries)) return carries;
  if (carries !== 'switched supply' && carries !== 'constant supply') return undefined;
  const pin = plugs.find(({ id }) => id === vehiclePlug)?.pins.find((entry) => entry.carries === carries);
  return circuits.find(({ id }) => id === (pin?.circuit ?? feed.circuit))?.liveIn[0];
}

/** A function that a joint feeds is tried where no test of the kit lights those lamps in its state. */
function ofFunctions(kit: Kit, profile: Pick<VehicleProfile, 'plugs' | 'circuits'>, connections: readonly Connection[], tests: readonly KitTest[]): KitTest[] {
  return connections.flatMap((connection): KitTest[] => {
    if (connection.trigger || connection.tap) return [];
    const carried = (kit.plugs.find(({ id }) => id === connection.kitPlug)?.pins ?? []).map(({ carries }) => carries);
    return [...new Set(carried)].flatMap((carries): KitTest[] => {
      const state = stateOf(carries, connection, profile);
      const lit = kit.lamps.filter(({ id, functions }) => connection.lamps.includes(id) && functions?.some((entry) => entry.carries === carries));
      const untried = lit.filter(({ id }) => !tests.some((test) => test.state === state && test.lamps.includes(id)));
      if (state === undefined || untried.length === 0) return [];
      const sides = new Set(untried.map(({ side }) => side));
      const [side = 'centre'] = sides;
      const follows = { from: 'function' as const, connection: connection.id, carries };
      return [
        { id: `${connection.id}.${slug(carries)}`, name: '', side: sides.size === 1 ? side : 'centre', state, helper: '', lamps: untried.map(({ id }) => id), gate: true, follows },
      ];
    });
  });
}

/** Every position of a control is tried, and a remote is paired before. */
function ofControls(controls: readonly KitControl[], tests: readonly KitTest[]): KitTest[] {
  const plain = { name: '', side: 'centre' as const, helper: '', gate: false };
  return controls.flatMap(({ id: control, kind, positions, state }): KitTest[] => {
    const pairing: KitTest[] = kind === 'remote' ? [{ ...plain, id: `${control}.pairing`, state, lamps: [], follows: { from: 'pairing', control } }] : [];
    const untried = positions.filter(({ id }) => !tests.some(({ tries }) => tries?.control === control && tries.position === id));
    return [
      ...pairing,
      ...untried.map(({ id, lights }): KitTest => ({ ...plain, id: `${control}.${id}`, state, lamps: lights, follows: { from: 'position', control, position: id } })),
    ];
  });
}

/** A contact of a kit that is fed otherwise than the kit has it: when what fed it was live, and when what feeds it is. */
export interface FedOtherwise {
  carries: PinFunction;
  was: VehicleState[];
  is: VehicleState[];
}

/**
 * Tests of a kit where a joint is fed otherwise: one that lights its lamps in a state in which they are no longer live is tried in the first state
 * in which they are. Of a body with several functions only those of that contact. Nothing changes while it is not known when the source is live.
 */
export function testsAsFed(tests: readonly KitTest[], kit: Kit, connection: Connection, changes: readonly FedOtherwise[]): KitTest[] {
  return tests.map((test) => {
    const mine = test.lamps.some((lamp) => connection.lamps.includes(lamp));
    const own = (carries: PinFunction) => kit.lamps.every(({ id, functions }) => !test.lamps.includes(id) || !functions || functions.some((entry) => entry.carries === carries));
    const change = changes.find(({ was, carries }) => (was.includes(test.state) || test.state === carries) && own(carries));
    const [state] = change?.is ?? [];
    if (!mine || !change || state === undefined || liveWith(change.is, test.state)) return test;
    return { ...test, state, follows: test.follows ?? { from: 'source', connection: connection.id } };
  });
}

/**
 * Tests that follow from what a kit does and that it did not write itself: each function that a joint feeds, each position of a control, the
 * pairing of a remote.
 * @param fitment with what holds on this vehicle; without its tests all that could follow come out
 */
export function testsThatFollow(
  kit: Kit,
  profile: Pick<VehicleProfile, 'plugs' | 'circuits'>,
  fitment: Pick<Fitment, 'connections' | 'tests'>,
  controls: readonly KitControl[] = kit.controls ?? [],
): KitTest[] {
  return [...ofFunctions(kit, profile, fitment.connections, fitment.tests), ...ofControls(controls, fitment.tests)];
}
