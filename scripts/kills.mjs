// npm run kills: a demo shop of its own is killed over and over (server, database, both, the start command, a browser) while four clients
// work in it, with an upgrade of its tables half-way. At the end each acknowledged event stands once and in order, and each screen is as a
// fresh one. `npm run kills -- 300 7` kills 300 times with the numbers of seed 7.
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { BROWSER, DATABASE, ROOT, ensureModules, ensurePrograms, say } from './packages.mjs';
import { build } from './build.mjs';
import { freePort } from './database.mjs';
import { runningOf } from './folder.mjs';

const KILLS = Number(process.argv[2] ?? 300);
const SEED = Number(process.argv[3] ?? 7);
const WORK_MS = 700;
/** Longest time between two kills, and longest that a shop takes to open again by itself. */
const CALM_MS = 4_000;
const OPENS_MS = 120_000;
/** Time within which every screen shows the last event. */
const SHOWN_MS = 5_000;
const JOBS = ['hill-road-12', 'saltmarsh-3', 'bakery-5', 'library-1'];
const KINDS = ['server', 'server', 'database', 'both', 'start command', 'start command', 'browser'];

const wait = (ms) => new Promise((settle) => setTimeout(settle, ms));
let state = SEED >>> 0;
/** The same numbers for the same seed (mulberry32). */
function random() {
  state = (state + 0x6d2b79f5) >>> 0;
  let mixed = Math.imul(state ^ (state >>> 15), state | 1);
  mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
  return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
}

ensurePrograms({ ...DATABASE, ...BROWSER });
ensureModules();
build('programs');
build('web');
const { chromium } = await import('playwright-core');
const { FLAGS } = await import('./browser.mjs');
const home = mkdtempSync(join(tmpdir(), 'jade-kills-'));
const folder = join(home, 'data');
const migrations = join(home, 'migrations');
cpSync(join(ROOT, 'server/database/migrations'), migrations, { recursive: true });
const port = await freePort();
const ADDRESS = `http://127.0.0.1:${port}`;
const env = { ...process.env, JADE_DATA: folder, JADE_PORT: String(port), JADE_MIGRATIONS: migrations };
delete env.DATABASE_URL;

let start;
let starts = 0;
/** Starts the shop and waits until it answers; it has to do so by itself. */
async function open() {
  starts++;
  let said = '';
  start = spawn(process.execPath, [join(ROOT, 'scripts/demo.mjs')], { env, stdio: ['ignore', 'pipe', 'pipe'], detached: true });
  for (const part of [start.stdout, start.stderr]) part.on('data', (text) => (said += String(text)));
  for (const until = Date.now() + OPENS_MS; !said.includes('is open'); await wait(50)) {
    if (start.exitCode !== null || start.signalCode !== null || Date.now() > until) throw new Error(`it did not open: ${said}`);
  }
}

const health = async () => (await fetch(`${ADDRESS}/api/health`, { signal: AbortSignal.timeout(3000) }).catch(() => undefined))?.ok === true;
async function healthy() {
  for (const until = Date.now() + OPENS_MS; !(await health()); await wait(100)) if (Date.now() > until) throw new Error('it did not come back by itself');
}
function kill(pid) {
  try {
    process.kill(pid, 'SIGKILL');
  } catch {
    // It had ended already.
  }
}

const readLog = async (job, since = 0) => (await (await fetch(`${ADDRESS}/api/jobs/${job}/events?since=${since}`)).json()).events;

let working = true;
/** Events that the server said it has, by job, in the order of their answers; and what was sent more than once. */
const acknowledged = new Map(JOBS.map((job) => [job, []]));
let retries = 0;
/** Numbers of the events that each stream told of, in the order told; and how often something between had to be fetched. */
const heard = new Map();
let fetched = 0;

/** A client without a page: sends event after event, each until it is answered, and follows the stream of its job. */
async function client(job, person) {
  let cookie = '';
  const signIn = async () => {
    const answer = await fetch(`${ADDRESS}/api/session`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ person, device: 'kills' }) });
    cookie = String(answer.headers.get('set-cookie')).split(';')[0];
  };
  const following = follow(job);
  for (let number = 0; working; number++) {
    const event = { id: randomUUID(), type: 'damage.noted', v: 1, at: new Date().toISOString(), payload: { place: 'front', note: `mark ${number}` } };
    for (;;) {
      try {
        if (!cookie) await signIn();
        const answer = await fetch(`${ADDRESS}/api/jobs/${job}/events`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', cookie },
          body: JSON.stringify({ events: [event] }),
          signal: AbortSignal.timeout(10_000),
        });
        if (answer.ok) break;
        if (answer.status === 401) cookie = '';
        else if (answer.status < 500) throw new Error(`refused with ${answer.status}: ${await answer.text()}`);
      } catch (error) {
        if (String(error.message).startsWith('refused')) throw error;
      }
      retries++;
      await wait(150);
    }
    acknowledged.get(job).push(event.id);
    await wait(20 + random() * 120);
  }
  await following;
}

/** Follows a job as a page does: from the last place it knows, again and again; every message has to follow what is here, or what lies between is fetched. */
async function follow(job) {
  const seqs = [];
  heard.set(job, seqs);
  let since = 0;
  const hear = (events) => {
    for (const { seq } of events) {
      if (seq > since) seqs.push(seq);
      since = Math.max(since, seq);
    }
  };
  while (working) {
    try {
      const answer = await fetch(`${ADDRESS}/api/jobs/${job}/stream?since=${since}`, { signal: AbortSignal.timeout(20_000) });
      let text = '';
      for await (const part of answer.body) {
        text += new TextDecoder().decode(part);
        for (let end; (end = text.indexOf('\n\n')) >= 0; text = text.slice(end + 2)) {
          const message = text.slice(0, end);
          const data = /^data: (.*)$/m.exec(message)?.[1];
          if (!data || !message.includes('event: appended')) continue;
          const { after, events } = JSON.parse(data);
          if (after > since) {
            fetched++;
            hear(await readLog(job, since));
          }
          hear(events);
        }
        if (!working) return;
      }
    } catch {
      await wait(200);
    }
  }
}

/** A page with its outbox: battery voltages that are never the same twice, each kept by the page before it counts. */
class Page {
  written = [];
  lost = 0;
  constructor(job, person, from) {
    Object.assign(this, { job, person, from, number: 0 });
    this.home = join(home, `browser-${job}`);
  }
  async open() {
    this.context = await chromium.launchPersistentContext(this.home, {
      executablePath: process.env.JADE_CHROMIUM ?? '/usr/bin/chromium',
      args: FLAGS,
      viewport: { width: 1280, height: 800 },
    });
    this.page = this.context.pages()[0] ?? (await this.context.newPage());
    this.page.setDefaultTimeout(OPENS_MS);
    await healthy();
    for (let tries = 0; ; tries++) {
      try {
        await this.context.request.post(`${ADDRESS}/api/session`, { data: { person: this.person, device: 'kills page' } });
        await this.page.goto(`${ADDRESS}/jobs/${this.job}/check-in`);
        await this.entry().waitFor({ timeout: 20_000 });
        return;
      } catch (error) {
        if (tries > 8) throw error;
        await wait(1500);
      }
    }
  }
  entry() {
    return this.page.getByRole('textbox', { name: 'Battery at rest' });
  }
  async work() {
    while (working) {
      if (this.dead) {
        await wait(100);
        continue;
      }
      const volts = (this.from + ++this.number / 1000).toFixed(3);
      try {
        await this.entry().fill(volts, { timeout: 4000 });
        await this.entry().press('Enter', { timeout: 4000 });
        // It counts once the page has had the time to keep it.
        await wait(500);
        if (this.dead) this.lost++;
        else this.written.push(Number(volts));
      } catch {
        this.lost++;
      }
      await wait(300 + random() * WORK_MS);
    }
  }
  async killed() {
    this.dead = true;
    // All processes of this browser have its folder among their words.
    spawnSync('pkill', ['-9', '-f', this.home]);
    await this.context.close().catch(() => undefined);
    await wait(300);
    await this.open();
    this.dead = false;
  }
}

/** Ends all of it, however the run ended. */
function end() {
  if (start) kill(start.pid);
  spawnSync(process.execPath, [join(ROOT, 'scripts/stop.mjs'), '--demo'], { env });
  spawnSync('pkill', ['-9', '-f', home]);
  rmSync(home, { recursive: true, force: true });
}
process.on('uncaughtException', (error) => {
  say(error.stack);
  end();
  process.exit(1);
});

say(`killing ${KILLS} times, seed ${SEED}`);
await open();
const pages = [new Page(JOBS[0], 'fern', 10), new Page(JOBS[1], 'copper', 30)];
for (const page of pages) await page.open();
const clients = [client(JOBS[2], 'slate'), client(JOBS[3], 'fern'), ...pages.map((page) => page.work())];
let failed;
for (const one of clients) one.catch((error) => (failed = error));

/** Half-way the program is another one, whose tables are newer; kills fall into that as well. */
function upgrade() {
  const journal = join(migrations, 'meta/_journal.json');
  const text = JSON.parse(readFileSync(journal, 'utf8'));
  const last = text.entries.at(-1);
  const tag = `${String(last.idx + 1).padStart(4, '0')}_later`;
  writeFileSync(journal, JSON.stringify({ ...text, entries: [...text.entries, { ...last, idx: last.idx + 1, when: last.when + 1000, tag }] }));
  const steps = [
    'ALTER TABLE `events` ADD `later` int',
    'CREATE INDEX `events_later` ON `events` (`later`)',
    'CREATE TABLE `later` (`id` int NOT NULL, PRIMARY KEY (`id`))',
    'INSERT INTO `later` (`id`) VALUES (1)',
    'ALTER TABLE `events` DROP COLUMN `later`',
  ];
  writeFileSync(join(migrations, `${tag}.sql`), steps.join('--> statement-breakpoint\n'));
}

const done = Object.fromEntries(KINDS.map((kind) => [kind, 0]));
let upgradeKills = 0;
let longestMs = 0;
for (let number = 1; number <= KILLS && !failed; number++) {
  await wait(300 + random() * CALM_MS);
  const kind = number === Math.ceil(KILLS / 2) ? 'upgrade' : KINDS[Math.floor(random() * KINDS.length)];
  const { server, database } = runningOf(folder) ?? {};
  const since = Date.now();
  if (kind === 'upgrade') {
    upgrade();
    kill(start.pid);
    // The first starts with newer tables are cut off themselves, later and later.
    for (const afterMs of [2500, 3200, 3900]) {
      const cut = spawn(process.execPath, [join(ROOT, 'scripts/demo.mjs')], { env, stdio: 'ignore', detached: true });
      await wait(afterMs);
      kill(cut.pid);
      upgradeKills++;
    }
    await open();
  } else if (kind === 'start command') {
    kill(start.pid);
    if (random() < 0.5) kill(server);
    await open();
  } else if (kind === 'browser') await pages[Math.floor(random() * pages.length)].killed();
  else {
    if (kind !== 'database') kill(server);
    if (kind !== 'server') kill(database);
    await wait(200);
  }
  done[kind] = (done[kind] ?? 0) + 1;
  await healthy();
  longestMs = Math.max(longestMs, Date.now() - since);
  if (number % 20 === 0)
    say(`${number} kills; ${[...acknowledged.values()].flat().length} events of clients acknowledged, ${pages.map((page) => page.written.length).join(' and ')} of pages`);
}
working = false;
await Promise.race([Promise.all(clients), wait(30_000)]);
if (failed) throw failed;

const problems = [];
const lines = (page) => page.locator('main').innerText();
// Each screen shows the last of it within five seconds, as one does that is opened now.
const ended = Date.now();
for (const page of pages) {
  const fresh = await page.context.newPage();
  for (;;) {
    await fresh.goto(`${ADDRESS}/jobs/${page.job}/check-in`);
    await fresh.getByRole('textbox', { name: 'Battery at rest' }).waitFor();
    await fresh.waitForTimeout(300);
    const same =
      (await lines(fresh)) === (await lines(page.page)) && (await page.entry().inputValue()) === (await fresh.getByRole('textbox', { name: 'Battery at rest' }).inputValue());
    const waiting = await page.page.locator('span.away').count();
    if (same && waiting === 0) break;
    if (Date.now() - ended > 2 * SHOWN_MS) {
      problems.push(`the page of ${page.job} does not show what a fresh one shows`);
      break;
    }
  }
}
const shownMs = Date.now() - ended;
for (const job of JOBS) {
  const log = await readLog(job);
  log.forEach((event, place) => event.seq !== place + 1 && problems.push(`${job}: seq ${event.seq} stands at place ${place + 1}`));
  const ids = log.map((event) => event.id);
  if (new Set(ids).size !== ids.length) problems.push(`${job}: an event stands twice`);
  const wanted = acknowledged.get(job);
  const stored = ids.filter((id) => wanted.includes(id));
  if (JSON.stringify(stored) !== JSON.stringify(wanted)) problems.push(`${job}: ${wanted.length} acknowledged, ${stored.length} stored, or in another order`);
}
for (const [job, seqs] of heard) {
  // The last ones may still be on the way when the streams are left.
  if (seqs.some((seq, place) => seq !== place + 1)) problems.push(`${job}: its stream left something out or told it in another order`);
}
for (const page of pages) {
  const volts = (await readLog(page.job)).filter((event) => event.type === 'battery.measured').map((event) => event.payload.restV);
  const own = volts.filter((value) => page.written.includes(value));
  if (JSON.stringify(own) !== JSON.stringify(page.written))
    problems.push(`${page.job}: ${page.written.length} written down at the page, ${own.length} stored, or in another order`);
}
for (const page of pages) await page.context.close();
const check = spawnSync(process.execPath, [join(ROOT, 'scripts/keeping.mjs'), 'check', '--demo'], { env, encoding: 'utf8' });
if (check.status !== 0) problems.push(`check: ${check.stdout}${check.stderr}`);
end();

const events = [...acknowledged.values()].flat().length + pages.reduce((sum, page) => sum + page.written.length, 0);
say(
  Object.entries(done)
    .map(([kind, count]) => `${kind} ${count}`)
    .join(', ') + `; ${upgradeKills} more while the tables were lifted; ${starts} starts`,
);
say(
  `${events} events acknowledged, ${retries} sent again; ${[...heard.values()].flat().length} heard on two streams, ${fetched} times with something fetched between; ${pages.reduce((sum, page) => sum + page.lost, 0)} not finished when a browser was killed`,
);
say(`longest until it answered again ${(longestMs / 1000).toFixed(1)} s; screens as fresh ones after ${(shownMs / 1000).toFixed(1)} s`);
for (const problem of problems) say(`PROBLEM ${problem}`);
say(problems.length === 0 ? 'nothing lost, doubled or reordered' : `${problems.length} problems`);
process.exit(problems.length === 0 ? 0 : 1);
