import { wireJoints } from '../loom/index.ts';
import { matchKit } from '../match/index.ts';
import { RULES } from '../job/test/log.ts';
import { checkKit, type Kit } from '../kit/index.ts';
import { probe, wire } from '../stations/index.ts';
import { checkProfile, type VehicleProfile } from '../vehicle/index.ts';
import { kindCaptured, seenJob, takenTogether, withCaptured, type Taken } from './index.ts';
import { barePiece } from '../test/bare-profile.ts';
import { AtWork, BAR, HERON } from './test/at-work.ts';
import { allTaken } from './test/taken.ts';

const AT = '2026-03-05T08:30:00Z';
const BOX = { xMm: [800, 900] as [number, number], yMm: [-300, 100] as [number, number], zMm: [500, 700] as [number, number] };
const GRILLE = 'grille-a1b2';
const PLUG = 'found-headlamp-plug';

/** A job on which the bar is joined to a pickup, nobody having described how. */
class Wiring extends AtWork {
  constructor(...of: ConstructorParameters<typeof AtWork>) {
    super(...of);
    this.log.add('reference.checked', { groundV: 0.01, feedV: 12.6 });
    if (this.context.kits[0]?.undescribed?.includes('lamps')) this.lamps();
  }

  grilleOff(): this {
    if (!this.context.profile.pieces.some(({ id }) => id === GRILLE)) {
      const levels = [{ level: 'off' as const, openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }];
      this.log.add('kind.described', { pieces: [{ id: GRILLE, name: 'Grille', side: 'centre', zone: 'front', box: BOX, levels, fasteners: [], cautions: [] }] });
    }
    this.log.add('piece.moved', { piece: GRILLE, level: 'off', fasteners: [] });
    return this;
  }

  proved(pins = 3, plug = PLUG): this {
    if (!this.context.profile.plugs.some(({ id }) => id === plug)) {
      const face = { name: 'Headlamp plug', where: 'Behind the grille', side: 'left' as const, may: ['dipped', 'main'] as const, rows: 1, columns: pins, without: [], colours: {} };
      this.act(probe.findPlug(this.context, face, face.may, plug));
    }
    for (const [state, ...volts] of [
      ['key off', 0.01, 0.02, 0.02],
      ['dipped', 0.01, 12.4, 0.03],
      ['main', 0.01, 12.4, 12.3],
      ['main', 0.01, 12.4, 12.3],
    ] as const)
      volts.forEach((lowV, index) => this.log.add('reading.taken', { plug, pin: String(index + 1), state, lowV, highV: lowV }));
    return this;
  }

  joined(id: string, part: Partial<wire.JointMade> = {}): this {
    const made = { by: 'wire' as const, plug: PLUG, pin: '3', name: 'Trigger lead', lamps: ['light-bar'], slot: 'F21', ratedA: 10, feeds: 'relay' as const };
    return this.act(wire.jointMade(this.context, BAR.slug, { ...made, fuseA: 15, batteryToFuseMm: 140, contactA: 30, ...part }, id, AT));
  }

  all(): this {
    return this.act(wire.allWired(this.context, BAR.slug));
  }
}

const taughtBy = (jobs: readonly Wiring[], profile: VehicleProfile = HERON, kit: Kit = BAR) =>
  kindCaptured(
    jobs.map(({ name, log }) => seenJob(name, { profile, kits: [kit], rules: RULES }, log.events).seen),
    jobs.map(({ name, log }) => ({ job: name, described: log.state.described, kits: log.state.kitsDescribed })),
    profile,
    [kit],
  );
const kept = (jobs: readonly Wiring[], less: (all: Taken) => Partial<Taken> = () => ({}), profile: VehicleProfile = HERON, kit: Kit = BAR) => {
  const taught = taughtBy(jobs, profile, kit);
  const taken = { ...allTaken(taught), ...less(allTaken(taught)) };
  return { taught, profile: withCaptured(profile, taught, taken), kit: takenTogether(taught, profile, taken).kits[0] };
};

test('what was joined is kept with the plug, its way, its fuse and the kit, and the next vehicle is joined by it', () => {
  const { taught, profile, kit } = kept([new Wiring('one').grilleOff().proved().joined('trigger-lead-q4t7').all()]);
  expect(taught.plugs).toMatchObject([{ jobs: ['one'], entry: { id: PLUG, reach: [{ needs: [{ piece: GRILLE, level: 'off', seen: true }] }], hiddenBy: [] } }]);
  expect(taught.circuits).toMatchObject([{ jobs: ['one'], entry: { id: 'slot-f21', liveIn: ['main'] } }]);
  expect(taught.kits.map(({ names, more }) => [names, more])).toEqual([
    [
      { mounts: [], pieces: [], plugs: [PLUG], circuits: ['slot-f21'] },
      { lamps: 1, contents: 0, fitSteps: 0, connections: 1, tests: 0 },
    ],
  ]);
  if (!kit) throw new Error('no kit is kept');
  expect([checkProfile(profile), checkKit(kit, new Map([[profile.slug, profile]]))]).toEqual([[], []]);
  expect(taughtBy([], profile, kit).kits).toEqual([]);
  // The next one: the plug lies behind the grille, its wire is likely and not proved, and nobody has to write the joint down.
  const next = new Wiring('two', profile, kit);
  expect(wire.kitsToWire(next.context)).toEqual([]);
  const [step, join] = wire.floorSteps(next.context, AT).filter(({ kind }) => kind !== 'settle');
  expect([step?.kind, step?.kind === 'prove' && step.pins]).toEqual(['prove', ['3']]);
  expect(join?.kind === 'join' && join.against.map(({ code }) => code)).toEqual(['wire-first', 'open-first']);
  next
    .grilleOff()
    .proved()
    .act(wire.join(next.context, BAR.slug, 'trigger-lead-q4t7', AT));
  expect(wireJoints(next.context).map(({ joined }) => joined)).toEqual([true]);
  // Also once all of it is described the years are those of its maker, whom nobody asked: an older one is not ruled out.
  const whole = { ...kit, fitments: kit.fitments.map((fitment) => ({ ...fitment, undescribed: ['years' as const] })) };
  expect(matchKit(whole, profile, 2014, {})).toMatchObject({ value: 'yes', reasons: [{ code: 'was-fitted' }] });
  // One that its maker names, and of which the wiring alone is not described, is for its years.
  for (const undescribed of [undefined, ['connections' as const]])
    expect(matchKit({ ...whole, fitments: kit.fitments.map((fitment) => ({ ...fitment, undescribed })) }, profile, 2014, {}).value).toBe('no');
  // It teaches nothing further.
  const again = taughtBy([next], profile, kit);
  expect([again.plugs, again.circuits, again.kits]).toEqual([[], [], []]);
});

test('the wiring of one job is kept: the one that is whole, else the one with more joints; how it is fitted is another matter', () => {
  const less = new Wiring('less').proved().joined('trigger-lead-q4t7').all();
  const more = new Wiring('more').proved().joined('one-lead-a1a1', { slot: 'F3', batteryToFuseMm: 90 }).joined('other-lead-b2b2', { pin: '2', slot: 'F4' });
  const connections = (jobs: readonly Wiring[]) => kept(jobs).kit?.fitments[0]?.connections.map(({ id }) => id);
  expect(connections([more, less])).toEqual(['trigger-lead-q4t7']);
  expect(kept([more, less]).kit).toMatchObject({ feeds: [{ batteryToFuseMm: 140 }], plugs: [{ id: 'trigger-lead-q4t7' }] });
  expect(connections([new Wiring('open').proved().joined('trigger-lead-q4t7'), more])).toEqual(['one-lead-a1a1', 'other-lead-b2b2']);
  const whole = kept([less]).kit?.fitments[0];
  expect([whole?.undescribed?.includes('connections'), whole?.undescribed?.includes('fitSteps')]).toEqual([false, true]);
  expect(kept([more]).kit?.fitments[0]?.undescribed).toContain('connections');
});

test('a plug that two jobs found under one name and with one face is one, and the kit is joined to that; with another face they are two', () => {
  const joined = (name: string, plug: string, pins = 3) => new Wiring(name).proved(pins, plug).joined(`lead-${name}`, { plug });
  const taught = kept([joined('one', 'plug-a1'), joined('two', 'plug-z9').joined('lead-more', { plug: 'plug-z9', pin: '2', slot: 'F4' })]);
  expect(taught.taught.plugs.map(({ entry, jobs }) => [entry.id, jobs])).toEqual([['plug-a1', ['one', 'two']]]);
  // The wiring of the second job is kept, by which the first one's plug is named.
  expect(taught.kit?.fitments[0]?.connections.map(({ id, vehiclePlug }) => [id, vehiclePlug])).toEqual([
    ['lead-two', 'plug-a1'],
    ['lead-more', 'plug-a1'],
  ]);
  if (!taught.kit) throw new Error('no kit is kept');
  expect(checkKit(taught.kit, new Map([[taught.profile.slug, taught.profile]]))).toEqual([]);
  const wide = kept([joined('one', 'plug-a1'), joined('two', 'plug-z9', 4)]);
  expect(wide.taught.plugs.map(({ entry, jobs }) => [entry.id, jobs])).toEqual([
    ['plug-a1', ['one']],
    ['plug-z9', ['two']],
  ]);
});

test('wiring that is described as a whole is corrected by hand: what a job joined before it was is not added', () => {
  const { profile, kit } = kept([new Wiring('one').proved().joined('trigger-lead-q4t7').all()]);
  const two = new Wiring('two').proved().joined('one-lead-a1a1', { slot: 'F3' }).joined('other-lead-b2b2', { pin: '2', slot: 'F4' });
  const [later] = taughtBy([two], profile, kit).kits;
  expect(later).toBeUndefined();
});

test('a plug to which nothing leads that can be said is left out, and counted', () => {
  const visor = { ...barePiece('visor'), when: { fact: 'trim', is: 'guard' }, levels: [{ level: 'loosened' as const, openMin: 1, closeMin: 1, people: 1, ways: [] }] };
  const trim = { id: 'trim', label: 'Trim', choices: ['plain', 'guard'], howToSee: 'Look.', lookMin: 1 };
  const profile = { ...HERON, facts: [trim], pieces: [visor] };
  const job = new Wiring('one', profile);
  job.log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  const taught = taughtBy([job.proved().joined('trigger-lead-q4t7')], profile);
  expect([taught.plugs, taught.unsayable]).toEqual([[], 1]);
});

test('who leaves a plug or a fuse leaves the kit that hangs on it; a pin does not name what was left', () => {
  const jobs = [new Wiring('one').grilleOff().proved().joined('trigger-lead-q4t7').all()];
  expect(kept(jobs, () => ({ plugs: [] })).kit).toBeUndefined();
  const without = kept(jobs, () => ({ circuits: [] }));
  expect(without.kit).toBeUndefined();
  expect(without.profile.plugs[0]?.pins.map(({ carries, circuit }) => [carries, circuit])).toEqual([
    ['unknown', undefined],
    ['dipped', undefined],
    ['main', undefined],
  ]);
  expect(checkProfile(without.profile)).toEqual([]);
  // The only way to the plug leads over the grille.
  const bare = kept(jobs, () => ({ pieces: [] }));
  expect([bare.profile.plugs, bare.kit]).toEqual([[], undefined]);
  expect(kept(jobs).profile.plugs[0]?.pins[2]?.circuit).toBe('slot-f21');
});

test('a lead is kept with the joints of the job whose wiring is kept, and with no other', () => {
  const lead = { lengthMm: 1850, areaMm2: 1.5, ground: 'at lamp' as const };
  const one = new Wiring('one').grilleOff().proved().joined('trigger-lead-q4t7', { lead }).all();
  const two = new Wiring('two')
    .grilleOff()
    .proved()
    .joined('harness-plug-a1b2', { lead: { lengthMm: 900 } });
  const { kit, profile } = kept([two, one]);
  expect(kit?.legs).toEqual([{ id: 'trigger-lead-q4t7-lead', lamp: 'light-bar', lengthMm: 1850, wire: { areaMm2: 1.5, ground: 'at lamp' } }]);
  expect(kit && checkKit(kit, new Map([[profile.slug, profile]]))).toEqual([]);
});
