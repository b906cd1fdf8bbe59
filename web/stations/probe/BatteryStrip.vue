<script setup lang="ts">
import { computed } from 'vue';
import { batteryWatch } from '@jade/core/loom';
import { BATTERY_STRIP, sayWatch } from '@jade/words/probing';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';

/** The battery in long work with the ignition on: for how long, what was measured, whether a charger is on. */
const { job, context } = useCurrentJob();
const clock = useClock();
const watched = computed(() => batteryWatch(context.value, clock.value));
</script>

<template>
  <div v-if="watched" class="strip line" :class="watched.is">
    <p role="status">{{ sayWatch(watched) }}</p>
    <MeasureEntry v-if="watched.is !== 'fine'" :label="BATTERY_STRIP.batteryNow" unit="V" :least="0" :most="60" @measured="(volts) => job.record('battery.watched', { volts })" />
    <button type="button" class="push small" @click="job.record('ignition.set', { on: false })">{{ BATTERY_STRIP.ignitionOff }}</button>
    <button type="button" class="push small" @click="job.record('charger.set', { on: !watched.charger })">
      {{ watched.charger ? BATTERY_STRIP.chargerOff : BATTERY_STRIP.chargerOn }}
    </button>
  </div>
</template>

<style scoped>
.strip {
  padding: 4px 12px;
  border-left: 4px solid var(--line-strong);
}

.strip p {
  margin: 0;
  flex: 1;
}

.look {
  border-color: var(--amber);
  background: var(--amber-soft);
}

.charge {
  border-color: var(--red);
  background: var(--red-soft);
}
</style>
