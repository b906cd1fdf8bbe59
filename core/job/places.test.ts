import type { Kit } from '../kit/index.ts';
import { fit, type Act } from '../stations/index.ts';
import { barePiece } from '../test/bare-profile.ts';
import type { RefitRule, VehicleProfile } from '../vehicle/index.ts';
import { foldJob } from '../log/index.ts';
import { gatesOf, planClosingOf } from '../plan/index.ts';
import { kitsOnVehicle, placeRules, type JobContext } from './index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from './test/log.ts';

const [fitment] = PAIR.fitments;
const [screw] = fitment?.fitSteps ?? [];
if (!fitment || !screw) throw new Error('no fitting step');
const AT = '2026-03-05T09:00:00Z';

/** The van with two trims more, a rule among its pieces and a kit with three steps: two that set the lamp's parts, one of the other side. */
function job(rules: Omit<RefitRule, 'id' | 'why'>[], { named = false, replaces = ['old-lamp'] }: { named?: boolean; replaces?: string[] } = {}): JobContext & { log: TestLog } {
  const refitRules = rules.map((rule, index) => ({ id: `r${index}`, why: 'it clamps', ...rule }));
  const old = VAN.pieces.map((piece) => (piece.id === 'old-lamp' ? { ...piece, side: 'left' as const } : piece));
  const profile: VehicleProfile = { ...VAN, pieces: [...old, barePiece('trim'), barePiece('cap', { side: 'right' })], refitRules };
  const step = (id: string, side: 'left' | 'right', inPlaceOf?: string[]) => ({ ...screw!, id, side, needs: [], ...(inPlaceOf ? { inPlaceOf } : {}) });
  const fitSteps = [step('bracket', 'left'), step('lamp', 'left', named ? ['old-lamp'] : undefined), step('other', 'right')];
  const kit: Kit = { ...PAIR, fitments: [{ ...fitment!, replaces, fitSteps }] };
  const log = openedLog();
  return { log, state: log.state, profile, kits: [kit], rules: RULES, year: 2022 };
}
const asked = (context: JobContext) => {
  const [onVehicle] = kitsOnVehicle(context);
  return Object.fromEntries((onVehicle?.fitment?.fitSteps ?? []).map((step) => [step.id, placeRules(context, onVehicle!, step)]));
};
const none = { before: [], after: [], steps: [] };
const now = (context: JobContext & { log: TestLog }): JobContext => ({ ...context, state: foldJob(context.log.events) });
const codes = (act: Act) => ('refused' in act ? act.refused.map((refusal) => refusal.code) : 'recorded');

test('a rule that names a replaced piece means the step that says it sets the part there', () => {
  expect(asked(job([{ first: 'old-lamp', then: 'trim' }], { named: true }))).toEqual({ bracket: none, lamp: { ...none, before: ['trim'] }, other: none });
  expect(asked(job([{ first: 'trim', then: 'old-lamp' }], { named: true }))).toEqual({ bracket: none, lamp: { ...none, after: ['trim'] }, other: none });
});

test('where no step says so it means every step of that side, and nothing of the other', () => {
  expect(asked(job([{ first: 'old-lamp', then: 'trim' }]))).toEqual({ bracket: { ...none, before: ['trim'] }, lamp: { ...none, before: ['trim'] }, other: none });
});

test('rules among pieces that go back themselves, and rules that the facts rule out, ask nothing of a step', () => {
  expect(Object.values(asked(job([{ first: 'cap', then: 'trim' }], { named: true })))).toEqual([none, none, none]);
  const context = job([{ first: 'old-lamp', then: 'trim', when: { fact: 'trim', is: 'guard' } }], { named: true });
  const lamp = (value: string) => {
    const { log } = context;
    log.add('fact.recorded', { fact: 'trim', certainty: 'known', value });
    return asked(now(context)).lamp?.before;
  };
  expect([asked(context).lamp?.before, lamp('plain'), lamp('guard')]).toEqual([['trim'], [], ['trim']]);
});

test('between two replaced pieces one step waits for the other', () => {
  const context = job([{ first: 'cap', then: 'old-lamp' }], { named: true, replaces: ['old-lamp', 'cap'] });
  expect(asked(context)).toEqual({ bracket: none, lamp: { ...none, steps: [{ kit: 'test-kit', step: 'other' }] }, other: none });
  const start = () => codes(fit.passed(now(context), 'test-kit', 'lamp', 'start', AT));
  expect(start()).toEqual(['step-first']);
  for (const pass of ['start', 'align'] as const) context.log.add('step.passed', { kit: 'test-kit', step: 'other', pass });
  expect(start()).toEqual(['step-first']);
  context.log.add('step.passed', { kit: 'test-kit', step: 'other', pass: 'tighten' });
  expect(start()).toBe('recorded');
});

describe('with the trim off', () => {
  const opened = (first: string, then: string) => {
    const context = job([{ first, then }], { named: true });
    for (const piece of ['grille', 'old-lamp', 'trim', 'cap']) context.log.add('piece.moved', { piece, level: 'off', way: 'w', fasteners: [] });
    return context;
  };
  const heldBy = (context: JobContext) =>
    Object.fromEntries(
      planClosingOf(context, undefined).steps.flatMap((step) =>
        step.kind === 'piece' ? [[step.piece, step.gates.map((gate) => gate.subject).filter((subject) => subject.kind === 'fit')]] : [],
      ),
    );

  test('what comes after the old lamp stays off until the new one is in', () => {
    const context = opened('old-lamp', 'trim');
    expect(heldBy(now(context))).toMatchObject({ trim: [{ kind: 'fit', kit: 'test-kit', step: 'lamp' }], cap: [] });
    for (const pass of ['start', 'align', 'tighten'] as const) context.log.add('step.passed', { kit: 'test-kit', step: 'lamp', pass });
    expect(gatesOf(now(context), undefined).find(({ subject }) => subject.kind === 'fit' && subject.step === 'lamp')?.passed).toBe(true);
  });

  test('what comes before the old lamp is back before the new one is begun, and nobody waits meanwhile for its pass', () => {
    const context = opened('trim', 'old-lamp');
    const pass = (step: string, which: 'start' | 'align') => codes(fit.passed(now(context), 'test-kit', step, which, AT));
    expect(pass('lamp', 'start')).toEqual(['back-first']);
    context.log.add('step.passed', { kit: 'test-kit', step: 'bracket', pass: 'start' });
    expect(pass('bracket', 'align')).toBe('recorded');
    const order = planClosingOf(now(context), undefined).steps.map((step) =>
      step.kind === 'piece' ? step.piece : step.kind === 'gate' && step.gate.subject.kind === 'fit' ? step.gate.subject.step : '',
    );
    expect(order.indexOf('trim')).toBeLessThan(order.indexOf('lamp'));
    context.log.add('piece.moved', { piece: 'trim', level: 'fitted', fasteners: [] });
    expect(pass('lamp', 'start')).toBe('recorded');
    expect(pass('bracket', 'align')).toEqual(['pass-first']);
  });

  test('rules in a circle are named and hold nobody back', () => {
    const context = job(
      [
        { first: 'old-lamp', then: 'trim', when: { fact: 'trim', is: 'guard' } },
        { first: 'trim', then: 'old-lamp' },
      ],
      { named: true },
    );
    for (const piece of ['grille', 'old-lamp', 'trim']) context.log.add('piece.moved', { piece, level: 'off', way: 'w', fasteners: [] });
    expect(planClosingOf(now(context), undefined).problems).toEqual([
      { code: 'gate-cannot-run', subject: { kind: 'fit', kit: 'test-kit', step: 'lamp' }, pieces: ['trim'], offers: [] },
    ]);
    expect(codes(fit.passed(now(context), 'test-kit', 'lamp', 'start', AT))).toBe('recorded');
  });
});
