import type { PinnedDocuments } from '../../events/index.ts';
import { PAIR, RULES, VAN } from '../../job/test/log.ts';
import { bareFitment, bareLamp } from '../../test/bare-kit.ts';
import { bareGroup, barePiece } from '../../test/bare-profile.ts';

const entry = (id: string) => ({ id, name: id });
const face = { family: 'SL-2', keying: 'A', rows: 2, columns: 2, lock: 'tab', gender: 'sockets' as const };
const pins = [
  { id: '1', row: 1, column: 1, carries: 'ground' as const },
  { id: '2', row: 1, column: 2, carries: 'front fog' as const, circuit: 'fog' },
];
const [radar] = VAN.sensors;
const [plug] = VAN.plugs;
const [fog] = VAN.circuits;
const [mount] = VAN.mounts;
const [gap] = VAN.gaps;
const [dipped] = VAN.functions;
const [rule] = RULES.aim;
const some = <T>(value: T | undefined): T[] => (value === undefined ? [] : [value]);

/** Documents that have about half of the ids that the generated entries name. */
export const POOL: PinnedDocuments = {
  profile: {
    ...VAN,
    pieces: [barePiece('grille', { fasteners: [bareGroup('bolts')] }), barePiece('skin'), barePiece('undertray')],
    sensors: some(radar),
    plugs: some(plug).map((own) => ({ ...own, ...face, id: 'fog-plug', pins })),
    circuits: some(fog),
    mounts: some(mount).map((own) => ({ ...own, reach: [{ id: 'front', needs: [], extraMin: 0 }] })),
    gaps: some(gap),
    functions: some(dipped),
    supplies: [{ id: 'low', name: '12 V battery', piece: 'skin', level: 'off', waitMin: 3, by: 'anyone', before: [], forgets: ['Clock'] }],
    grounds: [{ ...entry('body'), piece: 'skin' }],
    channels: [{ ...entry('turn') }],
    cableWays: { segments: [{ ...entry('sill') }, { ...entry('roof') }] },
  } as never,
  kits: [
    {
      ...PAIR,
      slug: 'cairn-fen-pair',
      lamps: [bareLamp('left')],
      contents: [{ id: 'lamp', name: 'Lamp', kind: 'lamp', count: 1, spareAllowed: false }],
      options: [{ ...entry('colour'), choices: [entry('clear'), entry('amber')], default: 'clear' }],
      plugs: PAIR.plugs.map((own) => ({ ...own, ...face, id: 'fog-plug', pins })),
      legs: [{ id: 'left', lamp: 'left', lengthMm: 900 }],
      benchTasks: [{ id: 'light-up', name: 'Light it', minutes: 2, cureMin: 0 }],
      fitments: [
        bareFitment({
          connections: [{ id: 'joint-left', kitPlug: 'fog-plug', vehiclePlug: 'fog-plug', feed: { circuit: 'fog' }, lamps: ['left'] }],
          fitSteps: [{ id: 'screw', name: 'Screw it', side: 'left', needs: [], passes: ['start', 'tighten'], minutes: 3, tool: 'T25', tighten: 'snug' }],
          tests: [{ id: 'lights', name: 'It lights', side: 'left', state: 'front fog', helper: 'fog on', lamps: ['left'], gate: true }],
        }),
      ],
    } as never,
  ],
  fitted: [
    {
      ...PAIR,
      slug: 'tarn-stern-pair',
      fitments: [bareFitment({ tests: [{ id: 'lights', name: 'It lights', side: 'left', state: 'reverse', helper: 'reverse', lamps: [], gate: true }] })],
    },
  ],
  rules: { ...RULES, aim: some(rule) },
};
