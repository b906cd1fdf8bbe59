import { askingDead, type Supply } from './index.ts';

const LOW: Supply = { id: 'low', name: '12 V battery', piece: 'clamp', level: 'folded', waitMin: 3, by: 'anyone', before: [], forgets: [] };
const need = (piece: string, level: 'loosened' | 'folded' | 'off') => ({ piece, level });

test('a way that was gone with a supply dead asks for that, and no longer needs what isolates it', () => {
  const way = { id: 'seen', needs: [need('trim', 'off'), need('clamp', 'folded')], extraMin: 0 };
  expect(askingDead(way, [LOW])).toEqual({ id: 'seen', needs: [need('trim', 'off')], extraMin: 0, asks: [{ supply: 'low', is: 'dead' }] });
  // Further open it is dead as well; not so far, it is not.
  expect(askingDead({ needs: [need('clamp', 'off')] }, [LOW])).toEqual({ needs: [], asks: [{ supply: 'low', is: 'dead' }] });
  const loose = { needs: [need('clamp', 'loosened'), need('trim', 'off')] };
  expect(askingDead(loose, [LOW])).toBe(loose);
});

test('what it asks for already stands once, and another supply keeps its own', () => {
  const both = { needs: [need('clamp', 'off'), need('service-plug', 'off')], asks: [{ supply: 'low' as const, is: 'dead' as const }] };
  expect(askingDead(both, [LOW])).toEqual({ needs: [need('service-plug', 'off')], asks: [{ supply: 'low', is: 'dead' }] });
  const high: Supply = { ...LOW, id: 'high', piece: 'service-plug', level: 'off', by: 'qualified people' };
  expect(askingDead(both, [high]).asks).toEqual([
    { supply: 'low', is: 'dead' },
    { supply: 'high', is: 'dead' },
  ]);
});
