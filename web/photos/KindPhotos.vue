<script setup lang="ts">
import { ref } from 'vue';
import type { EarlierPhoto } from '@jade/core/photos';
import type { VehicleProfile } from '@jade/core/vehicle';
import { namesOf } from '@jade/words/names';
import { PHOTOS, sayPhoto } from '@jade/words/photos';
import PhotoOpen from './PhotoOpen.vue';
import PhotoThumb from './PhotoThumb.vue';

/** Photos that were taken of a place on vehicles of a kind, to be looked at. */
const props = defineProps<{ profile: VehicleProfile; photos: readonly EarlierPhoto[] }>();
const opened = ref<EarlierPhoto>();
const said = (photo: EarlierPhoto) => sayPhoto(photo, namesOf({ profile: props.profile, kits: [] }));
</script>

<template>
  <div v-if="photos.length > 0" class="line" role="group" :aria-label="PHOTOS.title">
    <PhotoThumb v-for="photo in photos" :key="photo.event" :photo="photo" :what="said(photo)" elsewhere @open="opened = photo" />
    <PhotoOpen v-if="opened" :photo="opened" :what="said(opened)" earlier @close="opened = undefined" />
  </div>
</template>
