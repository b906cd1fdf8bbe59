import { wordLines } from '@jade/words/drawing';
import type { SheetPoint } from './paths.ts';

/** Something on a drawing that is named outside it. */
export interface Named {
  id: string;
  text: string;
  middle: SheetPoint;
}

/** A name beside or above a drawing, with the line that leads to what it names. */
export interface PlacedName {
  id: string;
  lines: string[];
  /** Where the first line of it stands, and which end of it is there. */
  at: SheetPoint;
  anchor: 'start' | 'middle' | 'end';
  lead: SheetPoint[];
  /** What the words cover, in mm of the sheet. */
  cover: { x: number; y: number; width: number; height: number };
}

type Frame = [number, number, number, number];

/** Signs in a line of a name, and what one takes of its height. */
const SIGNS = 14;
const SIGN_WIDTH = 0.56;
const LINE = 1.15;
/** A drawing wider than this share of its height has its names above and below, any other one beside it. */
const WIDE = 1.7;
/** Height of the signs as a share of the drawing's width. */
const HIGH = { beside: 0.04, above: 0.022 };

/**
 * Places along a line for things of these lengths so that none covers another: each as near to where it wants to be as the others let it, in their order.
 * Undefined where the line is too short for them.
 */
export function lineUp(wanted: readonly { at: number; length: number }[], from: number, to: number): number[] | undefined {
  const total = wanted.reduce((sum, { length }) => sum + length, 0);
  if (total > to - from + 1e-6) return undefined;
  const starts = wanted.map(({ at, length }) => at - length / 2);
  let least = from;
  wanted.forEach(({ length }, index) => {
    starts[index] = Math.max(starts[index] ?? from, least);
    least = (starts[index] ?? from) + length;
  });
  let most = to;
  for (let index = wanted.length - 1; index >= 0; index -= 1) {
    const length = wanted[index]?.length ?? 0;
    starts[index] = Math.min(starts[index] ?? from, most - length);
    most = starts[index] ?? from;
  }
  return wanted.map(({ length }, index) => (starts[index] ?? from) + length / 2);
}

/** The first of a list that fit on a line together. */
function fitting<T extends { length: number }>(list: readonly T[], room: number): { kept: T[]; left: T[] } {
  let used = 0;
  const kept: T[] = [];
  const left: T[] = [];
  for (const entry of list) {
    if (used + entry.length <= room) {
      used += entry.length;
      kept.push(entry);
    } else left.push(entry);
  }
  return { kept, left };
}

/**
 * Puts names outside a drawing on lines that lead to what they name: beside a tall one, above and below a wide one. The list is in the order of weight:
 * what does not fit is left out from its end, and said in `left`. `frame` grows by the room for the names.
 */
export function namesOutside(items: readonly Named[], [x, y, width, height]: Frame): { frame: Frame; names: PlacedName[]; left: string[]; sizeMm: number } {
  const wide = width / height > WIDE;
  const sizeMm = width * (wide ? HIGH.above : HIGH.beside);
  const worded = items.map((item) => {
    const lines = wordLines(item.text, SIGNS);
    const wideMm = Math.max(...lines.map((line) => line.length)) * SIGN_WIDTH * sizeMm;
    return { ...item, lines, wideMm, highMm: lines.length * LINE * sizeMm };
  });
  const axis = wide ? 0 : 1;
  const other = wide ? 1 : 0;
  const [start, room, crossStart, crossRoom] = wide ? [x, width, y, height] : [y, height, x, width];
  const gap = sizeMm * (wide ? 1.2 : 0.6);
  const lengthOf = (item: (typeof worded)[number]) => (wide ? item.wideMm : item.highMm) + gap;
  const halves = [worded.filter((item) => item.middle[other] < crossStart + crossRoom / 2), worded.filter((item) => item.middle[other] >= crossStart + crossRoom / 2)];
  const edges = halves.map((half) =>
    fitting(
      half.map((item) => ({ ...item, length: lengthOf(item) })),
      room,
    ),
  );
  // What one edge has no room for goes to the other.
  for (const index of [0, 1]) {
    const [mine, theirs] = [edges[index], edges[1 - index]];
    if (!mine || !theirs) continue;
    const free = room - theirs.kept.reduce((sum, { length }) => sum + length, 0);
    const moved = fitting(mine.left, free);
    theirs.kept.push(...moved.kept);
    mine.left = moved.left;
  }
  const margin = wide ? sizeMm * (2 * LINE + 1) : sizeMm * (SIGNS * SIGN_WIDTH + 1);
  const names = edges.flatMap(({ kept }, edge) => {
    const sorted = [...kept].sort((a, b) => a.middle[axis] - b.middle[axis]);
    const places = lineUp(
      sorted.map((item) => ({ at: item.middle[axis], length: item.length })),
      start,
      start + room,
    );
    return sorted.map((item, index): PlacedName => {
      const along = places?.[index] ?? item.middle[axis];
      const before = edge === 0;
      const elbow = (before ? crossStart : crossStart + crossRoom) + (before ? -1 : 1) * sizeMm * 0.4;
      if (wide) {
        const top = before ? elbow - item.highMm : elbow;
        return {
          id: item.id,
          lines: item.lines,
          at: [along, top + sizeMm * 0.9],
          anchor: 'middle',
          lead: [[along, elbow], item.middle],
          cover: { x: along - item.wideMm / 2, y: top, width: item.wideMm, height: item.highMm },
        };
      }
      return {
        id: item.id,
        lines: item.lines,
        at: [elbow + (before ? -1 : 1) * sizeMm * 0.3, along - item.highMm / 2 + sizeMm * 0.9],
        anchor: before ? 'end' : 'start',
        lead: [[elbow, along], item.middle],
        cover: { x: before ? elbow - sizeMm * 0.3 - item.wideMm : elbow + sizeMm * 0.3, y: along - item.highMm / 2, width: item.wideMm, height: item.highMm },
      };
    });
  });
  const frame: Frame = items.length === 0 ? [x, y, width, height] : wide ? [x, y - margin, width, height + 2 * margin] : [x - margin, y, width + 2 * margin, height];
  return { frame, names, left: edges.flatMap(({ left }) => left.map(({ id }) => id)), sizeMm };
}
