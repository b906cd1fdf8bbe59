import { boolean, char, customType, datetime, double, index, int, longtext, mysqlTable, primaryKey, uniqueIndex, varchar } from 'drizzle-orm/mysql-core';

const blob = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' });
const id = (name: string) => varchar(name, { length: 80 });
const moment = (name: string) => datetime(name, { mode: 'date', fsp: 3 });

/** Versions of documents: body is the document as it came, hash that of its canonical JSON. */
export const documents = mysqlTable(
  'documents',
  {
    kind: varchar('kind', { length: 16 }).notNull(),
    slug: id('slug').notNull(),
    version: int('version').notNull(),
    hash: char('hash', { length: 64 }).notNull(),
    body: longtext('body').notNull(),
    /** What a person calls it: maker with model or name, or the name alone. */
    title: varchar('title', { length: 400 }).notNull().default(''),
    createdAt: moment('created_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.kind, table.slug, table.version] })],
);

/** One row that is taken away and put back where somebody asks whether the shop works. */
export const heartbeat = mysqlTable('heartbeat', { id: int('id').primaryKey() });

/** Which kinds of vehicle a kit names, as its newest version says. */
export const kitVehicles = mysqlTable('kit_vehicles', { kit: id('kit').notNull(), vehicle: id('vehicle').notNull() }, (table) => [
  primaryKey({ columns: [table.vehicle, table.kit] }),
  index('kit_vehicles_kit').on(table.kit),
]);

export const people = mysqlTable('people', {
  id: id('id').primaryKey(),
  benchName: varchar('bench_name', { length: 40 }).notNull(),
  role: varchar('role', { length: 20 }).notNull(),
  rev: int('rev').notNull().default(1),
  /** No longer in the shop: what they recorded stays under their name. */
  left: boolean('left_shop').notNull().default(false),
});

/** Tablets and telephones that were let in; the token itself is kept by the device alone. */
export const devices = mysqlTable('devices', {
  id: id('id').primaryKey(),
  tokenHash: char('token_hash', { length: 64 }).notNull().unique(),
  name: varchar('name', { length: 40 }).notNull(),
  pairedAt: moment('paired_at').notNull(),
  pairedBy: id('paired_by').notNull(),
  seenAt: moment('seen_at').notNull(),
  revokedAt: moment('revoked_at'),
});

/** Codes that let one device in, for a few minutes. */
export const pairings = mysqlTable('pairings', {
  codeHash: char('code_hash', { length: 64 }).primaryKey(),
  madeAt: moment('made_at').notNull(),
  madeBy: id('made_by').notNull(),
  /** Wrong codes tried while it was open. */
  tries: int('tries').notNull().default(0),
});

/** `rev` counts changes by hand; one that turned out to be another stands as `mergedInto` and is shown nowhere. */
export const customers = mysqlTable('customers', {
  id: id('id').primaryKey(),
  name: varchar('name', { length: 120 }).notNull(),
  note: varchar('note', { length: 300 }),
  rev: int('rev').notNull().default(1),
  mergedInto: id('merged_into'),
});

export const vehicles = mysqlTable(
  'vehicles',
  {
    id: id('id').primaryKey(),
    customer: id('customer')
      .notNull()
      .references(() => customers.id),
    profile: id('profile').notNull(),
    plate: varchar('plate', { length: 16 }).notNull(),
    /** The plate as it is compared: capitals of letters and digits. */
    plateKey: varchar('plate_key', { length: 320 }).notNull().default(''),
    /** The vehicle number, capitals without spaces. */
    number: varchar('number', { length: 40 }),
    year: int('year'),
    colour: varchar('colour', { length: 40 }),
    rev: int('rev').notNull().default(1),
    mergedInto: id('merged_into'),
  },
  (table) => [index('vehicles_plate').on(table.plateKey), index('vehicles_number').on(table.number)],
);

/** A job's counter and its summary as folded by `foldVersion`; the log is the truth. */
export const jobs = mysqlTable(
  'jobs',
  {
    id: id('id').primaryKey(),
    vehicle: id('vehicle')
      .notNull()
      .references(() => vehicles.id),
    /** Of the last event; only an append writes it. */
    seq: int('seq').notNull(),
    summary: longtext('summary').notNull(),
    /** Of the last event that the summary was made from. */
    summarySeq: int('summary_seq').notNull().default(0),
    foldVersion: int('fold_version').notNull(),
    /** Whether it has left the shop, as folded. */
    signed: boolean('signed').notNull().default(false),
    openedAt: moment('opened_at').notNull(),
    promisedAt: moment('promised_at'),
    bay: varchar('bay', { length: 40 }),
    /** The job of the same vehicle that it follows: it comes again for what that one fitted. */
    follows: id('follows'),
  },
  (table) => [
    index('jobs_follows').on(table.follows),
    index('jobs_vehicle_opened').on(table.vehicle, table.openedAt, table.id),
    index('jobs_left').on(table.signed, table.openedAt, table.id),
    index('jobs_fold').on(table.foldVersion),
  ],
);

/** Kits of a job, whatever their version. */
export const jobKits = mysqlTable(
  'job_kits',
  {
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    kit: id('kit').notNull(),
    /** It is not fitted after all, as folded. */
    dropped: boolean('dropped').notNull().default(false),
  },
  (table) => [primaryKey({ columns: [table.job, table.kit] }), index('job_kits_kit').on(table.kit)],
);

/** Times that the steps of jobs took that have left the shop, worked out from their logs. */
export const stepTimes = mysqlTable(
  'step_times',
  {
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    event: char('event', { length: 36 }).notNull(),
    profile: id('profile').notNull(),
    step: varchar('step', { length: 300 }).notNull(),
    minutes: double('minutes').notNull(),
  },
  (table) => [primaryKey({ columns: [table.job, table.event] }), index('step_times_profile').on(table.profile)],
);

/** Times of steps that a version of a profile holds in its minutes: whoever plans with it does not count them once more. */
export const keptTimes = mysqlTable(
  'kept_times',
  {
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    event: char('event', { length: 36 }).notNull(),
    profile: id('profile').notNull(),
    version: int('version').notNull(),
  },
  (table) => [primaryKey({ columns: [table.job, table.event, table.version] }), index('kept_times_profile').on(table.profile, table.version)],
);

/**
 * How often the steps of a kind of vehicle were done, and the sums of the logarithms of their minutes: what the estimates need of all times. Under version 0
 * stand all of them, under a version of the profile those that went into it.
 */
export const stepSums = mysqlTable(
  'step_sums',
  {
    profile: id('profile').notNull(),
    step: varchar('step', { length: 300 }).notNull(),
    version: int('version').notNull().default(0),
    count: int('count').notNull(),
    sumLn: double('sum_ln').notNull(),
    sumLnSquared: double('sum_ln_squared').notNull(),
  },
  (table) => [primaryKey({ columns: [table.profile, table.step, table.version] })],
);

export const events = mysqlTable(
  'events',
  {
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    seq: int('seq').notNull(),
    id: char('id', { length: 36 }).notNull(),
    type: varchar('type', { length: 40 }).notNull(),
    v: int('v').notNull(),
    at: varchar('at', { length: 40 }).notNull(),
    /** Shared by what one act of a person recorded. */
    act: char('act', { length: 36 }),
    person: id('person').notNull(),
    device: varchar('device', { length: 80 }).notNull(),
    payload: longtext('payload').notNull(),
    bodyHash: char('body_hash', { length: 64 }).notNull(),
    storedAt: moment('stored_at').notNull(),
    /** Hash over this event and the chain of the one before it: whoever takes one away or changes it breaks all that follow. */
    chain: char('chain', { length: 64 }),
  },
  (table) => [primaryKey({ columns: [table.job, table.seq] }), uniqueIndex('events_id').on(table.id)],
);

/** The customer's sheet as signed: made once from the fold at `seq` and kept. */
export const sheets = mysqlTable(
  'sheets',
  {
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    seq: int('seq').notNull(),
    hash: char('hash', { length: 64 }).notNull(),
    pdf: blob('pdf').notNull(),
    madeAt: moment('made_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.job, table.seq] })],
);

/** Pictures by the SHA-256 of their bytes, each kept once; `job` is the one that it first came with. */
export const photos = mysqlTable(
  'photos',
  {
    hash: char('hash', { length: 64 }).primaryKey(),
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    body: blob('body').notNull(),
  },
  (table) => [index('photos_job').on(table.job)],
);

/** Photos that show what the next vehicle of a kind has too, as their job's log says, worked out from it. */
export const photoPlaces = mysqlTable(
  'photo_places',
  {
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    event: char('event', { length: 36 }).notNull(),
    profile: id('profile').notNull(),
    /** Where it belongs; a piece at all its levels is one place. */
    place: varchar('place', { length: 240 }).notNull(),
    at: varchar('at', { length: 40 }).notNull(),
    thumb: char('thumb', { length: 64 }).notNull(),
    photo: longtext('photo').notNull(),
  },
  (table) => [primaryKey({ columns: [table.job, table.event] }), index('photo_places_profile').on(table.profile, table.place, table.at)],
);

export const sessions = mysqlTable('sessions', {
  tokenHash: char('token_hash', { length: 64 }).primaryKey(),
  /** By which what was recorded in it is known later; it opens nothing. */
  publicId: char('public_id', { length: 36 }).unique(),
  person: id('person')
    .notNull()
    .references(() => people.id),
  device: varchar('device', { length: 80 }).notNull(),
  /** The device that was let in; null at the machine itself. */
  pairedDevice: id('paired_device').references(() => devices.id),
  createdAt: moment('created_at').notNull(),
  /** When somebody left the bench; what they recorded before may still come. */
  endedAt: moment('ended_at'),
});

/** Links of helpers' phones: each reads what one job asks of the helper in the seat, for some hours or until it is shut. */
export const helperLinks = mysqlTable(
  'helper_links',
  {
    tokenHash: char('token_hash', { length: 64 }).primaryKey(),
    job: id('job')
      .notNull()
      .references(() => jobs.id),
    madeAt: moment('made_at').notNull(),
    madeBy: id('made_by').notNull(),
    endedAt: moment('ended_at'),
  },
  (table) => [index('helper_links_job').on(table.job)],
);

/** What the helper of a job is asked to switch now. */
export const helperStates = mysqlTable('helper_states', {
  job: id('job')
    .primaryKey()
    .references(() => jobs.id),
  state: varchar('state', { length: 24 }),
  saidAt: moment('said_at').notNull(),
});

/** What trainees did at drawn plugs, and what it was worth. */
export const practices = mysqlTable(
  'practices',
  {
    id: id('id').primaryKey(),
    person: id('person')
      .notNull()
      .references(() => people.id),
    at: moment('at').notNull(),
    /** The seed and the acts, as they came. */
    done: longtext('done').notNull(),
    score: longtext('score').notNull(),
  },
  (table) => [index('practices_person').on(table.person, table.at)],
);
