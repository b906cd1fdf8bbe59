import type { Fault, FaultCode } from '@jade/core/faults';
import { plural } from '@jade/words/units';

const ROLES: Record<string, string> = { lead: 'the lead', planner: 'the planner', installer: 'an installer', 'in training': 'somebody in training' };
/** Roles, parted by commas, as people. */
const whoIs = (roles: string | number | undefined) =>
  String(roles ?? 'nobody')
    .split(', ')
    .map((role) => ROLES[role] ?? role)
    .join(' or ');

type Say = (data: Fault['data']) => string;

const SENTENCES: Record<FaultCode, Say> = {
  type: ({ expected }) => `must be ${expected ?? 'of another type'}`,
  missing: () => 'is missing',
  'unknown-field': ({ known }) => `is not a field here; known are ${known}`,
  unit: ({ expected }) => `is in another unit; write it as ${expected}`,
  range: ({ least, most }) => `must lie between ${least} and ${most}`,
  choice: ({ value, choices }) => `${value ? `“${value}” ` : ''}must be one of ${choices}`,
  length: ({ least, most }) => (least === undefined ? `is longer than ${most}` : `is shorter than ${least}`),
  'duplicate-id': ({ id }) => `“${id}” stands twice; ids must be unique in their list`,
  'unknown-id': ({ id, what }) => `no ${what} is called “${id}”`,
  'own-level': ({ piece, level }) => `a way to “${piece}” ${level} needs that level itself`,
  'open-falls': ({ piece, level }) => `opening “${piece}” to ${level} costs less than to the level before it`,
  'unreachable-level': ({ piece, level }) => `“${piece}” ${level}: no choice of ways can reach it`,
  'no-levels': ({ piece }) => `“${piece}” needs at least one level`,
  'refit-cycle': ({ cycle }) => `rules that always hold contradict each other: ${cycle}`,
  'condition-shape': () => 'must hold exactly one of: a fact with its value, all, any, not',
  'span-order': ({ from, to }) => `must rise: ${from} comes before ${to}`,
  'unknown-kind': ({ known }) => `must be one of ${known}`,
  'unknown-name': ({ name, known }) => `“${name}” is not known; known are ${known}`,
  'not-json': ({ reason }) => `is not JSON: ${reason}`,
  'too-large': ({ most }) => `is larger than ${most}`,
  'unknown-event': ({ type }) => `“${type}” is not a type of event`,
  'pin-outside-face': ({ rows, columns }) => `lies outside the face of ${rows} × ${columns}`,
  'pin-place-twice': ({ row, column }) => `stands in row ${row}, column ${column}, where another pin is`,
  'mark-without-supply': ({ supply }) => `asks for the ${supply} supply, which the profile does not describe`,
  'isolation-asks-dead': ({ supply }) => `isolates the ${supply} supply and cannot ask for that to be dead`,
  'caution-without-mark': ({ supply, is }) => `asks for the ${supply} supply to be ${is}, but no level or way of the piece does`,
  'replaced-not-off': ({ piece }) => `“${piece}” is replaced, but the profile has no level at which it is off`,
  'circuit-unprotected': () => 'has neither a fuse nor an output that guards it',
  'voltage-impossible': ({ volt, system }) => `${volt} V cannot be on a vehicle of ${system} V`,
  'fuse-above': ({ fuse, part, limit }) => `a fuse of ${fuse} A lets more through than the ${part} behind it carries (${limit} A)`,
  'never-used': ({ circuit, why }) => `“${circuit}” is never used: ${why}`,
  'option-changes-nothing': ({ choice, usual }) => `“${choice}” changes nothing against “${usual}”; let something hang on it, or say that it is a matter of looks`,
  'tap-dead': () => 'a wire is proved just before it is tapped, and that wants a live supply',
  'not-its-relay': ({ feed, relay }) => `“${feed}” is not a feed that relay “${relay}” switches`,
  'place-taken': ({ lamp, piece }) => `“${lamp}” stands where “${piece}” goes back; name it among what the kit replaces`,
  'torque-without-thread': ({ release }) => `has no thread to turn: it lets go by “${release}”`,
  bands: ({ from, to }) => `must begin where the band before it ends: that one ends at ${from}, this one begins at ${to}`,
  'too-deep': ({ most }) => `is nested deeper than ${most}`,
  'name-twice': ({ name }) => `“${name}” stands twice; give each a name of its own`,
  'line-twice': ({ value, line }) => `“${value}” stands in line ${line} as well`,
  'no-column': ({ column, known }) => `names no column “${column}”; columns are ${known}`,
  'kit-known': ({ kit }) => `${kit} is in the library already: choose it from the kits`,
  'kind-known': ({ kind }) => `${kind} is in the library already: choose it from the kinds of vehicle`,
  'plate-known': ({ plate, customer }) => `${plate} is known: it belongs to ${customer}`,
  'number-known': ({ plate, customer }) => `this number is that of ${plate}, ${customer}`,
  'not-csv': ({ reason }) => `is not a list of cells: ${reason}`,
  role: ({ right, role, who }) => `only ${whoIs(who)} may ${right}; at this bench is ${whoIs(role)}`,
  'not-undoable': ({ type }) => `“${type}” stays in the record and is not undone`,
  'undone-already': () => 'is undone already',
  'other-session': () => 'this was recorded in a session of another device, and only that device may send it',
  reserved: () => 'is a name that no field can have',
  'no-session': () => 'nobody is at this bench: pick a bench name first',
  'code-unknown': ({ minutes }) => `no code is open by these signs: it lets in one device, within ${minutes} minutes; ask for a new one at the counter`,
  'link-shut': ({ hours }) => `this link is shut, or over after ${hours} hours: ask at the bench for a new one`,
  'one-of': ({ choices }) => `asks for exactly one of ${choices}`,
  itself: () => 'is the same one',
  'other-kind': ({ one, other }) => `is another kind of vehicle: ${other}, not ${one}`,
  'other-number': ({ one, other }) => `has another vehicle number: ${other}, not ${one}`,
  'not-let-in': () => 'this device is not let in: the shop is open at the machine that it runs on',
  'no-lead': () => 'somebody has to be the lead',
  failed: ({ request }) => `something went wrong in the program; it is noted in its log under ${request}`,
  'too-heavy': ({ limit }) => `is too much to work out within ${limit}`,
  busy: ({ waiting }) => `has ${waiting} calculations waiting already; try again in a moment`,
  'too-often': ({ seconds }) => `asks too often; try again in ${plural(Number(seconds), 'second')}`,
  'not-available': ({ what }) => `${what} is not available`,
  'camera-records': () => 'carries records of the camera (place, maker, remarks); take them off before it is sent',
  'other-hash': ({ hash }) => `is not that of the picture: ${hash}`,
  'too-many-photos': ({ most }) => `is one too many: a job keeps up to ${most} photos`,
  conflict: ({ what }) => `${what}`,
};

/** One sentence for one fault, path first; what is asked for by its kind alone, and who asks, need no path. */
export function sayFault(fault: Fault): string {
  return fault.path === fault.data.what || fault.path === 'session' ? sayFaultAlone(fault) : `${fault.path} ${SENTENCES[fault.code](fault.data)}`;
}

/** The sentence of a fault where it is plain what it is about: beside the field. */
export function sayFaultAlone(fault: Fault): string {
  const sentence = SENTENCES[fault.code](fault.data);
  return sentence.charAt(0).toUpperCase() + sentence.slice(1);
}

/** All faults of an input, one line each. */
export function sayFaults(faults: readonly Fault[]): string {
  return faults.map(sayFault).join('\n');
}
