import { jobContext, type JobContext } from '../../job/index.ts';
import { contextOf, openedLog, VAN, type TestLog } from '../../job/test/log.ts';
import { functionsAt } from '../../probing/index.ts';
import type { VehicleState } from '../../states/index.ts';
import type { Supply } from '../../vehicle/index.ts';
import { isRefused, type Act } from '../act.ts';
import {
  asked,
  findPlug,
  noteColour,
  openWire,
  pinsOf,
  placesToLook,
  plugsToProbe,
  probeNow,
  sealWire,
  seek,
  seekable,
  take,
  takeDrop,
  takeOhm,
  wiresToSeal,
  wiresToSeek,
  type NewFace,
} from './index.ts';

const LOW: Supply = { id: 'low', name: 'Battery', piece: 'grille', level: 'off', waitMin: 0, liveMin: 0, by: 'anyone', before: [], forgets: [] };
const AT = '2026-03-05T10:00:00Z';
const on = (log: TestLog, profile = VAN): JobContext => jobContext(log.state, { ...contextOf(log), profile });
const started = () => {
  const log = openedLog();
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  return log;
};
const FACE: NewFace = {
  name: 'Trailer lead, grey',
  where: 'Behind the left rear lamp',
  side: 'left',
  may: functionsAt('rear', 'left').filter((name) => name !== 'plate'),
  rows: 2,
  columns: 3,
  without: ['1/3'],
  colours: { '2/1': ' brown ' },
};
const record = (log: TestLog, act: Act) => {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events) log.add(type, payload as never);
  return log;
};
/** A found plug, in which all that its place may have is looked for. */
const found = () => {
  const log = started();
  return record(log, findPlug(on(log), FACE, ['tail', 'stop pedal', 'reverse'], PLUG));
};
const PLUG = 'found-trailer-lead-grey';
/** What its wires do: 1 nothing, 2 tail, 4 ground, 5 reverse, 6 stop. */
const DOES: Record<string, readonly VehicleState[]> = { 2: ['parking', 'dipped', 'main', 'rear fog', 'plate'], 5: ['reverse'], 6: ['stop pedal'] };

const openedFound = (may: NewFace['may']) => {
  const log = started();
  return record(log, findPlug(on(log), { ...FACE, may }, ['tail'], PLUG));
};
const statusOf = (log: TestLog, pin: string) =>
  plugsToProbe(on(log))
    .find(({ plug }) => plug.id === PLUG)
    ?.found.pins.find((entry) => entry.pin === pin)?.status;

test('what is looked for in it may be in it', () => {
  const log = started();
  record(log, findPlug(on(log), { ...FACE, may: ['tail'] }, ['reverse'], PLUG));
  expect(log.state.plugsFound[PLUG]?.may).toEqual(['tail', 'reverse']);
});

test('tail and plate are live together: where the lamps have both, no state parts them, and nothing more is read for it', () => {
  const log = started();
  record(log, findPlug(on(log), { ...FACE, may: ['tail', 'plate', 'stop pedal'] }, ['tail'], PLUG));
  for (let readings = 0; readings < 20; readings++) {
    const now = probeNow(on(log));
    if (now?.probe.plug.id !== PLUG) break;
    const live = (DOES[now.pin.id] ?? []).includes(now.reading.state);
    record(log, take(on(log), PLUG, now.pin.id, { state: now.reading.state, lowV: live ? 12.3 : 0.02, highV: live ? 12.3 : 0.02 }, AT));
  }
  const early = record(
    openedFound(['tail', 'plate', 'stop pedal']),
    take(on(openedFound(['tail', 'plate', 'stop pedal'])), PLUG, '2', { state: 'parking', lowV: 12.3, highV: 12.3 }, AT),
  );
  expect(statusOf(early, '2')?.code).toBe('open');
  const status = plugsToProbe(on(log))
    .find(({ plug }) => plug.id === PLUG)
    ?.found.pins.find(({ pin }) => pin === '2')?.status;
  expect(status).toEqual({ code: 'indistinguishable', among: [['tail'], ['plate']], by: ['which lamp lights'] });
});

test('a face is numbered row by row; a cavity without a wire has no pin', () => {
  expect(pinsOf(FACE)).toEqual([
    { id: '1', row: 1, column: 1 },
    { id: '2', row: 1, column: 2 },
    { id: '4', row: 2, column: 1, colour: 'brown' },
    { id: '5', row: 2, column: 2 },
    { id: '6', row: 2, column: 3 },
  ]);
});

test('a plug nobody described is probed from its face alone, in states of its place, until what is looked for is proved', () => {
  const log = found();
  expect(on(log).profile.plugs.at(-1)).toMatchObject({ id: PLUG, whereToLook: FACE.where, pins: [{ carries: 'unknown' }, {}, { colour: 'brown' }, {}, {}] });
  let readings = 0;
  for (; readings < 40; readings++) {
    const now = probeNow(on(log));
    // What somebody took in hand comes before the joint of the kit.
    if (now?.probe.plug.id !== PLUG) break;
    const live = (DOES[now.pin.id] ?? []).includes(now.reading.state);
    record(log, take(on(log), PLUG, now.pin.id, { state: now.reading.state, lowV: live ? 12.3 : 0.02, highV: live ? 12.3 : 0.02 }, AT));
  }
  const probe = plugsToProbe(on(log)).find(({ plug }) => plug.id === PLUG);
  const status = (pin: string) => probe?.found.pins.find((entry) => entry.pin === pin)?.status;
  expect([status('2'), status('5'), status('6')]).toEqual([
    { code: 'proved', functions: ['tail'] },
    { code: 'proved', functions: ['reverse'] },
    { code: 'proved', functions: ['stop pedal'] },
  ]);
  // Each pin in each of five states would be 25.
  expect([readings > 8, readings < 20]).toEqual([true, true]);
  expect(status('4')?.code).not.toBe('proved');
});

test('a plug at the rear on the left may have the left turn signal and not the right one; one that the profile has, what it is said to have', () => {
  const log = found();
  const plug = on(log).profile.plugs.find(({ id }) => id === PLUG);
  if (!plug) throw new Error('it was found');
  expect(seekable(on(log), plug)).toEqual(['tail', 'stop pedal', 'turn left', 'reverse', 'rear fog', 'constant supply']);
  const [own] = VAN.plugs;
  expect(own && seekable(on(log), own)).toEqual(['front fog']);
  expect(wiresToSeek(on(log))).toEqual(expect.arrayContaining(['front fog', 'reverse']));
});

test('what cannot be of a face is refused, and nothing is lost by it', () => {
  const context = on(started());
  const with_ = (part: Partial<NewFace>, functions: Parameters<typeof findPlug>[2] = ['tail']) => findPlug(context, { ...FACE, ...part }, functions, PLUG);
  expect(with_({ name: ' ', where: '' }, [])).toEqual({ refused: [{ code: 'missing', count: 3 }] });
  expect(with_({ side: undefined })).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  expect(with_({ name: 'x'.repeat(81) })).toEqual({ refused: [{ code: 'too-long', over: 1, most: 80 }] });
  expect(with_({ rows: 2, columns: 9, without: ['1/1'] })).toEqual({ refused: [{ code: 'face-impossible', why: 'too many pins' }] });
  expect(isRefused(with_({ rows: 2, columns: 9, without: ['1/1', '1/2'] }))).toBe(false);
  expect(with_({ rows: 1, columns: 1, without: ['1/1'] })).toEqual({ refused: [{ code: 'face-impossible', why: 'no pins' }] });
  expect(with_({ name: VAN.plugs[0]?.name.toUpperCase() ?? '' })).toEqual({ refused: [{ code: 'face-impossible', why: 'known already' }] });
  expect(findPlug(on(found()), FACE, ['tail'], `${PLUG}-2`)).toEqual({ refused: [{ code: 'face-impossible', why: 'known already' }] });
});

test('a ground is proved by continuity or by a load that returns over it, and not by continuity of a lamp', () => {
  const proofOf = (log: TestLog, pin: string) =>
    plugsToProbe(on(log))
      .find(({ plug }) => plug.id === PLUG)
      ?.found.pins.find((entry) => entry.pin === pin)?.status.code;
  const [lamp, body, load, lost] = [found(), found(), found(), found()];
  record(lamp, takeOhm(on(lamp), PLUG, '4', 3));
  record(body, takeOhm(on(body), PLUG, '4', 0.99));
  record(load, takeDrop(on(load), PLUG, '4', 0.19, AT));
  record(lost, takeDrop(on(lost), PLUG, '4', 0.21, AT));
  expect([lamp, body, load, lost].map((log) => proofOf(log, '4'))).toEqual(['open', 'proved', 'proved', 'open']);
});

test('continuity is not measured into a wire that was live with the key off, unless the battery is isolated since', () => {
  const log = found();
  const live = (volts: number) => record(log, take(on(log), PLUG, '1', { state: 'key off', lowV: volts, highV: volts }, AT));
  live(12.4);
  expect(takeOhm(on(log), PLUG, '1', 0.4)).toEqual({ refused: [{ code: 'powered', pin: '1' }] });
  expect(isRefused(takeOhm(on(log), PLUG, '2', 0.4))).toBe(false);
  // What it does with something switched on says nothing of it with the key off.
  const lamp = found();
  for (const [state, volts] of [
    ['key off', 0.02],
    ['parking', 12.4],
  ] as const)
    record(lamp, take(on(lamp), PLUG, '2', { state, lowV: volts, highV: volts }, AT));
  expect(isRefused(takeOhm(on(lamp), PLUG, '2', 0.4))).toBe(false);
  const supplied = { ...VAN, supplies: [LOW] };
  const connected = takeOhm(on(log, supplied), PLUG, '1', 0.4);
  log.add('supply.set', { supply: 'low', is: 'dead' });
  expect([isRefused(connected), isRefused(takeOhm(on(log, supplied), PLUG, '1', 0.4))]).toEqual([true, false]);
});

test('odd and impossible readings of continuity and of a drop are refused or asked about', () => {
  const context = on(found());
  expect(takeOhm(context, PLUG, '9', 1)).toEqual({ refused: [{ code: 'unknown', what: 'pin', id: `${PLUG}/9` }] });
  expect(takeOhm(context, PLUG, '4', -1)).toMatchObject({ refused: [{ code: 'reading-impossible' }] });
  expect(takeDrop(context, PLUG, '9', 0.1, AT)).toMatchObject({ refused: [{ code: 'unknown' }] });
  expect(takeDrop(context, PLUG, '4', Number.NaN, AT)).toMatchObject({ refused: [{ code: 'reading-impossible' }] });
  expect([isRefused(takeDrop(context, PLUG, '4', -3, AT)), isRefused(takeDrop(context, PLUG, '4', -3, AT, true))]).toEqual([true, false]);
  const log = openedLog();
  record(log, findPlug(on(log), FACE, ['tail'], PLUG));
  expect(takeDrop(on(log), PLUG, '4', 0.1, AT)).toEqual({ refused: [{ code: 'reference-first' }] });
});

test('what is looked for in a plug is probed there besides what the joints want; looked for no more, it is not', () => {
  const log = started();
  const [plug] = VAN.plugs;
  if (!plug) throw new Error('the van has a plug');
  record(log, seek(on(log), plug.id, ['front fog', 'front fog', 'dipped']));
  expect(log.state.sought).toEqual({ [plug.id]: ['front fog', 'dipped'] });
  expect(plugsToProbe(on(log))[0]?.run.candidates.map((entry) => entry.function)).toContain('dipped');
  expect(plugsToProbe(on(log))[0]?.run.states).toContain('dipped');
  record(log, seek(on(log), plug.id, []));
  expect(plugsToProbe(on(log))[0]?.run.candidates.map((entry) => entry.function)).not.toContain('dipped');
  expect([seek(on(log), plug.id, []), seek(on(log), 'nothing', ['tail'])]).toMatchObject([{ refused: [{ code: 'nothing' }] }, { refused: [{ code: 'unknown' }] }]);
});

test('a pierced wire is asked to be sealed until it is, and an opened one is told once', () => {
  const log = found();
  record(log, openWire(on(log), PLUG, '5', 'pierced'));
  expect(wiresToSeal(on(log))).toEqual([{ plug: PLUG, pin: '5', how: 'pierced' }]);
  expect(asked(on(log)).filter(({ code }) => code === 'wire-open')).toEqual([
    { code: 'wire-open', kind: 'to do', data: { plug: PLUG, pin: '5', how: 'pierced' }, about: `open-wire:${PLUG}/5` },
  ]);
  expect([openWire(on(log), PLUG, '5', 'pierced'), openWire(on(log), PLUG, '3', 'pierced')]).toMatchObject([
    { refused: [{ code: 'already' }] },
    { refused: [{ code: 'unknown' }] },
  ]);
  record(log, openWire(on(log), PLUG, '5', 'bared'));
  expect(wiresToSeal(on(log))).toEqual([{ plug: PLUG, pin: '5', how: 'bared' }]);
  record(log, sealWire(on(log), PLUG, '5'));
  expect([asked(on(log)).filter(({ code }) => code === 'wire-open'), sealWire(on(log), PLUG, '5')]).toEqual([[], { refused: [{ code: 'nothing' }] }]);
});

test('where to look for one wire: where it is proved before where it is said to be, before where it may be', () => {
  const log = found();
  const [plug] = VAN.plugs;
  expect(placesToLook(on(log), 'front fog').map((place) => [place.plug.id, place.pin?.id])).toEqual([[plug?.id, plug?.pins.find(({ carries }) => carries === 'front fog')?.id]]);
  expect(placesToLook(on(log), 'reverse')).toMatchObject([{ plug: { id: PLUG }, name: 'reverse' }]);
  expect(placesToLook(on(log), 'reverse')[0]?.pin).toBeUndefined();
  const read = (pin: string, state: VehicleState, volts: number) => record(log, take(on(log), PLUG, pin, { state, lowV: volts, highV: volts }, AT));
  for (const state of ['reverse', 'key off', 'stop pedal', 'parking', 'ignition'] as const)
    for (const pin of ['1', '2', '5', '6']) read(pin, state, state === 'reverse' && pin === '5' ? 12.4 : 0.01);
  // Once may be a mistake.
  expect(placesToLook(on(log), 'reverse')[0]?.pin).toBeUndefined();
  read('5', 'reverse', 12.4);
  expect(placesToLook(on(log), 'reverse')).toMatchObject([{ pin: { id: '5' }, status: { code: 'proved' } }]);
  // In another plug it is only said to be: where it is proved comes first.
  const both = openedFound(['front fog']);
  for (const state of ['front fog', 'key off', 'parking', 'ignition'] as const)
    for (let time = 0; time < 2; time++)
      for (const pin of ['1', '2'])
        record(both, take(on(both), PLUG, pin, { state, lowV: pin === '2' && state === 'front fog' ? 12.4 : 0.01, highV: pin === '2' && state === 'front fog' ? 12.4 : 0.01 }, AT));
  expect(placesToLook(on(both), 'front fog').map(({ plug: at, status }) => [at.id, status?.code])).toEqual([
    [PLUG, 'proved'],
    ['fog-plug', 'open'],
  ]);
});

test('the colour of a wire is noted on either side of its plug, stands with it, and goes on into the profile with what is proved', () => {
  const log = found();
  const note = (on_: 'this side' | 'beyond', colour: string) => noteColour(on(log), PLUG, '5', on_, colour);
  record(log, note('this side', ' violet '));
  record(log, note('beyond', 'grey'));
  const pin = () =>
    on(log)
      .profile.plugs.find(({ id }) => id === PLUG)
      ?.pins.find(({ id }) => id === '5');
  expect(pin()).toMatchObject({ colour: 'violet', beyond: 'grey' });
  expect([note('beyond', 'grey'), note('this side', ' '), noteColour(on(log), PLUG, '9', 'beyond', 'red')]).toMatchObject([
    { refused: [{ code: 'already' }] },
    { refused: [{ code: 'missing' }] },
    { refused: [{ code: 'unknown' }] },
  ]);
  expect(note('beyond', 'x'.repeat(41))).toEqual({ refused: [{ code: 'too-long', over: 1, most: 40 }] });
  record(log, note('beyond', 'blue'));
  expect(pin()).toMatchObject({ colour: 'violet', beyond: 'blue' });
  // A wire that nobody noted keeps what the profile says, and the other plugs theirs.
  expect(
    on(log)
      .profile.plugs.find(({ id }) => id === PLUG)
      ?.pins.find(({ id }) => id === '4'),
  ).toMatchObject({ colour: 'brown' });
  expect(on(log).profile.plugs[0]).toEqual(VAN.plugs[0]);
});

test('a plug that this vehicle does not have is no place to look; one that it may have is', () => {
  const log = started();
  const [plug] = VAN.plugs;
  if (!plug) throw new Error('the van has a plug');
  const profile = { ...VAN, plugs: [{ ...plug, when: { fact: 'trim', is: 'guard' } }] };
  const places = () => [placesToLook(on(log, profile), 'front fog').length, wiresToSeek(on(log, profile))];
  expect(places()).toEqual([1, ['front fog']]);
  log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  expect(places()).toEqual([0, []]);
});
