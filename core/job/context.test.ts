import { barePiece } from '../test/bare-profile.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from './test/log.ts';
import { gatesOf, planOpening } from '../plan/index.ts';
import { jobContext, partsToOrder, stackOfStep, targetMounts, verdicts, type JobContext } from './index.ts';

const [fitment] = PAIR.fitments;
if (!fitment) throw new Error('no fitment');
/** The test van's job, with another fitment and other pieces. */
const job = (log: TestLog, fits: Partial<typeof fitment> = {}, profile: Partial<typeof VAN> = {}): JobContext => {
  const { state, ...documents } = contextOf(log);
  return jobContext(state, { ...documents, profile: { ...VAN, ...profile }, kits: [{ ...PAIR, fitments: [{ ...fitment, ...fits }] }] });
};

describe('a place that the kit needs only on some vehicles', () => {
  const feed = { id: 'feed', name: 'Feed', side: 'centre' as const, at: { xMm: 0, yMm: 0, zMm: 600 }, reach: [{ id: 'w', needs: [], extraMin: 0 }], hiddenBy: [] };
  const mounts = [
    { lamp: 'lamp', mount: 'place' },
    { lamp: 'lamp', mount: 'feed', when: { fact: 'trim', is: 'plain' } },
  ];
  const ask = (trim?: string) => {
    const log = openedLog();
    if (trim) log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: trim });
    return job(log, { mounts }, { mounts: [...VAN.mounts, feed] });
  };

  test('is a target where it is so and while it is not known, and none where it is not', () => {
    expect(targetMounts(ask('plain'))).toEqual(['place', 'feed']);
    expect(targetMounts(ask())).toEqual(['place', 'feed']);
    expect(targetMounts(ask('guard'))).toEqual(['place']);
  });

  test('makes its fact a question of the match', () => {
    expect(verdicts(ask())[0]?.ask).toEqual(['trim']);
    expect(verdicts(ask('guard'))[0]?.ask).toEqual([]);
  });
});

test('a test is covered by what hides its lamps and their plugs, of that only what was opened', () => {
  const needs = (piece: string) => [{ piece, level: 'off' as const }];
  const far = {
    ...VAN.mounts[0],
    id: 'far',
    name: 'Far place',
    side: 'right' as const,
    at: { xMm: 0, yMm: 0, zMm: 0 },
    reach: [{ id: 'w', needs: needs('skirt'), extraMin: 0 }],
    hiddenBy: needs('skirt'),
  };
  const mounts = [...VAN.mounts.map((mount) => ({ ...mount, hiddenBy: needs('never-opened') })), far];
  const pieces = [...VAN.pieces, barePiece('skirt'), barePiece('never-opened')];
  const fits = { mounts: [...fitment.mounts, { lamp: 'second', mount: 'far' }], tests: fitment.tests.map((entry) => ({ ...entry, lamps: ['lamp', 'second'] })) };
  const context = job(openedLog(), fits, { pieces, mounts });
  const gates = gatesOf(context, planOpening(context)).filter((gate) => gate.subject.kind === 'test');
  expect(gates).toMatchObject([{ subject: { kit: 'test-kit', test: 'lights' }, coveredBy: [...needs('skirt'), ...needs('grille')], passed: false }]);
});

describe('a part under one of the vehicle’s own bolts', () => {
  const long = VAN.pieces.map((piece) => ({ ...piece, fasteners: piece.fasteners.map((group) => ({ ...group, lengthMm: 16 })) }));
  const under = (partsMm: number[]) => {
    const step = {
      ...fitment.fitSteps[0],
      id: 'foot',
      name: 'Foot',
      side: 'left' as const,
      needs: [],
      passes: ['start' as const],
      minutes: 1,
      tool: '10 mm',
      tighten: 'snug',
      stack: { boltMm: 99, threadMm: 6, partsMm, into: 'nut' as const },
      under: { piece: 'grille', group: 'bolts' },
    };
    return { step, context: job(openedLog(), { fitSteps: [step] }, { pieces: long }) };
  };

  test('counts with the length of that bolt: 16 mm less 8 leaves 8, more than the 6 of its thread', () => {
    const { step, context } = under([6, 2]);
    expect(stackOfStep(context.profile, step)).toMatchObject({ engagementMm: 8, value: 'enough' });
    expect(partsToOrder(context, undefined)).toEqual([]);
  });

  test('too short, it is ordered as long as it has to be: 12.7 and 6 ask for 20 mm, two of them', () => {
    const { context } = under([6, 3, 2.5, 1.2]);
    expect(partsToOrder(context, undefined)).toMatchObject([{ piece: 'grille', group: { id: 'bolts', lengthMm: 20 }, count: 2, why: 'too short' }]);
  });
});
