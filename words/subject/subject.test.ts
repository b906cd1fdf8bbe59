import { key, type Subject } from '@jade/core/subject';
import type { Names } from '@jade/words/names';
import { sayKey } from './index.ts';

const names = { factory: (lamp: string) => `Dipped beam, ${lamp}`, kit: (kit: string) => `Cairn ${kit}` } as Names;

/** What is kept of something left open is said as what it is, not as the key it is kept under. */
test.each<[Subject, string]>([
  [{ kind: 'warnings', moment: 'before' }, 'warning lamps, on arrival'],
  [{ kind: 'warnings', moment: 'after' }, 'warning lamps, leaving'],
  [{ kind: 'warning', lamp: 'tyre pressure' }, 'warning lamp, tyre pressure'],
  [{ kind: 'uncoded', moment: 'after' }, 'warning lamps without a fault code, leaving'],
  [{ kind: 'lenses', moment: 'before' }, 'lens haze, on arrival'],
  [{ kind: 'paper', kit: 'pair', paper: 'wiring' }, 'Wiring diagram of Cairn pair'],
  [{ kind: 'lens', lamp: 'left' }, 'lens of dipped beam, left'],
])('%j is said as %s', (subject, said) => {
  expect(sayKey(key(subject), names)).toBe(said);
});
