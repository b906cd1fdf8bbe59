import type { Kit } from '@jade/core/kit';
import type { FollowsWhy, LoggedEvent } from '@jade/core/events';
import type { RuleSet } from '@jade/core/rules';
import type { TakenBySteps } from '@jade/core/schedule';
import type { Hold, Station, StationState } from '@jade/core/stations';
import type { VehicleProfile } from '@jade/core/vehicle';
import type { PlugLibrary } from '@jade/core/wiring';

/** Times that this shop took on vehicles of a kind beyond those that a version of its profile holds; and how many it holds. */
export interface TimesOfKind {
  version: number;
  taken: TakenBySteps;
  within: number;
}

/** What the day board shows of a job without reading its log. */
export interface JobSummary {
  stations: { station: Station; state: StationState }[];
  holding: Pick<Hold, 'station' | 'code' | 'kind'> | null;
  sentence: string;
  /** Whether it has left the shop: signed, or cancelled before anything was touched. */
  signed: boolean;
  /** When it left, by the clock of the device. */
  signedAt: string | null;
  /** Why it was cancelled, where it was. */
  cancelled: string | null;
  /** Since when it is left open overnight, where it is. */
  night: string | null;
  assigned: string | null;
  /** Maker and model as the pinned profile names them. */
  vehicle: string;
  kits: string[];
}

/** A job as the day board and a search show it. */
export interface JobLine {
  id: string;
  plate: string;
  profile: string;
  customer: string;
  bay: string | null;
  openedAt: string;
  promisedAt: string | null;
  seq: number;
  /** The job that it follows, and why. */
  follows: Followed | null;
  summary: JobSummary;
}

/** A job that another one follows, or that follows it. */
export interface Followed {
  job: string;
  why: FollowsWhy;
  openedAt: string;
}

/** A job with the documents it pins: all that a browser needs to go on without the server. */
export interface JobView {
  id: string;
  bay: string | null;
  openedAt: string;
  promisedAt: string | null;
  vehicle: { id: string; plate: string; number: string | null; year: number | null };
  customer: string;
  profile: VehicleProfile;
  kits: Kit[];
  /** Kits that were on the vehicle when the job that this one follows left. */
  fitted?: Kit[];
  /** The job that this one follows; and those that follow it. */
  follows: Followed | null;
  followedBy: Followed[];
  rules: RuleSet;
  plugs?: PlugLibrary;
  /** Whether one of the job's kits has not yet left the shop on another job. */
  newKit: boolean;
  /** Those that have not. */
  newKits: string[];
  /** Times that steps took at this shop on vehicles of this kind. */
  taken: TakenBySteps;
  /** Documents of which a newer version is published. */
  newer: { kind: 'vehicle' | 'kit' | 'rules' | 'plugs'; slug: string; version: number }[];
  /** What the shop calls its money; empty where it has not said. */
  currency: string;
  /** What an hour of one person costs here, in the smallest coin, where the shop has said. */
  labourCentsPerHour?: number;
  /** The shop, and how it writes lengths and times. */
  shop: { name: string; lengths?: 'mm' | 'in'; timeZone?: string };
  /** Kits of the library that also go on this vehicle. */
  otherKits: Kit[];
  events: LoggedEvent[];
}

/** What was added to a job's log: the events, and the seq they follow, so that whoever reads them knows whether one is missing. */
export interface Appended {
  after: number;
  events: LoggedEvent[];
}
