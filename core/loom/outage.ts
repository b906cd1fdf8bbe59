import { evaluate } from '../facts/index.ts';
import type { ContentItem, Kit } from '../kit/index.ts';
import { isVehicleState } from '../states/index.ts';
import type { LampChannel } from '../vehicle/index.ts';
import { judgeCure, outageCure, type CureTrouble, type OutageAnswer, type OutageCase } from '../wiring/index.ts';
import { once, type JobContext, kitsOnVehicle, lostFunctions } from '../job/index.ts';
import { fedPins, joinedLoads, wireJoints, type WireJoint } from './wire.ts';

/** Series and tolerance of the resistors that a shop stocks. */
const STOCKED = { series: 'E12', tolerance: 0.05 } as const;

/** An acceptance is of the watts that hung there, to the tenth. */
const SAME_W = 0.05;

/** A part of a kit that is to cure what the vehicle makes of a lamp, and what speaks against it. */
export interface KitCure {
  kit: Kit;
  item: ContentItem;
  trouble?: CureTrouble;
}

/** A lamp channel of the vehicle on which a job hangs another lamp. */
export interface WatchedLamp {
  channel: LampChannel;
  /** As the vehicle came, and with the job's kits, in watts. */
  beforeW: number;
  afterW: number;
  /** What the vehicle makes of it without a cure, and what would cure it. */
  answer: OutageAnswer;
  /** A lamp that takes no current to speak of lights up by the short pulses while it is off. */
  glows: boolean;
  /** What the kits bring against it. */
  brought: KitCure[];
  /** `as it was`: the vehicle sees nothing; `cured`: a kit brings what cures it; `open`: neither. */
  value: 'as it was' | 'cured' | 'open';
  /** Left so, with what hangs on it now. */
  accepted: boolean;
}

/** What hangs on the channel as the vehicle came, and of that what a kit takes away, in watts. */
function factoryWatts(context: JobContext, channel: string): { beforeW: number; lostW: number } {
  const lost = lostFunctions(context);
  const loads = context.profile.circuits.flatMap((circuit) => circuit.loads).filter((load) => load.channel === channel);
  const sum = (list: typeof loads) => list.reduce((all, { powerW }) => all + powerW, 0);
  return { beforeW: sum(loads), lostW: sum(loads.filter((load) => load.function !== undefined && lost.includes(load.function))) };
}

/**
 * What the vehicle makes of the job's lamps, by channel: of each on which a lamp of a kit hangs or from which one is taken away, what hung on
 * it and hangs on it now, what it reports, and whether a part of the kits cures that. Undefined where it is not described how it watches them.
 */
export const watchedLamps = once((context: JobContext): WatchedLamp[] | undefined => {
  const { channels } = context.profile;
  if (!channels) return undefined;
  const joints = wireJoints(context);
  return channels.flatMap((channel): WatchedLamp[] => {
    const { beforeW, lostW } = factoryWatts(context, channel.id);
    const added = new Map(joints.flatMap((joint) => joinedLoads(joint, channel.id)));
    if (added.size === 0 && lostW === 0) return [];
    const afterW = beforeW - lostW + [...added.values()].reduce((sum, { powerW }) => sum + powerW, 0);
    const asked: OutageCase = { ...channel, lampW: afterW, ...STOCKED };
    const answer = outageCure(asked);
    const brought = kitsOnVehicle(context).flatMap(({ kit, facts }) =>
      kit.contents.flatMap((item): KitCure[] => {
        if (!item.cure || evaluate(item.when, facts) !== 'yes') return [];
        const trouble = judgeCure(asked, item.cure);
        return [{ kit, item, ...(trouble ? { trouble } : {}) }];
      }),
    );
    const glows = channel.kind === 'pulses when off' && [...added.values()].some(({ kind }) => kind === 'driven LED') && !brought.some(({ item }) => item.cure?.by === 'decoder');
    const value = answer.seen === 'nothing' ? 'as it was' : brought.some(({ trouble }) => !trouble) ? 'cured' : 'open';
    return [
      {
        channel,
        beforeW,
        afterW,
        answer,
        glows,
        brought: answer.seen === 'nothing' ? [] : brought,
        value,
        accepted: Math.abs((context.state.outagesAccepted[channel.id] ?? Infinity) - afterW) < SAME_W,
      },
    ];
  });
});

/** Whether the job hangs a lamp on a wire that lights a lamp, or takes one away, so that it matters how the vehicle watches its lamps. */
export function touchesFactoryLamps(context: JobContext): boolean {
  const lights = (joint: WireJoint) => !joint.trigger && fedPins(joint).some(({ carries }) => isVehicleState(carries));
  return lostFunctions(context).length > 0 || wireJoints(context).some(lights);
}
