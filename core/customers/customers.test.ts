import { counterFell, joined, joinFaults, listColumns, mileageFell, plateKey, readCounter, readCustomerList, readYear, remarksOn, sameCustomer, yearsTold } from './index.ts';

const VAN = { years: { from: 2019, to: 2024 }, numberCheckDigit: false };
const KINDS = [
  { slug: 'wexholm-bollard-35', title: 'Wexholm Bollard 35', model: 'Bollard 35' },
  { slug: 'pellorin-trio-300', title: 'Pellorin Trio 300', model: 'Trio 300' },
  { slug: 'oskarre-trio-300', title: 'Oskarre Trio 300', model: 'Trio 300' },
];
const HEAD = 'customer,note,plate,vehicle,number,year,colour';
const read = (...lines: string[]) =>
  readCustomerList(
    lines.map((text, index) => ({ line: index + 1, cells: text.split(',') })),
    KINDS,
  );
const paths = (...lines: string[]) => read(HEAD, ...lines).faults.map(({ path, code }) => `${path}: ${code}`);

test('plates are one by letters and digits, names by words', () => {
  expect([plateKey('hr-12'), plateKey(' HR 12'), plateKey('øk·7'), plateKey(' - ')]).toEqual(['HR12', 'HR12', 'ØK7', '']);
  expect(sameCustomer(' hill  road rescue', 'Hill Road Rescue')).toBe(true);
  expect(sameCustomer('Hill Road', 'Hillroad')).toBe(false);
});

test('a counter that shows less than before is told, also between kilometres and miles', () => {
  // 100 mi = 160.9 km: read in whole units it may have been 101 mi, 162.5 km.
  expect(mileageFell({ value: 100, unit: 'mi' }, { value: 161, unit: 'km' })).toBe(false);
  expect(mileageFell({ value: 100, unit: 'mi' }, { value: 158, unit: 'km' })).toBe(true);
  expect(mileageFell({ value: 161, unit: 'km' }, { value: 100, unit: 'mi' })).toBe(false);
  expect(mileageFell({ value: 42_000, unit: 'km' }, { value: 42_000, unit: 'km' })).toBe(false);
  expect(mileageFell({ value: 42_000, unit: 'km' }, { value: 41_998, unit: 'km' })).toBe(true);
});

test('of the years a number can mean, those of the kind are told; place 7 decides where its market uses it so', () => {
  // M is 1991 or 2021.
  expect(yearsTold('111111111M1111111', VAN)).toEqual([2021]);
  expect(yearsTold('111111111M1111111', { ...VAN, years: { from: 1985 } })).toEqual([1991, 2021]);
  // D is 1983 or 2013: neither is of the kind, so both are told.
  expect(yearsTold('111111111D1111111', VAN)).toEqual([1983, 2013]);
  expect(yearsTold('111111A11D1111111', { ...VAN, numberYearByPlace7: true })).toEqual([2013]);
  expect(yearsTold('111111111D1111111', { ...VAN, numberYearByPlace7: true })).toEqual([1983]);
  expect(yearsTold('1111', VAN)).toEqual([]);
});

test('a year that the number does not tell, or in which the kind was not made, is remarked', () => {
  expect(remarksOn({ number: '111111111M1111111', year: 2021 }, VAN)).toEqual([]);
  expect(remarksOn({ number: '111111111M1111111', year: 2022 }, VAN)).toEqual([{ code: 'year-not-told', year: 2022, told: [2021] }]);
  expect(remarksOn({ year: 2018 }, VAN)).toEqual([{ code: 'year-outside', year: 2018, from: 2019, to: 2024 }]);
  expect(remarksOn({ year: 2031 }, { ...VAN, years: { from: 2019 } })).toEqual([]);
  expect(remarksOn({ number: '111111111m1111111', written: '1111 1111 1M11 1111 1' }, VAN)).toEqual([]);
  expect(remarksOn({ number: '111111111M1111111', written: '211111111M1111111' }, VAN)).toEqual([{ code: 'number-other', written: '211111111M1111111' }]);
  expect(remarksOn({ number: '11' }, VAN)).toEqual([{ code: 'number-length', length: 2 }]);
});

test('a list brings each customer once, with vehicles by id, by maker and model, or by model', () => {
  const list = read(
    'Plate,customer,VEHICLE,note,number,Year,colour',
    'HR 21,Hill Road Rescue,wexholm-bollard-35,,1111 1111 2M11 1111 1,2021,white',
    ',Northfell Forestry,,pays by month,,,',
    ',,,,,,',
    'HR 22, hill road rescue ,Bollard 35,calls by night,,,',
  );
  expect(list.faults).toEqual([]);
  expect(list.lines).toBe(3);
  expect(list.customers).toEqual([
    { name: 'Hill Road Rescue', note: 'calls by night' },
    { name: 'Northfell Forestry', note: 'pays by month' },
  ]);
  expect(list.vehicles).toEqual([
    { line: 2, customer: 'Hill Road Rescue', plate: 'HR 21', profile: 'wexholm-bollard-35', number: '111111112M1111111', year: 2021, colour: 'white' },
    { line: 5, customer: 'Hill Road Rescue', plate: 'HR 22', profile: 'wexholm-bollard-35' },
  ]);
});

test.each<[string[], string[]]>([
  [['A,,P 1,Trio 300,,,'], ['line 2, vehicle: unknown-id']],
  [[',,P 1,Bollard 35,,,'], ['line 2, customer: missing']],
  [['A,,,Bollard 35,,,'], ['line 2, plate: missing']],
  [['A,,P 1,,,,'], ['line 2, vehicle: missing']],
  [['A,,P 1,Bollard 35,,20x1,'], ['line 2, year: type']],
  [['A,,P 1,Bollard 35,,1900,'], ['line 2, year: range']],
  [['A,,P 1,Bollard 35,,,', 'B,,p-1,Bollard 35,,,'], ['line 3, plate: line-twice']],
  [['A,,P 1,Bollard 35,1 2,,', 'B,,P 2,Bollard 35,12,,'], ['line 3, number: line-twice']],
  [[`A,,P 1234567890123456,Bollard 35,,,`], ['line 2, plate: length']],
  [['A,,P 1,Bollard 35,,,,extra'], ['line 2: length']],
])('%j is told at its line and column', (lines, told) => expect(paths(...lines)).toEqual(told));

test('a line with a fault brings nothing, the others do', () => {
  const list = read(HEAD, 'A,,P 1,Bollard 35,,20x1,', 'B,,P 1,Bollard 35,,,');
  expect([list.customers, list.vehicles.map((vehicle) => vehicle.line)]).toEqual([[{ name: 'B' }], [3]]);
});

test('columns that are unknown, twice or missing are told before anything is read', () => {
  expect(listColumns(['Customer', '', 'hue', 'plate', 'PLATE']).faults.map(({ path, code }) => `${path}: ${code}`)).toEqual([
    'line 1, hue: unknown-field',
    'line 1, plate: name-twice',
  ]);
  expect(read('plate,year', 'P 1,2021')).toMatchObject({ vehicles: [], lines: 0, faults: [{ path: 'line 1', code: 'no-column' }] });
});

test('a year and a counter are read as they are typed; what is none is told from what is not there', () => {
  expect(['', ' 2021 ', '1950', '1949', '2101', '20x1', '2021.5'].map(readYear)).toEqual([undefined, 2021, 1950, null, null, null, null]);
  const value = (text: string) => readCounter(text, 'mi')?.value ?? readCounter(text, 'mi');
  expect([' ', '41 250', '41.250', '9999999', '10000000', '-5', 'many', '.'].map(value)).toEqual([undefined, 41250, 41250, 9999999, null, null, null, null]);
});

test('on which visit the counter fell is told against the last on which it was read', () => {
  const km = (value: number) => ({ mileage: { value, unit: 'km' as const } });
  const visits = [km(900), { mileage: null }, km(1000), km(500)];
  expect(visits.map((_, visit) => counterFell(visits, visit))).toEqual([true, false, false, false]);
});

test('two vehicles are one unless kind or number speak against it; what is lacking is taken over', () => {
  const van = { id: 'a', profile: 'van', number: null, year: 2019, colour: 'grey' };
  const other = { id: 'b', profile: 'van', number: '1', year: null, colour: 'white' };
  expect(joined(van, { ...other, year: 2020 }).year).toBe(2020);
  expect([joinFaults(van, other), joined(van, other)]).toEqual([[], { number: '1', year: 2019, colour: 'white' }]);
  const codes = (part: object) => joinFaults({ ...van, number: '2' }, { ...other, ...part }).map(({ path, code }) => `${path} ${code}`);
  expect([codes({ id: 'a' }), codes({ profile: 'bus' }), codes({}), codes({ number: '2' })]).toEqual([['into itself'], ['into other-kind'], ['into other-number'], []]);
});
