<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { probedAs } from '@jade/core/loom';
import type { HeldLine } from '@jade/core/probing';
import { probe } from '@jade/core/stations';
import { COMMON } from '@jade/words/common';
import { sayHelperState } from '@jade/words/kit';
import { PROBE_CARD, sayLeft, sayStateCaution, sayWhy, TEST_LAMP, VOLTS_SAID } from '@jade/words/probing';
import CautionNote from '../../design/CautionNote.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import ProbeFace from '../../design/drawings/ProbeFace.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import VoltsEntry from './VoltsEntry.vue';

/** The reading to take now: what the helper switches, where the probe goes, what the meter shows; after a value the next one stands here by itself. */
const props = defineProps<{ now: probe.ProbeNow; listens: boolean }>();
const emit = defineEmits<{ pick: [pin: string] }>();
const { context } = useCurrentJob();
/** A reading taken again is an entry of its own. */
const about = computed(() => `${props.now.probe.plug.id}/${props.now.pin.id}/${props.now.reading.state} ${props.now.probe.run.readings.length}`);
const entry = ref<InstanceType<typeof VoltsEntry> | null>(null);
/** What waited at the meter is of this pin in this state, as somebody says. */
defineExpose({ hear: (held: HeldLine) => entry.value?.hear(held) ?? false });
const card = ref<HTMLElement | null>(null);
watch(about, async () => {
  const writing = card.value?.contains(document.activeElement) ?? false;
  await nextTick();
  // The next value can be typed at once.
  if (writing) card.value?.querySelector('input')?.focus({ preventScroll: true });
});
const caution = computed(() => sayStateCaution(props.now.reading.state));

const name = computed(() => probedAs(props.now.pin, props.now.probe.plug));
/** What a test lamp does to a supply that never goes off: only that shows that it carries. */
const lamp = ref<'holds' | 'collapses'>();
watch(about, () => void (lamp.value = undefined));
const LAMP = [
  { value: 'holds', text: TEST_LAMP.holds },
  { value: 'collapses', text: TEST_LAMP.collapses },
];

function act(lowV: number, highV: number, sure: boolean) {
  const reading = { state: props.now.reading.state, lowV, highV, ...(lamp.value ? { underLamp: lamp.value } : {}) };
  return probe.take(context.value, props.now.probe.plug.id, props.now.pin.id, reading, actedAt(), sure);
}
</script>

<template>
  <article ref="card" class="leaf card" aria-live="polite">
    <div class="words">
      <p class="soft">{{ PROBE_CARD.helper }}</p>
      <h2>{{ sayHelperState(now.reading.state) }}</h2>
      <CautionNote v-if="caution" :text="caution" />
      <p class="pin">
        {{ PROBE_CARD.probeOn }} <strong>{{ now.pin.id }}</strong> {{ PROBE_CARD.of(now.probe.plug.name) }}
        <span class="soft">{{ now.pin.colour ?? COMMON.noColour }} · {{ now.probe.plug.whereToLook }}</span>
      </p>
      <p>{{ sayWhy(now.reading, name) }}</p>
      <div v-if="probe.wantsLamp(now)" class="line">
        <span>{{ TEST_LAMP.title }}</span>
        <ChoiceRow :label="TEST_LAMP.label" :choices="LAMP" :value="lamp" small @choose="(value) => (lamp = value === 'holds' ? 'holds' : 'collapses')" />
      </div>
      <VoltsEntry ref="entry" :label="PROBE_CARD.meterShows" v-bind="VOLTS_SAID" :about="about" :act="act" :listens="listens" />
      <PhotoRow :subject="{ kind: 'wire', plug: now.probe.plug.id, pin: now.pin.id }" />
      <p class="soft">{{ PROBE_CARD.left(now.batch.readings.length, sayLeft(now)) }}</p>
    </div>
    <ProbeFace :plug="now.probe.plug" :found="now.probe.found.pins" :pin="now.pin.id" @pick="(pin) => emit('pick', pin)" />
  </article>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 18px;
  align-items: start;
  border-top: 5px solid var(--amber);
}

.words {
  display: grid;
  gap: 8px;
}

h2 {
  font-size: 25px;
}

.pin {
  font-size: 19px;
}

.pin .soft {
  display: block;
  font-size: 14px;
}

@media (max-width: 700px) {
  .card {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
