import { lostIn, wouldLose } from './index.ts';
import { openedLog, PAIR, RULES, VAN } from './test/log.ts';

const before = { profile: VAN, kits: [PAIR], rules: RULES };

test('the same documents lose nothing, also with more in them', () => {
  const more = { ...VAN, gaps: [...VAN.gaps, { ...VAN.gaps[0]!, id: 'door' }] };
  expect([lostIn(before, before), lostIn(before, { ...before, profile: more })]).toEqual([[], []]);
});

test('what is gone is named by its list, within what it was; what was within something gone is not named again', () => {
  const [grille, lamp] = VAN.pieces as [(typeof VAN.pieces)[number], (typeof VAN.pieces)[number]];
  const profile = {
    ...VAN,
    facts: [{ ...VAN.facts[0]!, choices: ['plain'] }],
    pieces: [
      { ...grille, fasteners: [] },
      { ...lamp, levels: [{ ...lamp.levels[0]!, ways: [] }] },
    ],
    plugs: [{ ...VAN.plugs[0]!, pins: VAN.plugs[0]!.pins.slice(0, 1) }],
    sensors: [],
    circuits: [],
    mounts: [{ ...VAN.mounts[0]!, reach: [] }],
    functions: VAN.functions.slice(1),
    gaps: [],
  };
  expect(lostIn(before, { ...before, profile })).toEqual([
    'test-van facts trim choices guard',
    'test-van pieces grille fasteners bolts',
    'test-van pieces old-lamp levels off ways w',
    'test-van sensors radar',
    'test-van plugs fog-plug pins 2',
    'test-van circuits fog',
    'test-van mounts place reach w',
    'test-van functions dipped',
    'test-van gaps wing',
  ]);
  expect(lostIn(before, { ...before, profile: { ...VAN, pieces: [lamp] } })).toEqual(['test-van pieces grille']);
});

test('a kit loses what it brings and how it goes on the vehicle, a rule set its rules of aim', () => {
  const [fitment] = PAIR.fitments;
  const kit = { ...PAIR, contents: PAIR.contents.slice(1), benchTasks: [], fitments: [{ ...fitment!, connections: [], tests: [] }] };
  const lost = lostIn(before, { ...before, kits: [kit], rules: { ...RULES, aim: RULES.aim.slice(1) } });
  expect(lost).toEqual([
    `test-kit contents ${PAIR.contents[0]!.id}`,
    ...PAIR.benchTasks.map(({ id }) => `test-kit benchTasks ${id}`),
    ...fitment!.connections.map(({ id }) => `test-kit fitments test-van connections ${id}`),
    ...fitment!.tests.map(({ id }) => `test-kit fitments test-van tests ${id}`),
    `${RULES.slug} aim ${RULES.aim[0]!.id}`,
  ]);
  expect(lost.length).toBeGreaterThan(4);
  expect(lostIn(before, { ...before, kits: [] })).toContain('test-kit fitments test-van');
});

test('a lamp channel, a relay and a feed that the kit lays are lost like the rest', () => {
  const channel = { id: 'tail', name: 'Tail', kind: 'steady' as const, thresholdW: 4, flashes: false, flasherChangeable: false, codable: false, leastV: 11, mostV: 14 };
  const relays = [{ id: 'relay', name: 'Relay', coilOhm: 85, contactA: 30, pullInV: 8 }];
  const feeds = [{ id: 'laid', name: 'Feed', fuseA: 15, batteryToFuseMm: 150, wire: { areaMm2: 2.5, lengthM: 5, permittedA: 22 }, plugPermittedA: 20, relay: 'relay' }];
  const fuller = { ...before, profile: { ...VAN, channels: [channel] }, kits: [{ ...PAIR, relays, feeds }] };
  expect(lostIn(fuller, before)).toEqual(['test-van channels tail', 'test-kit relays relay', 'test-kit feeds laid']);
});

test('a log would lose what it recorded of things that are gone, and nothing that was taken back', () => {
  const log = openedLog();
  log.add('gap.measured', { gap: 'wing', moment: 'before', widthMm: 4.5 });
  const moved = log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 2 }] });
  const [grille, lamp] = VAN.pieces as [(typeof VAN.pieces)[number], (typeof VAN.pieces)[number]];
  const profile = { ...VAN, gaps: [], pieces: [{ ...grille, fasteners: [{ ...grille.fasteners[0]!, id: 'screws' }] }, lamp] };
  const paths = () => wouldLose(log.events, { ...before, profile }, 'jobs.one').map(({ path }) => path);
  expect([wouldLose(log.events, before, 'jobs.one'), paths()]).toEqual([[], ['jobs.one.events[2].payload.gap', 'jobs.one.events[3].payload.fasteners[0].group']]);
  log.add('undone', { event: moved });
  expect(paths()).toEqual(['jobs.one.events[2].payload.gap']);
});
