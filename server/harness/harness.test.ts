import { parse } from 'csv-parse/sync';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const paper = (form: string, job = 'hill-road-02') => shop.app.inject({ url: `/api/jobs/${job}/harness.${form}`, headers: { cookie: shop.cookie } });
const plain = (text: string | undefined) => text?.replaceAll('\u202f', ' ');

test('the joint list comes as comma-separated values: a line for each conductor, by work place', async () => {
  const answer = await paper('csv');
  expect([answer.statusCode, answer.headers['content-type']]).toEqual([200, 'text/csv; charset=utf-8']);
  const rows = parse(answer.body, { columns: true, bom: true }) as Record<string, string>[];
  expect(rows.map((row) => [row['Work place'], row['Vehicle wire'], row.Circuit, plain(row.Strip), row.State])).toEqual([
    ['Auxiliary output plug', 'pin 1, brown: ground', 'ground', '—', 'joined'],
    ['Auxiliary output plug', 'pin 2, red/yellow: switched supply', 'Auxiliary output', '—', 'joined'],
    ['Battery', 'positive post, by way of the main fuse', 'Battery feed of the bar', '7 mm', 'with its fitting step'],
    ['Ground point of the body', 'stud on bare metal', 'Battery feed of the bar', '7 mm', 'with its fitting step'],
  ]);
  const { joints, circuits } = (await paper('json')).json<{ joints: unknown[]; circuits: { name: string }[] }>();
  expect([joints.length, circuits.map(({ name }) => name)]).toEqual([4, ['Battery feed of the bar', 'Auxiliary output']]);
});

test('the drawing is one file that stands for itself, with every lane and no sign that could end it early', async () => {
  const { headers, body } = await paper('svg', 'library-1');
  expect(headers['content-type']).toBe('image/svg+xml; charset=utf-8');
  expect(body.startsWith('<svg xmlns="http://www.w3.org/2000/svg"') && body.trimEnd().endsWith('</svg>')).toBe(true);
  for (const name of ['Dipped beam, left', 'Parking and marker', 'Headlamp plug, right', '5 lamps']) expect(body).toContain(`>${name}`);
  expect(body.match(/<text/g)?.length).toBe(body.match(/<\/text>/g)?.length);
});

test('below the picture stand the faces of each joint, with leads between and what was seen, and each wire says its size', async () => {
  const body = (await paper('svg', 'saltmarsh-3')).body.replaceAll('\u202f', ' ');
  for (const text of ['lead · SL-2 B', 'kit · SL-2 B', 'Between them: short lead, NR-2 to SL-2 B. Key off.', 'grey/white, 0.75 mm²', '>0.75 mm²<']) expect(body).toContain(text);
  // Two joints of two pins: a square on the vehicle's side and a circle on the kit's for each.
  expect(body.match(/>meets</g)?.length).toBe(4);
  const seen = (await paper('svg', 'hill-road-02')).body;
  expect(seen).toContain('Plug meets plug, pin by pin. Key off.');
  expect(seen).not.toContain('Seen:');
});

test('the paper is the same bytes for the same log; a job that is not there is told so', async () => {
  const [one, two] = [await paper('pdf'), await paper('pdf')];
  expect([one.statusCode, one.headers['content-type'], one.rawPayload.subarray(0, 5).toString()]).toEqual([200, 'application/pdf', '%PDF-']);
  expect(one.rawPayload.equals(two.rawPayload)).toBe(true);
  for (const form of ['pdf', 'svg', 'csv', 'json']) expect((await paper(form, 'nowhere')).statusCode).toBe(404);
});

test('the pins of a plug that was read go out as values, as a list and as a card; a job in which nothing was read has none', async () => {
  const at = (form: string, job = 'bakery-5') => shop.app.inject({ url: `/api/jobs/${job}/plugs.${form}`, headers: { cookie: shop.cookie } });
  const [before] = [await at('json')];
  expect(before.json()).toEqual({ plugs: [] });
  const [plug] = (await shop.app.inject({ url: '/api/documents/vehicle/pellorin-trio-300', headers: { cookie: shop.cookie } })).json<{ document: { plugs: { id: string }[] } }>()
    .document.plugs;
  const read = (pin: string, state: string, volts: number) => ({ ...event('reading.taken', { plug: plug?.id, pin, state, lowV: volts, highV: volts }), v: 2 });
  const events = [
    event('reference.checked', { groundV: 0.02, feedV: 12.6 }),
    ...['stop pedal', 'key off', 'parking'].map((state) => read('3', state, state === 'stop pedal' ? 12.4 : 0.01)),
    event('continuity.measured', { plug: plug?.id, pin: '1', ohm: 0.3 }),
  ];
  const sent = await shop.app.inject({ method: 'POST', url: '/api/jobs/bakery-5/events', headers: { cookie: shop.cookie }, payload: { events } });
  expect(sent.json<{ answers: { status: string }[] }>().answers.map(({ status }) => status)).toEqual(events.map(() => 'stored'));
  const rows = parse((await at('csv')).body, { columns: true, bom: true }) as Record<string, string>[];
  expect(rows.slice(0, 3).map((row) => [row.Pin, row.Colour, row['What it is'], row['How sure'], row.Readings, row['Said to carry']])).toEqual([
    ['1', 'green', 'ground', 'proved', '1', 'ground'],
    ['2', 'brown', 'not read', '—', '0', 'parking'],
    ['3', 'green/yellow', 'stop', 'proved', '3', 'stop pedal'],
  ]);
  const { plugs } = (await at('json')).json<{ plugs: { id: string; pins: { id: string; status: object; voltages: object[]; ohm: number[] }[] }[] }>();
  expect(plugs.map(({ id }) => id)).toEqual([plug?.id]);
  expect(plugs[0]?.pins[2]).toMatchObject({ id: '3', status: { code: 'proved', functions: ['stop pedal'] }, voltages: [{ state: 'stop pedal', lowV: 12.4 }, {}, {}], ohm: [] });
  expect(plugs[0]?.pins[0]).toMatchObject({ ohm: [0.3], voltages: [] });
  const [one, two] = [await at('pdf'), await at('pdf')];
  expect([one.rawPayload.subarray(0, 5).toString(), one.rawPayload.equals(two.rawPayload)]).toEqual(['%PDF-', true]);
  for (const form of ['pdf', 'csv', 'json']) expect((await at(form, 'nowhere')).statusCode).toBe(404);
});
