import type { FastifyInstance } from 'fastify';
import { FORMATS } from '@jade/contract/documents';
import { schemaOf } from '@jade/contract/schema';
import type { Database } from '../database/index.ts';
import { notFound } from '../faults/index.ts';
import { getDocument, isDocumentKind, listDocuments } from './store.ts';

/** A version from an address, undefined where none is asked for. */
export function versionOf(text: string | undefined): number | undefined {
  const version = Number(text);
  return text !== undefined && Number.isInteger(version) ? version : undefined;
}

/** Documents: listed, read, exported as they came. */
export function documentRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get('/api/documents', async () => listDocuments(db));

  app.get<{ Params: { kind: string } }>('/api/formats/:kind', async ({ params: { kind } }) => {
    if (!isDocumentKind(kind)) throw notFound('kind', kind);
    const { of, format } = FORMATS[kind];
    return schemaOf(of, format);
  });

  app.get<{ Params: { kind: string; slug: string }; Querystring: { version?: string } }>('/api/documents/:kind/:slug', async ({ params, query }) => {
    if (!isDocumentKind(params.kind)) throw notFound('kind', params.kind);
    return getDocument(db, params.kind, params.slug, versionOf(query.version));
  });

  app.get<{ Params: { kind: string; slug: string }; Querystring: { version?: string } }>('/api/documents/:kind/:slug/export', async ({ params, query }, reply) => {
    if (!isDocumentKind(params.kind)) throw notFound('kind', params.kind);
    const { document, slug } = await getDocument(db, params.kind, params.slug, versionOf(query.version));
    void reply.header('content-disposition', `attachment; filename="${slug}.json"`);
    return document;
  });
}
