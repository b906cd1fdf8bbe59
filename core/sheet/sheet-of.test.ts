import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import type { Kit } from '../kit/index.ts';
import { bareGroup } from '../test/bare-profile.ts';
import { entriesOf, sheetOf } from './index.ts';

const AT = '2026-03-05T15:00:00Z';
const sheet = (log: TestLog) => sheetOf(contextOf(log), log.events, AT);

test('a line names the entries that say it: the last one where a later takes the place of an earlier, none that was taken back', () => {
  const log = openedLog();
  const first = log.add('gap.measured', { gap: 'wing', moment: 'before', widthMm: 4.2 });
  const again = log.add('gap.measured', { gap: 'wing', moment: 'before', widthMm: 4.4 });
  const after = log.add('gap.measured', { gap: 'wing', moment: 'after', widthMm: 7.8 });
  expect(sheet(log).gaps).toMatchObject([{ beforeMm: 4.4, afterMm: 7.8, from: [again, after] }]);
  log.add('undone', { event: again });
  expect(sheet(log).gaps).toMatchObject([{ beforeMm: 4.2, from: [first, after] }]);
});

test('a line of the warning lamps is of its own moment, one of a lens of its own lamp, arriving and leaving', () => {
  const [dipped] = VAN.functions;
  if (!dipped) throw new Error('no lamp');
  const profile = {
    ...VAN,
    functions: [
      { ...dipped, id: 'low-left' },
      { ...dipped, id: 'low-right', side: 'right' as const },
    ],
  };
  const log = openedLog();
  const came = log.add('warnings.read', { moment: 'before', lit: ['airbag'], why: 'known' });
  const left = log.add('lens.graded', { lamp: 'low-left', moment: 'before', grade: 'light haze' });
  const right = log.add('lens.graded', { lamp: 'low-right', moment: 'before', grade: 'clear', why: 'new' });
  const worse = log.add('lens.graded', { lamp: 'low-left', moment: 'after', grade: 'heavy haze' });
  const leaves = log.add('warnings.read', { moment: 'after', lit: [] });
  const { warnings, lenses } = sheetOf({ ...contextOf(log), profile }, log.events, AT);
  expect(warnings).toEqual([
    { moment: 'before', lit: ['airbag'], why: 'known', from: [came] },
    { moment: 'after', lit: [], why: undefined, from: [leaves] },
  ]);
  expect(lenses.map(({ before, after, beforeWhy, from }) => [before, after, beforeWhy, from])).toEqual([
    ['light haze', 'heavy haze', undefined, [left, worse]],
    ['clear', undefined, 'new', [right]],
  ]);
});

test('nothing is said of what nobody did: no lamp fitted, lit, fed or aimed, no code read', () => {
  const said = sheet(openedLog());
  expect(said.fitted).toEqual([{ kit: 'test-kit', lamp: 'lamp', mount: 'place', is: 'not begun', from: [] }]);
  expect(said.lit).toEqual([{ kit: 'test-kit', test: 'lights', open: undefined, closed: undefined, lights: true, before: false, from: [] }]);
  expect([said.fed, said.made, said.sensors, said.who, said.recheck]).toEqual([[], [], [], [], undefined]);
  expect(said.aims).toMatchObject([{ before: undefined, after: undefined, from: [] }]);
  expect(said.codes.map(({ read, from }) => [read, from])).toEqual([
    [false, []],
    [false, []],
  ]);
});

test('a lamp is fitted once every pass of every step of its side is done, and begun before', () => {
  const log = openedLog();
  const passes = (['start', 'align'] as const).map((pass) => log.add('step.passed', { kit: 'test-kit', step: 'screw', pass }));
  expect(sheet(log).fitted).toMatchObject([{ is: 'begun', from: passes }]);
  const last = log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'tighten' });
  expect(sheet(log).fitted).toMatchObject([{ is: 'fitted', from: [...passes, last] }]);
  expect(sheet(log).recheck).toEqual({ afterKm: 100, on: '2026-03-19' });
  const ruled = { ...contextOf(log), rules: { ...contextOf(log).rules, recheck: { afterKm: 60, afterDays: 5 } } };
  expect(sheetOf(ruled, log.events, '2026-03-05T12:00:00Z').recheck).toEqual({ afterKm: 60, on: '2026-03-10' });
});

test('a lamp is fitted by the steps of its own side and of the middle, whatever the other side still wants', () => {
  const [screw] = PAIR.fitments[0]?.fitSteps ?? [];
  const [lamp] = PAIR.lamps;
  if (!screw || !lamp) throw new Error('no step');
  const kit: Kit = {
    ...PAIR,
    lamps: [lamp, { ...lamp, id: 'other', side: 'right' }],
    fitments: PAIR.fitments.map((fitment) => ({
      ...fitment,
      mounts: [...fitment.mounts, { lamp: 'other', mount: 'place' }],
      fitSteps: [screw, { ...screw, id: 'right', side: 'right' as const }],
    })),
  };
  const log = openedLog();
  for (const pass of ['start', 'align', 'tighten'] as const) log.add('step.passed', { kit: 'test-kit', step: 'screw', pass });
  const states = () => sheetOf({ ...contextOf(log), kits: [kit] }, log.events, AT).fitted.map(({ lamp: id, is }) => `${id} ${is}`);
  expect(states()).toEqual(['lamp fitted', 'other not begun']);
  log.add('step.passed', { kit: 'test-kit', step: 'right', pass: 'start' });
  expect(states()).toEqual(['lamp fitted', 'other begun']);
});

test('a joint stands on its joining, and on the readings that prove its wire once they do', () => {
  const log = openedLog();
  const joined = log.add('plug.joined', { kit: 'test-kit', connection: 'joint', checked: ['click', 'pull'] });
  log.add('reference.checked', { groundV: 0.02, feedV: 12.6 });
  const off = log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'key off', lowV: 0, highV: 0 });
  const made = () => sheet(log).made.find(({ code }) => code === 'joint');
  expect(made()).toMatchObject({ proved: false, checked: ['click', 'pull'], from: [joined] });
  const on = log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'front fog', lowV: 12.4, highV: 12.4 });
  expect(made()).toMatchObject({ proved: true, from: [joined, off, on] });
});

test('what this vehicle does not need of the kit is left over whole, of the rest what is beyond the list', () => {
  const [item] = PAIR.contents;
  if (!item) throw new Error('no item');
  const kit: Kit = {
    ...PAIR,
    contents: [
      { ...item, count: 2 },
      { ...item, id: 'adapter', count: 2, when: { fact: 'trim', is: 'guard' } },
    ],
  };
  const log = openedLog();
  log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  for (const id of ['lamp', 'adapter']) log.add('content.counted', { kit: 'test-kit', item: id, count: 3 });
  const over = sheetOf({ ...contextOf(log), kits: [kit] }, log.events, AT).parts.flatMap((line) => (line.code === 'left over' ? [`${line.item} ${line.count}`] : []));
  expect(over).toEqual(['lamp 1', 'adapter 3']);
});

test('a sensor that was never out of its plug is not said to be plugged in again', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
  const plug = () => sheet(log).sensors.map(({ sensor, plug: is }) => `${sensor} ${is}`);
  expect(plug()).toEqual(['radar never out']);
  log.add('sensor.unplugged', { sensor: 'radar' });
  expect(plug()).toEqual(['radar unplugged']);
  log.add('sensor.reconnected', { sensor: 'radar' });
  expect(plug()).toEqual(['radar reconnected']);
});

test('an aim says its rule, the height that was measured, the mark and what was read', () => {
  const log = openedLog();
  const wall = log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm: 0 });
  const height = log.add('aim.referenced', { lamp: 'test-kit/lamp', referenceMm: 381 });
  const read = log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 210, referenceMm: 381 });
  const [aim] = sheet(log).aims;
  // 1.75 % at 10 m is 175 mm below 381 mm.
  expect(aim).toMatchObject({ rule: { id: 'fog' }, distanceMm: 10_000, referenceMm: 381, after: { heightMm: 210, within: true }, from: [wall, height, read] });
  expect([aim?.wantedMm?.toFixed(6), aim?.floorBeyond]).toEqual(['206.000000', false]);
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm: -31 });
  expect(sheet(log).aims[0]?.floorBeyond).toBe(true);
});

test('what is left over, renewed, kept and still open is told apart', () => {
  const log = openedLog();
  const more = log.add('content.counted', { kit: 'test-kit', item: 'lamp', count: 3 });
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 2 }] });
  const broke = log.add('fastener.broken', { piece: 'grille', group: 'bolts', count: 1 });
  expect(sheet(log).parts).toMatchObject([
    { code: 'open', piece: 'grille', level: 'off' },
    { code: 'wanting', count: 1, from: [broke] },
    { code: 'out', count: 1 },
    { code: 'left over', kit: 'test-kit', item: 'lamp', count: 2, from: [more] },
  ]);
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 1 }] });
  const fresh = log.add('fastener.renewed', { piece: 'grille', group: 'bolts', count: 1 });
  expect(sheet(log).parts.map(({ code }) => code)).toEqual(['closed', 'renewed', 'left over']);
  expect(sheet(log).parts[1]).toMatchObject({ count: 1, from: [fresh] });
});

test('who did what: each person once, in the order of the log', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
  const others = log.events.map((event, index) => ({ ...event, person: index % 2 === 0 ? 'copper' : 'fern' }));
  const { people, from } = entriesOf(others).people(['job.opened', 'piece.moved']);
  expect([people, from]).toEqual([['copper', 'fern'], log.events.map(({ id }) => id)]);
});

test('of a kit that was not fitted after all only what was done and cannot be undone stays', () => {
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('no fitment');
  const [screw] = fitment.fitSteps;
  if (!screw) throw new Error('no step');
  const drilled = { ...PAIR, fitments: [{ ...fitment, fitSteps: [screw, { ...screw, id: 'hole', irreversible: true }, { ...screw, id: 'slot', irreversible: true }] }] };
  const log = openedLog();
  log.add('step.passed', { kit: 'test-kit', step: 'hole', pass: 'start' });
  log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  const dropped = log.add('kit.dropped', { kit: 'test-kit', why: 'too dear' });
  log.add('step.undone', { kit: 'test-kit', step: 'hole', lamps: [] });
  const said = sheetOf({ ...contextOf(log), kits: [drilled] }, log.events, '2026-03-05T16:00:00Z');
  expect(said.dropped).toEqual([{ kit: 'test-kit', why: 'too dear', stays: ['hole'], left: 1, from: [dropped] }]);
  expect([said.fitted, said.lit]).toEqual([[], []]);
});

test('what an earlier job fitted is said as tried closed, and no pairing that lights nothing', () => {
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('no fitment');
  const [lights] = fitment.tests;
  if (!lights) throw new Error('no test');
  const paired = { ...PAIR, fitments: [{ ...fitment, tests: [lights, { ...lights, id: 'pair', lamps: [] }] }] };
  const log = openedLog();
  log.add('final.tested', { kit: 'test-kit', test: 'lights', passed: true });
  const said = sheetOf({ ...contextOf(log), kits: [], fitted: [paired] }, log.events, '2026-03-05T16:00:00Z');
  expect(said.lit.map(({ test, before, closed }) => [test, before, closed])).toEqual([['lights', true, true]]);
});

test('nuts that are tightened once more are said once their piece is home', () => {
  const nuts = { ...bareGroup('bolts', { count: 2 }), tighten: { torqueNm: 180, source: 'profile', recheckKm: 50 } };
  const profile = { ...VAN, pieces: VAN.pieces.map((piece) => (piece.id === 'grille' ? { ...piece, fasteners: [nuts] } : piece)) };
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  const again = () => sheetOf({ ...contextOf(log), profile }, log.events, '2026-03-05T16:00:00Z').parts.filter(({ code }) => code === 'tighten again');
  expect(again()).toEqual([]);
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 2 }] });
  expect(again()).toMatchObject([{ piece: 'grille', group: 'bolts', count: 2, afterKm: 50 }]);
});

test('of the photos those that were chosen go with the sheet, with all that was said of each, and of damage what was noted', () => {
  const log = openedLog();
  const damage = log.add('damage.noted', { place: 'rear door', note: 'scratch' });
  const taken = (hash: string, about: string) => log.add('photo.taken', { hash, thumb: hash, widthPx: 1600, heightPx: 900, about });
  const [grille, door, left] = [taken('a', 'piece:grille/off'), taken('b', `damage:${damage}`), taken('c', 'leaving')];
  const ring = log.add('photo.marked', { photo: grille, ring: { x: 250, y: 700, r: 80 } });
  log.add('photo.marked', { photo: left, ring: { x: 1, y: 2, r: 30 } });
  const word = log.add('photo.captioned', { photo: grille, note: 'clip' });
  const [first, second] = [grille, door].map((photo) => log.add('photo.chosen', { photo, onSheet: true }));
  expect(sheet(log).photos).toMatchObject([
    { photo: { hash: 'a', note: 'clip', ring: { x: 250, y: 700, r: 80 } }, from: [grille, ring, word, first] },
    { photo: { hash: 'b' }, damage: { place: 'rear door', note: 'scratch' }, from: [door, damage, second] },
  ]);
  expect(sheet(log).photos[0]).not.toHaveProperty('damage');
  log.add('photo.chosen', { photo: grille, onSheet: false });
  expect(sheet(log).photos.map(({ photo }) => photo.hash)).toEqual(['b']);
});
