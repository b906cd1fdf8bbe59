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
