import { barePiece, bareProfile } from '../test/bare-profile.ts';
import type { LevelNeed, MountPosition, PieceLevel, Supply, SupplyAsk, Way } from '../vehicle/index.ts';
import { accessProblem, atStart, needsOfAsks, wayNeeds, type AccessPiece } from './index.ts';

const need = (piece: string, level: LevelNeed['level'] = 'off'): LevelNeed => ({ piece, level });
const way = (id: string, part: Partial<Way> = {}): Way => ({ id, needs: [], extraMin: 0, ...part });
const DEAD: SupplyAsk = { supply: 'low', is: 'dead' };
const supply = (id: Supply['id'], piece: string, level: Supply['level']): Supply => ({ id, name: id, piece, level, waitMin: 3, liveMin: 1, by: 'anyone', before: [], forgets: [] });
const SUPPLIES = [supply('low', 'clamp', 'hung'), supply('high', 'switch', 'off')];

describe('where a piece stands at the start', () => {
  const tray: AccessPiece = {
    id: 'tray',
    levels: [
      { level: 'folded', open: 100, close: 110, breakage: 7, ways: [] },
      { level: 'off', open: 300, close: 330, breakage: 9, ways: [] },
    ],
  };
  const at = (level: 'fitted' | 'loosened' | 'folded' | 'hung' | 'off', replaced: string[] = []) =>
    atStart(
      {
        present: [
          { piece: 'other', level: 'off' },
          { piece: 'tray', level },
        ],
        replaced,
      },
      tray,
    );

  test.each([
    ['fitted' as const, { rank: 0, open: 0, close: 0, breakage: 0 }],
    // Below its lowest level it is put back as from that.
    ['loosened' as const, { rank: 1, open: 0, close: 110, breakage: 0 }],
    ['folded' as const, { rank: 2, open: 100, close: 110, breakage: 7 }],
    // A level that it does not list counts as the next lower one.
    ['hung' as const, { rank: 3, open: 100, close: 110, breakage: 7 }],
    ['off' as const, { rank: 4, open: 300, close: 330, breakage: 9 }],
  ])('%s', (level, expected) => {
    expect(at(level)).toEqual(expected);
  });

  test('nothing is known of it: fitted', () => {
    expect(atStart({ present: [{ piece: 'other', level: 'off' }], replaced: ['tray'] }, tray)).toEqual({ rank: 0, open: 0, close: 0, breakage: 0 });
  });

  test('what is replaced stays off when it is off, and is put back from anywhere else', () => {
    expect([at('off', ['tray']).close, at('hung', ['tray']).close, at('off', ['other']).close]).toEqual([0, 110, 330]);
    expect(atStart({ present: [{ piece: 'bare', level: 'hung' }], replaced: [] }, { id: 'bare', levels: [] })).toEqual({ rank: 3, open: 0, close: 0, breakage: 0 });
  });
});

test('an ask for a dead supply is the need for what isolates it; one for a live supply, or a supply that the vehicle has not, is none', () => {
  expect(needsOfAsks([DEAD, { supply: 'high', is: 'dead' }], SUPPLIES)).toEqual([need('clamp', 'hung'), need('switch')]);
  expect([needsOfAsks([{ supply: 'low', is: 'live' }], SUPPLIES), needsOfAsks(undefined, SUPPLIES), needsOfAsks([DEAD], SUPPLIES.slice(1))]).toEqual([[], [], []]);
});

test('the isolation joins the needs of a way, unless the way opens that piece as far itself', () => {
  const needs = (own: LevelNeed[], asks?: SupplyAsk[], level?: SupplyAsk[]) =>
    wayNeeds(way('w', { needs: own, ...(asks ? { asks } : {}) }), level ? { asks: level } : {}, SUPPLIES);
  expect(needs([need('skin')], [DEAD])).toEqual([need('skin'), need('clamp', 'hung')]);
  expect(needs([need('skin')], undefined, [DEAD])).toEqual([need('skin'), need('clamp', 'hung')]);
  expect([needs([need('clamp', 'hung')], [DEAD]), needs([need('clamp')], [DEAD]), needs([need('clamp', 'loosened')], [DEAD])]).toEqual([
    [need('clamp', 'hung')],
    [need('clamp')],
    [need('clamp', 'loosened'), need('clamp', 'hung')],
  ]);
  // Another piece opened as far is not it.
  expect(needs([need('skin', 'hung')], [DEAD])).toEqual([need('skin', 'hung'), need('clamp', 'hung')]);
  const plain = way('w', { needs: [need('skin')] });
  expect(wayNeeds(plain, undefined, SUPPLIES)).toBe(plain.needs);
});

describe('the access problem of a vehicle', () => {
  const level = (part: Partial<PieceLevel>): PieceLevel => ({ level: 'off', openMin: 1.25, closeMin: 2, people: 1, ways: [way('w')], ...part });
  const mount = (id: string, needs: LevelNeed[]): MountPosition => ({
    id,
    name: id,
    side: 'left',
    at: { xMm: 0, yMm: 0, zMm: 0 },
    reach: [way('reach', { needs, extraMin: 0.5 })],
    hiddenBy: [],
  });
  const profile = bareProfile({
    pieces: [
      barePiece('skin', {
        levels: [level({ people: 2, breakage: { chance: 0.2, replaceMin: 10 }, ways: [way('w', { needs: [need('tow-bar')], extraMin: 0.3, irreversible: true, asks: [DEAD] })] })],
      }),
      barePiece('clamp', { levels: [level({ level: 'hung' })] }),
      barePiece('tow-bar', { levels: [level({})], when: { fact: 'tow-bar', is: 'yes' } }),
    ],
    mounts: [mount('fog', [need('skin'), need('tow-bar')]), mount('horn', [need('skin')])],
    supplies: SUPPLIES.slice(0, 1),
  });
  const made = (facts: Record<string, string>, options: Parameters<typeof accessProblem>[5] = {}) =>
    accessProblem(
      profile,
      facts,
      ['fog'],
      [
        { piece: 'skin', level: 'off' },
        { piece: 'gone', level: 'off' },
      ],
      ['clamp', 'gone'],
      options,
    );

  test('in hundredths of a person-minute, with the isolation among the needs', () => {
    const { pieces, targets, present, replaced } = made({ 'tow-bar': 'yes' });
    expect(pieces).toEqual([
      {
        id: 'skin',
        // 1.25 · 2 people, 2 · 2 people, a fifth of 10.
        levels: [{ level: 'off', open: 250, close: 400, breakage: 200, ways: [{ id: 'w', needs: [need('tow-bar'), need('clamp', 'hung')], extra: 30, irreversible: true }] }],
      },
      { id: 'clamp', levels: [{ level: 'hung', open: 125, close: 200, breakage: 0, ways: [{ id: 'w', needs: [], extra: 0, irreversible: false }] }] },
      { id: 'tow-bar', levels: [{ level: 'off', open: 125, close: 200, breakage: 0, ways: [{ id: 'w', needs: [], extra: 0, irreversible: false }] }] },
    ]);
    expect(targets).toEqual([{ id: 'fog', ways: [{ id: 'reach', needs: [need('skin'), need('tow-bar')], extra: 50, irreversible: false }] }]);
    // What is no piece of this vehicle is neither open nor replaced.
    expect([present, replaced]).toEqual([[{ piece: 'skin', level: 'off' }], ['clamp']]);
  });

  test('a piece that the vehicle has not is no obstacle, nor in the way of a place', () => {
    const { pieces, targets } = made({ 'tow-bar': 'no' });
    expect(pieces.map((piece) => piece.id)).toEqual(['skin', 'clamp']);
    expect(pieces[0]?.levels[0]?.ways[0]?.needs).toEqual([need('clamp', 'hung')]);
    expect(targets[0]?.ways[0]?.needs).toEqual([need('skin')]);
  });

  test('aged clips break more often, and never more than surely', () => {
    const broken = (ageFactor?: number) => made({}, ageFactor === undefined ? {} : { ageFactor }).pieces[0]?.levels[0]?.breakage;
    expect([broken(), broken(1.5), broken(7)]).toEqual([200, 300, 1000]);
  });

  test('what else must be reachable stands behind the mount positions, with its isolation, and without what the vehicle has not', () => {
    const further = [
      {
        id: 'plug',
        side: 'left' as const,
        ways: [way('at-the-plug', { needs: [need('clamp', 'hung'), need('tow-bar')], asks: [DEAD] }), way('dead', { asks: [DEAD], extraMin: 1 })],
      },
    ];
    expect(made({ 'tow-bar': 'no' }, { further }).targets.map((target) => [target.id, target.ways.map((entry) => [entry.id, entry.needs, entry.extra])])).toEqual([
      ['fog', [['reach', [need('skin')], 50]]],
      [
        'plug',
        [
          ['at-the-plug', [need('clamp', 'hung')], 0],
          ['dead', [need('clamp', 'hung')], 100],
        ],
      ],
    ]);
  });
});
