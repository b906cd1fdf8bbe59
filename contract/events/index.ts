import type { EventType } from '@jade/core/events';
import { ITSELF_FORMS } from './itself.ts';
import { PHOTOS_FORMS } from './photos.ts';
import { ARRIVAL_FORMS } from './arrival.ts';
import { KIT_FORMS } from './kit.ts';
import { OPENING_FORMS } from './opening.ts';
import { FASTENERS_FORMS } from './fasteners.ts';
import { WIRING_FORMS } from './wiring.ts';
import { PROBING_FORMS } from './probing.ts';
import { SENSING_FORMS } from './sensing.ts';
import { FITTING_FORMS } from './fitting.ts';
import { LEAVING_FORMS } from './leaving.ts';
import type { Forms } from './forms-of.ts';

export { BroughtIn, Follows } from './itself.ts';

/** The class of the form of each type of event, in its newest version. */
export const FORMS = {
  ...ITSELF_FORMS,
  ...PHOTOS_FORMS,
  ...ARRIVAL_FORMS,
  ...KIT_FORMS,
  ...OPENING_FORMS,
  ...FASTENERS_FORMS,
  ...WIRING_FORMS,
  ...PROBING_FORMS,
  ...SENSING_FORMS,
  ...FITTING_FORMS,
  ...LEAVING_FORMS,
} satisfies Forms<EventType>;

/** The class that checks the payload of each type of event. */
export const PAYLOADS: Forms<EventType> = FORMS;
