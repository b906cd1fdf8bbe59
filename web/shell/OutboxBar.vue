<script setup lang="ts">
import { computed } from 'vue';
import { COMMON } from '@jade/words/common';
import { PHOTOS } from '@jade/words/photos';
import { OUTBOX_BAR } from '@jade/words/shell';
import { useOutbox } from '../outbox/index.ts';
import { usePhotos } from '../photos/index.ts';

/** What keeps records from reaching the server by themselves: said once, with what to do. */
const outbox = useOutbox();
const photos = usePhotos();
const refusedPhotos = computed(() => photos.refusals.map(({ hash }) => hash));
</script>

<template>
  <div v-if="outbox.keepsNothing && outbox.count > 0" class="bar" role="alert">
    {{ OUTBOX_BAR.keepsNothing(outbox.count) }}
  </div>
  <div v-if="photos.keepsNothing && photos.count > 0" class="bar" role="alert">{{ PHOTOS.keepsNothing(photos.count) }}</div>
  <div v-if="refusedPhotos.length > 0" class="bar" role="alert">
    <span>{{ PHOTOS.refused(refusedPhotos.length, photos.refusals[0]?.refused ?? '') }}</span>
    <button type="button" class="push small" @click="photos.settle(refusedPhotos, true)">{{ COMMON.tryAgain }}</button>
    <button type="button" class="push small" @click="photos.settle(refusedPhotos, false)">{{ PHOTOS.putAway }}</button>
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
