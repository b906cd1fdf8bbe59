import { DRIVES, SIDES, ZONES } from '@jade/core/vehicle';
import { BASELINE_RESULTS, LONGEST_TEXT as MOST, FACT_CERTAINTIES, LENS_GRADES, MOMENTS, WARNING_LAMPS, type EventType, type Payloads } from '@jade/core/events';
import { Amount, Moment, OneOf, OneOfEach, Optional, Slug, Slugs, Text, Texts, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

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

export class LampTried implements P<'baseline.tried'> {
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

/** Forms of the family, each of its type's newest version. */
export const ARRIVAL_FORMS = {
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
  'accessory.found': AccessoryFound,
} satisfies FormsOf<'arrival'>;
