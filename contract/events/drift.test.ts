import type { EventType, Payloads } from '@jade/core/events';
import type { Drift, NoDrift } from '@jade/contract/check';
import { FORMS, PAYLOADS } from './index.ts';

type Found = { [T in EventType]: Drift<InstanceType<(typeof FORMS)[T]>, Payloads[T], T> }[EventType];
type Checked = NoDrift<Found>;

interface Form {
  id: string;
  sides: { at: 'left' | 'right'; mm?: number }[];
}
type Paths<T> = Drift<Form, T, 'form'>;

test('each form is the same as its type: what is not does not compile', () => {
  const none: Checked[] = [];
  expect(none).toEqual([]);
  expect(Object.keys(PAYLOADS)).toEqual(Object.keys(FORMS));
});

test('a field too many, one that may be left out, and other values are found with their path', () => {
  const same: Paths<{ id: string; sides: { at: 'left' | 'right'; mm?: number }[] }>[] = [];
  const tooMany: Paths<{ id: string; sides: { at: 'left' | 'right'; mm?: number }[]; note: string }> = 'form.note';
  const optional: Paths<{ id: string; sides: { at: 'left' | 'right'; mm: number }[] }> = 'form.sides[].mm: optional in one of them';
  const other: Paths<{ id: string; sides: { at: 'left'; mm?: number }[] }> = 'form.sides[].at: other values';
  expect([same.length, tooMany, optional, other]).toHaveLength(4);
});
