<script setup lang="ts">
import { computed } from 'vue';
import { jobTools } from '@jade/core/job';
import NewFasteners from '../../job/NewFasteners.vue';
import { useCurrentJob } from '../../job/current.ts';

/** Tools of the whole job in the order first needed, those that are mixed up, and the fasteners that do not go back. */
const { job, context } = useCurrentJob();
const tools = computed(() => jobTools(context.value, job.plan));
</script>

<template>
  <div class="leaf stack">
    <template v-if="tools.opening.length > 0">
      <h2>Tools, in the order first needed</h2>
      <p>{{ tools.opening.join(', ') }}</p>
      <p v-if="tools.fitting.length > 0"><span class="soft">To fit besides:</span> {{ tools.fitting.join(', ') }}</p>
      <p v-for="pair in tools.alike" :key="pair.one + pair.other" class="warn">
        <strong>Look alike:</strong> {{ pair.one }} and {{ pair.other }}. The wrong one slips and rounds the head.
      </p>
    </template>
    <NewFasteners />
  </div>
</template>

<style scoped>
.warn {
  padding: 6px 10px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
}
</style>
