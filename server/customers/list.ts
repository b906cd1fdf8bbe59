import { inArray, isNull } from 'drizzle-orm';
import { v7 } from 'uuid';
import { customerKey, plateKey, readCustomerList, type ListedVehicle } from '@jade/core/customers';
import { FaultyInput } from '@jade/core/faults';
import type { ListTaken, ListToTake } from '@jade/contract/customers';
import { csvRows } from '../csv/index.ts';
import { tables, type Connection } from '../database/index.ts';
import { kindsOfVehicle } from '../documents/index.ts';
import { vehicleRow } from './keep.ts';

const { customers, documents, vehicles } = tables;

/** Lines of one list. */
const MOST_LINES = 20_000;
/** Faults and known vehicles that are told one by one; the others are counted. */
const MOST_TOLD = 50;
const AT_ONCE = 500;

async function inParts<T>(items: readonly T[], each: (part: T[]) => Promise<unknown>): Promise<void> {
  for (let at = 0; at < items.length; at += AT_ONCE) await each(items.slice(at, at + AT_ONCE));
}

/** What of a known vehicle the list says otherwise. */
function differs(listed: ReturnType<typeof vehicleRow>, known: typeof vehicles.$inferSelect): string[] {
  const fields = ['profile', 'number', 'year', 'colour'] as const;
  return [...(listed.customer === known.customer ? [] : ['customer']), ...fields.filter((field) => listed[field] !== null && listed[field] !== known[field])];
}

/**
 * Takes in a list of customers and vehicles, in the caller's transaction. A customer of a known name is that customer, a vehicle of a known
 * plate or number stays as it is and is named. A list with a fault is refused whole, unless its faulty lines are to be left.
 */
export async function takeList(tx: Connection, { text, leaveFaulty = false, look = false }: ListToTake): Promise<ListTaken> {
  const rows = csvRows(text, MOST_LINES + 2);
  if (rows.length > MOST_LINES + 1) throw new FaultyInput([{ path: 'text', code: 'length', data: { most: `${MOST_LINES} lines` } }]);
  const list = readCustomerList(rows, await kindsOfVehicle(tx));
  const result: ListTaken = {
    lines: list.lines,
    newCustomers: 0,
    newVehicles: 0,
    known: [],
    faults: list.faults.slice(0, MOST_TOLD),
    faultCount: list.faults.length,
    taken: false,
  };
  const refused = list.faults.length > 0 && !leaveFaulty;
  if (refused && !look) throw new FaultyInput(result.faults);

  // Two lists at once wait for each other, so that none makes a customer twice.
  if (!look) await tx.select({ slug: documents.slug }).from(documents).for('update');
  const ids = new Map(
    (await tx.select({ id: customers.id, name: customers.name }).from(customers).where(isNull(customers.mergedInto))).map((row) => [customerKey(row.name), row.id]),
  );
  const newCustomers = list.customers.filter((customer) => !ids.has(customerKey(customer.name))).map((customer) => ({ id: `customer-${v7()}`, ...customer }));
  for (const { id, name } of newCustomers) ids.set(customerKey(name), id);

  const known = new Map<string, typeof vehicles.$inferSelect>();
  const wanted = list.vehicles.map((vehicle: ListedVehicle) => ({ line: vehicle.line, row: vehicleRow({ ...vehicle, customer: ids.get(customerKey(vehicle.customer)) ?? '' }) }));
  await inParts(wanted, async (part) => {
    const numbers = part.flatMap(({ row }) => (row.number === null ? [] : [row.number]));
    const byPlate = await tx
      .select()
      .from(vehicles)
      .where(
        inArray(
          vehicles.plateKey,
          part.map(({ row }) => row.plateKey),
        ),
      );
    const byNumber = numbers.length === 0 ? [] : await tx.select().from(vehicles).where(inArray(vehicles.number, numbers));
    for (const row of [...byPlate, ...byNumber]) {
      if (row.mergedInto) continue;
      known.set(`plate ${plateKey(row.plate)}`, row);
      if (row.number) known.set(`number ${row.number}`, row);
    }
  });
  const newVehicles = wanted.filter(({ line, row }) => {
    const there = (row.number === null ? undefined : known.get(`number ${row.number}`)) ?? known.get(`plate ${row.plateKey}`);
    if (there && result.known.length < MOST_TOLD) result.known.push({ line, plate: there.plate, differs: differs(row, there) });
    return !there;
  });
  result.newCustomers = newCustomers.length;
  result.newVehicles = newVehicles.length;
  if (look) return result;

  await inParts(newCustomers, (part) => tx.insert(customers).values(part));
  await inParts(newVehicles, (part) => tx.insert(vehicles).values(part.map(({ row }) => ({ id: `vehicle-${v7()}`, ...row }))));
  return { ...result, taken: true };
}
