import type { CautionCode } from '@jade/core/plan';

/** What can hurt at a step, what to do about it, and who decides. */
export const CAUTIONS: Readonly<Record<CautionCode, string>> = {
  assumed: 'Assumed, as on another kind or side: look before you pull, count what comes out; the maker’s procedure decides.',
  'sensor there': 'There a sensor sits on it: look for it, unplug it before it moves, write it down at Sense.',
  'orange cables': 'Orange cables stay untouched; isolation is for qualified people by the maker’s procedure.',
  raised: 'On stands at the maker’s points, wheels chocked; never under a jack alone.',
  arch: 'Hands behind a wheel: brake set, wheels chocked, key away.',
  height: 'From a platform, not from a ladder on paint.',
  brittle: 'Brittle: by hand only, no power driver.',
  'sharp edges': 'Sharp edges: gloves on, cable kept off them.',
  'hot parts': 'Hot parts beside it: let them cool.',
  'moving parts': 'Moving parts: key out, hands and cable out of their travel.',
  brakes: 'Brakes beside it: hang nothing on a line; opening them is licensed work.',
  fuel: 'Fuel beside it: no flame, no spark; opening it is licensed work.',
  steering: 'Steering beside it: nothing laid or tied where it moves.',
  'check after': 'Before it closes: brake, fuel and steering lines as they were, nothing weeps or rubs; in doubt the maker’s procedure.',
  'dead first': 'Fuse out or battery off before a wire is joined; look once more that it is dead.',
  'joint heat': 'Heat for sleeves: no fuel or solvent vapour near, nothing behind that melts.',
  drilling: 'Look behind first, stop on the drill, eye protection, edges deburred and sealed.',
  solvent: 'Solvent: open doors, gloves, no flame, not on plastic lenses; its maker’s sheet decides.',
  sealant: 'Sealant: gloves, open doors; its maker says how long it cures.',
  adhesive: 'Adhesive: open doors, gloves; its maker says how it is cleaned and how long it cures.',
  eyes: 'Nobody looks into the beam or stands in front of it.',
  'hot lamp': 'A lamp that was on for minutes is hot.',
  engine: 'Engine running: extraction on or doors open, parking brake set, out of gear.',
  'roof lamp': 'Above the roof: whether it may be lit or uncovered on the road the local rule decides; the vehicle is higher now.',
  'not on the road': 'Work lamps: not lit on the road unless the local rule says so.',
};

export const sayCautions = (codes: readonly CautionCode[]): string[] => codes.map((code) => CAUTIONS[code]);
export const CAUTION = 'Caution';
