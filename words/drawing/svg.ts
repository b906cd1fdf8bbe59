import { bandsOf } from './colours.ts';
import type { FacesOnPaper } from './faces-marks.ts';
import { layPicture, type LaidPicture, type Written } from './layout.ts';
import type { PaperMark } from './paper.ts';
import type { PictureLane } from './picture.ts';

const INK = '#1d2521';
const SOFT = '#5d6862';
const PAPER = '#ffffff';
const SIZE = 12;
const LINE_WIDTH = 1.4;

/** The electrical picture as marks on paper, in black but for the wires: for a print, a file or a page, each lane as the screen has it. */
export function pictureMarks(lanes: readonly PictureLane[], width: number): { picture: LaidPicture; marks: PaperMark[] } {
  const picture = layPicture(lanes, width);
  const marks: PaperMark[] = [];
  const draw = (d: string, part: { width?: number; stroke?: string; fill?: string } = {}) => void marks.push({ kind: 'path', d, stroke: INK, width: LINE_WIDTH, ...part });
  const write = (lines: readonly Written[], anchor: 'start' | 'middle' | 'end' = 'middle', bold: (order: number) => boolean = () => false) =>
    lines.forEach((line, order) => marks.push({ kind: 'text', ...line, size: SIZE, anchor, ...(bold(order) ? { bold: true } : {}) }));
  draw(picture.rail, { width: 2, stroke: SOFT });
  draw(picture.sign, { stroke: SOFT });
  write([picture.name], 'end');
  picture.lanes.forEach((laid, index) => {
    const lane = lanes[index];
    if (!lane) return;
    laid.branches.forEach((at, place) => {
      const branch = lane.branches[place];
      if (!branch) return;
      for (const path of [at.toJoint, at.toEnd].filter((entry) => entry !== '')) {
        draw(path, { width: 5.4 });
        bandsOf(branch.colour).forEach((band, order) => draw(path, { width: order === 0 ? 3.6 : LINE_WIDTH, stroke: band }));
      }
      if (at.code) write([at.code]);
      if (at.leg) write([at.leg]);
      draw(at.back);
      draw(at.end.outline, { fill: PAPER });
      draw(at.end.mark);
      write(at.end.lines);
      for (const half of at.joint.halves) draw(half, { fill: branch.state === 'joined' ? INK : PAPER });
      write(at.joint.lines);
    });
    if (laid.contact) {
      draw(laid.contact.outline, { fill: PAPER });
      draw(laid.contact.mark);
      write(laid.contact.lines);
    }
    const { x, y, width: guardWidth, height, lines, name } = laid.guard;
    draw(`M${x} ${y}h${guardWidth}v${height}h${-guardWidth}z`, { width: lane.state === 'refuse' ? 2.6 : LINE_WIDTH, fill: PAPER });
    write(lines, 'start', (order) => order < name);
  });
  return { picture, marks };
}

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };
const escaped = (text: string) => text.replace(/[&<>"']/g, (sign) => SIGNS[sign] ?? sign);

/** A mark as it stands in a drawing file. */
const drawn = (mark: PaperMark) =>
  mark.kind === 'path'
    ? `<path d="${mark.d}" fill="${mark.fill ?? 'none'}" stroke="${mark.stroke}" stroke-width="${mark.width}"/>`
    : `<text x="${mark.x}" y="${mark.y}" font-size="${mark.size}" text-anchor="${mark.anchor}"${mark.bold ? ' font-weight="700"' : ''}>${escaped(mark.text)}</text>`;
/** Room for the heading of a joint's faces and the note below them. */
const HEADING = 62;

/** The electrical picture as a drawing file of its own, with the faces of its joints below. */
export function pictureSvg(lanes: readonly PictureLane[], title: string, faces: readonly FacesOnPaper[] = [], width = 760): string {
  const { picture, marks } = pictureMarks(lanes, width);
  let y = picture.height + 10;
  const below = faces.map((face) => {
    const at = y;
    y += face.height + HEADING;
    const heading = { kind: 'text', x: 0, y: 12, text: face.title, size: SIZE + 1, anchor: 'start', bold: true } as const;
    return `<g transform="translate(8 ${at})">${drawn(heading)}<g transform="translate(0 22)">${face.marks.map(drawn).join('')}</g>${drawn({ ...heading, y: face.height + 34, text: face.note, size: SIZE - 1, bold: false })}</g>`;
  });
  const body = [...marks.map(drawn), ...below];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${picture.width} ${y}" width="${picture.width}" height="${y}" font-family="sans-serif"><title>${escaped(title)}</title><rect width="100%" height="100%" fill="${PAPER}"/>${body.join('')}</svg>\n`;
}
