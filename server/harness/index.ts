import { stringify } from 'csv-stringify/sync';
import type { FastifyInstance } from 'fastify';
import { foldJob } from '@jade/core/job';
import { pictureSvg } from '@jade/words/drawing';
import { JOINT_COLUMNS } from '@jade/words/wiring';
import type { Database } from '../database/index.ts';
import { Refusal } from '../faults/index.ts';
import { contextOf, wholeLog } from '../job/index.ts';
import { whose } from '../sheet/index.ts';
import { harnessContent, type HarnessContent } from './content.ts';
import { drawHarness } from './pdf.ts';

export * from './content.ts';

/** A joint list as lines of comma-separated values; a cell that a spreadsheet would take for a formula is kept from being one. */
export function jointCsv(joints: HarnessContent['joints']): string {
  return stringify(joints, { header: true, columns: [...JOINT_COLUMNS], escape_formulas: true, bom: true, record_delimiter: 'windows' });
}

/** The wiring of a job to take away: its picture, its joint list, both as a paper for the bench, or all of it as values. */
export function harnessRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  const about = async (id: string) => {
    const log = await wholeLog(db, id);
    const context = await contextOf(db, id, foldJob(log), log);
    if (!context) throw new Refusal(404, [{ path: 'id', code: 'unknown-id', data: { id, what: 'job' } }]);
    const { shop, plate, customer } = await whose(db, id);
    const { maker, model } = context.profile;
    const head = {
      shop,
      title: 'Wiring and joints',
      plate,
      about: `${maker} ${model} · ${customer}`,
      more: `Kits: ${context.kits.map((kit) => `${kit.maker} ${kit.name}`).join(', ')}`,
      foot: `${id} · log at ${context.state.lastSeq}`,
      madeAt: new Date(log.at(-1)?.at ?? 0).toISOString(),
    };
    return { content: harnessContent(context), head };
  };
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.json', async ({ params }) => {
    const { content } = await about(params.id);
    return { circuits: content.circuits, joints: content.joints };
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.csv', async ({ params }, reply) => {
    const { content } = await about(params.id);
    return reply.header('content-type', 'text/csv; charset=utf-8').header('content-disposition', `attachment; filename="${params.id}-joints.csv"`).send(jointCsv(content.joints));
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.svg', async ({ params }, reply) => {
    const { content, head } = await about(params.id);
    return reply
      .header('content-type', 'image/svg+xml; charset=utf-8')
      .header('content-disposition', `attachment; filename="${params.id}-wiring.svg"`)
      .send(pictureSvg(content.lanes, `${head.title}, ${head.plate}`, content.faces));
  });
  app.get<{ Params: { id: string } }>('/api/jobs/:id/harness.pdf', async ({ params }, reply) => {
    const { content, head } = await about(params.id);
    const pdf = await drawHarness(content, head);
    return reply.header('content-type', 'application/pdf').header('content-disposition', `inline; filename="${params.id}-wiring.pdf"`).send(pdf);
  });
}
