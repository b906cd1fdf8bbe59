import { RECORDED, type Definition } from '../definition.ts';
import type { Wall } from '../values.ts';

/** `floorAtWallMm` once it was measured, 0 where it was found level. */
export const wallSet: Definition<Wall> = {
  ...RECORDED,
  opposite: null,
  does: (state, payload) => void (state.wall = payload),
  names: ({ rule }, { among, rules }) => among(rules.aim, rule, 'rule', 'rule of aim'),
};
