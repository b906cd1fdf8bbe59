import { duplicateIds, type Fault } from '../faults/index.ts';
import type { PinGender } from '../vehicle/index.ts';
import { checkAdapter, type PlugAdapter, type PlugEnd } from './adapters.ts';

/** A contact that goes into a cavity of a family, and the wires that it takes. */
export interface PlugTerminal {
  id: string;
  name: string;
  gender: PinGender;
  areaMm2: [from: number, to: number];
  /** How its barb has to lie, as one looks at the wire side. */
  barb: string;
}

export const PLUG_CLOSINGS = ['tab', 'slide', 'clip', 'ring'] as const;

/** Plugs that go into each other where keying and grid are alike. */
export interface PlugFamily {
  /** As the faces of vehicles and kits name it. */
  id: string;
  keyings: string[];
  grids: { rows: number; columns: number }[];
  /** Whether each wire has a seal of its own. */
  sealed: boolean;
  lock: string;
  /** How one feels that it has closed: a tab clicks, a ring is turned home over a notch. */
  closing: (typeof PLUG_CLOSINGS)[number];
  /** What keeps the contacts, or the lock, once the plug has closed. */
  secondLock?: string;
  /** Each contact, for long. */
  pinA: number;
  terminals: PlugTerminal[];
}

/** What a shop knows of plugs: their families, and the adapters that lead from one to another. */
export interface PlugLibrary {
  format: 'jade-plugs/1';
  slug: string;
  name: string;
  families: PlugFamily[];
  adapters: PlugAdapter[];
}

/** Faults of an end of an adapter: a family, a keying or a grid that the library does not have. */
function checkEnd({ family, keying, rows, columns }: PlugEnd, families: readonly PlugFamily[], path: string): Fault[] {
  const known = families.find(({ id }) => id === family);
  if (!known) return [{ path: `${path}.family`, code: 'unknown-id', data: { id: family, what: 'plug family' } }];
  const grid = `${rows}×${columns}`;
  const grids = known.grids.map((entry) => `${entry.rows}×${entry.columns}`);
  return [
    ...(known.keyings.includes(keying) ? [] : [{ path: `${path}.keying`, code: 'choice' as const, data: { value: keying, choices: known.keyings.join(', ') } }]),
    ...(grids.includes(grid) ? [] : [{ path: `${path}.rows`, code: 'choice' as const, data: { value: grid, choices: grids.join(', ') } }]),
  ];
}

/**
 * Faults in meaning of a plug library whose form is right: an id twice, an adapter whose ends are of no family, keying or grid that the library
 * has, or whose wires lead outside its faces or two into one cavity, a contact whose wires do not rise.
 */
export function checkPlugLibrary({ families, adapters }: PlugLibrary): Fault[] {
  return [
    ...duplicateIds(families, 'families'),
    ...duplicateIds(adapters, 'adapters'),
    ...families.flatMap(({ terminals }, index) => [
      ...duplicateIds(terminals, `families[${index}].terminals`),
      ...terminals.flatMap(({ areaMm2: [from, to] }, place): Fault[] =>
        from <= to ? [] : [{ path: `families[${index}].terminals[${place}].areaMm2`, code: 'span-order', data: { from, to } }],
      ),
    ]),
    ...adapters.flatMap((adapter, index) => {
      const path = `adapters[${index}]`;
      return [...checkEnd(adapter.vehicleEnd, families, `${path}.vehicleEnd`), ...checkEnd(adapter.lampEnd, families, `${path}.lampEnd`), ...checkAdapter(adapter, path)];
    }),
  ];
}
