import { unreachableLevels, type Piece, type VehicleProfile, type Way } from '@jade/core/vehicle';
import type { Kit } from '@jade/core/kit';
import type { AccessWay } from '@jade/core/access';
import { generateVehicle } from '../../core/access/test/generated.ts';

const wayOf = (way: AccessWay): Way => ({
  id: way.id,
  needs: way.needs.filter((need, index) => way.needs.findIndex((other) => other.piece === need.piece) === index),
  extraMin: way.extra / 100,
});

/** Pieces of a generated vehicle; a level that nothing reaches gets a dear way of its own. */
function piecesOf(generated: ReturnType<typeof generateVehicle>): Piece[] {
  let pieces = generated.pieces.map((piece, index): Piece => ({
    id: piece.id,
    name: `Piece ${index + 1}`,
    side: index % 2 === 0 ? 'left' : 'right',
    zone: 'front',
    box: { xMm: [600, 900], yMm: index % 2 === 0 ? [100, 600] : [-600, -100], zMm: [300, 700] },
    levels: piece.levels.map((level) => ({
      level: level.level === 'fitted' ? 'off' : level.level,
      openMin: level.open / 100,
      closeMin: level.close / 100,
      people: 1,
      ways: level.ways.map(wayOf),
      ...(level.breakage > 0 ? { breakage: { chance: 1, replaceMin: level.breakage / 100 } } : {}),
    })),
    fasteners: [],
    cautions: [],
  }));
  for (let lost = unreachableLevels(pieces); lost.length > 0; lost = unreachableLevels(pieces)) {
    const places = new Set(lost.map(({ data }) => `${data.piece}/${data.level}`));
    pieces = pieces.map((piece) => ({
      ...piece,
      levels: piece.levels.map((level) => (places.has(`${piece.id}/${level.level}`) ? { ...level, ways: [...level.ways, { id: 'forced', needs: [], extraMin: 20 }] } : level)),
    }));
  }
  return pieces;
}

/** A profile of very many pieces with a kit of as many lamps as there are places, made from the demo van's other parts. */
export function largeVehicle(van: VehicleProfile, kit: Kit, pieceCount: number, seed: number): { profile: VehicleProfile; kit: Kit } {
  const generated = generateVehicle(pieceCount, 4, seed);
  const mounts = generated.targets.map((target, index) => ({
    id: target.id,
    name: `Place ${index + 1}`,
    side: index % 2 === 0 ? ('left' as const) : ('right' as const),
    at: { xMm: 850, yMm: index % 2 === 0 ? 600 : -600, zMm: 400 },
    reach: target.ways.map(wayOf),
    hiddenBy: [],
  }));
  const profile: VehicleProfile = {
    ...van,
    slug: 'large-van',
    model: 'Large van',
    facts: [],
    supplies: [],
    pieces: piecesOf(generated),
    refitRules: [],
    sensors: [],
    plugs: [],
    circuits: [],
    mounts,
    functions: [],
    gaps: [],
    cableWays: undefined,
    grounds: undefined,
  };
  const [lamp] = kit.lamps;
  if (!lamp) throw new Error('the kit has no lamp');
  const lamps = mounts.map((mount) => ({ ...lamp, id: `lamp-${mount.id}`, name: `Lamp at ${mount.name}`, side: mount.side }));
  const fitment = {
    vehicle: profile.slug,
    years: profile.years,
    mounts: mounts.map((mount) => ({ lamp: `lamp-${mount.id}`, mount: mount.id })),
    connections: [],
    replaces: [],
    losesFunctions: [],
    fitSteps: [],
    tests: [],
  };
  return {
    profile,
    kit: { ...kit, slug: 'large-kit', name: 'Large set', lamps, contents: [], options: [], plugs: [], legs: [], benchTasks: [], fitments: [fitment], warnings: [] },
  };
}
