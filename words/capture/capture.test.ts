import {
  JUDGE,
  sayConfirmed,
  sayConflict,
  sayJudged,
  sayNewCircuit,
  sayNewFact,
  sayNewKit,
  sayNewNote,
  sayNewPlug,
  sayNewRefit,
  sayNewSensor,
  sayNewSupply,
  sayOtherwise,
  sayRefitOrder,
  sayRevived,
  sayTaughtPlace,
  sayTaughtWay,
  sayWithout,
} from './index.ts';
import { sayThrough } from '@jade/words/names';
import type { KitProposed } from '@jade/core/capture';
import type { Circuit, Piece, Supply, VehiclePlug } from '@jade/core/vehicle';
import { minutes } from '@jade/words/units';

const name = (id: string) => `Piece ${id}`;

test('what was said of pieces is one line: what could have stayed on, what had to be, how far was enough', () => {
  expect(
    sayJudged(
      [
        { piece: 'a', enough: 'needed' },
        { piece: 'b', enough: 'fitted' },
        { piece: 'c', enough: 'fitted' },
        { piece: 'd', enough: 'loosened' },
      ],
      name,
    ),
  ).toBe('Could have stayed on: Piece b; piece c. Piece d: loosened was enough. Had to be open, as far as was seen: Piece a');
  // A line of the log names what is learned, and counts the rest.
  expect(
    sayJudged(
      ['a', 'b', 'c'].map((piece) => ({ piece, enough: 'needed' as const })),
      name,
    ),
  ).toBe('3 pieces had to be open, as far as was seen');
  expect(sayJudged([], name)).toBe('');
  expect(JUDGE.spare(['Grille', 'Duct'])).toBe('Could all together have stayed on: Grille; duct.');
});

test('a way that jobs taught is said with what it leads over, what it is shorter than, and what nobody confirmed', () => {
  const off = (piece: string) => ({ piece, level: 'off' as const });
  const change = {
    place: { piece: 'skin', level: 'off' as const },
    way: { id: 'seen-1', needs: [off('a')], extraMin: 1.5 },
    shorterThan: [{ id: 'front', needs: [off('a'), off('b')], extraMin: 0 }],
    onlySeen: [off('a')],
    jobs: ['one', 'two'],
  };
  expect(sayTaughtWay(change, name)).toEqual({
    now: `first piece a off, ${minutes(1.5)} more`,
    before: ['first piece a off, piece b off'],
    rests: 'Gone on 2 jobs. Nobody has said that it needs piece a: it was open.',
  });
  expect(
    sayTaughtWay({ ...change, way: { ...change.way, needs: [...change.way.needs, off('c')], extraMin: 0 }, onlySeen: [off('c')] }, name, (piece) => piece === 'c'),
  ).toMatchObject({
    now: 'first piece a off; where the vehicle has them also piece c off',
    rests: 'Gone on 2 jobs.',
  });
  expect([sayTaughtPlace(change, name, String), sayTaughtPlace({ place: { target: 'fog' } }, name, (id) => `Place ${id}`)]).toEqual(['Piece skin off', 'Place fog']);
});

test('what does not go together is said by name', () => {
  expect(sayConflict({ code: 'answer-withdrawn', job: 'a', answer: 'x', piece: 'grille', tried: 't' }, name)).toContain('Piece grille: job a said how far it was enough');
  expect(sayConflict({ code: 'gave-way-elsewhere', job: 'b', tried: 't', piece: 'skin', level: 'off', other: 'a' }, name)).toContain(
    'Piece skin off did not come on job b, though it came on job a',
  );
});

test('what was kept as only seen and somebody said had to be is said as that', () => {
  const way = { id: 'w', needs: [{ piece: 'a', level: 'off' as const }], extraMin: 0 };
  const change = { place: { piece: 'skin', level: 'off' as const }, way, shorterThan: [], onlySeen: [], jobs: ['one', 'two'], confirms: ['a'] };
  expect(sayTaughtWay(change, name)).toEqual({ now: 'first piece a off', before: [], rests: 'Kept as only seen open; 2 jobs said since that piece a had to be.' });
});

test('how a supply is isolated, what a sensor is and what was noted are said as they would be kept', () => {
  const low = {
    id: 'low' as const,
    name: '12 V battery',
    piece: 'clamp',
    level: 'off' as const,
    waitMin: 3,
    by: 'anyone' as const,
    before: ['Keys out', 'Window open'],
    forgets: ['Clock'],
  };
  expect(sayNewSupply(low, ['one', 'two'], name)).toBe(
    `Isolated by piece clamp off, dead after ${minutes(3)}, by anyone. Before it: Keys out; window open. It forgets: Clock. What came off while it was dead asks for that. Said on 2 jobs.`,
  );
  expect(sayNewSupply({ ...low, before: [], forgets: [] }, ['one'], name)).toBe(
    `Isolated by piece clamp off, dead after ${minutes(3)}, by anyone. What came off while it was dead asks for that. Said on 1 job.`,
  );
  const pose = { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 };
  const radar = { id: 'r', name: 'Radar', kind: 'radar' as const, on: 'skin', lock: 'tab', pose, calibration: 'required' as const, procedure: 'By its maker.' };
  expect(sayNewSensor(radar, ['one'], name)).toBe('A sensor, radar, on piece skin; plug: tab. Calibration required: By its maker. Said on 1 job.');
  const note = { id: 'n', station: 'wire' as const, text: 'Relay at the post', on: '2026-03-05' };
  expect(sayNewNote(note, name)).toBe('A note, at Wire, 5 March 2026. Take it where it holds for every vehicle of the kind, and names nobody.');
  expect(sayNewNote({ ...note, kit: 'bar' }, name)).toBe('A note, at Wire, of Piece bar, 5 March 2026. Take it where it holds for every vehicle of the kind, and names nobody.');
});

test('a way says the supply that was dead and how the vehicle stood', () => {
  const way = {
    needs: [{ piece: 'a', level: 'off' as const }],
    extraMin: 1.5,
    asks: [{ supply: 'low' as const, is: 'dead' as const }],
    position: { kind: 'raised', place: 'front' },
  };
  expect(sayThrough(way, name)).toBe(`first piece a off, with the battery off, front raised, on stands, ${minutes(1.5)} more`);
  expect(sayThrough({ needs: [], extraMin: 0, asks: [{ supply: 'high', is: 'dead' }], position: { kind: 'wheels', place: 'left' } }, name)).toBe(
    'nothing first, with high voltage isolated, wheels turned left',
  );
  expect(sayThrough({ needs: [], extraMin: 0, asks: [{ supply: 'low', is: 'live' }] }, name)).toBe('nothing first');
  expect(sayThrough({ needs: [], extraMin: 0, position: { kind: 'wheels', place: 'right' }, also: [{ kind: 'raised', place: 'rear' }] }, name)).toBe(
    'nothing first, wheels turned right, rear raised, on stands',
  );
});

test('a plug, a circuit and a kit’s wiring that jobs described', () => {
  const plug = {
    side: 'left',
    reach: [{ id: 'seen', needs: [{ piece: 'a', level: 'off' }], extraMin: 0 }],
    pins: [
      { id: '1', carries: 'unknown' },
      { id: '3', carries: 'main', proved: { on: '2026-03-05', readings: 4 } },
    ],
  } as VehiclePlug;
  expect(sayNewPlug(plug, ['one'], name)).toBe('A plug. Left side, first piece a off. Proved: pin 3 main. Said on 1 job.');
  expect(sayNewPlug({ ...plug, pins: [] }, ['one'], name)).toContain('None of its wires is proved.');
  const circuit: Circuit = { id: 'slot-f21', name: 'F21', fuse: { slot: 'F21', ratedA: 10 }, loads: [], undescribed: ['loads'], liveIn: ['main'] };
  expect(sayNewCircuit(circuit, ['one', 'two'])).toBe('A circuit: fuse F21, 10\u202fA · wire not measured · its loads are not described · live: main. Said on 2 jobs.');
  const load = { name: 'Main beam, left', powerW: 55, atV: 12, kind: 'filament' as const };
  expect(sayNewCircuit({ ...circuit, loads: [load] }, ['one'])).toContain('main beam, left 55\u202fW at 12\u202fV, others are not described');
  expect(sayNewCircuit({ ...circuit, loads: [load], undescribed: undefined }, ['one'])).not.toContain('not described');
  expect(sayNewCircuit({ ...circuit, undescribed: undefined }, ['one'])).toContain('no loads');
  const kit = { kit: {}, jobs: ['one'], names: { mounts: [], pieces: [], plugs: [], circuits: [] }, more: { lamps: 0, contents: 0, fitSteps: 0, connections: 2, tests: 0 } };
  expect(sayNewKit(kit as unknown as KitProposed, String)).toBe('A kit. 2 joints of its wiring more than before. Said on 1 job.');
});

test('what tells two vehicles of a kind apart, with what hangs on it', () => {
  const fact = { id: 'guard', label: 'Guard', choices: ['fitted', 'none'], howToSee: 'Look under the bumper.', lookMin: 1 };
  const lacked = { piece: 'a', when: { not: { fact: 'guard', is: 'none' } } };
  expect(sayNewFact({ ...fact, tells: [lacked] }, ['one'], name)).toBe(
    'Asked of every vehicle of the kind: fitted or none. Look under the bumper. Not every one has: piece a (not where none). Said on 1 job.',
  );
  expect(sayNewFact({ ...fact, tells: [lacked, { piece: 'b', when: { fact: 'guard', is: 'fitted' } }] }, ['one', 'two'], name)).toBe(
    'Asked of every vehicle of the kind: fitted or none. Look under the bumper. Not all have: piece a (not where none); piece b (only where fitted). Said on 2 jobs.',
  );
});

test('what was assumed and opened says what was found otherwise', () => {
  const bolts = { id: 'bolts', drive: 'hex' as const, size: '10 mm', count: 4 };
  const before = { assumed: 'Wexholm Bollard 35', fasteners: [bolts, { id: 'hooks', drive: 'hook' as const, count: 2 }], levels: [{ ways: [{}, {}] }] } as unknown as Piece;
  const entry = { fasteners: [{ ...bolts, count: 5 }], levels: [{ ways: [{}] }] } as unknown as Piece;
  expect(sayConfirmed({ entry: before, before, jobs: ['one'] })).toBe('Assumed, as on Wexholm Bollard 35; opened on 1 job.');
  expect(sayConfirmed({ entry, before, jobs: ['one', 'two'] })).toBe(
    'Assumed, as on Wexholm Bollard 35; opened on 2 jobs. Counted: 5 × 10 mm hex, not 4; 0 × hook, not 2. Did not come by 1 way that goes with it.',
  );
  const own = before.fasteners[0] as Piece['fasteners'][number];
  const clips = { ...own, id: 'found-1', drive: 'push-pin' as const, size: '8 mm', count: 3 };
  expect(sayConfirmed({ entry: { ...before, fasteners: [...before.fasteners, clips] }, before, jobs: ['one'] })).toBe(
    'Assumed, as on Wexholm Bollard 35; opened on 1 job. Held besides by 3 × 8 mm push-pin.',
  );
  expect(sayOtherwise({ entry: { ...before, fasteners: [...before.fasteners.slice(1), clips] }, before, jobs: ['one'] }, name)).toBe(
    'Held by 3 × 8 mm push-pin, where the profile has 4 × 10 mm hex. Said on 1 job.',
  );
  expect(sayOtherwise({ entry: { ...before, fasteners: before.fasteners.slice(1) }, before, jobs: ['one', 'two'] }, name)).toBe(
    'Held by nothing more, where the profile has 4 × 10 mm hex. Said on 2 jobs.',
  );
  const lifted = { level: 'off' as const, openMin: 2.5, closeMin: 2, people: 1, ways: [{ id: 'w', needs: [{ piece: 'a', level: 'off' as const }], extraMin: 0 }] };
  expect(sayOtherwise({ entry: { ...before, levels: [lifted] }, before: { ...before, levels: [] }, jobs: ['one'] }, name)).toBe(
    `Comes off, ${minutes(2.5)}, first piece a off. Said on 1 job.`,
  );
  const rule = { id: 'r', first: 'trim', then: 'duct', why: 'its hooks sit behind it' };
  expect([sayRefitOrder(rule, name), sayNewRefit(rule, ['one'])]).toEqual(['Piece trim before piece duct', 'On the way back, always: its hooks sit behind it. Said on 1 job.']);
  expect(sayWithout(['one'])).toBe('Assumed, and not there: it goes, with all that names it. Said on 1 job.');
});

test('what bringing a supply back takes, once somebody has measured it', () => {
  expect(sayRevived({ liveMin: 6.5 } as Supply, ['one', 'two'])).toBe(
    `Setting again what the vehicle forgets took ${minutes(6.5)}: planned with from then on. Measured on 2 jobs.`,
  );
});
