import { foldJob } from '../log/index.ts';
import { planClosingOf, planOpening } from '../plan/index.ts';
import type { LoggedEvent } from '../events/index.ts';
import { RULES } from '../job/test/log.ts';
import { checkKit } from '../kit/index.ts';
import { fit, gather, openUp } from '../stations/index.ts';
import { checkProfile, type OpenLevel } from '../vehicle/index.ts';
import { kindCaptured, seenJob, takenTogether, withCaptured, type KindCaptured, type Taken } from './index.ts';
import { AtWork, BAR, HERON } from './test/at-work.ts';
import { allTaken as all } from './test/taken.ts';

const BOX = { xMm: [800, 900] as [number, number], yMm: [-100, 100] as [number, number], zMm: [500, 700] as [number, number] };
const AT = { xMm: 830, yMm: 20, zMm: 780 };
const MINUTE = 60_000;

/** A job on which the bar is fitted to a pickup, nobody having described either. */
class Fitting extends AtWork {
  came(id: string, level: OpenLevel = 'off'): this {
    const came = { name: id.replace(/-\w+$/, ''), side: 'centre' as const, zone: 'front' as const, box: BOX, level, openMin: 3, people: 1 };
    return this.act(openUp.pieceCame(this.context, { ...came, fasteners: [], beside: [], brittle: false }, id, true));
  }

  counted(id: string, count: number): this {
    const item = gather.contentsOffered(this.context, BAR.slug).find((entry) => entry.id === id);
    if (!item) throw new Error(`${id} is not offered`);
    return this.act(gather.contentsFound(this.context, BAR.slug, [{ ...item, count }]));
  }

  fitted(id: string, place: string, name = 'Behind the grille', lamps: string[] = [], inPlaceOf: string[] = []): this {
    const known = this.context.profile.mounts.some((mount) => mount.id === place);
    const done: fit.StepDone = {
      name: id.replace(/-\w+$/, ''),
      side: 'centre',
      lamps,
      place: known ? { id: place } : { id: place, name, at: AT },
      tool: '13 mm hex',
      tighten: '',
      minutes: 6,
      bolted: true,
      inPlaceOf,
    };
    return this.act(fit.stepFitted(this.context, BAR.slug, done, id));
  }

  whole(): this {
    this.act(fit.takeTests(this.context, BAR.slug, ['light-bar-main']));
    return this.act(fit.allFitted(this.context, BAR.slug));
  }

  /** What could have stayed on; all else had to be open. */
  judged(...spare: string[]): this {
    const opened = Object.keys(this.context.state.reached);
    const pieces = opened.map((piece) => ({ piece, enough: spare.includes(piece) ? ('fitted' as const) : ('needed' as const) }));
    return this.act({ events: [{ type: 'opening.judged', payload: { pieces } }] });
  }

  get events(): LoggedEvent[] {
    return this.log.events.map((event, index) => ({ ...event, id: `${this.name}-${event.id}`, at: new Date(Date.parse('2026-03-05T08:30:00Z') + index * MINUTE).toISOString() }));
  }
}

const captured = (jobs: readonly Fitting[], profile = HERON, kit = BAR): KindCaptured =>
  kindCaptured(
    jobs.map(({ name, events }) => seenJob(name, { profile, kits: [kit], rules: RULES }, events).seen),
    jobs.map(({ name, events }) => {
      const { described, kitsDescribed } = foldJob(events);
      return { job: name, described, kits: kitsDescribed };
    }),
    profile,
    [kit],
  );
const keptFrom = (taught: KindCaptured, taken: Taken = all(taught)) => ({
  profile: withCaptured(HERON, taught, taken),
  kit: takenTogether(taught, HERON, taken).kits[0],
});

test('a kit and its place that were captured on one job are sound documents, and the second vehicle is planned and fitted by them', () => {
  const one = new Fitting('one').lamps().counted('bolts', 6).came('grille-a1').came('duct-b2').fitted('feet-c3', 'behind-d4', 'Behind the grille', ['light-bar']).whole();
  const taught = captured([one]);
  expect(taught.mounts.map(({ entry, jobs }) => [entry.id, jobs, entry.reach.map(({ needs }) => needs), entry.hiddenBy])).toEqual([
    [
      'behind-d4',
      ['one'],
      [
        [
          // Nobody has said that they had to be off: they hide nothing.
          { piece: 'grille-a1', level: 'off', seen: true },
          { piece: 'duct-b2', level: 'off', seen: true },
        ],
      ].map((needs) => expect.arrayContaining(needs) as object),
      [],
    ],
  ]);
  expect(taught.kits.map(({ jobs, names, more }) => ({ jobs, names, more }))).toEqual([
    { jobs: ['one'], names: { mounts: ['behind-d4'], pieces: [], plugs: [], circuits: [] }, more: { lamps: 1, contents: 1, fitSteps: 1, connections: 0, tests: 1 } },
  ]);
  const { profile, kit } = keptFrom(taught);
  if (!kit) throw new Error('no kit is kept');
  expect([checkProfile(profile), checkKit(kit, new Map([[profile.slug, profile]]))]).toEqual([[], []]);
  expect([kit.undescribed, kit.fitments[0]?.undescribed]).toEqual([
    ['contents', 'vehicles'],
    ['connections', 'years'],
  ]);
  const next = new Fitting('two', profile, kit);
  expect(planOpening(next.context).steps.map(({ piece }) => piece)).toEqual(['grille-a1', 'duct-b2']);
  // Nothing of that is offered again, also where the first job goes on with what it described itself.
  expect(captured([one, next], profile, kit)).toMatchObject({ pieces: [], mounts: [], kits: [] });
});

test('what could have stayed on when it was fitted is not on the way to its place, and does not hide it', () => {
  const one = new Fitting('one').lamps().came('grille-a1').came('duct-b2').fitted('feet-c3', 'behind-d4', 'Behind the grille', ['light-bar']).whole().judged('duct-b2');
  const { profile, kit } = keptFrom(captured([one]));
  expect(profile.mounts.map(({ reach, hiddenBy }) => [reach.map(({ needs }) => needs), hiddenBy])).toEqual([
    [[[{ piece: 'grille-a1', level: 'off' }]], [{ piece: 'grille-a1', level: 'off' }]],
  ]);
  const next = new Fitting('two', profile, kit);
  expect(planOpening(next.context).steps.map(({ piece }) => piece)).toEqual(['grille-a1']);
});

test('how it is fitted is kept from one job, that which said it is all; what it holds from all of them, and one place of one name is one', () => {
  const started = new Fitting('one').lamps().counted('bolts', 6).came('grille-a1').fitted('feet-c3', 'behind-d4').fitted('cable-e5', 'behind-d4').fitted('tie-f6', 'behind-d4');
  const finished = new Fitting('two').lamps().counted('harness', 1).came('grille-z9').fitted('bar-g7', 'behind-h8', 'Behind the grille', ['light-bar']).whole();
  const taught = captured([started, finished]);
  expect(taught.mounts.map(({ entry, jobs }) => [entry.id, jobs])).toEqual([['behind-d4', ['one', 'two']]]);
  const [proposed] = taught.kits;
  expect(proposed?.kit.fitments[0]?.fitSteps.map(({ id, at }) => [id, at])).toEqual([['bar-g7', 'behind-d4']]);
  expect(proposed?.kit.fitments[0]?.mounts).toEqual([{ lamp: 'light-bar', mount: 'behind-d4' }]);
  expect(proposed?.kit.contents.map(({ id }) => id)).toEqual(['bolts', 'harness']);
  expect(proposed?.jobs).toEqual(['one', 'two']);
  const { profile, kit } = keptFrom(taught);
  expect(kit && checkKit(kit, new Map([[profile.slug, profile]]))).toEqual([]);
  // Of two that are not through the one with more steps is offered, and stays open.
  const more = captured([new Fitting('three').came('grille-y8').fitted('bar-g7', 'behind-h8'), started]);
  expect(more.kits[0]?.kit.fitments[0]).toMatchObject({
    fitSteps: [{ id: 'feet-c3' }, { id: 'cable-e5' }, { id: 'tie-f6' }],
    undescribed: ['mounts', 'connections', 'fitSteps', 'tests', 'years'],
  });
});

test('each place has the way that was open when it was first worked at, and two ways to one place hide it by what both need', () => {
  const one = new Fitting('one')
    .lamps()
    .came('grille-a1', 'loosened')
    .came('duct-b2')
    .fitted('feet-c3', 'behind-d4')
    .came('skid-e5')
    .fitted('bar-f6', 'above-g7', 'Above the skid')
    .judged();
  const needs = (taught: KindCaptured) =>
    taught.mounts.map(({ entry }) => [
      entry.id,
      entry.reach.map((way) => way.needs.map(({ piece, level }) => `${piece} ${level}`).sort()),
      entry.hiddenBy.map(({ piece, level }) => `${piece} ${level}`).sort(),
    ]);
  expect(needs(captured([one]))).toEqual([
    ['behind-d4', [['duct-b2 off', 'grille-a1 loosened']], ['duct-b2 off', 'grille-a1 loosened']],
    ['above-g7', [['duct-b2 off', 'grille-a1 loosened', 'skid-e5 off']], ['duct-b2 off', 'grille-a1 loosened', 'skid-e5 off']],
  ]);
  // On another one the grille came off and the duct stayed: the duct does not hide the place, the grille does until it is loose.
  const two = new Fitting('two').lamps().came('grille-h8').came('skid-i9').fitted('feet-j1', 'behind-k2').judged();
  expect(needs(captured([one, two]))).toEqual([
    [
      'behind-d4',
      expect.arrayContaining([
        ['duct-b2 off', 'grille-a1 loosened'],
        ['grille-a1 off', 'skid-e5 off'],
      ]),
      ['grille-a1 loosened'],
    ],
    ['above-g7', [['duct-b2 off', 'grille-a1 loosened', 'skid-e5 off']], ['duct-b2 off', 'grille-a1 loosened', 'skid-e5 off']],
  ]);
});

test('that all is fitted is said by whoever fitted it: said on another job it ends nothing', () => {
  const talk = new Fitting('one').lamps().act({ events: [{ type: 'kit.described', payload: { kit: BAR.slug, whole: ['fitSteps'] } }] });
  const work = new Fitting('two').lamps().came('grille-a1').fitted('feet-c3', 'behind-d4');
  expect(captured([talk, work]).kits[0]?.kit.fitments[0]?.undescribed).toEqual(['mounts', 'connections', 'fitSteps', 'tests', 'years']);
});

test('a kit whose place was left is left as well; one place over a piece that was left goes with it', () => {
  const taught = captured([new Fitting('one').lamps().came('grille-a1').fitted('feet-c3', 'behind-d4', 'Behind the grille', ['light-bar']).whole()]);
  const left = (part: Partial<Taken>) => {
    const { pieces, mounts, kits } = takenTogether(taught, HERON, { ...all(taught), ...part });
    return [pieces.length, mounts.length, kits.length];
  };
  expect([left({}), left({ mounts: [] }), left({ pieces: [] }), left({ kits: [] })]).toEqual([
    [1, 1, 1],
    [1, 0, 0],
    [0, 0, 0],
    [1, 1, 0],
  ]);
});

test('a fitting that is described as a whole is not changed by what a job wrote before it was', () => {
  const one = new Fitting('one').lamps().came('grille-a1').fitted('feet-c3', 'behind-d4', 'Behind the grille', ['light-bar']).whole();
  const two = new Fitting('two').lamps().came('grille-z9').fitted('bar-g7', 'behind-h8', 'Behind the grille', ['light-bar']).counted('switch', 1);
  const { profile, kit } = keptFrom(captured([one]));
  const [later] = captured([two], profile, kit).kits;
  expect(later?.kit.fitments).toEqual(kit?.fitments);
  expect(later?.more).toEqual({ lamps: 0, contents: 1, fitSteps: 0, connections: 0, tests: 0 });
});

test('what a kit takes the place of is kept with it, as the piece is kept, and does not go back on the next vehicle', () => {
  // The place can be reached without the cap, as the first one did.
  const one = new Fitting('one').fitted('tie-e5', 'behind-k9', 'Behind the cap').came('cap-a1');
  const two = new Fitting('two').lamps().came('cap-z9').fitted('feet-c3', 'behind-d4', 'Behind the cap', ['light-bar'], ['cap-z9']).whole();
  // The job itself asks for it no more.
  expect(planClosingOf(two.context, planOpening(two.context)).steps).toEqual([]);
  const taught = captured([one, two]);
  const { profile, kit } = keptFrom(taught);
  if (!kit) throw new Error('no kit is kept');
  expect([kit.fitments[0]?.replaces, kit.fitments[0]?.fitSteps[0]?.inPlaceOf, checkKit(kit, new Map([[profile.slug, profile]]))]).toEqual([['cap-a1'], ['cap-a1'], []]);
  expect(planOpening(new Fitting('next', profile, kit).context).steps.map(({ piece }) => piece)).toEqual(['cap-a1']);
  // Whoever leaves the piece leaves the kit that names it.
  const left = { ...all(taught), pieces: [], mounts: all(taught).mounts };
  expect(takenTogether(taught, HERON, left)).toMatchObject({ mounts: [{ id: 'behind-k9' }], kits: [] });
});

test('a kit that takes the place of a piece alone, with no step yet, is laid over its document', () => {
  const fitting = new Fitting('one').came('cap-a1');
  fitting.act({ events: [{ type: 'kit.described', payload: { kit: BAR.slug, replaces: ['cap-a1'] } }] });
  expect(fitting.context.kits[0]?.fitments).toMatchObject([{ vehicle: HERON.slug, replaces: ['cap-a1'], fitSteps: [] }]);
});
