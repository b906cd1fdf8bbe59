import type { GroundPoint } from '../vehicle/index.ts';
import { once, type JobContext, connectionsOf, kitsOnVehicle, ledOf } from '../job/index.ts';

/** A ground point of the body, and what was measured between it and the battery's negative while a load returned over it. */
export interface RankedGround {
  ground: GroundPoint;
  measured?: { dropMv: number; ampere: number; mohm: number };
  /** Whether so little is lost there that it may be used; not known while nobody measured. */
  holds?: boolean;
}

/** Whether the job grounds something at the body: a feed that a kit or the shop lays without a wire of its own back, as far as anybody knows, a ground led there. */
export const groundsAsked = once((context: JobContext): boolean =>
  kitsOnVehicle(context).some((onVehicle) =>
    connectionsOf(onVehicle).some(
      (connection) =>
        onVehicle.kit.feeds.some(({ id, wire }) => id === connection.feed.circuit && wire?.backM === undefined) ||
        ledOf(onVehicle, connection).some(({ to }) => to.at === 'battery' || to.at === 'ground'),
    ),
  ),
);

const rank = ({ holds }: RankedGround) => (holds === undefined ? 1 : holds ? 0 : 2);

/**
 * Ground points of the vehicle, best first: those measured good by their resistance, those nobody measured, those that lose too much. Undefined
 * where the vehicle's are not described.
 */
export const rankedGrounds = once(({ profile, state, rules }: JobContext): RankedGround[] | undefined =>
  profile.grounds
    ?.map((ground): RankedGround => {
      const measured = state.grounds[ground.id];
      if (!measured) return { ground };
      return { ground, measured: { ...measured, mohm: measured.dropMv / measured.ampere }, holds: measured.dropMv <= rules.probing.groundMaxV * 1000 + 1e-9 };
    })
    .sort((a, b) => rank(a) - rank(b) || (a.measured?.mohm ?? 0) - (b.measured?.mohm ?? 0)),
);

/** The ground point that was measured best; undefined while none was found good. */
export const bestGround = (context: JobContext): RankedGround | undefined => rankedGrounds(context)?.find(({ holds }) => holds === true);
