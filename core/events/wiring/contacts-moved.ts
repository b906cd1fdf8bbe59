import type { Fault } from '../../faults/index.ts';
import { DONE, type Definition } from '../definition.ts';

/** Contacts of a kit's plug pulled and put into other cavities of it, all at one time. */
export interface ContactsMoved {
  kit: string;
  plug: string;
  moves: { pin: string; row: number; column: number }[];
}

export const contactsMoved: Definition<ContactsMoved> = {
  ...DONE,
  planAnew: () => true,
  work: 'wiring',
  opposite: 'itself',
  does: (state, { kit, plug, moves }) => {
    const moved = new Set(moves.map(({ pin }) => pin));
    const at = `${kit}/${plug}`;
    state.contactsMoved[at] = [...(state.contactsMoved[at] ?? []).filter(({ pin }) => !moved.has(pin)), ...moves];
  },
  names: ({ kit, plug: id, moves }, { kitOf, inKit, among, at }) => {
    const plug = kitOf(kit)?.plugs.find((entry) => entry.id === id);
    if (!plug) return inKit({ kit, plug: id }, { plug: kitOf(kit)?.plugs });
    return [
      ...moves.flatMap(({ pin, row, column }, place) => [
        ...among(plug.pins, pin, `moves[${place}].pin`, 'pin'),
        ...(row > plug.rows || column > plug.columns
          ? [{ path: at(`moves[${place}].row`), code: 'pin-outside-face' as const, data: { rows: plug.rows, columns: plug.columns } }]
          : []),
      ]),
      ...moves.flatMap(({ row, column }, place): Fault[] =>
        moves.findIndex((other) => other.row === row && other.column === column) === place ? [] : [{ path: at(`moves[${place}]`), code: 'pin-place-twice', data: { row, column } }],
      ),
    ];
  },
};
