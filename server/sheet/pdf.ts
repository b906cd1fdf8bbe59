import PDFDocument from 'pdfkit';
import type { Stroke } from '@jade/core/events';
import { WHOLE_EDGE } from '@jade/core/photos';
import { SHEET, sayFoot, sayHead, sayPage, type SheetContent, type SheetPhoto, type SheetTable } from '@jade/words/sheet';
import { faceFor, FACES, plain, type Weight } from './faces.ts';

const MARGIN = 48;
/** A table's title and head never stand alone at the foot of a page. */
const HEAD_AND_A_ROW = 100;
const JADE = '#0b6b4f';
const INK = '#1d2521';
const FAINT = '#5d6862';
const TAPE = '#f2d974';
const LINE = '#c9d1cc';
const LINE_WIDTH = 0.4;
const CELL_SIZE = 8.5;
const CELL_ABOVE = 2.5;
const CELL_BESIDE = 8;

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

/** A table with its title, by the library's own; a long one goes on over the page. */
export function table(doc: Document, { title, head, rows, empty, shares }: SheetTable): void {
  const width = doc.page.width - 2 * MARGIN;
  const columns = head.map((_, index) => (shares?.[index] ?? (index === 0 ? 0.4 : 0.6 / (head.length - 1))) * width);
  room(doc, HEAD_AND_A_ROW);
  doc.moveDown(0.8);
  write(doc, title, { weight: 'bold', size: 10.5, colour: JADE });
  doc.moveDown(0.2);
  if (rows.length === 0) return write(doc, empty, { size: 9, colour: FAINT });
  const cell = (text: string, weight: Weight, textColor: string) => ({ text: plain(text), textColor, font: { src: faceFor(text, weight), size: CELL_SIZE } });
  doc.table({
    position: { x: MARGIN, y: doc.y },
    columnStyles: columns,
    defaultStyle: { border: [0, 0, LINE_WIDTH, 0], borderColor: LINE, padding: [CELL_ABOVE, CELL_BESIDE, CELL_ABOVE, 0] },
    data: [head.map((text) => cell(text, 'bold', FAINT)), ...rows.map((row) => row.map((text) => cell(text, 'regular', INK)))],
  });
  doc.x = MARGIN;
}

function numberPages(doc: Document, foot: string): void {
  const { count } = doc.bufferedPageRange();
  for (let page = 0; page < count; page++) {
    doc.switchToPage(page);
    doc.page.margins.bottom = 0;
    const text = set(doc, sayPage(foot, page + 1, count), { size: 7.5, colour: FAINT });
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

/** Most that a photo takes of the page, in points, and what stands below it. */
const PHOTO_HEIGHT = 190;
const PHOTO_TEXT = 34;
const PHOTO_GAP = 14;

/** A ring on a photo that lies at a place of the page: light with a dark edge, so that it is seen on any ground. */
function ringOn(doc: Document, { ring }: SheetPhoto, x: number, y: number, width: number, height: number): void {
  if (!ring) return;
  const at = (share: number, of: number) => (share / WHOLE_EDGE) * of;
  for (const [colour, line] of [
    [INK, 2.6],
    [TAPE, 1.3],
  ] as const)
    doc
      .save()
      .lineWidth(line)
      .strokeColor(colour)
      .circle(x + at(ring.x, width), y + at(ring.y, height), at(ring.r, Math.max(width, height)))
      .stroke()
      .restore();
}

/** Draws a picture; whether it could be. One that cannot keeps nobody from the rest of the sheet. */
function drawnAt(doc: Document, picture: Buffer, x: number, y: number, width: number, height: number): boolean {
  try {
    doc.image(picture, x, y, { width, height });
    return true;
  } catch {
    return false;
  }
}

/** Photos two beside each other, each whole, with its words; one whose picture has not come says so. */
function photosOf(doc: Document, photos: readonly SheetPhoto[], pictures: ReadonlyMap<string, Buffer>): void {
  if (photos.length === 0) return;
  const width = (doc.page.width - 2 * MARGIN - PHOTO_GAP) / 2;
  room(doc, PHOTO_HEIGHT + PHOTO_TEXT + 30);
  doc.moveDown(0.8);
  write(doc, SHEET.photos, { weight: 'bold', size: 10.5, colour: JADE });
  doc.moveDown(0.3);
  let top = doc.y;
  photos.forEach((photo, place) => {
    const left = place % 2 === 0;
    if (left) {
      room(doc, PHOTO_HEIGHT + PHOTO_TEXT);
      top = doc.y;
    }
    const x = MARGIN + (left ? 0 : width + PHOTO_GAP);
    const scale = Math.min(width / photo.widthPx, PHOTO_HEIGHT / photo.heightPx);
    const [wide, high] = [photo.widthPx * scale, photo.heightPx * scale];
    const picture = pictures.get(photo.hash);
    if (picture && drawnAt(doc, picture, x, top, wide, high)) ringOn(doc, photo, x, top, wide, high);
    else {
      doc.save().lineWidth(LINE_WIDTH).strokeColor(FAINT).rect(x, top, wide, high).stroke().restore();
      doc.text(set(doc, SHEET.photoToCome, { size: 8, colour: FAINT }), x + 8, top + 8, { width: Math.max(60, wide - 16) });
    }
    doc.text(set(doc, photo.text, { size: 8.5 }), x, top + high + 3, { width, height: PHOTO_TEXT - 6, ellipsis: true });
    doc.y = top + PHOTO_HEIGHT + PHOTO_TEXT;
  });
  doc.x = MARGIN;
}

/** Size of the field that a signature is drawn in, in points; points of a stroke are thousandths of its width. */
const SIGNATURE_WIDTH = 230;
const SIGNATURE_HEIGHT = 70;

/** A signature as it was drawn, on its line. */
function signature(doc: Document, strokes: readonly Stroke[], top: number): void {
  const at = (value: number) => (value / 1000) * SIGNATURE_WIDTH;
  doc.save().lineWidth(1.1).strokeColor(INK).lineCap('round').lineJoin('round');
  for (const { points } of strokes) {
    doc.moveTo(MARGIN + at(points[0] ?? 0), top + at(points[1] ?? 0));
    for (let place = 2; place + 1 < points.length; place += 2) doc.lineTo(MARGIN + at(points[place] ?? 0), top + at(points[place + 1] ?? 0));
    doc.stroke();
  }
  doc
    .lineWidth(LINE_WIDTH)
    .strokeColor(FAINT)
    .moveTo(MARGIN, top + SIGNATURE_HEIGHT)
    .lineTo(MARGIN + SIGNATURE_WIDTH, top + SIGNATURE_HEIGHT)
    .stroke()
    .restore();
  doc.y = top + SIGNATURE_HEIGHT + 4;
}

/** Draws the customer's sheet with its pictures by hash; the same content always gives the same bytes. */
export async function drawSheet(content: SheetContent, madeAt: string, pictures: ReadonlyMap<string, Buffer> = new Map()): Promise<Buffer> {
  const head = {
    shop: content.shop,
    title: SHEET.title,
    plate: content.plate,
    about: `${content.vehicle} · ${content.customer}`,
    more: sayHead(content),
    foot: sayFoot(content),
    madeAt,
  };
  return drawPaper(head, (doc) => {
    write(doc, content.verdict, { weight: 'bold', size: 10.5 });
    content.tables.forEach((entry) => table(doc, entry));
    photosOf(doc, content.photos, pictures);
    doc.moveDown(1);
    for (const note of content.notes) {
      room(doc, 30);
      write(doc, note, { size: 8.5 });
      doc.moveDown(0.3);
    }
    room(doc, content.signature ? SIGNATURE_HEIGHT + 60 : 40);
    doc.moveDown(0.6);
    write(doc, content.signed, { size: 9 });
    doc.moveDown(0.6);
    if (content.signature) signature(doc, content.signature, doc.y);
    write(doc, content.received, { size: 9 });
  });
}
