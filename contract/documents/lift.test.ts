import { checkEvent } from '@jade/contract/job';
import { FaultyInput } from '@jade/core/faults';
import { checkKit, type Kit } from '@jade/core/kit';
import { checkProfile, type VehicleProfile } from '@jade/core/vehicle';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { liftDocument, readDocument } from './index.ts';

type Json = Record<string, unknown>;
const example = (file: string): Json => JSON.parse(readFileSync(join(import.meta.dirname, '../../docs/formats/examples', file), 'utf8')) as Json;
const each = (value: unknown, change: (entry: Json) => Json) => (value as Json[]).map(change);

/** The example profile as it was written before. */
function firstProfile(): Json {
  const { supplies: _, ...profile } = example('vehicle-profile.json');
  return {
    ...profile,
    format: 'jade-vehicle-profile/1',
    pieces: each(profile.pieces, (piece) => ({ ...piece, cautions: ['Hot after a drive.'] })),
    plugs: each(profile.plugs, ({ reach: _reach, hiddenBy: _hidden, ...plug }) => ({
      ...plug,
      behind: 'bumper-skin',
      pins: each(plug.pins, (pin) => (pin.carries === 'front fog' ? { ...pin, carries: 'brake' } : pin)),
    })),
    circuits: each(profile.circuits, (circuit) => ({ ...circuit, liveIn: ['brake'] })),
    mounts: each(profile.mounts, ({ hiddenBy: _hidden, ...mount }) => ({ ...mount, adjusterBehind: ['grille'] })),
    functions: each(profile.functions, (lamp) => ({ ...lamp, state: 'turn', side: 'right' })),
  };
}

test('a profile of the first version is lifted to a sound one of the newest', () => {
  const { document } = readDocument(firstProfile());
  const profile = document as VehicleProfile;
  expect(checkProfile(profile)).toEqual([]);
  expect(profile).toMatchObject({ format: 'jade-vehicle-profile/5', supplies: [] });
  expect(profile.pieces[0]?.cautions).toEqual([{ text: 'Hot after a drive.' }]);
  expect(profile.plugs[0]).toMatchObject({
    reach: [],
    hiddenBy: [{ piece: 'bumper-skin', level: profile.pieces.find((piece) => piece.id === 'bumper-skin')?.levels.at(-1)?.level }],
  });
  expect(profile.plugs[0]?.pins.map((pin) => pin.carries)).toContain('stop pedal');
  expect(profile.circuits[0]?.liveIn).toEqual(['stop pedal']);
  expect(profile.functions[0]?.state).toBe('turn right');
  expect(profile.mounts[0]?.adjusterHiddenBy).toEqual([{ piece: 'grille', level: 'off' }]);
  // What had to be open for a place is what hides it.
  expect(profile.mounts[0]?.hiddenBy).toEqual(profile.mounts[0]?.reach[0]?.needs);
});

/** The example kit as it was written before: a connection names its circuit, and nothing is laid by the kit itself. */
function secondKit(): Json {
  const { relays: _relays, feeds: _feeds, ...kit } = example('kit.json');
  return {
    ...kit,
    format: 'jade-kit/2',
    options: each(kit.options, ({ looks: _looks, ...option }) => option),
    fitments: each(kit.fitments, (fitment) => ({
      ...fitment,
      connections: each(fitment.connections, ({ feed, ...connection }) => ({ ...connection, circuit: (feed as Json).circuit })),
    })),
  };
}

test('a fitment of the fourth version that is not described as a whole was fitted at work: its years are nobody’s', () => {
  const fourth = (undescribed?: unknown) => {
    const kit = example('kit.json');
    return { ...kit, format: 'jade-kit/4', fitments: each(kit.fitments, (fitment) => ({ ...fitment, ...(undescribed === undefined ? {} : { undescribed }) })) };
  };
  const lifted = (undescribed?: unknown) => (readDocument(fourth(undescribed)).document as Kit).fitments.map((fitment) => fitment.undescribed);
  expect([lifted(['connections']), lifted([]), lifted()]).toEqual([[['connections', 'years']], [[]], [undefined]]);
  expect(() => readDocument({ ...fourth(), fitments: ['nothing'] })).toThrow('fitments[0]: type');
});

test('a kit of the second version is lifted: what feeds it is parted from what triggers, and an option that changes nothing is a matter of looks', () => {
  expect(readDocument(secondKit()).document).toEqual(example('kit.json'));
  const when = { fact: 'option.lens', is: 'amber' };
  const hangs = { ...secondKit(), contents: each(secondKit().contents, (item) => ({ ...item, when })) };
  const [option] = (readDocument(hangs).document as Kit).options;
  expect(option?.looks).toBeUndefined();
});

test('a profile of the second version does not say how it watches its lamps', () => {
  const { channels: _, ...profile } = example('vehicle-profile.json');
  const { document } = readDocument({ ...profile, format: 'jade-vehicle-profile/2' });
  expect([(document as VehicleProfile).format, 'channels' in document]).toEqual(['jade-vehicle-profile/5', false]);
});

test('a kit of the first version is lifted too, and says all lamps of a test', () => {
  const kit = example('kit.json');
  const first = {
    ...secondKit(),
    format: 'jade-kit/1',
    fitments: each(secondKit().fitments, (fitment) => ({
      ...fitment,
      tests: each(fitment.tests, ({ lamps, ...test }) => ({ ...test, lamp: (lamps as string[])[0], state: 'front fog' })),
    })),
  };
  const entry = readDocument(first);
  if (entry.kind !== 'kit') throw new Error('no kit');
  expect(entry.document).toEqual(readDocument(kit).document);
  expect(checkKit(entry.document, new Map([[String(example('vehicle-profile.json').slug), readDocument(example('vehicle-profile.json')).document as VehicleProfile]]))).toEqual([]);
});

test('what is new is given back as it is; a state that cannot be told is a fault with its path', () => {
  const profile = example('vehicle-profile.json');
  expect(liftDocument(profile)).toBe(profile);
  expect([liftDocument(7), liftDocument({ format: 'tea/1' })]).toEqual([7, { format: 'tea/1' }]);
  const odd = { ...firstProfile(), circuits: each(firstProfile().circuits, (circuit) => ({ ...circuit, liveIn: ['moonlight'] })) };
  try {
    readDocument(odd);
  } catch (error) {
    if (!(error instanceof FaultyInput)) throw error;
    expect(error.faults).toMatchObject([{ path: 'circuits[0].liveIn', code: 'choice' }]);
  }
  expect.assertions(3);
});

test('a reading of the first version is lifted to the list of states; one that cannot be told is refused', () => {
  const reading = (state: string, v = 1) =>
    checkEvent({ id: '019500d0-0000-7000-8000-000000000001', type: 'reading.taken', v, at: '2026-03-05T08:30:00Z', payload: { plug: 'p', pin: '2', state, lowV: 0, highV: 0 } });
  expect(reading('all off')).toMatchObject({ event: { v: 2, payload: { state: 'key off' } } });
  expect(reading('brake', 2)).toMatchObject({ faults: [{ path: 'payload.state', code: 'choice' }] });
  expect(reading('moonlight')).toMatchObject({ faults: [{ path: 'payload.state', code: 'choice' }] });
  expect(reading('key off', 3)).toMatchObject({ faults: [{ path: 'v', code: 'choice', data: { choices: '2' } }] });
});
