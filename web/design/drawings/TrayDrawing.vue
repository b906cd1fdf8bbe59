<script setup lang="ts">
import { TRAY_DRAWING } from '@jade/words/design';
/** The tray emptying: a slot for each fastener group, full, part or empty. */
export interface DrawnSlot {
  slot: number;
  key: string;
  piece: string;
  group: string;
  name: string;
  fastener: string;
  left: number;
  out: number;
  dropped: number;
  now: boolean;
}

defineProps<{ slots: DrawnSlot[]; label: string }>();
const emit = defineEmits<{ dropped: [slot: DrawnSlot]; found: [slot: DrawnSlot] }>();
</script>

<template>
  <section :aria-label="label">
    <h2>{{ label }}</h2>
    <ul class="slots">
      <li v-for="slot in slots" :key="slot.key" :class="{ empty: slot.left === 0, now: slot.now, lost: slot.dropped > 0 }">
        <span class="count"
          >{{ slot.left }}<small>/{{ slot.out }}</small></span
        >
        <span class="what"
          >{{ slot.fastener }}<small>{{ TRAY_DRAWING.named(slot.slot, slot.name) }}</small></span
        >
        <button v-if="slot.dropped > 0" type="button" class="act" @click="emit('found', slot)">{{ TRAY_DRAWING.droppedFound(slot.dropped) }}</button>
        <button v-else-if="slot.left > 0" type="button" class="act" :aria-label="TRAY_DRAWING.oneDropped(slot.fastener, slot.name)" @click="emit('dropped', slot)">
          {{ TRAY_DRAWING.dropped }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  color: #fff;
  margin-bottom: 10px;
}

.slots {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(178px, 1fr));
  gap: 8px;
}

li {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 10px;
  padding: 8px 10px;
  min-height: 62px;
  border: 1px solid var(--slate-line);
  border-radius: 9px;
  background: var(--slate-deep);
  color: var(--on-slate);
  font-size: 13.5px;
  line-height: 1.25;
  box-shadow: inset 0 3px 8px rgb(0 0 0 / 50%);
}

li.now {
  border-color: #f0c34d;
  border-width: 2px;
}

li.empty .count {
  background: none;
  color: #45c597;
}

li.lost {
  border-color: #ff8f85;
}

.count {
  align-self: start;
  min-width: 42px;
  padding: 2px 6px;
  text-align: center;
  font-size: 18px;
  font-weight: 720;
  background: var(--tape);
  color: var(--on-tape);
}

.count small {
  font-size: 12px;
  font-weight: 500;
}

.what small {
  display: block;
  color: var(--on-slate-soft);
}

.act {
  grid-column: 2;
  justify-self: start;
  min-height: 30px;
  border: 0;
  background: none;
  color: #8fe0c3;
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
}

.lost .act {
  color: #ffb8b0;
}

@media (pointer: coarse) {
  .act {
    min-height: 48px;
  }
}
</style>
