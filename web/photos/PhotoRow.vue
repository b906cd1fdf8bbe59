<script setup lang="ts">
import { computed, ref } from 'vue';
import { damageOn } from '@jade/core/events';
import { photosAt, type EarlierPhoto, type Photo, type PhotoSubject } from '@jade/core/photos';
import { key } from '@jade/core/subject';
import { PHOTOS, sayPhoto, sayPhotoFault, sayTake } from '@jade/words/photos';
import { useCurrentJob } from '../job/current.ts';
import PhotoOpen from './PhotoOpen.vue';
import PhotoThumb from './PhotoThumb.vue';
import { usePhotos } from './index.ts';

/** Photos at a subject: those of this job and the last ones of others of its kind, with the button that takes another. */
const props = defineProps<{ subject: PhotoSubject; large?: boolean; bare?: boolean }>();
const { job, names } = useCurrentJob();
const photos = usePhotos();
const about = computed(() => key(props.subject));
const own = computed(() => photosAt(photos.own, props.subject));
const others = computed(() => photosAt(props.subject.kind === 'paper' ? photos.papers : photos.earlier, props.subject));
const making = computed(() => photos.making[about.value] ?? 0);
const faults = computed(() => photos.faults.filter((entry) => entry.about === about.value));
const opened = ref<{ event: string; earlier: boolean }>();
const shown = computed<Photo | EarlierPhoto | undefined>(() => (opened.value?.earlier ? others.value : own.value).find(({ event }) => event === opened.value?.event));
const said = (photo: Photo) => sayPhoto(photo, names.value, damageOn(job.state, photo));

function picked(event: Event): void {
  const input = event.target as HTMLInputElement;
  void photos.take(input.files ?? [], props.subject, about.value);
  // The same file may be picked once more.
  input.value = '';
}
</script>

<template>
  <div class="photos" :class="{ large }" role="group" :aria-label="PHOTOS.list">
    <label class="push take" :class="{ small: !large }">
      <svg viewBox="0 0 24 20" aria-hidden="true">
        <path d="M2 5h5l2-3h6l2 3h5v13H2z" />
        <circle cx="12" cy="11.5" r="4" />
      </svg>
      <span v-if="!bare">{{ PHOTOS.take }}</span>
      <input type="file" accept="image/*" capture="environment" multiple :aria-label="sayTake(subject, names)" @change="picked" />
    </label>
    <PhotoThumb v-for="photo in own" :key="photo.event" :photo="photo" :what="said(photo)" @open="opened = { event: photo.event, earlier: false }" />
    <template v-if="others.length > 0">
      <span class="soft others">{{ PHOTOS.onOthers }}</span>
      <PhotoThumb v-for="photo in others" :key="photo.event" :photo="photo" :what="said(photo)" elsewhere @open="opened = { event: photo.event, earlier: true }" />
    </template>
    <p v-if="making > 0" class="soft wide" role="status">{{ PHOTOS.making(making) }}</p>
    <p v-for="(entry, index) in faults" :key="index" class="bad wide" role="alert">{{ sayPhotoFault(entry.fault) }}</p>
    <PhotoOpen v-if="shown" :photo="shown" :what="said(shown)" :earlier="opened?.earlier ?? false" @close="opened = undefined" />
  </div>
</template>

<style scoped>
.photos {
  --thumb: 60px;

  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.photos.large {
  --thumb: 84px;
}

.take {
  position: relative;
}

.take:focus-within {
  outline: 3px solid var(--focus);
  outline-offset: 2px;
}

.take input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
  font-size: 0;
}

.take svg {
  width: 20px;
  height: 17px;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.8;
  stroke-linejoin: round;
}

.large .take {
  min-height: 56px;
}

.others {
  font-size: 13px;
}

.wide {
  flex-basis: 100%;
}
</style>
