import { eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { FaultyInput } from '@jade/core/faults';
import { checkFirstRun, newShop } from '@jade/core/shop';
import { STARTING_RULES } from '@jade/contract/compute';
import { FirstRun } from '@jade/contract/shop';
import { retrying, tables, type Database } from '../database/index.ts';
import { newestDocuments, storeDocument } from '../documents/index.ts';
import { formOf, Refusal } from '../faults/index.ts';
import { requireRightOrFirstSetUp } from '../people/index.ts';
import { loadShop } from './load.ts';

const { documents } = tables;

/** What the shop is called, and its opening for the first time. */
export function shopRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get('/api/shop', async () => {
    const [shop] = await newestDocuments(db, 'shop');
    return shop ? { slug: shop.slug, name: shop.document.name, bays: shop.document.bays, currency: shop.document.currency, mileageUnit: shop.document.mileageUnit ?? null } : null;
  });

  /** Opens an empty database as a shop of its own: its name, bays and people, and rules to begin with where it has none. Once only. */
  app.post('/api/shop', async (request, reply) => {
    await requireRightOrFirstSetUp(db, request, 'keep people');
    const first = formOf(FirstRun, request.body);
    const wrong = checkFirstRun(first);
    if (wrong.length > 0) throw new FaultyInput(wrong);
    const shop = await retrying(() =>
      db.transaction(async (tx) => {
        // Held against another first run at the same moment.
        await tx.select({ slug: documents.slug }).from(documents).where(eq(documents.kind, 'shop')).for('update');
        const [there] = await newestDocuments(tx, 'shop');
        if (there) throw new Refusal(409, [{ path: 'shop', code: 'conflict', data: { what: `it is open as “${there.document.name}” already` } }]);
        const [rules] = await newestDocuments(tx, 'rules');
        if (!rules) await storeDocument(tx, 'rules', STARTING_RULES);
        const document = newShop(first, rules?.slug ?? STARTING_RULES.slug);
        await storeDocument(tx, 'shop', document);
        await loadShop(tx, document);
        return document;
      }),
    );
    return reply.status(201).send({ slug: shop.slug, name: shop.name, people: shop.people });
  });
}
