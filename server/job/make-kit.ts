import { kitSlug, newKit, type NewKit } from '@jade/core/kit';
import type { Connection } from '../database/index.ts';
import { canonicalHash, findDocument, storeDocument } from '../documents/index.ts';
import { Refusal } from '../faults/index.ts';

/**
 * Keeps the first version of a kit that comes in with a job. A kit of its name that is in the library otherwise is another matter.
 * @param path of the part of the request that says it, and the field of the slug there
 */
export async function makeKit(tx: Connection, make: NewKit, slug: string, path: string, field = 'slug'): Promise<void> {
  const kit = newKit(make);
  const at = (name: string) => (path === '' ? name : `${path}.${name}`);
  if (slug !== kitSlug(make)) throw new Refusal(422, [{ path: at(field), code: 'choice', data: { value: slug, choices: kit.slug } }]);
  const there = await findDocument(tx, 'kit', slug, 1);
  if (!there) await storeDocument(tx, 'kit', kit);
  else if (canonicalHash(there.document) !== canonicalHash(kit)) throw new Refusal(409, [{ path: at('make'), code: 'kit-known', data: { kit: `${kit.maker} ${kit.name}` } }]);
}
