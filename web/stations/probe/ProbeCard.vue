<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { probedAs } from '@jade/core/job';
import { isRefused, probe, type Refusal } from '@jade/core/stations';
import { sayHelperState } from '@jade/words/kit';
import { sayLeft, sayStateCaution, sayWhy } from '@jade/words/probing';
import { sayRefusal } from '@jade/words/stations';
import { plural } from '@jade/words/units';
import CautionNote from '../../design/CautionNote.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import ProbeFace from '../../design/drawings/ProbeFace.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';

/** The reading to take now: what the helper switches, where the probe goes, what the meter shows; after a value the next one stands here by itself. */
const props = defineProps<{ now: probe.ProbeNow }>();
const emit = defineEmits<{ pick: [pin: string] }>();
const { job, context, names } = useCurrentJob();
const moving = ref(false);
const low = ref<number>();
const high = ref<number>();
const refused = ref<Refusal[]>([]);
const odd = ref<{ lowV: number; highV: number }>();
/** A reading taken again is an entry of its own. */
const about = computed(() => `${props.now.probe.plug.id}/${props.now.pin.id}/${props.now.reading.state} ${props.now.probe.run.readings.length}`);
const card = ref<HTMLElement | null>(null);
watch(about, async () => {
  const writing = card.value?.contains(document.activeElement) ?? false;
  moving.value = false;
  [low.value, high.value] = [undefined, undefined];
  odd.value = undefined;
  refused.value = [];
  await nextTick();
  // The next value can be typed at once.
  if (writing) card.value?.querySelector('input')?.focus({ preventScroll: true });
});
const caution = computed(() => sayStateCaution(props.now.reading.state));

function take(lowV: number, highV: number, sure = false): void {
  const { probe: of, pin, reading } = props.now;
  const act = probe.take(context.value, of.plug.id, pin.id, { state: reading.state, lowV, highV }, actedAt(), sure);
  refused.value = isRefused(act) ? act.refused : [];
  odd.value = refused.value.some(({ code }) => code === 'reading-odd') ? { lowV, highV } : undefined;
  if (!isRefused(act)) void job.perform(act);
}

function both(which: 'low' | 'high', value: number): void {
  if (which === 'low') low.value = value;
  else high.value = value;
  if (low.value !== undefined && high.value !== undefined) take(low.value, high.value);
}
</script>

<template>
  <article ref="card" class="leaf card" aria-live="polite">
    <div class="words">
      <p class="soft">Now, for the helper</p>
      <h2>{{ sayHelperState(now.reading.state) }}</h2>
      <CautionNote v-if="caution" :text="caution" />
      <p class="pin">
        Probe on pin <strong>{{ now.pin.id }}</strong> of {{ now.probe.plug.name }}
        <span class="soft">{{ now.pin.colour ?? 'no colour noted' }} · {{ now.probe.plug.whereToLook }}</span>
      </p>
      <p>{{ sayWhy(now.reading, probedAs(now.pin, now.probe.plug)) }}</p>
      <div class="line">
        <MeasureEntry v-if="!moving" :key="about" label="The meter shows" :about="about" unit="V" :least="-30" :most="60" @measured="(value) => take(value, value)" />
        <template v-else>
          <MeasureEntry :key="`${about} low`" label="Lowest" :about="`${about} low`" unit="V" :value="low" :least="-30" :most="60" @measured="(value) => both('low', value)" />
          <MeasureEntry :key="`${about} high`" label="Highest" :about="`${about} high`" unit="V" :value="high" :least="-30" :most="60" @measured="(value) => both('high', value)" />
        </template>
        <button type="button" class="push" :aria-pressed="moving" @click="moving = !moving">It moves</button>
      </div>
      <p v-for="refusal in refused" :key="refusal.code" class="odd" role="alert">{{ sayRefusal(refusal, names) }}</p>
      <button v-if="odd" type="button" class="push small" @click="take(odd.lowV, odd.highV, true)">It is so: record it</button>
      <p class="soft">{{ plural(now.batch.readings.length, 'reading') }} in this state. {{ sayLeft(now) }}</p>
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

.push {
  align-self: end;
}

@media (max-width: 700px) {
  .card {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
