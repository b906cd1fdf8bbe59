import type { FastenerGroup, Piece, VehicleProfile } from '../vehicle/index.ts';

/** The smallest whole profile, for tests that are about one part of it. */
export function bareProfile(part: Partial<VehicleProfile> = {}): VehicleProfile {
  return {
    format: 'jade-vehicle-profile/5',
    slug: 'test-van',
    maker: 'Wexholm',
    model: 'Test van',
    years: { from: 2019, to: 2024 },
    body: 'van-high-roof',
    systemVoltageV: 12,
    highVoltage: false,
    battery: { capacityAh: 80, standbyMa: 20 },
    measures: {
      lengthMm: 5900,
      widthMm: 2050,
      heightMm: 2550,
      wheelbaseMm: 3600,
      frontOverhangMm: 950,
      wheelDiameterMm: 690,
      trackMm: 1750,
      bonnetHeightMm: 1150,
      groundClearanceMm: 180,
    },
    supplies: [],
    numberCheckDigit: false,
    facts: [],
    pieces: [],
    refitRules: [],
    sensors: [],
    plugs: [],
    circuits: [],
    mounts: [],
    functions: [],
    gaps: [],
    cautions: [],
    ...part,
  };
}

/** A piece that comes off alone by one way, for tests that are about one part of it. */
export function barePiece(id: string, part: Partial<Piece> = {}): Piece {
  return {
    id,
    name: id,
    side: 'centre',
    zone: 'front',
    box: { xMm: [0, 100], yMm: [-100, 100], zMm: [300, 400] },
    levels: [{ level: 'off', openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'front', needs: [], extraMin: 0 }] }],
    fasteners: [],
    cautions: [],
    ...part,
  };
}

/** A group of two hex bolts that come out with the piece, for tests that are about one part of it. */
export function bareGroup(id: string, part: Partial<FastenerGroup> = {}): FastenerGroup {
  return { id, drive: 'hex', size: '10 mm', count: 2, place: id, side: 'left', singleUse: false, release: 'unscrew', tighten: {}, atLevel: 'off', ...part };
}
