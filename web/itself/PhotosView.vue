<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, ref, watch } from 'vue';
import { damageOn } from '@jade/core/events';
import { PHOTOS, sayPhoto, sayTaken } from '@jade/words/photos';
import { sayPageTitle } from '@jade/words/shell';
import EmptyNote from '../design/EmptyNote.vue';
import HelpHere from '../design/HelpHere.vue';
import JobGate from '../job/JobGate.vue';
import { useJob } from '../job/store.ts';
import { usePhotos } from '../photos/index.ts';
import PhotoOpen from '../photos/PhotoOpen.vue';
import PhotoThumb from '../photos/PhotoThumb.vue';
import { useSession } from '../session/index.ts';

/** All photos of a job, as they were taken: what they show, who took them, which go to the customer. */
const job = useJob();
const photos = usePhotos();
const session = useSession();
const opened = ref<string>();
watch(
  () => job.view?.vehicle.plate,
  (plate) => void (document.title = sayPageTitle(PHOTOS.title, plate)),
  { immediate: true },
);
const list = computed(() => {
  const { names } = job;
  if (!names) return [];
  return photos.own.map((photo) => ({
    photo,
    what: sayPhoto(photo, names, damageOn(job.state, photo)),
    taken: sayTaken(dayjs(photo.at).format('ddd D MMM, HH:mm'), photo.by === undefined ? undefined : session.benchNameOf(photo.by)),
  }));
});
const shown = computed(() => list.value.find(({ photo }) => photo.event === opened.value));
</script>

<template>
  <JobGate>
    <template #head>
      <header class="page-head">
        <h1>{{ PHOTOS.title }}</h1>
        <p class="soft">{{ PHOTOS.question }}</p>
        <HelpHere class="last" of="photos" />
      </header>
    </template>
    <EmptyNote v-if="list.length === 0" kind="empty">{{ PHOTOS.none }}</EmptyNote>
    <ul v-else class="all">
      <li v-for="entry in list" :key="entry.photo.event" class="leaf">
        <PhotoThumb :photo="entry.photo" :what="entry.what" @open="opened = entry.photo.event" />
        <strong>{{ entry.what }}</strong>
        <span class="soft">{{ entry.taken }}</span>
      </li>
    </ul>
    <p class="soft under">
      {{ PHOTOS.limits }} <template v-if="photos.count > 0">{{ PHOTOS.waiting(photos.count) }}.</template>
    </p>
    <PhotoOpen v-if="shown" :photo="shown.photo" :what="shown.what" :earlier="false" @close="opened = undefined" />
  </JobGate>
</template>

<style scoped>
.all {
  --thumb: 150px;

  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 14px;
}

.all li {
  display: grid;
  gap: 6px;
  align-content: start;
  justify-items: start;
}

.all :deep(.thumb) {
  width: min(calc(var(--thumb) * var(--ratio)), 100%);
}

.under {
  padding-top: 12px;
}
</style>
