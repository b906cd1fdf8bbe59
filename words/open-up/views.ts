export const FOUND_HERE = {
  titles: { leave: 'Back out', blocked: 'This way is blocked', seized: 'A fastener is seized' },
  backOut: 'Back out',
  record: 'Record it and plan again',
  seizedWhy: (piece: string) => `${piece}: heat and drills near wires, fuel or paint want cover and care. If another way is cheaper now, the plan takes it.`,
  which: 'Which',
  howMany: 'How many',
  minutes: 'Minutes it will add',
  costs: (onward: string, backward: string) =>
    `Going on costs ${onward} more, opening and closing. Backing out now costs ${backward} of closing; no kit is fitted and the plan turns to Close up.`,
  whyAndWho: 'Why, and who agreed',
  blocked: (place: string, level: string, way: string) => `${place} ${level}, ${way}. The plan is made again without this way, from what is off already.`,
  inTheWay: (place: string) => `What stands in the way of ${place}`,
  ofWhom: 'Is it so on every vehicle of this kind?',
  perhaps: 'Only here, or not known',
  never: 'It never comes this way',
} as const;

export const OTHER_WAYS = {
  title: 'Other ways',
  working: 'Working out what other ways would cost…',
  none: 'The profile knows no other way that reaches every target.',
  taken: (target: string, way: string) => `Taken: ${target}, ${way}`,
  blockedWay: (target: string, way: string) => `Blocked: ${target}, ${way}`,
  blocked: 'Blocked',
  byHand: 'Chosen by hand.',
  toLeast: 'Back to the least',
  takeWay: (way: string) => `Take it: ${way}`,
  take: 'Take it',
  whileOpen: (name: string, addsMin: string, aloneMin: string) => `While it is open: ${name} would add ${addsMin} of opening and closing; alone it takes ${aloneMin}.`,
} as const;

export const PLAN_NEWS = {
  plannedAgain: (because: string) => `Planned again: ${because}`,
  seen: 'Seen',
} as const;

export const TOOLS_AND_PARTS = {
  tools: 'Tools, in the order first needed',
  besides: 'To fit besides:',
  lookAlike: 'Look alike:',
  mixUp: (one: string, other: string) => `${one} and ${other}. The wrong one slips and rounds the head.`,
} as const;
