import type { CloseStep } from '../../closing/index.ts';
import { planClosingOf } from '../../plan/index.ts';
import { contextOf, openedLog, VAN } from '../../job/test/log.ts';
import { barePiece } from '../../test/bare-profile.ts';
import { closeUp } from '../index.ts';

const AT = '2026-03-05T09:30:00Z';
const level = (name: 'off' | 'folded', needs: { piece: string; level: 'off' }[] = []) => ({
  level: name,
  openMin: 1,
  closeMin: 1,
  people: 1,
  ways: [{ id: 'w', needs, extraMin: 0 }],
});
const supply = { id: 'low' as const, name: 'Battery', piece: 'battery', level: 'off' as const, waitMin: 0, liveMin: 1, by: 'anyone' as const, before: [], forgets: [] };
const PROFILE = { ...VAN, supplies: [supply], pieces: [barePiece('trim', { levels: [level('folded')] }), barePiece('cover'), barePiece('battery', { levels: [level('off')] })] };
const step = (piece: string, from: 'off' | 'folded', part: Partial<CloseStep> = {}): CloseStep => ({
  kind: 'piece',
  piece,
  from,
  to: 'fitted',
  side: 'centre',
  zone: 'front',
  people: 1,
  minutes: 1,
  estimate: { medianMin: 1, p80Min: 1.2, taken: 0 } as CloseStep['estimate'],
  tools: [],
  fasteners: [],
  sensors: [],
  gates: [],
  first: [],
  dead: [],
  ...part,
});

test('what goes back while a supply is dead is back before that supply is live, whoever of two is quicker', () => {
  const log = openedLog();
  for (const [piece, to] of [
    ['battery', 'off'],
    ['trim', 'folded'],
    ['cover', 'off'],
  ] as const)
    log.add('piece.moved', { piece, level: to, way: 'w', fasteners: [] });
  const trim = step('trim', 'folded', { dead: ['low'] });
  const cover = step('cover', 'off');
  const battery = step('battery', 'off', { enlivens: 'low' });
  const context = { ...contextOf(log), profile: PROFILE };
  const against = (steps: CloseStep[]) => closeUp.against(context, { ...planClosingOf(context, undefined), steps }, battery, AT);
  expect(against([trim, cover, battery])).toEqual([{ code: 'back-first', pieces: ['trim'] }]);
  // What stands behind it in the order, or does not ask for it dead, is not waited for.
  expect(against([cover, battery, trim])).toEqual([]);
});
