import type { Fault } from '../../faults/index.ts';
import { LEARNED, type Definition } from '../definition.ts';
import { within } from '../keep.ts';
import type { LedTo } from '../values.ts';

/** A wire of a kit's plug led elsewhere than into its cavity; without `to` it goes where the kit has it again. */
export interface SourceChosen {
  kit: string;
  connection: string;
  pin: string;
  to?: LedTo;
}

export const sourceChosen: Definition<SourceChosen> = {
  ...LEARNED,
  opposite: 'itself',
  does: (state, { kit, connection, pin, to }) => {
    const wires = within(state.led, `${kit}/${connection}`);
    if (to) wires[pin] = to;
    else delete wires[pin];
  },
  names: ({ kit, connection, pin, to }, { fitmentOf, kitOf, inKit, profile, among, at }) => {
    const known = fitmentOf(kit)?.connections.find((entry) => entry.id === connection);
    if (!known) return inKit({ kit, connection }, { connection: fitmentOf(kit)?.connections });
    const face = profile.plugs.find((entry) => entry.id === to?.plug);
    const wire = to?.at === 'wire' || to?.at === 'battery';
    const wanted = [
      ...(wire ? (['plug', 'pin'] as const) : []),
      ...(to?.at === 'slot' ? (['slot'] as const) : []),
      ...(to?.at === 'slot' || to?.at === 'battery' ? (['fuseA', 'areaMm2', 'lengthMm'] as const) : []),
    ];
    return [
      ...among(kitOf(kit)?.plugs.find(({ id }) => id === known.kitPlug)?.pins, pin, 'pin', 'pin'),
      ...wanted.filter((field) => to?.[field] === undefined).map((field): Fault => ({ path: at(`to.${field}`), code: 'missing', data: {} })),
      ...(to?.plug === undefined ? [] : face ? among(face.pins, to.pin ?? '', 'to.pin', 'pin') : among([], to.plug, 'to.plug', 'plug')),
      ...(to?.ground === undefined ? [] : among(profile.grounds, to.ground, 'to.ground', 'ground point')),
    ];
  },
};
