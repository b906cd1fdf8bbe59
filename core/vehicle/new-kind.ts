import { MEASURES, TYPICAL_MEASURES, type Body, type Measures } from './bodies.ts';
import { DESCRIBED, type VehicleProfile } from './profile.ts';
import { takenOver } from './taken-over.ts';

/** What is measured of a vehicle that nobody has described: the rest follows from its body until somebody measures it. */
export type FewMeasures = Pick<Measures, 'lengthMm' | 'widthMm' | 'heightMm' | 'wheelbaseMm'>;

const FEW: readonly (keyof Measures)[] = ['lengthMm', 'widthMm', 'heightMm', 'wheelbaseMm'] satisfies readonly (keyof FewMeasures)[];

/** A kind of vehicle that nobody has described: what is read from its papers and its outside in a minute. */
export interface NewKind extends FewMeasures {
  maker: string;
  model: string;
  /** Model year of the first vehicle of the kind that came in. */
  year: number;
  body: Body;
  systemVoltageV: 12 | 24;
  highVoltage: boolean;
  /** A kind in the library that it is much like: what comes off there is assumed here. */
  like?: { slug: string; version: number };
}

/**
 * Whole measures from the few that were taken, in mm: what lies across grows with the width, what stands up with the height, the overhang with what the
 * wheelbase leaves of the length, and wheels are those that such a body typically has.
 */
export function measuresOf(body: Body, few: FewMeasures): Measures {
  const typical = TYPICAL_MEASURES[body];
  const free = typical.lengthMm - typical.wheelbaseMm;
  const across = few.widthMm / typical.widthMm;
  const up = few.heightMm / typical.heightMm;
  const { lengthMm, widthMm, heightMm, wheelbaseMm } = few;
  return {
    lengthMm,
    widthMm,
    heightMm,
    wheelbaseMm,
    frontOverhangMm: free > 0 ? Math.round((typical.frontOverhangMm / free) * (lengthMm - wheelbaseMm)) : typical.frontOverhangMm,
    wheelDiameterMm: typical.wheelDiameterMm,
    trackMm: Math.round(typical.trackMm * across),
    bonnetHeightMm: Math.round(typical.bonnetHeightMm * up),
    groundClearanceMm: Math.round(typical.groundClearanceMm * up),
  };
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '');

/** A text as a slug says it; `otherwise` where it holds no letter that a slug has. */
export const slugOf = (text: string, otherwise: string): string => plain(text).slice(0, 60).replace(/-+$/, '') || otherwise;

/** The slug under which a kind of vehicle is kept: its maker and model; `vehicle` where those hold no letter that a slug has. */
export const kindSlug = ({ maker, model }: Pick<NewKind, 'maker' | 'model'>): string => slugOf(`${maker} ${model}`, 'vehicle');

/** The id of something that somebody describes: its name and a few letters drawn by the device, so that no two are alike. */
export const entryId = (name: string, drawn: string): string => `${plain(name).slice(0, 50).replace(/-+$/, '') || 'piece'}-${drawn}`;

/**
 * First version of a profile of a kind that nobody has described: its body and its measures, and of each list that nobody has looked for it.
 * @param like the profile that `kind.like` names: its pieces are taken over as assumed
 */
export function newKind(kind: NewKind, like?: VehicleProfile): VehicleProfile {
  const { maker, model, year, body, systemVoltageV, highVoltage } = kind;
  const measures = measuresOf(body, kind);
  return {
    format: 'jade-vehicle-profile/5',
    slug: kindSlug(kind),
    maker: maker.trim(),
    model: model.trim(),
    years: { from: year },
    body,
    systemVoltageV,
    highVoltage,
    undescribed: [...DESCRIBED],
    supplies: [],
    measures,
    // What stands as such a body typically has it counts as measured by nobody.
    unmeasured: MEASURES.filter((id) => measures[id] === TYPICAL_MEASURES[body][id] || !FEW.includes(id)),
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
    ...(like ? takenOver(like, measures) : {}),
  };
}
