import type { MileageUnit } from '../customers/index.ts';
import { duplicateIds, unknownId, type Fault } from '../faults/index.ts';

export const ROLES = ['lead', 'installer', 'in training', 'planner'] as const;
export type Role = (typeof ROLES)[number];

/** Most characters of what a shop calls itself, its money, and whatever else has a name in it: people, bays, devices. */
export const LONGEST_SHOP = 120;
export const LONGEST_CURRENCY = 8;
export const LONGEST_NAME = 40;

export interface Person {
  id: string;
  benchName: string;
  role: Role;
}

/** An organisation or a role, not a person. */
export interface Customer {
  id: string;
  name: string;
  note?: string;
}

export interface CustomerVehicle {
  id: string;
  customer: string;
  profile: string;
  plate: string;
  year?: number;
  colour?: string;
}

/** Something that happened to a job of the shop document, so many days before it is first loaded. */
export interface ShopLogEntry {
  type: string;
  daysAgo: number;
  at: string;
  by: string;
  payload: Record<string, unknown>;
}

export interface ShopJob {
  id: string;
  vehicle: string;
  kits: string[];
  promisedInDays?: number;
  promisedAt?: string;
  bay?: string;
  log: ShopLogEntry[];
}

export const LENGTHS = ['mm', 'in'] as const;

/** A shop with its people, customers, vehicles and the jobs it starts with. */
export interface Shop {
  format: 'jade-shop/1';
  slug: string;
  name: string;
  currency: string;
  labourCentsPerHour?: number;
  /** What the counters of its vehicles mostly count. */
  mileageUnit?: MileageUnit;
  /** Which of two lengths leads where both stand: millimetres where it is not said. */
  lengths?: (typeof LENGTHS)[number];
  /** Name of its time zone, as the zone data have it; UTC where it is not said. */
  timeZone?: string;
  rules: string;
  /** Its plug library; the first there is where it is not said. */
  plugs?: string;
  bays: string[];
  people: Person[];
  customers: Customer[];
  vehicles: CustomerVehicle[];
  jobs: ShopJob[];
}

/** Faults in meaning of a shop document whose form is right, held against the documents it names. */
export function checkShop(shop: Shop, known: Record<'profiles' | 'kits' | 'rules' | 'plugs', ReadonlySet<string>>): Fault[] {
  const people = new Set(shop.people.map((person) => person.id));
  const customers = new Set(shop.customers.map((customer) => customer.id));
  const vehicles = new Set(shop.vehicles.map((vehicle) => vehicle.id));
  const faults: Fault[] = (['people', 'customers', 'vehicles', 'jobs'] as const).flatMap((list) => duplicateIds(shop[list], list));
  faults.push(...unknownId(shop.rules, known.rules, 'rules', 'rule set'), ...unknownId(shop.plugs, known.plugs, 'plugs', 'plug library'));
  shop.vehicles.forEach((vehicle, index) => {
    faults.push(...unknownId(vehicle.customer, customers, `vehicles[${index}].customer`, 'customer'));
    faults.push(...unknownId(vehicle.profile, known.profiles, `vehicles[${index}].profile`, 'vehicle profile'));
  });
  shop.jobs.forEach((job, index) => {
    faults.push(...unknownId(job.vehicle, vehicles, `jobs[${index}].vehicle`, 'vehicle'));
    job.kits.forEach((kit, place) => faults.push(...unknownId(kit, known.kits, `jobs[${index}].kits[${place}]`, 'kit')));
    job.log.forEach((entry, place) => faults.push(...unknownId(entry.by, people, `jobs[${index}].log[${place}].by`, 'person')));
  });
  return faults;
}
