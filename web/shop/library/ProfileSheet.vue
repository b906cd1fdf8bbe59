<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { layersOf, type VehicleProfile } from '@jade/core/vehicle';
import { COMMON } from '@jade/words/common';
import { LIBRARY_VIEW, PROFILE_SHEET } from '@jade/words/library';
import { sayPageTitle } from '@jade/words/shell';
import { ask, Refused } from '../../ask/index.ts';
import EmptyNote from '../../design/EmptyNote.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import { frame, viewOf, VIEWS } from '../../design/geometry/outline.ts';
import ElectricsShelf from './ElectricsShelf.vue';
import KindKnown from './KindKnown.vue';
import PieceDetail from './PieceDetail.vue';

/** All that is known of a kind of vehicle, to be printed: four views, its pieces by layer, plugs, circuits, sensors. */
const route = useRoute();
const profile = ref<VehicleProfile>();
const version = ref(0);
const failed = ref('');
async function load(slug: string): Promise<void> {
  profile.value = undefined;
  failed.value = '';
  try {
    const read = await ask<{ document: VehicleProfile; version: number }>(`/api/documents/vehicle/${slug}`);
    profile.value = read.document;
    version.value = read.version;
    document.title = sayPageTitle(read.document.model);
  } catch (error) {
    failed.value = error instanceof Refused ? error.faults.map((fault) => fault.message ?? fault.path).join(' ') : COMMON.away(PROFILE_SHEET.theProfile);
  }
}
watch(
  () => String(route.params.slug),
  (slug) => void load(slug),
  { immediate: true },
);
const layers = computed(() => layersOf(profile.value?.pieces ?? []));
const inOrder = computed(() => [...(profile.value?.pieces ?? [])].sort((a, b) => (layers.value.get(a.id) ?? 1) - (layers.value.get(b.id) ?? 1)));
const drawings = computed(() =>
  VIEWS.map((view) => {
    const here = (profile.value?.pieces ?? []).filter((piece) => viewOf(piece.zone) === view);
    return { view, pieces: here.map((piece) => ({ piece, level: 'fitted' as const, part: 'other' as const })), named: here.map(({ id }) => id) };
  }),
);
/** Only the cards of its plugs, to be hung where they are probed. */
const plugsOnly = computed(() => route.query.only === 'plugs');
const print = () => window.print();
</script>

<template>
  <EmptyNote v-if="failed" kind="failed">{{ failed }}</EmptyNote>
  <EmptyNote v-else-if="!profile" kind="loading">{{ PROFILE_SHEET.reading }}</EmptyNote>
  <article v-else class="stack sheet">
    <header class="line">
      <h1>{{ LIBRARY_VIEW.vehicle(profile) }}</h1>
      <span class="soft">{{ PROFILE_SHEET.version(version) }}</span>
      <button type="button" class="push main unprinted" @click="print">{{ PROFILE_SHEET.print }}</button>
      <router-link class="push unprinted" :to="{ name: 'library', query: { show: `vehicle/${profile.slug}` } }">{{ PROFILE_SHEET.back }}</router-link>
    </header>
    <ElectricsShelf v-if="plugsOnly" :profile="profile" open plugs-only />
    <template v-else>
      <p v-for="text in profile.cautions" :key="text">
        <TapeLabel long>{{ text }}</TapeLabel>
      </p>
      <figure v-for="drawing in drawings" :key="drawing.view">
        <VehicleSheet
          :profile="profile"
          :view="drawing.view"
          :part="frame(drawing.view, profile.measures, 60)"
          :pieces="drawing.pieces"
          :named="drawing.named"
          :undescribed="drawing.pieces.length === 0"
          outside
          :label="LIBRARY_VIEW.drawing(profile.model, drawing.view)"
        />
      </figure>
      <div class="pieces">
        <section v-for="piece in inOrder" :key="piece.id" class="piece">
          <h2>{{ piece.name }}</h2>
          <PieceDetail :profile="profile" :piece="piece" :layer="layers.get(piece.id) ?? 1" />
        </section>
      </div>
      <p v-if="inOrder.length === 0">{{ PROFILE_SHEET.noPieces }}</p>
      <KindKnown :profile="profile" />
      <ElectricsShelf :profile="profile" open />
    </template>
  </article>
</template>

<style scoped>
.sheet {
  max-width: 900px;
}

figure,
.piece {
  margin: 0;
  break-inside: avoid;
}

h2 {
  margin: 12px 0 2px;
}

@media print {
  .sheet figure :deep(svg) {
    max-height: 108mm;
  }

  .pieces {
    columns: 2;
    column-gap: 8mm;
  }

  .pieces :deep(li) {
    padding: 2px 0;
  }
}
</style>
