import { computed, type Ref } from 'vue';
import type { Level, Piece, VehicleProfile } from '@jade/core/vehicle';
import { namesOutside } from '../geometry/names.ts';
import type { View } from '../geometry/outline.ts';
import { meantAt, movedOut, pieceDrawer } from '../geometry/pieces.ts';
import type { PlateStroke } from '../geometry/plate.ts';
import { useRoom } from '../room.ts';

/** A piece as it stands now. */
export interface SheetPiece {
  piece: Piece;
  level: Level;
  /** Replaced: it is off and does not go back, as a kit takes its place. */
  part: 'now' | 'planned' | 'done' | 'replaced' | 'other';
}

type Frame = [number, number, number, number];
interface PiecesAsked {
  profile: Pick<VehicleProfile, 'body' | 'measures'>;
  view: View;
  pieces?: SheetPiece[];
  named?: readonly string[];
  chosen?: string;
  outside?: boolean;
  layers?: ReadonlyMap<string, number>;
}

/** Names smaller than this cannot be read, and a drawing takes no more than this share of the window's height. */
const LEAST = { signPx: 9, share: 0.62 };
/** A finger covers this much of the screen round where it taps, in px. */
const FINGER_PX = 22;
/** Room round what was moved out, in mm of the sheet. */
const ROUND_MM = 60;

/** The pieces of a sheet: how each is drawn, how far it is moved out, what is named outside the drawing, and which a tap means. */
export function useSheetPieces(
  props: Readonly<PiecesAsked>,
  whole: Readonly<Ref<Frame>>,
  strokes: Readonly<Ref<readonly PlateStroke[]>>,
  svg: Readonly<Ref<SVGSVGElement | null>>,
) {
  const draw = computed(() => pieceDrawer(props.profile.body, props.profile.measures, props.view));
  /** Pieces from what lies behind to what lies before, with how far each is moved out. */
  const drawn = computed(() => {
    const still = (props.pieces ?? [])
      .map((entry) => ({ ...entry, ...draw.value(entry.piece), id: entry.piece.id, layer: props.layers?.get(entry.piece.id) ?? 1 }))
      .filter((entry) => !props.outside || !entry.behind || entry.id === props.chosen);
    if (!props.layers) return still.sort((a, b) => b.depthMm - a.depthMm).map((entry) => ({ ...entry, dx: 0, dy: 0, on: [] as PlateStroke[] }));
    const byId = new Map(still.map((entry) => [entry.id, entry]));
    return movedOut(still, strokes.value, whole.value[2]).flatMap((moved) => {
      const entry = byId.get(moved.id);
      return entry ? [{ ...entry, ...moved }] : [];
    });
  });
  /** What each covers, where it is drawn now. */
  const covered = computed(() =>
    drawn.value.map(({ id, extent: { left, right, top, bottom }, dx, dy }) => ({ id, extent: { left: left + dx, right: right + dx, top: top + dy, bottom: bottom + dy } })),
  );
  /** The part of the sheet that holds what was moved out of it too. */
  const held = computed((): Frame => {
    const [x, y, width, height] = whole.value;
    if (!props.layers) return whole.value;
    const left = Math.min(x, ...covered.value.map(({ extent }) => extent.left - ROUND_MM));
    const bottom = Math.max(y + height, ...covered.value.map(({ extent }) => extent.bottom + ROUND_MM));
    return [left, y, x + width - left, bottom - y];
  });

  const room = useRoom(svg, 860);
  const names = computed(() => {
    const [x, y, width, height] = held.value;
    const named = (props.named ?? []).flatMap((id) => {
      const entry = drawn.value.find((each) => each.id === id);
      if (!entry) return [];
      const middle: [number, number] = [entry.middle[0] + entry.dx, entry.middle[1] + entry.dy];
      return middle[0] >= x && middle[0] <= x + width && middle[1] >= y && middle[1] <= y + height ? [{ id, text: entry.piece.name, middle }] : [];
    });
    const placed = namesOutside(named, held.value);
    const pxPerMm = Math.min(room.value / placed.frame[2], (window.innerHeight * LEAST.share) / placed.frame[3]);
    return placed.sizeMm * pxPerMm < LEAST.signPx ? { ...namesOutside([], held.value), left: named.map(({ id }) => id) } : placed;
  });
  const box = computed(() => names.value.frame);

  /** What the last tap could mean; tapping there again means the next of it. */
  let last: { ids: string; turn: number } = { ids: '', turn: 0 };
  /** Where on the sheet a tap is, in its millimetres. */
  function spotOf({ clientX, clientY }: MouseEvent): [number, number] | undefined {
    const seen = svg.value?.getScreenCTM();
    if (!seen) return undefined;
    const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(seen.inverse());
    return [x, y];
  }
  /** The piece that a tap means: by its name, or by what lies there. */
  function meant(event: MouseEvent): string | undefined {
    const seen = svg.value?.getScreenCTM();
    const spot = spotOf(event);
    if (!seen || !spot || drawn.value.length === 0) return undefined;
    const [x, y] = spot;
    const name = names.value.names.find(({ cover }) => x >= cover.x && x <= cover.x + cover.width && y >= cover.y && y <= cover.y + cover.height);
    if (name) return name.id;
    const there = meantAt(covered.value, [x, y], FINGER_PX / seen.a);
    const ids = there.join(' ');
    last = { ids, turn: ids === last.ids ? last.turn + 1 : 0 };
    return there[last.turn % Math.max(1, there.length)];
  }
  return { drawn, held, names, box, meant, spotOf };
}
