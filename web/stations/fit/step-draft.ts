import { v4 } from 'uuid';
import type { JobState } from '@jade/core/events';
import type { BoxMm, Side } from '@jade/core/vehicle';
import type { View } from '../../design/geometry/outline.ts';
import { minutesSince } from '../../job/minutes.ts';

/** A step of fitting that was done, as it is written down. Each field is there from the beginning: what is begun is kept by its fields. */
export interface StepDraft {
  /** Letters of its id and of that of its place, drawn when the form is opened: it is the same step however often it is sent. */
  drawn: string;
  name: string;
  side: Side | undefined;
  lamps: string[];
  /** A place that is known; another one without. */
  place: string | undefined;
  placeName: string;
  view: View;
  box: BoxMm | undefined;
  tool: string;
  tighten: string;
  /** As typed; taken by the clock until then. */
  minutes: string;
  held: 'bolted' | 'single' | undefined;
  /** Pieces that are off and that it takes the place of. */
  inPlaceOf: string[];
  irreversible: boolean;
  agreedBy: string;
  sure: boolean;
}

/** An empty form; its minutes are those of the clock. */
export const newStep = (state: Pick<JobState, 'begun' | 'pause'>): StepDraft => ({
  drawn: v4().slice(0, 4),
  name: '',
  side: undefined,
  lamps: [],
  place: undefined,
  placeName: '',
  view: 'front',
  box: undefined,
  tool: '',
  tighten: '',
  minutes: minutesSince(state),
  inPlaceOf: [],
  held: undefined,
  irreversible: false,
  agreedBy: '',
  sure: false,
});
