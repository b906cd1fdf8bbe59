import { v4 } from 'uuid';
import type { JobState } from '@jade/core/events';
import type { openUp } from '@jade/core/stations';
import { positionsIn, type Beside, type BoxMm, type Drive, type OpenLevel, type Position, type Release, type Side, type VehicleProfile, type Zone } from '@jade/core/vehicle';
import { viewOf, type View } from '../../design/geometry/outline.ts';
import { boxAround, boxOnSide, middleOf, zoneOnSide } from '../../design/geometry/spot.ts';
import { minutesSince } from '../../job/minutes.ts';

/** A piece that came open, as it is written down. Each field is there from the beginning: what is begun is kept by its fields. */
export interface CameDraft {
  /** Letters of its id, drawn when the form is opened, so that it is the same piece however often it is sent. */
  drawn: string;
  view: View;
  /** Where the piece before was. */
  near: Zone | undefined;
  /** Where it was pointed at; nowhere in particular without. */
  box: BoxMm | undefined;
  zone: Zone | undefined;
  side: Side | undefined;
  name: string;
  level: OpenLevel;
  /** As typed; taken by the clock until then. */
  minutes: string;
  people: '1' | '2';
  /** How the vehicle had to stand. */
  stands: Position[];
  /** What was said of pieces that were open: that it would have come without, or that they had to be. */
  open: Record<string, 'without' | 'needed'>;
  caution: string;
  fasteners: openUp.CameOut[];
  other: { drive?: Drive; size: string; lengthMm: string; release?: Release };
  beside: Beside[];
  brittle: boolean;
  sure: boolean;
}

/** Where the piece sits that was written down last: the next one is looked for there. */
const lastZone = ({ described }: Pick<JobState, 'described'>): Zone | undefined => Object.values(described.pieces).at(-1)?.zone;

/** Where a piece sits: as it was pointed at, on the side that was said. */
export function boxOf({ zone = 'front', side, box }: CameDraft, { measures }: Pick<VehicleProfile, 'measures'>): BoxMm {
  const pointed = box ?? boxAround(viewOf(zone), middleOf(zone, measures), measures);
  return side ? boxOnSide(pointed, side) : pointed;
}

/** A piece as the form says it. */
export function cameOf(draft: CameDraft, profile: Pick<VehicleProfile, 'measures'>): openUp.CamePiece {
  const { name, side, zone, level, minutes, people, fasteners, beside, brittle, stands, open, caution } = draft;
  const said = (as: 'without' | 'needed') => Object.keys(open).filter((piece) => open[piece] === as);
  return {
    name,
    ...(side ? { side } : {}),
    ...(zone ? { zone: zoneOnSide(zone, side) } : {}),
    box: boxOf(draft, profile),
    level,
    openMin: Number(minutes.replace(',', '.')),
    people: people === '2' ? 2 : 1,
    fasteners,
    beside,
    brittle,
    stands,
    without: said('without'),
    needed: said('needed'),
    caution,
  };
}

/** An empty form. Its minutes are those of the clock. */
export function newCame(state: Pick<JobState, 'begun' | 'pause' | 'described' | 'stand'>): CameDraft {
  const minutes = minutesSince(state);
  const near = lastZone(state);
  return {
    drawn: v4().slice(0, 4),
    view: near ? viewOf(near) : 'front',
    near,
    box: undefined,
    zone: undefined,
    side: undefined,
    name: '',
    level: 'off',
    minutes,
    people: '1',
    stands: positionsIn(state.stand),
    open: {},
    caution: '',
    fasteners: [],
    other: { size: '', lengthMm: '' },
    beside: [],
    brittle: false,
    sure: false,
  };
}
