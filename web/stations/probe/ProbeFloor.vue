<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { probedAs } from '@jade/core/loom';
import type { HeldLine } from '@jade/core/probing';
import { probe } from '@jade/core/stations';
import { ended, PROBE_FLOOR, sayLeft, sayProbeStep, sayStateCaution, sayWhy, TEST_LAMP } from '@jade/words/probing';
import type { VehicleState } from '@jade/core/states';
import { COMMON } from '@jade/words/common';
import CautionNote from '../../design/CautionNote.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import ProbeFace from '../../design/drawings/ProbeFace.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import TwoTap from './TwoTap.vue';

/** One reading at a time, for gloves: what the helper switches, which pin, the value in two taps. */
const emit = defineEmits<{ whole: []; at: [now: { pin: string; state: VehicleState } | undefined] }>();
const { job, context, names } = useCurrentJob();
const step = computed(() => probe.floorStep(context.value));
/** Another pin of the same state, on demand. */
const picked = ref<string>();
const now = computed(() => (step.value.kind === 'read' ? step.value.now : undefined));
const about = computed(() => now.value && `${now.value.probe.plug.id}/${now.value.reading.state} ${now.value.probe.run.readings.length}`);
watch(about, () => void (picked.value = undefined));
const readings = computed(() => now.value?.batch.readings ?? []);
const reading = computed(() => readings.value.find(({ pin }) => pin === picked.value) ?? now.value?.reading);
const pin = computed(() => now.value?.probe.plug.pins.find(({ id }) => id === reading.value?.pin));
watch(
  () => (now.value && reading.value ? { pin: reading.value.pin, state: now.value.reading.state } : undefined),
  (at) => emit('at', at),
  { immediate: true },
);
const others = computed(() => readings.value.filter(({ pin: id }) => id !== reading.value?.pin));
const caution = computed(() => now.value && sayStateCaution(now.value.reading.state));
/** What a test lamp does to a supply that never goes off. */
const constant = computed(() => pin.value && now.value && probe.wantsLamp({ probe: now.value.probe, pin: pin.value }));
const lamp = ref<'holds' | 'collapses'>();
watch(about, () => void (lamp.value = undefined));
const LAMP = [
  { value: 'holds' as const, text: TEST_LAMP.holds },
  { value: 'collapses' as const, text: TEST_LAMP.collapses },
];
const entry = ref<InstanceType<typeof TwoTap> | null>(null);
defineExpose({ hear: (held: HeldLine) => entry.value?.hear(held) ?? false });

const act = (lowV: number, highV: number, sure: boolean) =>
  probe.take(
    context.value,
    now.value?.probe.plug.id ?? '',
    pin.value?.id ?? '',
    { state: now.value?.reading.state ?? 'key off', lowV, highV, ...(lamp.value ? { underLamp: lamp.value } : {}) },
    actedAt(),
    sure,
  );
const why = computed(() => (reading.value && pin.value && now.value ? sayWhy(reading.value, probedAs(pin.value, now.value.probe.plug)) : ''));
</script>

<template>
  <article class="leaf step" aria-live="polite">
    <p v-if="now" class="soft lead">{{ PROBE_FLOOR.helper }}</p>
    <h2>{{ sayProbeStep(step, names.plug) }}</h2>
    <template v-if="now && reading && pin">
      <CautionNote v-if="caution" :text="caution" />
      <div class="at">
        <div>
          <p class="pin">{{ PROBE_FLOOR.pin(pin.id) }}</p>
          <p>
            {{ now.probe.plug.name }}<br /><span class="soft">{{ pin.colour ?? COMMON.noColour }}</span>
          </p>
        </div>
        <ProbeFace class="face" :plug="now.probe.plug" :found="now.probe.found.pins" :pin="pin.id" @pick="(id) => (picked = id)" />
      </div>
      <div v-if="constant" class="line">
        <span>{{ TEST_LAMP.title }}</span>
        <ChoiceRow :label="TEST_LAMP.label" :choices="LAMP" :value="lamp" @choose="(value) => (lamp = value)" />
      </div>
      <TwoTap ref="entry" :about="`${about} ${pin.id}`" :act="act" listens />
      <p class="soft">{{ PROBE_FLOOR.why(ended(now.probe.plug.whereToLook), why, readings.length, sayLeft(now)) }}</p>
      <div v-if="others.length > 0" class="line">
        <span class="soft">{{ PROBE_FLOOR.another }}</span>
        <button v-for="other in others" :key="other.pin" type="button" class="push big" @click="picked = other.pin">{{ PROBE_FLOOR.anotherPin(other.pin) }}</button>
      </div>
    </template>
    <button v-else-if="step.kind === 'seal'" type="button" class="push main big" @click="job.perform(probe.sealWire(context, step.plug, step.pin))">
      {{ COMMON.sealedAgain }}
    </button>
    <p v-else-if="step.kind === 'reference'">{{ PROBE_FLOOR.reference }}</p>
    <button v-else-if="step.kind === 'stuck'" type="button" class="push main big" @click="emit('whole')">{{ PROBE_FLOOR.wholeStation }}</button>
  </article>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 9px;
  border-top: 5px solid var(--amber);
  font-size: 18px;
}

h2 {
  font-size: 26px;
}

.step p {
  margin: 0;
}

.at {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}

.face {
  max-width: 46%;
}

.pin {
  font-size: 30px;
  font-weight: 700;
}

@media (max-width: 700px) {
  /* All keys stand above the rule. */
  .lead {
    display: none;
  }
}

.big {
  min-height: 64px;
  font-size: 20px;
}
</style>
