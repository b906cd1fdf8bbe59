import { cappedKey } from '../../events/index.ts';
import {
  circuitLoads,
  emptyCavities,
  jointChecks,
  jointKey,
  leftoverPlugs,
  legOf,
  wireJoints,
  type CircuitLoad,
  type LeftoverPlug,
  type LegRoute,
  type WireJoint,
} from '../../loom/index.ts';
import type { JobContext } from '../../job/index.ts';
import type { JointCheck } from '../../events/index.ts';
import type { PhotoSubject } from '../../photos/index.ts';
import { key } from '../../subject/index.ts';
import { isRefused, type Refusal } from '../act.ts';
import { joinByWires } from './feeds.ts';
import { againstLeg, legsToLay } from './legs.ts';
import { againstJoint, cap } from './wire.ts';

/** One thing that hands do at Wire. */
export type WireStep =
  /** A load that nobody has settled yet: that is done at the picture, before anything is joined to it. */
  | { kind: 'settle'; id: string; load: CircuitLoad }
  /** A cavity that wants a contact before its plugs meet. */
  | { kind: 'populate'; id: string; joint: WireJoint }
  /** Wires that are not proved, before they are joined. */
  | { kind: 'prove'; id: string; joint: WireJoint; pins: string[] }
  /** Contacts of the kit's plug that sit in other cavities than they must. */
  | { kind: 'repin'; id: string; joint: WireJoint }
  /** No plug leads there: its wires are joined at the vehicle's plug, or what is missing there is fed from another source. */
  | { kind: 'wires'; id: string; joint: WireJoint; by: 'the same plug' | 'another source' }
  | { kind: 'join'; id: string; joint: WireJoint; checks: JointCheck[]; against: Refusal[] }
  | { kind: 'lay'; id: string; route: LegRoute; against: Refusal[] }
  | { kind: 'cap'; id: string; left: LeftoverPlug; against: Refusal[] };

/**
 * What is left to do with hands at Wire, one at a time and in the order of work: loads that are not settled, legs that no fitting step lays, then joint by joint what makes its
 * plugs meet, what proves its wires, and the joining; last the plugs left over. A joint that cannot be made yet comes after those that can.
 */
export function floorSteps(context: JobContext, at: string): WireStep[] {
  const settle = circuitLoads(context).flatMap((load): WireStep[] => (load.accepted ? [] : [{ kind: 'settle', id: `settle:${load.circuit.id}`, load }]));
  const joints = wireJoints(context)
    .filter(({ joined }) => !joined)
    .map((joint) => ({ joint, against: againstJoint(context, joint, at) }));
  const steps = ({ joint, against }: (typeof joints)[number]): WireStep[] => {
    const id = jointKey(joint);
    const pins = joint.toProve.flatMap(({ pin, proof }) => (proof.code === 'proved' ? [] : [pin.id]));
    return [
      ...(emptyCavities(context, joint).length > 0 ? [{ kind: 'populate' as const, id: `populate:${id}`, joint }] : []),
      ...(joint.verdict?.value === 're-pin' ? [{ kind: 'repin' as const, id: `repin:${id}`, joint }] : []),
      ...(joint.verdict?.value === 'no plug'
        ? [
            {
              kind: 'wires' as const,
              id: `wires:${id}`,
              joint,
              by: isRefused(joinByWires(context, joint.kit.slug, joint.connection.id)) ? ('another source' as const) : ('the same plug' as const),
            },
          ]
        : []),
      ...(pins.length > 0 ? [{ kind: 'prove' as const, id: `prove:${id}`, joint, pins }] : []),
      { kind: 'join', id, joint, checks: jointChecks(context, joint), against },
    ];
  };
  const later = ({ against }: (typeof joints)[number]) => Number(against.some(({ code }) => code !== 'wire-first'));
  const caps = leftoverPlugs(context).flatMap((left): WireStep[] => {
    if (left.capped) return [];
    const act = cap(context, left.plug.id, left.kit?.slug);
    return [{ kind: 'cap', id: key({ kind: 'cap', plug: cappedKey(left.plug.id, left.kit?.slug) }), left, against: isRefused(act) ? act.refused : [] }];
  });
  const legs = legsToLay(context).map((route): WireStep => ({
    kind: 'lay',
    id: key({ kind: 'leg', kit: route.kit, leg: legOf(context, route) }),
    route,
    against: againstLeg(context, route),
  }));
  return [...settle, ...legs, ...[...joints].sort((a, b) => later(a) - later(b)).flatMap(steps), ...caps];
}

/** What is photographed at a step: the joint as it is made, the leg as it lies, else the vehicle's plug; nothing of a load, nor of a plug of the kit. */
export function pictured(context: JobContext, step: WireStep): PhotoSubject | undefined {
  switch (step.kind) {
    case 'settle':
      return undefined;
    case 'join':
      return { kind: 'joint', kit: step.joint.kit.slug, connection: step.joint.connection.id };
    case 'lay':
      return { kind: 'leg', kit: step.route.kit, leg: legOf(context, step.route) };
    case 'cap':
      return step.left.kit ? undefined : { kind: 'face', plug: step.left.plug.id };
    default:
      return { kind: 'face', plug: step.joint.vehiclePlug.id };
  }
}
