<script setup lang="ts">
import { computed } from 'vue';
import type { LanesOnClock } from '@jade/core/access';
import { TWO_LANES } from '@jade/words/design';

/** Two people side by side: each lane a strip of time, joint moments across both. A strip too short for its name bears its slot, counted from `first`. */
const props = defineProps<{ lanes: LanesOnClock; names: readonly string[]; first: number; room: number; label: string }>();
const LEFT = 66;
const LANE = 40;
const TOP = 22;

const scale = computed(() => (props.room - LEFT - 12) / Math.max(0.01, props.lanes.elapsedMin));
const boxes = computed(() =>
  props.lanes.entries.map((entry) => ({
    key: entry.step,
    name: props.names[entry.step] ?? '',
    x: LEFT + entry.startMin * scale.value,
    width: Math.max(3, (entry.endMin - entry.startMin) * scale.value - 2),
    y: TOP + (entry.lane === 1 ? LANE : 0),
    height: entry.lane === 'both' ? 2 * LANE - 4 : LANE - 4,
    joint: entry.lane === 'both',
  })),
);
const marks = computed(() => {
  const everyMin = props.lanes.elapsedMin > 30 ? 10 : props.lanes.elapsedMin > 12 ? 5 : 2;
  return Array.from({ length: Math.floor(props.lanes.elapsedMin / everyMin) + 1 }, (_, index) => ({ x: LEFT + index * everyMin * scale.value, minutes: index * everyMin }));
});
const fits = (box: { name: string; width: number }) => box.name.length * 7 < box.width - 8;
</script>

<template>
  <svg :width="room" :height="TOP + 2 * LANE + 4" role="img" :aria-label="label">
    <g v-for="mark in marks" :key="mark.x">
      <path class="rule" :d="`M${mark.x} 16V${TOP + 2 * LANE}`" />
      <text class="minute" :x="mark.x" y="12" text-anchor="middle">{{ TWO_LANES.at(mark.minutes) }}</text>
    </g>
    <text class="who" x="0" :y="TOP + 24">{{ TWO_LANES.one }}</text>
    <text class="who" x="0" :y="TOP + LANE + 24">{{ TWO_LANES.other }}</text>
    <g v-for="box in boxes" :key="box.key" :class="{ joint: box.joint }">
      <title>{{ box.name }}</title>
      <rect :x="box.x" :y="box.y" :width="box.width" :height="box.height" />
      <text v-if="fits(box)" class="name" :x="box.x + 6" :y="box.y + box.height / 2 + 5">{{ box.name }}</text>
      <text v-else class="name mono" :x="box.x + box.width / 2" :y="box.y + box.height / 2 + 5" text-anchor="middle">{{ first + box.key }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
}

.rule {
  stroke: var(--line);
}

.minute {
  font-size: 11.5px;
  fill: var(--ink-soft);
}

.who {
  font-size: 13px;
  fill: var(--ink);
}

rect {
  fill: var(--jade-soft);
  stroke: var(--jade);
  stroke-width: 1.5;
}

.joint rect {
  fill: var(--amber-soft);
  stroke: var(--amber);
}

.name {
  font-size: 12.5px;
  fill: var(--ink);
}
</style>
