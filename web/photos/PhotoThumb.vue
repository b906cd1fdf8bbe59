<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { Photo } from '@jade/core/photos';
import { PHOTOS } from '@jade/words/photos';
import PhotoRing from './PhotoRing.vue';
import { usePhotos } from './index.ts';

/** A photo in small, with its ring; or why it cannot be seen here yet. */
const props = defineProps<{ photo: Photo; what: string; elsewhere?: boolean }>();
const emit = defineEmits<{ open: [] }>();
const photos = usePhotos();
const address = computed(() => photos.addressOf(props.photo.thumb));
const failed = ref(false);
watch(address, () => (failed.value = false));
/** Why it is not seen here. */
const wanting = computed(() => (failed.value ? PHOTOS.notHere : address.value ? undefined : PHOTOS.onItsWay));
/** What is read out is what is seen. */
const said = computed(() => [PHOTOS.open(props.what), ...(wanting.value ? [wanting.value] : []), ...(props.photo.onSheet ? [PHOTOS.isOnSheet] : [])].join(', '));
const ratio = computed(() => props.photo.widthPx / props.photo.heightPx);
</script>

<template>
  <button type="button" class="thumb" :class="{ elsewhere }" :aria-label="said" :style="{ '--ratio': ratio }" @click="emit('open')">
    <img v-if="address && !failed" :src="address" alt="" loading="lazy" :width="photo.widthPx" :height="photo.heightPx" @error="failed = true" />
    <span v-else-if="wanting" class="waits">{{ wanting }}</span>
    <PhotoRing v-if="address && !failed && photo.ring" :ring="photo.ring" :width-px="photo.widthPx" :height-px="photo.heightPx" small />
    <span v-if="photo.onSheet" class="goes">{{ PHOTOS.isOnSheet }}</span>
  </button>
</template>

<style scoped>
.thumb {
  position: relative;
  flex: none;
  height: var(--thumb, 84px);
  width: min(calc(var(--thumb, 84px) * var(--ratio)), 170px);
  min-width: 56px;
  padding: 0;
  overflow: hidden;
  border: 1.5px solid var(--line-strong);
  border-radius: 4px;
  background: var(--paper-sunk);
  color: var(--ink-soft);
  font: inherit;
  cursor: zoom-in;
}

/* From another vehicle: dashed, as all that is not of this one. */
.elsewhere {
  border-style: dashed;
}

.thumb img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: cover;
}

.thumb :deep(svg) {
  width: 100%;
  height: 100%;
}

.waits {
  display: block;
  padding: 4px;
  font-size: 11.5px;
  line-height: 1.15;
}

.goes {
  position: absolute;
  inset: auto 0 0;
  padding: 1px 4px;
  background: var(--tape);
  color: var(--on-tape);
  font-size: 11px;
  font-weight: 600;
}
</style>
