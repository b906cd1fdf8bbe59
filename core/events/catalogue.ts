import { ITSELF } from './itself/index.ts';
import { PHOTOS } from './photos/index.ts';
import { ARRIVAL } from './arrival/index.ts';
import { KIT } from './kit/index.ts';
import { OPENING } from './opening/index.ts';
import { FASTENERS } from './fasteners/index.ts';
import { WIRING } from './wiring/index.ts';
import { PROBING } from './probing/index.ts';
import { SENSING } from './sensing/index.ts';
import { FITTING } from './fitting/index.ts';
import { LEAVING } from './leaving/index.ts';

/** Every type of entry that a job's log can hold, by family. */
export const CATALOGUE = { ...ITSELF, ...PHOTOS, ...ARRIVAL, ...KIT, ...OPENING, ...FASTENERS, ...WIRING, ...PROBING, ...SENSING, ...FITTING, ...LEAVING } as const;

/** Types of each family, by its word. */
export interface FamilyTypes {
  itself: keyof typeof ITSELF;
  photos: keyof typeof PHOTOS;
  arrival: keyof typeof ARRIVAL;
  kit: keyof typeof KIT;
  opening: keyof typeof OPENING;
  fasteners: keyof typeof FASTENERS;
  wiring: keyof typeof WIRING;
  probing: keyof typeof PROBING;
  sensing: keyof typeof SENSING;
  fitting: keyof typeof FITTING;
  leaving: keyof typeof LEAVING;
}
