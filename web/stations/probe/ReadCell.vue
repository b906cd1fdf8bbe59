<script setup lang="ts">
import { computed } from 'vue';
import { readingsOf, readingVoltage } from '@jade/core/loom';
import { classifyReading } from '@jade/core/probing';
import type { VehicleState } from '@jade/core/states';
import type { VehiclePlug } from '@jade/core/vehicle';
import { READ_CELL, sayReading } from '@jade/words/probing';
import { useCurrentJob } from '../../job/current.ts';

/** What was read last at a pin in a state, marked by what it says; pressed to read it. */
const props = defineProps<{ plug: VehiclePlug; pin: string; state: VehicleState; picked?: boolean }>();
const emit = defineEmits<{ pick: [] }>();
const { context } = useCurrentJob();
const last = computed(() => readingsOf(context.value, props.plug, props.pin).findLast((reading) => reading.state === props.state));
const kind = computed(() => (last.value ? classifyReading(last.value, readingVoltage(context.value), context.value.rules.probing).replaceAll(' ', '-') : 'none'));
const text = computed(() => last.value && sayReading(last.value));
</script>

<template>
  <button
    type="button"
    class="cell"
    :class="[kind, { picked }]"
    :aria-label="READ_CELL.label(plug.name, pin, state, text)"
    :disabled="!context.state.reference"
    @click="emit('pick')"
  >
    {{ text ?? READ_CELL.read }}
  </button>
</template>

<style scoped>
.cell {
  min-width: 84px;
  min-height: 48px;
  border: 2px dashed var(--line-strong);
  background: none;
  color: var(--ink);
  font: inherit;
  font-weight: 650;
  cursor: pointer;
}

.cell:disabled {
  opacity: 0.5;
}

.cell.on,
.cell.flashing,
.cell.off {
  border: 0;
  background: var(--tape);
  color: var(--on-tape);
}

.cell.on,
.cell.flashing {
  border-left: 9px solid var(--jade);
}

.cell.off {
  border-left: 9px solid var(--drawing-soft);
}

.cell.in-between,
.cell.leak,
.cell.dimmed-or-modulated {
  border: 2px solid var(--amber);
  background: var(--amber-soft);
}

.picked {
  outline: 3px solid var(--focus);
}
</style>
