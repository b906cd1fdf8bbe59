import { RULES } from '../job/test/log.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import type { LevelNeed, MountPosition, Piece, PieceLevel, VehicleProfile, Way } from '../vehicle/index.ts';
import { explainPlan, planAccess, type AccessRequest, type Explanation, type FurtherKit } from './index.ts';

const need = (piece: string, level: LevelNeed['level'] = 'off'): LevelNeed => ({ piece, level });
const way = (id: string, needs: LevelNeed[] = [], extraMin = 0): Way => ({ id, needs, extraMin });
const level = (name: PieceLevel['level'], minutes: number, ways: Way[]): PieceLevel => ({ level: name, openMin: minutes, closeMin: minutes, people: 1, ways });
const piece = (id: string, ...levels: PieceLevel[]): Piece => barePiece(id, { levels });
const mount = (id: string, ...reach: Way[]): MountPosition => ({ id, name: id, side: 'left', at: { xMm: 0, yMm: 0, zMm: 0 }, reach, hiddenBy: [] });

/**
 * A nose: the grille comes off by its clips or, dearer, from below once the tray hangs; the skin comes off behind the grille. The lamp is
 * reached behind the skin, or through the arch; the horn only behind the grille; the spring behind a cover that nothing opens.
 */
const NOSE: VehicleProfile = bareProfile({
  pieces: [
    piece('grille', level('off', 2, [way('clips'), way('from-below', [need('tray', 'hung')], 1)])),
    piece('skin', level('loosened', 3, [way('edge')]), level('off', 5, [way('front', [need('grille')])])),
    piece('tray', level('hung', 4, [way('drop')]), level('off', 6, [way('lift')])),
    piece('liner', level('off', 10, [way('arch')])),
    piece('cover', level('off', 1, [])),
    piece('old-lamp', level('off', 1, [way('behind', [need('skin')])])),
    piece('radar', level('off', 7, [way('behind', [need('grille')])])),
  ],
  mounts: [
    mount('lamp', way('behind-skin', [need('skin')]), way('through-arch', [need('liner')], 0.5), way('lost', [need('cover')])),
    mount('horn', way('behind-grille', [need('grille')])),
    mount('fog', way('below', [need('tray', 'hung')])),
    mount('spring', way('under', [need('cover')])),
  ],
});
const ask = (part: Partial<AccessRequest> = {}): AccessRequest => ({ profile: NOSE, facts: {}, mounts: ['lamp'], present: [], replaced: [], rules: RULES, ...part });

function explained(part: Partial<AccessRequest>, further: FurtherKit[] = []): Explanation {
  const request = ask(part);
  const search = explainPlan(request, planAccess(request), further);
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}
const said = ({ alternatives }: Explanation) => alternatives.map((one) => `${one.place}${one.level ? ` ${one.level}` : ''} ${one.way} ${one.extraMin}`);

test('every other way to a place and to a planned move is priced with the best plan around it, the cheapest first', () => {
  const told = explained({});
  // 2·(2 + 5) = 14 as planned; the arch 2·10 + 0.5; the grille from below 14 + 1 + 2·4. A way that leads nowhere is no alternative.
  expect(told.alternatives).toEqual([
    { place: 'lamp', way: 'through-arch', extraMin: 6.5, opens: [{ piece: 'liner', level: 'off' }], spares: ['grille', 'skin'] },
    { place: 'grille', level: 'off', way: 'from-below', extraMin: 9, opens: [{ piece: 'tray', level: 'hung' }], spares: [] },
  ]);
});

test('what leaving a piece shut would cost is the next best way in, or that there is none', () => {
  expect(explained({}).withoutPiece).toEqual({ grille: 6.5, skin: 6.5 });
  // The horn is only behind the grille.
  expect(explained({ mounts: ['lamp', 'horn'] }).withoutPiece).toEqual({ grille: null, skin: 10.5 });
  // What the kit replaces has to come off in any case.
  expect(explained({ mounts: [], replaced: ['old-lamp'] }).withoutPiece).toEqual({ grille: null, skin: null, 'old-lamp': null });
});

test('a piece that is open already stays as it is when it is left as it is', () => {
  const told = explained({ present: [{ piece: 'skin', level: 'loosened' }] });
  // Left of the plan: grille 2·2, skin (5 − 3) + 5 = 11; by the arch the loosened skin closes for 3, and 20.5: 23.5.
  expect(told.withoutPiece).toEqual({ grille: 12.5, skin: 12.5 });
  expect(said(told)).toEqual(['grille off from-below 9', 'lamp through-arch 12.5']);
  expect(told.alternatives[1]).toMatchObject({ opens: [{ piece: 'liner', level: 'off' }], spares: ['grille', 'skin'] });
});

test('beside a way chosen by hand the way of the least plan is cheaper, and says by how much', () => {
  const told = explained({ chosen: { lamp: 'through-arch' } });
  expect(told.alternatives).toEqual([
    {
      place: 'lamp',
      way: 'behind-skin',
      extraMin: -6.5,
      opens: [
        { piece: 'grille', level: 'off' },
        { piece: 'skin', level: 'off' },
      ],
      spares: ['liner'],
    },
  ]);
  expect(told.withoutPiece).toEqual({ liner: null });
  // The other choice by hand stays: beside the tray dropped for the grille the arch costs 20.5 and the tray and grille are opened still.
  const both = explained({ chosen: { lamp: 'behind-skin', 'grille/off': 'from-below' } });
  expect(said(both)).toEqual(['grille off clips -9', 'lamp through-arch 10.5']);
  expect(both.alternatives[1]).toMatchObject({ opens: [{ piece: 'liner', level: 'off' }], spares: ['skin'] });
});

test('a piece that an alternative opens further is named with the level that it reaches', () => {
  const hung = { ...NOSE, mounts: [mount('fog', way('below', [need('tray', 'hung')]), way('above', [need('tray')]))] };
  // Hung 2·4, off 2·6.
  expect(explained({ profile: hung, mounts: ['fog'] }).alternatives).toEqual([{ place: 'fog', way: 'above', extraMin: 4, opens: [{ piece: 'tray', level: 'off' }], spares: [] }]);
});

test('only the way to a place of the vehicle is offered to be chosen by hand, not that to work there', () => {
  const further = [{ id: 'joint:kit/left', side: 'left' as const, ways: [way('behind-skin', [need('skin')]), way('through-arch', [need('liner')], 0.5)] }];
  expect(said(explained({ mounts: [], further }))).toEqual(['grille off from-below 9']);
});

test('alternatives of one price stand by place, then by way', () => {
  const same = { ...NOSE, mounts: [mount('z', way('a'), way('c', [need('liner')]), way('b', [need('liner')])), mount('y', way('a'), way('d', [need('liner')]))] };
  expect(said(explained({ profile: same, mounts: ['z', 'y'] }))).toEqual(['y d 20', 'z b 20', 'z c 20']);
});

test('a further kit adds what it opens beyond this job, and costs alone what it would on a closed vehicle without choices by hand', () => {
  const kits = (part: Partial<AccessRequest>, further: FurtherKit[]) => explained(part, further).furtherKits;
  const HORN = { kit: 'horn', mounts: ['horn'], replaces: [] };
  const FOG = { kit: 'fog', mounts: ['fog', 'lamp'], replaces: [] };
  const RADAR = { kit: 'radar', mounts: [], replaces: ['radar'] };
  // The horn is behind the grille, which is off: nothing. The fog beside the lamp: the tray 2·4 beside 14. The radar comes off for 7 and is not put back: alone grille 4 + 7.
  expect(kits({}, [HORN, FOG, RADAR])).toEqual([
    { kit: 'horn', addsMin: 0, aloneMin: 4 },
    { kit: 'fog', addsMin: 8, aloneMin: 22 },
    { kit: 'radar', addsMin: 7, aloneMin: 11 },
  ]);
  expect(kits({ present: [{ piece: 'grille', level: 'off' }], chosen: { lamp: 'through-arch', 'grille/off': 'from-below' } }, [HORN])).toEqual([
    { kit: 'horn', addsMin: 0, aloneMin: 4 },
  ]);
  // What the job replaces already is replaced with the further kit too.
  expect(kits({ mounts: [], replaced: ['radar'] }, [HORN, RADAR])).toEqual([
    { kit: 'horn', addsMin: 0, aloneMin: 4 },
    { kit: 'radar', addsMin: 0, aloneMin: 11 },
  ]);
});

test('a further kit that cannot be reached is not offered, also beside a job of which a place cannot be', () => {
  const SPRING = { kit: 'spring', mounts: ['spring'], replaces: [] };
  expect(explained({}, [SPRING]).furtherKits).toEqual([]);
  const told = explained({ mounts: ['horn', 'spring'] }, [SPRING, { kit: 'fog', mounts: ['fog'], replaces: [] }]);
  expect(told.furtherKits).toEqual([{ kit: 'fog', addsMin: 8, aloneMin: 8 }]);
  // The grille stays needed for the horn; that the spring is lost does not hide it.
  expect(told.withoutPiece).toEqual({ grille: null });
});
