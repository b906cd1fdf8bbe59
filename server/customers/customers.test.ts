import { v7 } from 'uuid';
import type { CustomerShown, CustomersFound, ListTaken, VehicleShown, VehiclesFound } from '@jade/contract/customers';
import type { VehicleProfile } from '@jade/core/vehicle';
import { demoDocument, openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeEach(async () => {
  // The planner: joins customers and takes in lists; the shop's document is the lead's.
  shop = await openTestShop(true, 'till');
}, 60_000);
afterEach(() => shop.close());

const get = async <T>(url: string) => (await shop.app.inject({ url })).json<T>();
const post = (url: string, payload: object) => shop.app.inject({ method: 'POST', url, headers: { cookie: shop.cookie }, payload });
const told = (answer: { statusCode: number; json: <T>() => T }) => [
  answer.statusCode,
  answer.json<{ faults: { path: string; code: string }[] }>().faults?.map(({ path, code }) => `${path}: ${code}`),
];
const plates = async (find: string) => (await get<VehiclesFound>(`/api/vehicles?find=${encodeURIComponent(find)}`)).vehicles.map((vehicle) => vehicle.plate);
const VAN = { profile: 'wexholm-bollard-35', plate: 'HR 31', year: 2021 };

test('vehicles are found by plate, number and customer, each word counting, with their last visit', async () => {
  expect(await plates('hr-1')).toEqual(['HR 12']);
  expect(await plates('hill 02')).toEqual(['HR 02']);
  expect(await plates('hr 0')).toEqual(['HR 02', 'HR 05', 'HR 07', 'HR 09']);
  expect([await plates('%'), await plates('_'), await plates('forestry hill')]).toEqual([[], [], []]);
  const all = await get<VehiclesFound>('/api/vehicles');
  expect([all.count, all.vehicles.length]).toEqual([10, 10]);
  const [van] = (await get<VehiclesFound>('/api/vehicles?find=HR%2002')).vehicles;
  expect(van).toMatchObject({
    kind: 'Wexholm Bollard 35',
    customer: { id: 'hill-road-rescue', name: 'Hill Road Rescue' },
    visits: 1,
    lastVisit: { job: 'hill-road-02', kits: ['Tarn Gantry 1100'] },
  });
});

test('a vehicle is made once however often it is sent, for a known customer or one made with it', async () => {
  const body = { id: v7(), ...VAN, number: '1111 1111 2m111 1111', newCustomer: { name: 'Quarry Lane Dairy' } };
  const first = await post('/api/vehicles', body);
  expect([first.statusCode, (await post('/api/vehicles', body)).statusCode]).toEqual([201, 200]);
  expect(await get<VehicleShown>(`/api/vehicles/${first.json<{ id: string }>().id}`)).toMatchObject({
    plate: 'HR 31',
    number: '111111112M1111111',
    year: 2021,
    rev: 1,
    visits: [],
    customer: { name: 'Quarry Lane Dairy' },
  });
  expect(told(await post('/api/vehicles', { ...body, plate: 'HR 32' }))).toEqual([409, ['id: conflict']]);
  expect((await get<CustomersFound>('/api/customers?find=dairy%20quarry')).customers).toMatchObject([{ name: 'Quarry Lane Dairy', vehicles: 1 }]);
});

test.each<[object, number, string]>([
  [{ plate: 'hr12', customer: 'hill-road-rescue' }, 409, 'plate: plate-known'],
  [{ plate: ' - ', customer: 'hill-road-rescue' }, 422, 'plate: length'],
  [{ profile: 'no-such', customer: 'hill-road-rescue' }, 422, 'profile: unknown-id'],
  [{ customer: 'nobody' }, 404, 'customer: unknown-id'],
  [{}, 422, 'customer: one-of'],
  [{ customer: 'hill-road-rescue', newCustomer: { name: 'Two' } }, 422, 'customer: one-of'],
  [{ customer: 'hill-road-rescue', year: 'new' }, 422, 'year: type'],
])('%j is refused and leaves nothing', async (part, status, fault) => {
  const before = await get('/api/vehicles');
  expect(told(await post('/api/vehicles', { id: v7(), ...VAN, ...part }))).toEqual([status, [fault]]);
  expect(await get('/api/vehicles')).toEqual(before);
  expect((await get<CustomersFound>('/api/customers?find=Two')).count).toBe(0);
});

test('another vehicle may carry a known plate where that is said, but never a known number', async () => {
  const make = (part: object) => post('/api/vehicles', { id: v7(), ...VAN, customer: 'saltmarsh-veterinary', ...part });
  expect((await make({ number: '11111111111111111' })).statusCode).toBe(201);
  expect(told(await make({}))).toEqual([409, ['plate: plate-known']]);
  expect((await make({ another: true })).statusCode).toBe(201);
  expect(told(await make({ plate: 'HR 33', another: true, number: '11111111111111111' }))).toEqual([409, ['number: number-known']]);
});

test('a change rests on what was seen: of two at once the later is told what stands there now', async () => {
  const change = { ...VAN, plate: 'HR 12', customer: 'hill-road-rescue', basedOn: 1, colour: 'red' };
  expect((await post('/api/vehicles/hill-road-12', change)).json()).toEqual({ rev: 2 });
  expect((await post('/api/vehicles/hill-road-12', change)).json()).toEqual({ rev: 2 });
  const late = await post('/api/vehicles/hill-road-12', { ...change, colour: 'blue' });
  expect(told(late)).toEqual([409, ['basedOn: conflict']]);
  expect(late.json()).toMatchObject({ theirs: { colour: 'red', rev: 2 } });
  expect(told(await post('/api/vehicles/hill-road-12', { ...change, basedOn: 2, plate: 'hr-07' }))).toEqual([409, ['plate: plate-known']]);
  expect((await post('/api/customers/hill-road-rescue', { basedOn: 1, name: 'Hill Road Rescue Service' })).json()).toEqual({ rev: 2 });
  expect(told(await post('/api/customers/hill-road-rescue', { basedOn: 1, name: 'Other' }))).toEqual([409, ['basedOn: conflict']]);
  // A document taken in again does not undo what was changed by hand.
  const lead = await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person: 'slate', device: 'counter' } });
  const headers = { cookie: String(lead.headers['set-cookie']).split(';')[0] ?? '' };
  const payload = { ...demoDocument('shop.json'), name: 'Harrow Quay Lamps' };
  expect((await shop.app.inject({ method: 'POST', url: '/api/documents', headers, payload })).statusCode).toBe(201);
  expect(await get<VehicleShown>('/api/vehicles/hill-road-12')).toMatchObject({ colour: 'red', customer: { name: 'Hill Road Rescue Service' } });
});

test('two vehicles that are one share their history, and the old id leads on; another kind or number is refused', async () => {
  const { id } = (await post('/api/vehicles', { id: v7(), ...VAN, number: '11111111111111111', customer: 'hill-road-rescue' })).json<{ id: string }>();
  expect((await post('/api/vehicles/hill-road-02/merge', { into: id })).json()).toEqual({ id });
  expect((await post('/api/vehicles/hill-road-02/merge', { into: id })).statusCode).toBe(200);
  const shown = await get<VehicleShown>('/api/vehicles/hill-road-02');
  expect([shown.id, shown.colour, shown.visits.map((visit) => visit.job)]).toEqual([id, 'grey', ['hill-road-02']]);
  expect(await plates('HR 02')).toEqual([]);
  // Its job goes on under the plate and the year it has now: it was 2019.
  expect(await get('/api/jobs/hill-road-02')).toMatchObject({ vehicle: { plate: 'HR 31', year: 2021 } });
  expect(told(await post(`/api/vehicles/${id}/merge`, { into: 'bakery-5' }))).toEqual([422, ['into: other-kind']]);
  expect(told(await post(`/api/vehicles/${id}/merge`, { into: id }))).toEqual([422, ['into: itself']]);
  expect(told(await post('/api/vehicles/hill-road-05/merge', { into: 'hill-road-02' }))).toEqual([409, ['into: conflict']]);
  const other = (await post('/api/vehicles', { id: v7(), ...VAN, plate: 'HR 34', number: '22222222222222222', customer: 'hill-road-rescue' })).json<{ id: string }>();
  expect(told(await post(`/api/vehicles/${id}/merge`, { into: other.id }))).toEqual([422, ['into: other-number']]);
  // What was joined to the first is joined to what the first is joined to.
  await post(`/api/vehicles/${id}/merge`, { into: 'hill-road-12' });
  expect((await get<VehicleShown>('/api/vehicles/hill-road-02')).id).toBe('hill-road-12');
});

test('two customers that are one have all vehicles, and the note of the one that has one', async () => {
  expect((await post('/api/customers/hill-road-rescue/merge', { into: 'northfell-forestry' })).statusCode).toBe(200);
  const shown = await get<CustomerShown>('/api/customers/hill-road-rescue');
  expect([shown.id, shown.note, shown.vehicles.length]).toEqual(['northfell-forestry', 'Call-outs by night; wants the van back the same day.', 6]);
  expect((await get<CustomersFound>('/api/customers')).customers.map((customer) => customer.name)).not.toContain('Hill Road Rescue');
  expect(told(await post('/api/customers/northfell-forestry/merge', { into: 'hill-road-rescue' }))).toEqual([409, ['into: conflict']]);
});

const LIST = [
  'customer;plate;vehicle;year;number',
  'Hill Road Rescue;HR 12;Bollard 35;2021;',
  '"Pier 4; Cold Store";PC 1;Oskarre Linnet;2023;',
  ' pier 4;  PC 2;oskarre linnet;;11111111111111111',
  ';;;;',
].join('\r\n');

test('a list is looked at, taken in once, and named where it differs from what the shop has', async () => {
  const send = async (part: object = {}) => (await post('/api/customers/list', { text: `\uFEFF${LIST}`, ...part })).json<ListTaken>();
  const wanted = { lines: 3, newCustomers: 2, newVehicles: 2, known: [{ line: 2, plate: 'HR 12', differs: ['year'] }], faults: [], faultCount: 0 };
  expect(await send({ look: true })).toEqual({ ...wanted, taken: false });
  expect((await get<VehiclesFound>('/api/vehicles')).count).toBe(10);
  expect(await send()).toEqual({ ...wanted, taken: true });
  expect(await send()).toMatchObject({ newCustomers: 0, newVehicles: 0, known: [{ plate: 'HR 12' }, { plate: 'PC 1', differs: [] }, { plate: 'PC 2', differs: [] }] });
  expect((await get<VehiclesFound>('/api/vehicles?find=pier%204%3B')).vehicles).toMatchObject([{ plate: 'PC 1', year: 2023, kind: 'Oskarre Linnet' }]);
});

test('a list with a fault is refused whole with its line, or taken without the line', async () => {
  const text = 'customer,plate,vehicle\nPier,PC 1,Linnet\nPier,PC 2,Nothing';
  expect(told(await post('/api/customers/list', { text }))).toEqual([422, ['line 3, vehicle: unknown-id']]);
  expect((await get<CustomersFound>('/api/customers?find=pier')).count).toBe(0);
  expect((await post('/api/customers/list', { text, leaveFaulty: true })).json()).toMatchObject({ newVehicles: 1, faultCount: 1, taken: true });
  expect(told(await post('/api/customers/list', { text: 'customer\n"Pier' }))).toEqual([422, ['text: not-csv']]);
});

const HERON = {
  maker: 'Dunmorrow',
  model: 'Heron',
  year: 2021,
  body: 'pickup-double-cab',
  systemVoltageV: 12,
  highVoltage: false,
  lengthMm: 5310,
  widthMm: 1850,
  heightMm: 1810,
  wheelbaseMm: 3210,
};

test('a job is opened on a kind of vehicle that nobody described: its first version is kept with it, once', async () => {
  const { profile: _known, ...plain } = VAN;
  const vehicle = { ...plain, plate: 'NF 21', number: undefined, profile: 'dunmorrow-heron', kind: HERON, newCustomer: { name: 'Northfell Sawmill' } };
  const body = { id: v7(), newVehicle: vehicle, kits: [{ slug: 'cairn-fen-pair' }] };
  const answers = await Promise.all([post('/api/jobs', body), post('/api/jobs', body)]);
  expect(answers.map((answer) => answer.statusCode).sort()).toEqual([200, 201]);
  expect(await get('/api/documents/vehicle/dunmorrow-heron')).toMatchObject({
    version: 1,
    document: { undescribed: ['functions', 'pieces', 'sensors', 'mounts'], measures: { lengthMm: 5310 } },
  });
  expect(await get(`/api/jobs/job-${body.id}`)).toMatchObject({ events: [{ payload: { profile: { slug: 'dunmorrow-heron', version: 1 } } }] });
  // What is wrong is told with its path, and nothing of it stays.
  const wrong = (part: object, plate = 'NF 22') =>
    post('/api/jobs', { ...body, id: v7(), newVehicle: { ...vehicle, plate, newCustomer: { name: 'Nobody Else' }, ...part } }).then(told);
  expect(await wrong({ kind: { ...HERON, model: 'Egret' } })).toEqual([422, ['profile: choice']]);
  expect(await wrong({ kind: { ...HERON, model: 'Egret', wheelbaseMm: 6000 }, profile: 'dunmorrow-egret' })).toEqual([422, ['kind.wheelbaseMm: range']]);
  expect(await wrong({ kind: { ...HERON, lengthMm: 20 } })).toEqual([422, ['newVehicle.kind.lengthMm: range']]);
  // Much like one that the library has: its pieces are assumed, and the same sent twice is the same.
  const known = await get<{ slug: string; body: string; version: number; pieces: number; name: string; highVoltage: boolean }[]>('/api/known-kinds');
  expect(known.find(({ slug }) => slug === 'dunmorrow-heron')).toEqual({
    slug: 'dunmorrow-heron',
    version: 1,
    name: 'Dunmorrow Heron',
    body: 'pickup-double-cab',
    highVoltage: false,
    pieces: 0,
  });
  const van = known.find(({ slug }) => slug === VAN.profile);
  expect(van).toMatchObject({ version: 1, body: 'van-high-roof', highVoltage: false });
  const long = {
    ...HERON,
    maker: 'Wexholm',
    model: 'Bollard 45',
    body: 'van-high-roof',
    lengthMm: 6700,
    widthMm: 2070,
    heightMm: 2750,
    wheelbaseMm: 4100,
    like: { slug: VAN.profile, version: 1 },
  };
  const second = { ...body, id: v7(), newVehicle: { ...vehicle, plate: 'WB 45', profile: 'wexholm-bollard-45', kind: long } };
  expect([(await post('/api/jobs', second)).statusCode, (await post('/api/jobs', second)).statusCode]).toEqual([201, 200]);
  const { document } = await get<{ document: VehicleProfile }>('/api/documents/vehicle/wexholm-bollard-45');
  expect([document.pieces.length, new Set(document.pieces.map(({ assumed }) => assumed)), document.plugs]).toEqual([van?.pieces, new Set(['Wexholm Bollard 35']), []]);
  const unlike = (like: object, part: object = {}) => wrong({ kind: { ...long, model: 'Bollard 46', ...part, like }, profile: 'wexholm-bollard-46' }, 'WB 46');
  expect(await unlike({ slug: 'nothing', version: 1 })).toEqual([422, ['kind.like: unknown-id']]);
  expect(await unlike({ slug: VAN.profile, version: 7 })).toEqual([422, ['kind.like: unknown-id']]);
  expect(await unlike(long.like, { highVoltage: true })).toEqual([422, ['kind.like: choice']]);
  // Somebody else wrote it down otherwise: then it is in the library, and is chosen there.
  expect(await wrong({ kind: { ...HERON, lengthMm: 5400 } })).toEqual([409, ['kind: kind-known']]);
  expect(await get('/api/documents/vehicle/dunmorrow-heron')).toMatchObject({ version: 1 });
  expect((await get<CustomersFound>('/api/customers?find=Nobody Else')).count).toBe(0);
  expect((await wrong({}, 'NF 23'))[0]).toBe(201);
});

test('a job is opened with a vehicle and a customer that are new, in one, with how it came in; sent twice it is one', async () => {
  const id = v7();
  const body = {
    id,
    newVehicle: { ...VAN, newCustomer: { name: 'Quarry Lane Dairy' } },
    kits: [{ slug: 'cairn-fen-pair' }],
    bay: 'Bay 2',
    wish: 'Fog lamps that switch with the parking lamps',
    mileage: { value: 41_250, unit: 'km' },
    keys: 'hook 4',
  };
  const answers = await Promise.all([post('/api/jobs', body), post('/api/jobs', body)]);
  expect(answers.map((answer) => answer.statusCode).sort()).toEqual([200, 201]);
  expect(await get(`/api/jobs/job-${id}`)).toMatchObject({
    bay: 'Bay 2',
    customer: 'Quarry Lane Dairy',
    events: [{ payload: { wish: body.wish, mileage: body.mileage, keys: 'hook 4' } }],
  });
  expect(await get<VehicleShown>(`/api/vehicles/vehicle-${id}`)).toMatchObject({ visits: [{ job: `job-${id}`, mileage: body.mileage, kits: ['Cairn Fen pair'] }] });
  expect(told(await post('/api/jobs', { ...body, keys: 'hook 5' }))).toEqual([409, ['id: conflict']]);
  // Nothing of it stays where the job is refused.
  expect(told(await post('/api/jobs', { ...body, id: v7(), newVehicle: { ...VAN, plate: 'HR 39', newCustomer: { name: 'Nobody Yet' } }, kits: [{ slug: 'no-kit' }] }))).toEqual([
    404,
    ['kit: unknown-id'],
  ]);
  expect([await plates('HR 39'), (await get<CustomersFound>('/api/customers?find=nobody')).count]).toEqual([[], 0]);
  expect(told(await post('/api/jobs', { ...body, id: v7(), vehicle: 'hill-road-12' }))).toEqual([422, ['vehicle: one-of']]);
  expect(told(await post('/api/jobs', { ...body, id: v7(), bay: 'Bay 9' }))).toEqual([422, ['bay: choice']]);
});
