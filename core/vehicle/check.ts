import { checkCableWays } from './route.ts';
import { duplicateIds, unknownId, type Fault } from '../faults/index.ts';
import { checkCondition, type FactChoices } from '../facts/index.ts';
import type { Measures } from './bodies.ts';
import { openInRounds } from './layers.ts';
import type { Circuit, LampChannel, LoadKind, PlugFace } from './electrics.ts';
import { isScrewed, LEVELS, type LevelNeed, type MountPosition, type Piece, type Sensor, type SupplyAsk, type VehiclePlug, type VehicleProfile } from './profile.ts';
import { positionsOf } from './stands.ts';

const rank = (level: string) => LEVELS.indexOf(level as (typeof LEVELS)[number]);

/** The facts of a profile with their choices. */
export function factChoices(profile: Pick<VehicleProfile, 'facts'>): FactChoices {
  return new Map(profile.facts.map((fact) => [fact.id, fact.choices]));
}

/**
 * Faults in meaning of a profile whose form is right: ids that stand twice or do not exist, `open` that falls, a way that needs
 * its own level, a level that no choice of ways can reach, an unconditional refit cycle. Empty where there is none.
 */
export function checkProfile(profile: VehicleProfile): Fault[] {
  const pieceIds = new Set(profile.pieces.map((piece) => piece.id));
  const choices = factChoices(profile);
  const lists = ['facts', 'supplies', 'pieces', 'refitRules', 'sensors', 'plugs', 'circuits', 'mounts', 'functions', 'gaps'] as const;
  const faults: Fault[] = lists.flatMap((list) => duplicateIds(profile[list], list));
  if (profile.years.to !== undefined && profile.years.to < profile.years.from) {
    faults.push({ path: 'years.to', code: 'span-order', data: { from: profile.years.from, to: profile.years.to } });
  }
  faults.push(...checkMeasures(profile.measures), ...checkPieces(profile.pieces, profile.mounts, choices), ...checkSupplies(profile));
  const known = { plugs: new Set(profile.plugs.map(({ id }) => id)), mounts: new Set(profile.mounts.map(({ id }) => id)), pieces: pieceIds };
  faults.push(...duplicateIds(profile.grounds ?? [], 'grounds'));
  if (profile.cableWays) faults.push(...checkCableWays(profile.cableWays, known));
  profile.refitRules.forEach((rule, index) => {
    faults.push(...unknownId(rule.first, pieceIds, `refitRules[${index}].first`, 'piece'));
    faults.push(...unknownId(rule.then, pieceIds, `refitRules[${index}].then`, 'piece'));
    faults.push(...checkCondition(rule.when, choices, `refitRules[${index}].when`));
  });
  faults.push(...checkSensors(profile.sensors, profile.pieces, choices));
  faults.push(...checkPlugs(profile.plugs, profile), ...checkCircuits(profile.circuits, profile));
  faults.push(...checkChannels(profile.channels ?? []));
  profile.functions.forEach((lamp, index) => {
    faults.push(...checkCondition(lamp.when, choices, `functions[${index}].when`));
  });
  if (faults.length === 0) faults.push(...unreachableLevels(profile.pieces), ...refitCycle(profile));
  return faults;
}

/** Measures that no vehicle can have together: it ends before its rear axle, its bonnet lies under its floor or over its roof. */
export function checkMeasures({ lengthMm, frontOverhangMm, wheelbaseMm, groundClearanceMm, bonnetHeightMm, heightMm, trackMm, widthMm }: Measures): Fault[] {
  const between = (field: keyof Measures, value: number, least: number, most: number): Fault[] =>
    value < least || value > most ? [{ path: `measures.${field}`, code: 'range', data: { least, most } }] : [];
  return [
    ...between('wheelbaseMm', wheelbaseMm, 0, lengthMm - frontOverhangMm),
    ...between('bonnetHeightMm', bonnetHeightMm, groundClearanceMm + 1, heightMm),
    ...between('trackMm', trackMm, 0, widthMm),
  ];
}

/** Faults of pieces and mount positions among themselves: the part of a profile that a way in is planned from. */
export function checkPieces(list: readonly Piece[], mounts: readonly MountPosition[], choices: FactChoices): Fault[] {
  const pieces = new Map(list.map((piece) => [piece.id, piece]));
  const faults = list.flatMap((piece, index) => [...checkPiece(piece, pieces, `pieces[${index}]`), ...checkCondition(piece.when, choices, `pieces[${index}].when`)]);
  mounts.forEach((mount, index) => {
    mount.reach.forEach((way, place) => faults.push(...checkNeeds(way.needs, pieces, `mounts[${index}].reach[${place}].needs`)));
    faults.push(...checkNeeds(mount.hiddenBy, pieces, `mounts[${index}].hiddenBy`), ...checkNeeds(mount.adjusterHiddenBy ?? [], pieces, `mounts[${index}].adjusterHiddenBy`));
    for (const list of ['inPlaceOf', 'aimAfter'] as const) {
      (mount[list] ?? []).forEach((piece, place) => faults.push(...unknownId(piece, new Set(pieces.keys()), `mounts[${index}].${list}[${place}]`, 'piece')));
    }
  });
  return faults;
}

/** Faults of sensors: one on a piece that is not there, a condition that names no fact. */
export function checkSensors(sensors: readonly Sensor[], pieces: readonly Pick<Piece, 'id'>[], choices: FactChoices): Fault[] {
  const ids = new Set(pieces.map(({ id }) => id));
  return sensors.flatMap((sensor, index) => [...unknownId(sensor.on, ids, `sensors[${index}].on`, 'piece'), ...checkCondition(sensor.when, choices, `sensors[${index}].when`)]);
}

const idSet = (list: readonly { id: string }[] = []) => new Set(list.map(({ id }) => id));

/** Faults of plugs of a vehicle: of their faces, of what leads to them, a circuit or channel that is not there. */
export function checkPlugs(plugs: readonly VehiclePlug[], profile: Pick<VehicleProfile, 'pieces' | 'circuits' | 'channels' | 'facts'>): Fault[] {
  const pieces = new Map(profile.pieces.map((piece) => [piece.id, piece]));
  const [circuits, channels, choices] = [idSet(profile.circuits), idSet(profile.channels), factChoices(profile)];
  return plugs.flatMap((plug, index) => {
    const path = `plugs[${index}]`;
    return [
      ...checkCondition(plug.when, choices, `${path}.when`),
      ...checkFace(plug, path),
      ...plug.reach.flatMap((way, place) => checkNeeds(way.needs, pieces, `${path}.reach[${place}].needs`)),
      ...checkNeeds(plug.hiddenBy, pieces, `${path}.hiddenBy`),
      ...plug.pins.flatMap((pin, place) => [
        ...unknownId(pin.circuit, circuits, `${path}.pins[${place}].circuit`, 'circuit'),
        ...unknownId(pin.channel, channels, `${path}.pins[${place}].channel`, 'lamp channel'),
      ]),
    ];
  });
}

/** Faults of circuits of a vehicle: of what guards them, of their loads. */
export function checkCircuits(circuits: readonly Circuit[], profile: Pick<VehicleProfile, 'functions' | 'channels' | 'systemVoltageV'>): Fault[] {
  const [functions, channels] = [idSet(profile.functions), idSet(profile.channels)];
  return circuits.flatMap((circuit, index) => [
    ...checkProtection(circuit, `circuits[${index}]`),
    ...circuit.loads.flatMap((load, place) => {
      const at = `circuits[${index}].loads[${place}]`;
      return [
        ...unknownId(load.function, functions, `${at}.function`, 'lamp function'),
        ...unknownId(load.channel, channels, `${at}.channel`, 'lamp channel'),
        ...checkVoltage(load, profile.systemVoltageV, at),
      ];
    }),
  ]);
}

/** Faults of a plug's face: a pin named twice, two in the same cavity, one where the face has no cavity. */
export function checkFace({ pins, rows, columns }: Pick<PlugFace, 'pins' | 'rows' | 'columns'>, path: string): Fault[] {
  const seen = new Set<string>();
  const placed = pins.flatMap(({ row, column }, index): Fault[] => {
    const place = `${row}/${column}`;
    if (row > rows || column > columns) return [{ path: `${path}.pins[${index}]`, code: 'pin-outside-face', data: { rows, columns } }];
    if (seen.has(place)) return [{ path: `${path}.pins[${index}]`, code: 'pin-place-twice', data: { row, column } }];
    seen.add(place);
    return [];
  });
  return [...duplicateIds(pins, `${path}.pins`), ...placed];
}

/** Faults of what guards a circuit: nothing, or a fuse and an output at once. */
export function checkProtection({ fuse, output }: Pick<Circuit, 'fuse' | 'output'>, path: string): Fault[] {
  if (!fuse && !output) return [{ path, code: 'circuit-unprotected', data: {} }];
  return fuse && output ? [{ path, code: 'one-of', data: { choices: 'fuse, output' } }] : [];
}

/** Above so many times the system's voltage nothing is stated; below so much of it only what bears a wide range is. */
const STATED_UP_TO = 1.5;
const STATED_FROM = 0.75;

/** Faults of the voltage that a load is stated at, or needs, on a system of 12 or 24 V: a 24 V lamp on 12 V, a filament for 12 V on 24 V. */
export function checkVoltage({ atV, leastV, kind }: { atV: number; leastV?: number; kind: LoadKind }, systemVoltageV: 12 | 24, path: string): Fault[] {
  const fault = (field: string, volt: number): Fault => ({ path: `${path}.${field}`, code: 'voltage-impossible', data: { volt, system: systemVoltageV } });
  const low = kind !== 'driven LED' && atV < systemVoltageV * STATED_FROM;
  return [
    ...(atV > systemVoltageV * STATED_UP_TO || low ? [fault('atV', atV)] : []),
    ...(leastV !== undefined && leastV > systemVoltageV * STATED_UP_TO ? [fault('leastV', leastV)] : []),
  ];
}

function checkChannels(channels: readonly LampChannel[]): Fault[] {
  const spans = channels.flatMap(({ leastV, mostV }, index): Fault[] =>
    leastV > mostV ? [{ path: `channels[${index}].mostV`, code: 'span-order', data: { from: leastV, to: mostV } }] : [],
  );
  return [...duplicateIds(channels, 'channels'), ...spans];
}

/** Faults of the supplies of a profile: one whose piece or level is not there, marks without a supply, an isolation that itself asks for dead, a caution that asks for what nothing of its piece is marked with. */
export function checkSupplies({ supplies, pieces, mounts }: Pick<VehicleProfile, 'supplies' | 'pieces' | 'mounts'>): Fault[] {
  const known = new Set<string>(supplies.map((supply) => supply.id));
  const unmarked = (asks: readonly SupplyAsk[] | undefined, path: string): Fault[] =>
    (asks ?? []).flatMap((ask, index): Fault[] => (known.has(ask.supply) ? [] : [{ path: `${path}[${index}].supply`, code: 'mark-without-supply', data: { supply: ask.supply } }]));
  const faults = supplies.flatMap((supply, index): Fault[] => {
    const piece = pieces.find((entry) => entry.id === supply.piece);
    if (!piece) return [{ path: `supplies[${index}].piece`, code: 'unknown-id', data: { id: supply.piece, what: 'piece' } }];
    return piece.levels.some((level) => level.level === supply.level) ? [] : [{ path: `supplies[${index}].level`, code: 'unknown-id', data: { id: supply.level, what: 'level' } }];
  });
  mounts.forEach(({ reach }, index) => {
    reach.forEach((way, at) => faults.push(...unmarked(way.asks, `mounts[${index}].reach[${at}].asks`)));
  });
  pieces.forEach((piece, index) => {
    const marks: SupplyAsk[] = [];
    piece.levels.forEach((level, place) => {
      const path = `pieces[${index}].levels[${place}]`;
      faults.push(...unmarked(level.asks, `${path}.asks`));
      (level.deadWhileOpen ?? []).forEach((supply, at) => {
        if (!known.has(supply)) faults.push({ path: `${path}.deadWhileOpen[${at}]`, code: 'mark-without-supply', data: { supply } });
        marks.push({ supply, is: 'dead' });
      });
      marks.push(...(level.asks ?? []));
      level.ways.forEach((way, at) => {
        faults.push(...unmarked(way.asks, `${path}.ways[${at}].asks`));
        marks.push(...(way.asks ?? []));
      });
      const isolates = supplies.find((supply) => supply.piece === piece.id && supply.level === level.level);
      const asksDead = [...(level.asks ?? []), ...level.ways.flatMap((way) => way.asks ?? [])].some((ask) => ask.supply === isolates?.id && ask.is === 'dead');
      if (isolates && asksDead) faults.push({ path, code: 'isolation-asks-dead', data: { supply: isolates.id } });
    });
    piece.cautions.forEach(({ asks }, place) => {
      if (asks && !marks.some((mark) => mark.supply === asks.supply && mark.is === asks.is))
        faults.push({ path: `pieces[${index}].cautions[${place}].asks`, code: 'caution-without-mark', data: { supply: asks.supply, is: asks.is } });
    });
  });
  return faults;
}

function checkPiece(piece: Piece, pieces: Map<string, Piece>, path: string): Fault[] {
  const faults: Fault[] = [...duplicateIds(piece.fasteners, `${path}.fasteners`)];
  if (piece.levels.length === 0) faults.push({ path: `${path}.levels`, code: 'no-levels', data: { piece: piece.id } });
  for (const axis of ['xMm', 'yMm', 'zMm'] as const) {
    const [from, to] = piece.box[axis];
    if (from > to) faults.push({ path: `${path}.box.${axis}`, code: 'span-order', data: { from, to } });
  }
  let before: (typeof piece.levels)[number] | undefined;
  piece.levels.forEach((level, index) => {
    const at = `${path}.levels[${index}]`;
    if (before && rank(level.level) <= rank(before.level)) faults.push({ path: `${at}.level`, code: 'span-order', data: { from: before.level, to: level.level } });
    if (before && level.openMin * level.people < before.openMin * before.people) {
      faults.push({ path: `${at}.openMin`, code: 'open-falls', data: { piece: piece.id, level: level.level } });
    }
    before = level;
    level.ways.forEach((way, place) => {
      faults.push(...checkNeeds(way.needs, pieces, `${at}.ways[${place}].needs`));
      const own = way.needs.findIndex((need) => need.piece === piece.id && rank(need.level) >= rank(level.level));
      const kinds = positionsOf(way).map(({ kind }) => ({ id: kind }));
      if (duplicateIds(kinds, '').length > 0) faults.push({ path: `${at}.ways[${place}].also`, code: 'duplicate-id', data: { id: kinds.map(({ id }) => id).join(', ') } });
      if (own >= 0) faults.push({ path: `${at}.ways[${place}].needs[${own}]`, code: 'own-level', data: { piece: piece.id, level: level.level } });
    });
  });
  const levels = new Set<string>(piece.levels.map((level) => level.level));
  piece.fasteners.forEach((group, index) => {
    if (group.tighten.torqueNm !== undefined && !isScrewed(group.release))
      faults.push({ path: `${path}.fasteners[${index}].tighten.torqueNm`, code: 'torque-without-thread', data: { release: group.release } });
  });
  piece.fasteners.forEach((group, index) => faults.push(...unknownId(group.atLevel, levels, `${path}.fasteners[${index}].atLevel`, 'level')));
  return faults;
}

function checkNeeds(needs: readonly LevelNeed[], pieces: Map<string, Piece>, path: string): Fault[] {
  return needs.flatMap((need, index) => {
    const piece = pieces.get(need.piece);
    const at = `${path}[${index}]`;
    if (!piece) return [{ path: `${at}.piece`, code: 'unknown-id' as const, data: { id: need.piece, what: 'piece' } }];
    const reaches = piece.levels.some((level) => rank(level.level) >= rank(need.level));
    return reaches ? [] : [{ path: `${at}.level`, code: 'unknown-id' as const, data: { id: need.level, what: 'level' } }];
  });
}

/** Levels that no choice of ways can reach. */
export function unreachableLevels(pieces: readonly Piece[]): Fault[] {
  const reached = openInRounds(pieces);
  return pieces.flatMap((piece, index) =>
    piece.levels.flatMap((level, place) =>
      rank(level.level) > (reached.get(piece.id)?.rank ?? 0)
        ? [{ path: `pieces[${index}].levels[${place}]`, code: 'unreachable-level' as const, data: { piece: piece.id, level: level.level } }]
        : [],
    ),
  );
}

/** A fault where rules that always hold go in a circle, by which nothing could go back first. */
export function refitCycle(profile: Pick<VehicleProfile, 'refitRules'>): Fault[] {
  const after = new Map<string, string[]>();
  for (const rule of profile.refitRules) {
    if (!rule.when) after.set(rule.first, [...(after.get(rule.first) ?? []), rule.then]);
  }
  const state = new Map<string, 'open' | 'done'>();
  const trail: string[] = [];
  const visit = (piece: string): string[] | undefined => {
    if (state.get(piece) === 'done') return undefined;
    if (state.get(piece) === 'open') return [...trail.slice(trail.indexOf(piece)), piece];
    state.set(piece, 'open');
    trail.push(piece);
    for (const next of after.get(piece) ?? []) {
      const cycle = visit(next);
      if (cycle) return cycle;
    }
    trail.pop();
    state.set(piece, 'done');
    return undefined;
  };
  for (const piece of after.keys()) {
    const cycle = visit(piece);
    if (cycle) return [{ path: 'refitRules', code: 'refit-cycle', data: { cycle: cycle.join(' → ') } }];
  }
  return [];
}
