import { ELECTRICS } from '../../test/electrics.ts';
import { foldJob } from '../../log/index.ts';
import type { EventType, LoggedEvent, Payloads } from '../../events/index.ts';
import type { JobContext } from '../index.ts';
import { bareFitment, bareKit, bareLamp } from '../../test/bare-kit.ts';
import { barePiece, bareProfile } from '../../test/bare-profile.ts';
import type { Kit } from '../../kit/index.ts';
import type { RuleSet } from '../../rules/index.ts';
import type { VehicleProfile } from '../../vehicle/index.ts';

/** A log under the hand: each line gets the next seq and an id of its own. */
export class TestLog {
  readonly events: LoggedEvent[] = [];

  add<T extends EventType>(type: T, payload: Payloads[T]): string {
    const seq = this.events.length + 1;
    const id = `00000000-0000-7000-8000-${String(seq).padStart(12, '0')}`;
    this.events.push({ id, type, v: 1, at: '2026-03-05T08:30:00Z', payload, seq, person: 'fern' } as LoggedEvent);
    return id;
  }

  get state() {
    return foldJob(this.events);
  }
}

/** A log whose job is open. */
export function openedLog(): TestLog {
  const log = new TestLog();
  log.add('job.opened', { vehicle: 'v', profile: { slug: 'test-van', version: 1 }, kits: [{ slug: 'test-kit', version: 1 }], rules: { slug: 'r', version: 1 } });
  return log;
}

export const RULES: RuleSet = {
  format: 'jade-rule-set/1',
  slug: 'r',
  name: 'Rules',
  aim: [
    {
      id: 'fog',
      name: 'Fog',
      beam: 'front fog',
      family: 'percent',
      reference: 'lower edge',
      bands: [{ fromMm: 200, toMm: 800, wantedDip: 1.75, toleranceUp: 0.25, toleranceDown: 0.25 }],
      source: 's',
      certainty: 'to be confirmed',
    },
  ],
  electrics: ELECTRICS,
  sequence: { sideMin: 0.5, zoneMin: 0.3, toolMin: 0.2, helperMin: 1 },
  probing: { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 },
  floorToleranceMmPerM: 3,
  neverUseCircuits: [],
};

const face = { family: 'SL-2', keying: 'A', rows: 1, columns: 2, lock: 'tab' };

/** A van with one grille of two bolts and a radar behind it, one fog place behind the grille, one lamp to fit there. */
export const VAN: VehicleProfile = bareProfile({
  facts: [{ id: 'trim', label: 'Trim', choices: ['plain', 'guard'], howToSee: 'look', lookMin: 1 }],
  pieces: [
    barePiece('grille', {
      fasteners: [
        { id: 'bolts', drive: 'hex', size: '10 mm', count: 2, place: 'top', side: 'centre', singleUse: false, release: 'unscrew', tighten: { snug: 'plastic' }, atLevel: 'off' },
      ],
    }),
    barePiece('old-lamp', { levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' }], extraMin: 0 }] }] }),
  ],
  sensors: [
    {
      id: 'radar',
      name: 'Radar',
      kind: 'radar',
      on: 'grille',
      lock: 'slide',
      pose: { xMm: 900, yMm: 0, zMm: 800, yawDeg: 0, pitchDeg: 0 },
      fieldOfView: { horizontalDeg: 20, verticalDeg: 8, rangeM: 150 },
      toleranceDeg: 0.4,
      calibration: 'required',
      procedure: 'by the maker',
    },
  ],
  plugs: [
    {
      id: 'fog-plug',
      name: 'Fog plug',
      ...face,
      gender: 'sockets',
      pins: [
        { id: '1', row: 1, column: 1, carries: 'ground' },
        { id: '2', row: 1, column: 2, carries: 'front fog', circuit: 'fog' },
      ],
      side: 'left',
      at: { xMm: 700, yMm: 600, zMm: 400 },
      whereToLook: 'loom',
      reach: [],
      hiddenBy: [{ piece: 'grille', level: 'off' }],
    },
  ],
  circuits: [
    { id: 'fog', name: 'Front fog', fuse: { slot: 'F1', ratedA: 10 }, wire: { areaMm2: 1, lengthM: 4, permittedA: 13 }, plugPermittedA: 12, loads: [], liveIn: ['front fog'] },
  ],
  mounts: [
    {
      id: 'place',
      name: 'Fog place',
      side: 'left',
      at: { xMm: 900, yMm: 700, zMm: 430 },
      reach: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' }], extraMin: 0 }],
      hiddenBy: [],
    },
  ],
  functions: [
    { id: 'dipped', name: 'Dipped beam', side: 'left', state: 'dipped', at: { xMm: 900, yMm: 700, zMm: 800 } },
    { id: 'old-fog', name: 'Old fog lamp', side: 'left', state: 'front fog', at: { xMm: 900, yMm: 700, zMm: 430 } },
  ],
  gaps: [{ id: 'wing', name: 'Wing', side: 'left', at: { xMm: 600, yMm: 900, zMm: 700 }, nominalMm: 5, toleranceMm: 1 }],
});

export const PAIR: Kit = bareKit({
  lamps: [bareLamp('lamp', { aimDegPerTurn: 0.25 })],
  contents: [{ id: 'lamp', name: 'Lamp', kind: 'lamp', count: 1, spareAllowed: false }],
  plugs: [
    {
      id: 'lamp-plug',
      name: 'Lamp plug',
      ...face,
      gender: 'pins',
      pins: [
        { id: '1', row: 1, column: 1, carries: 'ground' },
        { id: '2', row: 1, column: 2, carries: 'front fog' },
      ],
      lamp: 'lamp',
    },
  ],
  benchTasks: [{ id: 'light-up', name: 'Light it', minutes: 2, cureMin: 0 }],
  fitments: [
    bareFitment({
      mounts: [{ lamp: 'lamp', mount: 'place' }],
      connections: [{ id: 'joint', kitPlug: 'lamp-plug', vehiclePlug: 'fog-plug', feed: { circuit: 'fog' }, lamps: ['lamp'] }],
      replaces: ['old-lamp'],
      losesFunctions: ['old-fog'],
      fitSteps: [{ id: 'screw', name: 'Screw it', side: 'left', needs: [], passes: ['start', 'align', 'tighten'], minutes: 3, tool: 'T25', tighten: 'snug' }],
      tests: [{ id: 'lights', name: 'It lights', side: 'left', state: 'front fog', helper: 'fog on', lamps: ['lamp'], gate: true }],
    }),
  ],
});

/** The job of a log on that van with that kit. */
export function contextOf(log: TestLog): JobContext {
  return { state: log.state, profile: VAN, kits: [PAIR], rules: RULES, year: 2022 };
}
