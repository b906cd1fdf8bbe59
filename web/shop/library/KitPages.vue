<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { PAPERS, photosAt, type EarlierPhoto } from '@jade/core/photos';
import { KIT_PAPERS } from '@jade/words/photos';
import { PAPER_NAMES } from '@jade/words/subject';
import { usePhotos } from '../../photos/index.ts';
import PhotoOpen from '../../photos/PhotoOpen.vue';
import PhotoThumb from '../../photos/PhotoThumb.vue';

/** Papers of a kit, page by page, as the last job photographed them. */
const props = defineProps<{ kit: string }>();
const photos = usePhotos();
const pages = shallowRef<readonly EarlierPhoto[]>();
const opened = ref<{ photo: EarlierPhoto; what: string }>();
watch(
  () => props.kit,
  async (kit) => {
    pages.value = undefined;
    const found = await photos.papersOf(kit);
    if (kit === props.kit) pages.value = found;
  },
  { immediate: true },
);
const papers = computed(() =>
  PAPERS.map((paper) => ({ paper, name: PAPER_NAMES[paper] ?? paper, pages: photosAt(pages.value ?? [], { kind: 'paper', kit: props.kit, paper }) })).filter(
    (entry) => entry.pages.length > 0,
  ),
);
</script>

<template>
  <section v-if="pages" class="leaf stack" :aria-label="KIT_PAPERS.title">
    <h3>{{ KIT_PAPERS.title }}</h3>
    <p v-if="papers.length === 0" class="soft">{{ KIT_PAPERS.none }}</p>
    <div v-for="entry in papers" :key="entry.paper" class="line">
      <span>{{ entry.name }}</span>
      <PhotoThumb
        v-for="(photo, index) in entry.pages"
        :key="photo.event"
        :photo="photo"
        :what="KIT_PAPERS.page(entry.name, index + 1)"
        elsewhere
        @open="opened = { photo, what: KIT_PAPERS.page(entry.name, index + 1) }"
      />
    </div>
    <PhotoOpen v-if="opened" :photo="opened.photo" :what="opened.what" earlier @close="opened = undefined" />
  </section>
</template>
