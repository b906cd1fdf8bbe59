import type { Kit } from '../kit/index.ts';
import type { RuleSet } from '../rules/index.ts';
import type { VehicleProfile } from '../vehicle/index.ts';
import type { PlugLibrary } from '../wiring/index.ts';

/** The documents that a job pins, whose ids its entries name. */
export interface PinnedDocuments {
  profile: VehicleProfile;
  kits: Kit[];
  /** Kits that were on the vehicle when the job that this one follows left. */
  fitted?: Kit[];
  rules: RuleSet;
  /** The plug library; a job opened before there was one has none. */
  plugs?: PlugLibrary;
}
