import { eq, sql } from 'drizzle-orm';
import { openTestShop, type TestShop } from '../test/shop.ts';
import { asked, tables } from './index.ts';

const { people } = tables;
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
}, 60_000);
afterAll(() => shop.close());

const roleOf = asked<{ role: string }[], { id: string }>((db) =>
  db
    .select({ role: people.role })
    .from(people)
    .where(eq(people.id, sql.placeholder('id'))),
);
const give = asked<unknown, { id: string }>((db) =>
  db
    .update(people)
    .set({ role: 'lead' })
    .where(eq(people.id, sql.placeholder('id'))),
);

test('what is asked in a transaction sees what was written there, and nobody else does until it is through', async () => {
  const { db } = shop.database;
  const before = await roleOf(db, { id: 'fern' });
  expect(before).toEqual([{ role: expect.not.stringMatching('lead') as string }]);
  const undone = db.transaction(async (tx) => {
    await give(tx, { id: 'fern' });
    expect([await roleOf(tx, { id: 'fern' }), await roleOf(db, { id: 'fern' })]).toEqual([[{ role: 'lead' }], before]);
    throw new Error('taken back');
  });
  await expect(undone).rejects.toThrow('taken back');
  expect(await roleOf(db, { id: 'fern' })).toEqual(before);
  // The same question on another database asks that one.
  const other = await openTestShop();
  try {
    await db.transaction((tx) => give(tx, { id: 'fern' }));
    expect([await roleOf(db, { id: 'fern' }), await roleOf(other.database.db, { id: 'fern' })]).toEqual([[{ role: 'lead' }], before]);
  } finally {
    await other.close();
  }
});
