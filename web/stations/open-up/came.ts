import { v4 } from 'uuid';
import type { openUp } from '@jade/core/stations';
import type { Beside, BoxMm, Drive, OpenLevel, Release, Side, Zone } from '@jade/core/vehicle';
import type { View } from '../../design/geometry/outline.ts';
import { viewOf } from '../../design/geometry/outline.ts';
import { minutesSince } from '../../job/minutes.ts';

/** A piece that came open, as it is written down. */
export interface CameDraft {
  /** Letters of its id, drawn when the form is opened, so that it is the same piece however often it is sent. */
  drawn: string;
  view: View;
  /** Where it was pointed at; nowhere in particular without. */
  box?: BoxMm;
  zone?: Zone;
  side?: Side;
  name: string;
  level: OpenLevel;
  /** As typed; taken by the clock until then. */
  minutes: string;
  people: '1' | '2';
  fasteners: openUp.CameOut[];
  other: { drive?: Drive; size: string; lengthMm: string; release?: Release };
  beside: Beside[];
  brittle: boolean;
  sure: boolean;
}

/** An empty form, or one that says what the same piece on the other side was like. Its minutes are those of the clock. */
export function newCame(lastAt: string | undefined, like?: openUp.CamePiece): CameDraft {
  const minutes = minutesSince(lastAt, Date.now());
  const empty: CameDraft = {
    drawn: v4().slice(0, 4),
    view: 'front',
    name: '',
    level: 'off',
    minutes,
    people: '1',
    fasteners: [],
    other: { size: '', lengthMm: '' },
    beside: [],
    brittle: false,
    sure: false,
  };
  if (!like) return empty;
  const { name, side, zone, box, level, people, fasteners, beside, brittle } = like;
  return {
    ...empty,
    view: viewOf(zone ?? 'front'),
    name,
    side,
    zone,
    box,
    level,
    people: people === 2 ? '2' : '1',
    fasteners: fasteners.map((entry) => ({ ...entry })),
    beside: [...beside],
    brittle,
  };
}
