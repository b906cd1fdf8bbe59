<script setup lang="ts">
import { computed } from 'vue';
import type { BenchColumn, CountLine } from '@jade/core/contents';
import { BENCH_LAYOUT, HANDS } from '@jade/words/gather';

/** The contents of a kit as they are laid out on the bench: the left hand on the left, the right hand on the right, each by its kind; the one that is counted now is marked. */
const props = defineProps<{ columns: readonly BenchColumn[]; item: string }>();
const [WIDE, HIGH, GAP, HEAD] = [56, 40, 8, 20];

/** Outlines by kind, in a box of 56 by 40. */
const SHAPES: Readonly<Record<CountLine['item']['kind'], string>> = {
  lamp: 'M14 8h28a12 12 0 0 1 0 24h-28zM14 8v24M22 14v12M29 14v12M36 14v12',
  bracket: 'M12 8h10v18h24v8H12zM17 13v.1M40 30v.1',
  harness: 'M8 26c8-16 14-16 18-4s8 10 14-4M6 22h5v8H6zM40 13h8v8h-8z',
  adapter: 'M8 14h14v12H8zM34 14h14v12H34zM22 18h12M22 22h12',
  fastener: 'M14 12h8v16h-8zM22 17h20v6H22zM28 17l3 6M34 17l3 6',
  trim: 'M10 28c4-16 32-16 36 0M16 28c4-8 20-8 24 0',
  switch: 'M16 8h24v24H16zM22 14h12v12H22zM28 14v12',
  other: 'M14 10h28v20H14zM14 16h28',
};
const laid = computed(() =>
  props.columns.flatMap((column, index) =>
    column.lines.map((line, row) => ({ line, x: index * (2 * WIDE + 3 * GAP) + (row % 2) * (WIDE + GAP), y: HEAD + Math.floor(row / 2) * (HIGH + GAP) })),
  ),
);
const heads = computed(() => props.columns.map(({ hand }, index) => ({ hand, x: index * (2 * WIDE + 3 * GAP) })));
const width = computed(() => props.columns.length * (2 * WIDE + 3 * GAP) - 2 * GAP);
const height = computed(() => Math.max(...laid.value.map(({ y }) => y)) + HIGH + 2);
const nameNow = computed(() => laid.value.find(({ line }) => line.item.id === props.item)?.line.item.name ?? '');
</script>

<template>
  <svg :viewBox="`-2 0 ${width + 4} ${height}`" :style="{ maxWidth: `${width * 1.25}px` }" role="img" :aria-label="BENCH_LAYOUT.label(nameNow)">
    <text v-for="head in heads" :key="head.hand" :x="head.x" y="13">{{ HANDS[head.hand] }}</text>
    <g
      v-for="{ line, x, y } in laid"
      :key="line.item.id"
      :transform="`translate(${x} ${y})`"
      :class="[{ now: line.item.id === item, idle: line.needed === 'no' }, line.counted === undefined ? 'open' : 'counted']"
    >
      <title>{{ line.item.name }}</title>
      <rect :width="WIDE" :height="HIGH" rx="3" />
      <path :d="SHAPES[line.item.kind]" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-height: 34vh;
}

text {
  font-size: 13px;
  fill: var(--ink-soft);
}

rect {
  fill: var(--paper-raised);
  stroke: var(--line-strong);
  stroke-width: 1.2;
}

path {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 1.8;
  stroke-linejoin: round;
  stroke-linecap: round;
}

.counted rect {
  fill: var(--jade-soft);
  stroke: var(--jade);
}

.idle rect {
  stroke-dasharray: 3 4;
}

.idle path {
  stroke: var(--drawing-soft);
}

.now rect {
  stroke: var(--amber);
  stroke-width: 4;
}

.now path {
  stroke-width: 2.6;
}
</style>
