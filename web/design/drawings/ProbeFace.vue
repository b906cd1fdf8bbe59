<script setup lang="ts">
import { computed } from 'vue';
import type { PinFound } from '@jade/core/probing';
import type { VehiclePlug } from '@jade/core/vehicle';
import { PROBE_FACE } from '@jade/words/design';
import { layOneFace } from '@jade/words/drawing';
import { sayPinFound } from '@jade/words/probing';

/** A plug from the wire side: the pin for the probe, and what is known of each. */
const props = defineProps<{ plug: Pick<VehiclePlug, 'name' | 'rows' | 'columns' | 'pins'>; found: readonly PinFound[]; pin?: string }>();
const emit = defineEmits<{ pick: [pin: string] }>();
const drawing = computed(() => layOneFace(props.plug));
const statusOf = (pin: string | undefined) => props.found.find((entry) => entry.pin === pin);
const kind = (pin: string | undefined) => statusOf(pin)?.status.code.replaceAll(' ', '-') ?? 'none';
/** Marks that do not live by colour alone. */
const MARKS: Readonly<Record<string, string>> = { proved: '✓', 'by-elimination': '≈', contradictory: '!', indistinguishable: '=' };
const label = (pin: string) => {
  const found = statusOf(pin);
  return PROBE_FACE.pin(pin, found && sayPinFound(found));
};
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${drawing.width} ${drawing.height}`" :style="{ width: `${drawing.width * 1.25}px` }" role="group" :aria-label="PROBE_FACE.face(plug.name)">
      <rect class="shell" x="2" y="2" :width="drawing.width - 4" :height="drawing.height - 4" rx="8" />
      <g
        v-for="(cell, index) in drawing.cells"
        :key="index"
        :class="['cell', kind(cell.pin), { now: cell.pin !== undefined && cell.pin === pin }]"
        :role="cell.pin === undefined ? undefined : 'button'"
        :tabindex="cell.pin === undefined ? undefined : 0"
        :aria-label="cell.pin === undefined ? undefined : label(cell.pin)"
        @click="cell.pin !== undefined && emit('pick', cell.pin)"
        @keydown.enter.prevent="cell.pin !== undefined && emit('pick', cell.pin)"
        @keydown.space.prevent="cell.pin !== undefined && emit('pick', cell.pin)"
      >
        <rect :x="cell.x" :y="cell.y" :width="cell.size" :height="cell.size" rx="4" />
        <template v-if="cell.pin !== undefined">
          <text :x="cell.x + cell.size / 2" :y="cell.y + cell.size / 2 + 6" text-anchor="middle">{{ cell.pin }}</text>
          <text class="mark" :x="cell.x + cell.size - 7" :y="cell.y + 15" text-anchor="middle" aria-hidden="true">{{ MARKS[kind(cell.pin)] ?? '' }}</text>
        </template>
      </g>
    </svg>
    <figcaption class="soft">{{ PROBE_FACE.fromWireSide }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: 4px;
  justify-items: start;
}

svg {
  max-width: 100%;
  height: auto;
}

.shell {
  fill: var(--paper-sunk);
  stroke: var(--drawing);
  stroke-width: 2.5;
}

.cell rect {
  fill: var(--paper-raised);
  stroke: var(--line-strong);
  stroke-width: 1.5;
}

.cell[role] {
  cursor: pointer;
}

.cell:not([role]) rect {
  stroke-dasharray: 3 4;
}

.cell text {
  font: 650 19px var(--sans);
  fill: var(--ink);
}

.cell .mark {
  font-size: 14px;
}

.cell.proved rect {
  fill: var(--jade-soft);
  stroke: var(--jade);
}

.cell.contradictory rect {
  fill: var(--red-soft);
  stroke: var(--red);
}

.cell.now rect {
  stroke: var(--amber);
  stroke-width: 5;
}

.cell:focus-visible {
  outline: 3px solid var(--focus);
}
</style>
