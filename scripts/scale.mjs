// npm run scale: a shop of ten years, filled into a throwaway database, and what its lists take there against the demo's size.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createHash, randomBytes } from 'node:crypto';
import { ROOT, say } from './packages.mjs';
import { openThrowawayShop } from './demo-shop.mjs';

const SIZE = { customers: 5000, vehicles: 20_000, copies: 100, jobs: 50_000, open: 60, steps: 41, timed: 39_000 };
const RUNS = 30;
const HEADING = '## Ten years of work';

const shop = await openThrowawayShop();
const { createConnection } = await import('mysql2/promise');
const database = await createConnection({ uri: shop.ownerUrl });

/** An id of a client, version 7 in form. */
function clientId() {
  const hex = randomBytes(16).toString('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-7${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

async function session() {
  const answer = await fetch(`${shop.address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ person: 'till', device: 'scale' }),
  });
  return answer.headers.get('set-cookie')?.split(';')[0] ?? '';
}
const cookie = await session();

async function ask(path, body) {
  const answer = await fetch(
    `${shop.address}${path}`,
    body ? { method: 'POST', headers: { 'content-type': 'application/json', cookie }, body: JSON.stringify(body) } : { headers: { cookie } },
  );
  const text = await answer.text();
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}: ${text.slice(0, 300)}`);
  return text.length;
}

async function median(work) {
  const times = [];
  for (let run = -3; run < RUNS; run++) {
    const start = performance.now();
    await work(run);
    if (run >= 0) times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(RUNS / 2)];
}

/** Each with the vehicle it is asked of, which is another at every run where one is opened for it. */
const openOn = (vehicle) => ask('/api/jobs', { id: clientId(), vehicle, kits: [{ slug: 'cairn-fen-pair' }] });
const measured = () => ({ events: [{ id: clientId(), type: 'battery.measured', v: 1, at: new Date().toISOString(), payload: { restV: 12.6 } }] });
const QUESTIONS = {
  'The day board': () => ask('/api/jobs'),
  'Jobs found by a plate': () => ask('/api/jobs?find=HR%2007'),
  'Jobs found by a customer': () => ask('/api/jobs?find=Hill%20Road'),
  'Vehicles found by a plate': () => ask('/api/vehicles?find=HR%2007'),
  'Vehicles, none asked for': () => ask('/api/vehicles'),
  'A vehicle with its visits': () => ask('/api/vehicles/hill-road-07'),
  'Customers found by name': () => ask('/api/customers?find=rescue'),
  'The list of documents': () => ask('/api/documents'),
  'A job with its documents': () => ask('/api/jobs/hill-road-07'),
  'One event appended': () => ask('/api/jobs/hill-road-12/events', measured()),
  'A job opened for an earlier vehicle': () => openOn('hill-road-09'),
};

async function measure() {
  const times = {};
  for (const [what, work] of Object.entries(QUESTIONS)) times[what] = await median(work);
  return times;
}

/** The same transaction by hand: row lock, look for the id, the chain before, insert, counter; committed and flushed. */
async function byHand(job) {
  const id = clientId();
  await database.beginTransaction();
  const [[row]] = await database.query('SELECT seq FROM jobs WHERE id = ? FOR UPDATE', [job]);
  await database.query('SELECT id, job, seq, body_hash FROM events WHERE id IN (?)', [id]);
  await database.query('SELECT chain FROM events WHERE job = ? AND seq = ?', [job, row.seq]);
  await database.query('INSERT INTO events (job, seq, id, type, v, at, person, device, payload, body_hash, stored_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)', [
    job,
    row.seq + 1,
    id,
    'battery.measured',
    1,
    new Date().toISOString(),
    'fern',
    'bench',
    '{"restV":12.6}',
    createHash('sha256').update(id).digest('hex'),
    new Date(),
  ]);
  await database.query('UPDATE jobs SET seq = ? WHERE id = ?', [row.seq + 1, job]);
  await database.commit();
}

/** A job's log of so many events: the readings of a gap over and over. */
async function lengthen(job, wanted) {
  const [[{ seq }]] = await database.query('SELECT seq FROM jobs WHERE id = ?', [job]);
  await database.query(
    `INSERT INTO events (job, seq, id, type, v, at, person, device, payload, body_hash, stored_at) SELECT ?, ? + s.seq, uuid(), 'battery.measured', 1, '2026-03-05T08:30:00Z', 'fern', 'bench', '{"restV":12.6}', sha2(uuid(), 256), now(3) FROM seq_1_to_${wanted - seq} s`,
    [job, seq],
  );
  await database.query('UPDATE jobs SET seq = ?, summary_seq = 0 WHERE id = ?', [wanted, job]);
}

/** Appending against the transaction by hand, in turns, at two lengths of a log; summaries follow between them as they do in a shop. */
async function measureAppends() {
  const rows = [];
  for (const [job, length] of [
    ['old-2', 53],
    ['old-3', 5000],
  ]) {
    if (length > 1000) await lengthen(job, length);
    await ask('/api/jobs');
    const [ours, other] = [[], []];
    for (let run = -5; run < 60; run++) {
      for (const [times, work] of [
        [ours, () => ask(`/api/jobs/${job}/events`, measured())],
        [other, () => byHand('old-4')],
      ]) {
        const start = performance.now();
        await work();
        if (run >= 0) times.push(performance.now() - start);
        await new Promise((settle) => setTimeout(settle, 120));
      }
    }
    const middle = (times) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
    rows.push(
      `| One event appended over HTTP to a log of ${length} | ${middle(other).toFixed(2)} ms | ${middle(ours).toFixed(2)} ms | ${(middle(ours) / middle(other)).toFixed(1)} |`,
    );
  }
  return rows;
}

const rssMb = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${shop.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

async function fill() {
  const { customers, vehicles, copies, jobs, open, steps, timed } = SIZE;
  const profiles = ['wexholm-bollard-35', 'oskarre-linnet', 'dunmorrow-causeway-26', 'pellorin-trio-300', 'wexholm-fieldcat'];
  // Every profile and kit again under slugs of their own; a copied kit names the copied vehicles. 5 profiles and 8 kits: 500 and, two for each copy, 1 600 besides.
  const renamed = profiles.reduce((text, slug) => `replace(${text}, '"${slug}"', concat('"${slug}-', s.seq % ${copies}, '"'))`, 'd.body');
  const copy = (kind, from, to) =>
    `INSERT INTO documents (kind, slug, version, hash, body, title, created_at) SELECT d.kind, concat(d.slug, '-', s.seq), 1, sha2(concat(d.slug, s.seq), 256), replace(${renamed}, concat('"', d.slug, '"'), concat('"', d.slug, '-', s.seq, '"')), concat(d.title, ' ', s.seq), d.created_at FROM documents d JOIN seq_${from}_to_${to} s WHERE d.kind = '${kind}' AND d.version = 1 AND d.slug NOT REGEXP '-[0-9]+-[0-9]+$' AND char_length(d.slug) < 40 AND d.created_at <= @begun`;
  const statements = [
    'SET @begun = now(3)',
    copy('vehicle', 1000, 1000 + copies - 1).replaceAll(`s.seq % ${copies}`, 's.seq'),
    copy('kit', 1000, 1000 + copies * 2.5 - 1).replaceAll(`s.seq % ${copies}`, `(1000 + s.seq % ${copies})`),
    `INSERT IGNORE INTO kit_vehicles (kit, vehicle) SELECT DISTINCT d.slug, f.vehicle FROM documents d JOIN JSON_TABLE(d.body, '$.fitments[*]' COLUMNS (vehicle varchar(80) PATH '$.vehicle')) f WHERE d.kind = 'kit'`,
    `INSERT INTO customers (id, name) SELECT concat('customer-', seq), concat('Harbour Haulage ', seq) FROM seq_1_to_${customers}`,
    `INSERT INTO vehicles (id, customer, profile, plate, plate_key, year) SELECT concat('vehicle-', seq), concat('customer-', 1 + seq % ${customers}), elt(1 + seq % 5, ${profiles.map((slug) => `'${slug}'`).join(', ')}), concat('HH ', seq), concat('HH', seq), 2019 + seq % 5 FROM seq_1_to_${vehicles}`,
    `INSERT INTO jobs (id, vehicle, seq, summary, summary_seq, fold_version, signed, opened_at) SELECT concat('old-', s.seq), concat('vehicle-', 1 + s.seq % ${vehicles}), IF(s.seq <= ${open}, j.seq, 1), IF(s.seq <= ${open}, j.summary, replace(j.summary, '"signed":false', '"signed":true')), IF(s.seq <= ${open}, j.seq, 1), j.fold_version, s.seq > ${open}, now(3) - INTERVAL s.seq * 100 MINUTE FROM jobs j JOIN seq_1_to_${jobs} s WHERE j.id = 'hill-road-07'`,
    `INSERT INTO events (job, seq, id, type, v, at, act, person, device, payload, body_hash, stored_at) SELECT concat('old-', s.seq), e.seq, uuid(), e.type, e.v, e.at, NULL, e.person, e.device, e.payload, e.body_hash, e.stored_at FROM events e JOIN seq_1_to_${jobs} s WHERE e.job = 'hill-road-07' AND (e.seq = 1 OR s.seq <= ${open})`,
    `INSERT INTO job_kits (job, kit) SELECT concat('old-', seq), 'cairn-fen-pair' FROM seq_1_to_${jobs}`,
    `INSERT INTO step_times (job, event, profile, step, minutes) SELECT concat('old-', ${open} + 1 + floor(seq / ${steps})), concat('scale-', seq), 'wexholm-bollard-35', concat('step-', seq % ${steps}, '/fitted>off/front'), 1 + seq % 7 FROM seq_1_to_${timed * steps}`,
    'REPLACE INTO step_sums (profile, step, count, sum_ln, sum_ln_squared) SELECT profile, step, count(*), sum(ln(minutes)), sum(pow(ln(minutes), 2)) FROM step_times GROUP BY profile, step',
    'ANALYZE TABLE jobs, vehicles, customers, events, documents, job_kits, kit_vehicles, step_sums',
  ];
  for (const statement of statements) {
    const start = performance.now();
    await database.query(statement);
    say(`${((performance.now() - start) / 1000).toFixed(1)} s: ${statement.slice(0, 70)}`);
  }
  const [[counts]] = await database.query(
    'SELECT (SELECT count(*) FROM jobs) jobs, (SELECT count(*) FROM jobs WHERE NOT signed) open, (SELECT count(*) FROM vehicles) vehicles, (SELECT count(*) FROM documents WHERE kind = "vehicle") profiles, (SELECT count(*) FROM documents WHERE kind = "kit") kits, (SELECT count(*) FROM step_times) times',
  );
  return counts;
}

say('the demo’s size');
const [small, smallMb] = [await measure(), rssMb()];
const counts = await fill();
say(JSON.stringify(counts));
const [large, largeMb] = [await measure(), rssMb()];
const again = await measure();
const againMb = rssMb();
const appends = await measureAppends();
await database.end();
await shop.end();

const row = (what, a, b, unit, ratio = (b / a).toFixed(1)) => `| ${what} | ${a.toFixed(1)} ${unit} | ${b.toFixed(1)} ${unit} | ${ratio} |`;
const text = `${HEADING}

Made by \`npm run scale\`: ${counts.jobs} jobs, ${counts.open} of them open, ${counts.vehicles} vehicles, ${counts.profiles} profiles, ${counts.kits} kits, ${counts.times} times of steps. Median of ${RUNS}
requests over HTTP, each as the interface asks it, against the same on the demo's size in the same run.

| what | demo | ten years | ratio |
| --- | --- | --- | --- |
${Object.keys(QUESTIONS)
  .map((what) => row(what, small[what], large[what], 'ms'))
  .join('\n')}
${row('Memory of the server after all of them', smallMb, largeMb, 'MB')}
${row('The same after all of them once more', largeMb, againMb, 'MB')}

| what | the same transaction by raw mysql2 | ours | ratio |
| --- | --- | --- | --- |
${appends.join('\n')}
`;
say(`once more: ${JSON.stringify(Object.fromEntries(Object.entries(again).map(([what, ms]) => [what, Number(ms.toFixed(1))])))}`);
const place = join(ROOT, 'docs/benchmarks.md');
const [before = '', old = ''] = readFileSync(place, 'utf8').split(`\n${HEADING}\n`);
// The sections behind it stay.
const after = old.indexOf('\n## ');
writeFileSync(place, `${before.trimEnd()}\n\n${text.trim()}\n${after < 0 ? '' : old.slice(after)}`);
process.stdout.write(text);
