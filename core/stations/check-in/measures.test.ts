import { NEW_HERON } from '../../test/new-heron.ts';
import { newKind } from '../../vehicle/index.ts';
import { contextOf as contextIn, Device, OPENED, together } from '../test/device.ts';
import { checkIn, isRefused } from '../index.ts';
import { idCheck } from '../../log/index.ts';
import { wouldLose } from '../../job/index.ts';
import { PAIR, RULES } from '../../job/test/log.ts';

const HERON = newKind({ ...NEW_HERON, lengthMm: 5341, widthMm: 1868, heightMm: 1792 });
const contextOf = (log: typeof OPENED) => contextIn(log, HERON);
const codes = (taken: Parameters<typeof checkIn.measured>[1]) => {
  const act = checkIn.measured(contextOf(OPENED), taken);
  return isRefused(act) ? act.refused : act.events;
};

test('what nobody had measured is measured, and the vehicle is drawn by it; nothing, what was measured before, and what cannot be is refused', () => {
  expect(checkIn.measuresOpen(contextOf(OPENED))).toEqual(['frontOverhangMm', 'trackMm', 'bonnetHeightMm', 'groundClearanceMm', 'wheelDiameterMm']);
  expect([codes({}), codes({ trackMm: undefined }), codes({ lengthMm: 5200 })]).toEqual([
    [{ code: 'nothing' }],
    [{ code: 'nothing' }],
    [{ code: 'unknown', what: 'measure', id: 'lengthMm' }],
  ]);
  const { widthMm, heightMm, groundClearanceMm } = HERON.measures;
  expect(codes({ trackMm: widthMm + 1, bonnetHeightMm: heightMm })).toEqual([{ code: 'measure-out', measure: 'trackMm', leastMm: 0, mostMm: widthMm }]);
  expect(codes({ bonnetHeightMm: groundClearanceMm })).toEqual([{ code: 'measure-out', measure: 'bonnetHeightMm', leastMm: groundClearanceMm + 1, mostMm: heightMm }]);
  const one = new Device('fern', 0, OPENED, HERON);
  one.act(checkIn.measured(one.context, { trackMm: 1512, wheelDiameterMm: 751 }));
  expect([one.context.profile.measures.trackMm, checkIn.measuresOpen(one.context)]).toEqual([1512, ['frontOverhangMm', 'bonnetHeightMm', 'groundClearanceMm']]);
  // Another device that did not know of it measured otherwise: the last word stands, as of all that is described.
  const other = new Device('copper', 3, OPENED, HERON);
  other.act(checkIn.measured(other.context, { trackMm: 1518 }));
  const log = together(one, other);
  expect([contextOf(log).profile.measures.trackMm, contextOf(log).profile.measures.wheelDiameterMm]).toEqual([1518, 751]);
  expect(wouldLose(log, { profile: HERON, kits: [PAIR], rules: RULES }, 'job')).toEqual([]);
});

test('measures that no vehicle has together are refused with their path', () => {
  const faults = (measures: object) =>
    idCheck({ profile: HERON, kits: [PAIR], rules: RULES })({ type: 'kind.described', payload: { measures } } as never, 'e').map(({ path, code }) => `${path} ${code}`);
  expect([faults({ trackMm: 3900 }), faults({ trackMm: 1500 }), faults({})]).toEqual([['e.payload.measures.trackMm range'], [], ['e.payload one-of']]);
});
