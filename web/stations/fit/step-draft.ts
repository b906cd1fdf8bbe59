import { v4 } from 'uuid';
import type { BoxMm, Side } from '@jade/core/vehicle';
import type { View } from '../../design/geometry/outline.ts';
import { minutesSince } from '../../job/minutes.ts';

/** A step of fitting that was done, as it is written down. */
export interface StepDraft {
  /** Letters of its id and of that of its place, drawn when the form is opened: it is the same step however often it is sent. */
  drawn: string;
  name: string;
  side?: Side;
  lamps: string[];
  /** A place that is known; another one without. */
  place?: string;
  placeName: string;
  view: View;
  box?: BoxMm;
  tool: string;
  tighten: string;
  /** As typed; taken by the clock until then. */
  minutes: string;
  held?: 'bolted' | 'single';
  /** Pieces that are off and that it takes the place of. */
  inPlaceOf: string[];
  irreversible: boolean;
  agreedBy: string;
  sure: boolean;
}

/** An empty form; its minutes are those of the clock. */
export const newStep = (lastAt: string | undefined): StepDraft => ({
  drawn: v4().slice(0, 4),
  name: '',
  lamps: [],
  placeName: '',
  view: 'front',
  tool: '',
  tighten: '',
  minutes: minutesSince(lastAt, Date.now()),
  inPlaceOf: [],
  irreversible: false,
  agreedBy: '',
  sure: false,
});
