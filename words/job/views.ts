import { inSentence } from '@jade/words/units';

export const ACCESSORY_FOUND = {
  title: 'Something was fitted here',
  record: 'Record it and plan again',
  why: 'It comes off before the pieces it holds, and the plan is made again around it. Its own wires, weight and faults are looked at before it moves.',
  what: 'What it is',
  holds: 'Pieces it holds back',
  side: 'Side',
  fasteners: 'Its fasteners',
  size: 'Size',
  howMany: 'How many',
  minutesOff: 'Minutes to take it off',
  minutesBack: 'Minutes to put it back',
  people: 'People',
} as const;

export const NEW_FASTENERS = {
  label: 'New fasteners this job wants',
} as const;

export const WARNING_LAMPS_ENTRY = {
  title: 'Warning lamps',
  how: 'Ignition on, engine or drive running, a few seconds after the lamp test.',
  none: 'None is lit',
  some: 'Some are lit',
  which: 'Which are lit',
  record: 'These are lit',
} as const;

export const LENS_GRADES_ENTRY = {
  title: 'Lens haze',
  how: 'Wiped dry, seen from a step away.',
  same: 'The others as on arrival',
  lens: (lamp: string, before: string | undefined) => (before ? `${lamp} (was ${before})` : lamp),
  gradeOf: (lamp: string) => `Lens of ${inSentence(lamp)}`,
} as const;
