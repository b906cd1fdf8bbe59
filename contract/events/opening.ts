import { DESCRIBED, LEVELS, OPEN_LEVELS, SUPPLY_IDS, SUPPLY_STATES } from '@jade/core/vehicle';
import { LONGEST_TEXT as MOST, SCHOOLS, type EventType, type GroupCount as PlainCount, type Judged, type Payloads } from '@jade/core/events';
import { Circuit, FastenerGroup, LampFunction, MountPosition, Piece, Sensor, Supply, TakenMeasures, TellingFact, VehiclePlug, GapPoint, RefitRule } from '@jade/contract/vehicle';
import { Each, EventId, OneOf, OneOfEach, Optional, Part, Slug, Slugs, Text, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

export class GroupCount implements PlainCount {
  @Slug() group!: string;
  @Whole(0, 500) count!: number;
}

class PieceMoved implements P<'piece.moved'> {
  @Slug() piece!: string;
  @OneOf(LEVELS) level!: P<'piece.moved'>['level'];
  @Optional() @Slug() way?: string;
  @Each(() => GroupCount, 60) fasteners!: GroupCount[];
  @Optional() @Slugs(200) without?: string[];
  @Optional() @Slugs(200) needed?: string[];
}

class PositionSet implements P<'position.set'> {
  @Slug() kind!: string;
  @Optional() @Slug() place?: string;
}

class SupplySet implements P<'supply.set'> {
  @OneOf(SUPPLY_IDS) supply!: P<'supply.set'>['supply'];
  @OneOf(SUPPLY_STATES) is!: P<'supply.set'>['is'];
  @Optional() @Text(MOST.isolation) by?: string;
}

class SettingRestored implements P<'setting.restored'> {
  @OneOf(SUPPLY_IDS) supply!: P<'setting.restored'>['supply'];
  @Text(MOST.setting) setting!: string;
}

/** A piece that two devices described, by the one that was described first. */
class SamePiece {
  @Slug() piece!: string;
  @Slug() is!: string;
}

/** Two pieces that look like one. */
class ApartPiece {
  @Slug() piece!: string;
  @Slug() from!: string;
}

/** A place, sensor, gap or plug that two devices described, by the one that was described first. */
class SamePlace {
  @Slug() place!: string;
  @Slug() is!: string;
}

/** Two of them that look like one. */
class ApartPlace {
  @Slug() place!: string;
  @Slug() from!: string;
}

/** What holds a piece, where it was found held otherwise than its profile says. */
class HeldPiece {
  @Slug() piece!: string;
  @Each(() => FastenerGroup, 60) fasteners!: FastenerGroup[];
}

class KindDescribed implements P<'kind.described'> {
  @Optional() @Each(() => Piece, 20) pieces?: Piece[];
  @Optional() @Each(() => LampFunction, 60) functions?: LampFunction[];
  @Optional() @Each(() => MountPosition, 20) mounts?: MountPosition[];
  @Optional() @Each(() => Supply, 2) supplies?: Supply[];
  @Optional() @Each(() => Sensor, 20) sensors?: Sensor[];
  @Optional() @Each(() => GapPoint, 20) gaps?: GapPoint[];
  @Optional() @Each(() => VehiclePlug, 20) plugs?: VehiclePlug[];
  @Optional() @Each(() => Circuit, 20) circuits?: Circuit[];
  @Optional() @Each(() => TellingFact, 20) facts?: TellingFact[];
  @Optional() @Part(() => TakenMeasures) measures?: TakenMeasures;
  @Optional() @Slugs(60) without?: string[];
  @Optional() @Each(() => RefitRule, 20) refitRules?: RefitRule[];
  @Optional() @Each(() => HeldPiece, 20) held?: HeldPiece[];
  @Optional() @Each(() => SamePiece, 20) same?: SamePiece[];
  @Optional() @Each(() => ApartPiece, 20) apart?: ApartPiece[];
  @Optional() @Each(() => SamePlace, 20) samePlaces?: SamePlace[];
  @Optional() @Each(() => ApartPlace, 20) apartPlaces?: ApartPlace[];
  @Optional() @OneOfEach(DESCRIBED, DESCRIBED.length) whole?: P<'kind.described'>['whole'];
}

class PieceWanted implements P<'piece.wanted'> {
  @Slug() piece!: string;
  @OneOf(OPEN_LEVELS) level!: P<'piece.wanted'>['level'];
}

class OpeningEnough implements P<'opening.enough'> {
  @Slugs(20) kits!: string[];
}

class WayBlocked implements P<'way.blocked'> {
  @Slug() place!: string;
  @Optional() @OneOf(OPEN_LEVELS) level?: P<'way.blocked'>['level'];
  @Slug() way!: string;
  @Text(MOST.why) why!: string;
}

class PieceFound implements P<'piece.found'> {
  @Slug() piece!: string;
  @OneOf(OPEN_LEVELS) level!: P<'piece.found'>['level'];
}

class PieceTried implements P<'piece.tried'> {
  @Slug() piece!: string;
  @OneOf(OPEN_LEVELS) level!: P<'piece.tried'>['level'];
}

class JudgedPiece implements Judged {
  @Slug() piece!: string;
  @OneOf([...LEVELS, 'needed']) enough!: Judged['enough'];
}

class OpeningJudged implements P<'opening.judged'> {
  @Each(() => JudgedPiece, 300) pieces!: JudgedPiece[];
}

class MovesOrdered implements P<'moves.ordered'> {
  @EventId() first!: string;
  @EventId() then!: string;
}

class WayChosen implements P<'way.chosen'> {
  @Slug() place!: string;
  @Optional() @OneOf(OPEN_LEVELS) level?: P<'way.chosen'>['level'];
  @Optional() @Slug() way?: string;
}

class OrderChosen implements P<'order.chosen'> {
  @OneOf(SCHOOLS) school!: P<'order.chosen'>['school'];
  @OneOf([1, 2]) people!: P<'order.chosen'>['people'];
  @Optional() @OneOf(['left', 'right']) side?: P<'order.chosen'>['side'];
}

class OpeningLeft implements P<'opening.left'> {
  @Text(MOST.why) why!: string;
}

class PartBagged implements P<'part.bagged'> {
  @Slug() piece!: string;
  @Text(MOST.bag) where!: string;
}

/** Forms of the family, each of its type's newest version. */
export const OPENING_FORMS = {
  'piece.moved': PieceMoved,
  'piece.found': PieceFound,
  'piece.tried': PieceTried,
  'piece.wanted': PieceWanted,
  'part.bagged': PartBagged,
  'position.set': PositionSet,
  'supply.set': SupplySet,
  'setting.restored': SettingRestored,
  'kind.described': KindDescribed,
  'opening.enough': OpeningEnough,
  'opening.judged': OpeningJudged,
  'moves.ordered': MovesOrdered,
  'way.blocked': WayBlocked,
  'way.chosen': WayChosen,
  'order.chosen': OrderChosen,
  'opening.left': OpeningLeft,
  'opening.resumed': OpeningLeft,
} satisfies FormsOf<'opening'>;
