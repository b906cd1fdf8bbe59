import { randomUUID } from 'node:crypto';
import Fastify from 'fastify';
import { v7 } from 'uuid';
import { summarise } from '../measure.ts';

/** What a busy shop has to bear, and half of it. */
export const RATES = [200, 100];
const SECONDS = 20;
const WARM_SECONDS = 4;
/** Jobs that a busy shop has open. */
const OPEN = 60;
const VEHICLES = ['hill-road-12', 'hill-road-07', 'hill-road-02', 'hill-road-05', 'hill-road-09'];

interface Ask {
  name: string;
  /** How many of a hundred requests are of this kind. */
  share: number;
  ask: (number: number) => Promise<Response>;
}

interface Took {
  name: string;
  ms: number;
}

export interface MixedLine {
  name: string;
  medianMs: number;
  p95Ms: number;
  p99Ms: number;
  count: number;
}

const post = (url: string, body: object, cookie = '') => fetch(url, { method: 'POST', headers: { 'content-type': 'application/json', cookie }, body: JSON.stringify(body) });

/** Opens so many jobs besides those of the demo; gives back all that are open. */
async function openJobs(address: string, cookie: string): Promise<string[]> {
  const there = ((await (await fetch(`${address}/api/jobs`)).json()) as { id: string; summary: { signed: boolean } }[])
    .filter(({ summary }) => !summary.signed)
    .map(({ id }) => id);
  while (there.length < OPEN) {
    const answer = await post(`${address}/api/jobs`, { id: v7(), vehicle: VEHICLES[there.length % VEHICLES.length], kits: [{ slug: 'cairn-fen-pair' }] }, cookie);
    there.push(((await answer.json()) as { id: string }).id);
  }
  return there;
}

function asks(address: string, cookie: string, jobs: readonly string[]): Ask[] {
  const job = (number: number) => jobs[number % jobs.length] ?? '';
  /** What is known of each log, as a page knows it that follows the job. */
  const known = new Map<string, number>();
  const append = async (number: number) => {
    const answer = await post(`${address}/api/jobs/${job(number)}/events`, note(number), cookie);
    const { answers } = (await answer.clone().json()) as { answers: { seq?: number }[] };
    known.set(job(number), answers[0]?.seq ?? 0);
    return answer;
  };
  const note = (number: number) => ({
    events: [{ id: randomUUID(), type: 'damage.noted', v: 1, at: new Date().toISOString(), payload: { place: 'front', note: `mark ${number}` } }],
  });
  return [
    { name: 'an event appended', share: 40, ask: append },
    { name: 'the last events of a job', share: 20, ask: (number) => fetch(`${address}/api/jobs/${job(number)}/events?since=${Math.max(0, (known.get(job(number)) ?? 3) - 3)}`) },
    { name: 'the board', share: 15, ask: () => fetch(`${address}/api/jobs`) },
    { name: 'a job with its documents', share: 10, ask: (number) => fetch(`${address}/api/jobs/${job(number)}`) },
    { name: 'vehicles found', share: 10, ask: (number) => fetch(`${address}/api/vehicles?find=HR%200${number % 9}`) },
    { name: 'the list of documents', share: 5, ask: () => fetch(`${address}/api/documents`) },
  ];
}

/** So many requests a second for so long, each begun at its time whether or not the ones before are answered; the time of each until its answer is read. */
async function atRate(list: readonly Ask[], perSecond: number, seconds: number): Promise<Took[]> {
  const turns = list.flatMap((entry) => Array.from({ length: entry.share }, () => entry));
  const start = performance.now();
  const running: Promise<Took>[] = [];
  for (let number = 0; number < seconds * perSecond; number++) {
    const due = start + (number * 1000) / perSecond;
    const early = due - performance.now();
    if (early > 1) await new Promise((settle) => setTimeout(settle, early));
    // Kinds follow one another in a fixed order that mixes them.
    const entry = turns[(number * 37) % turns.length] as Ask;
    running.push(
      entry.ask(number).then(async (answer) => {
        await answer.arrayBuffer();
        if (!answer.ok) throw new Error(`${entry.name} answered ${answer.status}`);
        return { name: entry.name, ms: performance.now() - due };
      }),
    );
  }
  return Promise.all(running);
}

function line(name: string, times: readonly number[]): MixedLine {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  return { name, medianMs: summarise(sorted).medianMs, p95Ms: at(0.95), p99Ms: at(0.99), count: sorted.length };
}

/** A mixture of what a busy shop asks, at a rate, against an empty route at the same rate in the same run. */
export async function benchMixed(address: string): Promise<MixedLine[][]> {
  const signIn = await post(`${address}/api/session`, { person: 'fern', device: 'bench' });
  const cookie = signIn.headers.get('set-cookie')?.split(';')[0] ?? '';
  const mixture = asks(address, cookie, await openJobs(address, cookie));
  const app = Fastify();
  app.get('/', () => ({}));
  const empty = await app.listen({ host: '127.0.0.1', port: 0 });
  const bare = [{ name: 'an empty route', share: 1, ask: () => fetch(empty) }];
  const measured: MixedLine[][] = [];
  for (const rate of RATES) {
    await atRate(mixture, rate, WARM_SECONDS);
    const ours = await atRate(mixture, rate, SECONDS);
    await atRate(bare, rate, WARM_SECONDS);
    const other = await atRate(bare, rate, SECONDS);
    measured.push(linesOf(mixture, rate, ours, other));
  }
  await app.close();
  return measured;
}

function linesOf(mixture: readonly Ask[], rate: number, ours: readonly Took[], other: readonly Took[]): MixedLine[] {
  const of = (all: readonly Took[], name?: string) => all.filter((entry) => name === undefined || entry.name === name).map(({ ms }) => ms);
  return [
    line(`all ${rate} a second`, of(ours)),
    ...mixture.map(({ name, share }) => line(`${name}, ${(rate * share) / 100} a second`, of(ours, name))),
    line(`an empty route, ${rate} a second`, of(other)),
  ];
}
