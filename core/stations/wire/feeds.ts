import { asWritten, bestGround, feedOptions, suppliesOf, loadsOfPin, sourcesFor, useOfJoint, wireJoints, type WireJoint } from '../../loom/index.ts';
import { ownLiveIn, type JobContext } from '../../job/index.ts';
import type { LedTo } from '../../events/index.ts';
import { happened, refused, type Act, type Refusal } from '../act.ts';

const jointNamed = (context: JobContext, kit: string, connection: string) => wireJoints(context).find((joint) => joint.kit.slug === kit && joint.connection.id === connection);

/** A source as it is named where it is chosen: its kind and its id. */
export interface SourceName {
  kind: string;
  id: string;
}

/** A wire of a kit's plug led to another source, with so much new wire; without a source it goes where the kit has it again. */
export function chooseSource(context: JobContext, kit: string, connection: string, pin: string, source?: SourceName, lengthMm = 0): Act {
  const joint = jointNamed(context, kit, connection);
  if (!joint) return refused({ code: 'unknown', what: 'connection', id: connection });
  if (joint.joined) return refused({ code: 'is-joined' });
  if (!source) {
    const led = joint.led.some((wire) => wire.pin.id === pin) || context.state.led[`${kit}/${connection}`]?.[pin] !== undefined;
    return led ? happened({ type: 'source.chosen', payload: { kit, connection, pin } }) : refused({ code: 'already' });
  }
  const option = feedOptions(context, joint, pin, lengthMm).find((entry) => entry.source.kind === source.kind && entry.source.id === source.id);
  if (!option) return refused({ code: 'unknown', what: 'source', id: source.id });
  return option.bars.length > 0 ? refused({ code: 'no-source', because: option.bars }) : happened({ type: 'source.chosen', payload: { kit, connection, pin, to: option.to } });
}

/** A plug of a kit that does not go in joined wire by wire: what the vehicle's plug has at its wires, a ground that it has not at the body. What is left is to be fed from elsewhere. */
export function joinByWires(context: JobContext, kit: string, connection: string): Act {
  const joint = jointNamed(context, kit, connection);
  if (!joint) return refused({ code: 'unknown', what: 'connection', id: connection });
  if (joint.joined) return refused({ code: 'is-joined' });
  if (joint.verdict?.value !== 'no plug') return refused({ code: 'nothing' });
  const point = bestGround(context)?.ground.id;
  const led = joint.verdict.joins.flatMap(({ pin, carries, vehiclePin }): { pin: string; to: LedTo }[] => {
    if (vehiclePin !== undefined) return [{ pin, to: { at: 'wire', plug: joint.vehiclePlug.id, pin: vehiclePin } }];
    return carries === 'ground' ? [{ pin, to: { at: 'ground', ...(point === undefined ? {} : { ground: point }) } }] : [];
  });
  if (led.length === 0) return refused({ code: 'nothing' });
  return happened(...led.map(({ pin, to }) => ({ type: 'source.chosen' as const, payload: { kit, connection, pin, to } })));
}

/** Contacts of a kit's plug moved so that each meets what it wants: pulled with the tool of its family, put in, tugged. */
export function movePins(context: JobContext, kit: string, connection: string): Act {
  const joint = jointNamed(context, kit, connection);
  if (!joint) return refused({ code: 'unknown', what: 'connection', id: connection });
  if (joint.joined) return refused({ code: 'is-joined' });
  if (joint.verdict?.value !== 're-pin') return refused({ code: 'nothing' });
  const moves = joint.verdict.moves.map(({ pin, to }) => ({ pin, ...to }));
  return happened({ type: 'contacts.moved', payload: { kit, plug: joint.kitPlug.id, moves } });
}

/** What stands against a joint because of where its wires are led: a slot not yet measured in the states that tell, or one that was measured otherwise. */
export function againstLed(context: JobContext, joint: WireJoint): Refusal[] {
  const written = asWritten(context, joint);
  return joint.led.flatMap(({ pin, to }): Refusal[] => {
    if (to.at !== 'slot' || !suppliesOf(joint).some(({ id }) => id === pin.id)) return [];
    const { sources } = sourcesFor(context, ownLiveIn(context, written, pin), loadsOfPin(context, joint, written, pin));
    const found = sources.find(({ kind, id }) => kind === 'fuse tap' && id === to.slot)?.behaviour;
    if (found?.value === 'not known') return [{ code: 'measure-first', slot: to.slot ?? '', states: found.states }];
    return found?.value === 'otherwise' && useOfJoint(joint) === 'lamp' ? [{ code: 'no-source', because: ['behaves otherwise'] }] : [];
  });
}
