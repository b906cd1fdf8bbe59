<script setup lang="ts">
import { onUnmounted, ref, watch } from 'vue';
import type { HeldLine } from '@jade/core/probing';
import { isRefused, type Act, type Refusal } from '@jade/core/stations';
import { sayRefusal } from '@jade/words/stations';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { useMeter } from '../../meter/index.ts';
import { useCurrentJob } from '../../job/current.ts';

/** What a meter shows, as one value or as lowest and highest of what moves; what is odd about it is asked before it is kept. */
const props = defineProps<{
  label: string;
  lowest: string;
  highest: string;
  moves: string;
  about: string;
  act: (lowV: number, highV: number, sure: boolean) => Act;
  listens?: boolean;
}>();
const { job, names } = useCurrentJob();
const meter = useMeter();
const moving = ref(false);
const low = ref<number>();
const high = ref<number>();
const refused = ref<Refusal[]>([]);
const odd = ref<{ lowV: number; highV: number; held?: HeldLine }>();
watch(
  () => props.about,
  () => {
    moving.value = false;
    [low.value, high.value] = [undefined, undefined];
    [refused.value, odd.value] = [[], undefined];
  },
);

/** Records it, unless something is against it; whether it was recorded. */
function take(lowV: number, highV: number, sure = false, held?: HeldLine): boolean {
  const act = props.act(lowV, highV, sure);
  refused.value = isRefused(act) ? act.refused : [];
  odd.value = refused.value.some(({ code }) => code === 'reading-odd') ? { lowV, highV, ...(held ? { held } : {}) } : undefined;
  if (isRefused(act)) return false;
  void job.perform(act);
  return true;
}

/** It is odd and it is so: what was held at the meter waits no more. */
function insist(): void {
  const { lowV, highV, held } = odd.value ?? {};
  if (lowV !== undefined && highV !== undefined && take(lowV, highV, true) && held) meter.settle(held);
}

/** What is held at the meter goes where the next value is wanted; one that is odd is asked about like a typed one, and waits until it is said. */
function hear(held: HeldLine): boolean {
  if (!props.listens || held.held !== 'voltage') return false;
  return take(held.lowV, held.highV, false, held);
}
onUnmounted(meter.listen(hear));
defineExpose({ hear });

function both(which: 'low' | 'high', value: number): void {
  if (which === 'low') low.value = value;
  else high.value = value;
  if (low.value !== undefined && high.value !== undefined) take(low.value, high.value);
}
</script>

<template>
  <div class="line">
    <MeasureEntry v-if="!moving" :key="about" :label="label" :about="about" unit="V" :least="-30" :most="60" @measured="(value) => take(value, value)" />
    <template v-else>
      <MeasureEntry :key="`${about} low`" :label="lowest" :about="`${about} low`" unit="V" :value="low" :least="-30" :most="60" @measured="(value) => both('low', value)" />
      <MeasureEntry :key="`${about} high`" :label="highest" :about="`${about} high`" unit="V" :value="high" :least="-30" :most="60" @measured="(value) => both('high', value)" />
    </template>
    <button type="button" class="push" :aria-pressed="moving" @click="moving = !moving">{{ moves }}</button>
  </div>
  <p v-for="refusal in refused" :key="refusal.code" class="odd" role="alert">{{ sayRefusal(refusal, names) }}</p>
  <button v-if="odd" type="button" class="push small" @click="insist">It is so: record it</button>
</template>

<style scoped>
.push {
  align-self: end;
}
</style>
