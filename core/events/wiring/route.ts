import { LEARNED, type Definition } from '../definition.ts';

/** The way of a leg chosen by hand; without `path` the choice goes back to the planner. */
export interface RouteChosen {
  kit: string;
  leg: string;
  path?: string[];
}

export const routeChosen: Definition<RouteChosen> = {
  ...LEARNED,
  opposite: 'itself',
  does: (state, { kit, leg, path }) => {
    if (path) state.routes[`${kit}/${leg}`] = path.join('+');
    else delete state.routes[`${kit}/${leg}`];
  },
  names: ({ kit, leg, path = [] }, { inKit, kitOf, inCableWays }) => [...inKit({ kit, leg }, { leg: kitOf(kit)?.legs }), ...inCableWays(path)],
};
