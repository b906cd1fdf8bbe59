import type { JobDocuments } from '../../job/index.ts';
import { RULES, VAN } from '../../job/test/log.ts';
import { bareFitment, bareKit, bareLamp } from '../../test/bare-kit.ts';
import { barePiece, bareProfile } from '../../test/bare-profile.ts';
import type { Kit } from '../../kit/index.ts';
import type { FastenerGroup, LevelNeed, Piece, PieceLevel, Side, VehicleProfile } from '../../vehicle/index.ts';

const off = (piece: string): LevelNeed => ({ piece, level: 'off' });
const DEAD = [{ supply: 'low' as const, is: 'dead' as const }];
const level = (name: PieceLevel['level'], openMin: number, needs: LevelNeed[], part: Partial<PieceLevel> = {}): PieceLevel => ({
  level: name,
  openMin,
  closeMin: openMin,
  people: 1,
  ways: [{ id: 'in', needs, extraMin: 0 }],
  ...part,
});
const group = (id: string, count: number, side: Side, part: Partial<FastenerGroup> = {}): FastenerGroup => ({
  id,
  drive: 'hex',
  size: '10 mm',
  count,
  place: id,
  side,
  singleUse: false,
  release: 'unscrew',
  tighten: { snug: 'plastic' },
  atLevel: 'off',
  ...part,
});
const piece = (id: string, levels: PieceLevel[], part: Partial<Piece> = {}): Piece => barePiece(id, { levels, ...part });
const ofSide = (side: 'left' | 'right', outMm: number) => ({
  pieces: [
    piece(`liner-${side}`, [level('loosened', 1, []), level('off', side === 'left' ? 3 : 4, [off(`foot-${side}`)])], {
      side,
      fasteners: [group('pins', 3, side, { drive: 'push-pin', release: 'push centre', atLevel: 'loosened' })],
    }),
    piece(`foot-${side}`, [level('off', 1.5, [{ piece: `liner-${side}`, level: 'loosened' }])], { side }),
    piece(`blank-${side}`, [level('off', 0.5, [off(`cap-${side}`)])], { side, fasteners: [group('tabs', 2, side, { drive: 'hook', release: 'squeeze tabs' })] }),
    piece(`cap-${side}`, [level('off', 0.4, [off(`liner-${side}`)])], { side }),
  ],
  plug: {
    id: `fog-${side}`,
    name: `Fog plug, ${side}`,
    family: 'SL-2',
    keying: 'A',
    rows: 1,
    columns: 2,
    lock: 'tab',
    gender: 'sockets' as const,
    pins: [
      { id: '1', row: 1, column: 1, carries: 'ground' as const },
      { id: '2', row: 1, column: 2, carries: 'front fog' as const, circuit: 'fog' },
    ],
    side,
    at: { xMm: 700, yMm: outMm, zMm: 400 },
    whereToLook: 'behind the liner',
    reach: [{ id: 'arch', needs: [off(`liner-${side}`)], extraMin: 0 }],
    hiddenBy: [off(`liner-${side}`)],
  },
  mount: {
    id: `place-${side}`,
    name: `Fog place, ${side}`,
    side,
    at: { xMm: 900, yMm: outMm, zMm: 430 },
    reach: [{ id: 'arch', needs: [off(`blank-${side}`)], extraMin: 0 }],
    hiddenBy: [off(`liner-${side}`)],
    inPlaceOf: [`blank-${side}`],
    ...(side === 'left' ? { adjusterHiddenBy: [off('cap-left')], aimAfter: ['grille'] } : {}),
  },
});
const [left, right] = [ofSide('left', 700), ofSide('right', -700)];

/**
 * A van of a dozen pieces that has one of everything the plan of a job knows: a battery behind a cover with its wait, trim beside an
 * airbag, liners in stages, a blank in the place of each lamp, a grille with a radar, a feed joined dead. Only some have a guard before
 * the grille, and those have an airbag's plug behind the trim, which keeps the battery off while it is open.
 */
const SMALL_VAN: VehicleProfile = bareProfile({
  facts: [{ id: 'guard', label: 'Guard', choices: ['there', 'none'], howToSee: 'look', lookMin: 1 }],
  supplies: [{ id: 'low', name: 'Battery', piece: 'battery', level: 'off', waitMin: 4, liveMin: 1, by: 'anyone', before: ['windows shut'], forgets: ['Clock', 'Window'] }],
  pieces: [
    piece('guard', [level('off', 2, [])], { when: { fact: 'guard', is: 'there' }, fasteners: [group('nuts', 4, 'centre')] }),
    piece('grille', [level('hung', 1, [off('guard')]), level('off', 2.5, [off('guard')], { people: 2 })], { fasteners: [group('bolts', 2, 'centre', { atLevel: 'hung' })] }),
    piece('battery-cover', [level('off', 0.5, [])], { zone: 'cabin' }),
    piece('battery', [level('off', 1, [off('battery-cover')])], { zone: 'cabin' }),
    piece('airbag-plug', [level('off', 0.3, [], { asks: DEAD, deadWhileOpen: ['low'] })], { side: 'left', zone: 'cabin', when: { fact: 'guard', is: 'there' } }),
    piece('trim', [level('off', 2, [off('airbag-plug')], { asks: DEAD })], {
      side: 'left',
      zone: 'cabin',
      fasteners: [group('screw', 1, 'left', { drive: 'six-lobe', size: 'T20' })],
    }),
    ...left.pieces,
    ...right.pieces,
  ],
  refitRules: [{ id: 'cap', first: 'blank-right', then: 'cap-right', why: 'The cap holds the edge of what sits there.' }],
  sensors: VAN.sensors,
  plugs: [
    left.plug,
    right.plug,
    {
      ...left.plug,
      id: 'feed',
      name: 'Feed',
      side: 'centre',
      pins: [{ id: '1', row: 1, column: 1, carries: 'switched supply', circuit: 'feed' }],
      reach: [{ id: 'trim', needs: [off('trim')], extraMin: 0 }],
      hiddenBy: [off('trim')],
    },
  ],
  circuits: [
    { id: 'fog', name: 'Front fog', fuse: { slot: 'F1', ratedA: 10 }, wire: { areaMm2: 1, lengthM: 4, permittedA: 13 }, plugPermittedA: 12, loads: [], liveIn: ['front fog'] },
    {
      id: 'feed',
      name: 'Feed',
      fuse: { slot: 'F2', ratedA: 15 },
      wire: { areaMm2: 2.5, lengthM: 2, permittedA: 20 },
      plugPermittedA: 18,
      loads: [],
      liveIn: ['ignition'],
    },
  ],
  mounts: [
    left.mount,
    right.mount,
    {
      id: 'front',
      name: 'Bar place',
      side: 'centre',
      at: { xMm: 950, yMm: 0, zMm: 700 },
      reach: [{ id: 'grille', needs: [{ piece: 'grille', level: 'hung' }], extraMin: 0 }],
      hiddenBy: [{ piece: 'grille', level: 'hung' }],
    },
  ],
  functions: [{ id: 'dipped', name: 'Dipped beam', side: 'left', state: 'dipped', at: { xMm: 900, yMm: 700, zMm: 800 } }],
  gaps: [{ id: 'wing', name: 'Wing', side: 'left', at: { xMm: 600, yMm: 900, zMm: 700 }, nominalMm: 5, toleranceMm: 1 }],
});

const kitPlug = (id: string, lamp: string, carries: 'front fog' | 'switched supply') => ({
  id,
  name: id,
  family: 'SL-2',
  keying: 'A',
  rows: 1,
  columns: 2,
  lock: 'tab',
  gender: 'pins' as const,
  pins:
    carries === 'front fog'
      ? [
          { id: '1', row: 1, column: 1, carries: 'ground' as const },
          { id: '2', row: 1, column: 2, carries },
        ]
      : [{ id: '1', row: 1, column: 1, carries }],
  lamp,
});
const fitStep = (id: string, side: Side, needs: LevelNeed[]) => ({
  id,
  name: id,
  side,
  needs,
  passes: ['start' as const, 'align' as const, 'tighten' as const],
  minutes: 3,
  tool: 'T25',
  tighten: 'snug',
});
const lights = (side: 'left' | 'right') => ({
  id: `lights-${side}`,
  name: `Lights, ${side}`,
  side,
  state: 'front fog' as const,
  helper: 'fog on',
  lamps: [`lamp-${side}`],
  gate: true,
});

const SMALL_KIT: Kit = bareKit({
  lamps: [
    bareLamp('lamp-left', { aimDegPerTurn: 0.25 }),
    bareLamp('lamp-right', { side: 'right', aimDegPerTurn: 0.25 }),
    bareLamp('bar', { side: 'centre', optics: { ...bareLamp('x').optics, beam: 'marker' } }),
  ],
  contents: [{ id: 'lamps', name: 'Lamp', kind: 'lamp', count: 3, spareAllowed: false }],
  plugs: [kitPlug('plug-left', 'lamp-left', 'front fog'), kitPlug('plug-right', 'lamp-right', 'front fog'), kitPlug('plug-feed', 'bar', 'switched supply')],
  benchTasks: [{ id: 'light-up', name: 'Light it', minutes: 2, cureMin: 0 }],
  fitments: [
    bareFitment({
      mounts: [
        { lamp: 'lamp-left', mount: 'place-left' },
        { lamp: 'lamp-right', mount: 'place-right' },
        { lamp: 'bar', mount: 'front' },
      ],
      connections: [
        { id: 'left', kitPlug: 'plug-left', vehiclePlug: 'fog-left', feed: { circuit: 'fog' }, lamps: ['lamp-left'] },
        { id: 'right', kitPlug: 'plug-right', vehiclePlug: 'fog-right', feed: { circuit: 'fog' }, lamps: ['lamp-right'] },
        { id: 'feed', kitPlug: 'plug-feed', vehiclePlug: 'feed', feed: { circuit: 'feed' }, lamps: ['bar'], asks: DEAD },
      ],
      replaces: ['blank-left', 'blank-right'],
      fitSteps: [
        { ...fitStep('lamp-left', 'left', [off('liner-left')]), inPlaceOf: ['blank-left'] },
        { ...fitStep('lamp-right', 'right', [off('liner-right')]), inPlaceOf: ['blank-right'] },
        { ...fitStep('bar', 'centre', [{ piece: 'grille', level: 'hung' }]), asks: DEAD },
      ],
      tests: [
        lights('left'),
        lights('right'),
        { id: 'lights-bar', name: 'Lights, bar', side: 'centre', state: 'ignition', helper: 'ignition on', lamps: ['bar'], gate: true, after: ['liner-right'] },
      ],
    }),
  ],
});

export const SMALL: JobDocuments = { profile: SMALL_VAN, kits: [SMALL_KIT], rules: RULES, year: 2022 };
