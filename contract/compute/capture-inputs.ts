import { LEVELS, OPEN_LEVELS, type Level, type LevelNeed as PlainNeed, type OpenLevel } from '@jade/core/vehicle';
import type * as Plain from '@jade/core/capture';
import { Amount, Each, Flag, OneOf, Optional, Part, Slug, Text, Whole } from '@jade/contract/check';
import { Kit } from '@jade/contract/kit';
import { RuleSet } from '@jade/contract/rules';
import { LevelNeed, VehicleProfile } from '@jade/contract/vehicle';
import { AnyObjects } from './inputs.ts';

const MOST_OPEN = 1000;
const MOST_JOBS = 500;

class Position {
  @Text(40) kind!: string;
  @Text(40) place!: string;
}

class CloseUpAnswer implements Plain.CloseUpAnswer {
  @Text(160) event!: string;
  @Slug() piece!: string;
  /** `fitted` where it could have stayed on, the level that was enough, or `needed`. */
  @OneOf([...LEVELS, 'needed']) enough!: Level | 'needed';
}

class SeenMove implements Plain.SeenMove {
  @Text(80) event!: string;
  @Slug() piece!: string;
  @OneOf(LEVELS) from!: Level;
  @OneOf(OPEN_LEVELS) level!: OpenLevel;
  /** What was open before it: its own lower level too, what was open on arrival, and as off what this vehicle lacks. */
  @Each(() => LevelNeed, MOST_OPEN) open!: PlainNeed[];
  @Optional() @Amount(0, 6000) personMin?: number;
  @Whole(1, 6) people!: number;
  /** Something broke: it proves no way. */
  @Optional() @Flag() broken?: boolean;
  @Optional() @Part(() => Position) position?: Position;
  /** How it stood besides, each of another kind. */
  @Optional() @Each(() => Position, 4) also?: Position[];
  /** What was said at once of what was open then: of this move alone. */
  @Optional() @Each(() => CloseUpAnswer, MOST_OPEN) answers?: CloseUpAnswer[];
}

class SeenTarget implements Plain.SeenTarget {
  @Text(80) event!: string;
  @Slug() target!: string;
  @Each(() => LevelNeed, MOST_OPEN) open!: PlainNeed[];
  /** It was worked at after it was said what could have stayed on, which so says nothing of it. */
  @Optional() @Flag() later?: boolean;
}

class TriedMove implements Plain.TriedMove {
  @Text(80) event!: string;
  @Slug() piece!: string;
  @OneOf(OPEN_LEVELS) level!: OpenLevel;
  @Each(() => LevelNeed, MOST_OPEN) open!: PlainNeed[];
  @Optional() @Part(() => Position) position?: Position;
  @Optional() @Each(() => Position, 4) also?: Position[];
}

class SeenClosing implements Plain.SeenClosing {
  @Text(80) event!: string;
  @Slug() piece!: string;
  @OneOf(OPEN_LEVELS) from!: Level;
  @Amount(0, 6000) personMin!: number;
}

/** What one job showed, where there is no log of it. */
class SeenJob implements Plain.SeenJob {
  @Text(80) job!: string;
  @Each(() => SeenMove, MOST_OPEN) moves!: SeenMove[];
  @Each(() => SeenTarget, 200) targets!: SeenTarget[];
  @Each(() => TriedMove, 200) tried!: TriedMove[];
  @Each(() => SeenClosing, MOST_OPEN) closings!: SeenClosing[];
  @Each(() => CloseUpAnswer, MOST_OPEN) answers!: CloseUpAnswer[];
}

class DeviceClock {
  @Text(80) device!: string;
  /** To be added to its times. */
  @Amount(-100_000_000, 100_000_000) behindS!: number;
}

/** The log of one job, with what the clocks of its devices are off; of a device that is not named then nobody knows, and without clocks all are right. */
class KindLog {
  @Text(80) job!: string;
  @AnyObjects() log!: unknown[];
  @Optional() @Each(() => DeviceClock, 100) clocks?: DeviceClock[];
}

export class CaptureInput {
  /** What is known of the kind; without it `jobs` say what was seen. */
  @Optional() @Part(() => VehicleProfile) profile?: VehicleProfile;
  /** Documents that the logs go by. */
  @Optional() @Each(() => Kit, 20) kits?: Kit[];
  @Optional() @Part(() => RuleSet) rules?: RuleSet;
  @Optional() @Each(() => KindLog, MOST_JOBS) logs?: KindLog[];
  @Optional() @Each(() => SeenJob, MOST_JOBS) jobs?: SeenJob[];
}
