import { beyondMeasure, checkForm, Each, Moment, MOST_IN_REQUEST, Slug, Text, Whole, Optional, Part } from './index.ts';

class Item {
  @Slug() id!: string;
  @Optional() @Whole(0, 10) widthMm?: number;
}
class Box {
  @Text(10) name!: string;
  @Each(() => Item, 9000) items!: Item[];
  @Optional() @Part(() => Item) lid?: Item;
}
const faults = (value: object) => checkForm(Box, value).map(({ path, code }) => `${path} ${code}`);

test('faults are told at their paths, those inside in the place of what holds them, at most fifty', () => {
  expect(faults({ name: 'x', items: [{ id: 'a' }] })).toEqual([]);
  expect(faults({ name: '', hue: 1, items: [{ id: 'A' }, { id: 'b', widthMm: 11 }] })).toEqual(['hue unknown-field', 'name length', 'items[0].id type', 'items[1].widthMm range']);
  expect(faults({ name: 'x', items: Array.from({ length: 300 }, () => ({})) })).toHaveLength(50);
});

class Shelf {
  @Whole(0, 10) heightMm!: number;
  @Optional() @Moment() at?: string;
}

test('a day that its month has not, an hour that no day has and a year of another age are no moment', () => {
  const wrong = (at: string) => checkForm(Shelf, { heightMm: 1, at }).map(({ path }) => path);
  for (const at of ['2026-02-28T08:00:00Z', '2028-02-29T08:00Z', '2026-12-31T23:59:59.999999+14:00']) expect([at, wrong(at)]).toEqual([at, []]);
  for (const at of ['2026-02-29T08:00:00Z', '2026-04-31T08:00:00Z', '2026-13-01T08:00:00Z', '2026-01-01T25:00:00Z', '1026-01-01T08:00:00Z', '2026-01-01', '2026-01-00T08:00:00Z'])
    expect([at, wrong(at)]).toEqual([at, ['at']]);
});

test('a field under another unit is named for it, and is not missing besides', () => {
  expect(checkForm(Shelf, { heightIn: 1 }).map(({ path, code }) => `${path} ${code}`)).toEqual(['heightIn unit']);
  expect(checkForm(Shelf, { hue: 1 }).map(({ path, code }) => `${path} ${code}`)).toEqual(['hue unknown-field', 'heightMm missing']);
  expect(faults({ name: 'x', items: [], lid: { id: 'a', widthIn: 1 } })).toEqual(['lid.widthIn unit']);
});

test('a name that every object has of its own is no field and no id', () => {
  expect(faults(JSON.parse('{"name":"x","items":[{"id":"a","constructor":null}]}') as object)).toEqual(['items[0].constructor reserved']);
  expect(faults(JSON.parse('{"name":"x","items":[],"__proto__":{}}') as object)).toEqual(['__proto__ reserved']);
  // Every object has these as well: they would pass for fields of the form.
  for (const name of ['hasOwnProperty', 'toString', 'valueOf', '__defineGetter__']) expect(faults({ name: 'x', items: [], [name]: null })).toEqual([`${name} reserved`]);
  expect(faults({ name: 'x', items: [{ id: 'constructor' }] })).toEqual(['items[0].id type']);
});

test('what is too deep, too long or too much is told with its place, and nothing of it is looked at', () => {
  let deep: object = {};
  for (let level = 0; level < 45; level++) deep = { deep };
  expect(beyondMeasure(deep, '')).toMatchObject({ path: '(document)', code: 'too-deep' });
  expect(faults({ name: 'x', items: Array.from({ length: 5001 }, () => ({})) })).toEqual(['items length']);
  expect(faults({ name: 'x', items: [], hue: Object.fromEntries(Array.from({ length: 1001 }, (_, key) => [key, 1])) })).toEqual(['hue length']);
  const much = { hue: Array.from({ length: 20 }, () => Array.from({ length: MOST_IN_REQUEST / 19 }, () => 1)) };
  expect(beyondMeasure(much, '')).toMatchObject({ path: '(document)', code: 'length' });
  expect(beyondMeasure({ hue: much.hue.slice(0, 10) }, '')).toBeUndefined();
});

test('twice as many faults take about twice as long, not four times', () => {
  const took = (count: number) => {
    const value = { name: 'x', items: Array.from({ length: count }, () => ({ hue: 1, size: 2 })) };
    return Math.min(
      ...Array.from({ length: 5 }, () => {
        const start = performance.now();
        checkForm(Box, value);
        return performance.now() - start;
      }),
    );
  };
  took(500);
  const [small, large] = [took(600), took(4800)];
  // Eight times the faults: 64 times as long if it were quadratic.
  expect(large / small).toBeLessThan(24);
});
