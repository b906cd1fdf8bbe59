import { STATIONS, type StationId } from '../subject/index.ts';

export { STATIONS };
export type Station = StationId;
export type StationState = 'not begun' | 'under way' | 'settled' | 'needs an answer' | 'blocked';

/** One thing that a station still wants. `about` is the key under which an exception can be named for it, where one can. */
export interface Hold {
  station: Station;
  code: HoldCode;
  kind: 'to do' | 'question' | 'block';
  data: Record<string, string | number>;
  about?: string;
}

export type HoldCode =
  | 'number-missing'
  | 'battery-missing'
  | 'codes-before-missing'
  | 'warnings-before-missing'
  | 'warnings-uncoded'
  | 'lenses-before-missing'
  | 'baseline-missing'
  | 'gaps-before-missing'
  | 'fact-unknown'
  | 'kit-does-not-fit'
  | 'kit-undecided'
  | 'kit-unconfirmed'
  | 'kit-undescribed'
  | 'lamps-undescribed'
  | 'reach-undescribed'
  | 'piece-twice'
  | 'place-twice'
  | 'wiring-undescribed'
  | 'fitting-undescribed'
  | 'aim-undescribed'
  | 'sensors-undescribed'
  | 'contents-undescribed'
  | 'kit-lamps-undescribed'
  | 'content-short'
  | 'content-hands'
  | 'content-uncounted'
  | 'bench-task'
  | 'target-unreachable'
  | 'piece-unreachable'
  | 'pieces-to-open'
  | 'steps-wait-for-each-other'
  | 'plug-does-not-mate'
  | 'plug-to-join'
  | 'plug-to-cap'
  | 'leg-to-lay'
  | 'pin-over'
  | 'load-refused'
  | 'load-to-accept'
  | 'outage-to-accept'
  | 'reference-missing'
  | 'wire-unproved'
  | 'wire-contradictory'
  | 'wire-open'
  | 'lamp-otherwise'
  | 'sensor-unplugged'
  | 'calibration-due'
  | 'fit-passes'
  | 'kit-to-take-out'
  | 'bolts-to-recheck'
  | 'test-failed'
  | 'test-missing'
  | 'covered-untested'
  | 'covered-unaimed'
  | 'piece-open'
  | 'fasteners-out'
  | 'fastener-dropped'
  | 'fastener-wanting'
  | 'used-again'
  | 'part-to-bag'
  | 'supply-dead'
  | 'still-raised'
  | 'setting-forgotten'
  | 'wall-missing'
  | 'floor-missing'
  | 'floor-beyond'
  | 'aim-preparation'
  | 'height-missing'
  | 'aim-missing'
  | 'aim-out'
  | 'final-missing'
  | 'function-worse'
  | 'new-untried'
  | 'new-failed'
  | 'codes-after-missing'
  | 'warnings-after-missing'
  | 'warning-new'
  | 'lenses-after-missing'
  | 'lens-worse'
  | 'code-new'
  | 'gap-after-missing'
  | 'sign-off'
  | 'left-overnight'
  | 'not-as-left'
  | 'contradicted'
  | 'log-question';

export interface StationStanding {
  station: Station;
  state: StationState;
  holds: Hold[];
  begun: boolean;
}

export interface Standing {
  stations: StationStanding[];
  /** The first thing that holds the job back now; undefined when it is signed. */
  holding?: Hold;
  /** All that stands between the job and hand-over besides the sign-off itself. */
  missing: Hold[];
  readyToSign: boolean;
}

/** A hold before it is known which station asks for it. */
export type Asked = Omit<Hold, 'station'>;

export const todo = (code: HoldCode, data: Asked['data'] = {}, about?: string): Asked => ({ code, kind: 'to do', data, about });
export const question = (code: HoldCode, data: Asked['data'] = {}, about?: string): Asked => ({ code, kind: 'question', data, about });
export const block = (code: HoldCode, data: Asked['data'] = {}, about?: string): Asked => ({ code, kind: 'block', data, about });
