import type { PlugFamily } from '../wiring/index.ts';
import type { JointCheck } from '../events/index.ts';
import type { JobContext } from '../job/index.ts';
import { familyOf } from './plug-use.ts';
import { wiresBared, type WireJoint } from './wire.ts';

const TAP_CHECKS: JointCheck[] = ['fits both wires', 'pull', 'sealed'];

/** What shows that a plug of a family is home. */
const CLOSING: Readonly<Record<PlugFamily['closing'], readonly JointCheck[]>> = {
  tab: ['click'],
  slide: ['slide home'],
  clip: ['clip over'],
  ring: ['notch to notch', 'ring home'],
};

/**
 * What is looked at before a joint counts as made, in order: of a tap that it fits both wires, of a plug its seal, what closes it, its second
 * lock; last the pull; of wires led elsewhere that they are made and sealed. Leads between bring the checks of both their ends. Of a family that the library does not have, that its lock is closed.
 */
export function jointChecks(context: JobContext, joint: Pick<WireJoint, 'tapped' | 'vehiclePlug' | 'kitPlug' | 'between' | 'led' | 'plugless'>): JointCheck[] {
  const { tapped, vehiclePlug, between, led, plugless } = joint;
  if (tapped) return TAP_CHECKS;
  const away: JointCheck[] = [
    ...(led.some(({ to }) => to.at === 'ground' || to.at === 'battery') ? ['bare metal' as const] : []),
    ...(wiresBared(joint).length > 0 ? TAP_CHECKS : led.length > 0 ? (['pull', 'sealed'] as const) : []),
  ];
  if (plugless) return [...new Set(away)];
  const met = [...(between ? [between.plug.family, ...between.chain.adapters.map(({ lampEnd }) => lampEnd.family)] : []), vehiclePlug.family];
  const checks = met.flatMap((name): JointCheck[] => {
    const family = familyOf(context, name);
    if (!family) return ['lock closed'];
    return [...(family.sealed ? ['seal' as const] : []), ...CLOSING[family.closing], ...(family.secondLock ? ['second lock' as const] : [])];
  });
  return [...new Set([...checks, ...away, 'pull' as const])];
}
