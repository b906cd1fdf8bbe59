import PDFDocument from 'pdfkit';
import qrcode from 'qrcode-generator';
import { LABEL_PAPERS, labelPlace, type LabelSheet } from '@jade/core/paper';
import type { LabelText } from '@jade/words/labels';
import { FACES, set, type Document } from '../sheet/index.ts';

const MM = 72 / 25.4;
const EDGE_MM = 3.5;
/** The code as high as this, or as the label lets it be. */
const CODE_MM = 24;
const FAINT = '#5d6862';
/** Room for the shop's name, in points. */
const FOOT = 8;
/** And for one line of what is in it. */
const LINE = 8;

/** An address as a square code, so large. */
function code(doc: Document, text: string, x: number, y: number, size: number): void {
  const made = qrcode(0, 'M');
  made.addData(text);
  made.make();
  const count = made.getModuleCount();
  const module = size / count;
  doc.save().fillColor('#000');
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++) if (made.isDark(row, column)) doc.rect(x + column * module, y + row * module, module, module);
  doc.fill().restore();
}

/** Draws labels on sheets, each with the plate, what it is and a code that leads to the job; the same labels always give the same bytes. */
export async function drawLabels(
  labels: readonly LabelText[],
  { plate, address, shop, madeAt }: { plate: string; address: string; shop: string; madeAt: string },
  sheet: LabelSheet,
  from = 1,
): Promise<Buffer> {
  const paper = LABEL_PAPERS[sheet.paper];
  const size: [number, number] = [paper.widthMm * MM, paper.heightMm * MM];
  const doc = new PDFDocument({ size, margin: 0, autoFirstPage: false, info: { Title: plate, CreationDate: new Date(madeAt) } });
  const parts: Buffer[] = [];
  doc.on('data', (part: Buffer) => parts.push(part));
  const done = new Promise<void>((settle) => doc.on('end', () => settle()));
  for (const [name, file] of Object.entries(FACES)) doc.registerFont(name, file);
  let pages = 0;
  labels.forEach(({ title, lines }, index) => {
    const { page, xMm, yMm } = labelPlace(sheet, index, from);
    for (; pages <= page; pages++) doc.addPage({ size, margin: 0 });
    const [x, y] = [(xMm + EDGE_MM) * MM, (yMm + EDGE_MM) * MM];
    const [width, height] = [(sheet.widthMm - 2 * EDGE_MM) * MM, (sheet.heightMm - 2 * EDGE_MM) * MM];
    const side = Math.min(CODE_MM * MM, height);
    const room = width - side - 8;
    code(doc, address, x + width - side, y, side);
    doc.text(set(doc, plate, { weight: 'bold', size: 15 }), x, y, { width: room, height: 18, ellipsis: true });
    doc.text(set(doc, title, { weight: 'bold', size: 9.5 }), x, y + 20, { width: room, height: 24, ellipsis: true });
    const below = doc.y + 1;
    // A low label has no room for more than what it is.
    const left = y + height - FOOT - below;
    if (left >= LINE) doc.text(set(doc, lines.join('\n'), { size: 7.5 }), x, below, { width: room, height: left, ellipsis: true });
    doc.text(set(doc, shop, { size: 6, colour: FAINT }), x, y + height - FOOT + 1, { width: room, height: 8, ellipsis: true });
  });
  doc.end();
  await done;
  return Buffer.concat(parts);
}
