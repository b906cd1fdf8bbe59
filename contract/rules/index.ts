import { BEAMS } from '@jade/core/kit';
import type { AimBand as PlainBand, AimRule as PlainAim, ElectricsRules as PlainElectrics, RuleSet as PlainRules, WireTable as PlainTable } from '@jade/core/rules';
import { Amount, Each, Exactly, OneOf, Optional, Part, Slug, Slugs, Text, Whole } from '@jade/contract/check';

const CERTAINTIES = ['confirmed', 'to be confirmed'];

export class AimBand implements PlainBand {
  @Amount(0, 5000) fromMm!: number;
  @Amount(0, 5000) toMm!: number;
  @Amount(-20, 20) wantedDip!: number;
  @Amount(0, 20) toleranceUp!: number;
  @Amount(0, 20) toleranceDown!: number;
}

export class AimRule implements PlainAim {
  @Slug() id!: string;
  @Text(120) name!: string;
  @OneOf(BEAMS) beam!: PlainAim['beam'];
  @OneOf(['percent', 'inches at 25 ft', 'fixed angle']) family!: PlainAim['family'];
  @OneOf(['lower edge', 'centre']) reference!: PlainAim['reference'];
  @Each(() => AimBand, 20) bands!: AimBand[];
  @Text(240) source!: string;
  @OneOf(CERTAINTIES) certainty!: PlainAim['certainty'];
}

class PermittedCurrent {
  @Amount(0.01, 500) areaMm2!: number;
  @Amount(0.1, 2000) ampere!: number;
  @Optional() @Amount(0.1, 60) outerMm?: number;
}

class BundleShare {
  @Whole(1, 200) from!: number;
  @Amount(0.05, 1) share!: number;
}

class SurgeBorne {
  @Amount(0.1, 60_000) forMs!: number;
  @Amount(0.8, 50) times!: number;
}

/** What wires and fuses bear. */
export class WireTable implements PlainTable {
  @Each(() => PermittedCurrent, 60) permitted!: PermittedCurrent[];
  @Amount(-40, 100) atC!: number;
  @Amount(-40, 300) mostC!: number;
  @Each(() => BundleShare, 40) bundle!: BundleShare[];
  @Each(() => SurgeBorne, 40) surge!: SurgeBorne[];
  @Text(240) source!: string;
  @OneOf(CERTAINTIES) certainty!: PlainTable['certainty'];
}

export class ElectricsRules implements PlainElectrics {
  @Amount(0.1, 1) warnShare!: number;
  @Amount(0.1, 1) refuseShare!: number;
  @Amount(0.001, 0.5) lampDropShare!: number;
  @Amount(0.001, 0.5) auxiliaryDropShare!: number;
  @Amount(0, 1000) contactMohm!: number;
  @Amount(0, 1000) chassisMohm!: number;
  @Amount(0, 5000) slackEndMm!: number;
  @Amount(0, 5000) mainFuseWithinMm!: number;
  @Optional() @Amount(0.01, 1) usableShare?: number;
  @Optional() @Part(() => WireTable) wires?: WireTable;
  @Text(240) source!: string;
  @OneOf(CERTAINTIES) certainty!: PlainElectrics['certainty'];
}

/** Minutes that it takes to bring the vehicle into a position. */
export class PositionTime {
  @Slug() kind!: string;
  @Slug() place!: string;
  @Amount(0, 120) min!: number;
}

export class SequenceRules {
  @Amount(0, 60) sideMin!: number;
  @Amount(0, 60) zoneMin!: number;
  @Amount(0, 60) toolMin!: number;
  @Amount(0, 60) helperMin!: number;
  @Optional() @Amount(0, 60) positionMin?: number;
  @Optional() @Each(() => PositionTime, 40) positions?: PositionTime[];
}

export class ProbingRules {
  @Amount(0, 1) offBelow!: number;
  @Amount(0, 1) onFrom!: number;
  @Amount(0, 5) groundMaxV!: number;
  @Amount(0, 100) groundMaxOhm!: number;
}

export class AgeingRules {
  @Amount(0, 60) fromYears!: number;
  @Amount(0, 2) perYear!: number;
}

class RecheckRules {
  @Whole(1, 10_000) afterKm!: number;
  @Whole(1, 365) afterDays!: number;
}

/** Defaults and limits that the shop can edit; the local rule decides. */
export class RuleSet implements PlainRules {
  @Exactly('jade-rule-set/1') format!: PlainRules['format'];
  @Slug() slug!: string;
  @Text(120) name!: string;
  @Each(() => AimRule, 60) aim!: AimRule[];
  @Part(() => ElectricsRules) electrics!: ElectricsRules;
  @Part(() => SequenceRules) sequence!: SequenceRules;
  @Optional() @Part(() => AgeingRules) ageing?: AgeingRules;
  @Optional() @Amount(0, 600) seizedMin?: number;
  @Optional() @Part(() => RecheckRules) recheck?: RecheckRules;
  @Part(() => ProbingRules) probing!: ProbingRules;
  @Amount(0, 100) floorToleranceMmPerM!: number;
  @Slugs(200) neverUseCircuits!: string[];
}
