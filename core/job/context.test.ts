import { barePiece } from '../test/bare-profile.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from './test/log.ts';
import { everyOpeningMove, gatesOf, partsToOrder, planOpening, stackOfStep, targetMounts, verdicts, type JobContext } from './index.ts';

const [fitment] = PAIR.fitments;
if (!fitment) throw new Error('no fitment');
/** The test van's job, with another fitment and other pieces. */
const job = (log: TestLog, fits: Partial<typeof fitment> = {}, profile: Partial<typeof VAN> = {}): JobContext => {
  const context = contextOf(log);
  return { ...context, profile: { ...context.profile, ...profile }, kits: [{ ...PAIR, fitments: [{ ...fitment, ...fits }] }] };
};

describe('a place that the kit needs only on some vehicles', () => {
  const feed = { id: 'feed', name: 'Feed', side: 'centre' as const, at: { xMm: 0, yMm: 0, zMm: 600 }, reach: [{ id: 'w', needs: [], extraMin: 0 }] };
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

test('a test is covered by what hides the lamp, not by the plug that it proves', () => {
  const lock = {
    id: 'lock',
    drive: 'plug lock' as const,
    count: 1,
    place: 'on it',
    side: 'left' as const,
    singleUse: false,
    release: 'squeeze tabs' as const,
    tighten: {},
    atLevel: 'off' as const,
  };
  const plug = barePiece('lamp-plug', {
    levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' }], extraMin: 0 }] }],
    fasteners: [lock],
  });
  const mounts = VAN.mounts.map((mount) => ({ ...mount, reach: [{ id: 'w', needs: [{ piece: 'lamp-plug', level: 'off' as const }], extraMin: 0 }] }));
  const context = job(openedLog(), {}, { pieces: [...VAN.pieces, plug], mounts });
  const moves = everyOpeningMove(context, planOpening(context));
  expect(gatesOf(context, moves)).toEqual([{ test: 'test-kit/lights', coveredBy: ['grille'] }]);
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
