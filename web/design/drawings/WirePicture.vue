<script setup lang="ts">
import { computed, ref } from 'vue';
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
</script>

<template>
  <div ref="frame" class="frame">
    <svg :viewBox="`0 0 ${picture.width} ${picture.height}`" :style="{ height: `${picture.height}px` }" role="group" aria-label="Electrical picture, from source to ground">
      <path class="ground-rail" :d="`M${picture.ground} 24V${picture.height - 16}`" />
      <path class="ground" :d="`M${picture.ground - 11} ${picture.height - 16}h22m-18 5h14m-10 5h6`" />
      <text :x="picture.ground + 8" y="16" text-anchor="end">ground</text>
      <g v-for="{ laid, lane, branches } in drawn" :key="lane.id">
        <g v-for="{ at, branch } in branches" :key="branch.id">
          <g v-for="path in [at.toJoint, at.toEnd].filter((entry) => entry !== '')" :key="path">
            <path class="edge" :d="path" />
            <path v-for="(band, order) in bandsOf(branch.colour)" :key="order" class="wire" :d="path" :stroke="band" :stroke-width="order === 0 ? 5 : 2" />
          </g>
          <text v-if="branch.colour && at.code" class="code" :x="at.code.x" :y="at.code.y" text-anchor="middle">{{ branch.colour }}</text>
          <path class="back" :d="`M${at.end.x + 16} ${at.y}H${picture.ground}`" />
          <circle class="node" :cx="picture.ground" :cy="at.y" r="4" />
          <g class="end">
            <circle v-if="!branch.coil" :cx="at.end.x" :cy="at.y" r="16" />
            <path v-if="!branch.coil" :d="`M${at.end.x - 11} ${at.y - 11}l22 22m0-22l-22 22`" />
            <rect v-else :x="at.end.x - 16" :y="at.y - 11" width="32" height="22" />
            <path v-if="branch.coil" :d="`M${at.end.x - 8} ${at.y + 11}l16-22`" />
            <text v-for="(line, order) in at.end.lines" :key="order" :x="at.end.x" :y="at.y - 22 - (at.end.lines.length - 1 - order) * 14" text-anchor="middle">{{ line }}</text>
          </g>
          <g
            v-if="branch.joint !== undefined"
            class="stop"
            :class="[branch.state, { chosen: selected === branch.id }]"
            role="button"
            tabindex="0"
            :aria-label="branch.label"
            :aria-pressed="selected === branch.id"
            @click="emit('select', branch.id)"
            @keydown.enter.prevent="emit('select', branch.id)"
            @keydown.space.prevent="emit('select', branch.id)"
          >
            <rect class="touch" :x="at.joint.x - picture.width * 0.17" :y="at.y - 50" :width="picture.width * 0.34" height="74" rx="5" />
            <path class="half" :d="`M${at.joint.x - (branch.state === 'joined' ? 1 : 6)} ${at.y - 12}h-10v24h10z`" />
            <path class="half" :d="`M${at.joint.x + (branch.state === 'joined' ? 1 : 6)} ${at.y - 12}h10v24h-10z`" />
            <text v-for="(line, order) in at.joint.lines" :key="order" :x="at.joint.x" :y="at.y - 22 - (at.joint.lines.length - 1 - order) * 14" text-anchor="middle">
              {{ `${line} ` }}
            </text>
          </g>
        </g>
        <g v-if="laid.contact" class="contact">
          <rect :x="laid.contact.x - 19" :y="laid.contact.y - 12" width="38" height="24" />
          <path :d="`M${laid.contact.x - 19} ${laid.contact.y}h9l18-9m2 9h9`" />
          <text :x="laid.contact.x" :y="laid.contact.y - 20" text-anchor="middle">{{ lane.contact }}</text>
        </g>
        <g
          class="guard"
          :class="[lane.state, { chosen: selected === lane.id }]"
          role="button"
          tabindex="0"
          :aria-label="lane.label"
          :aria-pressed="selected === lane.id"
          @click="emit('select', lane.id)"
          @keydown.enter.prevent="emit('select', lane.id)"
          @keydown.space.prevent="emit('select', lane.id)"
        >
          <rect class="box" :x="laid.guard.x" :y="laid.guard.y" :width="laid.guard.width" :height="laid.guard.height" rx="4" />
          <text v-for="(line, order) in laid.guard.lines" :key="order" :x="laid.guard.x + 8" :y="laid.guard.y + 18 + order * 17" :class="{ name: order < laid.guard.name }">
            {{ `${line}${lane.settled && order === laid.guard.lines.length - 1 ? ' ✓' : ''} ` }}
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

.end circle,
.end rect,
.contact rect {
  fill: var(--paper-raised);
  stroke: var(--drawing);
  stroke-width: 2;
}

.end path,
.contact path {
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
