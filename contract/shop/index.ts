import { Matches } from 'class-validator';
import { LONGEST, MILEAGE_UNITS, type MileageUnit } from '@jade/core/customers';
import {
  LENGTHS,
  LONGEST_CURRENCY,
  LONGEST_NAME,
  LONGEST_SHOP,
  ROLES,
  type Customer as PlainCustomer,
  type CustomerVehicle as PlainVehicle,
  type FirstRun as PlainFirstRun,
  type Person as PlainPerson,
  type Shop as PlainShop,
  type ShopJob as PlainJob,
  type ShopLogEntry as PlainEntry,
} from '@jade/core/shop';
import { Amount, AnyObject, Each, Exactly, OneOf, Optional, Slug, Slugs, Text, Texts, TimeZone, Whole } from '@jade/contract/check';

export class Person implements PlainPerson {
  @Slug() id!: string;
  @Text(LONGEST_NAME) benchName!: string;
  @OneOf(ROLES) role!: PlainPerson['role'];
}

export class Customer implements PlainCustomer {
  @Slug() id!: string;
  @Text(LONGEST.customer) name!: string;
  @Optional() @Text(LONGEST.note) note?: string;
}

export class CustomerVehicle implements PlainVehicle {
  @Slug() id!: string;
  @Slug() customer!: string;
  @Slug() profile!: string;
  @Text(LONGEST.plate) plate!: string;
  @Optional() @Whole(1950, 2100) year?: number;
  @Optional() @Text(LONGEST.colour) colour?: string;
}

export class ShopLogEntry implements PlainEntry {
  @Text(40) type!: string;
  @Amount(0, 3650) daysAgo!: number;
  @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { context: { code: 'type', data: { expected: 'a time of day such as 08:30' } } }) at!: string;
  @Slug() by!: string;
  @AnyObject() payload!: Record<string, unknown>;
}

export class ShopJob implements PlainJob {
  @Slug() id!: string;
  @Slug() vehicle!: string;
  @Slugs(20) kits!: string[];
  @Optional() @Amount(-365, 365) promisedInDays?: number;
  @Optional() @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { context: { code: 'type', data: { expected: 'a time of day such as 16:00' } } }) promisedAt?: string;
  @Optional() @Text(LONGEST_NAME) bay?: string;
  @Each(() => ShopLogEntry, 2000) log!: ShopLogEntry[];
}

export class FirstPerson implements Pick<PlainPerson, 'benchName' | 'role'> {
  @Text(LONGEST_NAME) benchName!: string;
  @OneOf(ROLES) role!: PlainPerson['role'];
}

/** What a shop says of itself when it is opened for the first time. */
export class FirstRun implements PlainFirstRun {
  @Text(LONGEST_SHOP) name!: string;
  @Text(LONGEST_CURRENCY) currency!: string;
  @Texts(20, LONGEST_NAME) bays!: string[];
  @OneOf(MILEAGE_UNITS) mileageUnit!: MileageUnit;
  @Optional() @OneOf(LENGTHS) lengths?: PlainShop['lengths'];
  @Optional() @TimeZone() timeZone?: string;
  @Each(() => FirstPerson, 100) people!: FirstPerson[];
}

/** A shop with its people, customers, vehicles and the jobs it starts with. */
export class Shop implements PlainShop {
  @Exactly('jade-shop/1') format!: PlainShop['format'];
  @Slug() slug!: string;
  @Text(LONGEST_SHOP) name!: string;
  @Text(LONGEST_CURRENCY) currency!: string;
  @Optional() @Whole(0, 10_000_000) labourCentsPerHour?: number;
  @Optional() @OneOf(MILEAGE_UNITS) mileageUnit?: MileageUnit;
  @Optional() @OneOf(LENGTHS) lengths?: PlainShop['lengths'];
  @Optional() @TimeZone() timeZone?: string;
  @Slug() rules!: string;
  @Optional() @Slug() plugs?: string;
  @Texts(20, LONGEST_NAME) bays!: string[];
  @Each(() => Person, 100) people!: Person[];
  @Each(() => Customer, 2000) customers!: Customer[];
  @Each(() => CustomerVehicle, 5000) vehicles!: CustomerVehicle[];
  @Each(() => ShopJob, 2000) jobs!: ShopJob[];
}
