import type { Station } from '@jade/core/stations';

/** What a mark looks like, and what it says. */
export interface MarkHelp {
  sign: string;
  says: string;
}

/** The help that stands in a view: how it is worked with, one sentence for each thing a person does there, and what its marks say. */
export interface Help {
  how: readonly string[];
  marks: readonly MarkHelp[];
}

/** Views of the shop and of a job beside its stations that have help. */
export const HELPED_VIEWS = ['board', 'customers', 'library', 'people', 'practice', 'itself', 'photos', 'correct'] as const;
export type HelpedView = (typeof HELPED_VIEWS)[number];

export const HELP_HERE = {
  title: 'Help',
  marks: 'What the marks mean',
} as const;

/** Drawn alike wherever pieces stand on a vehicle. */
const PIECES: readonly MarkHelp[] = [
  { sign: 'Amber, heavy line', says: 'the piece that is next' },
  { sign: 'Hatched', says: 'planned, not touched yet' },
  { sign: 'Green, long dashes', says: 'open, or off' },
  { sign: 'Crossed hatching, dash and dot', says: 'off for good: the kit takes its place' },
  { sign: 'Short dashes', says: 'lies behind something else' },
];

const LIT: MarkHelp = { sign: 'A lamp lit up on the drawing', says: 'what should shine in the state that is being tried' };

export const HELP: Readonly<Record<Station | HelpedView, Help>> = {
  board: {
    how: [
      'Who is here, what was promised, and what holds each job back. A press on a job leads to the station where it stands; one that left opens with what was agreed.',
      '“Open a job” starts one for a vehicle that stands in the yard. “Find a job” looks through all of them, those that left too.',
    ],
    marks: [],
  },
  customers: {
    how: [
      'Every vehicle with its visits, and whose it is. Find by plate, number or name.',
      'What was written wrong is corrected here; two entries of one vehicle or one customer are joined, for good.',
    ],
    marks: [],
  },
  library: {
    how: [
      'Profiles of vehicles, kits, plugs with the leads between them, and rule sets. A file that is taken in becomes a new version, what it changed stands under it; open jobs go on with theirs until somebody takes the new one over.',
      'Tap a piece on the drawing, again where several lie over one another, or its name below: what comes first, its fasteners, how it goes back. A kit’s contents go out and in as CSV. Under a vehicle stand the ways its jobs teach and the times of this shop.',
    ],
    marks: [
      { sign: 'Green bar', says: 'half of the times at this shop were shorter, half longer' },
      { sign: 'Amber line', says: 'what the profile says' },
    ],
  },
  people: {
    how: [
      'Bench names with their roles, and the devices that may open the shop. What somebody records carries their bench name and the device.',
      'A device that is lost is shut out here, at once.',
    ],
    marks: [],
  },
  practice: {
    how: [
      'Pick what the helper switches, then tap the pin that the probe stands on. Say what is wanted as soon as it is proved, not before.',
      'At the end each reading is held against the best that could have been taken instead.',
    ],
    marks: [
      { sign: 'Green cell', says: 'on in that state' },
      { sign: 'Amber cell', says: 'between on and off, a leak, or dimmed: no proof' },
      { sign: 'Plain cell', says: 'off in that state; a dot where nothing was read' },
    ],
  },
  itself: {
    how: [
      'What was agreed about the job, and what changes on its way: bay, person, promise, kits added or dropped, left for the night, cancelled.',
      'Nothing is overwritten: a promise that was moved stays in the record with its reason.',
    ],
    marks: [],
  },
  photos: {
    how: [
      'Every photo of this job. A tap opens it: then a tap on it puts a ring where to look, a word says what it shows, and it can go with the customer’s sheet.',
      'Photos are taken at the step, plug or wire that they show; at the same place of the next vehicle of this kind they are shown again.',
    ],
    marks: [
      { sign: 'Yellow ring', says: 'where to look' },
      { sign: 'Tape along the foot', says: 'goes with the customer’s sheet' },
    ],
  },
  correct: {
    how: [
      'Pick a part at the left, open an entry, write in its fields. What has a place on the vehicle is dragged on the drawing as well; both say the same millimetres.',
      'Each fault stands at its field while you write. Saving makes the next version; jobs that are open keep the one they have until somebody takes the new one over.',
    ],
    marks: [
      { sign: 'Green dashes with four grips', says: 'the box that is held; its edges are dragged' },
      { sign: 'Red word at a part', says: 'something in it is wrong or wanting' },
    ],
  },
  'check-in': {
    how: [
      'Read the vehicle number, the battery at rest, fault codes and warning lamps; grade the lenses, try every factory lamp, measure the gaps. All of it before anything is touched.',
      'Pick a mark on the drawing, then say what you see. What is not noted now counts as ours when the vehicle leaves.',
    ],
    marks: [
      { sign: 'Ring', says: 'a factory lamp' },
      { sign: 'Bar', says: 'a panel gap' },
      { sign: 'Hollow', says: 'not tried or not measured yet' },
      { sign: 'Green', says: 'works, or measured' },
      { sign: 'Red, with a word', says: 'does not work as it should' },
      LIT,
    ],
  },
  match: {
    how: [
      'Each reason says why the kit fits, does not, or is open. Where a fact is open, the look that settles it stands beside it, the quickest first.',
      'Choose the options with the customer; what each brings stands below it. Then confirm the match.',
    ],
    marks: [
      { sign: '✓', says: 'this is so' },
      { sign: '✕', says: 'this speaks against the kit' },
      { sign: '?', says: 'hangs on a fact that is not known' },
    ],
  },
  gather: {
    how: ['Count what lies before you, not what the list says. A press on the number takes it as listed.', 'Do the bench work now: nothing on the vehicle waits for it later.'],
    marks: [
      { sign: 'Grey edge', says: 'not counted yet' },
      { sign: 'Green edge', says: 'all here, or more than the job needs' },
      { sign: 'Red edge', says: 'fewer than the job needs, or more than can be' },
      { sign: 'Dotted edge', says: 'not needed on this vehicle' },
    ],
  },
  'open-up': {
    how: [
      'The way in with the least work there and back, over all targets at once. Do the step that is shown; Done records it and times it.',
      'What differs from the profile is said at the step, and the way is planned again from where you stand. Other ways show their price before they are taken.',
    ],
    marks: [
      ...PIECES,
      { sign: 'Length of a bar', says: 'minutes to open it; a double bar takes two people' },
      { sign: 'Ring at a bar’s end', says: 'several targets share this piece' },
      { sign: 'Dashed bar, slanted name', says: 'a way that is not taken' },
    ],
  },
  wire: {
    how: [
      'From the source on the left to ground on the right. Press a source, a joint or a leg: what it carries, why, and what is done there stands below.',
      'A wire is joined once it is proved or its plug is known. Nothing is joined on a supply that may be live.',
    ],
    marks: [
      { sign: 'Half squares, hollow', says: 'a joint that is not made yet' },
      { sign: 'Square, green', says: 'joined and looked at' },
      { sign: 'Square, red', says: 'pins that do not agree' },
      { sign: 'Box, amber', says: 'carries, close to its limit' },
      { sign: 'Box, red and heavy', says: 'does not carry: see why below' },
      { sign: 'Line with a stripe', says: 'a wire in its own colours' },
    ],
  },
  probe: {
    how: [
      'Prove the reference first: the ground that you will use, and a feed that you know. Then the card says what the helper switches and where the probe goes, the reading that tells most first.',
      'A wire is proved when it is on with its state, off without it, and no other reading of the plug would look the same. Colour proves nothing.',
    ],
    marks: [
      { sign: 'Dashed edge', says: 'not read in that state' },
      { sign: 'Green edge', says: 'on in that state' },
      { sign: 'Grey edge', says: 'off in that state' },
      { sign: 'Amber', says: 'between on and off, a leak, or dimmed: no proof' },
      { sign: '✓', says: 'proved' },
      { sign: '≈', says: 'left over by elimination: read it to prove it' },
      { sign: '=', says: 'reads the same as another pin so far' },
      { sign: '!', says: 'readings that contradict each other' },
    ],
  },
  sense: {
    how: [
      'Every sensor that this job unplugs or moves. Reconnect each by its own tap, say by how much it was moved, and record who calibrates it.',
      'Whether a sensor has to be calibrated is the vehicle maker’s say; where nobody here may do it, name who does, and by when.',
    ],
    marks: [
      { sign: 'Sector', says: 'the field of view' },
      { sign: 'Line in it', says: 'where it looks now' },
    ],
  },
  fit: {
    how: [
      'The steps of all kits in an order that covers nothing that is still to be reached. Done where there is one pass; first and second pass where bolts are brought home in two.',
      'Try each lamp while it is still open: a failed one says where to look.',
    ],
    marks: PIECES,
  },
  'close-up': {
    how: [
      'What came off goes back in an order that covers nothing unfinished: a gate stands before the piece that would cover it.',
      'Every fastener goes back into its hole, or is said to be dropped or replaced: a tray that is not empty does not leave. Below it is asked what could have stayed on: the library learns from it.',
    ],
    marks: [
      { sign: 'Figure on yellow', says: 'so many are out' },
      { sign: 'Green figure', says: 'the slot is empty: all of it is back' },
      { sign: 'Amber edge', says: 'this step needs it' },
      { sign: 'Red edge', says: 'one was dropped and is not found' },
    ],
  },
  aim: {
    how: [
      'Level floor, tyres, load: tick what you did. Measure the distance to the wall and the height of the lamp; the mark and its band are worked out from the rule of the shop.',
      'Measure before you turn anything, and after. A lamp that is aimed by others limits night use until it is done.',
    ],
    marks: [
      { sign: 'Green line', says: 'where the beam is wanted' },
      { sign: 'Green band', says: 'what counts as in' },
      { sign: 'Small cross', says: 'the height of the lamp itself' },
      { sign: 'Pale tape', says: 'where the beam stood before' },
      { sign: 'Full tape', says: 'where it stands after' },
    ],
  },
  'hand-over': {
    how: [
      'Try every lamp again, the new ones by their switches; read fault codes and warning lamps, look at the lenses, measure the gaps. What differs from how it came stands beside it.',
      'What is still missing leads to the station where it is answered. Then read the sheet with the customer, and sign.',
    ],
    marks: [{ sign: 'Hollow', says: 'not tried again yet' }, { sign: 'Green', says: 'as it came, or better' }, { sign: 'Red', says: 'worse than it came' }, LIT],
  },
};
