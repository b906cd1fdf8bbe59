import { slotMeasured } from './slot.ts';
import { batteryWatched } from './battery-watched.ts';
import { ignitionSet } from './ignition.ts';
import { chargerSet } from './charger.ts';
import { referenceChecked } from './reference.ts';
import { readingTaken } from './reading.ts';
import { continuityMeasured, dropMeasured } from './pin-resistance.ts';
import { plugFound } from './plug-found.ts';
import { probeWanted } from './wanted.ts';
import { wireOpened, wireSealed } from './wire.ts';
import { colourNoted } from './colour.ts';

export const PROBING = {
  'slot.measured': slotMeasured,
  'battery.watched': batteryWatched,
  'ignition.set': ignitionSet,
  'charger.set': chargerSet,
  'reference.checked': referenceChecked,
  'reading.taken': readingTaken,
  'continuity.measured': continuityMeasured,
  'drop.measured': dropMeasured,
  'plug.found': plugFound,
  'probe.wanted': probeWanted,
  'wire.opened': wireOpened,
  'wire.sealed': wireSealed,
  'colour.noted': colourNoted,
} as const;
