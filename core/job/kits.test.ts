import type { Fitment, Kit } from '../kit/index.ts';
import { SMALL } from '../stations/test/small-van.ts';
import {
  connectionsOf,
  contentChecks,
  feedsOf,
  fitmentOn,
  fitStepsOf,
  functionsOf,
  jobContext,
  kitsOnVehicle,
  lampsToAim,
  lostFunctions,
  goneForGood,
  replacedPieces,
  sideOf,
  targetMounts,
  testsOf,
  verdicts,
  type JobContext,
  type JobDocuments,
} from './index.ts';
import { gatesOf, stepDone } from '../plan/index.ts';
import { openedLog, type TestLog } from './test/log.ts';

const [KIT] = SMALL.kits;
const [FITMENT] = KIT?.fitments ?? [];
if (!KIT || !FITMENT) throw new Error('no kit');
const fitted = (part: Partial<Fitment>): JobDocuments => ({
  ...SMALL,
  kits: [
    {
      ...KIT,
      fitments: [
        { ...FITMENT, vehicle: 'elsewhere' },
        { ...FITMENT, ...part },
      ],
    },
  ],
});
const contextOf = (log: TestLog, documents: JobDocuments = SMALL): JobContext => jobContext(log.state, documents);
function knowing(guard: 'there' | 'none'): TestLog {
  const log = openedLog();
  log.add('fact.recorded', { fact: 'guard', certainty: 'known', value: guard });
  return log;
}
const onlyThere = { fact: 'guard', is: 'there' };
const ids = (items: readonly { id: string }[]) => items.map((item) => item.id);

test('of a kit on a vehicle there is what the facts do not rule out', () => {
  const documents = fitted({
    mounts: FITMENT.mounts.map((place) => (place.lamp === 'bar' ? { ...place, when: onlyThere } : place)),
    connections: FITMENT.connections.map((joint) => (joint.id === 'feed' ? { ...joint, when: onlyThere } : joint)),
    fitSteps: FITMENT.fitSteps.map((step) => (step.id === 'bar' ? { ...step, when: onlyThere, needs: [...step.needs, { piece: 'guard', level: 'off' as const }] } : step)),
    tests: FITMENT.tests.map((test) => ({ ...test, after: ['guard', 'grille'] })),
    replaces: ['blank-left', 'guard'],
  });
  const seen = (log: TestLog) => {
    const [onVehicle] = kitsOnVehicle(contextOf(log, documents));
    if (!onVehicle) throw new Error('no kit');
    return {
      mounts: targetMounts(contextOf(log, documents)),
      joints: ids(connectionsOf(onVehicle)),
      steps: fitStepsOf(onVehicle).map((step) => [step.id, step.needs.map((need) => need.piece)]),
      after: testsOf(onVehicle).map((test) => test.after),
      replaced: replacedPieces(contextOf(log, documents)),
    };
  };
  const all = {
    mounts: ['place-left', 'place-right', 'front'],
    joints: ['left', 'right', 'feed'],
    steps: [
      ['lamp-left', ['liner-left']],
      ['lamp-right', ['liner-right']],
      ['bar', ['grille', 'guard']],
    ],
    after: Array(3).fill(['guard', 'grille']),
    replaced: ['blank-left', 'guard'],
  };
  expect([seen(openedLog()), seen(knowing('there'))]).toEqual([all, all]);
  expect(seen(knowing('none'))).toEqual({
    mounts: ['place-left', 'place-right'],
    joints: ['left', 'right'],
    steps: [
      ['lamp-left', ['liner-left']],
      ['lamp-right', ['liner-right']],
    ],
    after: Array(3).fill(['grille']),
    replaced: ['blank-left'],
  });
  expect(fitmentOn({ ...KIT, fitments: [{ ...FITMENT, vehicle: 'elsewhere' }] }, contextOf(openedLog()), {})).toBeUndefined();
});

test('once opening was given up there is no kit on the vehicle, nothing to match, to count or to replace', () => {
  const log = knowing('none');
  const all = (context: JobContext) =>
    [kitsOnVehicle(context), verdicts(context), contentChecks(context), replacedPieces(context), targetMounts(context)].map((list) => list.length);
  expect(all(contextOf(log))).toEqual([1, 1, 1, 2, 3]);
  log.add('opening.left', { why: 'agreed' });
  expect(all(contextOf(log))).toEqual([0, 0, 0, 0, 0]);
});

test('an option of the kit counts as a fact for what it brings, by its default until another is chosen', () => {
  const lens = { id: 'lens', label: 'Lens', choices: ['clear', 'amber'].map((id) => ({ id, label: id, consequence: 'x' })), default: 'clear' };
  const cover = { id: 'covers', name: 'Cover', kind: 'trim' as const, count: 2, spareAllowed: false, when: { fact: 'option.lens', is: 'amber' } };
  const documents: JobDocuments = { ...SMALL, kits: [{ ...KIT, options: [lens], contents: [...KIT.contents, cover] }] };
  const needed = (log: TestLog) => contentChecks(contextOf(log, documents))[0]?.check.lines.map((line) => [line.item.id, line.needed]);
  const log = openedLog();
  expect(needed(log)).toEqual([
    ['lamps', 'yes'],
    ['covers', 'no'],
  ]);
  log.add('option.chosen', { kit: 'test-kit', option: 'lens', choice: 'amber' });
  expect(needed(log)?.[1]).toEqual(['covers', 'yes']);
  log.add('content.counted', { kit: 'test-kit', item: 'covers', count: 1 });
  expect(contentChecks(contextOf(log, documents))[0]?.check.lines[1]).toMatchObject({ counted: 1, state: 'short' });
});

test('a test is fed by what carries its state, else by all that feeds its lamps; a joint is of the side of its lamps', () => {
  const context = contextOf(
    openedLog(),
    fitted({ connections: [...FITMENT.connections, { id: 'both', kitPlug: 'plug-feed', vehiclePlug: 'feed', feed: { circuit: 'feed' }, lamps: ['lamp-left', 'lamp-right'] }] }),
  );
  const [onVehicle] = kitsOnVehicle(context);
  if (!onVehicle) throw new Error('no kit');
  const fed = (id: string) => {
    const test = testsOf(onVehicle).find((entry) => entry.id === id);
    return test && ids(feedsOf(onVehicle, test));
  };
  // The fog wire of its own side carries it, not the feed; the bar has no pin of its state, so all that feeds it.
  expect([fed('lights-left'), fed('lights-right'), fed('lights-bar')]).toEqual([['left'], ['right'], ['feed']]);
  expect(connectionsOf(onVehicle).map((joint) => sideOf(onVehicle, joint))).toEqual(['left', 'right', 'centre', 'centre']);
  expect(sideOf(onVehicle, { id: 'none', kitPlug: 'x', vehiclePlug: 'x', feed: { circuit: 'x' }, lamps: [] })).toBe('centre');
});

test('lamps to aim are those whose beam has a rule and whose place is known; the rule chosen at the wall wins for its beam', () => {
  const [fog] = SMALL.rules.aim;
  if (!fog) throw new Error('no rule');
  const rules = { ...SMALL.rules, aim: [{ ...fog, id: 'dipped', beam: 'dipped' as const }, fog, { ...fog, id: 'fog-two' }] };
  const seen = (log: TestLog, documents: JobDocuments) => lampsToAim(contextOf(log, documents)).map((entry) => [entry.lamp.id, entry.mount.id, entry.rule.id]);
  const log = openedLog();
  expect(seen(log, { ...SMALL, rules })).toEqual([
    ['lamp-left', 'place-left', 'fog'],
    ['lamp-right', 'place-right', 'fog'],
  ]);
  log.add('wall.set', { rule: 'fog-two', distanceMm: 5000 });
  expect(seen(log, { ...SMALL, rules }).map(([, , rule]) => rule)).toEqual(['fog-two', 'fog-two']);
  log.add('wall.set', { rule: 'dipped', distanceMm: 5000 });
  expect(seen(log, { ...SMALL, rules }).map(([, , rule]) => rule)).toEqual(['fog', 'fog']);
  expect(seen(log, { ...fitted({ mounts: FITMENT.mounts.filter((place) => place.lamp !== 'lamp-left') }), rules })).toEqual([['lamp-right', 'place-right', 'fog']]);
  expect(seen(log, { ...SMALL, rules: { ...rules, aim: [] } })).toEqual([]);
});

test('factory functions are those that the facts do not rule out; lost with the pieces replaced each once', () => {
  const [lamp] = SMALL.profile.functions;
  if (!lamp) throw new Error('no lamp');
  const profile = { ...SMALL.profile, functions: [lamp, { ...lamp, id: 'old-fog', when: onlyThere }] };
  const two: Kit = { ...KIT, slug: 'second' };
  const documents: JobDocuments = {
    ...SMALL,
    profile,
    kits: [
      { ...KIT, fitments: [{ ...FITMENT, losesFunctions: ['old-fog'] }] },
      { ...two, fitments: [{ ...FITMENT, losesFunctions: ['old-fog', 'dipped'] }] },
    ],
  };
  expect(ids(functionsOf(contextOf(knowing('none'), documents)))).toEqual(['dipped']);
  expect(ids(functionsOf(contextOf(openedLog(), documents)))).toEqual(['dipped', 'old-fog']);
  expect(lostFunctions(contextOf(openedLog(), documents))).toEqual(['old-fog', 'dipped']);
  expect([replacedPieces(contextOf(openedLog(), documents)), targetMounts(contextOf(openedLog(), documents))]).toEqual([
    ['blank-left', 'blank-right'],
    ['place-left', 'place-right', 'front'],
  ]);
});

describe('gates', () => {
  const opened = (...pieces: [string, 'loosened' | 'hung' | 'off'][]) => {
    const log = knowing('none');
    for (const [piece, level] of pieces) log.add('piece.moved', { piece, level, way: 'in', fasteners: [] });
    return log;
  };
  const all: [string, 'loosened' | 'hung' | 'off'][] = [
    ['grille', 'hung'],
    ['trim', 'off'],
    ['liner-left', 'off'],
    ['cap-left', 'off'],
    ['liner-right', 'off'],
    ['cap-right', 'off'],
  ];
  const seen = (log: TestLog) =>
    gatesOf(contextOf(log), undefined).map((gate) => [
      Object.values(gate.subject).join(' '),
      gate.side,
      gate.coveredBy.map((need) => `${need.piece} ${need.level}`).join(', '),
      gate.passed,
    ]);

  test('each is covered by what hides it of what was opened, of its own side', () => {
    expect(seen(opened(...all))).toEqual([
      ['fit test-kit lamp-left', 'left', 'liner-left off', false],
      // The refit rule: the cap holds the edge of what sits in the blank's place.
      ['fit test-kit lamp-right', 'right', 'liner-right off, cap-right off', false],
      ['fit test-kit bar', 'centre', 'grille hung', false],
      ['joint test-kit left', 'left', 'liner-left off', false],
      ['joint test-kit right', 'right', 'liner-right off', false],
      ['joint test-kit feed', 'centre', 'trim off', false],
      ['test test-kit lights-left', 'left', 'liner-left off', false],
      ['test test-kit lights-right', 'right', 'liner-right off', false],
      ['test test-kit lights-bar', 'centre', 'grille hung, trim off', false],
      ['aim test-kit lamp-left', 'left', 'cap-left off', false],
    ]);
    // What was not opened covers nothing, and an adjuster that nothing hides is no gate.
    expect(seen(opened(['liner-left', 'loosened'])).every(([, , coveredBy]) => coveredBy === '')).toBe(true);
    expect(seen(opened(['liner-left', 'loosened'])).map(([subject]) => subject)).not.toContain('aim test-kit lamp-left');
  });

  test('each is passed by its own work alone, or by an exception that names it', () => {
    const passed = (log: TestLog) => seen(log).flatMap(([subject, , , is]) => (is ? [subject] : []));
    const log = opened(...all);
    for (const pass of ['start', 'align', 'tighten'] as const) {
      expect(passed(log)).toEqual([]);
      log.add('step.passed', { kit: 'test-kit', step: 'bar', pass });
    }
    expect(passed(log)).toEqual(['fit test-kit bar']);
    log.add('plug.joined', { kit: 'test-kit', connection: 'right' });
    log.add('test.tried', { kit: 'test-kit', test: 'lights-left', passed: true });
    log.add('test.tried', { kit: 'test-kit', test: 'lights-right', passed: false });
    log.add('aim.by-others', { lamp: 'test-kit/lamp-left', by: 'quay' });
    expect(passed(log)).toEqual(['fit test-kit bar', 'joint test-kit right', 'test test-kit lights-left', 'aim test-kit lamp-left']);
    log.add('exception.named', { about: 'plug:left', note: 'fed elsewhere' });
    log.add('exception.named', { about: 'test:test-kit/lights-right', note: 'agreed' });
    expect(passed(log)).toEqual([
      'fit test-kit bar',
      'joint test-kit left',
      'joint test-kit right',
      'test test-kit lights-left',
      'test test-kit lights-right',
      'aim test-kit lamp-left',
    ]);
  });

  test('a step is done through all its passes, of its own kit', () => {
    const log = openedLog();
    const [step] = FITMENT.fitSteps;
    if (!step) throw new Error('no step');
    const done = (own = step) => stepDone(contextOf(log), 'test-kit', own);
    log.add('step.passed', { kit: 'other', step: step.id, pass: 'start' });
    expect([done({ ...step, passes: ['start'] }), done({ ...step, passes: [] })]).toEqual([false, true]);
    log.add('step.passed', { kit: 'test-kit', step: step.id, pass: 'start' });
    expect([done({ ...step, passes: ['start'] }), done({ ...step, passes: ['start', 'tighten'] }), done()]).toEqual([true, false, false]);
  });
});

test('what a kit takes the place of is gone for good once it is off, and not before', () => {
  const log = openedLog();
  const gone = () => goneForGood(contextOf(log));
  expect([replacedPieces(contextOf(log)), gone()]).toEqual([['blank-left', 'blank-right'], []]);
  log.add('piece.moved', { piece: 'guard', level: 'off', fasteners: [] });
  log.add('piece.moved', { piece: 'blank-left', level: 'loosened', fasteners: [] });
  expect(gone()).toEqual([]);
  log.add('piece.moved', { piece: 'blank-left', level: 'off', fasteners: [] });
  expect(gone()).toEqual(['blank-left']);
  // A kit that is not fitted after all takes nothing's place.
  log.add('kit.dropped', { kit: KIT.slug, why: 'too dear' });
  expect(gone()).toEqual([]);
});
