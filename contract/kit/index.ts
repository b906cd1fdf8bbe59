import {
  BEAMS,
  CONTENT_KINDS,
  CONTROL_KINDS,
  CURES,
  FITMENT_LISTS,
  KIT_KINDS,
  KIT_LISTS,
  LEG_GROUNDS,
  PASSES,
  THREAD_INTO,
  type BenchTask as PlainTask,
  type BoltStack as PlainStack,
  type Connection as PlainConnection,
  type ContentItem as PlainItem,
  type Fitment as PlainFitment,
  type FitStep as PlainStep,
  type Kit as PlainKit,
  type KitControl as PlainControl,
  type KitFeed as PlainFeed,
  type KitLeg as PlainLeg,
  type KitRelay as PlainRelay,
  type KitLampFunction as PlainFunction,
  type KitOption as PlainOption,
  type KitPlug as PlainKitPlug,
  type KitTest as PlainTest,
  type Lamp as PlainLamp,
  type LampCure as PlainCure,
  type LampLoad as PlainLoad,
  type LegWire as PlainLegWire,
  type NewKit,
  type Optics as PlainOptics,
  type OptionChoice as PlainChoice,
  USED,
  type Used,
} from '@jade/core/kit';
import { PIN_FUNCTIONS, VEHICLE_STATES } from '@jade/core/states';
import { LOAD_KINDS, SIDES } from '@jade/core/vehicle';
import { Amount, Amounts, Each, Exactly, Flag, OneOf, OneOfEach, Optional, Part, Slug, Slugs, Span, Text, Texts, Whole } from '@jade/contract/check';
import { Condition } from '@jade/contract/facts';
import { CircuitWire, LevelNeed, Opening, PlugFace, SupplyAsk, Surge, Years } from '@jade/contract/vehicle';

export class Optics implements PlainOptics {
  @OneOf(BEAMS) beam!: PlainOptics['beam'];
  @Optional() @Amount(0, 2_000_000) peakCd?: number;
  @Optional() @Amount(0, 360) widthDeg?: number;
  @Optional() @Amount(0, 180) heightDeg?: number;
  @Optional() @Amount(1000, 12_000) colourTemperatureK?: number;
  @OneOf(['tested', 'claimed']) basis!: PlainOptics['basis'];
}

export class LampLoad implements PlainLoad {
  @Amount(0, 2000) powerW!: number;
  @Amount(1, 60) atV!: number;
  @OneOf(LOAD_KINDS) kind!: PlainLoad['kind'];
  @Optional() @Amount(0, 1000) standbyMa?: number;
  @Optional() @Amount(1, 60) leastV?: number;
  @Optional() @Part(() => Surge) surge?: Surge;
}

export class KitLampFunction implements PlainFunction {
  @OneOf(PIN_FUNCTIONS) carries!: PlainFunction['carries'];
  @Part(() => LampLoad) load!: LampLoad;
}

export class Lamp implements PlainLamp {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(SIDES) side!: PlainLamp['side'];
  @Part(() => Optics) optics!: Optics;
  @Part(() => LampLoad) load!: LampLoad;
  @Optional() @Each(() => KitLampFunction, 12) functions?: KitLampFunction[];
  @Part(() => Opening) box!: Opening;
  @Text(120) marking!: string;
  @Optional() @Amount(0.01, 20) aimDegPerTurn?: number;
}

export class LampCure implements PlainCure {
  @OneOf(CURES) by!: PlainCure['by'];
  @Optional() @Amount(0.1, 10_000) ohm?: number;
  @Optional() @Amount(0.1, 1000) ratingW?: number;
}

export class ContentItem implements PlainItem {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(CONTENT_KINDS) kind!: PlainItem['kind'];
  @Whole(1, 500) count!: number;
  @Optional() @OneOf(['left', 'right']) hand?: PlainItem['hand'];
  @Flag() spareAllowed!: boolean;
  @Optional() @Part(() => Condition) when?: Condition;
  @Optional() @Part(() => LampCure) cure?: LampCure;
}

export class OptionChoice implements PlainChoice {
  @Slug() id!: string;
  @Text(80) label!: string;
  @Text(240) consequence!: string;
}

export class KitOption implements PlainOption {
  @Slug() id!: string;
  @Text(80) label!: string;
  @Optional() @Flag() looks?: boolean;
  @Each(() => OptionChoice, 12) choices!: OptionChoice[];
  @Slug() default!: string;
}

export class KitPlug extends PlugFace implements PlainKitPlug {
  @Optional() @Slug() lamp?: string;
  @Optional() @Flag() eitherWay?: boolean;
}

export class LegWire implements PlainLegWire {
  @Amount(0.05, 100) areaMm2!: number;
  @OneOf(LEG_GROUNDS) ground!: PlainLegWire['ground'];
  @Optional() @Amount(0.1, 500) permittedA?: number;
  @Optional() @Amount(-40, 200) temperatureC?: number;
}

export class Leg implements PlainLeg {
  @Slug() id!: string;
  @Slug() lamp!: string;
  @Amount(1, 40_000) lengthMm!: number;
  @Optional() @Part(() => LegWire) wire?: LegWire;
}

export class BenchTask implements PlainTask {
  @Slug() id!: string;
  @Text(160) name!: string;
  @Amount(0, 600) minutes!: number;
  @Amount(0, 10_000) cureMin!: number;
  @Optional() @OneOfEach(USED, 10) uses?: Used[];
  @Optional() @Text(240) caution?: string;
}

export class KitRelay implements PlainRelay {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Optional() @Amount(1, 10_000) coilOhm?: number;
  @Amount(0.1, 500) contactA!: number;
  @Optional() @Amount(1, 60) pullInV?: number;
}

export class KitFeed implements PlainFeed {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Amount(0.1, 500) fuseA!: number;
  @Amount(0, 20_000) batteryToFuseMm!: number;
  @Optional() @Part(() => CircuitWire) wire?: CircuitWire;
  @Optional() @Amount(0.1, 500) plugPermittedA?: number;
  @Optional() @Slug() relay?: string;
}

/** What feeds the lamps: a circuit of the vehicle, or a feed of the kit. */
export class FedFrom {
  @Slug() circuit!: string;
}

/** What closes a relay of the kit. */
export class Trigger {
  @Slug() circuit!: string;
  @Slug() relay!: string;
}

export class Tap {
  @Slug() pin!: string;
}

export class Connection implements PlainConnection {
  @Slug() id!: string;
  @Slug() kitPlug!: string;
  @Slug() vehiclePlug!: string;
  @Part(() => FedFrom) feed!: FedFrom;
  @Optional() @Part(() => Trigger) trigger?: Trigger;
  @Optional() @Part(() => Tap) tap?: Tap;
  @Slugs(40) lamps!: string[];
  @Optional() @Slug() adapter?: string;
  @Optional() @Each(() => SupplyAsk, 4) asks?: SupplyAsk[];
  @Optional() @Part(() => Condition) when?: Condition;
}

export class BoltStack implements PlainStack {
  @Amount(1, 400) boltMm!: number;
  @Amount(1, 40) threadMm!: number;
  @Amounts(20, 0, 200) partsMm!: number[];
  @OneOf(THREAD_INTO) into!: PlainStack['into'];
  @Optional() @Amount(0, 200) wantedMm?: number;
  @Optional() @Amount(0, 400) roomMm?: number;
  @Optional() @Amount(1, 200) washerMm?: number;
  @Optional() @Span() holeMm?: [number, number];
}

export class OriginalBolt {
  @Slug() piece!: string;
  @Slug() group!: string;
}

export class FitStep implements PlainStep {
  @Slug() id!: string;
  @Text(160) name!: string;
  @OneOf(SIDES) side!: PlainStep['side'];
  @Each(() => LevelNeed, 40) needs!: LevelNeed[];
  @Optional() @Slug() at?: string;
  @Optional() @Slugs(20) inPlaceOf?: string[];
  @Optional() @Each(() => SupplyAsk, 4) asks?: SupplyAsk[];
  @OneOfEach(PASSES, 3) passes!: PlainStep['passes'];
  @Amount(0, 600) minutes!: number;
  @Text(80) tool!: string;
  @Text(160) tighten!: string;
  @Optional() @Text(240) caution?: string;
  @Optional() @OneOfEach(USED, 10) uses?: Used[];
  @Optional() @Flag() irreversible?: boolean;
  @Optional() @Part(() => Condition) when?: Condition;
  @Optional() @Part(() => BoltStack) stack?: BoltStack;
  @Optional() @Slugs(20) lays?: string[];
  @Optional() @Part(() => OriginalBolt) under?: OriginalBolt;
}

/** The position of a control that a test tries. */
export class TriedPosition {
  @Slug() control!: string;
  @Slug() position!: string;
}

export class KitTest implements PlainTest {
  @Slug() id!: string;
  @Text(160) name!: string;
  @OneOf(SIDES) side!: PlainTest['side'];
  @OneOf(VEHICLE_STATES) state!: PlainTest['state'];
  @Text(240) helper!: string;
  @Slugs(60) lamps!: string[];
  @Flag() gate!: boolean;
  @Optional() @Text(240) caution?: string;
  @Optional() @Slugs(40) after?: string[];
  @Optional() @Part(() => TriedPosition) tries?: TriedPosition;
  @Optional() @Part(() => Condition) when?: Condition;
}

export class ControlPosition {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Slugs(60) lights!: string[];
}

export class KitControl implements PlainControl {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(CONTROL_KINDS) kind!: PlainControl['kind'];
  @Each(() => ControlPosition, 20) positions!: ControlPosition[];
  @OneOf(VEHICLE_STATES) state!: PlainControl['state'];
  @Optional() @Part(() => Condition) when?: Condition;
}

export class MountedLamp {
  @Slug() lamp!: string;
  @Slug() mount!: string;
  @Optional() @Part(() => Condition) when?: Condition;
}

export class Fitment implements PlainFitment {
  @Slug() vehicle!: string;
  @Part(() => Years) years!: Years;
  @Optional() @Part(() => Condition) condition?: Condition;
  @Each(() => MountedLamp, 60) mounts!: MountedLamp[];
  @Each(() => Connection, 60) connections!: Connection[];
  @Slugs(60) replaces!: string[];
  @Slugs(60) losesFunctions!: string[];
  @Each(() => FitStep, 120) fitSteps!: FitStep[];
  @Each(() => KitTest, 120) tests!: KitTest[];
  @Optional() @OneOfEach(FITMENT_LISTS, FITMENT_LISTS.length) undescribed?: PlainFitment['undescribed'];
}

/** What is fitted, with its contents list and what it needs of each vehicle it is made for. */
export class Kit implements PlainKit {
  @Exactly('jade-kit/5') format!: PlainKit['format'];
  @Slug() slug!: string;
  @Text(80) name!: string;
  @Text(60) maker!: string;
  @Optional() @OneOf(KIT_KINDS) kind?: PlainKit['kind'];
  @Optional() @OneOfEach(KIT_LISTS, KIT_LISTS.length) undescribed?: PlainKit['undescribed'];
  @Each(() => Lamp, 60) lamps!: Lamp[];
  @Each(() => ContentItem, 120) contents!: ContentItem[];
  @Each(() => KitOption, 20) options!: KitOption[];
  @Each(() => KitPlug, 60) plugs!: KitPlug[];
  @Each(() => KitRelay, 20) relays!: KitRelay[];
  @Each(() => KitFeed, 20) feeds!: KitFeed[];
  @Optional() @Each(() => KitControl, 20) controls?: KitControl[];
  @Each(() => Leg, 60) legs!: Leg[];
  @Each(() => BenchTask, 40) benchTasks!: BenchTask[];
  @Each(() => Fitment, 40) fitments!: Fitment[];
  @Texts(20) warnings!: string[];
  @Whole(0, 100_000_000) priceCents!: number;
}

/** A kit that the library does not have: its first version is kept with the job that it comes in for. */
export class KitToMake implements NewKit {
  @Text(60) maker!: string;
  @Text(80) name!: string;
  @OneOf(KIT_KINDS) kind!: NewKit['kind'];
  @Whole(0, 100_000_000) priceCents!: number;
}

/** A contents list as a file of cells holds it. */
export class ContentsToTake {
  @Text(400_000) text!: string;
}
