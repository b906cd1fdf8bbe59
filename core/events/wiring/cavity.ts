import { type PutContact } from '../../overlay/index.ts';
import { DONE, type Definition } from '../definition.ts';

/** A contact put into an empty cavity of a vehicle plug, with its terminal of the library, and the circuit that its wire was led from; none of a ground. */
export type CavityPopulated = { plug: string } & PutContact;

export const cavityPopulated: Definition<CavityPopulated> = {
  ...DONE,
  planAnew: () => true,
  work: 'wiring',
  opposite: 'contact.pulled',
  does: (state, { plug, ...contact }) => {
    const others = (state.populated[plug] ?? []).filter(({ row, column }) => row !== contact.row || column !== contact.column);
    state.populated[plug] = [...others, contact];
  },
  names: ({ plug, row, column, circuit, terminal }, { profile, plugs, among, at }) => {
    const face = profile.plugs.find(({ id }) => id === plug);
    if (!face) return among([], plug, 'plug', 'plug');
    const terminals = plugs?.families.find(({ id }) => id === face.family)?.terminals;
    return [
      ...(row > face.rows || column > face.columns ? [{ path: at('row'), code: 'pin-outside-face' as const, data: { rows: face.rows, columns: face.columns } }] : []),
      ...(circuit === undefined ? [] : among(profile.circuits, circuit, 'circuit', 'circuit')),
      ...(terminal === undefined ? [] : among(terminals, terminal, 'terminal', 'terminal')),
    ];
  },
};

/** A contact pulled out of a cavity of the vehicle again, of a kit that is taken out. */
export interface ContactPulled {
  plug: string;
  row: number;
  column: number;
}

export const contactPulled: Definition<ContactPulled> = {
  ...DONE,
  planAnew: () => true,
  opposite: 'cavity.populated',
  does: (state, { plug, row, column }) => void (state.populated[plug] = (state.populated[plug] ?? []).filter((contact) => contact.row !== row || contact.column !== column)),
  names: ({ plug }, { among, profile }) => among(profile.plugs, plug, 'plug', 'plug'),
};
