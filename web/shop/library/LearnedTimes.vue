<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue';
import { learnedSteps, withLearnedTimes, type LearnedStep } from '@jade/core/overlay';
import type { VehicleProfile } from '@jade/core/vehicle';
import type { TimesOfKind } from '@jade/contract/job';
import { sayLearned, sayStep } from '@jade/words/access';
import { COMMON } from '@jade/words/common';
import { LEARNED_TIMES, sayMinutesChange } from '@jade/words/library';
import { minutes } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import { ask, Refused } from '../../ask/index.ts';
import RightGate from '../../session/RightGate.vue';

/** Where this shop's times differ from the profile's, the farthest off first, and the way by which they go into it. */
const props = defineProps<{ profile: VehicleProfile; version: number }>();
const emit = defineEmits<{ kept: [said: string] }>();
const TimesChart = defineAsyncComponent(() => import('../../design/drawings/TimesChart.vue'));
/** Rows of the chart; the list below has them all. */
const MOST_DRAWN = 10;

const times = shallowRef<TimesOfKind>();
const failed = ref(false);
const said = ref('');
const timesAt = () => `/api/times/${encodeURIComponent(props.profile.slug)}`;
async function load(): Promise<void> {
  failed.value = false;
  said.value = '';
  times.value = undefined;
  const { slug } = props.profile;
  const { version } = props;
  try {
    const found = await ask<TimesOfKind>(`${timesAt()}?version=${version}`);
    if (props.profile.slug === slug && props.version === version) times.value = found;
  } catch {
    failed.value = true;
  }
}
watch(() => [props.profile.slug, props.version], load, { immediate: true });

const steps = computed(() => (times.value ? learnedSteps(props.profile, times.value.taken) : []));
const changes = computed(() => (times.value ? withLearnedTimes(props.profile, times.value.taken).changes : []));
const pieceName = (id: string) => props.profile.pieces.find((entry) => entry.id === id)?.name ?? id;

async function putIn(): Promise<void> {
  said.value = '';
  try {
    const now = await ask<{ version: number; changes: number }>(timesAt(), { basedOn: props.version });
    emit('kept', now.changes > 0 ? LEARNED_TIMES.kept(now.version, now.changes) : LEARNED_TIMES.nothingNew(now.version));
  } catch (error) {
    said.value = error instanceof Refused ? error.message : LEARNED_TIMES.away;
  }
}
const nameOf = ({ piece, ...step }: LearnedStep) => sayStep({ ...step, piece: pieceName(piece) });
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
    <EmptyNote v-else-if="!times" kind="loading">{{ LEARNED_TIMES.reading }}</EmptyNote>
    <EmptyNote v-else-if="steps.length === 0" kind="empty">{{ times.within > 0 ? LEARNED_TIMES.noneSince(times.version, times.within) : LEARNED_TIMES.none }}</EmptyNote>
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
      <p v-if="times.within > 0" class="soft">{{ LEARNED_TIMES.held(times.version, times.within) }}</p>
      <template v-if="changes.length > 0">
        <details>
          <summary>{{ LEARNED_TIMES.becomes(changes.length) }}</summary>
          <ul class="rows">
            <li v-for="{ which, says } in changes.map((change) => sayMinutesChange(change, pieceName))" :key="which">
              <span class="grow">{{ which }}</span>
              <span class="soft">{{ says }}</span>
            </li>
          </ul>
        </details>
        <RightGate right="take in documents" quiet>
          <p class="soft">{{ LEARNED_TIMES.putInWhy }}</p>
          <div>
            <button type="button" class="push" @click="putIn">{{ LEARNED_TIMES.save(version + 1) }}</button>
          </div>
        </RightGate>
      </template>
      <p v-if="said" role="alert">{{ said }}</p>
    </template>
  </div>
</template>

<style scoped>
li {
  flex-wrap: wrap;
}

/* What it is called keeps its line; what is said of it goes below where both do not fit. */
.grow {
  flex: 1 1 14em;
}
</style>
