import { barePiece, bareProfile } from '../test/bare-profile.ts';
import type { Way } from '../vehicle/index.ts';
import { kindTaught, withChanges, type SeenJob, type SeenMove } from './index.ts';

const off = (...pieces: string[]) => pieces.map((piece) => ({ piece, level: 'off' as const }));
const way = (id: string, ...pieces: string[]): Way => ({ id, needs: off(...pieces), extraMin: 0 });
const piece = (id: string, openMin: number, ...ways: Way[]) => barePiece(id, { levels: [{ level: 'off', openMin, closeMin: 1, people: 1, ways }] });
/** The skin is said to need the grille and the duct; the lamp's place the skin. */
const PROFILE = bareProfile({
  pieces: [piece('grille', 2, way('front')), piece('duct', 6, way('front', 'grille')), piece('skin', 4, way('front', 'grille', 'duct')), piece('roof', 4, way('front'))],
  mounts: [{ id: 'fog-left', name: 'Fog', side: 'left', at: { xMm: 0, yMm: 0, zMm: 0 }, reach: [way('through-skin', 'skin')], hiddenBy: [] }],
});
const moved = (event: string, id: string, personMin: number | undefined, ...open: string[]): SeenMove => ({
  event,
  piece: id,
  from: 'fitted',
  level: 'off',
  open: off(...open),
  people: 1,
  ...(personMin === undefined ? {} : { personMin }),
});
const JOB: SeenJob = {
  job: 'one',
  moves: [moved('m1', 'grille', undefined), moved('m2', 'duct', undefined, 'grille'), moved('m3', 'skin', undefined, 'grille', 'duct')],
  targets: [{ event: 'm4', target: 'fog-left', open: off('grille', 'duct', 'skin') }],
  tried: [],
  closings: [],
  answers: [],
};

test('who does as the profile says teaches nothing new', () => {
  expect(kindTaught([JOB], PROFILE)).toEqual({ changes: [], unsayable: 0, conflicts: [] });
});

test('a piece that could have stayed on makes a shorter way beside the longer one', () => {
  const told = {
    ...JOB,
    answers: [
      { event: 'a', piece: 'duct', enough: 'fitted' as const },
      { event: 'b', piece: 'grille', enough: 'needed' as const },
    ],
  };
  const { changes } = kindTaught([told], PROFILE);
  expect(changes).toEqual([{ place: { piece: 'skin', level: 'off' }, way: way('seen-m3', 'grille'), shorterThan: [way('front', 'grille', 'duct')], onlySeen: [], jobs: ['one'] }]);
  const after = withChanges(PROFILE, changes);
  expect(after.pieces.find(({ id }) => id === 'skin')?.levels[0]?.ways).toEqual([way('front', 'grille', 'duct'), way('seen-m3', 'grille')]);
  expect([after.pieces[0]?.levels, after.mounts, withChanges(PROFILE, [])]).toEqual([PROFILE.pieces[0]?.levels, PROFILE.mounts, PROFILE]);
  // Taken over it is known, and is not proposed again; an answer that changes since is a way of another name.
  expect(kindTaught([told], after).changes).toEqual([]);
  const more = { ...told, answers: [...told.answers.slice(0, 1), { event: 'c', piece: 'grille', enough: 'fitted' as const }] };
  expect(kindTaught([more], after).changes.map(({ place, way: { id, needs } }) => [place, id, needs])).toEqual([[{ piece: 'skin', level: 'off' }, 'seen-m3-2', []]]);
});

test('a way that takes longer than the level counts what it takes beyond, and is shorter than nothing that is quicker', () => {
  const { levels: _levels, ...rest } = piece('skin', 4);
  const quick = {
    ...PROFILE,
    pieces: PROFILE.pieces.map((entry) =>
      entry.id === 'skin' ? { ...rest, levels: [{ level: 'off' as const, openMin: 4, closeMin: 1, people: 1, ways: [way('front', 'grille', 'duct')] }] } : entry,
    ),
  };
  const slow = { ...JOB, moves: [moved('m1', 'grille', undefined), moved('m3', 'skin', 64, 'grille')], targets: [] };
  const { changes } = kindTaught([slow], quick);
  // ⁴√(4³·64) = 8 by the weight of three times: four more than the profile's four.
  expect(changes.map(({ way: { extraMin }, shorterThan, onlySeen }) => [extraMin, shorterThan, onlySeen])).toEqual([[4, [], off('grille')]]);
  // Five instead of four, ⁴√(4³·5), is within one spread: nothing more is said of it.
  const near = { ...slow, moves: [moved('m1', 'grille', undefined), moved('m3', 'skin', 5, 'grille')] };
  expect(kindTaught([near], quick).changes.map(({ way: { extraMin } }) => extraMin)).toEqual([0]);
  expect(
    withChanges(quick, changes)
      .pieces.find(({ id }) => id === 'skin')
      ?.levels[0]?.ways.map(({ id }) => id),
  ).toEqual(['front', 'seen-m3']);
});

/** Open when it was gone, and nobody has said that it had to be. */
const seen = (...pieces: string[]) => off(...pieces).map((need) => ({ ...need, seen: true }));

test('another way to a place is one more; a way through what the profile does not have cannot be said', () => {
  const by = (open: string[]): SeenJob => ({ ...JOB, moves: [], targets: [{ event: 't', target: 'fog-left', open: off(...open) }] });
  const { changes } = kindTaught([by(['roof'])], PROFILE);
  expect(changes.map(({ place, way: { needs }, shorterThan }) => [place, needs, shorterThan])).toEqual([[{ target: 'fog-left' }, seen('roof'), []]]);
  expect(withChanges(PROFILE, changes).mounts[0]?.reach.map(({ id }) => id)).toEqual(['through-skin', 'seen-t']);
  expect(kindTaught([by(['plough'])], PROFILE)).toMatchObject({ changes: [], unsayable: 1 });
  // A piece that this vehicle lacked and that never comes off where it is.
  const fixed = { ...PROFILE, pieces: [...PROFILE.pieces, barePiece('bracket', { levels: [{ level: 'loosened', openMin: 1, closeMin: 1, people: 1, ways: [way('front')] }] })] };
  expect(kindTaught([by(['roof', 'bracket'])], fixed)).toMatchObject({ changes: [], unsayable: 1 });
});

test('who had all open that a known way needs went that one, quick or slow', () => {
  const slowWay = { ...PROFILE, pieces: PROFILE.pieces.map((entry) => (entry.id === 'roof' ? piece('roof', 4, { ...way('ladder', 'grille'), extraMin: 3 }) : entry)) };
  const quick = { ...JOB, moves: [moved('m1', 'grille', undefined), moved('m2', 'duct', undefined, 'grille'), moved('m9', 'roof', 1, 'grille', 'duct')], targets: [] };
  expect(kindTaught([quick], slowWay).changes).toEqual([]);
});

test('that the battery was off is no need of a way: the profile says of a piece itself whether it asks for that', () => {
  const supplies = [{ id: 'low' as const, name: 'Battery', piece: 'battery', level: 'off' as const, waitMin: 5, liveMin: 1, by: 'anyone' as const, before: [], forgets: [] }];
  const powered = { ...PROFILE, pieces: [...PROFILE.pieces, piece('battery', 1, way('front'))] };
  const job = { ...JOB, moves: [moved('m0', 'battery', undefined), moved('m1', 'grille', undefined, 'battery'), moved('m3', 'skin', undefined, 'battery', 'grille')], targets: [] };
  const needs = (changes: ReturnType<typeof kindTaught>['changes']) => changes.map(({ way: { needs: own } }) => own);
  expect([needs(kindTaught([job], { ...powered, supplies }).changes), needs(kindTaught([job], powered).changes)]).toEqual([[seen('grille')], [seen('battery', 'grille')]]);
});

test('what was kept as only seen is confirmed by who says that it had to be, in the place of the way that it was, and hides a place from then on', () => {
  const seenWay = { ...way('seen-x', 'grille', 'duct'), needs: seen('grille', 'duct') };
  const kept = {
    ...PROFILE,
    pieces: PROFILE.pieces.map((entry) => (entry.id === 'skin' ? piece('skin', 4, seenWay) : entry)),
    mounts: PROFILE.mounts.map((mount) => ({ ...mount, reach: [{ ...way('seen-t', 'skin'), needs: seen('skin') }], hiddenBy: off('roof') })),
  };
  const answer = (name: string, enough: 'needed' | 'fitted') => ({ event: `said-${name}`, piece: name, enough });
  expect(kindTaught([JOB], kept).changes).toEqual([]);
  const told = { ...JOB, answers: [answer('grille', 'needed'), answer('skin', 'needed')] };
  const { changes } = kindTaught([told], kept);
  expect(changes).toEqual([
    {
      place: { piece: 'skin', level: 'off' },
      way: { ...seenWay, needs: [...off('grille'), ...seen('duct')] },
      shorterThan: [],
      onlySeen: seen('duct'),
      jobs: ['one'],
      confirms: ['grille'],
    },
    { place: { target: 'fog-left' }, way: way('seen-t', 'skin'), shorterThan: [], onlySeen: [], jobs: ['one'], confirms: ['skin'] },
  ]);
  const after = withChanges(kept, changes);
  expect(after.pieces.find(({ id }) => id === 'skin')?.levels[0]?.ways).toEqual([{ ...seenWay, needs: [...off('grille'), ...seen('duct')] }]);
  expect(after.mounts[0]).toMatchObject({ reach: [way('seen-t', 'skin')], hiddenBy: [...off('roof'), ...off('skin')] });
  // Once it is confirmed it is not offered again, and nothing is confirmed where not all of the way was open.
  expect(kindTaught([told], after).changes).toEqual([]);
  const less = { ...told, moves: [moved('m1', 'grille', undefined), moved('m3', 'skin', undefined, 'grille')], targets: [] };
  expect(kindTaught([less], kept).changes.filter(({ confirms }) => confirms)).toEqual([]);
});

test('of two ways to a place what only one of them needs hides nothing, and what hides it already is said once', () => {
  const kept = {
    ...PROFILE,
    mounts: PROFILE.mounts.map((mount) => ({ ...mount, reach: [{ ...way('seen-t', 'skin'), needs: seen('skin') }, way('above', 'roof')], hiddenBy: [] })),
  };
  const told = { ...JOB, answers: [{ event: 'said', piece: 'skin', enough: 'needed' as const }] };
  const { changes } = kindTaught([told], kept);
  expect(changes.map(({ confirms }) => confirms)).toEqual([['skin']]);
  expect(withChanges(kept, changes).mounts[0]?.hiddenBy).toEqual([]);
  const hidden = { ...kept, mounts: kept.mounts.map((mount) => ({ ...mount, reach: mount.reach.slice(0, 1), hiddenBy: off('skin') })) };
  expect(withChanges(hidden, kindTaught([told], hidden).changes).mounts[0]?.hiddenBy).toEqual(off('skin'));
});

test('only the level and the place that somebody worked at are confirmed, by the jobs that said so', () => {
  const seenWay = { ...way('seen-x', 'grille'), needs: seen('grille') };
  const levels = (['loosened', 'off'] as const).map((level, place) => ({ level, openMin: 3 + place, closeMin: 1, people: 1, ways: [seenWay] }));
  const right = { id: 'fog-right', name: 'Fog', side: 'right' as const, at: { xMm: 0, yMm: 0, zMm: 0 }, reach: [{ ...way('seen-r', 'skin'), needs: seen('skin') }], hiddenBy: [] };
  const kept = { ...PROFILE, pieces: PROFILE.pieces.map((entry) => (entry.id === 'skin' ? barePiece('skin', { levels }) : entry)), mounts: [...PROFILE.mounts, right] };
  const told = { ...JOB, answers: ['grille', 'skin'].map((name) => ({ event: name, piece: name, enough: 'needed' as const })) };
  const { changes } = kindTaught([told, { ...JOB, job: 'two' }], kept);
  expect(changes.map(({ place, confirms, jobs }) => [place, confirms, jobs])).toEqual([[{ piece: 'skin', level: 'off' }, ['grille'], ['one']]]);
});

test('one more way to a place says nothing of what hides it', () => {
  const bare = { ...PROFILE, mounts: PROFILE.mounts.map((mount) => ({ ...mount, reach: [], hiddenBy: [] })) };
  const told = { ...JOB, answers: ['grille', 'duct', 'skin'].map((name) => ({ event: name, piece: name, enough: 'needed' as const })) };
  const { changes } = kindTaught([told], bare);
  expect(withChanges(bare, changes).mounts[0]).toMatchObject({ reach: [{ needs: off('duct', 'grille', 'skin') }], hiddenBy: [] });
});
