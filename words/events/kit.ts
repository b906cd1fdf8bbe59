import type { LinesOf } from './lines-of.ts';
import type { FitmentList, KitList } from '@jade/core/kit';
import { sayArea } from '@jade/words/wiring';
import { amount, inSentence, stated } from '@jade/words/units';

/** Of which a kit has nothing beyond what is described. */
const WHOLE_OF_KIT: Readonly<Record<KitList | FitmentList, string>> = {
  lamps: 'it has no other lamp',
  contents: 'nothing else is in its box',
  vehicles: 'it fits on no other vehicle',
  mounts: 'it sits nowhere else',
  connections: 'nothing else of it is joined',
  fitSteps: 'that is all that is fitted',
  tests: 'that is all that is tried',
  years: 'its maker makes it for those years alone',
};

/** Lines of the family, as the log shows them. */
export const KIT_LINES: LinesOf<'kit'> = {
  'option.chosen': ({ kit, option, choice }, names) => `${names.kit(kit)}, ${inSentence(names.option(kit, option))}: ${inSentence(names.choice(kit, option, choice))}`,
  'match.confirmed': ({ kit }, names) => `Match of ${names.kit(kit)} confirmed`,
  'content.counted': ({ kit, item, count }, names) => `${names.item(kit, item)}: ${count} counted`,
  'bench.done': ({ kit, task }, names) => `Bench: ${names.task(kit, task)}`,
  'lamp.powered': ({ kit, plug, pin, ampere, lit }, names) => `${names.kitPlug(kit, plug)} pin ${pin} fed on the bench: ${amount(ampere, 'A', 2)}, lights ${lit}`,
  'kit.described': ({ kit, lamps = [], contents = [], fitSteps = [], plugs = [], feeds = [], legs = [], connections = [], tests = [], replaces = [], whole = [] }, names) =>
    [
      ...(lamps.length > 0 ? [`${names.kit(kit)} has: ${lamps.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...(contents.length > 0 ? [`${names.kit(kit)}, in the box: ${contents.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...fitSteps.map(({ name }) => `${names.kit(kit)}, fitted: ${inSentence(name)}`),
      ...connections.map(
        ({ kitPlug, vehiclePlug, tap }) =>
          `${names.kit(kit)}, joined: ${inSentence(plugs.find(({ id }) => id === kitPlug)?.name ?? names.kitPlug(kit, kitPlug))} to ${tap ? `pin ${tap.pin} of ` : ''}${inSentence(names.plug(vehiclePlug))}`,
      ),
      ...feeds.map(({ fuseA, batteryToFuseMm }) => `${names.kit(kit)}, fed from the battery: main fuse ${stated(fuseA, 'A')}, ${stated(batteryToFuseMm, 'mm')} from it`),
      ...legs.map(({ lengthMm, wire }) => `${names.kit(kit)}, its lead: ${stated(lengthMm, 'mm')}${wire ? ` of ${sayArea(wire.areaMm2)}` : ''}`),
      ...(tests.length > 0 ? [`${names.kit(kit)} is tried by: ${tests.map(({ name }) => inSentence(name)).join('; ')}`] : []),
      ...(replaces.length > 0 ? [`${names.kit(kit)} takes the place of: ${replaces.map((piece) => inSentence(names.piece(piece))).join('; ')}`] : []),
      ...(whole.length > 0 ? [`${names.kit(kit)}: ${whole.map((list) => WHOLE_OF_KIT[list]).join(', ')}`] : []),
    ].join('. '),
};
