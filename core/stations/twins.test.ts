import { describedOnce } from '../overlay/index.ts';
import { idCheck } from '../log/index.ts';
import { traySlots } from '../paper/index.ts';
import { wouldLose } from '../job/index.ts';
import { PAIR, RULES } from '../job/test/log.ts';
import { checkIn, isRefused, openUp, sense } from './index.ts';
import { contextOf, Device, HERON, together } from './test/device.ts';

const bolts = (count: number, size = '10 mm') => ({ drive: 'hex' as const, size, count, release: 'unscrew' as const });
const clips = (count: number) => ({ drive: 'push-pin' as const, count, release: 'push centre' as const });
const AWAY = { xMm: [800, 900] as [number, number], yMm: [-100, 100] as [number, number], zMm: [100, 300] as [number, number] };
const never = (): never => {
  throw new Error('no piece');
};
const refusal = (act: ReturnType<typeof openUp.areTwo>) => (isRefused(act) ? act.refused : []);
const openCodes = (log: ReturnType<typeof together>) => openUp.asked(contextOf(log), undefined).map(({ code, kind, data }) => [code, kind, data]);

test('two devices that describe one name on one side are asked; other names only where they sit in one place and neither was open for the other', () => {
  const a = new Device('fern', 0).came('grille-a1', 4);
  const b = new Device('copper', 3).came('grille-z9', 3).came('bracket-z8', 2, { name: 'Bracket' });
  const log = together(a, b);
  expect(openUp.twins(contextOf(log)).map(({ piece, is, named }) => [piece.id, is.id, named])).toEqual([
    ['grille-z9', 'grille-a1', true],
    // The bracket sits in one place with both, and was described knowing of the second: whether that is the first is asked before.
  ]);
  expect(openCodes(log)).toContainEqual(['piece-twice', 'question', { piece: 'grille-z9', is: 'grille-a1' }]);
  // Once the two are one, whoever described the bracket knew of it.
  const same = new Device('till', 9, log).act(openUp.areSame(contextOf(log), 'grille-z9'));
  expect(openUp.twins(contextOf(together(a, b, same)))).toEqual([]);
  expect(openCodes(together(a, b, same)).map(([code]) => code)).not.toContain('piece-twice');
  // Elsewhere, on the other side or in another zone it is no question; nor of one device, which knows what is open.
  const far = new Device('copper', 3).came('cover-z9', 3, { box: AWAY });
  const left = new Device('copper', 3).came('cover-z9', 3, { side: 'left' });
  const rear = new Device('copper', 3).came('cover-z9', 3, { zone: 'rear' });
  const own = new Device('fern', 0).came('grille-a1', 4).came('cover-b2', 3);
  for (const log of [together(a, far), together(a, left), together(a, rear), together(own)]) expect(openUp.twins(contextOf(log))).toEqual([]);
  // Half of it is enough: 100 of 200 mm up.
  const half = new Device('copper', 3).came('cover-z9', 3, { box: { ...AWAY, zMm: [400, 600] } });
  const less = new Device('copper', 3).came('cover-z9', 3, { box: { ...AWAY, zMm: [398, 598] } });
  expect([half, less].map((device) => openUp.twins(contextOf(together(a, device))).length)).toEqual([1, 0]);
});

test('one piece: open once, its fasteners counted once, put back once by whichever id it is known', () => {
  const a = new Device('fern', 0).came('grille-a1', 4, { fasteners: [bolts(4)] });
  const b = new Device('copper', 3).came('grille-z9', 3, { fasteners: [bolts(5), clips(2)] }).came('bracket-z8', 2, { box: AWAY, fasteners: [bolts(1)] });
  const both = together(a, b);
  const same = new Device('till', 9, both).act(openUp.areSame(contextOf(both), 'grille-z9'));
  const one = contextOf(together(a, b, same));
  expect(one.profile.pieces.map(({ id }) => id)).toEqual(['grille-a1', 'bracket-z8']);
  expect([one.state.pieces, one.state.moves.map(({ piece }) => piece)]).toEqual([{ 'grille-a1': 'off', 'bracket-z8': 'off' }, ['grille-a1', 'bracket-z8']]);
  expect(traySlots(one).map(({ piece, group, out }) => [piece, group, out])).toEqual([
    ['grille-a1', 'fixing-1', 4],
    ['bracket-z8', 'fixing-1', 1],
  ]);
  expect(one.profile.pieces[1]?.levels[0]?.ways[0]?.needs).toEqual([{ piece: 'grille-a1', level: 'off', seen: true }]);
  // The other device has not heard of it: what it does to its own piece it does to the one.
  b.did(
    { type: 'fastener.broken', payload: { piece: 'grille-z9', group: 'fixing-1', count: 1 } },
    { type: 'fastener.broken', payload: { piece: 'grille-z9', group: 'fixing-2', count: 1 } },
    { type: 'part.bagged', payload: { piece: 'grille-z9', where: 'shelf 2' } },
    { type: 'exception.named', payload: { about: 'piece:grille-z9/off', note: 'grille-z9 is its name' } },
  );
  const later = contextOf(together(a, b, same));
  // Of clips the first one saw none.
  expect([later.state.tray['grille-a1'], later.state.bagged]).toEqual([
    { 'fixing-1': { out: 4, back: 0, broken: 1, dropped: 0, renewed: 0, spent: 0 } },
    { 'grille-a1': 'shelf 2' },
  ]);
  expect(later.state.exceptions).toEqual({ 'piece:grille-a1/off': 'grille-z9 is its name' });
  b.did({ type: 'piece.moved', payload: { piece: 'grille-z9', level: 'fitted', fasteners: [{ group: 'fixing-1', count: 3 }] } });
  const back = contextOf(together(a, b, same));
  expect([back.state.pieces['grille-a1'], back.state.tray['grille-a1']?.['fixing-1']?.back, back.state.questions]).toEqual(['fitted', 3, []]);
  // Five went back by who counted five: of four, one of which broke, three did.
  const [last] = b.own.splice(-1);
  b.did({ type: 'piece.moved', payload: { piece: 'grille-z9', level: 'fitted', fasteners: [{ group: 'fixing-1', count: 5 }] } });
  const more = contextOf(together(a, b, same));
  expect([more.state.tray['grille-a1']?.['fixing-1'], more.state.questions]).toEqual([{ out: 4, back: 3, broken: 1, dropped: 0, renewed: 0, spent: 0 }, []]);
  if (last) b.own.splice(-1, 1, last);
  // Put back by both: once, whoever is heard first.
  a.did({ type: 'piece.moved', payload: { piece: 'grille-a1', level: 'fitted', fasteners: [{ group: 'fixing-1', count: 3 }] } });
  const twice = contextOf(together(a, b, same));
  expect([twice.state.pieces['grille-a1'], twice.state.tray['grille-a1']?.['fixing-1']?.back, twice.state.questions]).toEqual(['fitted', 3, []]);
  const other = contextOf(together(b, a, same));
  const { back: gone, out } = other.state.tray['grille-a1']?.['fixing-1'] ?? never();
  expect([out, gone, other.state.questions]).toEqual([4, 3, []]);
});

test('said before or after, taken back or chained, it is the same; two that say it the other way round make no ring', () => {
  const a = new Device('fern', 0).came('grille-a1', 4, { fasteners: [bolts(4)] });
  const b = new Device('copper', 3).came('grille-z9', 3, { fasteners: [bolts(5)] });
  const c = new Device('slate', 6).came('grille-q5', 5, { fasteners: [bolts(6)] });
  const is = (piece: string, other: string) => new Device(`says-${piece}`, 9).did({ type: 'kind.described', payload: { same: [{ piece, is: other }] } });
  const tray = (...devices: Device[]) => {
    const { state } = contextOf(together(...devices));
    expect(Object.keys(state.pieces)).toEqual(Object.keys(state.tray));
    return state.tray;
  };
  const alone = { out: 4, back: 0, broken: 0, dropped: 0, renewed: 0, spent: 0 };
  expect(tray(a, b, c, is('grille-q5', 'grille-z9'), is('grille-z9', 'grille-a1'))).toEqual({ 'grille-a1': { 'fixing-1': alone } });
  expect(tray(a, b, is('grille-z9', 'grille-a1'), is('grille-a1', 'grille-z9'))).toEqual({ 'grille-a1': { 'fixing-1': alone } });
  // What is said of a piece whose own device comes last stands before it.
  expect(tray(a, is('grille-z9', 'grille-a1'), b)).toEqual({ 'grille-a1': { 'fixing-1': alone } });
  const said = is('grille-z9', 'grille-a1');
  const [event] = said.own;
  const undone = new Device('till', 12).did({ type: 'undone', payload: { event: event?.id ?? '' } });
  expect(Object.keys(tray(a, b, said, undone))).toEqual(['grille-a1', 'grille-z9']);
});

test('a piece that one device folded and the other took off is off, with what only that one took out', () => {
  const a = new Device('fern', 0).came('grille-a1', 4, { level: 'folded', fasteners: [bolts(4)] });
  const b = new Device('copper', 3).came('grille-z9', 3, { fasteners: [bolts(5), clips(2)] });
  const both = together(a, b);
  const same = new Device('till', 9, both).act(openUp.areSame(contextOf(both), 'grille-z9'));
  const one = contextOf(together(a, b, same));
  expect([one.state.pieces, one.state.moves.map(({ from, level }) => [from, level])]).toEqual([
    { 'grille-a1': 'off' },
    [
      ['fitted', 'folded'],
      ['folded', 'off'],
    ],
  ]);
  // Five bolts were counted by who took it off, of the four that were out already.
  expect(traySlots(one).map(({ group, out, fastener }) => [group, out, fastener?.drive])).toEqual([
    ['fixing-1', 4, 'hex'],
    ['fixing-2', 2, 'push-pin'],
  ]);
  expect(one.profile.pieces[0]?.levels.map(({ level }) => level)).toEqual(['folded', 'off']);
  // What was opened by the one and put back by it is not open because the other one opened it, too.
  a.did({ type: 'piece.moved', payload: { piece: 'grille-a1', level: 'fitted', fasteners: [{ group: 'fixing-1', count: 4 }] } });
  const c = new Device('copper', 3).came('grille-z9', 3, { level: 'folded' });
  expect(contextOf(together(a, c, new Device('till', 9).did({ type: 'kind.described', payload: { same: [{ piece: 'grille-z9', is: 'grille-a1' }] } }))).state.pieces).toEqual({
    'grille-a1': 'fitted',
  });
});

test('what carries, isolates, hides or tells of the second is of the first', () => {
  const a = new Device('fern', 0).came('grille-a1', 4);
  const b = new Device('copper', 3).came('grille-z9', 3);
  b.act(
    sense.sensorFound(
      b.context,
      { kind: 'radar', name: 'Radar', on: 'grille-z9', looks: 'forward', lock: 'tab', calibration: 'required', procedure: '', unplugged: false },
      'radar-z1',
    ),
  );
  b.act(
    checkIn.differs(
      b.context,
      { has: true, pieces: ['grille-z9'], label: 'Grille', here: 'fitted', elsewhere: 'none', howToSee: 'Look at the front' } as checkIn.Difference,
      'grille-z2',
    ),
  );
  const both = together(a, b);
  const same = new Device('till', 9, both).act(openUp.areSame(contextOf(both), 'grille-z9'));
  const { described } = contextOf(together(a, b, same)).state;
  const once = describedOnce(described);
  expect([once.sensors['radar-z1']?.on, once.facts['grille-z2']?.tells.map(({ piece }) => piece)]).toEqual(['grille-a1', ['grille-a1']]);
  expect(Object.keys(once.pieces)).toEqual(['grille-a1']);
  expect(contextOf(together(a, b, same)).profile.pieces.map(({ id, when }) => [id, when !== undefined])).toEqual([['grille-a1', true]]);
});

test('every entry of both devices is taken by the server, whoever is heard first; one that names no piece, or itself, is refused with its path', () => {
  const a = new Device('fern', 0).came('grille-a1', 4, { level: 'folded', fasteners: [bolts(4)] });
  const b = new Device('copper', 3).came('grille-z9', 3, { fasteners: [bolts(5), clips(2)] });
  const both = together(a, b);
  const same = new Device('till', 9, both).act(openUp.areSame(contextOf(both), 'grille-z9'));
  const late = new Device('copper', 13, together(a, b)).did({
    type: 'piece.moved',
    payload: { piece: 'grille-z9', level: 'fitted', fasteners: [{ group: 'fixing-2', count: 2 }] },
  });
  // Who has heard of it knows the clips under the first piece.
  const heard = new Device('fern', 14, together(a, b, same)).did({ type: 'fastener.broken', payload: { piece: 'grille-a1', group: 'fixing-2', count: 1 } });
  const check = (log: typeof both) => wouldLose(log, { profile: HERON, kits: [PAIR], rules: RULES }, 'job');
  expect([check(together(a, b, same, heard, late)), check(together(b, a, same, late, heard))]).toEqual([[], []]);
  const faults = (payload: object) =>
    idCheck({ profile: HERON, kits: [PAIR], rules: RULES }, { described: contextOf(both).state.described })({ type: 'kind.described', payload } as never, 'e').map(
      ({ path, code }) => `${path} ${code}`,
    );
  expect(faults({ same: [{ piece: 'grille-z9', is: 'grille-a1' }] })).toEqual([]);
  expect(faults({ same: [{ piece: 'grille-q5', is: 'grille-a1' }], apart: [{ piece: 'grille-a1', from: 'x' }] })).toEqual([
    'e.payload.same[0].piece unknown-id',
    'e.payload.apart[0].from unknown-id',
  ]);
  expect(faults({ same: [{ piece: 'grille-a1', is: 'grille-a1' }] })).toEqual(['e.payload.same[0].is itself']);
  expect(faults({ same: [], apart: [] })).toEqual(['e.payload one-of']);
});

test('what goes back half under the one id goes back the rest under the other; what came open under one came open once', () => {
  const a = new Device('fern', 0).came('grille-a1', 4, { fasteners: [bolts(4)] });
  const b = new Device('copper', 3).came('grille-z9', 3, { fasteners: [bolts(5)] });
  const same = new Device('till', 9, together(a, b)).act(openUp.areSame(contextOf(together(a, b)), 'grille-z9'));
  a.did({ type: 'piece.moved', payload: { piece: 'grille-a1', level: 'folded', fasteners: [{ group: 'fixing-1', count: 1 }] } });
  b.did({ type: 'piece.moved', payload: { piece: 'grille-z9', level: 'fitted', fasteners: [{ group: 'fixing-1', count: 5 }] } });
  const { state } = contextOf(together(a, b, same));
  expect([state.pieces['grille-a1'], state.tray['grille-a1']?.['fixing-1']?.back, state.questions]).toEqual(['fitted', 4, []]);
  // Lowered under the second id, it is lowered.
  b.own.splice(-1);
  b.did({ type: 'piece.moved', payload: { piece: 'grille-z9', level: 'hung', fasteners: [] } });
  expect(contextOf(together(b, same)).state.pieces['grille-z9']).toBeUndefined();
  a.own.splice(-1);
  expect(contextOf(together(a, b, same)).state.pieces['grille-a1']).toBe('hung');
  // Put back and taken off anew, by either: it is off.
  const anew = (device: string, piece: string) =>
    new Device(device, 12).did(...(['fitted', 'off'] as const).map((level) => ({ type: 'piece.moved' as const, payload: { piece, level, fasteners: [] } })));
  expect([anew('copper', 'grille-z9'), anew('fern', 'grille-a1')].map((device) => contextOf(together(a, b, same, device)).state.pieces['grille-a1'])).toEqual(['off', 'off']);
  // The other one took it for open on arrival: it was opened here.
  const c = new Device('copper', 3).did({ type: 'kind.described', payload: { pieces: [{ ...(contextOf(together(b)).profile.pieces[0] ?? never()), id: 'grille-y5' }] } });
  c.did({ type: 'piece.found', payload: { piece: 'grille-y5', level: 'off' } });
  const came = new Device('till', 9).did({ type: 'kind.described', payload: { same: [{ piece: 'grille-y5', is: 'grille-a1' }] } });
  expect(contextOf(together(a, c, came)).state.came).toEqual({});
});

test('nothing is asked of what the profile has itself, of accessories, and of what was described knowing of the other', () => {
  const b = new Device('copper', 3).came('grille-z9', 3);
  const [own] = contextOf(together(b)).profile.pieces;
  if (!own) throw new Error('no piece');
  const twice = { ...HERON, pieces: [own, { ...own, id: 'lower-grille' }] };
  expect(openUp.twins(contextOf(together(), twice))).toEqual([]);
  // In the place of one that the profile has sit many; called as it is called, it may be that one.
  const cover = new Device('copper', 3).came('cover-z9', 3);
  expect(openUp.twins(contextOf(together(cover), twice))).toEqual([]);
  const known = { ...HERON, pieces: [{ ...own, id: 'grille' }] };
  expect(openUp.twins(contextOf(together(b), known)).map(({ is }) => is.id)).toEqual(['grille']);
  const winch = { accessory: 'grille', name: 'Grille', side: 'centre', zone: 'front', holds: [], openMin: 1, closeMin: 1, people: 1, drive: 'hex', count: 0 } as const;
  const found = new Device('fern', 0).did({ type: 'accessory.found', payload: { ...winch, holds: [] } });
  expect(openUp.twins(contextOf(together(found, b)))).toEqual([]);
  // Kept meanwhile, the later one comes first in the list: it was described knowing of the other.
  const both = new Device('fern', 0).came('grille-a1', 4).came('cover-b2', 2);
  const kept = contextOf(together(both)).profile.pieces[1];
  expect(openUp.twins(contextOf(together(both), { ...HERON, pieces: [kept ?? never()] }))).toEqual([]);
});

test('two pieces stay two and are not asked of again; where both are called the same the second one gets a name of its own', () => {
  const a = new Device('fern', 0).came('grille-a1', 4);
  const b = new Device('copper', 3).came('grille-z9', 3, { fasteners: [bolts(5)] });
  const c = new Device('copper', 3).came('cover-z9', 3);
  const named = contextOf(together(a, b));
  expect(refusal(openUp.areTwo(named, 'grille-z9'))).toEqual([{ code: 'missing', count: 1 }]);
  expect(refusal(openUp.areTwo(named, 'grille-z9', ' GRILLE '))).toEqual([{ code: 'described', piece: 'grille-a1' }]);
  expect(refusal(openUp.areTwo(named, 'grille-z9', 'x'.repeat(200)))).toMatchObject([{ code: 'too-long' }]);
  expect([refusal(openUp.areTwo(named, 'grille-a1', 'Lower grille')), refusal(openUp.areSame(named, 'grille-a1'))]).toEqual([
    [{ code: 'unknown', what: 'piece', id: 'grille-a1' }],
    [{ code: 'unknown', what: 'piece', id: 'grille-a1' }],
  ]);
  const two = new Device('till', 9, together(a, b)).act(openUp.areTwo(named, 'grille-z9', ' Lower grille '));
  const said = contextOf(together(a, b, two));
  expect([openUp.twins(said), said.profile.pieces.map(({ name, fasteners }) => [name, fasteners.length])]).toEqual([
    [],
    [
      ['grille', 0],
      ['Lower grille', 1],
    ],
  ]);
  // Of other names nothing is asked but that.
  const apart = new Device('till', 9, together(a, c)).act(openUp.areTwo(contextOf(together(a, c)), 'cover-z9'));
  expect(openUp.twins(contextOf(together(a, c, apart)))).toEqual([]);
  expect(contextOf(together(a, c, apart)).profile.pieces.map(({ name }) => name)).toEqual(['grille', 'cover']);
});
