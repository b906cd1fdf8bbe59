import type { Fault } from '../../faults/index.ts';
import { type FoundPlug } from '../../overlay/index.ts';
import { LEARNED, type Definition } from '../definition.ts';

/** A plug, or wires side by side in a loom, that the profile does not have: its face from the wire side. */
export const plugFound: Definition<FoundPlug> = {
  ...LEARNED,
  tells: (told, plug) => ({ ...told, plugs: new Map([...told.plugs, [plug.plug, plug]]) }),
  opposite: null,
  does: (state, found, { device = '' }) => {
    state.describedOn[found.plug] ??= device;
    state.plugsFound[found.plug] = found;
  },
  names: ({ pins, rows, columns }, { at }) =>
    pins.flatMap(({ id, row, column }, place): Fault[] => [
      ...(pins.findIndex((other) => other.id === id) < place ? [{ path: at(`pins[${place}].id`), code: 'duplicate-id' as const, data: { id } }] : []),
      ...(row > rows || column > columns ? [{ path: at(`pins[${place}]`), code: 'pin-outside-face' as const, data: { rows, columns } }] : []),
      ...(pins.findIndex((other) => other.row === row && other.column === column) < place
        ? [{ path: at(`pins[${place}]`), code: 'pin-place-twice' as const, data: { row, column } }]
        : []),
    ]),
};
