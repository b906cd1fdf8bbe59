import type { LinesOf } from './lines-of.ts';
import type { NightItem } from '@jade/core/events';
import { sayKey } from '@jade/words/subject';
import { LANGUAGE, inSentence } from '@jade/words/units';

/** A moment by the clock of whoever reads it. */
const when = (iso: string) => new Date(iso).toLocaleString(LANGUAGE, { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** What is seen to before the night, in short. */
const NIGHT_NAMES: Record<NightItem, string> = {
  loose: 'what hangs loose',
  off: 'what is off',
  tray: 'the trays',
  bared: 'bared wires',
  battery: 'the battery',
  charger: 'the charger',
  sensors: 'sensors unplugged',
  cover: 'the cover',
  key: 'the key',
};

/** Lines of the family, as the log shows them. */
export const ITSELF_LINES: LinesOf<'itself'> = {
  'job.opened': () => 'Job opened',
  'job.repinned': ({ profile, lost }) => `Newer documents taken over, profile version ${profile.version}${lost.length > 0 ? `; lost: ${lost.join(', ')}` : ''}`,
  'job.assigned': ({ person }) => (person === undefined ? 'Given to nobody' : `Given to ${person}`),
  'promise.made': ({ at, why }) => (at === undefined ? 'Nothing promised any more' : `Promised for ${when(at)}${why ? `, ${why}` : ''}`),
  'bay.taken': ({ bay }) => (bay === undefined ? 'In no bay' : `In ${bay}`),
  'wish.written': ({ wish }) => (wish === undefined ? 'No wish of the customer' : `The customer wants: ${wish}`),
  'note.written': ({ note }) => `Note: ${note}`,
  'kit.added': ({ kit }, names) => `${names.kit(kit.slug)} added, version ${kit.version}`,
  'kit.dropped': ({ kit, why }, names) => `${names.kit(kit)} is not fitted: ${why}`,
  'job.cancelled': ({ why }) => `Cancelled: ${why}`,
  'work.paused': () => 'A pause',
  'work.resumed': () => 'Work goes on',
  'night.left': ({ seen, where }) =>
    `Left open overnight; seen to: ${seen.length > 0 ? seen.map((item) => NIGHT_NAMES[item]).join(', ') : 'nothing'}${where ? `; what is off: ${where}` : ''}`,
  'night.over': ({ asLeft, note }) => (asLeft ? 'Found as it was left' : `Not found as it was left: ${note ?? ''}`),
  'exception.named': ({ about, note }, names) => `Exception, ${inSentence(sayKey(about, names))}: ${note}`,
  'job.signed': () => 'Signed off',
  'job.reopened': ({ why }) => `Reopened: ${why}`,
  'customer.signed': () => 'The customer signed',
  undone: () => 'Taken back',
};
