import { amongLast, besides } from '../described-faults.ts';
import { checkKit } from '../../kit/index.ts';
import { fitmentUnknown } from '../../overlay/index.ts';
import type { Known } from '../known.ts';
import type { Fault } from '../../faults/index.ts';
import { kitDescribedFurther, type KitDescribed } from '../../overlay/index.ts';
import { LEARNED, type Definition } from '../definition.ts';

/** Faults of what was described of a kit: nothing at all, a kit that the job does not have, an entry said twice or that names what is not there. */
function kitFaults(said: KitDescribed, { profile, kits, payloadAt: at }: Known): Fault[] {
  const { lamps = [], contents = [], mounts = [], fitSteps = [], tests = [], plugs = [], relays = [], feeds = [], legs = [], connections = [], replaces = [], whole = [] } = said;
  const kit = kits.find(({ slug }) => slug === said.kit);
  if (!kit) return [{ path: `${at}.kit`, code: 'unknown-id', data: { id: said.kit, what: 'kit' } }];
  const lists = { lamps, contents, mounts, fitSteps, tests, plugs, relays, feeds, legs, connections, replaces, whole };
  if (Object.values(lists).every((list) => list.length === 0)) return [{ path: at, code: 'one-of', data: { choices: Object.keys(lists).join(', ') } }];
  const own = kit.fitments.find(({ vehicle }) => vehicle === profile.slug) ?? fitmentUnknown(profile);
  const fitment = {
    ...own,
    mounts,
    replaces: [...own.replaces.filter((piece) => !replaces.includes(piece)), ...replaces],
    fitSteps: besides(own.fitSteps, fitSteps),
    tests: besides(own.tests, tests),
    connections: besides(own.connections, connections),
  };
  const held = {
    ...kit,
    lamps: besides(kit.lamps, lamps),
    contents: besides(kit.contents, contents),
    plugs: besides(kit.plugs, plugs),
    relays: besides(kit.relays, relays),
    feeds: besides(kit.feeds, feeds),
    legs: besides(kit.legs, legs),
    fitments: [fitment],
  };
  const faults = checkKit(held, new Map([[profile.slug, profile]]));
  const ofFitment = faults.flatMap((fault): Fault[] => (fault.path.startsWith('fitments[0].') ? [{ ...fault, path: fault.path.slice('fitments[0].'.length) }] : []));
  return [
    ...amongLast(faults, 'lamps', held.lamps.length - lamps.length, at),
    ...amongLast(faults, 'contents', held.contents.length - contents.length, at),
    ...amongLast(faults, 'plugs', held.plugs.length - plugs.length, at),
    ...amongLast(faults, 'relays', held.relays.length - relays.length, at),
    ...amongLast(faults, 'feeds', held.feeds.length - feeds.length, at),
    ...amongLast(faults, 'legs', held.legs.length - legs.length, at),
    ...amongLast(ofFitment, 'connections', fitment.connections.length - connections.length, at),
    ...amongLast(ofFitment, 'mounts', 0, at),
    ...amongLast(ofFitment, 'fitSteps', fitment.fitSteps.length - fitSteps.length, at),
    ...amongLast(ofFitment, 'replaces', fitment.replaces.length - replaces.length, at),
    ...amongLast(ofFitment, 'tests', fitment.tests.length - tests.length, at),
  ];
}

export const kitDescribed: Definition<KitDescribed> = {
  ...LEARNED,
  tells: (told, said) => ({ ...told, kits: { ...told.kits, [said.kit]: kitDescribedFurther(told.kits[said.kit], said) } }),
  opposite: null,
  does: (state, said) => void (state.kitsDescribed[said.kit] = kitDescribedFurther(state.kitsDescribed[said.kit], said)),
  names: kitFaults,
};
