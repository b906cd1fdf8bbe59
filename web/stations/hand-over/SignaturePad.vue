<script setup lang="ts">
import { computed, ref } from 'vue';
import { MOST_STROKE, MOST_STROKES, type Stroke } from '@jade/core/events';
import { handOver } from '@jade/core/stations';
import { SIGNING } from '@jade/words/sheet';
import { strokePath } from '../../design/geometry/strokes.ts';

/** A signature drawn with a finger, a pen or the mouse; points are thousandths of the field's width. */
const emit = defineEmits<{ signed: [strokes: Stroke[]] }>();
const HIGH = 300;
/** Points that lie closer than this to the last one say nothing. */
const APART = 4;
const strokes = ref<Stroke[]>([]);
const drawing = ref(false);
const d = computed(() => strokePath(strokes.value));
const drawn = computed(() => handOver.linesOf(strokes.value).length > 0);

function at(event: PointerEvent): [number, number] {
  const box = (event.currentTarget as Element).getBoundingClientRect();
  const scale = 1000 / box.width;
  const within = (value: number, most: number) => Math.round(Math.min(most, Math.max(0, value)));
  return [within((event.clientX - box.left) * scale, 1000), within((event.clientY - box.top) * scale, HIGH)];
}

function begin(event: PointerEvent): void {
  if (strokes.value.length >= MOST_STROKES) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  drawing.value = true;
  strokes.value = [...strokes.value, { points: at(event) }];
}

function go(event: PointerEvent): void {
  if (!drawing.value) return;
  const points = strokes.value.at(-1)?.points ?? [];
  const [x, y] = at(event);
  const [lastX = 0, lastY = 0] = points.slice(-2);
  if (Math.hypot(x - lastX, y - lastY) < APART) return;
  if (points.length + 2 <= MOST_STROKE) strokes.value = [...strokes.value.slice(0, -1), { points: [...points, x, y] }];
  // A line longer than one stroke goes on in the next, from where it was.
  else if (strokes.value.length < MOST_STROKES) strokes.value = [...strokes.value, { points: [lastX, lastY, x, y] }];
}
</script>

<template>
  <div class="stack">
    <svg
      :viewBox="`0 0 1000 ${HIGH}`"
      class="field"
      role="img"
      :aria-label="SIGNING.field"
      @pointerdown="begin"
      @pointermove="go"
      @pointerup="drawing = false"
      @pointercancel="drawing = false"
    >
      <path class="rule" :d="`M40 ${HIGH - 60}H960`" />
      <path class="ink" :d="d" />
    </svg>
    <div class="line">
      <button type="button" class="push main" :disabled="!drawn" @click="emit('signed', strokes)">{{ SIGNING.done }}</button>
      <button type="button" class="push" :disabled="strokes.length === 0" @click="strokes = []">{{ SIGNING.again }}</button>
    </div>
  </div>
</template>

<style scoped>
.field {
  width: min(560px, 100%);
  border: 1.5px solid var(--line-strong);
  background: #fff;
  touch-action: none;
  cursor: crosshair;
}

.rule {
  stroke: #b9c2bd;
  stroke-width: 3;
}

.ink {
  fill: none;
  stroke: #1d2521;
  stroke-width: 5;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
