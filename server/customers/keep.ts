import { and, eq, isNull, ne, or, sql } from 'drizzle-orm';
import { joined, joinFaults, plateKey } from '@jade/core/customers';
import type { Fault } from '@jade/core/faults';
import { checkProfile, checkVehicleNumber, isMuchLike, newKind, type VehicleProfile } from '@jade/core/vehicle';
import type { CustomerChange, NewCustomer, VehicleChange, VehicleToMake } from '@jade/contract/customers';
import { tables, type Connection } from '../database/index.ts';
import { canonicalHash, findDocument, storeDocument } from '../documents/index.ts';
import { notFound, Refusal } from '../faults/index.ts';

const { customers, jobs, vehicles } = tables;

const conflict = (path: string, what: string): Fault => ({ path, code: 'conflict', data: { what } });
const numberOf = (text: string | undefined) => (text === undefined ? null : checkVehicleNumber(text, false).number.slice(0, 40) || null);

/** Columns of a vehicle as it is written down, without its id. */
export function vehicleRow({ customer, profile, plate, number, year, colour }: { customer: string } & Pick<VehicleToMake, 'profile' | 'plate' | 'number' | 'year' | 'colour'>) {
  return { customer, profile, plate: plate.trim(), plateKey: plateKey(plate), number: numberOf(number), year: year ?? null, colour: colour?.trim() || null };
}

type VehicleRow = ReturnType<typeof vehicleRow>;

const customerRow = ({ name, note }: Pick<NewCustomer, 'name' | 'note'>) => ({ name: name.trim(), note: note?.trim() || null });

const same = <T extends object>(wanted: T, there: T) => (Object.keys(wanted) as (keyof T)[]).every((field) => wanted[field] === there[field]);

function refuseEmpty(path: string, text: string): void {
  if (text === '') throw new Refusal(422, [{ path, code: 'length', data: { least: 1 } }]);
}

/** A customer that is there and is no other by now, its row held until the end of the transaction. */
async function heldCustomer(tx: Connection, id: string, path = 'customer') {
  const [row] = await tx.select().from(customers).where(eq(customers.id, id)).for('update');
  if (!row) throw notFound('customer', id);
  if (row.mergedInto) throw new Refusal(409, [conflict(path, `${row.name} was joined to another customer since`)], { into: row.mergedInto });
  return row;
}

async function heldVehicle(tx: Connection, id: string, path = 'vehicle') {
  const [row] = await tx.select().from(vehicles).where(eq(vehicles.id, id)).for('update');
  if (!row) throw notFound('vehicle', id);
  if (row.mergedInto) throw new Refusal(409, [conflict(path, `${row.plate} was joined to another vehicle since`)], { into: row.mergedInto });
  return row;
}

/** Makes a customer; the same one again is the one there is, another under the same id is a conflict. Gives back whether it is new. */
export async function makeCustomer(tx: Connection, id: string, wanted: Pick<NewCustomer, 'name' | 'note'>): Promise<boolean> {
  const row = customerRow(wanted);
  refuseEmpty('name', row.name);
  const [there] = await tx.select().from(customers).where(eq(customers.id, id)).for('update');
  if (there) {
    if (there.rev === 1 && !same(row, there)) throw new Refusal(409, [conflict('id', 'this id is taken by another customer')]);
    return false;
  }
  await tx.insert(customers).values({ id, ...row });
  return true;
}

/** Changes a customer that nobody else has changed since version `basedOn`; what is so already changes nothing. Gives back its version. */
export async function changeCustomer(tx: Connection, id: string, { basedOn, ...wanted }: CustomerChange): Promise<number> {
  const there = await heldCustomer(tx, id);
  const row = customerRow(wanted);
  refuseEmpty('name', row.name);
  if (same(row, there)) return there.rev;
  if (there.rev !== basedOn)
    throw new Refusal(409, [conflict('basedOn', `${there.name} was changed since by somebody else`)], { theirs: { name: there.name, note: there.note, rev: there.rev } });
  await tx
    .update(customers)
    .set({ ...row, rev: there.rev + 1 })
    .where(eq(customers.id, id));
  return there.rev + 1;
}

/** A vehicle that has the same number, or, unless it is said to be another, the same plate. */
async function refuseKnown(tx: Connection, row: VehicleRow, another: boolean, own: string): Promise<void> {
  const alike = or(row.number ? eq(vehicles.number, row.number) : undefined, another ? undefined : eq(vehicles.plateKey, row.plateKey));
  if (!alike) return;
  const [known] = await tx
    .select({ id: vehicles.id, plate: vehicles.plate, number: vehicles.number, customer: customers.name })
    .from(vehicles)
    .innerJoin(customers, eq(customers.id, vehicles.customer))
    .where(and(isNull(vehicles.mergedInto), alike, ne(vehicles.id, own)))
    .limit(1);
  if (!known) return;
  const byNumber = row.number !== null && known.number === row.number;
  const data = { plate: known.plate, customer: known.customer };
  throw new Refusal(409, [byNumber ? { path: 'number', code: 'number-known', data } : { path: 'plate', code: 'plate-known', data }], { vehicle: known.id });
}

async function checkVehicleRow(tx: Connection, row: VehicleRow): Promise<void> {
  refuseEmpty('plate', row.plateKey);
  if (!(await findDocument(tx, 'vehicle', row.profile))) throw new Refusal(422, [{ path: 'profile', code: 'unknown-id', data: { id: row.profile, what: 'vehicle profile' } }]);
}

/** The profile that a kind is much like: one of the library that can be taken over for it. */
async function likeOf(tx: Connection, { like, ...kind }: NonNullable<VehicleToMake['kind']>): Promise<VehicleProfile | undefined> {
  if (!like) return undefined;
  const found = await findDocument(tx, 'vehicle', like.slug, like.version);
  if (!found) throw new Refusal(422, [{ path: 'kind.like', code: 'unknown-id', data: { id: like.slug, what: 'vehicle profile' } }]);
  const profile: VehicleProfile = found.document;
  if (!isMuchLike(kind, profile))
    throw new Refusal(422, [{ path: 'kind.like', code: 'choice', data: { value: like.slug, choices: `${kind.body}, ${kind.highVoltage ? 'high voltage' : 'no high voltage'}` } }]);
  return profile;
}

/** Keeps the first version of the kind of a vehicle that is made with it. A kind of its name that is in the library otherwise is another matter. */
async function makeKind(tx: Connection, { kind, profile: slug }: VehicleToMake): Promise<void> {
  if (!kind) return;
  const profile = newKind(kind, await likeOf(tx, kind));
  if (profile.slug !== slug) throw new Refusal(422, [{ path: 'profile', code: 'choice', data: { value: slug, choices: profile.slug } }]);
  const faults = checkProfile(profile).map((fault) => ({ ...fault, path: `kind.${fault.path.replace(/^measures\./, '')}` }));
  if (faults.length > 0) throw new Refusal(422, faults);
  const there = await findDocument(tx, 'vehicle', slug, 1);
  if (!there) await storeDocument(tx, 'vehicle', profile);
  else if (canonicalHash(there.document) !== canonicalHash(profile))
    throw new Refusal(409, [{ path: 'kind', code: 'kind-known', data: { kind: `${profile.maker} ${profile.model}` } }]);
}

/** The customer of a vehicle that is made: a known one, or one made with it under `id`. */
async function customerOf(tx: Connection, id: string, { customer, newCustomer }: VehicleToMake): Promise<string> {
  if ((customer === undefined) === (newCustomer === undefined)) throw new Refusal(422, [{ path: 'customer', code: 'one-of', data: { choices: 'customer, newCustomer' } }]);
  if (newCustomer) {
    await makeCustomer(tx, id, newCustomer);
    return id;
  }
  return (await heldCustomer(tx, customer ?? '')).id;
}

/** Makes a vehicle, and its customer where that is new, under ids made from the client's. Gives back the vehicle's id and whether it is new. */
export async function makeVehicle(tx: Connection, clientId: string, wanted: VehicleToMake): Promise<{ id: string; made: boolean }> {
  const id = `vehicle-${clientId}`;
  const [there] = await tx.select().from(vehicles).where(eq(vehicles.id, id)).for('update');
  if (there) {
    const customer = wanted.newCustomer ? there.customer : (wanted.customer ?? '');
    if (there.rev === 1 && !same(vehicleRow({ ...wanted, customer }), there)) throw new Refusal(409, [conflict('id', 'this id is taken by another vehicle')]);
    return { id, made: false };
  }
  await makeKind(tx, wanted);
  const customer = await customerOf(tx, `customer-${clientId}`, wanted);
  const row = vehicleRow({ ...wanted, customer });
  await checkVehicleRow(tx, row);
  // The same request may have made it a moment ago: then the insert fails and the whole is tried again.
  await refuseKnown(tx, row, wanted.another === true, id);
  await tx.insert(vehicles).values({ id, ...row });
  return { id, made: true };
}

/** Changes a vehicle that nobody else has changed since version `basedOn`. Gives back its version. */
export async function changeVehicle(tx: Connection, id: string, { basedOn, another, ...wanted }: VehicleChange): Promise<number> {
  const there = await heldVehicle(tx, id);
  const row = vehicleRow(wanted);
  if (same(row, there)) return there.rev;
  await checkVehicleRow(tx, row);
  if (row.customer !== there.customer) await heldCustomer(tx, row.customer);
  if (there.rev !== basedOn) throw new Refusal(409, [conflict('basedOn', `${there.plate} was changed since by somebody else`)], { theirs: there });
  await refuseKnown(tx, row, another === true || row.plateKey === there.plateKey, id);
  await tx
    .update(vehicles)
    .set({ ...row, rev: there.rev + 1 })
    .where(eq(vehicles.id, id));
  return there.rev + 1;
}

function refuseItself(id: string, into: string): void {
  if (id === into) throw new Refusal(422, [{ path: 'into', code: 'itself', data: {} }]);
}

/** Joins a customer to another: its vehicles become theirs, and its id leads to the other from now on. */
export async function mergeCustomers(tx: Connection, id: string, into: string): Promise<void> {
  refuseItself(id, into);
  const [there] = await tx.select().from(customers).where(eq(customers.id, id)).for('update');
  if (there?.mergedInto === into) return;
  const one = await heldCustomer(tx, id);
  const other = await heldCustomer(tx, into, 'into');
  await tx.update(vehicles).set({ customer: into }).where(eq(vehicles.customer, id));
  await tx
    .update(customers)
    .set({ mergedInto: into })
    .where(or(eq(customers.id, id), eq(customers.mergedInto, id)));
  if (other.note === null && one.note !== null)
    await tx
      .update(customers)
      .set({ note: one.note, rev: other.rev + 1 })
      .where(eq(customers.id, into));
}

/**
 * Joins a vehicle to another of the same kind: its jobs become the other's history, and its id leads to the other from now on.
 * What the other does not have written down is taken over from it.
 */
export async function mergeVehicles(tx: Connection, id: string, into: string): Promise<void> {
  refuseItself(id, into);
  const [there] = await tx.select().from(vehicles).where(eq(vehicles.id, id)).for('update');
  if (there?.mergedInto === into) return;
  const one = await heldVehicle(tx, id);
  const other = await heldVehicle(tx, into, 'into');
  const faults = joinFaults(one, other);
  if (faults.length > 0) throw new Refusal(422, faults);
  await tx.update(jobs).set({ vehicle: into }).where(eq(jobs.vehicle, id));
  await tx
    .update(vehicles)
    .set({ mergedInto: into })
    .where(or(eq(vehicles.id, id), eq(vehicles.mergedInto, id)));
  const filled = joined(one, other);
  if (!same(filled, other))
    await tx
      .update(vehicles)
      .set({ ...filled, rev: sql`${vehicles.rev} + 1` })
      .where(eq(vehicles.id, into));
}
