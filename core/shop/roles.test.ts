import { checkPeople, codeFrom, may, readCode, RIGHTS, roleFaults, ROLES, whoMay } from './index.ts';

test('the table of roles: everyone records, who is in training opens and signs nothing, only the lead signs, reopens and keeps people', () => {
  const rights = (role: string) => RIGHTS.filter((right) => may(role, right));
  expect(rights('lead')).toEqual([...RIGHTS]);
  expect(rights('planner')).toEqual(['record', 'open a job', 'change the order', 'take over documents', 'keep customers', 'join customers', 'take in documents', 'let devices in']);
  expect(rights('installer')).toEqual(['record', 'open a job', 'change the order', 'take over documents', 'keep customers']);
  expect(rights('in training')).toEqual(['record']);
  expect(rights('boss')).toEqual([]);
  expect(ROLES.every((role) => may(role, 'record'))).toBe(true);
  expect(whoMay('sign off')).toEqual(['lead']);
});

test('who does not have a right is told who has', () => {
  expect(roleFaults('installer', 'sign off', 'events[2]')).toEqual([{ path: 'events[2]', code: 'role', data: { right: 'sign off', role: 'installer', who: 'lead' } }]);
  expect(roleFaults('lead', 'sign off')).toEqual([]);
});

test('a shop keeps a lead who is there, and bench names of its own; who has left leaves theirs free', () => {
  const person = (id: string, benchName: string, role: 'lead' | 'installer', left = false) => ({ id, benchName, role, left });
  const faults = (...people: ReturnType<typeof person>[]) => checkPeople(people, 'a').map(({ path, code }) => `${path} ${code}`);
  expect(faults(person('a', 'Slate', 'lead'), person('b', 'Fern', 'installer'))).toEqual([]);
  expect(faults(person('a', 'fern ', 'lead'), person('b', 'Fern', 'installer'))).toEqual(['benchName name-twice']);
  expect(faults(person('a', 'Fern', 'lead'), person('b', 'Fern', 'installer', true))).toEqual([]);
  expect(faults(person('a', 'Slate', 'lead', true), person('b', 'Fern', 'installer'))).toEqual(['role no-lead']);
});

test('a code has six places of signs that are not taken for others, and is read however it is typed', () => {
  expect(codeFrom(Uint8Array.from([0, 7, 8, 31, 32, 255, 9]))).toBe('29AZ2Z');
  expect(readCode(' 29a-z2z ')).toBe('29AZ2Z');
});
