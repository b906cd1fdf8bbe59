import { retrying } from './retry.ts';

/** Fails so many times with an error of the driver, as it comes through the query builder, then gives a value. */
function failing(times: number, error: unknown) {
  let tries = 0;
  const work = () => {
    tries++;
    return tries <= times ? Promise.reject(error as Error) : Promise.resolve(tries);
  };
  return { work, tried: () => tries };
}
const wrapped = (code: string) => Object.assign(new Error('query failed'), { cause: { code } });

test.each(['ER_LOCK_DEADLOCK', 'ER_DUP_ENTRY', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD'])('a transaction that another one stood in the way of is run again: %s', async (code) => {
  expect(await retrying(failing(1, wrapped(code)).work)).toBe(2);
  expect(await retrying(failing(3, Object.assign(new Error('bare'), { code })).work)).toBe(4);
});

test('four times at most, then the error comes out', async () => {
  const stubborn = failing(9, wrapped('ER_LOCK_DEADLOCK'));
  await expect(retrying(stubborn.work)).rejects.toThrow('query failed');
  expect(stubborn.tried()).toBe(4);
});

test('any other error comes out at once', async () => {
  const broken = failing(1, wrapped('ER_PARSE_ERROR'));
  await expect(retrying(broken.work)).rejects.toThrow('query failed');
  const thrown = failing(1, new Error('a fault of our own'));
  await expect(retrying(thrown.work)).rejects.toThrow('a fault of our own');
  expect([broken.tried(), thrown.tried()]).toEqual([1, 1]);
});
