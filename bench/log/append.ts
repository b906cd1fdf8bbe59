import { createHash } from 'node:crypto';
import { createPool } from 'mysql2/promise';
import { v7 } from 'uuid';
import { compare, time, type Line } from '../measure.ts';

const RUNS = 200;

const measured = (run: number) => ({
  id: v7(),
  type: 'gap.measured',
  v: 1,
  at: new Date().toISOString(),
  payload: { gap: 'wing-left', moment: 'before', widthMm: Math.abs(run % 50) / 10 },
});

/** The same transaction by hand: row lock, look for the id, insert, update of counter and summary; committed and flushed. */
async function byHand(databaseUrl: string) {
  const pool = createPool({ uri: databaseUrl, connectionLimit: 1 });
  const summary = 'x'.repeat(900);
  const append = async (run: number) => {
    const connection = await pool.getConnection();
    const event = measured(run);
    const body = JSON.stringify(event);
    await connection.beginTransaction();
    const [rows] = await connection.query('SELECT seq FROM jobs WHERE id = ? FOR UPDATE', ['hill-road-02']);
    const seq = (rows as { seq: number }[])[0]?.seq ?? 0;
    await connection.query('SELECT id, job, seq, body_hash FROM events WHERE id IN (?)', [event.id]);
    await connection.query('INSERT INTO events (job, seq, id, type, v, at, person, device, payload, body_hash, stored_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)', [
      'hill-road-02',
      seq + 1,
      event.id,
      event.type,
      1,
      event.at,
      'fern',
      'bench',
      JSON.stringify(event.payload),
      createHash('sha256').update(body).digest('hex'),
      new Date(),
    ]);
    await connection.query('UPDATE jobs SET seq = ?, summary = ? WHERE id = ?', [seq + 1, summary, 'hill-road-02']);
    await connection.commit();
    connection.release();
  };
  return { append, close: () => pool.end() };
}

/** Appending one event over HTTP against the same transaction by raw mysql2 in the same run. */
export async function benchAppend(address: string, databaseUrl: string): Promise<Line> {
  const answer = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ person: 'fern', device: 'bench' }),
  });
  const cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? '';
  const overHttp = async (run: number) => {
    const reply = await fetch(`${address}/api/jobs/hill-road-12/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify({ events: [measured(run)] }),
    });
    if (!reply.ok) throw new Error(`append answered ${reply.status}`);
    await reply.json();
  };
  const hand = await byHand(databaseUrl);
  const [ours, other] = [await time(RUNS, overHttp, 20), await time(RUNS, hand.append, 20)];
  await hand.close();
  return compare('Appending one event over HTTP (checked, folded, summarised, committed)', ours, 'the same transaction by raw mysql2', other);
}
