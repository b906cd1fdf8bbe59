import { eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { tables, type Database } from '../database/index.ts';
import { newestDocuments } from '../documents/index.ts';

const { vehicles, customers } = tables;

/** What the shop is called, and the vehicles its customers brought. */
export function shopRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get('/api/shop', async () => {
    const [shop] = await newestDocuments(db, 'shop');
    return shop ? { slug: shop.slug, name: shop.document.name, bays: shop.document.bays, currency: shop.document.currency } : null;
  });

  app.get('/api/vehicles', async () =>
    db
      .select({ id: vehicles.id, plate: vehicles.plate, profile: vehicles.profile, year: vehicles.year, colour: vehicles.colour, customer: customers.name })
      .from(vehicles)
      .innerJoin(customers, eq(customers.id, vehicles.customer))
      .orderBy(vehicles.plate),
  );
}
