<script setup lang="ts">
import { computed, ref } from 'vue';
import { WIRE_PICTURE } from '@jade/words/design';
import { bandsOf, layPicture, type PictureLane } from '@jade/words/drawing';
import { useRoom } from '../room.ts';

/** The job's electrical picture from source to ground: a tap on what guards a circuit or on a joint looks at it closely. */
const props = defineProps<{ lanes: readonly PictureLane[]; selected?: string }>();
const emit = defineEmits<{ select: [id: string] }>();
const frame = ref<HTMLElement | null>(null);
const room = useRoom(frame, 760);
const picture = computed(() => layPicture(props.lanes, Math.max(300, room.value)));
const drawn = computed(() =>
  picture.value.lanes.flatMap((laid, index) => {
    const lane = props.lanes[index];
    return lane ? [{ laid, lane, branches: laid.branches.flatMap((at, place) => (lane.branches[place] ? [{ at, branch: lane.branches[place] }] : [])) }] : [];
  }),
);

/** What makes a part of the picture one that is tapped or pressed. */
const pressed = (id: string, label: string) => ({
  role: 'button',
  tabindex: 0,
  'aria-label': label,
  'aria-pressed': props.selected === id,
  onClick: () => emit('select', id),
  onKeydown: (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    emit('select', id);
  },
});
</script>

<template>
  <div ref="frame" class="frame">
    <svg :viewBox="`0 0 ${picture.width} ${picture.height}`" :style="{ height: `${picture.height}px` }" role="group" :aria-label="WIRE_PICTURE.label">
      <path class="ground-rail" :d="picture.rail" />
      <path class="ground" :d="picture.sign" />
      <text :x="picture.name.x" :y="picture.name.y" text-anchor="end">{{ picture.name.text }}</text>
      <g v-for="{ laid, lane, branches } in drawn" :key="lane.id">
        <g v-for="{ at, branch } in branches" :key="branch.id">
          <g v-for="path in [at.toJoint, at.toEnd].filter((entry) => entry !== '')" :key="path">
            <path class="edge" :d="path" />
            <path v-for="(band, order) in bandsOf(branch.colour)" :key="order" class="wire" :class="{ tracer: order > 0 }" :d="path" :stroke="band" />
          </g>
          <text v-if="at.leg" class="code" :x="at.leg.x" :y="at.leg.y" text-anchor="middle">{{ at.leg.text }}</text>
          <text v-if="at.code" class="code" :x="at.code.x" :y="at.code.y" text-anchor="middle">{{ at.code.text }}</text>
          <path class="back" :d="at.back" />
          <circle class="node" :cx="picture.ground" :cy="at.y" r="4" />
          <path class="outline" :d="at.end.outline" />
          <path class="mark" :d="at.end.mark" />
          <text v-for="line in at.end.lines" :key="line.text" :x="line.x" :y="line.y" text-anchor="middle">{{ line.text }}</text>
          <g v-if="branch.joint !== undefined" class="stop" :class="[branch.state, { chosen: selected === branch.id }]" v-bind="pressed(branch.id, branch.label)">
            <rect class="touch" v-bind="at.joint.touch" rx="5" />
            <path v-for="half in at.joint.halves" :key="half" class="half" :d="half" />
            <text v-for="line in at.joint.lines" :key="line.text" :x="line.x" :y="line.y" text-anchor="middle">{{ `${line.text} ` }}</text>
          </g>
        </g>
        <template v-if="laid.contact">
          <path class="outline" :d="laid.contact.outline" />
          <path class="mark" :d="laid.contact.mark" />
          <text v-for="line in laid.contact.lines" :key="line.text" :x="line.x" :y="line.y" text-anchor="middle">{{ line.text }}</text>
        </template>
        <g class="guard" :class="[lane.state, { chosen: selected === lane.id }]" v-bind="pressed(lane.id, lane.label)">
          <rect class="box" :x="laid.guard.x" :y="laid.guard.y" :width="laid.guard.width" :height="laid.guard.height" rx="4" />
          <text v-for="(line, order) in laid.guard.lines" :key="order" :x="line.x" :y="line.y" :class="{ name: order < laid.guard.name }">
            {{ `${line.text}${lane.settled && order === laid.guard.lines.length - 1 ? ' ✓' : ''} ` }}
          </text>
        </g>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  width: 100%;
}

svg {
  display: block;
  width: 100%;
}

text {
  font-size: 13px;
  fill: var(--ink);
}

.code {
  font-size: 12px;
  fill: var(--ink-soft);
}

.edge {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 7;
}

.wire {
  fill: none;
  stroke-width: 5;
}

.wire.tracer {
  stroke-width: 2;
}

.back {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 2;
}

.node {
  fill: var(--drawing);
}

.ground,
.ground-rail {
  fill: none;
  stroke: var(--drawing-soft);
  stroke-width: 2;
}

.ground-rail {
  stroke-width: 3;
}

.outline {
  fill: var(--paper-raised);
  stroke: var(--drawing);
  stroke-width: 2;
}

.mark {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 2;
}

.stop,
.guard {
  cursor: pointer;
  outline: none;
}

.touch {
  fill: transparent;
  stroke: transparent;
  stroke-width: 2;
}

.half {
  fill: var(--paper-raised);
  stroke: var(--drawing);
  stroke-width: 2;
}

.joined .half {
  fill: var(--jade);
  stroke: var(--jade);
}

.wrong .half {
  fill: var(--red-soft);
  stroke: var(--red);
}

.box {
  fill: var(--paper-sunk);
  stroke: var(--drawing);
  stroke-width: 1.6;
}

.guard.unknown .box {
  stroke-dasharray: 6 4;
}

.guard.warn .box {
  fill: var(--amber-soft);
  stroke: var(--amber);
}

.guard.refuse .box {
  fill: var(--red-soft);
  stroke: var(--red);
  stroke-width: 2.6;
}

.name {
  font-weight: 700;
}

.chosen .touch,
.stop:hover .touch {
  stroke: var(--jade);
}

.chosen .box {
  stroke: var(--jade);
  stroke-width: 3;
}

.stop:focus-visible .touch,
.guard:focus-visible .box {
  stroke: var(--focus);
  stroke-width: 3;
}
</style>
