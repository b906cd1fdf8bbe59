import type { RowDataPacket } from 'mysql2';
import { openTestShop, event, type TestShop } from '../test/shop.ts';
import { checkShop, fillChains } from './check.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
  const events = [event('battery.measured', { restV: 12.4 }), event('gap.measured', { gap: 'wing-left', moment: 'before', widthMm: 3.5 })];
  const answer = await shop.app.inject({ method: 'POST', url: '/api/jobs/hill-road-12/events', headers: { cookie: shop.cookie }, payload: { events } });
  expect(answer.statusCode).toBe(200);
}, 60_000);
afterAll(() => shop.close());

const check = () => checkShop(shop.database.db);
const sql = (text: string) => shop.database.pool.query<RowDataPacket[]>(text);

/** Does something to the stored rows, looks, and puts it back. */
async function damaged(work: string, mend: string): Promise<string[]> {
  await sql(work);
  const { findings } = await check();
  await sql(mend);
  return findings.map(({ where, what }) => `${where}: ${what}`);
}

test('a shop as it was stored has nothing to find, whatever way its events came', async () => {
  const { findings, ...counted } = await check();
  expect(findings).toEqual([]);
  expect(counted.jobs).toBeGreaterThan(3);
  expect(counted.events).toBeGreaterThan(100);
  expect(counted.documents).toBeGreaterThan(10);
});

test('a changed payload, person or moment, an event that is gone, one that was put in between: each is named', async () => {
  const at = "job = 'hill-road-12' AND seq = 2";
  const [[row]] = await sql(`SELECT * FROM events WHERE ${at}`);
  const [payload, person] = [String(row?.payload), String(row?.person)];
  // Spaces in how it is written down are nothing to it.
  expect(await damaged(`UPDATE events SET payload = CONCAT(payload, ' ') WHERE ${at}`, `UPDATE events SET payload = '${payload}' WHERE ${at}`)).toEqual([]);
  expect(await damaged(`UPDATE events SET payload = '{}' WHERE ${at}`, `UPDATE events SET payload = '${payload}' WHERE ${at}`)).toContain('hill-road-12, event 2: body');
  expect(await damaged(`UPDATE events SET payload = '{' WHERE ${at}`, `UPDATE events SET payload = '${payload}' WHERE ${at}`)).toEqual([
    'hill-road-12, event 2: body',
    'hill-road-12: unread',
  ]);
  expect(await damaged(`UPDATE events SET person = 'other' WHERE ${at}`, `UPDATE events SET person = '${person}' WHERE ${at}`)).toEqual(['hill-road-12, event 2: chain']);
  expect(
    await damaged(`UPDATE events SET stored_at = stored_at + INTERVAL 1 SECOND WHERE ${at}`, `UPDATE events SET stored_at = stored_at - INTERVAL 1 SECOND WHERE ${at}`),
  ).toEqual(['hill-road-12, event 2: chain']);
  // The second event goes where nothing hangs on it: the third stands after a gap and in another chain.
  const moved = await damaged(`UPDATE events SET job = 'hill-road-07', seq = 100000 WHERE ${at}`, "UPDATE events SET job = 'hill-road-12', seq = 2 WHERE seq = 100000");
  expect(moved).toEqual(expect.arrayContaining(['hill-road-12, event 3: gap', 'hill-road-12, event 3: chain', 'hill-road-12: counter', 'hill-road-07, event 100000: chain']));
  expect((await check()).findings).toEqual([]);
});

test('a counter set back, a summary that says something else and a document that was changed are named', async () => {
  expect(await damaged("UPDATE jobs SET seq = seq - 1 WHERE id = 'hill-road-12'", "UPDATE jobs SET seq = seq + 1 WHERE id = 'hill-road-12'")).toEqual(['hill-road-12: counter']);
  expect(await damaged("UPDATE jobs SET signed = NOT signed WHERE id = 'hill-road-12'", "UPDATE jobs SET signed = NOT signed WHERE id = 'hill-road-12'")).toEqual([
    'hill-road-12: summary',
  ]);
  expect(
    await damaged(
      "UPDATE documents SET body = REPLACE(body, 'Harrow', 'Narrow') WHERE kind = 'rules'",
      "UPDATE documents SET body = REPLACE(body, 'Narrow', 'Harrow') WHERE kind = 'rules'",
    ),
  ).toEqual([expect.stringMatching(/^rules .* version 1: document$/)]);
});

test('events of an earlier version, without a chain, are given theirs once, the same as they would have', async () => {
  const chains = async () => (await sql('SELECT id, chain FROM events ORDER BY id'))[0];
  const before = await chains();
  await sql("UPDATE events SET chain = NULL WHERE job IN ('hill-road-12', 'hill-road-07')");
  expect((await check()).findings.filter(({ what }) => what !== 'chain')).toEqual([]);
  expect([await fillChains(shop.database.db), await fillChains(shop.database.db)]).toEqual([2, 0]);
  expect(await chains()).toEqual(before);
});
