import { circuitKey, jointKey, type WireJoint, type WireLane } from '@jade/core/job';
import { sayEnds, sayGuard, sayJoint, sayLoad } from '@jade/words/wiring';

/** What stands in a lane of the electrical picture, in words; `state` says how it is drawn. */
export interface PictureLane {
  id: string;
  guard: string[];
  contact?: string;
  state: 'carries' | 'warn' | 'refuse';
  settled: boolean;
  label: string;
  branches: { id: string; joint?: string; ends: string; colour?: string; coil: boolean; state: 'joined' | 'open' | 'wrong'; label: string }[];
}

const DRAWN = { carries: 'carries', warn: 'warn', refuse: 'refuse', never: 'refuse' } as const;
const stateOf = ({ joined, mate }: WireJoint) => (mate.value !== 'mates' ? 'wrong' : joined ? 'joined' : 'open');

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
        ...(branch.pin?.colour ? { colour: branch.pin.colour } : {}),
        coil: branch.ends === 'coil',
        state: branch.joint ? stateOf(branch.joint) : 'joined',
        label: branch.joint ? `${sayJoint(branch.joint)}: ${sayEnds(branch)}` : sayEnds(branch),
      })),
    };
  });
}
