import type { Connection, Kit } from '../kit/index.ts';
import type { Circuit, VehicleProfile } from '../vehicle/index.ts';

/** The id under which a job knows what feeds a lamp: a circuit of the vehicle by its own, a feed of a kit by kit and feed. */
export function circuitId(kit: Kit, id: string): string {
  return kit.feeds.some((feed) => feed.id === id) ? `${kit.slug}.${id}` : id;
}

/** The id of a circuit that the shop lays to a contact of a kit. */
export const madeCircuitId = (kit: string, connection: string, pin: string): string => `${kit}.${connection}.${pin}`;

/** Every circuit that a kit can be fed from or triggered by, under its id: those of the vehicle, and the feeds that the kit lays itself, live when what triggers them is; and those that the shop lays. */
export function circuitsFor(kit: Kit, profile: Pick<VehicleProfile, 'circuits'>, trigger?: Connection['trigger'], made: readonly Circuit[] = []): Map<string, Circuit> {
  const liveIn = [...made, ...profile.circuits].find(({ id }) => id === trigger?.circuit)?.liveIn ?? [];
  const laid = kit.feeds.map(({ id, name, fuseA, batteryToFuseMm, wire, plugPermittedA, relay }): Circuit => {
    const contactA = kit.relays.find((entry) => entry.id === relay)?.contactA;
    const limits = { plugPermittedA, ...(contactA === undefined ? {} : { switchPermittedA: contactA }) };
    return { id: circuitId(kit, id), name, fuse: { slot: 'main', ratedA: fuseA }, batteryToFuseMm, wire, ...limits, loads: [], liveIn };
  });
  return new Map([...profile.circuits, ...laid, ...made].map((circuit) => [circuit.id, circuit]));
}
