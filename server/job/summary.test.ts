import type { RowDataPacket } from 'mysql2/promise';
import { FOLD_VERSION } from '@jade/core/events';
import type { JobLine } from '@jade/contract/job';
import { buildApp } from '../app/index.ts';
import { event, openTestShop, type TestShop } from '../test/shop.ts';
import { Summaries, writeSummary } from './index.ts';

const JOB = 'hill-road-12';
let shop: TestShop;
beforeEach(async () => {
  shop = await openTestShop();
}, 60_000);
afterEach(() => shop.close());

const send = (restV: number, job = JOB) =>
  shop.app.inject({ method: 'POST', url: `/api/jobs/${job}/events`, headers: { cookie: shop.cookie }, payload: { events: [event('battery.measured', { restV })] } });
const rows = async (where = '1 = 1') =>
  (
    await shop.database.pool.query<RowDataPacket[]>(
      `SELECT id, seq, summary_seq, fold_version, summary, (SELECT count(*) FROM events e WHERE e.job = jobs.id) logged FROM jobs WHERE ${where}`,
    )
  )[0];
const board = async () => (await shop.app.inject({ url: '/api/jobs' })).json<JobLine[]>();

test('a board that is read beside appends, with summaries of an older fold, sets no counter back and stops no job', async () => {
  await shop.database.pool.query('UPDATE jobs SET fold_version = 0');
  const answers = await Promise.all(Array.from({ length: 20 }, (_, place) => Promise.all([send(12 + place / 100), board()])));
  expect(answers.map(([answer]) => answer.statusCode)).toEqual(Array.from({ length: 20 }, () => 200));
  const line = (await board()).find((job) => job.id === JOB);
  const [row] = await rows(`id = '${JOB}'`);
  expect([row?.seq, row?.summary_seq, row?.fold_version, line?.seq]).toEqual([row?.logged, row?.logged, FOLD_VERSION, row?.logged]);
});

test('a summary is not written over by one of fewer events', async () => {
  await board();
  const [before] = await rows(`id = '${JOB}'`);
  // Read and folded while somebody else appends: what is made of it is of yesterday.
  const slow = shop.database.db.transaction(
    async (tx) => {
      await tx.execute('SELECT 1 FROM events LIMIT 1');
      await send(12.1);
      // The summary of the newer log is there before that of the older one is written.
      await board();
      await writeSummary(tx, JOB);
    },
    { isolationLevel: 'repeatable read' },
  );
  await slow;
  const [after] = await rows(`id = '${JOB}'`);
  expect([after?.seq, after?.summary_seq]).toEqual([Number(before?.seq) + 1, Number(before?.seq) + 1]);
});

test('a new version makes every summary anew, a few at a time; one that cannot be folded keeps none of the others back', async () => {
  const wanted = (await rows()).length;
  await shop.database.pool.query(`UPDATE jobs SET fold_version = 0, summary = '{"sentence":"of an older version"}'`);
  await shop.database.pool.query(`UPDATE events SET payload = '[' WHERE job = 'bakery-5' AND seq = 2`);
  // What was read before is not believed where the chain is another.
  await shop.database.pool.query(`UPDATE events SET chain = 'another' WHERE job = 'bakery-5'`);
  const app = buildApp({ database: shop.database });
  await app.ready();
  const stale = async () => (await rows(`fold_version <> ${FOLD_VERSION}`)).map((row) => String(row.id));
  for (let tries = 0; tries < 300 && (await stale()).join() !== 'bakery-5'; tries++) await new Promise((settle) => setTimeout(settle, 100));
  expect([await stale(), (await rows(`summary LIKE '%older version%'`)).length, wanted]).toEqual([['bakery-5'], 1, 10]);
  const lines = (await app.inject({ url: '/api/jobs' })).json<JobLine[]>();
  expect([lines.length, lines.filter((line) => line.summary.sentence.startsWith('This job cannot be read')).map((line) => line.id)]).toEqual([10, ['bakery-5']]);
  await app.close();
}, 60_000);

test('what is asked for while a summary is made is made once more after it', async () => {
  const failed: unknown[] = [];
  const summaries = new Summaries(shop.database.db, (_, error) => failed.push(error));
  for (let place = 0; place < 5; place++) {
    await send(11 + place / 10);
    summaries.later(JOB);
  }
  await summaries.refresh(JOB);
  const [row] = await rows(`id = '${JOB}'`);
  expect([row?.summary_seq, failed]).toEqual([row?.logged, []]);
  await summaries.stop();
});
