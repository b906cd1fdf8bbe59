import type { FastifyInstance } from 'fastify';
import type { Right } from '@jade/core/shop';
import type { Database } from '../database/index.ts';
import { versionOf } from '../documents/index.ts';
import { worded } from '../faults/index.ts';
import { requireRightOrFirstSetUp } from '../people/index.ts';
import { importDocument } from './import.ts';

export * from './import.ts';

const DOCUMENT_BYTES = 4 * 1024 * 1024;

/** A shop's document brings people with their roles. */
function rightOf(body: unknown): Right {
  const format = (body as { format?: unknown } | null)?.format;
  return typeof format === 'string' && format.startsWith('jade-shop') ? 'keep people' : 'take in documents';
}

/** Takes a document in. */
export function importRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.post<{ Querystring: { basedOn?: string; losses?: string } }>('/api/documents', { bodyLimit: DOCUMENT_BYTES }, async (request, reply) => {
    await requireRightOrFirstSetUp(db, request, rightOf(request.body));
    const { basedOn, losses } = request.query;
    const result = await importDocument(db, request.body, { basedOn: versionOf(basedOn), acceptLosses: losses === 'accepted' });
    return reply.status(result.stored ? 201 : 200).send({ ...result, losses: worded(result.losses) });
  });
}
