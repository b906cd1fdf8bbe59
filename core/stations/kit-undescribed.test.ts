import { planOpening, gatesOf } from '../plan/index.ts';
import { idCheck } from '../log/index.ts';
import { jobContext, lampsToAim, type JobContext } from '../job/index.ts';
import type { Happened, JobEvent } from '../events/index.ts';
import type { KitDescribed } from '../overlay/index.ts';
import { newKit, type Kit } from '../kit/index.ts';
import { NEW_BAR } from '../test/new-bar.ts';
import { NEW_HERON } from '../test/new-heron.ts';
import { openedLog, PAIR, RULES, type TestLog } from '../job/test/log.ts';
import { newKind, type Piece, type VehicleProfile } from '../vehicle/index.ts';
import { fit, gather, isRefused, match, openUp, standingOf, undescribed, type Act, type Station } from './index.ts';

const HERON = newKind(NEW_HERON);
const BAR = newKit(NEW_BAR);
/** The bar is aimed by a rule of its own. */
const DRIVING = { ...RULES, aim: RULES.aim.map((rule) => ({ ...rule, beam: 'driving' as const })) };
const contextAt = (log: TestLog, profile: VehicleProfile = HERON, kit: Kit = BAR): JobContext => jobContext(log.state, { profile, kits: [kit], rules: DRIVING, year: 2022 });
const codesOf = (log: TestLog, station: Station) =>
  standingOf(contextAt(log), planOpening(contextAt(log)))
    .stations.find((entry) => entry.station === station)
    ?.holds.map(({ code }) => code);

function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}

const READ: gather.LampRead = { powerW: 96, atV: 13.2, kind: 'driven LED', widthMm: 560, heightMm: 72, depthMm: 81, marking: 'reference class, none found' };
const AT = { xMm: 830, yMm: 30, zMm: 790 };
const PLACE: fit.FittedAt = { id: 'behind-the-grille-p4n2', name: 'Behind the grille', at: AT };
const step = (part: Partial<fit.StepDone> = {}): fit.StepDone => ({
  name: ' Feet and bar on the crossmember ',
  side: 'centre',
  lamps: ['light-bar'],
  place: PLACE,
  tool: '13 mm hex',
  tighten: '',
  minutes: 9.5,
  bolted: true,
  ...part,
});
const grille: Piece = {
  id: 'grille-x7k2',
  name: 'Grille',
  side: 'centre',
  zone: 'front',
  box: { xMm: [820, 880], yMm: [-500, 500], zMm: [700, 950] },
  levels: [{ level: 'off', openMin: 4, closeMin: 5, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }],
  fasteners: [],
  cautions: [],
};

/** A job on which the lamps of the bar are read and the grille is off. */
function opened(): TestLog {
  const log = openedLog();
  perform(log, gather.lampsRead(contextAt(log), BAR.slug, gather.lampsOffered(contextAt(log), BAR.slug), READ));
  perform(log, gather.noMoreOfKit(contextAt(log), BAR.slug, 'lamps'));
  log.add('kind.described', { pieces: [grille] });
  log.add('piece.moved', { piece: grille.id, level: 'off', fasteners: [] });
  return log;
}

test('of a kit that nobody described nothing looks settled, on a kind that is known as well', () => {
  const log = openedLog();
  expect([codesOf(log, 'match'), codesOf(log, 'gather')]).toEqual([['kit-undescribed'], ['contents-undescribed', 'kit-lamps-undescribed']]);
  expect([codesOf(log, 'wire'), codesOf(log, 'fit'), codesOf(log, 'aim')]).toEqual([['wiring-undescribed'], ['fitting-undescribed'], ['aim-undescribed']]);
  const { undescribed: _lists, ...known } = HERON;
  expect(match.asked(contextAt(log, known)).map(({ code }) => code)).toEqual(['kit-undescribed']);
  expect(undescribed.howDone(contextAt(log, known), 'wired')).toEqual([{ kit: BAR.slug }]);
  // Of a kit whose kind lights no road nobody asks how it was aimed.
  const markers = newKit({ ...NEW_BAR, kind: 'side marker set' });
  expect(undescribed.howDone(contextAt(log, HERON, markers), 'aimed')).toEqual([]);
});

test('what is in the box is counted from what such a kit commonly holds, and more; what is not there is not written down', () => {
  const log = openedLog();
  const offered = gather.contentsOffered(contextAt(log), BAR.slug);
  expect(offered.map(({ id, hand }) => [id, hand])).toEqual([
    ['light-bar', undefined],
    ['foot-left', 'left'],
    ['foot-right', 'right'],
    ['harness', undefined],
    ['relay', undefined],
    ['bolts', undefined],
    ['grommet', undefined],
    ['switch', undefined],
  ]);
  expect(gather.contentsFound(contextAt(log), BAR.slug, [])).toEqual({ refused: [{ code: 'nothing' }] });
  const [bar, left, right] = offered;
  if (!bar || !left || !right) throw new Error('nothing is offered');
  perform(log, gather.contentsFound(contextAt(log), BAR.slug, [{ ...left, count: 2 }]));
  perform(log, gather.contentsFound(contextAt(log), BAR.slug, [{ id: 'spacers-q2d8', name: ' Spacers ', kind: 'other', spareAllowed: false, count: 4 }]));
  expect(contextAt(log).kits[0]?.contents.map(({ id, name, count }) => [id, name, count])).toEqual([
    ['foot-left', 'Foot', 2],
    ['spacers-q2d8', 'Spacers', 4],
  ]);
  expect(gather.contentsOffered(contextAt(log), BAR.slug).map(({ id }) => id)).toEqual(['light-bar', 'foot-right', 'harness', 'relay', 'bolts', 'grommet', 'switch']);
  // Two left ones and no right one: the right one is not in the box, so it is not known to belong to it, and nothing says that they balance.
  perform(log, gather.contentsFound(contextAt(log), BAR.slug, [{ ...right, count: 1 }]));
  expect(codesOf(log, 'gather')).toEqual(['contents-undescribed', 'kit-lamps-undescribed', 'content-hands']);
  expect(
    gather.contentsFound(contextAt(log), BAR.slug, [
      { ...bar, count: 1 },
      { ...left, count: 1 },
    ]),
  ).toEqual({ refused: [{ code: 'already' }] });
  expect(gather.contentsFound(contextAt(log), BAR.slug, [{ ...bar, count: 0 }])).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  expect(gather.contentsFound(contextAt(log), BAR.slug, [{ ...bar, name: ' ', count: 1.5 }])).toEqual({ refused: [{ code: 'missing', count: 2 }] });
  expect(gather.contentsFound(contextAt(log), BAR.slug, [{ ...bar, name: 'x'.repeat(81), count: 1 }])).toEqual({ refused: [{ code: 'too-long', over: 1, most: 80 }] });
  perform(log, gather.noMoreOfKit(contextAt(log), BAR.slug, 'contents'));
  expect([codesOf(log, 'gather'), gather.contentsOffered(contextAt(log), BAR.slug)]).toEqual([['kit-lamps-undescribed', 'content-hands'], []]);
  expect(gather.contentsFound(contextAt(log), BAR.slug, [{ ...bar, count: 1 }])).toEqual({ refused: [{ code: 'already' }] });
  expect(gather.noMoreOfKit(contextAt(log), BAR.slug, 'contents')).toEqual({ refused: [{ code: 'already' }] });
  expect(gather.noMoreOfKit(contextAt(openedLog()), BAR.slug, 'contents')).toEqual({ refused: [{ code: 'nothing' }] });
});

test('a lamp is as it is read: what nobody stated is absent, and a claim stays one', () => {
  const log = openedLog();
  const offered = gather.lampsOffered(contextAt(log), BAR.slug);
  expect(offered).toEqual([{ id: 'light-bar', name: 'Light bar', side: 'centre' }]);
  const { powerW: _w, kind: _k, ...less } = READ;
  expect(gather.lampsRead(contextAt(log), BAR.slug, offered, { ...less, marking: ' ' })).toEqual({ refused: [{ code: 'missing', count: 3 }] });
  expect(gather.lampsRead(contextAt(log), BAR.slug, [], READ)).toEqual({ refused: [{ code: 'nothing' }] });
  perform(log, gather.lampsRead(contextAt(log), BAR.slug, offered, { ...READ, claims: { peakCd: 61_000 } }));
  expect(contextAt(log).kits[0]?.lamps).toEqual([
    {
      id: 'light-bar',
      name: 'Light bar',
      side: 'centre',
      optics: { beam: 'driving', peakCd: 61_000, basis: 'claimed' },
      load: { powerW: 96, atV: 13.2, kind: 'driven LED' },
      box: { widthMm: 560, heightMm: 72, depthMm: 81 },
      marking: 'reference class, none found',
    },
  ]);
  expect(gather.lampsRead(contextAt(log), BAR.slug, offered, READ)).toEqual({ refused: [{ code: 'already' }] });
  perform(log, gather.noMoreOfKit(contextAt(log), BAR.slug, 'lamps'));
  expect(codesOf(log, 'gather')).toEqual(['contents-undescribed']);
  expect(gather.lampsOffered(contextAt(log), BAR.slug)).toEqual([]);
  // A pair is two lamps, one of each side, and its turn signals are those of their sides.
  const pair = newKit({ ...NEW_BAR, kind: 'rear lamp pair' });
  const two = openedLog();
  perform(two, gather.lampsRead(contextAt(two, HERON, pair), pair.slug, gather.lampsOffered(contextAt(two, HERON, pair), pair.slug), READ));
  const lamps = contextAt(two, HERON, pair).kits[0]?.lamps ?? [];
  expect(lamps.map(({ id, side, optics }) => [id, side, optics.beam])).toEqual([
    ['rear-lamp-left', 'left', 'signal'],
    ['rear-lamp-right', 'right', 'signal'],
  ]);
  const turns = fit.testsOffered(contextAt(two, HERON, pair), pair.slug).filter(({ state }) => state.startsWith('turn'));
  expect(turns.map(({ state, side, lamps: proved }) => [state, side, proved])).toEqual([
    ['turn left', 'left', ['rear-lamp-left']],
    ['turn right', 'right', ['rear-lamp-right']],
  ]);
});

test('a step of fitting is described as it was done, with its place and what was open then, and is passed', () => {
  const log = opened();
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step(), 'feet-x7k2'));
  const context = contextAt(log);
  expect(context.profile.mounts).toEqual([
    {
      id: PLACE.id,
      name: 'Behind the grille',
      side: 'centre',
      at: AT,
      reach: [{ id: 'seen', needs: [{ piece: grille.id, level: 'off' }], extraMin: 0 }],
      hiddenBy: [{ piece: grille.id, level: 'off' }],
    },
  ]);
  const [fitment] = context.kits[0]?.fitments ?? [];
  expect(fitment).toEqual({
    vehicle: HERON.slug,
    years: HERON.years,
    mounts: [{ lamp: 'light-bar', mount: PLACE.id }],
    connections: [],
    replaces: [],
    losesFunctions: [],
    tests: [],
    undescribed: ['mounts', 'connections', 'fitSteps', 'tests', 'years'],
    fitSteps: [
      {
        id: 'feet-x7k2',
        name: 'Feet and bar on the crossmember',
        side: 'centre',
        needs: [],
        at: PLACE.id,
        passes: ['start', 'align', 'tighten'],
        minutes: 9.5,
        tool: '13 mm hex',
        tighten: 'snug',
      },
    ],
  });
  expect(log.state.passes[BAR.slug]).toEqual({ 'feet-x7k2': ['start', 'align', 'tighten'] });
  // Its lamp is aimed from now on, and the station goes on asking until all of it is said to be fitted.
  expect(lampsToAim(context).map(({ lamp, mount }) => [lamp.id, mount.id])).toEqual([['light-bar', PLACE.id]]);
  expect(codesOf(log, 'fit')).toEqual(['fitting-undescribed']);
  expect(fit.stepFitted(context, BAR.slug, step(), 'feet-x7k2')).toEqual({ refused: [{ code: 'already' }] });
});

test('what is missing of a step, or odd in it, is said before anything is written', () => {
  const log = opened();
  const refusedBy = (part: Partial<fit.StepDone>, irreversible = false) => fit.stepFitted(contextAt(log), BAR.slug, step(part), 'feet-x7k2', irreversible);
  expect(refusedBy({ name: ' ', side: undefined, place: undefined, tool: '', minutes: NaN, bolted: undefined })).toEqual({ refused: [{ code: 'missing', count: 6 }] });
  // That bolts were tightened is recorded only where somebody says so.
  expect(refusedBy({ bolted: undefined })).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  expect(refusedBy({ place: { id: 'a', name: 'Beside the lamp' } })).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  expect(refusedBy({ place: { id: 'nowhere' } })).toEqual({ refused: [{ code: 'unknown', what: 'mount position', id: 'nowhere' }] });
  expect(refusedBy({ lamps: ['other'] })).toEqual({ refused: [{ code: 'unknown', what: 'lamp', id: 'other' }] });
  expect(refusedBy({ tool: 'x'.repeat(82) })).toEqual({ refused: [{ code: 'too-long', over: 2, most: 80 }] });
  expect(refusedBy({ minutes: 21 })).toMatchObject({ refused: [{ code: 'doubtful' }] });
  expect(isRefused(fit.stepFitted(contextAt(log), BAR.slug, step({ minutes: 21 }), 'feet-x7k2', false, true))).toBe(false);
  // What does not grow back is agreed to.
  expect(refusedBy({}, true)).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step({ lamps: [], agreedBy: ' the fleet manager ', bolted: false }), 'hole-m2s7', true));
  const [drilled] = contextAt(log).kits[0]?.fitments[0]?.fitSteps ?? [];
  expect([drilled?.irreversible, drilled?.passes, log.state.consents]).toEqual([true, ['start'], { [`fit:${BAR.slug}/hole-m2s7`]: 'the fleet manager' }]);
  // A place that is known is named, and what is open now makes no other of it.
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step({ place: { id: PLACE.id } }), 'feet-x7k2'));
  expect(contextAt(log).profile.mounts).toHaveLength(1);
});

test('all is fitted once each lamp has its place and the tests that prove it are taken; they are tried as any', () => {
  const log = opened();
  expect(fit.allFitted(contextAt(log), BAR.slug)).toEqual({ refused: [{ code: 'nothing' }] });
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step({ lamps: [] }), 'feet-x7k2'));
  expect(fit.allFitted(contextAt(log), BAR.slug)).toEqual({
    refused: [
      { code: 'place-first', kit: BAR.slug, lamps: ['light-bar'] },
      { code: 'tests-first', kit: BAR.slug },
    ],
  });
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step({ place: { id: PLACE.id } }), 'bar-k8w3'));
  const offered = fit.testsOffered(contextAt(log), BAR.slug);
  expect(offered).toMatchObject([{ id: 'light-bar-main', state: 'main', side: 'centre', lamps: ['light-bar'], gate: true }]);
  expect(fit.takeTests(contextAt(log), BAR.slug, ['other'])).toEqual({ refused: [{ code: 'nothing' }] });
  perform(log, fit.takeTests(contextAt(log), BAR.slug, ['light-bar-main']));
  expect([fit.testsOffered(contextAt(log), BAR.slug), codesOf(log, 'fit')]).toEqual([[], ['fitting-undescribed', 'test-missing']]);
  // Before the grille covers it again it is proved.
  expect(gatesOf(contextAt(log), undefined).find(({ subject }) => subject.kind === 'test')?.coveredBy).toEqual([{ piece: grille.id, level: 'off' }]);
  perform(log, fit.allFitted(contextAt(log), BAR.slug));
  expect([codesOf(log, 'fit'), contextAt(log).kits[0]?.fitments[0]?.undescribed, fit.kitsToDescribe(contextAt(log))]).toEqual([['test-missing'], ['connections', 'years'], []]);
  expect(fit.allFitted(contextAt(log), BAR.slug)).toEqual({ refused: [{ code: 'already' }] });
  expect([codesOf(log, 'wire'), codesOf(log, 'match'), codesOf(log, 'open-up')]).toEqual([['wiring-undescribed'], ['kit-unconfirmed'], []]);
});

test('a kit whose lamps nobody has described is not said to be fitted as a whole', () => {
  const log = openedLog();
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step({ lamps: [] }), 'feet-x7k2'));
  expect(fit.allFitted(contextAt(log), BAR.slug)).toEqual({ refused: [{ code: 'lamps-first', kit: BAR.slug }] });
});

test('a kit of the library is written down on a kind that it does not name: with the tests that it has elsewhere, without what is of that vehicle alone', () => {
  const tried = {
    id: 'both',
    name: 'Both light',
    side: 'centre' as const,
    state: 'front fog' as const,
    helper: 'Front fog on.',
    lamps: PAIR.lamps.map(({ id }) => id),
    gate: true,
  };
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('the pair is fitted nowhere');
  const pair = { ...PAIR, fitments: [{ ...fitment, tests: [{ ...tried, after: ['bonnet'], when: { fact: 'headlamp', is: 'led' } }] }] };
  const log = openedLog();
  const at = () => contextAt(log, HERON, pair);
  expect(fit.testsOffered(at(), pair.slug)).toEqual([tried]);
  perform(log, fit.stepFitted(at(), pair.slug, step({ lamps: tried.lamps }), 'brackets-x7k2'));
  perform(log, fit.takeTests(at(), pair.slug, ['both']));
  // What is taken is offered no more, and what it has here is none of another vehicle.
  expect([fit.testsOffered(at(), pair.slug), at().kits[0]?.fitments.map(({ vehicle }) => vehicle)]).toEqual([[], [fitment.vehicle, HERON.slug]]);
  const [, here] = at().kits[0]?.fitments ?? [];
  const only = { ...pair, fitments: here ? [{ ...here, tests: [{ ...tried, id: 'other' }] }] : [] };
  expect(fit.testsOffered(contextAt(openedLog(), HERON, only), pair.slug)).toEqual([]);
  // Tests that are taken here are not what it has elsewhere: those of its kind are still offered.
  const bar = opened();
  bar.add('kit.described', { kit: BAR.slug, tests: [{ ...tried, id: 'other', lamps: ['light-bar'] }] });
  expect(fit.testsOffered(contextAt(bar), BAR.slug).map(({ id }) => id)).toEqual(['light-bar-main']);
  perform(log, fit.allFitted(at(), pair.slug));
  expect(at().kits[0]?.fitments[1]?.undescribed).toEqual(['connections', 'years']);
  expect(at().kits[0]?.fitments[0]).toEqual(pair.fitments[0]);
});

test('the second vehicle is planned from what was kept: the way to the place, the step there, its test', () => {
  const log = opened();
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step(), 'feet-x7k2'));
  perform(log, fit.takeTests(contextAt(log), BAR.slug, ['light-bar-main']));
  perform(log, fit.allFitted(contextAt(log), BAR.slug));
  const { profile, kits } = contextAt(log);
  const next = openedLog();
  const at = () => jobContext(next.state, { profile, kits, rules: DRIVING, year: 2016 });
  expect(planOpening(at()).steps.map(({ piece, level }) => [piece, level])).toEqual([[grille.id, 'off']]);
  const [onVehicle] = fit.kitsToDescribe(at());
  expect(onVehicle).toBeUndefined();
  // One of another year was fitted without its maker's word: the year says nothing against it.
  expect(match.asked(at()).map(({ code }) => code)).toEqual(['kit-unconfirmed']);
  expect(fit.passed(at(), BAR.slug, 'feet-x7k2', 'start', '2026-01-05T08:00:00Z')).toEqual({ refused: [{ code: 'open-first', pieces: [grille.id] }] });
  perform(next, openUp.moved(at(), planOpening(at()), planOpening(at()).steps[0] as never, [], '2026-01-05T08:00:00Z'));
  perform(next, fit.passed(at(), BAR.slug, 'feet-x7k2', 'start', '2026-01-05T08:10:00Z'));
  const gate = gatesOf(at(), undefined).find(({ subject }) => subject.kind === 'fit');
  expect([gate?.coveredBy, gate?.passed]).toEqual([[{ piece: grille.id, level: 'off' }], false]);
});

test('what is written of a kit is held against it and the vehicle, with the path of the fault', () => {
  const check = idCheck({ profile: HERON, kits: [BAR], rules: RULES });
  const faultsOf = (payload: Partial<KitDescribed>) =>
    check({ id: 'e1', type: 'kit.described', v: 1, at: '2026-01-05T08:00:00Z', payload: { kit: BAR.slug, ...payload } } as JobEvent, 'events[2]').map(
      ({ path, code }) => `${path} ${code}`,
    );
  expect(faultsOf({})).toEqual(['events[2].payload one-of']);
  expect(faultsOf({ kit: 'other', whole: ['contents'] })).toEqual(['events[2].payload.kit unknown-id']);
  expect(faultsOf({ mounts: [{ lamp: 'light-bar', mount: 'nowhere' }] })).toEqual(['events[2].payload.mounts[0].lamp unknown-id', 'events[2].payload.mounts[0].mount unknown-id']);
  const item = { id: 'bolts', name: 'Bolts', kind: 'fastener' as const, count: 4, spareAllowed: true };
  expect(faultsOf({ contents: [item, item] })).toEqual(['events[2].payload.contents[1].id duplicate-id']);
  const done = { id: 'a', name: 'Feet', side: 'centre' as const, needs: [], at: 'nowhere', passes: ['start' as const], minutes: 4, tool: 'hand', tighten: 'snug' };
  expect(faultsOf({ fitSteps: [done] })).toEqual(['events[2].payload.fitSteps[0].at unknown-id']);
  const tried = { id: 't', name: 'Lights', side: 'centre' as const, state: 'main' as const, helper: 'Main beam on.', lamps: ['light-bar'], gate: true };
  expect(faultsOf({ tests: [tried] })).toEqual(['events[2].payload.tests[0].lamps[0] unknown-id']);
  // What was described before is known to what comes after.
  const lamp = {
    id: 'light-bar',
    name: 'Light bar',
    side: 'centre' as const,
    optics: { beam: 'driving' as const, basis: 'claimed' as const },
    load: { powerW: 96, atV: 13.2, kind: 'driven LED' as const },
    box: { widthMm: 1, heightMm: 1, depthMm: 1 },
    marking: 'none',
  };
  expect(faultsOf({ lamps: [lamp], tests: [tried] })).toEqual([]);
  expect(faultsOf({ tests: [{ ...tried, id: 't2' }] })).toEqual([]);
  const counted = { id: 'e2', type: 'content.counted', v: 1, at: '2026-01-05T08:00:00Z', payload: { kit: BAR.slug, item: 'bolts', count: 4 } } as JobEvent;
  expect(check(counted, 'events[3]').map(({ path }) => path)).toEqual(['events[3].payload.item']);
  expect([faultsOf({ contents: [item] }), check(counted, 'events[3]')]).toEqual([[], []]);
});

test('a part of a kit takes the place of what is off and is the vehicle’s own, and of nothing that isolates a supply', () => {
  const log = opened();
  const clamp: Piece = { ...grille, id: 'clamp', name: 'Clamp', levels: grille.levels };
  log.add('kind.described', { pieces: [clamp], supplies: [{ id: 'low', name: '12 V battery', piece: 'clamp', level: 'off', waitMin: 0, by: 'anyone', before: [], forgets: [] }] });
  log.add('piece.moved', { piece: 'clamp', level: 'off', fasteners: [] });
  log.add('accessory.found', { accessory: 'winch', name: 'Winch', side: 'centre', zone: 'front', holds: [], openMin: 5, closeMin: 6, people: 1, drive: 'hex', count: 4 });
  log.add('piece.moved', { piece: 'winch', level: 'off', fasteners: [] });
  expect(fit.placesTaken(contextAt(log)).map(({ id }) => id)).toEqual([grille.id]);
  const refusals = (...inPlaceOf: string[]) => {
    const act = fit.stepFitted(contextAt(log), BAR.slug, step({ inPlaceOf }), 'feet-a1b2');
    return isRefused(act) ? act.refused : [];
  };
  expect(refusals('clamp')).toEqual([{ code: 'unknown', what: 'piece', id: 'clamp' }]);
  perform(log, fit.stepFitted(contextAt(log), BAR.slug, step({ inPlaceOf: [grille.id] }), 'feet-a1b2'));
  expect(contextAt(log).kits[0]?.fitments[0]).toMatchObject({ replaces: [grille.id], fitSteps: [{ inPlaceOf: [grille.id] }] });
  log.add('piece.moved', { piece: grille.id, level: 'fitted', fasteners: [] });
  expect(refusals(grille.id)).toEqual([{ code: 'unknown', what: 'piece', id: grille.id }]);
  const check = idCheck({ profile: HERON, kits: [BAR], rules: DRIVING }, { described: log.state.described });
  const faults = (payload: Omit<KitDescribed, 'kit'>) =>
    check({ type: 'kit.described', payload: { kit: BAR.slug, ...payload } } as JobEvent, 'events[0]').map(({ path, code }) => [path, code]);
  expect([faults({ replaces: ['roof'] }), faults({ replaces: [grille.id] })]).toEqual([[['events[0].payload.replaces[0]', 'unknown-id']], []]);
});
