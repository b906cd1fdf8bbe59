import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { definitionOf, EVENT_TYPES, flagsOf, isEventType, plansAnew, rightFor, TELLING, typesOfWork, WORKS, type EventType, type LoggedEvent } from './index.ts';

const where = (holds: (type: EventType) => boolean) => EVENT_TYPES.filter(holds).sort();

test('every type stands in one family, and its opposite names it back', () => {
  const families = readdirSync(import.meta.dirname, { withFileTypes: true }).filter((entry) => entry.isDirectory());
  // One that stood in two families would be lost in the catalogue.
  const named = families.flatMap(({ name }) =>
    [...readFileSync(join(import.meta.dirname, name, 'index.ts'), 'utf8').matchAll(/^ {2}'?([a-z.-]+)'?: \w+,$/gm)].map(([, type]) => type),
  );
  expect(named.sort()).toEqual([...EVENT_TYPES].sort());
  for (const type of EVENT_TYPES) {
    const { opposite } = definitionOf(type);
    if (opposite === null || opposite === 'itself') continue;
    expect(isEventType(opposite) && definitionOf(opposite).opposite).toBe(type);
  }
});

test('an event asks for the right to what it does', () => {
  expect((['job.signed', 'job.reopened', 'fact.recorded'] as const).map(rightFor)).toEqual(['sign off', 'reopen', 'record']);
  expect(where((type) => rightFor(type) === 'change the order')).toEqual(['job.cancelled', 'kit.dropped', 'promise.made', 'wish.written']);
});

test('who alone writes, what stays, and what tells further ids', () => {
  expect(where((type) => definitionOf(type).by === 'server')).toEqual(['job.opened', 'job.repinned', 'kit.added']);
  expect(where((type) => definitionOf(type).stays)).toEqual(['job.opened', 'job.repinned', 'job.signed', 'kit.added']);
  expect([...TELLING].sort()).toEqual(['accessory.found', 'job.opened', 'job.repinned', 'kind.described', 'kit.added', 'kit.described', 'plug.found']);
  expect(where((type) => definitionOf(type).ofFitted)).toEqual(['final.tested', 'photo.taken', 'step.rechecked']);
});

test('the sheet names for each work who recorded it', () => {
  expect(Object.fromEntries(WORKS.map((work) => [work, typesOfWork(work).sort()]))).toEqual({
    arrival: ['baseline.tried', 'battery.measured', 'damage.noted', 'number.recorded'],
    opening: ['piece.moved'],
    wiring: ['cavity.populated', 'contacts.moved', 'leg.laid', 'plug.capped', 'plug.joined'],
    fitting: ['step.passed'],
    testing: ['reading.taken', 'test.tried'],
    aiming: ['aim.measured'],
    leaving: ['final.tested', 'final.tried'],
  });
});

test('a test that failed makes the plan anew, one that passed does not', () => {
  const tried = (passed: boolean) => ({ type: 'test.tried', payload: { kit: 'k', test: 't', passed } }) as LoggedEvent;
  expect([true, false].map((passed) => plansAnew(tried(passed)))).toEqual([false, true]);
});

test('a type that this version does not know is only written down', () => {
  expect(isEventType('tea.made')).toBe(false);
  expect(isEventType('constructor')).toBe(false);
  expect(definitionOf('consent.given')).toMatchObject(flagsOf({ type: 'tea.made' } as never));
});
