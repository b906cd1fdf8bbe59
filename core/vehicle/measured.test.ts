import { NEW_HERON } from '../test/new-heron.ts';
import { inMeasureOrder, MEASURES, middleMm, newKind, TYPICAL_MEASURES, withMeasures } from './index.ts';

/** Measured in length, width, height and wheelbase. */
const NEW = { ...NEW_HERON, lengthMm: 5341, widthMm: 1868, heightMm: 1792 };
const HERON = newKind(NEW);

test('a new kind says which measures nobody took: those that follow from its body, and those left as such a body has them', () => {
  const typical = TYPICAL_MEASURES[NEW_HERON.body];
  expect(HERON.unmeasured).toEqual(['frontOverhangMm', 'trackMm', 'bonnetHeightMm', 'groundClearanceMm', 'wheelDiameterMm']);
  const left = newKind({ ...NEW, widthMm: typical.widthMm });
  expect(left.unmeasured).toEqual(['frontOverhangMm', 'widthMm', 'trackMm', 'bonnetHeightMm', 'groundClearanceMm', 'wheelDiameterMm']);
  expect([...MEASURES].sort()).toEqual(Object.keys(typical).sort());
});

test('a measure that was taken stands, what nobody took follows from it, and what was taken before stays as it is', () => {
  const kind = newKind({ ...NEW, heightMm: TYPICAL_MEASURES[NEW_HERON.body].heightMm });
  const before = kind.measures;
  const taken = withMeasures(kind, { heightMm: Math.round(before.heightMm * 1.1), trackMm: 1512, lengthMm: 1 });
  expect([taken.measures.heightMm, taken.measures.trackMm, taken.measures.lengthMm]).toEqual([Math.round(before.heightMm * 1.1), 1512, before.lengthMm]);
  // What stands up grows by as much; what lies along does not.
  expect(taken.measures.bonnetHeightMm).toBe(Math.round(TYPICAL_MEASURES[NEW_HERON.body].bonnetHeightMm * (taken.measures.heightMm / before.heightMm)));
  expect(taken.measures.frontOverhangMm).toBe(before.frontOverhangMm);
  expect(taken.unmeasured).toEqual(['frontOverhangMm', 'bonnetHeightMm', 'groundClearanceMm', 'wheelDiameterMm']);
  // A bonnet that was measured does not grow with the roof.
  const low = withMeasures(withMeasures(kind, { bonnetHeightMm: 1017 }), { heightMm: 1900 });
  expect(low.measures.bonnetHeightMm).toBe(1017);
  const all = withMeasures(HERON, { frontOverhangMm: 901, trackMm: 1512, bonnetHeightMm: 1017, groundClearanceMm: 222, wheelDiameterMm: 751 });
  expect(all.unmeasured).toBeUndefined();
  expect([withMeasures(HERON, {}), withMeasures(HERON, { lengthMm: 5000 })]).toEqual([HERON, HERON]);
});

test('of several that measured, the middle one; ids in the order of measures', () => {
  expect([middleMm([900]), middleMm([903, 890, 2000]), middleMm([890, 903]), middleMm([880, 1, 903, 4000])]).toEqual([900, 903, 897, 892]);
  expect(inMeasureOrder(['trackMm', 'wheelbaseMm'])).toEqual(['wheelbaseMm', 'trackMm']);
});
