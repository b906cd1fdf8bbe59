<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue';
import type { BoxMm, PointMm } from '@jade/core/vehicle';
import { draggedBox, draggedPoint, type Grip } from '../../../design/geometry/drag.ts';
import { project, projectBox, type View } from '../../../design/geometry/outline.ts';
import { useRoom } from '../../../design/room.ts';

/** What is taken hold of on the drawing: the edges of a box, or a point. It lies over the vehicle sheet, in the same millimetres. */
const props = defineProps<{ view: View; part: readonly [number, number, number, number]; box?: BoxMm; point?: PointMm }>();
const emit = defineEmits<{ box: [box: BoxMm]; point: [point: PointMm] }>();
const svg = useTemplateRef<SVGSVGElement>('svg');
const dragged = ref<{ grip: Grip | 'point'; from: readonly [number, number]; by: readonly [number, number] }>();
/** Millimetres of the sheet to a pixel of the screen, so that a grip is as wide as a finger whatever part is drawn. */
const room = useRoom(svg, 460);
const size = computed(() => props.part[2] / room.value);

const boxNow = computed(() => {
  const { value: drag } = dragged;
  if (!props.box) return undefined;
  return projectBox(props.view, drag && drag.grip !== 'point' ? draggedBox(props.view, props.box, drag.grip, drag.by) : props.box);
});
const pointNow = computed(() => {
  const { value: drag } = dragged;
  return props.point && project(props.view, drag?.grip === 'point' ? draggedPoint(props.view, props.point, drag.by) : props.point);
});
const grips = computed(() => {
  const box = boxNow.value;
  if (!box) return [];
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  // Round a small box they stand apart, so that each, and the box between them, has room for a finger.
  const [across, down] = [box.width, box.height].map((side) => Math.max(side / 2, 44 * size.value)) as [number, number];
  return [
    { grip: 'left' as const, x: x - across, y },
    { grip: 'right' as const, x: x + across, y },
    { grip: 'above' as const, x, y: y - down },
    { grip: 'below' as const, x, y: y + down },
  ];
});

function at(event: PointerEvent): readonly [number, number] {
  const matrix = svg.value?.getScreenCTM()?.inverse();
  const point = matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix) : { x: 0, y: 0 };
  return [point.x, point.y];
}
function take(event: PointerEvent, grip: Grip | 'point'): void {
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  dragged.value = { grip, from: at(event), by: [0, 0] };
}
function drag(event: PointerEvent): void {
  const { value: now } = dragged;
  if (!now) return;
  const [x, y] = at(event);
  dragged.value = { ...now, by: [x - now.from[0], y - now.from[1]] };
}
function letGo(): void {
  const { value: now } = dragged;
  dragged.value = undefined;
  if (!now) return;
  if (now.grip === 'point') {
    if (props.point) emit('point', draggedPoint(props.view, props.point, now.by));
  } else if (props.box) emit('box', draggedBox(props.view, props.box, now.grip, now.by));
}
</script>

<template>
  <svg
    ref="svg"
    class="handles"
    :viewBox="part.join(' ')"
    preserveAspectRatio="xMidYMid meet"
    aria-hidden="true"
    @pointermove="drag"
    @pointerup="letGo"
    @pointercancel="dragged = undefined"
  >
    <rect v-if="boxNow" class="whole" v-bind="boxNow" @pointerdown.prevent="(event) => take(event, 'whole')" />
    <rect
      v-if="boxNow"
      class="reach middle"
      :x="boxNow.x + boxNow.width / 2 - 22 * size"
      :y="boxNow.y + boxNow.height / 2 - 22 * size"
      :width="44 * size"
      :height="44 * size"
      @pointerdown.prevent="(event) => take(event, 'whole')"
    />
    <g v-for="entry in grips" :key="entry.grip" :class="entry.grip" @pointerdown.prevent="(event) => take(event, entry.grip)">
      <circle class="reach" :cx="entry.x" :cy="entry.y" :r="22 * size" />
      <circle class="grip" :cx="entry.x" :cy="entry.y" :r="7 * size" />
    </g>
    <g v-if="pointNow" class="point" @pointerdown.prevent="(event) => take(event, 'point')">
      <circle class="reach" :cx="pointNow[0]" :cy="pointNow[1]" :r="22 * size" />
      <circle class="grip" :cx="pointNow[0]" :cy="pointNow[1]" :r="8 * size" />
    </g>
  </svg>
</template>

<style scoped>
.handles {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
  pointer-events: none;
}

rect,
g {
  pointer-events: all;
}

.whole {
  fill: color-mix(in srgb, var(--jade) 12%, transparent);
  stroke: var(--jade);
  stroke-width: 2px;
  vector-effect: non-scaling-stroke;
  stroke-dasharray: 7 4;
  cursor: move;
}

.reach {
  fill: transparent;
}

.middle {
  cursor: move;
}

.grip {
  fill: var(--paper-raised);
  stroke: var(--jade);
  stroke-width: 3px;
  vector-effect: non-scaling-stroke;
}

.left,
.right {
  cursor: ew-resize;
}

.above,
.below {
  cursor: ns-resize;
}

.point {
  cursor: move;
}
</style>
