<script setup lang="ts">
import { useOutbox } from '../outbox/index.ts';

/** What keeps records from reaching the server by themselves: said once, with what to do. */
const outbox = useOutbox();
</script>

<template>
  <div v-if="outbox.keepsNothing && outbox.count > 0" class="bar" role="alert">
    This device keeps nothing of what is recorded. Leave this page open until all is sent: {{ outbox.count }} waiting.
  </div>
  <div v-for="queue in outbox.stuck" :key="queue.job" class="bar" role="alert">
    <span>The server does not take what was recorded here ({{ queue.events.length }} waiting): {{ queue.why }}. It stays on this device.</span>
    <router-link class="push small" :to="{ name: 'station', params: { id: queue.job, station: 'check-in' } }">Look at the job</router-link>
    <button type="button" class="push small" @click="outbox.again(queue.job)">Try again</button>
  </div>
</template>

<style scoped>
.bar {
  position: sticky;
  top: 0;
  z-index: 5;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding: 8px 16px;
  background: var(--amber-soft);
  color: var(--ink);
  font-weight: 560;
}
</style>
