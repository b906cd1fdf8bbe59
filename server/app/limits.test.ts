import { buildApp } from './index.ts';
import { openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(false);
}, 60_000);
afterAll(() => shop.close());

test('whoever asks without end is told to wait, each address for itself; the machine itself is not counted', async () => {
  const app = buildApp({ database: shop.database, mostInMinute: 3 });
  const from = async (remoteAddress: string) => (await app.inject({ url: '/api/health', remoteAddress })).statusCode;
  const answers: number[] = [];
  for (let time = 0; time < 5; time++) answers.push(await from('192.0.2.7'));
  expect(answers).toEqual([200, 200, 200, 429, 429]);
  expect([await from('192.0.2.8'), ...(await Promise.all(Array.from({ length: 6 }, () => from('127.0.0.1'))))]).toEqual(Array<number>(7).fill(200));
  const told = await app.inject({ url: '/api/health', remoteAddress: '192.0.2.7' });
  const fault = told.json<{ faults: { code: string; message: string }[] }>().faults[0];
  expect([fault?.code, Number(told.headers['retry-after']) > 0]).toEqual(['too-often', true]);
  expect(fault?.message).toMatch(/^\(address\) asks too often; try again in \d+ seconds?$/);
  // A name in front of the door is no way round.
  expect((await app.inject({ url: '/api/health', remoteAddress: '192.0.2.7', headers: { 'x-forwarded-for': '127.0.0.1' } })).statusCode).toBe(429);
  await app.close();
});
