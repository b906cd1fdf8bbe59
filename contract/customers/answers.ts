import type { Mileage } from '@jade/core/customers';
import type { Fault } from '@jade/core/faults';

/** A time at which a vehicle was in the shop. */
export interface Visit {
  job: string;
  openedAt: string;
  signed: boolean;
  kits: string[];
  mileage: Mileage | null;
}

/** A vehicle as a search gives it back. */
export interface VehicleFound {
  id: string;
  plate: string;
  number: string | null;
  profile: string;
  /** Maker and model as the library names them. */
  kind: string;
  year: number | null;
  colour: string | null;
  customer: { id: string; name: string };
  visits: number;
  lastVisit: Visit | null;
}

/** At most so many, and how many there are. */
export interface VehiclesFound {
  vehicles: VehicleFound[];
  count: number;
}

/** A vehicle with its history, the last visit first. */
export interface VehicleShown extends Omit<VehicleFound, 'lastVisit' | 'visits'> {
  rev: number;
  visits: Visit[];
}

export interface CustomerFound {
  id: string;
  name: string;
  note: string | null;
  rev: number;
  vehicles: number;
}

export interface CustomersFound {
  customers: CustomerFound[];
  count: number;
}

export interface CustomerShown extends Omit<CustomerFound, 'vehicles'> {
  vehicles: VehicleFound[];
}

/** What taking in a list did, or would do. */
export interface ListTaken {
  lines: number;
  newCustomers: number;
  newVehicles: number;
  /** Vehicles that the shop has already and that were left as they are: the line, and what differs from the list. */
  known: { line: number; plate: string; differs: string[] }[];
  /** Faults of lines that were left, the first of them. */
  faults: Fault[];
  faultCount: number;
  taken: boolean;
}
