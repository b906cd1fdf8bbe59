import { checkFirstRun, newShop, type FirstRun } from './index.ts';

const FIRST: FirstRun = {
  name: ' Øst & Färber Lamps ',
  currency: 'crowns',
  bays: ['Bay 1', 'Yard'],
  mileageUnit: 'mi',
  people: [
    { benchName: 'Slate', role: 'lead' },
    { benchName: 'Fern', role: 'installer' },
  ],
};
const faults = (part: Partial<FirstRun>) => checkFirstRun({ ...FIRST, ...part }).map(({ path, code }) => `${path} ${code}`);

test('a shop of its own has its people, its bays, a rule set, and nothing else yet', () => {
  expect(newShop(FIRST, 'starting-rules')).toEqual({
    format: 'jade-shop/1',
    slug: 'st-farber-lamps',
    name: 'Øst & Färber Lamps',
    currency: 'crowns',
    mileageUnit: 'mi',
    rules: 'starting-rules',
    bays: ['Bay 1', 'Yard'],
    people: [
      { id: 'slate', benchName: 'Slate', role: 'lead' },
      { id: 'fern', benchName: 'Fern', role: 'installer' },
    ],
    customers: [],
    vehicles: [],
    jobs: [],
  });
});

test('how it writes lengths and times is kept where it is said', () => {
  expect(newShop({ ...FIRST, lengths: 'in', timeZone: 'Etc/GMT-2' }, 'r')).toMatchObject({ lengths: 'in', timeZone: 'Etc/GMT-2' });
});

test('names that make the same id, or none, still make different people', () => {
  const people = ['Fern', 'fern!', 'Φ', 'Ω'].map((benchName) => ({ benchName, role: 'installer' as const }));
  expect(newShop({ ...FIRST, name: '灯', people }, 'r')).toMatchObject({ slug: 'shop', people: [{ id: 'fern' }, { id: 'fern-2' }, { id: 'bench' }, { id: 'bench-2' }] });
});

test('a name twice is told at its place, and somebody has to be the lead', () => {
  expect(faults({})).toEqual([]);
  expect(faults({ people: [...FIRST.people, { benchName: 'fern ', role: 'planner' }] })).toEqual(['people[2].benchName name-twice']);
  expect(faults({ bays: ['Yard', 'Bay 1', 'YARD'] })).toEqual(['bays[2] name-twice']);
  expect(faults({ people: [{ benchName: 'Fern', role: 'installer' }] })).toEqual(['people no-lead']);
  expect(faults({ people: [] })).toEqual(['people no-lead']);
});
