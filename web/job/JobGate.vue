<script setup lang="ts">
import { watch } from 'vue';
import { useRoute } from 'vue-router';
import { OPENING } from '@jade/words/itself';
import { sayRefusal } from '@jade/words/stations';
import EmptyNote from '../design/EmptyNote.vue';
import { useJob } from './store.ts';

/** Opens the job that the address names; what is inside is shown once it is open. What cannot be recorded is said above it. */
const route = useRoute();
const job = useJob();
watch(
  () => String(route.params.id),
  (id) => void job.load(id),
  { immediate: true },
);
</script>

<template>
  <EmptyNote v-if="job.loading && !job.view" kind="loading">{{ OPENING.loading }}</EmptyNote>
  <EmptyNote v-else-if="job.failed" kind="failed"
    >{{ job.failed }} <button type="button" class="push small" @click="job.load(String(route.params.id))">{{ OPENING.again }}</button>
    <router-link class="push small" :to="{ name: 'board' }">{{ OPENING.board }}</router-link></EmptyNote
  >
  <!-- What is begun on one job is not taken to another. -->
  <div v-else-if="job.view && job.context && job.names" :key="job.view.id" class="stack">
    <slot name="head" :view="job.view" :context="job.context" />
    <ul v-if="job.refusals.length > 0" class="heeded" role="alert">
      <li v-for="refusal in job.refusals" :key="refusal.code">{{ OPENING.refused }} {{ sayRefusal(refusal, job.names) }}</li>
    </ul>
    <slot :view="job.view" :context="job.context" />
  </div>
</template>
