<script setup lang="ts">
import { computed } from 'vue';
import { type Level, type Piece, type PointMm, type VehicleProfile } from '@jade/core/vehicle';
import { frame, outline, project, projectBox, type View } from '../geometry/outline.ts';
import { spread } from '../geometry/spread.ts';

/** A place on the vehicle that can be picked. The word is what it says; tape where it was written by a person. */
export interface SheetMark {
  id: string;
  at: PointMm;
  label: string;
  word?: string;
  tone?: 'open' | 'settled' | 'question' | 'fault';
  shape?: 'ring' | 'bar';
}

/** A piece as it stands now. */
export interface SheetPiece {
  piece: Piece;
  level: Level;
  part: 'now' | 'planned' | 'done' | 'other';
}

const props = defineProps<{
  profile: VehicleProfile;
  view: View;
  marks?: SheetMark[];
  picked?: string;
  /** Pieces to show with their state now. */
  pieces?: SheetPiece[];
  /** Part of the view, in sheet millimetres: x, y, width, height. */
  part?: [number, number, number, number];
  label: string;
}>();
const emit = defineEmits<{ pick: [id: string]; piece: [id: string] }>();

const box = computed(() => props.part ?? frame(props.view, props.profile.measures));
const strokes = computed(() => outline(props.profile.body, props.view, props.profile.measures));
/** What stands on the ground is drawn on a line, from above it has none. */
const onGround = computed(() => props.view !== 'top');
const size = computed(() => box.value[2] / 1000);
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
    const [left, , wide] = box.value;
    const wordX = Math.min(left + wide - wordWidth, Math.max(left, x - wordWidth / 2));
    // Words of neighbours stand in two rows below their marks.
    const wordY = y + (index % 2 === 0 ? 26 : 70) * size.value;
    return { ...mark, x, y, trueX, trueY, wordX, wordY, wordWidth, led: Math.hypot(x - trueX, y - trueY) > 12 * size.value };
  });
});
const boxes = computed(() => (props.pieces ?? []).map((entry) => ({ ...entry, ...projectBox(props.view, entry.piece.box) })));
</script>

<template>
  <svg class="sheet" :viewBox="box.join(' ')" role="group" :aria-label="label" preserveAspectRatio="xMidYMid meet">
    <path v-if="onGround" class="ground" :d="`M${box[0]} 0h${box[2]}`" />
    <path v-for="(stroke, index) in strokes" :key="index" :d="stroke.path" :class="stroke.kind" />
    <g v-for="entry in boxes" :key="entry.piece.id" class="piece" :class="[entry.part, { away: entry.level !== 'fitted' }]" @click="emit('piece', entry.piece.id)">
      <rect :x="entry.x" :y="entry.y" :width="Math.max(entry.width, 12)" :height="Math.max(entry.height, 12)" :rx="16" />
      <title>{{ entry.piece.name }}: {{ entry.level }}</title>
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

.piece {
  cursor: pointer;
}

.piece rect {
  fill: transparent;
  stroke: var(--drawing-soft);
  stroke-width: 1px;
}

.piece.planned rect {
  stroke: var(--ink);
  stroke-width: 1.6px;
  fill: color-mix(in srgb, var(--ink) 6%, transparent);
}

.piece.now rect {
  stroke: var(--amber);
  stroke-width: 3.5px;
  fill: color-mix(in srgb, var(--amber) 22%, transparent);
}

.piece.done rect,
.piece.away rect {
  stroke: var(--jade);
  stroke-dasharray: 7 5;
  stroke-width: 1.8px;
  fill: color-mix(in srgb, var(--jade) 10%, transparent);
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
