import { asWritten, behaviourOf, measuredSlots, neverSlot, readingVoltage, suppliesOf, wireJoints, type WireJoint } from '../../loom/index.ts';
import { LOW_LIVE, ownLiveIn, supplyBars, type JobContext } from '../../job/index.ts';
import { findFuse, voltageDoubts, type FuseFinding, type Reading } from '../../probing/index.ts';
import type { VehicleState } from '../../states/index.ts';
import type { PlugPin } from '../../vehicle/index.ts';
import type { Behaviour } from '../../wiring/index.ts';
import { refused, tooLong, unless, type Act } from '../act.ts';

/** A supply of a joint that a fuse slot could feed, and when it is to be live. */
export interface SlotSought {
  joint: WireJoint;
  pin: PlugPin;
  wanted: Behaviour;
  finding: FuseFinding;
}

/** Supplies of the job that are not joined yet, each with the slots that were measured against when it is to be live. */
export function slotsSought(context: JobContext): SlotSought[] {
  const { rules } = context;
  const slots = measuredSlots(context);
  return wireJoints(context)
    .filter(({ joined }) => !joined)
    .flatMap((joint) =>
      suppliesOf(joint).map((pin): SlotSought => {
        const wanted = behaviourOf(ownLiveIn(context, asWritten(context, joint), pin));
        const table = Object.fromEntries([...wanted.off.map((state) => [state, 'off' as const]), ...wanted.on.map((state) => [state, 'on' as const])]);
        return { joint, pin, wanted, finding: findFuse(slots, table, readingVoltage(context), rules.probing) };
      }),
    );
}

/** The state in which a slot is measured next: the first that tells and was not measured; none once it was found otherwise, or for a slot without a name. */
export function slotStateNext({ wanted, finding }: Pick<SlotSought, 'wanted' | 'finding'>, slot: string): VehicleState | undefined {
  const name = slot.trim().toLowerCase();
  const found = finding.slots.find((entry) => entry.slot.toLowerCase() === name);
  if (name === '' || found?.value === 'otherwise') return undefined;
  return found ? found.untested[0] : [...wanted.on, ...wanted.off][0];
}

/** Longest name that is printed at a fuse slot. */
export const LONGEST_SLOT = 20;

/**
 * A fuse slot measured in one state, at the side that is fed, with the fuse that sits in it where it was read. Slots that are never used are refused by name before anything is
 * measured at them.
 */
export function measureSlot(context: JobContext, name: string, reading: Pick<Reading, 'state' | 'lowV' | 'highV'>, ratedA: number | undefined, at: string, sure = false): Act {
  const slot = name.trim();
  if (slot === '') return refused({ code: 'missing', count: 1 });
  const long = tooLong(slot, LONGEST_SLOT);
  if (long.length > 0) return refused(...long);
  const circuit = neverSlot(context, slot);
  if (circuit) return refused({ code: 'never-slot', slot, circuit: circuit.id });
  if (!context.state.reference) return refused({ code: 'reference-first' });
  const doubts = voltageDoubts(reading.lowV, reading.highV, readingVoltage(context), context.rules.probing);
  if (doubts.refused.length > 0) return refused({ code: 'reading-impossible', doubts: doubts.refused });
  if (doubts.asked.length > 0 && !sure) return refused({ code: 'reading-odd', doubts: doubts.asked });
  const known = Object.keys(context.state.slots).find((other) => other.toLowerCase() === slot.toLowerCase()) ?? slot;
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'slot.measured', payload: { slot: known, ...(ratedA === undefined ? {} : { ratedA }), ...reading } }]);
}
