import type { VehicleProfile } from '@jade/core/vehicle';
import { plural } from '@jade/words/units';

export const LEARNED_TIMES = {
  title: 'Times at this shop',
  away: 'The times cannot be read: the server is away.',
  reading: 'Reading the times…',
  none: 'No vehicle of this kind has left the shop yet. The profile’s times stand until one is done step by step and signed.',
  timed: (steps: number) => `${plural(steps, 'step')} timed on vehicles that have left, the farthest from the profile first.`,
  chart: 'Minutes by the profile and at this shop',
  all: (steps: number) => `All ${plural(steps, 'step')}`,
  within: (learned: string, most: string) => `${learned} Eight in ten within ${most}.`,
} as const;

export const LIBRARY_VIEW = {
  theLibrary: 'The library',
  vehicles: 'Vehicles',
  kits: 'Kits',
  plugs: 'Plugs',
  rules: 'Rule sets',
  lost: (things: number) => `${plural(things, 'thing')} no longer ${things === 1 ? 'stands' : 'stand'}:`,
  taken: (file: string, what: string, version: number, isNew: boolean) => `${file}: ${what}, version ${version}${isNew ? '' : ', nothing new'}`,
  fileNotTaken: (file: string) => `${file} was not taken.`,
  vehicle: ({ maker, model, years }: Pick<VehicleProfile, 'maker' | 'model' | 'years'>) => `${maker} ${model}, ${years.from}–${years.to ?? 'today'}`,
  counts: ({ pieces, facts, sensors, plugs, circuits, mounts }: Pick<VehicleProfile, 'pieces' | 'facts' | 'sensors' | 'plugs' | 'circuits' | 'mounts'>) =>
    `${plural(pieces.length, 'piece')}, ${plural(facts.length, 'fact')}, ${plural(sensors.length, 'sensor')}, ${plural(plugs.length, 'plug')}, ${plural(circuits.length, 'circuit')}, ${plural(mounts.length, 'mount position')}.`,
  title: 'Vehicles and kits',
  takeFile: 'Take in a file',
  notTaken: (name: string, lost: number) => `${name} was not taken: ${plural(lost, 'thing')} of the shop rest on what it no longer has.`,
  lostWhy:
    'Open jobs go on with the version they have; whoever takes this one over on such a job loses what is named here. Kits that are named do not fit this vehicle until they are taken in anew.',
  allTheSame: 'Take it in all the same',
  leave: 'Leave it',
  reading: 'Reading the library…',
  empty: 'The library is empty. Take in a vehicle profile first, then the kits that name it.',
  library: 'Library',
  none: 'None yet: take in a file.',
  measures: (systemV: number, highVoltage: boolean, long: string, wide: string, high: string) =>
    `${systemV} V${highVoltage ? ', high-voltage drive' : ''} · ${long} long, ${wide} wide, ${high} high`,
  export: 'Export',
  drawing: (model: string, view: string) => `${model} from the ${view}`,
  priceFor: (price: string, vehicles: readonly string[]) => `${price} · for ${vehicles.join(', ')}`,
  rulesAsFile: 'A rule set is read and edited as a file for now: export it, change it, take it in again.',
  pick: 'Pick a vehicle or a kit.',
} as const;

export const PLUG_SHELF = {
  export: 'Export',
  leads: 'Leads from one plug to another',
  noLeads: 'No leads yet: where plugs do not meet, Wire names the joints wire by wire.',
  families: 'Families',
} as const;
