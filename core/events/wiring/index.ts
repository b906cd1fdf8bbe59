import { plugJoined, plugParted } from './joint.ts';
import { cavityPopulated, contactPulled } from './cavity.ts';
import { contactsMoved } from './contacts-moved.ts';
import { sourceChosen } from './source.ts';
import { legLaid, legLifted } from './leg.ts';
import { routeChosen } from './route.ts';
import { drillAgreed } from './drill.ts';
import { plugCapped } from './cap.ts';
import { loadAccepted } from './load.ts';
import { fuseSeen } from './fuse.ts';
import { groundMeasured } from './ground.ts';
import { outageAccepted } from './outage.ts';

export const WIRING = {
  'plug.joined': plugJoined,
  'plug.parted': plugParted,
  'cavity.populated': cavityPopulated,
  'contact.pulled': contactPulled,
  'contacts.moved': contactsMoved,
  'source.chosen': sourceChosen,
  'leg.laid': legLaid,
  'leg.lifted': legLifted,
  'route.chosen': routeChosen,
  'drill.agreed': drillAgreed,
  'plug.capped': plugCapped,
  'load.accepted': loadAccepted,
  'fuse.seen': fuseSeen,
  'ground.measured': groundMeasured,
  'outage.accepted': outageAccepted,
} as const;
