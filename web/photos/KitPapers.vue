<script setup lang="ts">
import { computed } from 'vue';
import { kitsOnVehicle } from '@jade/core/job';
import { PAPERS_AT, photosAt, type Paper, type PhotoSubject } from '@jade/core/photos';
import type { Station } from '@jade/core/stations';
import { KIT_PAPERS } from '@jade/words/photos';
import { PAPER_NAMES } from '@jade/words/subject';
import { useCurrentJob } from '../job/current.ts';
import { usePhotos } from './index.ts';
import PhotoRow from './PhotoRow.vue';

/** Papers of the kits of a job: where the box is opened each is photographed, page by page; elsewhere those lie at hand that the work there wants. */
const props = defineProps<{ station: Station }>();
const { context, names } = useCurrentJob();
const photos = usePhotos();
const subject = (kit: string, paper: Paper): PhotoSubject => ({ kind: 'paper', kit, paper });
const pages = (kit: string, paper: Paper) => photosAt(photos.own, subject(kit, paper)).length + photosAt(photos.papers, subject(kit, paper)).length;
const opened = computed(() => props.station === 'gather');
const kits = computed(() =>
  kitsOnVehicle(context.value).map(({ kit }) => ({
    kit: kit.slug,
    papers: (PAPERS_AT[props.station] ?? []).map((paper) => ({ paper, pages: pages(kit.slug, paper) })).filter((entry) => opened.value || entry.pages > 0),
  })),
);
const title = computed(() => (opened.value ? KIT_PAPERS.title : (PAPERS_AT[props.station] ?? []).map((paper) => PAPER_NAMES[paper]).join(', ')));
const count = computed(() => kits.value.flatMap(({ papers }) => papers).reduce((sum, entry) => sum + entry.pages, 0));
</script>

<template>
  <details v-if="kits.some(({ papers }) => papers.length > 0)" class="leaf papers">
    <summary>
      {{ title }} <span class="soft">{{ KIT_PAPERS.pages(count) }}</span>
    </summary>
    <p v-if="opened" class="soft">{{ KIT_PAPERS.why }}</p>
    <template v-for="entry in kits" :key="entry.kit">
      <section v-if="entry.papers.length > 0" class="stack">
        <h3>{{ names.kit(entry.kit) }}</h3>
        <div v-for="{ paper } in entry.papers" :key="paper" class="paper">
          <span>{{ PAPER_NAMES[paper] }}</span>
          <PhotoRow :subject="subject(entry.kit, paper)" bare />
        </div>
      </section>
    </template>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 32px;
  font-weight: 640;
}

.paper {
  display: grid;
  grid-template-columns: minmax(130px, 190px) minmax(0, 1fr);
  gap: 6px 14px;
  align-items: center;
}

@media (max-width: 600px) {
  .paper {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
