import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../../job/test/log.ts';
import { jobContext, type JobContext } from '../../job/index.ts';
import { jointChecks, wireJoints } from '../../loom/index.ts';
import type { Kit } from '../../kit/index.ts';
import type { PlugFamily, PlugLibrary } from '../../wiring/index.ts';
import { fit, wire } from '../index.ts';

const AT = '2026-03-05T08:30:00Z';
const [fitment] = PAIR.fitments;
const [joint] = fitment?.connections ?? [];
const [lampPlug] = PAIR.plugs;
const [fogPlug] = VAN.plugs;
if (!fitment || !joint || !lampPlug || !fogPlug) throw new Error('no joint');

const family = (part: Partial<PlugFamily> = {}): PlugFamily => ({
  id: 'SL-2',
  keyings: ['A'],
  grids: [{ rows: 1, columns: 2 }],
  sealed: true,
  lock: 'tab',
  closing: 'tab',
  pinA: 10,
  terminals: [],
  ...part,
});
const shelf = (...families: PlugFamily[]): PlugLibrary => ({ format: 'jade-plugs/1', slug: 'shelf', name: 'Shelf', families, adapters: [] });
/** The fog plug behind the grille, and a second one in reach; a lamp plug that nothing takes. */
const van = {
  ...VAN,
  plugs: [
    { ...fogPlug, reach: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' as const }], extraMin: 0 }] },
    { ...fogPlug, id: 'near', name: 'Near plug', hiddenBy: [] },
  ],
};
const kit: Kit = {
  ...PAIR,
  plugs: [lampPlug, { ...lampPlug, id: 'spare' }],
  fitments: [{ ...fitment, connections: [joint, { ...joint, id: 'second', vehiclePlug: 'near' }] }],
};
const on = (log: TestLog, plugs = shelf(family())): JobContext => jobContext(log.state, { ...contextOf(log), profile: van, kits: [kit], plugs });
const steps = (log: TestLog) => wire.floorSteps(on(log), AT).map(({ id }) => id);

test('one thing after the other: the load, what can be joined with its proof before it, what cannot be reached yet, what is left over', () => {
  const log = openedLog();
  expect(steps(log)).toEqual(['settle:fog', 'prove:joint:test-kit/second', 'joint:test-kit/second', 'prove:joint:test-kit/joint', 'joint:test-kit/joint', 'cap:test-kit/spare']);
  const [, , near, , far] = wire.floorSteps(on(log), AT);
  expect(near).toMatchObject({ kind: 'join', against: [], checks: ['seal', 'click', 'pull'] });
  expect(far).toMatchObject({ kind: 'join', against: [{ code: 'open-first', pieces: ['grille'] }] });
  log.add('load.accepted', { kit: 'test-kit', circuit: 'fog' });
  log.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
  log.add('reading.taken', { plug: 'near', pin: '2', state: 'front fog', lowV: 12.5, highV: 12.5 });
  log.add('reading.taken', { plug: 'near', pin: '2', state: 'key off', lowV: 0.02, highV: 0.02 });
  // Both can be reached now: in the order of the kit.
  expect(steps(log)).toEqual(['prove:joint:test-kit/joint', 'joint:test-kit/joint', 'joint:test-kit/second', 'cap:test-kit/spare']);
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  log.add('plug.joined', { kit: 'test-kit', connection: 'second' });
  log.add('plug.capped', { plug: 'spare', kit: 'test-kit' });
  expect(steps(log)).toEqual([]);
});

test('a wire that is to be tapped only wants its proof: it does not wait behind what cannot be reached', () => {
  const lead = { ...lampPlug, id: 'lead', columns: 1, pins: [{ id: '1', row: 1, column: 1, carries: 'front fog' as const }] };
  const tapping: Kit = {
    ...kit,
    plugs: [lampPlug, lead],
    fitments: [{ ...fitment, connections: [joint, { ...joint, id: 'second', vehiclePlug: 'near', kitPlug: 'lead', tap: { pin: '2' } }] }],
  };
  const log = openedLog();
  const context = jobContext(log.state, { ...contextOf(log), profile: van, kits: [tapping], plugs: shelf(family()) });
  expect(wire.floorSteps(context, AT).map(({ id }) => id)).toEqual([
    'settle:fog',
    'prove:joint:test-kit/second',
    'joint:test-kit/second',
    'prove:joint:test-kit/joint',
    'joint:test-kit/joint',
  ]);
});

test('a position of a control says something only once what it lights is joined, and only where the control is there', () => {
  const controls = [
    {
      id: 'switch',
      name: 'Switch',
      kind: 'switch' as const,
      positions: [
        { id: 'off', name: 'off', lights: [] },
        { id: 'on', name: 'on', lights: ['lamp'] },
      ],
      state: 'ignition' as const,
      when: { fact: 'trim', is: 'guard' },
    },
  ];
  const switched: Kit = { ...kit, controls };
  const at = (trim: string, log = openedLog()) => {
    log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: trim });
    return jobContext(log.state, { ...contextOf(log), profile: van, kits: [switched], plugs: shelf(family()) });
  };
  expect(fit.tested(at('guard'), 'test-kit', 'switch.off', true, AT)).toMatchObject({ refused: [{ code: 'join-first', connections: ['joint', 'second'] }] });
  expect(fit.tested(at('plain'), 'test-kit', 'switch.off', true, AT)).toMatchObject({ refused: [{ code: 'unknown' }] });
  const log = openedLog();
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  log.add('plug.joined', { kit: 'test-kit', connection: 'second' });
  expect(fit.tested(at('guard', log), 'test-kit', 'switch.off', true, AT)).toMatchObject({ events: [{ type: 'test.tried', payload: { test: 'switch.off', passed: true } }] });
});

test('what is looked at follows from the family: a ring has its notch, a second lock its own look, one that nobody described its lock', () => {
  const checks = (...families: PlugFamily[]) => {
    const context = on(openedLog(), shelf(...families));
    const [made] = wireJoints(context);
    return made && jointChecks(context, made);
  };
  expect(checks(family({ closing: 'ring', sealed: false }))).toEqual(['notch to notch', 'ring home', 'pull']);
  expect(checks(family({ closing: 'slide', secondLock: 'second lock' }))).toEqual(['seal', 'slide home', 'second lock', 'pull']);
  expect(checks(family({ closing: 'clip', sealed: false }))).toEqual(['clip over', 'pull']);
  expect(checks()).toEqual(['lock closed', 'pull']);
});

test('what is photographed at a step is the joint as it is made, the plug of the vehicle before that, no load and no plug of the kit', () => {
  const log = openedLog();
  const shown = wire.floorSteps(on(log), AT).map((step) => wire.pictured(on(log), step));
  const joint = (connection: string) => ({ kind: 'joint', kit: 'test-kit', connection });
  expect(shown).toEqual([undefined, { kind: 'face', plug: 'near' }, joint('second'), { kind: 'face', plug: 'fog-plug' }, joint('joint'), undefined]);
});
