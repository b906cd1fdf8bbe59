import { pictureMarks, type PictureLane } from '@jade/words/drawing';
import { drawPaper, room, set, table, type Document, type PageHead } from '../sheet/index.ts';
import { JOINT_COLUMNS } from '@jade/words/wiring';
import type { HarnessContent } from './content.ts';

const MARGIN = 48;
/** Columns that a printed joint list has room for: what is worked by at the bench. */
const PRINTED = JOINT_COLUMNS.filter((column) => !['Strip', 'Where on the wire', 'Circuit'].includes(column));

/** The electrical picture, as wide as the page between its margins. */
function picture(doc: Document, lanes: readonly PictureLane[]): void {
  const width = doc.page.width - 2 * MARGIN;
  const { picture: laid, marks } = pictureMarks(lanes, 640);
  const scale = width / laid.width;
  // A picture higher than a page is made as high as one.
  const fit = Math.min(scale, (doc.page.height - 2 * MARGIN - 60) / laid.height);
  room(doc, laid.height * fit);
  const top = doc.y;
  doc.save().translate(MARGIN, top).scale(fit);
  for (const mark of marks) {
    if (mark.kind === 'path') {
      doc.path(mark.d).lineWidth(mark.width);
      if (mark.fill) doc.fillAndStroke(mark.fill, mark.stroke);
      else doc.strokeColor(mark.stroke).stroke();
    } else {
      const text = set(doc, mark.text, { weight: mark.bold ? 'bold' : 'regular', size: mark.size });
      const along = doc.widthOfString(text);
      doc.text(text, mark.x - (mark.anchor === 'middle' ? along / 2 : mark.anchor === 'end' ? along : 0), mark.y - mark.size * 0.78, { lineBreak: false });
    }
  }
  doc.restore();
  doc.x = MARGIN;
  doc.y = top + laid.height * fit + 8;
}

/** Draws the wiring of a job for the bench: the picture, whether each circuit carries, the joints by work place, and what is to be sealed again. */
export function drawHarness(content: HarnessContent, head: PageHead): Promise<Buffer> {
  return drawPaper(head, (doc) => {
    picture(doc, content.lanes);
    table(doc, {
      title: 'Circuits',
      shares: [0.22, 0.2, 0.58],
      head: ['Circuit', 'Guarded by', 'Does it carry'],
      rows: content.circuits.map(({ name, guard, says }) => [name, guard, says]),
      empty: 'Nothing is fed.',
    });
    const rows = content.joints.map((row) =>
      PRINTED.map((column) => (column === 'How' && row['Where on the wire'] !== '—' ? `${row.How}, ${row['Where on the wire']}` : row[column])),
    );
    table(doc, { title: 'Joints, by work place', shares: [0.15, 0.18, 0.2, 0.15, 0.09, 0.15, 0.08], head: [...PRINTED], rows, empty: 'Nothing is joined.' });
    const bared = content.bared.map((row) => [`${row['Work place']}, ${row['Vehicle wire']}`, 'looked at, sealed, looked at again before closing']);
    table(doc, { title: 'Wires whose insulation is opened', head: ['Wire', 'Wants'], rows: bared, empty: 'None: no insulation is opened.' });
  });
}
