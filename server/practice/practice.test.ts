import { v7 } from 'uuid';
import { nextReadings, PracticeBench, PRACTICE_RULES, type PracticeAct } from '@jade/core/probing';
import type { PracticeKept } from '@jade/contract/practice';
import { openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'copper');
}, 60_000);
afterAll(() => shop.close());

const post = (payload: object, cookie = shop.cookie) => shop.app.inject({ method: 'POST', url: '/api/practice', headers: { cookie }, payload });
const list = (person = '', cookie = shop.cookie) => shop.app.inject({ url: `/api/practice${person ? `?person=${person}` : ''}`, headers: { cookie } });
const signIn = async (person: string) =>
  String((await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person, device: 'counter' } })).headers['set-cookie']).split(';')[0] ?? '';
/** All that is wanted of the plug of a seed, named by readings that are worth most. */
function acts(seed: number): PracticeAct[] {
  const bench = new PracticeBench(seed);
  const done: PracticeAct[] = [];
  for (;;) {
    const { run, readings } = bench.stands();
    const { step, found } = nextReadings(run, PRACTICE_RULES, readings.at(-1)?.state);
    const next: PracticeAct[] = step.now
      ? [{ kind: 'read', pin: step.now.pin, state: step.now.state }]
      : found.functions.flatMap(({ function: name, pin }): PracticeAct[] => (pin === undefined ? [] : [{ kind: 'claim', pin, function: name }]));
    done.push(...next.filter((act) => bench.act(act)));
    if (!step.now) return done;
  }
}

test('a practice is worked out from what was done, kept once with its person, and shown to them and to the lead', async () => {
  expect((await list()).json()).toEqual([]);
  const done = { id: v7(), seed: 11, acts: acts(11) };
  const answer = await post(done);
  expect([answer.statusCode, answer.json<PracticeKept>()]).toEqual([201, expect.objectContaining({ id: done.id, score: 100, wrong: 0, premature: 0 })]);
  const again = await post(done);
  expect([again.statusCode, again.json()]).toEqual([200, answer.json()]);
  expect((await post({ ...done, seed: 12, acts: acts(12) })).statusCode).toBe(409);
  expect((await list()).json<PracticeKept[]>().map(({ id }) => id)).toEqual([done.id]);
  const [lead, other] = [await signIn('slate'), await signIn('fern')];
  expect((await list('copper', lead)).json<PracticeKept[]>().map(({ id }) => id)).toEqual([done.id]);
  expect([(await list('copper', other)).statusCode, (await list('', other)).json()]).toEqual([403, []]);
  // Another person cannot write into it.
  expect((await post(done, other)).statusCode).toBe(409);
});

test('what is not done, or no practice, is not kept', async () => {
  const part = acts(11).slice(0, 2);
  expect((await post({ id: v7(), seed: 11, acts: part })).statusCode).toBe(422);
  expect((await post({ id: v7(), seed: 11, acts: 'many' })).statusCode).toBe(422);
  expect((await post({ id: v7(), seed: 11, acts: [{ kind: 'read', pin: '1' }] })).statusCode).toBe(422);
  expect((await list()).json<object[]>()).toHaveLength(1);
});
