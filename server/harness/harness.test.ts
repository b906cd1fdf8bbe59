import { parse } from 'csv-parse/sync';
import { openTestShop, type TestShop } from '../test/shop.ts';

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
