<script setup lang="ts">
import { ref, watch } from 'vue';
import type { Act } from '@jade/core/stations';
import { COMMON } from '@jade/words/common';
import { sayRefusal } from '@jade/words/stations';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { useVolts } from './volts.ts';

/** What a meter shows, as one value or as lowest and highest of what moves. */
const props = defineProps<{
  label: string;
  lowest: string;
  highest: string;
  moves: string;
  about: string;
  act: (lowV: number, highV: number, sure: boolean) => Act;
  listens?: boolean;
}>();
const { refused, odd, names, take, insist, hear } = useVolts(props);
defineExpose({ hear });
const moving = ref(false);
const low = ref<number>();
const high = ref<number>();
watch(
  () => props.about,
  () => {
    moving.value = false;
    [low.value, high.value] = [undefined, undefined];
  },
);

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
  <button v-if="odd" type="button" class="push small" @click="insist">{{ COMMON.record }}</button>
</template>

<style scoped>
.push {
  align-self: end;
}
</style>
