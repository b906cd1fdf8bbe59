<script setup lang="ts">
import { computed, useId, useTemplateRef } from 'vue';
import type { LightColour, PointMm, VehicleProfile } from '@jade/core/vehicle';
import { SHEET_NAMES } from '@jade/words/design';
import { frame, outline, project, type View } from '../geometry/outline.ts';
import { lampAt } from '../geometry/pieces.ts';
import { spread } from '../geometry/spread.ts';
import type { Part } from '../geometry/spot.ts';
import { useExtent } from './extent.ts';
import { useSheetPieces, type SheetPiece } from './sheet-pieces.ts';

/** A place on the vehicle that can be picked. The word is what it says; tape where it was written by a person. */
export interface SheetMark {
  id: string;
  at: PointMm;
  label: string;
  word?: string;
  tone?: 'open' | 'settled' | 'question' | 'fault';
  shape?: 'ring' | 'bar';
  /** Lights up the lamp that is drawn there. */
  lit?: LightColour;
}

const props = defineProps<{
  profile: Pick<VehicleProfile, 'body' | 'measures'>;
  view: View;
  marks?: SheetMark[];
  picked?: string;
  /** Pieces to show with their state now. */
  pieces?: SheetPiece[];
  /** Part of the view, in sheet millimetres: x, y, width, height. */
  part?: [number, number, number, number];
  /** Pieces whose names stand outside the drawing, those of most weight first. */
  named?: readonly string[];
  /** The piece that is being looked at. */
  chosen?: string;
  /** Only what is seen from outside is drawn, and the piece that is being looked at. */
  outside?: boolean;
  /** No piece that is seen from here is described, which is not to say that there is none. */
  undescribed?: boolean;
  /** Layers of the pieces where they are to be seen moved out, one behind the other. */
  layers?: ReadonlyMap<string, number>;
  /** A tap says a place, in millimetres of the sheet, and not a piece. */
  pointing?: boolean;
  /** Dragging over it says an extent: with a mouse, or with a finger too, which then does not scroll. */
  extents?: 'mouse' | 'finger';
  label: string;
}>();
const emit = defineEmits<{ pick: [id: string]; piece: [id: string]; spot: [at: [number, number]]; extent: [part: Part] }>();

const whole = computed(() => props.part ?? frame(props.view, props.profile.measures));
const strokes = computed(() => outline(props.profile.body, props.view, props.profile.measures));
/** What stands on the ground is drawn on a line, from above it has none. */
const onGround = computed(() => props.view !== 'top');
const size = computed(() => whole.value[2] / 1000);
/** Marks stand apart by this share of the sheet's width, so that each can be tapped; a line leads to the true place. */
const APART = 72;
const placed = computed(() => {
  const marks = props.marks ?? [];
  const places = marks.map((mark) => project(props.view, mark.at));
  const apart = spread(places, APART * size.value);
  return marks.map((mark, index) => {
    const [x, y] = apart[index] ?? [0, 0];
    const [trueX, trueY] = places[index] ?? [0, 0];
    const wordWidth = ((mark.word?.length ?? 0) * 17 + 24) * size.value;
    const [left, , wide] = whole.value;
    const wordX = Math.min(left + wide - wordWidth, Math.max(left, x - wordWidth / 2));
    // Words of neighbours stand in two rows below their marks.
    const wordY = y + (index % 2 === 0 ? 26 : 70) * size.value;
    return { ...mark, x, y, trueX, trueY, wordX, wordY, wordWidth, led: Math.hypot(x - trueX, y - trueY) > 12 * size.value };
  });
});
/** Lamps that are on, each in its own colour. */
const lit = computed(() =>
  (props.marks ?? []).flatMap(({ at, lit: colour }) => {
    const lamp = colour && lampAt(strokes.value, project(props.view, at));
    return lamp ? [{ path: lamp.path, colour }] : [];
  }),
);

const hatch = useId();
/** States are told by line and fill, in every light and on paper. */
function fillOf({ part, level }: SheetPiece): { fill: string } | undefined {
  if (part === 'replaced') return { fill: `url(#${hatch}-gone)` };
  return part === 'planned' && level === 'fitted' ? { fill: `url(#${hatch})` } : undefined;
}

const svg = useTemplateRef<SVGSVGElement>('svg');
const { drawn, held, names, box, meant, spotOf } = useSheetPieces(props, whole, strokes, svg);
const said = computed(() =>
  [props.label, ...(names.value.left.length > 0 ? [SHEET_NAMES.more(names.value.left.length)] : []), ...(props.undescribed ? [SHEET_NAMES.undescribed] : [])].join(', '),
);

const extent = useExtent(spotOf, { wanted: () => props.extents === 'finger', done: (part) => emit('extent', part) });
const dragging = extent.drawn;

function tap(event: MouseEvent): void {
  if (extent.wasDragged()) return;
  const spot = props.pointing ? spotOf(event) : undefined;
  if (spot) return emit('spot', spot);
  const id = meant(event);
  if (id !== undefined) emit('piece', id);
}
</script>

<template>
  <svg
    ref="svg"
    class="sheet"
    :class="{ sizing: extents === 'finger' }"
    :viewBox="box.join(' ')"
    role="group"
    :aria-label="said"
    preserveAspectRatio="xMidYMid meet"
    v-on="extents ? { pointerdown: extent.begin, pointermove: extent.move, pointerup: extent.end, pointercancel: extent.drop } : {}"
    @click="tap"
  >
    <defs>
      <pattern :id="hatch" :width="26 * size" :height="26 * size" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path class="hatch" :d="`M0 0V${26 * size}`" />
      </pattern>
      <pattern :id="`${hatch}-gone`" :width="34 * size" :height="34 * size" patternUnits="userSpaceOnUse">
        <path class="hatch" :d="`M0 0L${34 * size} ${34 * size}M${34 * size} 0L0 ${34 * size}`" />
      </pattern>
      <pattern :id="`${hatch}-none`" :width="30 * size" :height="30 * size" patternUnits="userSpaceOnUse">
        <rect class="unknown" :width="30 * size" :height="30 * size" />
        <path class="speck" :d="`M${15 * size} ${15 * size}h0.01`" />
      </pattern>
      <clipPath :id="`${hatch}-held`">
        <rect :x="held[0]" :y="held[1]" :width="held[2]" :height="held[3]" />
      </clipPath>
    </defs>
    <path v-if="onGround" class="ground" :d="`M${held[0]} 0h${held[2]}`" />
    <g :class="{ under: layers, undescribed }" :clip-path="`url(#${hatch}-held)`">
      <path
        v-for="(stroke, index) in strokes"
        :key="index"
        :d="stroke.path"
        :class="stroke.kind"
        :style="undescribed && stroke.kind === 'body' ? { fill: `url(#${hatch}-none)` } : undefined"
      />
    </g>
    <path v-for="(lamp, index) in lit" :key="`lit ${index}`" :d="lamp.path" class="lit" :class="lamp.colour" />
    <template v-if="layers">
      <path v-for="entry in drawn" :key="entry.id" class="guide" :d="`M${entry.middle[0]} ${entry.middle[1]}l${entry.dx} ${entry.dy}`" />
    </template>
    <g
      v-for="entry in drawn"
      :key="entry.id"
      class="piece"
      :class="[entry.part, { away: entry.level !== 'fitted', behind: entry.behind, chosen: entry.id === chosen }]"
      :transform="layers ? `translate(${entry.dx} ${entry.dy})` : undefined"
    >
      <path v-if="layers" :d="entry.path" class="sheetmetal" />
      <path v-for="(stroke, index) in entry.on" :key="index" :d="stroke.path" :class="stroke.kind" />
      <path :d="entry.path" class="edge" :style="fillOf(entry)" />
      <title>{{ entry.piece.name }}: {{ entry.level }}</title>
    </g>
    <rect v-if="dragging" class="extent" :x="dragging.left" :y="dragging.top" :width="dragging.right - dragging.left" :height="dragging.bottom - dragging.top" />
    <g v-for="name in names.names" :key="name.id" class="name" :class="{ chosen: name.id === chosen }">
      <polyline :points="name.lead.map((point) => point.join(',')).join(' ')" />
      <circle :cx="name.lead.at(-1)?.[0]" :cy="name.lead.at(-1)?.[1]" :r="names.sizeMm * 0.18" />
      <text :text-anchor="name.anchor" :font-size="names.sizeMm">
        <tspan v-for="(line, index) in name.lines" :key="index" :x="name.at[0]" :y="name.at[1] + index * names.sizeMm * 1.15">{{ line }}</tspan>
      </text>
    </g>
    <g
      v-for="mark in placed"
      :key="mark.id"
      class="mark"
      :class="[mark.tone ?? 'open', { picked: mark.id === picked }]"
      role="button"
      tabindex="0"
      :aria-label="mark.word ? `${mark.label}: ${mark.word}` : mark.label"
      :aria-pressed="mark.id === picked"
      @click="emit('pick', mark.id)"
      @keydown.enter.prevent="emit('pick', mark.id)"
      @keydown.space.prevent="emit('pick', mark.id)"
    >
      <circle :cx="mark.x" :cy="mark.y" :r="(APART / 2) * size" class="reach" />
      <path v-if="mark.led" :d="`M${mark.trueX} ${mark.trueY}L${mark.x} ${mark.y}`" class="lead" />
      <circle v-if="mark.shape !== 'bar'" :cx="mark.x" :cy="mark.y" :r="15 * size" class="dot" />
      <path v-else :d="`M${mark.x - 5 * size} ${mark.y - 20 * size}v${40 * size}M${mark.x + 5 * size} ${mark.y - 20 * size}v${40 * size}`" class="dot gauge" />
      <g v-if="mark.word" class="word">
        <path :d="`M${mark.wordX} ${mark.wordY}h${mark.wordWidth}l${-4 * size} ${20 * size}l${3 * size} ${20 * size}h${-mark.wordWidth}l${3 * size} ${-18 * size}z`" />
        <text :x="mark.wordX + 13 * size" :y="mark.wordY + 31 * size" :font-size="30 * size">{{ mark.word }}</text>
      </g>
    </g>
    <slot :size="size" />
  </svg>
</template>

<style scoped>
.sizing {
  touch-action: none;
  cursor: crosshair;
}

.extent {
  fill: none;
  stroke: var(--amber);
  stroke-width: 3;
  stroke-dasharray: 10 6;
  vector-effect: non-scaling-stroke;
}

.sheet {
  display: block;
  width: 100%;
  height: auto;
  margin-top: 10px;
  max-height: 62vh;
}

path,
rect,
circle {
  vector-effect: non-scaling-stroke;
}

.body {
  fill: var(--paper);
  stroke: var(--drawing);
  stroke-width: 1.8px;
}

.unknown {
  fill: var(--paper);
}

.speck {
  stroke: var(--drawing-soft);
  stroke-width: 2.4px;
  stroke-linecap: round;
}

/* Not described: dotted in line and fill, in every light and on paper. */
.undescribed .body,
.undescribed .panel {
  stroke-dasharray: 1 5;
  stroke-linecap: round;
}

.glass {
  fill: var(--glass);
  stroke: var(--drawing);
  stroke-width: 1px;
}

.ground,
.detail {
  fill: none;
  stroke: var(--drawing-soft);
  stroke-width: 0.8px;
}

.panel {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 1.1px;
}

.black,
.arch,
.tyre,
.rim,
.lamp,
.lens,
.turn,
.red,
.blank {
  stroke: var(--drawing);
  stroke-width: 1px;
}

.black {
  fill: var(--plate-black);
}

.arch {
  fill: var(--plate-arch);
}

.tyre {
  fill: var(--plate-tyre);
  stroke-width: 1.4px;
}

.rim,
.lamp,
.blank {
  fill: var(--plate-pale);
}

.lens {
  fill: var(--paper-raised);
}

.turn {
  fill: var(--plate-turn);
}

.red {
  fill: var(--plate-red);
}

.lit {
  stroke: var(--drawing);
  stroke-width: 2px;
  filter: drop-shadow(0 0 5px currentcolor) drop-shadow(0 0 9px currentcolor);
}

.lit.white {
  color: var(--lit-white);
  fill: var(--lit-white);
}

.lit.amber {
  color: var(--lit-amber);
  fill: var(--lit-amber);
}

.lit.red {
  color: var(--lit-red);
  fill: var(--lit-red);
}

.under {
  opacity: 0.5;
}

.hatch {
  stroke: var(--ink);
  stroke-width: 0.8px;
}

.guide {
  fill: none;
  stroke: var(--drawing-soft);
  stroke-width: 0.7px;
}

.piece {
  cursor: pointer;
}

.sheetmetal {
  fill: var(--paper);
}

.edge {
  fill: transparent;
  stroke: var(--drawing-soft);
  stroke-width: 1px;
}

.piece.behind .edge {
  stroke-dasharray: 2 4;
}

.piece.planned .edge {
  stroke: var(--ink);
  stroke-width: 1.6px;
}

.piece.now .edge {
  stroke: var(--amber);
  stroke-width: 3.5px;
  fill: color-mix(in srgb, var(--amber) 22%, transparent);
}

.piece.done .edge,
.piece.away .edge {
  stroke: var(--jade);
  stroke-dasharray: 9 5;
  stroke-width: 1.8px;
  fill: color-mix(in srgb, var(--paper-sunk) 70%, transparent);
}

/* Gone for good: dots and dashes round what is struck through by the fill. */
.piece.replaced .edge {
  stroke: var(--ink);
  stroke-dasharray: 12 4 2 4;
  stroke-width: 1.8px;
}

.piece.chosen .edge {
  stroke: var(--focus);
  stroke-width: 3px;
  fill: color-mix(in srgb, var(--focus) 14%, transparent);
}

.name polyline {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 0.7px;
  vector-effect: non-scaling-stroke;
}

.name circle {
  fill: var(--drawing);
}

/* What is named is meant by its name. */
.name text {
  cursor: pointer;
  fill: var(--ink);
}

.name.chosen text {
  font-weight: 700;
}

.mark {
  cursor: pointer;
  outline-offset: 0;
}

.reach {
  fill: transparent;
}

.dot {
  fill: var(--paper-raised);
  stroke: var(--ink);
  stroke-width: 2px;
}

.settled .dot {
  fill: var(--jade);
  stroke: var(--jade);
}

.question .dot {
  fill: var(--tape);
  stroke: var(--amber);
}

.fault .dot {
  fill: var(--red);
  stroke: var(--red);
}

.gauge {
  fill: none !important;
}

.lead {
  stroke: var(--drawing);
  stroke-width: 1px;
}

.picked .reach {
  fill: color-mix(in srgb, var(--focus) 14%, transparent);
  stroke: var(--focus);
  stroke-width: 2px;
}

.word path {
  fill: var(--tape);
}

.word text {
  fill: var(--on-tape);
  font-weight: 640;
}
</style>
