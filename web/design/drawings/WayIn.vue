<script setup lang="ts">
import { computed } from 'vue';
import { BAR_HEIGHT, LAYER, type WayBar, type WayDrawing } from '../geometry/way-in.ts';

/** The way in: layers from outside to the targets, length is minutes, ways not taken fainter. */
const props = defineProps<{ drawing: WayDrawing; picked?: string; label: string }>();
const emit = defineEmits<{ pick: [piece: string] }>();
const box = computed(() => `0 0 ${props.drawing.width} ${props.drawing.height}`);
/** Left and right as one letter, so that the two of a pair are told apart in little room. */
function short(name: string): string {
  const sided = name.replace(/, left$/, ' L').replace(/, right$/, ' R');
  return sided.length > 22 ? `${sided.slice(0, 19)}…${sided.slice(-2)}` : sided;
}

const figure = (bar: WayBar) => `${bar.minutes.toFixed(1)}${bar.people > 1 ? ` ×${bar.people}` : ''}`;
const layerNames = computed(() => Array.from({ length: props.drawing.layers }, (_, index) => (index === 0 ? 'outside' : `layer ${index + 1}`)));
</script>

<template>
  <div class="scroll" tabindex="0" role="region" :aria-label="label">
    <svg :viewBox="box" :style="{ minWidth: `${drawing.width * 0.82}px`, maxWidth: `${drawing.width * 1.1}px` }" role="group" :aria-label="label">
      <text v-for="(name, index) in layerNames" :key="name" class="layer" :x="8 + index * LAYER" y="18">{{ name }}</text>
      <path v-for="(line, index) in drawing.links" :key="index" :d="line.path" class="link" />
      <g
        v-for="bar in drawing.bars"
        :key="bar.key"
        class="bar"
        :class="[bar.state, { picked: bar.piece === picked }]"
        role="button"
        tabindex="0"
        :aria-label="`${short(bar.name)} ${figure(bar)} min, ${bar.state === 'other' ? 'way not taken' : bar.state}`"
        @click="emit('pick', bar.piece)"
        @keydown.enter.prevent="emit('pick', bar.piece)"
      >
        <rect class="tap" :x="bar.x - 2" :y="bar.y - 12" :width="LAYER - 8" height="44" />
        <rect :x="bar.x" :y="bar.y + BAR_HEIGHT - 11" :width="bar.width" :height="bar.people > 1 ? 13 : 8" />
        <text :x="bar.x" :y="bar.y + 13">{{ short(bar.name) }}</text>
        {{ ' ' }}
        <text class="minutes" :x="bar.x + bar.width + 5" :y="bar.y + BAR_HEIGHT - 2">{{ figure(bar) }}</text>
      </g>
      <g v-for="target in drawing.targets" :key="target.id" class="target">
        <path :d="`M${target.x} ${target.y - 15}h118l10 15l-10 15h-118z`" />
        <text :x="target.x + 10" :y="target.y + 5">{{ target.name }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

svg {
  display: block;
  width: 100%;
}

.layer {
  font-size: 12px;
  fill: var(--ink-soft);
}

.link {
  fill: none;
  stroke: var(--drawing-soft);
  stroke-width: 1.3;
}

.bar {
  cursor: pointer;
}

.tap {
  fill: transparent !important;
}

.bar rect {
  fill: var(--drawing);
}

.bar text {
  font-size: 13px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper-raised);
  stroke-width: 3px;
}

.bar .minutes {
  font-size: 11.5px;
  fill: var(--ink-soft);
}

.done rect {
  fill: var(--jade);
}

.done text {
  fill: var(--ink-soft);
}

.next rect {
  fill: var(--amber);
}

.next text {
  font-weight: 700;
}

.other rect:not(.tap) {
  fill: var(--paper-sunk);
  stroke: var(--drawing-soft);
  stroke-dasharray: 4 3;
}

.other text {
  fill: var(--ink-soft);
  font-style: italic;
}

.picked .tap {
  fill: color-mix(in srgb, var(--focus) 12%, transparent) !important;
}

.target path {
  fill: var(--jade);
}

.target text {
  font-size: 13px;
  font-weight: 640;
  fill: var(--on-jade);
}
</style>
