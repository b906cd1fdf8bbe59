import { desc, eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { FaultyInput } from '@jade/core/faults';
import type { PracticeScore } from '@jade/core/probing';
import { may } from '@jade/core/shop';
import { PracticeDone, type PracticeKept } from '@jade/contract/practice';
import { retrying, tables, type Database } from '../database/index.ts';
import { formOf, Refusal } from '../faults/index.ts';
import { requireRight } from '../people/index.ts';
import { computeAway } from '../planner/index.ts';

const { practices } = tables;
/** Results that are shown of one person. */
const MOST_SHOWN = 200;

/** What trainees did at drawn plugs: worked out from what they did, kept with their name, shown to themselves and to the lead. */
export function practiceRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.post('/api/practice', async (request, reply): Promise<PracticeKept> => {
    const { person } = await requireRight(db, request, 'record');
    const { id, seed, acts } = formOf(PracticeDone, request.body);
    const done = JSON.stringify({ seed, acts });
    const before = () => db.select().from(practices).where(eq(practices.id, id));
    const kept = (row: { id: string; at: Date; score: string }): PracticeKept => ({ id: row.id, at: row.at.toISOString(), ...(JSON.parse(row.score) as PracticeScore) });
    const [there] = await before();
    if (there && (there.person !== person || there.done !== done))
      throw new Refusal(409, [{ path: 'id', code: 'conflict', data: { what: 'another practice was kept under this id' } }]);
    if (there) return reply.status(200).send(kept(there));
    const worth = (await computeAway('practice', { seed, acts })) as { done: boolean; score: PracticeScore };
    if (!worth.done) throw new FaultyInput([{ path: 'acts', code: 'missing', data: {} }]);
    await retrying(() =>
      db
        .insert(practices)
        .values({ id, person, at: new Date(), done, score: JSON.stringify(worth.score) })
        .onDuplicateKeyUpdate({ set: { id } }),
    );
    const [row] = await before();
    if (!row) throw new Error('a practice that was kept is gone');
    return reply.status(201).send(kept(row));
  });

  app.get<{ Querystring: { person?: string } }>('/api/practice', async (request): Promise<PracticeKept[]> => {
    const own = await requireRight(db, request, 'record');
    const { person = own.person } = request.query;
    if (person !== own.person && !may(own.role, 'keep people'))
      throw new Refusal(403, [{ path: 'person', code: 'role', data: { right: 'see what others practised', role: own.role, who: 'lead' } }]);
    const rows = await db
      .select({ id: practices.id, at: practices.at, score: practices.score })
      .from(practices)
      .where(eq(practices.person, person))
      .orderBy(desc(practices.at))
      .limit(MOST_SHOWN);
    return rows.map(({ id, at, score }) => ({ id, at: at.toISOString(), ...(JSON.parse(score) as PracticeScore) })).reverse();
  });
}
