<script setup lang="ts">
import { COMMON } from '@jade/words/common';
import { OUTBOX_BAR } from '@jade/words/shell';
import { useOutbox } from '../outbox/index.ts';

/** What keeps records from reaching the server by themselves: said once, with what to do. */
const outbox = useOutbox();
</script>

<template>
  <div v-if="outbox.keepsNothing && outbox.count > 0" class="bar" role="alert">
    {{ OUTBOX_BAR.keepsNothing(outbox.count) }}
  </div>
  <div v-for="queue in outbox.stuck" :key="queue.job" class="bar" role="alert">
    <span>{{ OUTBOX_BAR.refused(queue.events.length, queue.why) }}</span>
    <router-link class="push small" :to="{ name: 'station', params: { id: queue.job, station: 'check-in' } }">{{ OUTBOX_BAR.lookJob }}</router-link>
    <button type="button" class="push small" @click="outbox.again(queue.job)">{{ COMMON.tryAgain }}</button>
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
