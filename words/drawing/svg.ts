import { bandsOf } from './colours.ts';
import { layPicture, type LaidPicture } from './layout.ts';
import type { PictureLane } from './picture.ts';

/** One stroke, shape or line of text of a drawing on paper. */
export type PaperMark =
  | { kind: 'path'; d: string; stroke: string; width: number; fill?: string }
  | { kind: 'text'; x: number; y: number; text: string; size: number; anchor: 'start' | 'middle' | 'end'; bold?: boolean };

const INK = '#1d2521';
const SOFT = '#5d6862';
const SIZE = 12;
const box = (x: number, y: number, width: number, height: number) => `M${x} ${y}h${width}v${height}h${-width}z`;
const circle = (x: number, y: number, r: number) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;

/** The electrical picture as marks on paper, in black but for the wires: for a print, a file or a page, each lane as the screen has it. */
export function pictureMarks(lanes: readonly PictureLane[], width: number): { picture: LaidPicture; marks: PaperMark[] } {
  const picture = layPicture(lanes, width);
  const marks: PaperMark[] = [];
  const draw = (d: string, weight = 1.4, stroke = INK, fill?: string) => void marks.push({ kind: 'path', d, stroke, width: weight, ...(fill ? { fill } : {}) });
  const write = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end' = 'middle', bold = false) =>
    void marks.push({ kind: 'text', x, y, text, size: SIZE, anchor, ...(bold ? { bold } : {}) });
  draw(`M${picture.ground} 24V${picture.height - 16}`, 2, SOFT);
  draw(`M${picture.ground - 11} ${picture.height - 16}h22m-18 5h14m-10 5h6`, 1.4, SOFT);
  write(picture.ground + 8, 16, 'ground', 'end');
  picture.lanes.forEach((laid, index) => {
    const lane = lanes[index];
    if (!lane) return;
    laid.branches.forEach((at, place) => {
      const branch = lane.branches[place];
      if (!branch) return;
      for (const path of [at.toJoint, at.toEnd].filter((entry) => entry !== '')) {
        draw(path, 5.4);
        bandsOf(branch.colour).forEach((band, order) => draw(path, order === 0 ? 3.6 : 1.4, band));
      }
      if (branch.colour && at.code) write(at.code.x, at.code.y, branch.colour);
      draw(`M${at.end.x + 16} ${at.y}H${picture.ground}`);
      draw(circle(picture.ground, at.y, 3), 1, INK, INK);
      if (branch.coil) draw(`${box(at.end.x - 16, at.y - 11, 32, 22)}M${at.end.x - 8} ${at.y + 11}l16-22`, 1.4, INK, '#ffffff');
      else {
        draw(circle(at.end.x, at.y, 16), 1.4, INK, '#ffffff');
        draw(`M${at.end.x - 11} ${at.y - 11}l22 22m0-22l-22 22`);
      }
      at.end.lines.forEach((line, order) => write(at.end.x, at.y - 22 - (at.end.lines.length - 1 - order) * 14, line));
      if (branch.joint === undefined) return;
      const apart = branch.state === 'joined' ? 1 : 6;
      const fill = branch.state === 'joined' ? INK : '#ffffff';
      draw(`M${at.joint.x - apart} ${at.y - 12}h-10v24h10z`, 1.4, INK, fill);
      draw(`M${at.joint.x + apart} ${at.y - 12}h10v24h-10z`, 1.4, INK, fill);
      at.joint.lines.forEach((line, order) => write(at.joint.x, at.y - 22 - (at.joint.lines.length - 1 - order) * 14, line));
    });
    if (laid.contact) {
      const { x, y } = laid.contact;
      draw(`${box(x - 19, y - 12, 38, 24)}M${x - 19} ${y}h9l18-9m2 9h9`, 1.4, INK, '#ffffff');
      write(x, y - 20, lane.contact ?? '');
    }
    draw(box(laid.guard.x, laid.guard.y, laid.guard.width, laid.guard.height), lane.state === 'refuse' ? 2.6 : 1.4, INK, '#ffffff');
    laid.guard.lines.forEach((line, order) => write(laid.guard.x + 8, laid.guard.y + 18 + order * 17, line, 'start', order < laid.guard.name));
  });
  return { picture, marks };
}

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };
const escaped = (text: string) => text.replace(/[&<>"']/g, (sign) => SIGNS[sign] ?? sign);

/** The electrical picture as a drawing file of its own. */
export function pictureSvg(lanes: readonly PictureLane[], title: string, width = 760): string {
  const { picture, marks } = pictureMarks(lanes, width);
  const body = marks.map((mark) =>
    mark.kind === 'path'
      ? `<path d="${mark.d}" fill="${mark.fill ?? 'none'}" stroke="${mark.stroke}" stroke-width="${mark.width}"/>`
      : `<text x="${mark.x}" y="${mark.y}" font-size="${mark.size}" text-anchor="${mark.anchor}"${mark.bold ? ' font-weight="700"' : ''}>${escaped(mark.text)}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${picture.width} ${picture.height}" width="${picture.width}" height="${picture.height}" font-family="sans-serif"><title>${escaped(title)}</title><rect width="100%" height="100%" fill="#ffffff"/>${body.join('')}</svg>\n`;
}
