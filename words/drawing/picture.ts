import { circuitKey, jointKey, type WireBranch, type WireJoint, type WireLane } from '@jade/core/loom';
import { sayArea, sayEnds, sayGuard, sayJoint, sayLoad } from '@jade/words/wiring';

/** What stands in a lane of the electrical picture, in words; `state` says how it is drawn. */
export interface PictureLane {
  id: string;
  guard: string[];
  contact?: string;
  state: 'carries' | 'unknown' | 'warn' | 'refuse';
  settled: boolean;
  label: string;
  branches: { id: string; joint?: string; ends: string; colour?: string; size: string; leg?: string; coil: boolean; state: 'joined' | 'open' | 'wrong'; label: string }[];
}

const DRAWN = { carries: 'carries', 'not known': 'unknown', warn: 'warn', refuse: 'refuse', never: 'refuse' } as const;
const stateOf = ({ joined, mate }: WireJoint) => (mate.value !== 'mates' ? 'wrong' : joined ? 'joined' : 'open');

/** The colour and size of the wire of a branch, and the size of the kit's leg that goes on from it. */
function sizesOf({ load }: WireLane, { joint, pin, ends }: WireBranch): { colour?: string; size: string; leg?: string } {
  const lamps = joint?.connection.lamps;
  const leg = ends === 'coil' ? undefined : load.legs.find(({ kit, leg: own }) => !joint || (kit.slug === joint.kit.slug && lamps?.includes(own.lamp)))?.leg.wire;
  return { ...(pin?.colour ? { colour: pin.colour } : {}), size: load.circuit.wire ? sayArea(load.circuit.wire.areaMm2) : '? mm²', ...(leg ? { leg: sayArea(leg.areaMm2) } : {}) };
}

/** The electrical picture in words. */
export function pictureLanes(lanes: readonly WireLane[]): PictureLane[] {
  return lanes.map((lane) => {
    const { load, contact, branches } = lane;
    return {
      id: circuitKey(load.circuit),
      guard: sayGuard(lane),
      ...(contact ? { contact: `${contact.name}, contact` } : {}),
      state: DRAWN[load.check.verdict],
      settled: load.accepted,
      // Whoever says what is written there is understood.
      label: `${sayGuard(lane).join(' ')}: ${sayLoad(load.check)}`,
      branches: branches.map((branch) => ({
        id: branch.joint ? jointKey(branch.joint) : `${load.circuit.id}:laid`,
        ...(branch.joint ? { joint: sayJoint(branch.joint) } : {}),
        ends: sayEnds(branch),
        ...sizesOf(lane, branch),
        coil: branch.ends === 'coil',
        state: branch.joint ? stateOf(branch.joint) : 'joined',
        label: branch.joint ? `${sayJoint(branch.joint)}: ${sayEnds(branch)}` : sayEnds(branch),
      })),
    };
  });
}
