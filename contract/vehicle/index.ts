import {
  BODIES,
  DESCRIBED,
  DRIVES,
  MEASURES,
  OPEN_LEVELS,
  RELEASES,
  ROUTE_ROLES,
  SENSOR_KINDS,
  SIDES,
  SNUG_CLASSES,
  SUPPLY_HANDS,
  SUPPLY_IDS,
  SUPPLY_STATES,
  ZONES,
  type BoxMm,
  type Caution as PlainCaution,
  type FactDefinition as PlainFact,
  type TellingFact as PlainTelling,
  type ThereOnly as PlainThereOnly,
  type FastenerGroup as PlainGroup,
  type GapPoint as PlainGap,
  type GroundPoint as PlainGround,
  type KindNote as PlainNote,
  type LampFunction as PlainFunction,
  type LevelNeed as PlainNeed,
  type Measures as PlainMeasures,
  type TakenMeasures as PlainTaken,
  type MountPosition as PlainMount,
  type Piece as PlainPiece,
  type PieceLevel as PlainLevel,
  type PointMm,
  type Position as PlainPosition,
  type RefitRule as PlainRule,
  type RouteHazard,
  type RoutePlace as PlainPlace,
  type RouteSegment as PlainSegment,
  type Sensor as PlainSensor,
  type SpanMm,
  type Supply as PlainSupply,
  type SupplyAsk as PlainAsk,
  type Tightening as PlainTightening,
  type VehiclePlug as PlainPlug,
  type VehicleProfile as PlainProfile,
  type Way as PlainWay,
  type WayNeed as PlainWayNeed,
  type Years as PlainYears,
  BESIDE,
  type Beside,
} from '@jade/core/vehicle';
import { VEHICLE_STATES } from '@jade/core/states';
import { STATIONS } from '@jade/core/subject';
import { Amount, Day, Each, Exactly, Flag, OneOf, OneOfEach, Optional, Part, Slug, Slugs, Span, Text, Texts, Whole } from '@jade/contract/check';
import { Condition } from '@jade/contract/facts';
import { Circuit, LampChannel, PlugFace, VehiclePin } from './electrics.ts';

export * from './electrics.ts';

const FAR_MM = 30_000;

export class Years implements PlainYears {
  @Whole(1950, 2100) from!: number;
  @Optional() @Whole(1950, 2100) to?: number;
}

export class Point implements PointMm {
  @Amount(-FAR_MM, FAR_MM) xMm!: number;
  @Amount(-FAR_MM, FAR_MM) yMm!: number;
  @Amount(-FAR_MM, FAR_MM) zMm!: number;
}

export class Box implements BoxMm {
  @Span() xMm!: SpanMm;
  @Span() yMm!: SpanMm;
  @Span() zMm!: SpanMm;
}

/** What each measure of a vehicle can be. */
const IN_RANGE = {
  lengthMm: Amount(500, FAR_MM),
  widthMm: Amount(300, 4000),
  heightMm: Amount(500, 5000),
  wheelbaseMm: Amount(500, 15_000),
  frontOverhangMm: Amount(0, 4000),
  wheelDiameterMm: Amount(150, 2000),
  trackMm: Amount(0, 4000),
  bonnetHeightMm: Amount(200, 3000),
  groundClearanceMm: Amount(20, 1500),
};

export class Measures implements PlainMeasures {
  @IN_RANGE.lengthMm lengthMm!: number;
  @IN_RANGE.widthMm widthMm!: number;
  @IN_RANGE.heightMm heightMm!: number;
  @IN_RANGE.wheelbaseMm wheelbaseMm!: number;
  @IN_RANGE.frontOverhangMm frontOverhangMm!: number;
  @IN_RANGE.wheelDiameterMm wheelDiameterMm!: number;
  @IN_RANGE.trackMm trackMm!: number;
  @IN_RANGE.bonnetHeightMm bonnetHeightMm!: number;
  @IN_RANGE.groundClearanceMm groundClearanceMm!: number;
}

/** Measures that were taken, each in the range that a vehicle can have. */
export class TakenMeasures implements PlainTaken {
  @Optional() @IN_RANGE.lengthMm lengthMm?: number;
  @Optional() @IN_RANGE.widthMm widthMm?: number;
  @Optional() @IN_RANGE.heightMm heightMm?: number;
  @Optional() @IN_RANGE.wheelbaseMm wheelbaseMm?: number;
  @Optional() @IN_RANGE.frontOverhangMm frontOverhangMm?: number;
  @Optional() @IN_RANGE.wheelDiameterMm wheelDiameterMm?: number;
  @Optional() @IN_RANGE.trackMm trackMm?: number;
  @Optional() @IN_RANGE.bonnetHeightMm bonnetHeightMm?: number;
  @Optional() @IN_RANGE.groundClearanceMm groundClearanceMm?: number;
}

export class FactDefinition implements PlainFact {
  @Slug() id!: string;
  @Text(120) label!: string;
  @Texts(20, 80) choices!: string[];
  @Text(300) howToSee!: string;
  @Amount(0, 600) lookMin!: number;
}

class ThereOnly implements PlainThereOnly {
  @Slug() piece!: string;
  @Part(() => Condition) when!: Condition;
}

/** A fact that tells vehicles of a kind apart, with the pieces that not all of them have. */
export class TellingFact extends FactDefinition implements PlainTelling {
  @Each(() => ThereOnly, 60) tells!: ThereOnly[];
}

export class LevelNeed implements PlainNeed {
  @Slug() piece!: string;
  @OneOf(OPEN_LEVELS) level!: PlainNeed['level'];
}

export class SupplyAsk implements PlainAsk {
  @OneOf(SUPPLY_IDS) supply!: PlainAsk['supply'];
  @OneOf(SUPPLY_STATES) is!: PlainAsk['is'];
}

export class Supply implements PlainSupply {
  @OneOf(SUPPLY_IDS) id!: PlainSupply['id'];
  @Text(80) name!: string;
  @Slug() piece!: string;
  @OneOf(OPEN_LEVELS) level!: PlainSupply['level'];
  @Amount(0, 600) waitMin!: number;
  @Optional() @Amount(0, 600) liveMin?: number;
  @OneOf(SUPPLY_HANDS) by!: PlainSupply['by'];
  @Texts(20, 160) before!: string[];
  @Texts(20, 120) forgets!: string[];
}

export class Caution implements PlainCaution {
  @Text(300) text!: string;
  @Optional() @Part(() => SupplyAsk) asks?: SupplyAsk;
}

export class Position implements PlainPosition {
  @Slug() kind!: string;
  @Slug() place!: string;
}

/** A need of a way; one that was only seen open says so. */
export class WayNeed extends LevelNeed implements PlainWayNeed {
  @Optional() @Flag() seen?: boolean;
}

export class Way implements PlainWay {
  @Slug() id!: string;
  @Each(() => WayNeed, 60) needs!: WayNeed[];
  @Amount(0, 6000) extraMin!: number;
  @Optional() @Text(300) note?: string;
  @Optional() @Flag() irreversible?: boolean;
  @Optional() @Each(() => SupplyAsk, 4) asks?: SupplyAsk[];
  @Optional() @Part(() => Position) position?: Position;
  @Optional() @Each(() => Position, 4) also?: Position[];
}

export class Breakage {
  @Amount(0, 1) chance!: number;
  @Amount(0, 6000) replaceMin!: number;
}

export class PieceLevel implements PlainLevel {
  @OneOf(OPEN_LEVELS) level!: PlainLevel['level'];
  @Optional() @Text(80) say?: string;
  @Amount(0, 6000) openMin!: number;
  @Amount(0, 6000) closeMin!: number;
  @Whole(1, 6) people!: number;
  @Each(() => Way, 12) ways!: Way[];
  @Optional() @Each(() => SupplyAsk, 4) asks?: SupplyAsk[];
  @Optional() @OneOfEach(SUPPLY_IDS, 2) deadWhileOpen?: PlainLevel['deadWhileOpen'];
  @Optional() @Part(() => Breakage) breakage?: Breakage;
}

export class Tightening implements PlainTightening {
  @Optional() @Amount(0.1, 400) torqueNm?: number;
  @Optional() @Text(120) source?: string;
  @Optional() @OneOf(SNUG_CLASSES) snug?: PlainTightening['snug'];
  @Optional() @Amount(1, 10_000) recheckKm?: number;
}

export class FastenerGroup implements PlainGroup {
  @Slug() id!: string;
  @OneOf(DRIVES) drive!: PlainGroup['drive'];
  @Optional() @Text(20) size?: string;
  @Optional() @Amount(1, 400) lengthMm?: number;
  @Whole(1, 200) count!: number;
  @Text(160) place!: string;
  @OneOf(SIDES) side!: PlainGroup['side'];
  @Flag() singleUse!: boolean;
  @OneOf(RELEASES) release!: PlainGroup['release'];
  @Part(() => Tightening) tighten!: Tightening;
  @OneOf(OPEN_LEVELS) atLevel!: PlainGroup['atLevel'];
}

export class Piece implements PlainPiece {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(SIDES) side!: PlainPiece['side'];
  @OneOf(ZONES) zone!: PlainPiece['zone'];
  @Part(() => Box) box!: Box;
  @Optional() @Part(() => Condition) when?: Condition;
  @Each(() => PieceLevel, 4) levels!: PieceLevel[];
  @Each(() => FastenerGroup, 40) fasteners!: FastenerGroup[];
  @Each(() => Caution, 20) cautions!: Caution[];
  @Optional() @Text(300) movement?: string;
  @Optional() @OneOfEach(BESIDE, 10) beside?: Beside[];
  @Optional() @Flag() brittle?: boolean;
  @Optional() @Flag() painted?: boolean;
  @Optional() @Text(160) witness?: string;
  @Optional() @Amount(0, 3000) leashMm?: number;
  @Optional() @Text(121) assumed?: string;
  @Optional() @Flag() sensorAssumed?: boolean;
}

export class RefitRule implements PlainRule {
  @Slug() id!: string;
  @Slug() first!: string;
  @Slug() then!: string;
  @Text(300) why!: string;
  @Optional() @Part(() => Condition) when?: Condition;
}

export class Pose extends Point {
  @Amount(-180, 180) yawDeg!: number;
  @Amount(-90, 90) pitchDeg!: number;
}

export class FieldOfView {
  @Amount(0, 360) horizontalDeg!: number;
  @Amount(0, 180) verticalDeg!: number;
  @Amount(0, 500) rangeM!: number;
}

export class Sensor implements PlainSensor {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(SENSOR_KINDS) kind!: PlainSensor['kind'];
  @Slug() on!: string;
  @Text(120) lock!: string;
  @Part(() => Pose) pose!: Pose;
  @Optional() @Part(() => FieldOfView) fieldOfView?: FieldOfView;
  @Optional() @Amount(0, 90) toleranceDeg?: number;
  @OneOf(['required', 'not required']) calibration!: PlainSensor['calibration'];
  @Text(300) procedure!: string;
  @Optional() @Part(() => Condition) when?: Condition;
}

export class VehiclePlug extends PlugFace implements PlainPlug {
  @Each(() => VehiclePin, 200) override pins!: VehiclePin[];
  @OneOf(SIDES) side!: PlainPlug['side'];
  @Optional() @Part(() => Point) at?: Point;
  @Text(240) whereToLook!: string;
  @Each(() => Way, 12) reach!: Way[];
  @Each(() => LevelNeed, 40) hiddenBy!: LevelNeed[];
  @Optional() @Part(() => Condition) when?: Condition;
}

export class Opening {
  @Amount(1, 5000) widthMm!: number;
  @Amount(1, 5000) heightMm!: number;
  @Amount(1, 5000) depthMm!: number;
}

export class MountPosition implements PlainMount {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(SIDES) side!: PlainMount['side'];
  @Part(() => Point) at!: Point;
  @Optional() @Part(() => Opening) opening?: Opening;
  @Each(() => Way, 12) reach!: Way[];
  @Each(() => LevelNeed, 40) hiddenBy!: LevelNeed[];
  @Optional() @Slugs(20) inPlaceOf?: string[];
  @Optional() @Each(() => LevelNeed, 40) adjusterHiddenBy?: LevelNeed[];
  @Optional() @Slugs(40) aimAfter?: string[];
}

export class LampFunction implements PlainFunction {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(SIDES) side!: PlainFunction['side'];
  @OneOf(VEHICLE_STATES) state!: PlainFunction['state'];
  @Part(() => Point) at!: Point;
  @Optional() @Part(() => Condition) when?: Condition;
}

export class GapPoint implements PlainGap {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(SIDES) side!: PlainGap['side'];
  @Part(() => Point) at!: Point;
  @Optional() @Amount(0, 60) nominalMm?: number;
  @Optional() @Amount(0, 30) toleranceMm?: number;
}

export class Battery {
  @Amount(1, 1000) capacityAh!: number;
  @Amount(0, 2000) standbyMa!: number;
}

/** A stud or a nut of the body that may be grounded at. */
export class GroundPoint implements PlainGround {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Part(() => Point) at!: Point;
  @Text(240) whereToLook!: string;
}

export class RoutePlace implements PlainPlace {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Part(() => Point) at!: Point;
  @Optional() @Slugs(40) plugs?: string[];
  @Optional() @Slugs(40) mounts?: string[];
  @Optional() @OneOf(ROUTE_ROLES) role?: PlainPlace['role'];
  @Optional() @Amount(0, 5000) liftOutMm?: number;
}

/** How much longer the way may be to be spared each hazard, as a share of its length. */
export class RouteHazards implements Partial<Record<RouteHazard, number>> {
  @Optional() @Amount(0, 1000) heat?: number;
  @Optional() @Amount(0, 1000) movement?: number;
  @Optional() @Amount(0, 1000) edge?: number;
  @Optional() @Amount(0, 1000) wet?: number;
  @Optional() @Amount(0, 1000) lid?: number;
}

export class RouteSegment implements PlainSegment {
  @Slug() id!: string;
  @Text(120) name!: string;
  @Slug() from!: string;
  @Slug() to!: string;
  @Amount(0, 30_000) lengthMm!: number;
  @Part(() => RouteHazards) hazards!: RouteHazards;
  @Each(() => LevelNeed, 40) needs!: LevelNeed[];
  @Amount(0, 600) layMin!: number;
  @Optional() @Text(160) seal?: string;
  @Optional() @Text(160) hinge?: string;
  @Optional() @Flag() drill?: boolean;
  @Optional() @Text(240) forbidden?: string;
}

/** The ways for cable in a vehicle. */
export class CableWays {
  @Each(() => RoutePlace, 300) places!: RoutePlace[];
  @Each(() => RouteSegment, 600) segments!: RouteSegment[];
}

/** What somebody wants the next one to know of a kind of vehicle. */
export class KindNote implements PlainNote {
  @Slug() id!: string;
  @OneOf(STATIONS) station!: PlainNote['station'];
  @Text(600) text!: string;
  @Day() on!: string;
  @Optional() @Slug() kit?: string;
}

/** What the shop knows of a kind of vehicle. */
export class VehicleProfile implements PlainProfile {
  @Exactly('jade-vehicle-profile/5') format!: PlainProfile['format'];
  @Slug() slug!: string;
  @Text(60) maker!: string;
  @Text(60) model!: string;
  @Part(() => Years) years!: Years;
  @OneOf(BODIES) body!: PlainProfile['body'];
  @OneOf([12, 24]) systemVoltageV!: PlainProfile['systemVoltageV'];
  @Flag() highVoltage!: boolean;
  @Optional() @Part(() => Battery) battery?: Battery;
  @Optional() @OneOfEach(DESCRIBED, DESCRIBED.length) undescribed?: PlainProfile['undescribed'];
  @Optional() @OneOfEach(MEASURES, MEASURES.length) unmeasured?: PlainProfile['unmeasured'];
  @Each(() => Supply, 2) supplies!: Supply[];
  @Part(() => Measures) measures!: Measures;
  @Flag() numberCheckDigit!: boolean;
  @Optional() @Flag() numberYearByPlace7?: boolean;
  @Each(() => FactDefinition, 100) facts!: FactDefinition[];
  @Each(() => Piece, 1000) pieces!: Piece[];
  @Each(() => RefitRule, 500) refitRules!: RefitRule[];
  @Each(() => Sensor, 60) sensors!: Sensor[];
  @Each(() => VehiclePlug, 200) plugs!: VehiclePlug[];
  @Each(() => Circuit, 200) circuits!: Circuit[];
  @Optional() @Each(() => LampChannel, 120) channels?: LampChannel[];
  @Optional() @Each(() => GroundPoint, 60) grounds?: GroundPoint[];
  @Optional() @Part(() => CableWays) cableWays?: CableWays;
  @Each(() => MountPosition, 100) mounts!: MountPosition[];
  @Each(() => LampFunction, 120) functions!: LampFunction[];
  @Each(() => GapPoint, 60) gaps!: GapPoint[];
  @Texts(20) cautions!: string[];
  @Optional() @Each(() => KindNote, 300) notes?: KindNote[];
}

/** What somebody took of what the jobs of a kind taught, by ids; kits by their slugs. Made from version `basedOn` of its profile. */
export class TakenToKeep {
  @Whole(1, 1_000_000) basedOn!: number;
  @Slugs(500) pieces!: string[];
  @Slugs(500) functions!: string[];
  @Slugs(500) mounts!: string[];
  @Slugs(2) supplies!: string[];
  @Slugs(60) sensors!: string[];
  @Slugs(200) gaps!: string[];
  @Slugs(200) plugs!: string[];
  @Slugs(200) circuits!: string[];
  @Slugs(60) facts!: string[];
  @Slugs(500) confirmed!: string[];
  @Slugs(500) otherwise!: string[];
  @Slugs(200) refitRules!: string[];
  @Slugs(500) without!: string[];
  @Slugs(2) revived!: string[];
  @OneOfEach(MEASURES, MEASURES.length) measures!: NonNullable<PlainProfile['unmeasured']>;
  @Slugs(300) notes!: string[];
  @Slugs(100) kits!: string[];
  @Slugs(1000) ways!: string[];
  @OneOfEach(DESCRIBED, DESCRIBED.length) whole!: NonNullable<PlainProfile['undescribed']>;
}

/** Puts the times that this shop took into the next version of a profile, made from version `basedOn`. */
export class TimesToKeep {
  @Whole(1, 1_000_000) basedOn!: number;
}
