import { idCheck } from '../../log/index.ts';
import { jobContext, type JobContext } from '../../job/index.ts';
import type { Happened, JobEvent } from '../../events/index.ts';
import { openedLog, PAIR, RULES, type TestLog } from '../../job/test/log.ts';
import { NEW_HERON } from '../../test/new-heron.ts';
import { newKind } from '../../vehicle/index.ts';
import { kindCaptured, NOTHING_TAKEN, withCaptured } from '../../capture/index.ts';
import { allTaken } from '../../capture/test/taken.ts';
import { checkIn, handOver, isRefused, type Act } from '../index.ts';

const HERON = newKind(NEW_HERON);
const contextAt = (log: TestLog): JobContext => jobContext(log.state, { profile: HERON, kits: [PAIR], rules: RULES });
const LEFT: checkIn.GapMeasured = { name: ' Bonnet to wing ', side: 'left', at: { xMm: 520, yMm: 810, zMm: 905 }, widthMm: 4.2 };
const ID = 'bonnet-to-wing-k3m8';
const codes = (act: Act) => (isRefused(act) ? act.refused.map(({ code }) => code) : []);

function measured(log: TestLog, part: Partial<checkIn.GapMeasured> = {}, id = ID, why?: string): Act {
  const act = checkIn.gapFound(contextAt(log), { ...LEFT, ...part }, id, why);
  if (!isRefused(act)) for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
  return act;
}

test('a gap that nobody described is measured as it came: described without what it is meant to be, and asked for again leaving', () => {
  const log = openedLog();
  expect(measured(log)).toEqual({
    events: [
      { type: 'kind.described', payload: { gaps: [{ id: ID, name: 'Bonnet to wing', side: 'left', at: LEFT.at }] } },
      { type: 'gap.measured', payload: { gap: ID, moment: 'before', widthMm: 4.2 } },
    ],
  });
  const check = idCheck({ profile: HERON, kits: [PAIR], rules: RULES });
  expect(log.events.flatMap((event, index) => check(event as JobEvent, `events[${index}]`))).toEqual([]);
  expect(handOver.asked(contextAt(log)).some(({ code }) => code === 'gap-after-missing')).toBe(true);
  // Over a millimetre off from how it came is wondered at, whatever it is meant to be.
  const after = (widthMm: number) => checkIn.doubtsOfGap(contextAt(log), ID, 'after', widthMm);
  expect([after(5.2), after(5.3), after(3.1)]).toEqual([[], [{ code: 'changed', beforeMm: 4.2 }], [{ code: 'changed', beforeMm: 4.2 }]]);
});

test('it is held against the other side, and kept with a word where it differs', () => {
  const log = openedLog();
  measured(log);
  const right = { side: 'right' as const, at: { xMm: 520, yMm: -810, zMm: 905 } };
  expect(checkIn.doubtsOfGapFound(contextAt(log), { ...LEFT, ...right, widthMm: 5.3 }, 'other-a1b2')).toEqual([{ code: 'uneven', otherMm: 4.2 }]);
  expect(codes(measured(log, { ...right, widthMm: 5.3 }, 'other-a1b2'))).toEqual(['doubtful']);
  expect(measured(log, { ...right, widthMm: 5.3 }, 'other-a1b2', 'wing was repaired')).toMatchObject({ events: [{}, { payload: { why: 'wing was repaired' } }] });
  expect(contextAt(log).profile.gaps.map(({ side }) => side)).toEqual(['left', 'right']);
});

test('what is not said, is there already, or is no more as it came is refused', () => {
  const log = openedLog();
  expect(measured(log, { name: ' ', side: undefined, at: undefined, widthMm: undefined })).toEqual({ refused: [{ code: 'missing', count: 4 }] });
  expect(codes(measured(log, { widthMm: -1 }))).toEqual(['missing']);
  expect(codes(measured(log, { name: 'x'.repeat(200) }))).toEqual(['too-long']);
  measured(log);
  expect([codes(measured(log, { name: 'bonnet to WING' }, 'other-a1b2')), codes(measured(log, { name: 'Other' }))]).toEqual([['already'], ['already']]);
  expect(checkIn.gapsAsItCame(contextAt(log))).toBe(true);
  const levels = [{ level: 'off' as const, openMin: 2, closeMin: 2, people: 1, ways: [] }];
  log.add('kind.described', {
    pieces: [{ id: 'grille', name: 'Grille', side: 'centre', zone: 'front', box: { xMm: [0, 1], yMm: [0, 1], zMm: [0, 1] }, levels, fasteners: [], cautions: [] }],
  });
  log.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [] });
  expect([checkIn.gapsAsItCame(contextAt(log)), codes(measured(log, { name: 'Grille to bonnet' }, 'grille-to-bonnet-c3d4'))]).toEqual([false, ['opened-already']]);
});

test('what jobs measured is offered once by name and side, and kept where it is taken', () => {
  const [one, two] = [openedLog(), openedLog()];
  measured(one);
  measured(two, { name: 'Bonnet to wing' }, 'bonnet-to-wing-z9z9');
  measured(two, { name: 'Bonnet to wing', side: 'right', widthMm: 4.4 }, 'bonnet-to-wing-y8y8');
  const told = [one, two].map((log, index) => ({ job: `job-${index}`, described: log.state.described }));
  const taught = kindCaptured([], told, HERON);
  expect(taught.gaps.map(({ entry: { id, side }, jobs }) => [id, side, jobs])).toEqual([
    [ID, 'left', ['job-0', 'job-1']],
    ['bonnet-to-wing-y8y8', 'right', ['job-1']],
  ]);
  expect(withCaptured(HERON, taught, allTaken(taught)).gaps).toHaveLength(2);
  expect(withCaptured(HERON, taught, { ...NOTHING_TAKEN, gaps: [ID] }).gaps.map(({ id }) => id)).toEqual([ID]);
  expect(kindCaptured([], told, withCaptured(HERON, taught, allTaken(taught))).gaps).toEqual([]);
});
