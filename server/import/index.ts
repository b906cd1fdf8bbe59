import type { FastifyInstance } from 'fastify';
import { FaultyInput } from '@jade/core/faults';
import { CONTENT_COLUMNS, contentRows, MOST_CONTENTS, readContents } from '@jade/core/kit';
import type { Right } from '@jade/core/shop';
import { ContentsToTake } from '@jade/contract/kit';
import type { Database } from '../database/index.ts';
import { csvOf, csvRows } from '../csv/index.ts';
import { getDocument, versionOf } from '../documents/index.ts';
import { formOf, worded } from '../faults/index.ts';
import { requireRight, requireRightOrFirstSetUp } from '../people/index.ts';
import { checkDocument, importDocument } from './import.ts';

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

  app.post('/api/documents/check', { bodyLimit: DOCUMENT_BYTES }, async (request) => {
    await requireRight(db, request, 'take in documents');
    return checkDocument(db, request.body);
  });

  app.get<{ Params: { slug: string } }>('/api/documents/kit/:slug/contents.csv', async ({ params }, reply) => {
    const { document, slug } = await getDocument(db, 'kit', params.slug);
    return reply
      .header('content-type', 'text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="${slug}-contents.csv"`)
      .send(csvOf(contentRows(document.contents), CONTENT_COLUMNS));
  });

  app.post<{ Params: { slug: string }; Querystring: { basedOn?: string; losses?: string } }>(
    '/api/documents/kit/:slug/contents',
    { bodyLimit: DOCUMENT_BYTES },
    async (request, reply) => {
      await requireRight(db, request, 'take in documents');
      const { text } = formOf(ContentsToTake, request.body);
      const { document, version } = await getDocument(db, 'kit', request.params.slug);
      const { contents, faults } = readContents(csvRows(text, MOST_CONTENTS + 2), document.contents);
      if (faults.length > 0) throw new FaultyInput(faults);
      const result = await importDocument(
        db,
        { ...document, contents },
        { basedOn: versionOf(request.query.basedOn) ?? version, acceptLosses: request.query.losses === 'accepted' },
      );
      return reply.status(result.stored ? 201 : 200).send({ ...result, losses: worded(result.losses) });
    },
  );
}
