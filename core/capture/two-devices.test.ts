import fc from 'fast-check';
import { foldJob } from '../log/index.ts';
import { PAIR, RULES } from '../job/test/log.ts';
import { openUp, sense } from '../stations/index.ts';
import { contextOf, Device, HERON, together } from '../stations/test/device.ts';
import { checkProfile, type Piece } from '../vehicle/index.ts';
import { kindCaptured, seenJob, withCaptured } from './index.ts';
import { allTaken as all } from './test/taken.ts';

const needsOf = ({ levels }: Pick<Piece, 'levels'>) => levels.flatMap(({ level, ways }) => ways.map(({ needs }) => `${level}: ${needs.map(({ piece }) => piece).join(' ')}`));

const DOCUMENTS = { profile: HERON, kits: [PAIR], rules: RULES };
/** What devices of one job teach, as their log says it. */
const ofDevices = (...devices: Device[]) => {
  const log = together(...devices);
  const { described, kitsDescribed } = foldJob(log);
  return kindCaptured([seenJob('one', DOCUMENTS, log).seen], [{ job: 'one', described, kits: kitsDescribed }], HERON);
};
const learnt = (...devices: Device[]) => ofDevices(...devices).pieces.map(({ entry }) => [entry.id, entry.name, needsOf(entry)]);
const RADAR = { kind: 'radar' as const, name: 'Radar', looks: 'forward' as const, lock: 'tab', calibration: 'required' as const, procedure: '', unplugged: false };
const FAR = { box: { xMm: [800, 900] as [number, number], yMm: [-100, 100] as [number, number], zMm: [100, 300] as [number, number] } };

test('a piece that two devices described is learned once, open since the first of them opened it', () => {
  // One wrote the grille down at a quarter past eight, the other one at four, and the bracket behind it at five.
  const a = new Device('fern', 14).came('grille-a1', 4).came('duct-b2', 2, FAR);
  const b = new Device('copper', 3).came('front-grille-z9', 3, { name: 'Front grille' }).came('bracket-c3', 2, FAR);
  const both = contextOf(together(a, b));
  b.act(sense.sensorFound(b.context, { ...RADAR, on: 'front-grille-z9' }, 'radar-z1'));
  const same = new Device('till', 30, together(a, b)).act(openUp.areSame(both, 'front-grille-z9'));
  expect(ofDevices(a, b, same).sensors.map(({ entry }) => entry.on)).toEqual(['grille-a1']);
  // What only the other one took further took as long as that one says.
  const folded = new Device('fern', 14).came('grille-a1', 4, { level: 'folded' });
  expect(
    ofDevices(folded, new Device('copper', 3).came('front-grille-z9', 6, { name: 'Front grille' }), same).pieces[0]?.entry.levels.map(({ level, openMin }) => [level, openMin]),
  ).toEqual([['off', 6]]);
  expect(learnt(a, b, same)).toEqual([
    ['grille-a1', 'grille', ['off: ']],
    // By its clock the duct came after all of the other device's.
    ['duct-b2', 'duct', ['off: bracket-c3 grille-a1']],
    ['bracket-c3', 'bracket', ['off: grille-a1']],
  ]);
  const taught = ofDevices(a, b, same);
  expect([checkProfile(withCaptured(HERON, taught, all(taught))), taught.unsayable]).toEqual([[], 0]);
  // Not said, they are two, and the bracket came with the second.
  expect(learnt(a, b).map(([id]) => id)).toEqual(['grille-a1', 'duct-b2', 'front-grille-z9', 'bracket-c3']);
});

test('one name on one side is one piece though nobody said so, and was opened once', () => {
  const a = new Device('fern', 14).came('grille-a1', 4).came('duct-b2', 2, FAR);
  const b = new Device('copper', 3).came('grille-z9', 3).came('bracket-c3', 2, FAR);
  expect(learnt(a, b)).toEqual([
    ['grille-a1', 'grille', ['off: ']],
    ['duct-b2', 'duct', ['off: bracket-c3 grille-a1']],
    ['bracket-c3', 'bracket', ['off: grille-a1']],
  ]);
  // What was said at once of the second one was said of the one.
  const spare = new Device('copper', 3).came('grille-z9', 3).came('bracket-c3', 2, { ...FAR, without: ['grille-z9'] });
  expect(learnt(a, spare).at(-1)).toEqual(['bracket-c3', 'bracket', ['off: ']]);
  // How it stood for a piece is learned whole.
  const stands = [
    { kind: 'raised', place: 'front' },
    { kind: 'wheels', place: 'right' },
  ];
  const liner = ofDevices(new Device('fern', 14).came('liner-a1', 4, { stands })).pieces[0]?.entry.levels[0]?.ways[0];
  expect([liner?.position, liner?.also]).toEqual([stands[0], [stands[1]]]);
  // Within a minute of each other, neither was open for the other.
  const near = new Device('copper', 14).came('grille-z9', 3);
  expect(learnt(a, near)[0]).toEqual(['grille-a1', 'grille', ['off: ']]);
  // What came by force under the one id came by force.
  const forced = new Device('copper', 3).came('grille-z9', 3, { fasteners: [{ drive: 'hook', count: 2, release: 'slide' }] });
  forced.did({ type: 'fastener.broken', payload: { piece: 'grille-z9', group: 'fixing-1', count: 1 } });
  expect(learnt(a, forced).map(([id]) => id)).not.toContain('grille-a1');
  const late = new Device('copper', 40).came('grille-z9', 3, { fasteners: [{ drive: 'hook', count: 2, release: 'slide' }] });
  late.did({ type: 'fastener.broken', payload: { piece: 'grille-z9', group: 'fixing-1', count: 1 } });
  expect(learnt(a, late).map(([id]) => id)).not.toContain('grille-a1');
  // It was opened once, and took what the first of them took.
  const minutesOf = (...devices: Device[]) => ofDevices(...devices).pieces[0]?.entry.levels[0]?.openMin;
  expect(minutesOf(a, b)).toBe(3);
  const fast = new Device('fern', 14).came('grille-a1', 2);
  expect([learnt(fast, b)[0], minutesOf(fast, b)]).toEqual([['grille-a1', 'grille', ['off: ']], 3]);
  // Opened anew by the one, with less open, it was opened so.
  const anew = new Device('fern', 14).came('duct-b2', 2, FAR).came('grille-a1', 4);
  const again = [
    { piece: 'grille-a1', level: 'fitted' },
    { piece: 'duct-b2', level: 'fitted' },
    { piece: 'grille-a1', level: 'off' },
  ] as const;
  for (const move of again) anew.did({ type: 'piece.moved', payload: { ...move, fasteners: [] } });
  expect(learnt(anew)[1]).toEqual(['grille-a1', 'grille', ['off: ']]);
  // Two that were told apart are two.
  const named = new Device('till', 30, together(a, b)).act(openUp.areTwo(contextOf(together(a, b)), 'grille-z9', 'Lower grille'));
  expect(learnt(a, b, named).map(([id, name]) => [id, name])).toEqual([
    ['grille-a1', 'grille'],
    ['duct-b2', 'duct'],
    ['grille-z9', 'Lower grille'],
    ['bracket-c3', 'bracket'],
  ]);
});

test('whoever of two devices writes down what, and how late, no way is learned that lacks what had to be open', () => {
  const piece = fc.record({
    by: fc.constantFrom('a', 'b', 'both' as const),
    lateA: fc.integer({ min: 0, max: 8 }),
    lateB: fc.integer({ min: 0, max: 8 }),
    needs: fc.array(fc.nat({ max: 4 }), { maxLength: 2 }),
  });
  fc.assert(
    fc.property(fc.array(piece, { minLength: 3, maxLength: 6 }), fc.boolean(), fc.boolean(), (list, named, bFirst) => {
      const [a, b, says] = [new Device('fern', 0), new Device('copper', 0), new Device('till', 90)];
      // One piece comes every ten minutes, and is written down within eight of them.
      list.forEach(({ by, lateA, lateB }, index) => {
        if (by !== 'b') a.after(10 * index + lateA).came(`piece${index}-a1`, 2, FAR);
        if (by !== 'a') b.after(10 * index + lateB).came(`piece${index}-b1`, 2, { ...FAR, ...(named ? {} : { name: `Other ${index}` }) });
        const [first, second] = bFirst ? ['b1', 'a1'] : ['a1', 'b1'];
        if (by === 'both' && !named) says.did({ type: 'kind.described', payload: { same: [{ piece: `piece${index}-${second}`, is: `piece${index}-${first}` }] } });
      });
      const pieces = ofDevices(...(bFirst ? [b, a] : [a, b]), says).pieces.map(({ entry }) => entry);
      const number = (id: string) => Number(/^piece(\d)/.exec(id)?.[1]);
      expect(pieces.map(({ id }) => number(id)).sort()).toEqual(list.map((_, index) => index));
      for (const { id, levels } of pieces)
        for (const { ways } of levels)
          for (const { needs } of ways) {
            const had = list[number(id)]?.needs.filter((need) => need < number(id)) ?? [];
            const told = needs.map((need) => number(need.piece));
            expect([...new Set(had)].filter((need) => !told.includes(need))).toEqual([]);
            expect([told.length, told.includes(number(id))]).toEqual([new Set(told).size, false]);
          }
    }),
    { numRuns: 150 },
  );
});
