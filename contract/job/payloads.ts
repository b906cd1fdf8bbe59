import { FITMENT_LISTS, KIT_LISTS, PASSES } from '@jade/core/kit';
import { PROBE_FUNCTIONS } from '@jade/core/probing';
import { PIN_FUNCTIONS, VEHICLE_STATES } from '@jade/core/states';
import { DESCRIBED, DRIVES, LEVELS, OPEN_LEVELS, SIDES, SUPPLY_IDS, SUPPLY_STATES, ZONES } from '@jade/core/vehicle';
import {
  BASELINE_RESULTS,
  LONGEST_TEXT as MOST,
  FACT_CERTAINTIES,
  FOLLOWS,
  NIGHT_ITEMS,
  JOINT_CHECKS,
  LED_TO,
  MOST_PINS,
  MOST_STROKE,
  MOST_STROKES,
  LENS_GRADES,
  MOMENTS,
  SCHOOLS,
  WARNING_LAMPS,
  WIRE_OPENINGS,
  type DocumentPin as PlainPin,
  type FittedKit as PlainFitted,
  type BroughtIn as PlainBroughtIn,
  type EventType,
  type FollowsWhy,
  type GroupCount as PlainCount,
  type Judged,
  type LedTo,
  type Stroke as PlainStroke,
  type Payloads,
} from '@jade/core/events';
import { STATIONS } from '@jade/core/subject';
import { PLUG_SIDES } from '@jade/core/overlay';
import { LONGEST_EDGE_PX, RING, WHOLE_EDGE, type Ring as PlainRing } from '@jade/core/photos';
import { SEEN_LIT } from '@jade/core/wiring';
import { Mileage } from '@jade/contract/customers';
import { Connection, ContentItem, FitStep, KitFeed, KitPlug, KitRelay, KitTest, Lamp, Leg } from '@jade/contract/kit';
import { Circuit, FastenerGroup, LampFunction, MountPosition, Piece, Sensor, Supply, TakenMeasures, TellingFact, VehiclePlug, GapPoint, RefitRule } from '@jade/contract/vehicle';
import { Amount, Amounts, Day, Each, EventId, Flag, Moment, OneOf, OneOfEach, Optional, Part, Sha256, Slug, Slugs, Text, Texts, Whole } from '@jade/contract/check';

export class DocumentPin implements PlainPin {
  @Slug() slug!: string;
  @Whole(1, 1_000_000) version!: number;
}

export class GroupCount implements PlainCount {
  @Slug() group!: string;
  @Whole(0, 500) count!: number;
}

/** How a vehicle came in, as the counter wrote it down. */
export class BroughtIn implements PlainBroughtIn {
  @Optional() @Text(MOST.wish) wish?: string;
  @Optional() @Part(() => Mileage) mileage?: Mileage;
  @Optional() @Text(MOST.keys) keys?: string;
}

class FittedChoice {
  @Slug() option!: string;
  @Slug() choice!: string;
}

/** A kit that an earlier job fitted, with the choices that stand for it. */
class FittedKit extends DocumentPin implements PlainFitted {
  @Each(() => FittedChoice, 40) options!: FittedChoice[];
}

/** The job that another one follows, and why. */
export class Follows {
  @Slug() job!: string;
  @OneOf(FOLLOWS) why!: FollowsWhy;
}

class JobOpened extends BroughtIn implements P<'job.opened'> {
  @Slug() vehicle!: string;
  @Part(() => DocumentPin) profile!: DocumentPin;
  @Each(() => DocumentPin, 20) kits!: DocumentPin[];
  @Part(() => DocumentPin) rules!: DocumentPin;
  @Optional() @Part(() => DocumentPin) plugs?: DocumentPin;
  @Optional() @Moment() promisedAt?: string;
  @Optional() @Text(40) bay?: string;
  @Optional() @Part(() => Follows) follows?: Follows;
  @Optional() @Each(() => FittedKit, 20) fitted?: FittedKit[];
}

class JobRepinned implements P<'job.repinned'> {
  @Part(() => DocumentPin) profile!: DocumentPin;
  @Each(() => DocumentPin, 20) kits!: DocumentPin[];
  @Part(() => DocumentPin) rules!: DocumentPin;
  @Optional() @Part(() => DocumentPin) plugs?: DocumentPin;
  @Texts(2000, 500) lost!: string[];
}

type P<T extends EventType> = Payloads[T];

class JobAssigned implements P<'job.assigned'> {
  @Optional() @Slug() person?: string;
}

class PromiseMade implements P<'promise.made'> {
  @Optional() @Moment() at?: string;
  @Optional() @Text(MOST.why) why?: string;
}

class BayTaken implements P<'bay.taken'> {
  @Optional() @Text(40) bay?: string;
}

class WishWritten implements P<'wish.written'> {
  @Optional() @Text(MOST.wish) wish?: string;
}

class NoteWritten implements P<'note.written'> {
  @OneOf(STATIONS) station!: P<'note.written'>['station'];
  @Text(MOST.jobNote) note!: string;
}

class Ring implements PlainRing {
  @Whole(0, WHOLE_EDGE) x!: number;
  @Whole(0, WHOLE_EDGE) y!: number;
  @Whole(RING.least, RING.most) r!: number;
}

class PhotoTaken implements P<'photo.taken'> {
  @Sha256() hash!: string;
  @Sha256() thumb!: string;
  @Whole(1, LONGEST_EDGE_PX) widthPx!: number;
  @Whole(1, LONGEST_EDGE_PX) heightPx!: number;
  @Text(240) about!: string;
}

class PhotoMarked implements P<'photo.marked'> {
  @EventId() photo!: string;
  @Optional() @Part(() => Ring) ring?: Ring;
}

class PhotoCaptioned implements P<'photo.captioned'> {
  @EventId() photo!: string;
  @Optional() @Text(MOST.caption) note?: string;
}

class PhotoChosen implements P<'photo.chosen'> {
  @EventId() photo!: string;
  @Flag() onSheet!: boolean;
}

class KitAdded implements P<'kit.added'> {
  @Part(() => DocumentPin) kit!: DocumentPin;
}

class KitDropped implements P<'kit.dropped'> {
  @Slug() kit!: string;
  @Text(MOST.why) why!: string;
}

class JobCancelled implements P<'job.cancelled'> {
  @Text(MOST.why) why!: string;
}

class PlugParted implements P<'plug.parted'> {
  @Slug() kit!: string;
  @Slug() connection!: string;
}

class LegLifted implements P<'leg.lifted'> {
  @Slug() kit!: string;
  @Slug() leg!: string;
}

class ContactPulled implements P<'contact.pulled'> {
  @Slug() plug!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
}

class StepUndone implements P<'step.undone'> {
  @Slug() kit!: string;
  @Slug() step!: string;
  @Slugs(40) lamps!: string[];
}

class StepRechecked implements P<'step.rechecked'> {
  @Slug() kit!: string;
  @Slug() step!: string;
}

/** What says itself by its type. */
class NothingMore implements P<'work.paused'> {}

class NightLeft implements P<'night.left'> {
  @OneOfEach(NIGHT_ITEMS, 20) seen!: P<'night.left'>['seen'];
  @Optional() @Text(MOST.where) where?: string;
}

class NightOver implements P<'night.over'> {
  @Flag() asLeft!: boolean;
  @Optional() @Text(MOST.note) note?: string;
}

class NumberRecorded implements P<'number.recorded'> {
  @Text(MOST.number) number!: string;
}

class FactRecorded implements P<'fact.recorded'> {
  @Slug() fact!: string;
  @OneOf(FACT_CERTAINTIES) certainty!: P<'fact.recorded'>['certainty'];
  @Optional() @Text(MOST.factValue) value?: string;
  @Optional() @Texts(20, MOST.factValue) not?: string[];
  @Optional() @Moment() seenAt?: string;
}

class LampTried implements P<'baseline.tried'> {
  @Slug() lamp!: string;
  @OneOf(BASELINE_RESULTS) result!: P<'baseline.tried'>['result'];
}

class BatteryMeasured implements P<'battery.measured'> {
  @Amount(0, 60) restV!: number;
  @Optional() @Text(MOST.why) why?: string;
}

class CodeRecorded implements P<'code.recorded'> {
  @OneOf(MOMENTS) moment!: P<'code.recorded'>['moment'];
  @Text(MOST.code) code!: string;
  @Optional() @Text(MOST.codeNote) note?: string;
}

class CodesRead implements P<'codes.read'> {
  @OneOf(MOMENTS) moment!: P<'codes.read'>['moment'];
  @Whole(0, 500) count!: number;
}

class WarningsRead implements P<'warnings.read'> {
  @OneOf(MOMENTS) moment!: P<'warnings.read'>['moment'];
  @OneOfEach(WARNING_LAMPS, 20) lit!: P<'warnings.read'>['lit'];
  @Optional() @Text(MOST.why) why?: string;
}

class LensGraded implements P<'lens.graded'> {
  @Slug() lamp!: string;
  @OneOf(MOMENTS) moment!: P<'lens.graded'>['moment'];
  @OneOf(LENS_GRADES) grade!: P<'lens.graded'>['grade'];
  @Optional() @Text(MOST.why) why?: string;
}

class GapMeasured implements P<'gap.measured'> {
  @Slug() gap!: string;
  @OneOf(MOMENTS) moment!: P<'gap.measured'>['moment'];
  @Amount(0, 100) widthMm!: number;
  @Optional() @Text(MOST.why) why?: string;
}

class DamageNoted implements P<'damage.noted'> {
  @Text(MOST.damagePlace) place!: string;
  @Text(MOST.damage) note!: string;
}

class OptionChosen implements P<'option.chosen'> {
  @Slug() kit!: string;
  @Slug() option!: string;
  @Slug() choice!: string;
}

class MatchConfirmed implements P<'match.confirmed'> {
  @Slug() kit!: string;
}

class ContentCounted implements P<'content.counted'> {
  @Slug() kit!: string;
  @Slug() item!: string;
  @Whole(0, 1000) count!: number;
}

class BenchDone implements P<'bench.done'> {
  @Slug() kit!: string;
  @Slug() task!: string;
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

class AccessoryFound implements P<'accessory.found'> {
  @Slug() accessory!: string;
  @Text(MOST.accessory) name!: string;
  @OneOf(SIDES) side!: P<'accessory.found'>['side'];
  @OneOf(ZONES) zone!: P<'accessory.found'>['zone'];
  @Slugs(60) holds!: string[];
  @Amount(0, 600) openMin!: number;
  @Amount(0, 600) closeMin!: number;
  @Whole(1, 6) people!: number;
  @OneOf(DRIVES) drive!: P<'accessory.found'>['drive'];
  @Optional() @Text(MOST.size) size?: string;
  @Whole(0, 200) count!: number;
  @Optional() @Text(MOST.why) why?: string;
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

/** Where a lamp sits; a place that was described holds whatever the facts are. */
class LampPlace {
  @Slug() lamp!: string;
  @Slug() mount!: string;
}

class KitDescribed implements P<'kit.described'> {
  @Slug() kit!: string;
  @Optional() @Each(() => Lamp, 60) lamps?: Lamp[];
  @Optional() @Each(() => ContentItem, 120) contents?: ContentItem[];
  @Optional() @Each(() => LampPlace, 60) mounts?: LampPlace[];
  @Optional() @Each(() => FitStep, 20) fitSteps?: FitStep[];
  @Optional() @Each(() => KitTest, 120) tests?: KitTest[];
  @Optional() @Each(() => KitPlug, 20) plugs?: KitPlug[];
  @Optional() @Each(() => KitRelay, 20) relays?: KitRelay[];
  @Optional() @Each(() => KitFeed, 20) feeds?: KitFeed[];
  @Optional() @Each(() => Leg, 20) legs?: Leg[];
  @Optional() @Each(() => Connection, 20) connections?: Connection[];
  @Optional() @Slugs(60) replaces?: string[];
  @Optional() @OneOfEach([...KIT_LISTS, ...FITMENT_LISTS], KIT_LISTS.length + FITMENT_LISTS.length) whole?: P<'kit.described'>['whole'];
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

class FastenerSeized implements P<'fastener.seized'> {
  @Slug() piece!: string;
  @Slug() group!: string;
  @Whole(1, 500) count!: number;
  @Amount(0, 600) addMin!: number;
  @Optional() @Text(MOST.why) why?: string;
}

class FastenersNoted implements P<'fastener.broken'> {
  @Slug() piece!: string;
  @Slug() group!: string;
  @Whole(1, 500) count!: number;
}

class PlugJoined implements P<'plug.joined'> {
  @Slug() kit!: string;
  @Slug() connection!: string;
  @Optional() @Slugs(3) adapters?: string[];
  @Optional() @OneOfEach(JOINT_CHECKS, 12) checked?: P<'plug.joined'>['checked'];
}

class CavityPopulated implements P<'cavity.populated'> {
  @Slug() plug!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
  @OneOf(PIN_FUNCTIONS) carries!: P<'cavity.populated'>['carries'];
  @Optional() @Slug() circuit?: string;
  @Optional() @Slug() terminal?: string;
}

class MovedContact {
  @Slug() pin!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
}

class ContactsMoved implements P<'contacts.moved'> {
  @Slug() kit!: string;
  @Slug() plug!: string;
  @Each(() => MovedContact, 40) moves!: MovedContact[];
}

class WireLedTo implements LedTo {
  @OneOf(LED_TO) at!: LedTo['at'];
  @Optional() @Slug() plug?: string;
  @Optional() @Slug() pin?: string;
  @Optional() @Text(20) slot?: string;
  @Optional() @Slug() ground?: string;
  @Optional() @Amount(0.1, 200) fuseA?: number;
  @Optional() @Amount(0.1, 200) areaMm2?: number;
  @Optional() @Amount(0, 30000) lengthMm?: number;
}

class SourceChosen implements P<'source.chosen'> {
  @Slug() kit!: string;
  @Slug() connection!: string;
  @Slug() pin!: string;
  @Optional() @Part(() => WireLedTo) to?: WireLedTo;
}

class LegLaid implements P<'leg.laid'> {
  @Slug() kit!: string;
  @Slug() leg!: string;
  @Slugs(200) path!: string[];
}

class RouteChosen implements P<'route.chosen'> {
  @Slug() kit!: string;
  @Slug() leg!: string;
  @Optional() @Slugs(200) path?: string[];
}

class DrillAgreed implements P<'drill.agreed'> {
  @Slug() segment!: string;
  @Text(MOST.why) by!: string;
  @Text(MOST.why) behind!: string;
}

class PlugCapped implements P<'plug.capped'> {
  @Slug() plug!: string;
  @Optional() @Slug() kit?: string;
}

class LoadAccepted implements P<'load.accepted'> {
  @Slug() kit!: string;
  @Slug() circuit!: string;
  @Optional() @Amount(0, 5000) afterA?: number;
  @Optional() @Amount(0, 500) fuseA?: number;
}

class GroundMeasured implements P<'ground.measured'> {
  @Slug() ground!: string;
  @Amount(0, 60_000) dropMv!: number;
  @Amount(0.01, 1000) ampere!: number;
}

class FuseSeen implements P<'fuse.seen'> {
  @Slug() circuit!: string;
  @Amount(0.1, 500) ratedA!: number;
}

class SlotMeasured implements P<'slot.measured'> {
  @Text(20) slot!: string;
  @Optional() @Amount(0.1, 500) ratedA?: number;
  @OneOf(VEHICLE_STATES) state!: P<'slot.measured'>['state'];
  @Amount(-60, 60) lowV!: number;
  @Amount(-60, 60) highV!: number;
}

class OutageAccepted implements P<'outage.accepted'> {
  @Slug() channel!: string;
  @Amount(0, 5000) afterW!: number;
}

class ReferenceChecked implements P<'reference.checked'> {
  @Amount(-60, 60) groundV!: number;
  @Amount(-60, 60) feedV!: number;
}

class ReadingTaken implements P<'reading.taken'> {
  @Slug() plug!: string;
  @Slug() pin!: string;
  @OneOf(VEHICLE_STATES) state!: P<'reading.taken'>['state'];
  @Amount(-60, 60) lowV!: number;
  @Amount(-60, 60) highV!: number;
  @Optional() @OneOf(['holds', 'collapses']) underLamp?: P<'reading.taken'>['underLamp'];
}

class BatteryWatched implements P<'battery.watched'> {
  @Amount(0, 60) volts!: number;
}

class IgnitionSet implements P<'ignition.set'> {
  @Flag() on!: boolean;
}

class ChargerSet implements P<'charger.set'> {
  @Flag() on!: boolean;
}

class LampPowered implements P<'lamp.powered'> {
  @Slug() kit!: string;
  @Slug() plug!: string;
  @Slug() pin!: string;
  @Amount(0.1, 60) volts!: number;
  @Amount(0, 500) ampere!: number;
  @OneOf(SEEN_LIT) lit!: P<'lamp.powered'>['lit'];
}

class WireAt {
  @Slug() plug!: string;
  @Slug() pin!: string;
}

class ContinuityMeasured extends WireAt implements P<'continuity.measured'> {
  @Amount(0, 100_000_000) ohm!: number;
}

class DropMeasured extends WireAt implements P<'drop.measured'> {
  @Amount(-60, 60) dropV!: number;
}

class FoundPin {
  @Slug() id!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
  @Optional() @Text(MOST.colour) colour?: string;
}

class PlugFound implements P<'plug.found'> {
  @Slug() plug!: string;
  @Text(MOST.plugName) name!: string;
  @Text(MOST.where) where!: string;
  @OneOf(SIDES) side!: P<'plug.found'>['side'];
  @OneOfEach(PROBE_FUNCTIONS, MOST_PINS) may!: P<'plug.found'>['may'];
  @Optional() @Text(MOST.lock) lock?: string;
  @Whole(1, 20) rows!: number;
  @Whole(1, 40) columns!: number;
  @Each(() => FoundPin, MOST_PINS) pins!: FoundPin[];
}

class ProbeWanted implements P<'probe.wanted'> {
  @Slug() plug!: string;
  @OneOfEach(PROBE_FUNCTIONS, MOST_PINS) functions!: P<'probe.wanted'>['functions'];
}

class ColourNoted extends WireAt implements P<'colour.noted'> {
  @OneOf(PLUG_SIDES) on!: P<'colour.noted'>['on'];
  @Text(MOST.colour) colour!: string;
}

class WireOpened extends WireAt implements P<'wire.opened'> {
  @OneOf(WIRE_OPENINGS) how!: P<'wire.opened'>['how'];
}

class SensorNamed implements P<'sensor.unplugged'> {
  @Slug() sensor!: string;
}

class SensorMoved implements P<'sensor.moved'> {
  @Slug() sensor!: string;
  @Amount(-2000, 2000) xMm!: number;
  @Amount(-2000, 2000) yMm!: number;
  @Amount(-2000, 2000) zMm!: number;
  @Amount(-45, 45) yawDeg!: number;
  @Amount(-45, 45) pitchDeg!: number;
}

class SensorCalibrated implements P<'sensor.calibrated'> {
  @Slug() sensor!: string;
  @OneOf(['done here', 'by others', 'not required']) how!: P<'sensor.calibrated'>['how'];
  @Optional() @Text(MOST.note) note?: string;
  @Optional() @Text(MOST.aimer) by?: string;
  @Optional() @Day() dueOn?: string;
}

class StepPassed implements P<'step.passed'> {
  @Slug() kit!: string;
  @Slug() step!: string;
  @OneOf(PASSES) pass!: P<'step.passed'>['pass'];
}

class TestTried implements P<'test.tried'> {
  @Slug() kit!: string;
  @Slug() test!: string;
  @Flag() passed!: boolean;
  @Optional() @Text(MOST.note) note?: string;
}

class ConsentGiven implements P<'consent.given'> {
  @Text(200) about!: string;
  @Text(MOST.consent) by!: string;
}

class Stroke implements PlainStroke {
  @Amounts(MOST_STROKE, 0, 1000) points!: number[];
}

class CustomerSigned implements P<'customer.signed'> {
  @Each(() => Stroke, MOST_STROKES) strokes!: Stroke[];
}

class WallSet implements P<'wall.set'> {
  @Slug() rule!: string;
  @Amount(500, 50_000) distanceMm!: number;
  @Optional() @Amount(-1000, 1000) floorAtWallMm?: number;
}

class AimPrepared implements P<'aim.prepared'> {
  @Flag() tyres!: boolean;
  @Flag() load!: boolean;
  @Flag() levelling!: boolean;
}

class AimMeasured implements P<'aim.measured'> {
  @Text(160) lamp!: string;
  @OneOf(MOMENTS) moment!: P<'aim.measured'>['moment'];
  @Amount(-2000, 8000) heightMm!: number;
  @Amount(50, 5000) referenceMm!: number;
}

class AimReferenced implements P<'aim.referenced'> {
  @Text(160) lamp!: string;
  @Amount(50, 5000) referenceMm!: number;
}

class AimByOthers implements P<'aim.by-others'> {
  @Text(160) lamp!: string;
  @Text(MOST.aimer) by!: string;
}

class PartBagged implements P<'part.bagged'> {
  @Slug() piece!: string;
  @Text(MOST.bag) where!: string;
}

class ExceptionNamed implements P<'exception.named'> {
  @Text(200) about!: string;
  @Text(MOST.exception) note!: string;
}

class JobSigned implements P<'job.signed'> {
  @Whole(0, 10_000_000) atSeq!: number;
}

class JobReopened implements P<'job.reopened'> {
  @Text(MOST.why) why!: string;
}

class Undone implements P<'undone'> {
  @Optional() @EventId() event?: string;
  @Optional() @EventId() act?: string;
}

/** The class that checks the payload of each type of event, in its newest version. */
export const PAYLOADS: { [T in EventType]: new () => Payloads[T] } = {
  'job.opened': JobOpened,
  'job.repinned': JobRepinned,
  'job.assigned': JobAssigned,
  'promise.made': PromiseMade,
  'bay.taken': BayTaken,
  'wish.written': WishWritten,
  'note.written': NoteWritten,
  'photo.taken': PhotoTaken,
  'photo.marked': PhotoMarked,
  'photo.captioned': PhotoCaptioned,
  'photo.chosen': PhotoChosen,
  'kit.added': KitAdded,
  'kit.dropped': KitDropped,
  'job.cancelled': JobCancelled,
  'plug.parted': PlugParted,
  'leg.lifted': LegLifted,
  'contact.pulled': ContactPulled,
  'step.undone': StepUndone,
  'step.rechecked': StepRechecked,
  'work.paused': NothingMore,
  'work.resumed': NothingMore,
  'night.left': NightLeft,
  'night.over': NightOver,
  'number.recorded': NumberRecorded,
  'fact.recorded': FactRecorded,
  'baseline.tried': LampTried,
  'battery.measured': BatteryMeasured,
  'code.recorded': CodeRecorded,
  'codes.read': CodesRead,
  'warnings.read': WarningsRead,
  'lens.graded': LensGraded,
  'gap.measured': GapMeasured,
  'damage.noted': DamageNoted,
  'option.chosen': OptionChosen,
  'match.confirmed': MatchConfirmed,
  'content.counted': ContentCounted,
  'bench.done': BenchDone,
  'piece.moved': PieceMoved,
  'position.set': PositionSet,
  'supply.set': SupplySet,
  'setting.restored': SettingRestored,
  'accessory.found': AccessoryFound,
  'kind.described': KindDescribed,
  'kit.described': KitDescribed,
  'piece.wanted': PieceWanted,
  'opening.enough': OpeningEnough,
  'way.blocked': WayBlocked,
  'piece.found': PieceFound,
  'piece.tried': PieceTried,
  'opening.judged': OpeningJudged,
  'moves.ordered': MovesOrdered,
  'way.chosen': WayChosen,
  'order.chosen': OrderChosen,
  'opening.left': OpeningLeft,
  'opening.resumed': OpeningLeft,
  'fastener.seized': FastenerSeized,
  'fastener.broken': FastenersNoted,
  'fastener.dropped': FastenersNoted,
  'fastener.found': FastenersNoted,
  'fastener.renewed': FastenersNoted,
  'plug.joined': PlugJoined,
  'cavity.populated': CavityPopulated,
  'contacts.moved': ContactsMoved,
  'source.chosen': SourceChosen,
  'leg.laid': LegLaid,
  'route.chosen': RouteChosen,
  'drill.agreed': DrillAgreed,
  'plug.capped': PlugCapped,
  'load.accepted': LoadAccepted,
  'fuse.seen': FuseSeen,
  'ground.measured': GroundMeasured,
  'slot.measured': SlotMeasured,
  'outage.accepted': OutageAccepted,
  'battery.watched': BatteryWatched,
  'ignition.set': IgnitionSet,
  'charger.set': ChargerSet,
  'lamp.powered': LampPowered,
  'reference.checked': ReferenceChecked,
  'reading.taken': ReadingTaken,
  'continuity.measured': ContinuityMeasured,
  'drop.measured': DropMeasured,
  'plug.found': PlugFound,
  'probe.wanted': ProbeWanted,
  'wire.opened': WireOpened,
  'wire.sealed': WireAt,
  'colour.noted': ColourNoted,
  'sensor.unplugged': SensorNamed,
  'sensor.reconnected': SensorNamed,
  'sensor.moved': SensorMoved,
  'sensor.calibrated': SensorCalibrated,
  'step.passed': StepPassed,
  'test.tried': TestTried,
  'wall.set': WallSet,
  'aim.prepared': AimPrepared,
  'aim.measured': AimMeasured,
  'aim.referenced': AimReferenced,
  'aim.by-others': AimByOthers,
  'final.tried': LampTried,
  'final.tested': TestTried,
  'consent.given': ConsentGiven,
  'customer.signed': CustomerSigned,
  'part.bagged': PartBagged,
  'exception.named': ExceptionNamed,
  'job.signed': JobSigned,
  'job.reopened': JobReopened,
  undone: Undone,
};
