<script setup lang="ts">
import { computed } from 'vue';
import { WAY_IN } from '@jade/words/design';
import { BAR_LINE, TARGET_WIDTH, type WayBar, type WayDrawing } from '../geometry/way-in.ts';

/** The way in: layers from outside to the targets, length is minutes, ways not taken fainter. */
const props = defineProps<{ drawing: WayDrawing; picked?: string; label: string }>();
const emit = defineEmits<{ pick: [piece: string] }>();

/** Left and right as one letter, so that the two of a pair are told apart in little room. */
function short(name: string, room: number): string {
  const sided = name.replace(/, left$/, ' L').replace(/, right$/, ' R');
  const most = Math.floor(room / 6.9);
  const side = / [LR]$/.exec(sided)?.[0] ?? '';
  return sided.length > most ? `${sided.slice(0, most - 1 - side.length)}…${side}` : sided;
}
const shown = (bar: WayBar) => short(bar.name, props.drawing.layerWidth - 6);
/** The names of places that open together in two lines at most. */
function flag(names: readonly string[]): string[] {
  const room = TARGET_WIDTH - 24;
  const most = Math.floor(room / 6.9);
  const [first = '', ...more] = names;
  const sided = first.replace(/, left$/, ' L').replace(/, right$/, ' R');
  const side = / [LR]$/.exec(sided)?.[0] ?? '';
  if (more.length > 0) return [short(first, room), WAY_IN.more(more.length, short(more[0] ?? '', room - 28))];
  if (sided.length <= most) return [sided];
  const cut = sided.slice(0, sided.length - side.length).lastIndexOf(' ', most);
  return cut > 0 ? [sided.slice(0, cut), short(sided.slice(cut + 1), room)] : [short(first, room)];
}
/** Room of a flag's line, and where the first of two lies. */
const [LINE, ALONE, UPPER] = [14, 5, -2];
const flags = computed(() =>
  props.drawing.targets.map((target) => {
    const lines = flag(target.names);
    return { ...target, lines: lines.map((text, row) => ({ text, y: target.y + (lines.length > 1 ? UPPER + row * LINE : ALONE) })) };
  }),
);
const figure = (bar: WayBar) => `${bar.minutes.toFixed(1)}${bar.people > 1 ? ` × ${bar.people}` : ''}`;
const layerNames = computed(() => Array.from({ length: props.drawing.layers }, (_, index) => WAY_IN.layer(index)));
/** Begins with what stands there to be read, so that it can be called by that. */
const said = (bar: WayBar) => WAY_IN.bar(shown(bar), figure(bar), bar.state, bar.shared);
</script>

<template>
  <div class="scroll" tabindex="0" role="region" :aria-label="label">
    <svg :width="drawing.width" :height="drawing.height" role="group" :aria-label="label">
      <g v-for="(name, index) in layerNames" :key="name">
        <path class="rule" :d="`M${10 + index * drawing.layerWidth} 24V${drawing.height}`" />
        <text class="layer" :x="10 + index * drawing.layerWidth" y="16">{{ name }}</text>
      </g>
      <path v-for="(line, index) in drawing.links" :key="index" :d="line.path" class="link" :class="{ faint: line.faint }" />
      <g
        v-for="bar in drawing.bars"
        :key="bar.key"
        class="bar"
        :class="[bar.state, { picked: bar.piece === picked }]"
        role="button"
        tabindex="0"
        :aria-label="said(bar)"
        @click="emit('pick', bar.piece)"
        @keydown.enter.prevent="emit('pick', bar.piece)"
      >
        <rect class="tap" :x="bar.x - 4" :y="bar.y - 2" :width="drawing.layerWidth - 4" height="30" />
        <text :x="bar.x" :y="bar.y + 11">{{ shown(bar) }}</text>
        {{ ' ' }}
        <rect class="length" :x="bar.x" :y="bar.y + BAR_LINE - (bar.people > 1 ? 7 : 4)" :width="bar.width" :height="bar.people > 1 ? 14 : 8" />
        <path v-if="bar.people > 1" class="split" :d="`M${bar.x} ${bar.y + BAR_LINE}h${bar.width}`" />
        <path v-if="bar.cut" class="cut" :d="`M${bar.x + bar.width * 0.6} ${bar.y + BAR_LINE + 7}l6 -14m5 0l-6 14`" />
        <text class="minutes" :x="bar.x + bar.width + (bar.shared > 1 ? 8 : 5)" :y="bar.y + BAR_LINE + 4">{{ figure(bar) }}</text>
        <circle v-if="bar.shared > 1" class="shared" :cx="bar.x + bar.width" :cy="bar.y + BAR_LINE" r="4.5" />
      </g>
      <g v-for="target in flags" :key="target.id" class="target">
        <path :d="`M${target.x} ${target.y}l12 -17h${TARGET_WIDTH - 22}v34h-${TARGET_WIDTH - 22}z`" />
        <title>{{ target.names.join('; ') }}</title>
        <text v-for="line in target.lines" :key="line.y" :x="target.x + 17" :y="line.y">{{ line.text }}</text>
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
}

.layer {
  font-size: 12px;
  fill: var(--ink-soft);
}

.rule {
  stroke: var(--line);
}

.link {
  fill: none;
  stroke: var(--drawing-soft);
  stroke-width: 1.4;
}

.link.faint {
  stroke-dasharray: 3 5;
}

.bar {
  cursor: pointer;
}

.tap {
  fill: transparent;
}

.length {
  fill: var(--drawing);
}

.split {
  stroke: var(--paper-raised);
  stroke-width: 2;
}

.shared {
  fill: var(--paper-raised);
  stroke: var(--drawing);
  stroke-width: 2;
}

.bar text {
  font-size: 13px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper-raised);
  stroke-width: 3px;
}

.bar .minutes {
  font-size: 12px;
  fill: var(--ink-soft);
  font-variant-numeric: tabular-nums;
}

.done .length {
  fill: var(--jade);
}

.done .shared {
  stroke: var(--jade);
}

.next .length {
  fill: var(--amber);
}

.next text {
  font-weight: 700;
}

.other .length {
  fill: var(--paper-sunk);
  stroke: var(--drawing-soft);
  stroke-dasharray: 4 3;
}

.other text {
  fill: var(--ink-soft);
  font-style: italic;
}

.cut {
  fill: none;
  stroke: var(--drawing-soft);
  stroke-width: 2;
}

.picked .tap {
  fill: color-mix(in srgb, var(--focus) 12%, transparent);
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
