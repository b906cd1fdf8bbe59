import { LONGEST, MILEAGE_UNITS, YEARS, type Mileage as PlainMileage } from '@jade/core/customers';
import { BODIES, type NewKind } from '@jade/core/vehicle';
import { Amount, EventId, Flag, OneOf, Optional, Part, Slug, Text, Whole } from '@jade/contract/check';

export * from './answers.ts';

/** A customer to be made; the id is the client's, so that a request sent twice makes one. */
export class NewCustomer {
  @EventId() id!: string;
  @Text(LONGEST.customer) name!: string;
  @Optional() @Text(LONGEST.note) note?: string;
}

/** A customer as somebody changed it, made from version `basedOn`. */
export class CustomerChange {
  @Whole(1, 1_000_000_000) basedOn!: number;
  @Text(LONGEST.customer) name!: string;
  @Optional() @Text(LONGEST.note) note?: string;
}

class VehicleFields {
  @Slug() profile!: string;
  @Text(LONGEST.plate) plate!: string;
  @Optional() @Text(LONGEST.number) number?: string;
  @Optional() @Whole(YEARS.least, YEARS.most) year?: number;
  @Optional() @Text(LONGEST.colour) colour?: string;
  /** It is another vehicle than the known one with the same plate. */
  @Optional() @Flag() another?: boolean;
}

/** A customer who is made with the vehicle. */
export class NamedCustomer {
  @Text(LONGEST.customer) name!: string;
  @Optional() @Text(LONGEST.note) note?: string;
}

/** A kind in the library that another is much like. */
class LikeKind {
  @Slug() slug!: string;
  @Whole(1, 1_000_000) version!: number;
}

/** A kind of vehicle that the library does not have: its first version is kept with the vehicle. */
export class KindToMake implements NewKind {
  @Text(60) maker!: string;
  @Text(60) model!: string;
  @Whole(1950, 2100) year!: number;
  @OneOf(BODIES) body!: NewKind['body'];
  @OneOf([12, 24]) systemVoltageV!: NewKind['systemVoltageV'];
  @Flag() highVoltage!: boolean;
  @Amount(500, 30_000) lengthMm!: number;
  @Amount(300, 4000) widthMm!: number;
  @Amount(500, 5000) heightMm!: number;
  @Amount(500, 15_000) wheelbaseMm!: number;
  @Optional() @Part(() => LikeKind) like?: LikeKind;
}

/** A vehicle that is new to the shop, of a customer who is known or is made with it. */
export class VehicleToMake extends VehicleFields {
  @Optional() @Slug() customer?: string;
  @Optional() @Part(() => NamedCustomer) newCustomer?: NamedCustomer;
  /** Its kind, where `profile` names one that is made with it. */
  @Optional() @Part(() => KindToMake) kind?: KindToMake;
}

export class NewVehicle extends VehicleToMake {
  @EventId() id!: string;
}

export class VehicleChange extends VehicleFields {
  @Whole(1, 1_000_000_000) basedOn!: number;
  @Slug() customer!: string;
}

/** Two that are one: this one goes into `into`, with all that hangs on it. */
export class Merge {
  @Slug() into!: string;
}

/** A list of customers and vehicles as a file of cells holds it. `leaveFaulty` takes the lines that are right and leaves the others. */
export class ListToTake {
  @Text(4_000_000) text!: string;
  @Optional() @Flag() leaveFaulty?: boolean;
  /** Only tells what would be taken. */
  @Optional() @Flag() look?: boolean;
}

export class Mileage implements PlainMileage {
  @Whole(0, 9_999_999) value!: number;
  @OneOf(MILEAGE_UNITS) unit!: PlainMileage['unit'];
}
