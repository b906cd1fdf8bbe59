import { mappedPins, plugsRead, readingsOf } from '@jade/core/loom';
import type { JobContext } from '@jade/core/job';
import { cardMarks } from '@jade/words/drawing';
import { sayMapped } from '@jade/words/probing';
import { drawPaper, room, table, write, type PageHead } from '../sheet/index.ts';
import { place } from './pdf.ts';

/** Every plug of which something was read, as values: its face, and of each pin what it is, how sure that is, and all that was read. */
export function plugValues(context: JobContext) {
  const mapped = mappedPins(context);
  return plugsRead(context).map(({ plug, run, found }) => ({
    id: plug.id,
    name: plug.name,
    whereToLook: plug.whereToLook,
    rows: plug.rows,
    columns: plug.columns,
    systemV: run.systemV,
    pins: mapped
      .filter((entry) => entry.plug.id === plug.id)
      .map(({ pin, status }) => ({
        id: pin.id,
        row: pin.row,
        column: pin.column,
        ...(pin.colour === undefined ? {} : { colour: pin.colour }),
        said: pin.carries,
        ...(status ? { status } : {}),
        chances: found.pins.find((entry) => entry.pin === pin.id)?.chances ?? [],
        voltages: readingsOf(context, plug, pin.id).map(({ state, lowV, highV, underLamp }) => ({ state, lowV, highV, ...(underLamp ? { underLamp } : {}) })),
        ohm: context.state.continuity[`${plug.id}/${pin.id}`] ?? [],
        dropV: context.state.drops[`${plug.id}/${pin.id}`] ?? [],
      })),
  }));
}

/** Room that a face and the head of its table need together. */
const CARD_ROOM = 90;

/** A card for each plug of which something was read: its face from the wire side, and a line for each pin. */
export function drawPlugCards(context: JobContext, head: PageHead): Promise<Buffer> {
  const rows = mappedPins(context);
  const plugs = plugsRead(context);
  return drawPaper(head, (doc) => {
    if (plugs.length === 0) write(doc, 'No plug of this vehicle was read yet.', { size: 11 });
    for (const { plug } of plugs) {
      const own = rows.filter((entry) => entry.plug.id === plug.id);
      const card = cardMarks(plug, own);
      room(doc, card.height + CARD_ROOM);
      doc.moveDown(0.9);
      write(doc, `${plug.name}, from the wire side`, { weight: 'bold', size: 12 });
      write(doc, plug.whereToLook, { size: 9.5 });
      doc.moveDown(0.4);
      place(doc, card.marks, card.height, 1);
      table(doc, {
        title: 'Pins',
        shares: [0.08, 0.2, 0.28, 0.24, 0.2],
        head: ['Pin', 'Colour', 'What it is', 'How sure', 'Said to carry'],
        rows: own
          .map(sayMapped)
          .map((row) => [row.Pin, row.Colour, row['What it is'], `${row['How sure']}${row.Readings === '0' ? '' : `, ${row.Readings} read`}`, row['Said to carry']]),
        empty: 'No pin is described.',
      });
    }
  });
}
