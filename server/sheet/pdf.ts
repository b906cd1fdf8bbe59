import PDFDocument from 'pdfkit';
import type { SheetContent, SheetTable } from './content.ts';
import { faceFor, FACES, plain, type Weight } from './faces.ts';

const MARGIN = 48;
/** A table's title and head never stand alone at the foot of a page. */
const HEAD_AND_A_ROW = 100;
const JADE = '#0b6b4f';
const INK = '#1d2521';
const FAINT = '#5d6862';
const TAPE = '#f2d974';

export type Document = InstanceType<typeof PDFDocument>;

/** What stands at the head and the foot of a printed paper. */
export interface PageHead {
  shop: string;
  title: string;
  plate: string;
  /** Beside the plate: large, and small below it. */
  about: string;
  more: string;
  foot: string;
  /** Stands in the file's own record, so that the same content gives the same bytes. */
  madeAt: string;
}

export interface Setting {
  weight?: Weight;
  size: number;
  colour?: string;
}

/** Makes ready to write a text, in the face that has all of it; what is then written is given back. */
export function set(doc: Document, text: string, { weight = 'regular', size, colour = INK }: Setting): string {
  doc.font(faceFor(text, weight)).fontSize(size).fillColor(colour);
  return plain(text);
}

/** Writes a text as a paragraph, at the left margin where nothing else is said. */
export function write(doc: Document, text: string, setting: Setting, x = MARGIN, y?: number): void {
  const written = set(doc, text, setting);
  if (y === undefined) doc.text(written, x);
  else doc.text(written, x, y);
}

function tape(doc: Document, text: string, x: number, y: number, size: number): number {
  const written = set(doc, text, { weight: 'bold', size });
  const width = doc.widthOfString(written) + 20;
  const height = size + 12;
  doc
    .save()
    .moveTo(x, y + 1)
    .lineTo(x + 3, y + height / 2)
    .lineTo(x + 1, y + height)
    .lineTo(x + width - 2, y + height - 1)
    .lineTo(x + width, y + height / 2)
    .lineTo(x + width - 3, y)
    .fill(TAPE)
    .restore();
  doc.fillColor(INK).text(written, x + 10, y + 6, { lineBreak: false });
  return width;
}

export function room(doc: Document, height: number): void {
  if (doc.y + height > doc.page.height - MARGIN - 20) doc.addPage();
}

export function table(doc: Document, { title, head, rows, empty, shares }: SheetTable): void {
  const width = doc.page.width - 2 * MARGIN;
  const columns = head.map((_, index) => (shares?.[index] ?? (index === 0 ? 0.4 : 0.6 / (head.length - 1))) * width);
  room(doc, HEAD_AND_A_ROW);
  doc.moveDown(0.8);
  write(doc, title, { weight: 'bold', size: 10.5, colour: JADE });
  doc.moveDown(0.2);
  if (rows.length === 0) return write(doc, empty, { size: 9, colour: FAINT });
  const line = (cells: string[], weight: Weight, colour: string) => {
    const within = (index: number) => ({ width: (columns[index] ?? 0) - 8 });
    const height = Math.max(...cells.map((cell, index) => doc.heightOfString(set(doc, cell, { weight, size: 8.5 }), within(index))));
    room(doc, height + 6);
    const y = doc.y;
    let x = MARGIN;
    cells.forEach((cell, index) => {
      doc.text(set(doc, cell, { weight, size: 8.5, colour }), x, y, within(index));
      x += columns[index] ?? 0;
    });
    doc
      .moveTo(MARGIN, y + height + 2)
      .lineTo(MARGIN + width, y + height + 2)
      .lineWidth(0.4)
      .strokeColor('#c9d1cc')
      .stroke();
    doc.y = y + height + 5;
  };
  line(head, 'bold', FAINT);
  for (const row of rows) line(row, 'regular', INK);
}

function numberPages(doc: Document, foot: string): void {
  const { count } = doc.bufferedPageRange();
  for (let page = 0; page < count; page++) {
    doc.switchToPage(page);
    doc.page.margins.bottom = 0;
    const text = set(doc, `${foot} · page ${page + 1} of ${count}`, { size: 7.5, colour: FAINT });
    doc.text(text, MARGIN, doc.page.height - 34, { lineBreak: false });
  }
}

/** Draws a paper with its head and the number of each page; the same content always gives the same bytes. */
export async function drawPaper(head: PageHead, body: (doc: Document) => void): Promise<Buffer> {
  const doc = new PDFDocument({ size: 'A4', margin: MARGIN, bufferPages: true, info: { Title: `${head.title} ${head.plate}`, CreationDate: new Date(head.madeAt) } });
  const parts: Buffer[] = [];
  doc.on('data', (part: Buffer) => parts.push(part));
  const done = new Promise<void>((settle) => doc.on('end', () => settle()));
  for (const [name, file] of Object.entries(FACES)) doc.registerFont(name, file);
  const shop = head.shop.toUpperCase();
  doc.text(set(doc, shop, { weight: 'bold', size: 9, colour: JADE }), MARGIN, MARGIN, { characterSpacing: 1.2 });
  write(doc, head.title, { weight: 'bold', size: 20 }, MARGIN, MARGIN + 14);
  tape(doc, head.plate, MARGIN, doc.y + 6, 13);
  write(doc, head.about, { size: 10 }, MARGIN + 150, doc.y - 6);
  write(doc, head.more, { size: 8.5, colour: FAINT }, MARGIN + 150);
  doc.moveDown(1.2);
  body(doc);
  numberPages(doc, head.foot);
  doc.end();
  await done;
  return Buffer.concat(parts);
}

/** Draws the customer's sheet; the same content always gives the same bytes. */
export async function drawSheet(content: SheetContent): Promise<Buffer> {
  const head = {
    shop: content.shop,
    title: 'Hand-over sheet',
    plate: content.plate,
    about: `${content.vehicle} · ${content.customer}`,
    more: `Vehicle number ${content.number} · fitted: ${content.kits.join(', ')}`,
    foot: `${content.job} · log at ${content.seq}`,
    madeAt: content.signedAt,
  };
  return drawPaper(head, (doc) => {
    write(doc, content.verdict, { weight: 'bold', size: 10.5 });
    content.tables.forEach((entry) => table(doc, entry));
    room(doc, 150);
    doc.moveDown(1);
    write(doc, 'Notes', { weight: 'bold', size: 10.5, colour: JADE });
    doc.moveDown(0.2);
    for (const note of content.notes) {
      write(doc, `· ${note}`, { size: 8.5 });
      doc.moveDown(0.15);
    }
    doc.moveDown(1.4);
    write(doc, `Signed off at the bench by ${content.signedBy}, ${content.signedAt.slice(0, 16).replace('T', ' ')} UTC`, { size: 9 });
    doc.moveDown(2);
    write(doc, 'Received by ........................................................', { size: 9 });
  });
}
