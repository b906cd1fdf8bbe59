import { eq } from 'drizzle-orm';
import { tables, type Connection } from '../database/index.ts';
import { newestDocuments } from '../documents/index.ts';

const { documents } = tables;

/** The plug library that jobs of the shop pin: the one that the shop names, else the first there is; undefined where there is none. */
export async function plugsOfShop(db: Connection): Promise<string | undefined> {
  const [shop] = await newestDocuments(db, 'shop');
  if (shop?.document.plugs !== undefined) return shop.document.plugs;
  const [first] = await db.select({ slug: documents.slug }).from(documents).where(eq(documents.kind, 'plugs')).orderBy(documents.slug).limit(1);
  return first?.slug;
}
