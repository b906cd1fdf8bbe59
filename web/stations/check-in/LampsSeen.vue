<script setup lang="ts">
import { computed, ref } from 'vue';
import { checkIn } from '@jade/core/stations';
import { isUndescribed } from '@jade/core/vehicle';
import { LAMPS_SEEN } from '@jade/words/check-in';
import { useCurrentJob } from '../../job/current.ts';

/** Which lamps a vehicle has whose kind nobody described: those that such a body commonly has are offered, and whoever looks taps what is there. */
const { job, context } = useCurrentJob();
const offered = computed(() => checkIn.lampsOffered(context.value));
const open = computed(() => isUndescribed(context.value.profile, 'functions'));
const tapped = ref<readonly string[]>([]);
const chosen = computed(() => offered.value.filter(({ id }) => tapped.value.includes(id)).map(({ id }) => id));
const tap = (id: string) => (tapped.value = tapped.value.includes(id) ? tapped.value.filter((other) => other !== id) : [...tapped.value, id]);

async function write(): Promise<void> {
  await job.perform(checkIn.lampsSeen(context.value, chosen.value));
  if (job.refusals.length === 0) tapped.value = [];
}
</script>

<template>
  <div v-if="open" class="leaf stack">
    <h2>{{ LAMPS_SEEN.title }}</h2>
    <p class="soft">{{ LAMPS_SEEN.why(context.profile.functions.length) }}</p>
    <div class="lamps" role="group" :aria-label="LAMPS_SEEN.title">
      <button v-for="lamp in offered" :key="lamp.id" type="button" class="push small" :aria-pressed="tapped.includes(lamp.id)" @click="tap(lamp.id)">{{ lamp.name }}</button>
    </div>
    <div class="line">
      <button v-if="offered.length > chosen.length" type="button" class="push small plain" @click="tapped = offered.map(({ id }) => id)">{{ LAMPS_SEEN.all }}</button>
      <button v-if="chosen.length > 0" type="button" class="push main" @click="write">{{ LAMPS_SEEN.write(chosen.length) }}</button>
      <button v-else-if="context.profile.functions.length > 0" type="button" class="push" @click="job.perform(checkIn.noMore(context, 'functions'))">
        {{ LAMPS_SEEN.noMore }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.lamps {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
