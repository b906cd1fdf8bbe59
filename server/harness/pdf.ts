import { pictureMarks, type FacesOnPaper, type PaperMark, type PictureLane } from '@jade/words/drawing';
import { drawPaper, room, set, table, type Document, type PageHead } from '../sheet/index.ts';
import { JOINT_COLUMNS } from '@jade/words/wiring';
import type { HarnessContent } from './content.ts';

const MARGIN = 48;
/** Columns that a printed joint list has room for: what is worked by at the bench. */
const PRINTED = JOINT_COLUMNS.filter((column) => !['Strip', 'Where on the wire', 'Circuit'].includes(column));

/** A drawing at the place where the page goes on, so large. */
export function place(doc: Document, marks: readonly PaperMark[], height: number, scale: number): void {
  const top = doc.y;
  doc.save().translate(MARGIN, top).scale(scale);
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
  doc.y = top + height * scale + 8;
}

/** The electrical picture, as wide as the page between its margins. */
function picture(doc: Document, lanes: readonly PictureLane[]): void {
  const { picture: laid, marks } = pictureMarks(lanes, 640);
  // A picture higher than a page is made as high as one.
  const fit = Math.min((doc.page.width - 2 * MARGIN) / laid.width, (doc.page.height - 2 * MARGIN - 60) / laid.height);
  room(doc, laid.height * fit);
  place(doc, marks, laid.height, fit);
}

/** Faces are drawn so large that a pin is about as wide as a finger’s nail. */
const FACE_SCALE = 0.82;

/** Both faces of a joint from the wire side, with its name above and what comes first below; together on one page. */
function faces(doc: Document, { title, note, width, height, marks }: FacesOnPaper): void {
  const scale = Math.min(FACE_SCALE, (doc.page.width - 2 * MARGIN) / width);
  room(doc, height * scale + 56);
  doc.moveDown(0.9);
  doc.text(set(doc, title, { weight: 'bold', size: 11 }), MARGIN, doc.y);
  place(doc, marks, height, scale);
  doc.text(set(doc, note, { size: 9.5 }), MARGIN, doc.y, { width: doc.page.width - 2 * MARGIN });
  doc.moveDown(0.8);
}

/** Draws the wiring of a job for the bench: the picture, whether each circuit carries, the faces of each joint, the joints by work place, and what is to be sealed again. */
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
    for (const entry of content.faces) faces(doc, entry);
    table(doc, { title: 'Joints, by work place', shares: [0.15, 0.18, 0.2, 0.15, 0.09, 0.15, 0.08], head: [...PRINTED], rows, empty: 'Nothing is joined.' });
    const bared = content.bared.map((row) => [`${row['Work place']}, ${row['Vehicle wire']}`, 'looked at, sealed, looked at again before closing']);
    table(doc, { title: 'Wires whose insulation is opened', head: ['Wire', 'Wants'], rows: bared, empty: 'None: no insulation is opened.' });
  });
}
