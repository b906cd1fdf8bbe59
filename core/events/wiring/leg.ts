import { DONE, type Definition } from '../definition.ts';

/** A leg laid along segments of the vehicle. */
export interface LegLaid {
  kit: string;
  leg: string;
  path: string[];
}

export const legLaid: Definition<LegLaid> = {
  ...DONE,
  work: 'wiring',
  opposite: 'leg.lifted',
  does: (state, { kit, leg, path }) => void (state.laid[`${kit}/${leg}`] = path.join('+')),
  names: ({ kit, leg, path }, { inKit, kitOf, inCableWays }) => [...inKit({ kit, leg }, { leg: kitOf(kit)?.legs }), ...inCableWays(path)],
};

/** A leg lifted out again, of a kit that is taken out. */
export interface LegLifted {
  kit: string;
  leg: string;
}

export const legLifted: Definition<LegLifted> = {
  ...DONE,
  opposite: 'leg.laid',
  does: (state, { kit, leg }) => void delete state.laid[`${kit}/${leg}`],
  names: ({ kit, leg }, { inKit, kitOf }) => inKit({ kit, leg }, { leg: kitOf(kit)?.legs }),
};
