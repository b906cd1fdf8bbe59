import type { FastifyInstance } from 'fastify';
import { foldJob } from '@jade/core/log';
import { isLabelSheet, LABEL_SHEETS, labelsOf, placesOn } from '@jade/core/paper';
import { sayLabel } from '@jade/words/labels';
import { namesOf } from '@jade/words/names';
import type { Database } from '../database/index.ts';
import { Refusal } from '../faults/index.ts';
import { contextOf, wholeLog } from '../job/index.ts';
import { whose } from '../sheet/index.ts';
import { drawLabels } from './pdf.ts';

/** Labels of a job to print: its keys, the slots of its tray, original parts; `sheet` labels on a page, from the place `from`. */
export function labelRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get<{ Params: { id: string }; Querystring: { sheet?: string; from?: string } }>('/api/jobs/:id/labels.pdf', async ({ params: { id }, query, protocol, host }, reply) => {
    const { sheet = '24', from = '1' } = query;
    if (!isLabelSheet(sheet)) throw new Refusal(422, [{ path: 'sheet', code: 'choice', data: { choices: Object.keys(LABEL_SHEETS).join(', ') } }]);
    const most = placesOn(LABEL_SHEETS[sheet]);
    const first = Number(from);
    if (!Number.isInteger(first) || first < 1 || first > most) throw new Refusal(422, [{ path: 'from', code: 'range', data: { least: 1, most } }]);
    const log = await wholeLog(db, id);
    const context = await contextOf(db, id, foldJob(log), log);
    if (!context) throw new Refusal(404, [{ path: 'id', code: 'unknown-id', data: { id, what: 'job' } }]);
    const names = namesOf(context);
    const { shop, plate } = await whose(db, id);
    const about = { shop, plate, address: `${protocol}://${host}/jobs/${encodeURIComponent(id)}`, madeAt: new Date(log.at(-1)?.at ?? 0).toISOString() };
    const pdf = await drawLabels(
      labelsOf(context).map((label) => sayLabel(label, names)),
      about,
      LABEL_SHEETS[sheet],
      first,
    );
    return reply.header('content-type', 'application/pdf').header('content-disposition', `inline; filename="${id}-labels.pdf"`).send(pdf);
  });
}
