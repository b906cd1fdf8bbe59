import type { FastifyInstance } from 'fastify';
import { foldJob } from '@jade/core/log';
import { mappedPins } from '@jade/core/loom';
import { pictureSvg } from '@jade/words/drawing';
import { MAP_COLUMNS, sayMapped } from '@jade/words/probing';
import { JOINT_COLUMNS } from '@jade/words/wiring';
import type { Database } from '../database/index.ts';
import { Refusal } from '../faults/index.ts';
import { contextOf, wholeLog } from '../job/index.ts';
import { csvOf } from '../csv/index.ts';
import { whose } from '../sheet/index.ts';
import { harnessContent, type HarnessContent } from './content.ts';
import { drawHarness } from './pdf.ts';
import { drawPlugCards, plugValues } from './plugs.ts';

export * from './content.ts';

/** A joint list as lines of comma-separated values. */
export const jointCsv = (joints: HarnessContent['joints']): string => csvOf(joints, JOINT_COLUMNS);

/** The wiring of a job to take away: its picture, its joint list, both as a paper for the bench, or all of it as values. */
export function harnessRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  const about = async (id: string, title = 'Wiring and joints') => {
    const log = await wholeLog(db, id);
    const context = await contextOf(db, id, foldJob(log), log);
    if (!context) throw new Refusal(404, [{ path: 'id', code: 'unknown-id', data: { id, what: 'job' } }]);
    const { shop, plate, customer } = await whose(db, id);
    const { maker, model } = context.profile;
    const head = {
      shop,
      title,
      plate,
      about: `${maker} ${model} · ${customer}`,
      more: `Kits: ${context.kits.map((kit) => `${kit.maker} ${kit.name}`).join(', ')}`,
      foot: `${id} · log at ${context.state.lastSeq}`,
      madeAt: new Date(log.at(-1)?.at ?? 0).toISOString(),
    };
    return { context, head };
  };
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.json', async ({ params }) => {
    const content = harnessContent((await about(params.id)).context);
    return { circuits: content.circuits, joints: content.joints };
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.csv', async ({ params }, reply) => {
    const content = harnessContent((await about(params.id)).context);
    return reply.header('content-type', 'text/csv; charset=utf-8').header('content-disposition', `attachment; filename="${params.id}-joints.csv"`).send(jointCsv(content.joints));
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.svg', async ({ params }, reply) => {
    const { context, head } = await about(params.id);
    const content = harnessContent(context);
    return reply
      .header('content-type', 'image/svg+xml; charset=utf-8')
      .header('content-disposition', `attachment; filename="${params.id}-wiring.svg"`)
      .send(pictureSvg(content.lanes, `${head.title}, ${head.plate}`, content.faces));
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.pdf', async ({ params }, reply) => {
    const { context, head } = await about(params.id);
    const content = harnessContent(context);
    const pdf = await drawHarness(content, head);
    return reply.header('content-type', 'application/pdf').header('content-disposition', `inline; filename="${params.id}-wiring.pdf"`).send(pdf);
  });

  // What is known of the pins of its plugs, as cards for the bench and as values.
  app.get<{ Params: { id: string } }>('/api/jobs/:id/plugs.json', async ({ params }) => {
    const { context } = await about(params.id);
    return { plugs: plugValues(context) };
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/plugs.csv', async ({ params }, reply) => {
    const { context } = await about(params.id);
    const rows = mappedPins(context).map(sayMapped);
    return reply.header('content-type', 'text/csv; charset=utf-8').header('content-disposition', `attachment; filename="${params.id}-plugs.csv"`).send(csvOf(rows, MAP_COLUMNS));
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/plugs.pdf', async ({ params }, reply) => {
    const { context, head } = await about(params.id, 'Plug cards');
    const pdf = await drawPlugCards(context, head);
    return reply.header('content-type', 'application/pdf').header('content-disposition', `inline; filename="${params.id}-plugs.pdf"`).send(pdf);
  });
}
