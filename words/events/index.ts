import type { EventType, LoggedEvent, Payloads } from '@jade/core/events';
import type { Names } from '@jade/words/names';
import { ITSELF_LINES } from './itself.ts';
import { PHOTOS_LINES } from './photos.ts';
import { ARRIVAL_LINES } from './arrival.ts';
import { KIT_LINES } from './kit.ts';
import { OPENING_LINES } from './opening.ts';
import { FASTENERS_LINES } from './fasteners.ts';
import { WIRING_LINES } from './wiring.ts';
import { PROBING_LINES } from './probing.ts';
import { SENSING_LINES } from './sensing.ts';
import { FITTING_LINES } from './fitting.ts';
import { LEAVING_LINES } from './leaving.ts';

export { sayWay } from './opening.ts';
export { sayLedTo } from './wiring.ts';
export { PASS_WORDS } from './fitting.ts';

const LINES: { [T in EventType]: (payload: Payloads[T], names: Names) => string } = {
  ...ITSELF_LINES,
  ...PHOTOS_LINES,
  ...ARRIVAL_LINES,
  ...KIT_LINES,
  ...OPENING_LINES,
  ...FASTENERS_LINES,
  ...WIRING_LINES,
  ...PROBING_LINES,
  ...SENSING_LINES,
  ...FITTING_LINES,
  ...LEAVING_LINES,
};

/** One line of the log in words. */
export function sayEvent(event: LoggedEvent, names: Names): string {
  const say = LINES[event.type] as (payload: LoggedEvent['payload'], names: Names) => string;
  return say(event.payload, names);
}
