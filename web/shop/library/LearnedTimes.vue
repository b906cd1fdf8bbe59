<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { learnedSteps, type LearnedStep } from '@jade/core/job';
import type { TakenBySteps } from '@jade/core/schedule';
import type { VehicleProfile } from '@jade/core/vehicle';
import { sayLearned, sayStep } from '@jade/words/access';
import { COMMON } from '@jade/words/common';
import { LEARNED_TIMES } from '@jade/words/library';
import { minutes } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import { ask } from '../../ask/index.ts';

/** Where this shop's times differ from the profile's: the farthest off first. */
const props = defineProps<{ profile: VehicleProfile }>();
const TimesChart = defineAsyncComponent(() => import('../../design/drawings/TimesChart.vue'));
/** Rows of the chart; the list below has them all. */
const MOST_DRAWN = 10;

const taken = ref<TakenBySteps>();
const failed = ref(false);
async function load(): Promise<void> {
  failed.value = false;
  taken.value = undefined;
  const { slug } = props.profile;
  try {
    const times = await ask<TakenBySteps>(`/api/times/${encodeURIComponent(slug)}`);
    if (props.profile.slug === slug) taken.value = times;
  } catch {
    failed.value = true;
  }
}
watch(() => props.profile.slug, load, { immediate: true });

const steps = computed(() => (taken.value ? learnedSteps(props.profile, taken.value) : []));
const nameOf = ({ piece, ...step }: LearnedStep) => sayStep({ ...step, piece: props.profile.pieces.find((entry) => entry.id === piece)?.name ?? piece });
const rows = computed(() =>
  steps.value.slice(0, MOST_DRAWN).map((step) => ({ name: nameOf(step), profileMin: step.profileMin, medianMin: step.estimate.medianMin, p80Min: step.estimate.p80Min })),
);
</script>

<template>
  <div class="leaf stack">
    <h2>{{ LEARNED_TIMES.title }}</h2>
    <EmptyNote v-if="failed" kind="failed"
      >{{ LEARNED_TIMES.away }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!taken" kind="loading">{{ LEARNED_TIMES.reading }}</EmptyNote>
    <EmptyNote v-else-if="steps.length === 0" kind="empty">{{ LEARNED_TIMES.none }}</EmptyNote>
    <template v-else>
      <p class="soft">{{ LEARNED_TIMES.timed(steps.length) }}</p>
      <TimesChart :rows="rows" :label="LEARNED_TIMES.chart" />
      <details>
        <summary>{{ LEARNED_TIMES.all(steps.length) }}</summary>
        <ul class="rows">
          <li v-for="step in steps" :key="`${step.piece}/${step.from}/${step.level}/${step.way ?? ''}`">
            <span class="grow">{{ nameOf(step) }}</span>
            <span class="soft">{{ LEARNED_TIMES.within(sayLearned({ estimate: step.estimate, minutes: step.profileMin }), minutes(step.estimate.p80Min)) }}</span>
          </li>
        </ul>
      </details>
    </template>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}
</style>
