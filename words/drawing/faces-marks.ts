import type { WireJoint } from '@jade/core/loom';
import { MATE_WORDS, sayChecked, sayFirst, sayJoint } from '@jade/words/wiring';
import { bandsOf } from './colours.ts';
import { layFaces } from './plug-faces.ts';
import type { PaperMark } from './paper.ts';

const INK = '#1d2521';
const SOFT = '#5d6862';
const PAPER = '#ffffff';
const PIN = 14;

/** Both faces of a joint on paper, with what is to be read beside them. */
export interface FacesOnPaper {
  title: string;
  /** What comes first, and what was seen where it is joined. */
  note: string;
  width: number;
  height: number;
  marks: PaperMark[];
}

const box = (x: number, y: number, width: number, height: number) => `M${x} ${y}h${width}v${height}h${-width}z`;
const circle = (x: number, y: number, r: number) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;

/** Both faces of a joint from the wire side, as the screen has them, in black but for the wires. */
export function facesOnPaper(joint: WireJoint, checked: Parameters<typeof sayChecked>[0] | undefined): FacesOnPaper {
  const { kitPlug, mate, tapped, between } = joint;
  const face = tapped ? { ...joint.vehiclePlug, rows: 1, columns: 1, pins: [{ ...tapped, row: 1, column: 1 }] } : joint.vehiclePlug;
  const laid = layFaces(face, kitPlug, mate.pairs);
  const marks: PaperMark[] = [];
  const draw = (d: string, part: { width?: number; stroke?: string; fill?: string } = {}) => void marks.push({ kind: 'path', d, stroke: INK, width: 1.4, ...part });
  const write = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end', bold = false) =>
    void marks.push({ kind: 'text', x, y, text, size: 12, anchor, ...(bold ? { bold: true } : {}) });
  const colourOf = (side: 'vehicle' | 'kit', pin: string | undefined) => (side === 'vehicle' ? face : kitPlug).pins.find((entry) => entry.id === pin)?.colour;
  for (const [shell, name, { family, keying }] of [
    [laid.vehicle, between ? 'lead' : 'vehicle', face],
    [laid.kit, 'kit', kitPlug],
  ] as const) {
    draw(box(shell.x, shell.y, shell.width, shell.height));
    write(shell.x + shell.width / 2, 14, `${name} · ${family} ${keying}`, 'middle');
  }
  for (const { pair, join, ends, y } of laid.lines) {
    draw(join, { stroke: pair.verdict === 'meets' ? INK : SOFT, width: pair.verdict === 'swapped' || pair.verdict === 'nothing there' ? 3 : 1.4 });
    write(laid.middle, y - 6, pair.verdict, 'middle', pair.verdict !== 'meets');
    for (const { side, pin, carries, wire, lead } of ends) {
      if (pin === undefined || carries === 'empty') continue;
      draw(wire, { width: 9 });
      bandsOf(colourOf(side, pin)).forEach((band, order) => draw(wire, { width: order === 0 ? 7 : 2.6, stroke: band }));
      draw(lead);
    }
  }
  for (const { ends, y } of laid.lines)
    for (const { side, pin, carries, spot, nameX, anchor } of ends) {
      if (pin === undefined) continue;
      draw(side === 'kit' ? circle(spot[0], spot[1], PIN) : box(spot[0] - PIN, spot[1] - PIN, 2 * PIN, 2 * PIN), { fill: PAPER });
      write(spot[0], spot[1] + 4, pin, 'middle', true);
      write(nameX, y - 2, carries ?? '', anchor, true);
      write(nameX, y + 13, colourOf(side, pin) ?? '', anchor);
    }
  const note = `${MATE_WORDS[mate.value]}. ${sayFirst(joint)}${checked ? ` Seen: ${sayChecked(checked)}.` : ''}`;
  return { title: sayJoint(joint), note, width: laid.width, height: laid.height, marks };
}
