import type { FastifyInstance } from 'fastify';
import type { Database } from '../database/index.ts';
import { versionOf } from '../documents/index.ts';
import { requirePersonOrFirstSetUp } from '../people/index.ts';
import { importDocument } from './import.ts';

export * from './import.ts';

const DOCUMENT_BYTES = 4 * 1024 * 1024;

/** Takes a document in. */
export function importRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.post<{ Querystring: { basedOn?: string } }>('/api/documents', { bodyLimit: DOCUMENT_BYTES }, async (request, reply) => {
    await requirePersonOrFirstSetUp(db, request);
    const result = await importDocument(db, request.body, versionOf(request.query.basedOn));
    return reply.status(result.stored ? 201 : 200).send(result);
  });
}
