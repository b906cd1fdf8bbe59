import type { Fault } from '@jade/core/faults';
import { sayFault, sayFaultAlone } from '@jade/words/faults';
import { plural } from '@jade/words/units';

export const CUSTOMER_FIELD = {
  customer: 'Customer',
  known: 'Known customers',
  hint: 'Write the name; customers known to the shop come up.',
  isKnown: 'Known to the shop.',
  isNew: 'New to the shop.',
} as const;

export const CUSTOMER_PANE = {
  title: 'The customer',
  changeThem: 'Change name or note',
  sameAsAnother: 'The same customer as another',
  noVehicle: 'No vehicle is written down.',
  changeCustomer: 'Change the customer',
  change: 'Change it',
  name: 'Name',
  note: 'Note',
  sameAs: (name: string) => `${name} is the same as …`,
  join: 'Join them',
  customer: 'Customer',
  found: 'Customers found',
  noOther: 'No other customer by that name.',
  joined: (vehicles: number, from: string, into: string) => `${plural(vehicles, 'vehicle')} of ${from} will belong to ${into}, and ${from} is not shown any more.`,
  forGood: 'They cannot be parted again.',
  notThat: 'Not that one',
} as const;

export const CUSTOMERS_VIEW = {
  title: 'Customers and vehicles',
  takeList: 'Take in a list',
  newVehicle: 'A new vehicle',
  find: 'Find',
  findHint: 'Plate, number or customer',
  away: 'They cannot be read: the server is away.',
  noneFound: 'Nobody and nothing by that name. Try fewer letters.',
  empty: 'No customer yet. Open a job for the first vehicle, or take in the list that you have.',
  vehicles: 'Vehicles',
  someVehicles: (shown: number, all: number) => `${shown} of ${all} are shown: write more of it.`,
  customers: 'Customers',
  someCustomers: (shown: number, all: number) => `${shown} of ${all} are shown: write more of the name.`,
  pick: 'Pick a vehicle or a customer.',
} as const;

const brought = (customers: number, vehicles: number) => `${plural(customers, 'customer')} and ${plural(vehicles, 'vehicle')}`;

export const LIST_DIALOG = {
  close: 'Done',
  takeRight: 'Take what is right',
  take: 'Take it in',
  takeList: 'Take in a list',
  whatFile: 'A file with columns separated by commas, semicolons or tabs. Its first line names the columns:',
  only: '. Only',
  customer: 'customer',
  mustBe: 'has to be there;',
  vehicle: 'vehicle',
  asLibrary: 'is the kind as the library calls it.',
  chooseFile: 'Choose a file',
  taken: (customers: number, vehicles: number) => `Taken in: ${brought(customers, vehicles)}.`,
  areNew: (customers: number, vehicles: number) => `${brought(customers, vehicles)} are new`,
  noneNew: 'nothing in it is new',
  known: 'The shop has these already; they stay as they are:',
  line: (line: number, plate: string, differs: readonly string[]) => `line ${line}: ${plate}, ${differs.length > 0 ? `the list says another ${differs.join(', ')}` : 'the same'}`,
  leftOut: (faults: number) => `${plural(faults, 'fault')}; these lines are left out:`,
  more: (count: number) => `and ${count} more`,
} as const;

export const MAKE_DIALOG = {
  title: 'A new vehicle',
  keep: 'Keep it',
  isAnother: 'It is another vehicle',
} as const;

export const VEHICLE_FIELDS = {
  plate: 'Plate',
  kind: 'Kind of vehicle',
  noProfile: 'The library has no vehicle profile yet.',
  makeKind: 'A kind that is not in the library',
  newKind: 'A kind that is new to the shop',
  knownKind: 'Choose a known one',
  noKind: 'The library has no kind of vehicle yet:',
  takeProfile: 'take in its profile',
  thenKits: 'first, then the kits that name it.',
  away: 'The kinds of vehicle cannot be read: the server is away.',
  number: 'Vehicle number, 17 places',
  modelYear: 'Model year',
  colour: 'Colour',
  tells: (years: readonly number[]) => `The number tells ${years.join(' or ')}.`,
  fourDigits: 'A year has four digits, such as 2021.',
} as const;

export const NEW_KIND = {
  title: 'A kind that is new to the shop',
  why: 'What its papers and its outside show is enough to begin. What comes off, how it is held and in what order is written down while it is worked on.',
  maker: 'Maker',
  model: 'Model',
  body: 'Body',
  lengthMm: 'Length, mm',
  wheelbaseMm: 'Wheelbase, mm',
  widthMm: 'Width of the body, mm',
  heightMm: 'Height, mm',
  typical: (count: number) => `${plural(count, 'measure')} as such a body typically has: measure, and write what you found.`,
  drawing: 'The vehicle from the side, as it is drawn by these measures',
  system: 'System voltage',
  highVoltage: 'High voltage aboard',
  noHighVoltage: 'no high voltage',
  like: 'Much like (may stay empty)',
  likeWhy: 'A kind that the shop knows and that comes apart alike: its pieces are then assumed, each until somebody has opened it.',
  taken: (pieces: number) =>
    `${plural(pieces, 'piece')} ${pieces === 1 ? 'is' : 'are'} taken over as assumed: each until somebody has opened it on this kind. Lamps, sensors, plugs, fuses and places of kits are not.`,
  missing: 'Still missing: maker, model, body, four measures, system voltage, whether high voltage is aboard, or the model year.',
} as const;

/** What cannot be of the measures of a kind. */
export function sayKindFault(fault: Fault): string {
  const field = fault.path.replace('measures.', '');
  const label = field === 'lengthMm' || field === 'wheelbaseMm' || field === 'widthMm' || field === 'heightMm' ? NEW_KIND[field] : undefined;
  return label ? `${label}: ${sayFaultAlone(fault)}` : sayFault(fault);
}

export const VEHICLE_LINE = {
  last: (visits: number, day: string) => `${plural(visits, 'visit')}, last ${day}`,
  neverHere: 'never here',
} as const;

export const VEHICLE_PANE = {
  title: 'The vehicle',
  openJob: 'Open a job',
  customer: 'Customer',
  kind: 'Kind',
  number: 'Number',
  notWrittenDown: 'not written down',
  modelYear: 'Model year',
  notKnown: 'not known',
  colour: 'Colour',
  change: 'Change it',
  sameAsAnother: 'The same vehicle as another',
  visits: 'Visits',
  neverHere: 'It was never here.',
  less: ', less than before',
  inShop: 'in the shop',
  left: 'left',
  changeTitle: 'Change the vehicle',
  isAnother: 'It is another vehicle',
  sameAs: (plate: string) => `${plate} is the same vehicle as …`,
  join: 'Join them',
  find: 'Plate, number or customer',
  noOther: 'No other vehicle is found by that.',
  joined: (from: string, into: string, customer: string) => `All visits of ${from} become visits of ${into}, ${customer}, and ${from} is not shown any more.`,
  forGood: 'They cannot be parted again.',
  notThat: 'Not that one',
} as const;

export const VEHICLE_SEARCH = {
  away: 'The server is away.',
  found: 'Vehicles found',
  some: (shown: number, all: number) => `${shown} of ${all} are shown: write more of the plate or the name.`,
} as const;
