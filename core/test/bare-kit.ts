import type { Fitment, Kit, Lamp } from '../kit/index.ts';

/** A lamp of no special kind, for tests that are about one part of it. */
export function bareLamp(id: string, part: Partial<Lamp> = {}): Lamp {
  return {
    id,
    name: id,
    side: 'left',
    optics: { beam: 'front fog', peakCd: 9600, widthDeg: 70, heightDeg: 10, colourTemperatureK: 4300, basis: 'tested' },
    load: { powerW: 21.6, atV: 13.2, kind: 'driven LED', standbyMa: 0 },
    box: { widthMm: 146, heightMm: 112, depthMm: 98 },
    marking: 'none',
    ...part,
  };
}

/** A fitment on the bare profile, for tests that are about one part of it. */
export function bareFitment(part: Partial<Fitment> = {}): Fitment {
  return { vehicle: 'test-van', years: { from: 2019, to: 2024 }, mounts: [], connections: [], replaces: [], losesFunctions: [], fitSteps: [], tests: [], ...part };
}

/** The smallest whole kit, for tests that are about one part of it. */
export function bareKit(part: Partial<Kit> = {}): Kit {
  return {
    format: 'jade-kit/5',
    slug: 'test-kit',
    name: 'Test pair',
    maker: 'Cairn',
    lamps: [],
    contents: [],
    options: [],
    plugs: [],
    relays: [],
    feeds: [],
    legs: [],
    benchTasks: [],
    fitments: [bareFitment()],
    warnings: [],
    priceCents: 1000,
    ...part,
  };
}
