import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import type { SheetContent, SheetTable } from './content.ts';

const MARGIN = 48;
const JADE = '#0b6b4f';
const INK = '#1d2521';
const FAINT = '#5d6862';
const TAPE = '#f2d974';

const resolve = createRequire(import.meta.url).resolve;
const font = (weight: number) => resolve(`@fontsource/archivo/files/archivo-latin-${weight}-normal.woff`);

type Document = InstanceType<typeof PDFDocument>;

/** The fonts hold no narrow space; a plain hard space stands in for it. */
const plain = (text: string) => text.replaceAll('\u202f', '\u00a0');

function tape(doc: Document, text: string, x: number, y: number, size: number): number {
  doc.font('bold').fontSize(size);
  const width = doc.widthOfString(text) + 20;
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
  doc.fillColor(INK).text(text, x + 10, y + 6, { lineBreak: false });
  return width;
}

function room(doc: Document, height: number): void {
  if (doc.y + height > doc.page.height - MARGIN - 20) doc.addPage();
}

function table(doc: Document, { title, head, rows, empty }: SheetTable): void {
  const width = doc.page.width - 2 * MARGIN;
  const columns = head.map((_, index) => (index === 0 ? 0.4 : 0.6 / (head.length - 1)) * width);
  room(doc, 60);
  doc.moveDown(0.8).font('bold').fontSize(10.5).fillColor(JADE).text(title, MARGIN).moveDown(0.2);
  if (rows.length === 0) {
    doc.font('regular').fontSize(9).fillColor(FAINT).text(empty, MARGIN);
    return;
  }
  const line = (cells: string[], name: 'bold' | 'regular', colour: string) => {
    doc.font(name).fontSize(8.5);
    const height = Math.max(...cells.map((cell, index) => doc.heightOfString(plain(cell), { width: (columns[index] ?? 0) - 8 })));
    room(doc, height + 6);
    const y = doc.y;
    let x = MARGIN;
    cells.forEach((cell, index) => {
      doc.fillColor(colour).text(plain(cell), x, y, { width: (columns[index] ?? 0) - 8 });
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

function numberPages(doc: Document, content: SheetContent): void {
  const { count } = doc.bufferedPageRange();
  for (let page = 0; page < count; page++) {
    doc.switchToPage(page);
    doc.page.margins.bottom = 0;
    doc
      .font('regular')
      .fontSize(7.5)
      .fillColor(FAINT)
      .text(`${content.job} · log at ${content.seq} · page ${page + 1} of ${count}`, MARGIN, doc.page.height - 34, { lineBreak: false });
  }
}

/** Draws the customer's sheet; the same content always gives the same bytes. */
export async function drawSheet(content: SheetContent): Promise<Buffer> {
  const doc = new PDFDocument({ size: 'A4', margin: MARGIN, bufferPages: true, info: { Title: `Hand-over sheet ${content.plate}`, CreationDate: new Date(content.signedAt) } });
  const parts: Buffer[] = [];
  doc.on('data', (part: Buffer) => parts.push(part));
  const done = new Promise<void>((settle) => doc.on('end', () => settle()));
  doc.registerFont('regular', font(400)).registerFont('bold', font(700));
  doc.font('bold').fontSize(9).fillColor(JADE).text(content.shop.toUpperCase(), MARGIN, MARGIN, { characterSpacing: 1.2 });
  doc
    .font('bold')
    .fontSize(20)
    .fillColor(INK)
    .text('Hand-over sheet', MARGIN, MARGIN + 14);
  tape(doc, content.plate, MARGIN, doc.y + 6, 13);
  doc
    .font('regular')
    .fontSize(10)
    .fillColor(INK)
    .text(`${content.vehicle} · ${content.customer}`, MARGIN + 150, doc.y - 6);
  doc
    .fontSize(8.5)
    .fillColor(FAINT)
    .text(`Vehicle number ${content.number} · fitted: ${content.kits.join(', ')}`, MARGIN + 150);
  doc.moveDown(1.2).font('bold').fontSize(10.5).fillColor(INK).text(plain(content.verdict), MARGIN);
  content.tables.forEach((entry) => table(doc, entry));
  room(doc, 150);
  doc.moveDown(1).font('bold').fontSize(10.5).fillColor(JADE).text('Notes', MARGIN).moveDown(0.2);
  for (const note of content.notes)
    doc
      .font('regular')
      .fontSize(8.5)
      .fillColor(INK)
      .text(plain(`· ${note}`), MARGIN)
      .moveDown(0.15);
  doc
    .moveDown(1.4)
    .font('regular')
    .fontSize(9)
    .text(`Signed off at the bench by ${content.signedBy}, ${content.signedAt.slice(0, 16).replace('T', ' ')} UTC`, MARGIN);
  doc.moveDown(2).text('Received by ........................................................', MARGIN);
  numberPages(doc, content);
  doc.end();
  await done;
  return Buffer.concat(parts);
}
