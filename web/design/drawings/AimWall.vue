<script setup lang="ts">
import { computed } from 'vue';
import { AIM_WALL } from '@jade/words/design';
import { millimetres } from '@jade/words/units';

export interface WallLamp {
  key: string;
  name: string;
  sidewaysMm: number;
  referenceMm: number;
  wantedMm: number;
  highestMm: number;
  lowestMm: number;
  beforeMm?: number;
  afterMm?: number;
  within?: boolean;
}

/** The wall as the driver sees it: lamp height, the band that is in, and tape where the cut-off was found. */
const props = defineProps<{ lamps: WallLamp[]; picked?: string; label: string }>();
const emit = defineEmits<{ pick: [key: string] }>();
const HALF = 170;

const heights = computed(() => props.lamps.flatMap((lamp) => [lamp.referenceMm, lamp.highestMm, lamp.lowestMm, lamp.beforeMm ?? lamp.wantedMm, lamp.afterMm ?? lamp.wantedMm]));
const top = computed(() => Math.max(...heights.value) + 60);
const bottom = computed(() => Math.max(-20, Math.min(...heights.value) - 60));
const scale = computed(() => 330 / (top.value - bottom.value));
const y = (heightMm: number) => 18 + (top.value - heightMm) * scale.value;
const spread = computed(() => Math.max(500, ...props.lamps.map((lamp) => Math.abs(lamp.sidewaysMm))));
/** From the driver's seat the left lamp is left. */
const x = (sidewaysMm: number) => 450 - (sidewaysMm / spread.value) * 232;
</script>

<template>
  <svg viewBox="0 0 900 392" role="group" :aria-label="label">
    <rect class="wall" x="0" y="0" width="900" height="372" />
    <path class="floor" d="M0 372H900" />
    <path class="middle" d="M450 0V372" />
    <text x="456" y="366" font-size="12">{{ AIM_WALL.vehiclesCentreLine }}</text>
    <g v-for="lamp in lamps" :key="lamp.key" class="lamp" :class="{ picked: lamp.key === picked }" @click="emit('pick', lamp.key)">
      <rect
        class="tap"
        :x="x(lamp.sidewaysMm) - HALF"
        y="4"
        :width="HALF * 2"
        height="364"
        role="button"
        tabindex="0"
        :aria-label="AIM_WALL.whole(lamp.name, millimetres(lamp.wantedMm))"
        @keydown.enter.prevent="emit('pick', lamp.key)"
      />
      <path class="column" :d="`M${x(lamp.sidewaysMm)} 6V370`" />
      <rect class="band" :x="x(lamp.sidewaysMm) - HALF" :y="y(lamp.highestMm)" :width="HALF * 2" :height="Math.max(2, y(lamp.lowestMm) - y(lamp.highestMm))" />
      <path class="wanted" :d="`M${x(lamp.sidewaysMm) - HALF} ${y(lamp.wantedMm)}h${HALF * 2}`" />
      <text class="strong" :x="x(lamp.sidewaysMm) - HALF + 5" :y="y(lamp.wantedMm) - 5">{{ AIM_WALL.wanted(millimetres(lamp.wantedMm)) }}</text>
      <path class="reference" :d="`M${x(lamp.sidewaysMm) - 26} ${y(lamp.referenceMm)}h52M${x(lamp.sidewaysMm)} ${y(lamp.referenceMm) - 10}v20`" />
      <text :x="x(lamp.sidewaysMm) + 32" :y="y(lamp.referenceMm) + 4">{{ lamp.name }}, {{ millimetres(lamp.referenceMm) }}</text>
      <g v-if="lamp.beforeMm !== undefined" class="tape old">
        <path :d="`M${x(lamp.sidewaysMm) - 96} ${y(lamp.beforeMm) - 8}l3 16h98l-2 -16z`" />
        <text :x="x(lamp.sidewaysMm) - 90" :y="y(lamp.beforeMm) + 5">{{ AIM_WALL.before(millimetres(lamp.beforeMm)) }}</text>
      </g>
      <g v-if="lamp.afterMm !== undefined" class="tape">
        <path :d="`M${x(lamp.sidewaysMm) + 34} ${y(lamp.afterMm) - 10}l3 20h122l-3 -20z`" />
        <text :x="x(lamp.sidewaysMm) + 42" :y="y(lamp.afterMm) + 5">{{ AIM_WALL.after(millimetres(lamp.afterMm), lamp.within) }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
}

.wall {
  fill: var(--paper-sunk);
}

.floor {
  stroke: var(--drawing);
  stroke-width: 5;
}

.middle,
.column {
  stroke: var(--drawing-soft);
  stroke-dasharray: 8 5;
}

.lamp {
  cursor: pointer;
}

.tap {
  fill: transparent;
}

.picked .tap {
  fill: color-mix(in srgb, var(--focus) 8%, transparent);
}

.band {
  fill: color-mix(in srgb, var(--jade) 22%, transparent);
}

.wanted {
  stroke: var(--jade);
  stroke-width: 3;
}

.reference {
  stroke: var(--ink);
  stroke-width: 2;
}

text {
  font-size: 13px;
  fill: var(--ink);
}

.strong {
  font-weight: 650;
}

.tape path {
  fill: var(--tape);
}

.tape.old path {
  opacity: 0.6;
}

.tape text {
  fill: var(--on-tape);
  font-weight: 640;
}

.tape.old text {
  font-size: 12px;
  fill: var(--ink);
}
</style>
