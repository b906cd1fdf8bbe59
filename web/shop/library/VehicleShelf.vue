<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { photosAt, type EarlierPhoto } from '@jade/core/photos';
import { layersOf, type VehicleProfile } from '@jade/core/vehicle';
import { CORRECT } from '@jade/words/editing';
import { LIBRARY_VIEW, PROFILE_SHEET, VEHICLE_SHELF } from '@jade/words/library';
import { metres } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import { frame, frameAroundBoxes, viewOf, VIEWS, type View } from '../../design/geometry/outline.ts';
import { usePhotos } from '../../photos/index.ts';
import KindPhotos from '../../photos/KindPhotos.vue';
import RightGate from '../../session/RightGate.vue';
import ElectricsShelf from './ElectricsShelf.vue';
import KindKnown from './KindKnown.vue';
import { finder } from './find.ts';
import LearnedTimes from './LearnedTimes.vue';
import PieceDetail from './PieceDetail.vue';
import TaughtWays from './TaughtWays.vue';
import VersionChanges from './VersionChanges.vue';

/** A vehicle of the library to be read: its pieces by layer on the drawing, each with its fasteners and ways, and what is known of its electrics. */
const props = defineProps<{ profile: VehicleProfile; version: number }>();
const emit = defineEmits<{ kept: [said: string] }>();

const view = ref<View>('front');
/** How much is seen: the pieces of the skin, those behind them too, or all of them moved out. */
const depth = ref<'skin' | 'behind' | 'out'>('skin');
const chosen = ref<string>();
const asked = ref('');
watch(
  () => props.profile.slug,
  () => {
    view.value = 'front';
    depth.value = 'skin';
    chosen.value = undefined;
    asked.value = '';
  },
);

const photos = usePhotos();
/** Photos that were taken on vehicles of this kind. */
const taken = shallowRef<readonly EarlierPhoto[]>([]);
watch(
  () => props.profile.slug,
  async (slug) => {
    taken.value = [];
    const found = await photos.ofKind(slug);
    if (slug === props.profile.slug) taken.value = found;
  },
  { immediate: true },
);

const layers = computed(() => layersOf(props.profile.pieces));
const here = computed(() => props.profile.pieces.filter((piece) => viewOf(piece.zone) === view.value));
const find = computed(() => finder(props.profile.pieces.map(({ id, name }) => ({ id, text: name }))));
/** Pieces of any view that are asked for by name. */
const found = computed(() => (asked.value.trim() === '' ? undefined : find.value(asked.value).flatMap((id) => props.profile.pieces.find((entry) => entry.id === id) ?? [])));
/** Pieces of the view by layer, those outside first. */
const byLayer = computed(() => {
  const numbers = [...new Set(here.value.map(({ id }) => layers.value.get(id) ?? 1))].sort((a, b) => a - b);
  return numbers.map((layer) => ({ layer, pieces: here.value.filter(({ id }) => (layers.value.get(id) ?? 1) === layer) }));
});
const onSheet = computed(() => here.value.map((piece) => ({ piece, level: 'fitted' as const, part: 'other' as const })));
/** Ends are looked at from near, sides and roof as a whole. */
const part = computed(() => {
  const boxes = here.value.map(({ box }) => box);
  const near = boxes.length > 0 && (view.value === 'front' || view.value === 'rear');
  return near ? frameAroundBoxes(view.value, props.profile.measures, boxes, 260, 1400) : frame(view.value, props.profile.measures, 60);
});
const named = computed(() => [...(chosen.value ? [chosen.value] : []), ...here.value.map(({ id }) => id).filter((id) => id !== chosen.value)]);
const piece = computed(() => props.profile.pieces.find(({ id }) => id === chosen.value));

function choose(id: string): void {
  chosen.value = chosen.value === id ? undefined : id;
  const other = props.profile.pieces.find((entry) => entry.id === id);
  if (other) view.value = viewOf(other.zone);
}
</script>

<template>
  <section class="stack">
    <div class="line">
      <h2>{{ LIBRARY_VIEW.vehicle(profile) }}</h2>
      <span class="soft">{{
        LIBRARY_VIEW.measures(
          profile.systemVoltageV,
          profile.highVoltage,
          metres(profile.measures.lengthMm / 1000),
          metres(profile.measures.widthMm / 1000),
          metres(profile.measures.heightMm / 1000),
        )
      }}</span>
      <span v-if="profile.unmeasured" class="soft">{{ LIBRARY_VIEW.unmeasured(profile.unmeasured) }}</span>
      <a class="push small" :href="`/api/documents/vehicle/${profile.slug}/export`" download>{{ LIBRARY_VIEW.export }}</a>
      <router-link class="push small" :to="{ name: 'profile-sheet', params: { slug: profile.slug } }">{{ PROFILE_SHEET.show }}</router-link>
      <router-link v-if="profile.plugs.length > 0" class="push small" :to="{ name: 'profile-sheet', params: { slug: profile.slug }, query: { only: 'plugs' } }">{{
        PROFILE_SHEET.plugCards
      }}</router-link>
      <RightGate right="take in documents" quiet>
        <router-link class="push small" :to="{ name: 'correct', params: { kind: 'vehicle', slug: profile.slug } }">{{ CORRECT.show }}</router-link>
        <router-link class="push small" :to="{ name: 'correct', params: { kind: 'vehicle', slug: profile.slug }, query: { as: 'copy' } }">{{ CORRECT.copy }}</router-link>
      </RightGate>
    </div>
    <p v-for="text in profile.cautions" :key="text">
      <TapeLabel long>{{ text }}</TapeLabel>
    </p>
    <div class="line">
      <ChoiceRow
        :label="VEHICLE_SHELF.view"
        small
        :choices="VIEWS.map((value) => ({ value, text: VEHICLE_SHELF.from[value] }))"
        :value="view"
        @choose="(value) => (view = value)"
      />
      <ChoiceRow
        :label="VEHICLE_SHELF.depth"
        small
        :choices="[
          { value: 'skin', text: VEHICLE_SHELF.skin },
          { value: 'behind', text: VEHICLE_SHELF.behind },
          { value: 'out', text: VEHICLE_SHELF.out },
        ]"
        :value="depth"
        @choose="(value) => (depth = value)"
      />
    </div>
    <div class="leaf">
      <VehicleSheet
        :profile="profile"
        :view="view"
        :part="part"
        :pieces="onSheet"
        :named="named"
        :chosen="chosen"
        :outside="depth === 'skin'"
        :layers="depth === 'out' ? layers : undefined"
        :undescribed="here.length === 0"
        :label="LIBRARY_VIEW.drawing(profile.model, view)"
        @piece="choose"
      />
      <p v-if="here.length === 0" class="soft">{{ VEHICLE_SHELF.noneHere(view) }}</p>
    </div>
    <article v-if="piece" class="leaf stack detail" aria-live="polite">
      <div class="line">
        <h2 class="grow">{{ piece.name }}</h2>
        <button type="button" class="push small plain" @click="chosen = undefined">{{ VEHICLE_SHELF.all }}</button>
      </div>
      <PieceDetail :profile="profile" :piece="piece" :layer="layers.get(piece.id) ?? 1" />
      <KindPhotos :profile="profile" :photos="photosAt(taken, { kind: 'piece', piece: piece.id, level: 'fitted' })" />
    </article>
    <div v-if="profile.pieces.length > 0" class="leaf stack">
      <v-text-field v-model="asked" :label="VEHICLE_SHELF.find" type="search" variant="outlined" density="compact" hide-details />
      <p v-if="found?.length === 0" class="soft">{{ VEHICLE_SHELF.notFound }}</p>
      <span v-else-if="found" class="chips">
        <button v-for="entry in found" :key="entry.id" type="button" class="push small" :aria-pressed="entry.id === chosen" @click="choose(entry.id)">{{ entry.name }}</button>
      </span>
      <div v-for="group in found ? [] : byLayer" :key="group.layer" class="layer">
        <strong>{{ VEHICLE_SHELF.layer(group.layer) }}</strong>
        <span class="chips">
          <button v-for="entry in group.pieces" :key="entry.id" type="button" class="push small" :aria-pressed="entry.id === chosen" @click="choose(entry.id)">
            {{ entry.name }}
          </button>
        </span>
      </div>
    </div>
    <EmptyNote v-if="profile.pieces.length === 0" kind="empty">{{ VEHICLE_SHELF.noPieces }}</EmptyNote>
    <p class="soft">{{ LIBRARY_VIEW.counts(profile) }}</p>
    <KindKnown :profile="profile" />
    <ElectricsShelf :profile="profile" :photos="taken" />
    <VersionChanges kind="vehicle" :slug="profile.slug" :version="version" @kept="(said) => emit('kept', said)" />
    <TaughtWays :profile="profile" :version="version" @kept="(said) => emit('kept', said)" />
    <LearnedTimes :profile="profile" :version="version" @kept="(said) => emit('kept', said)" />
  </section>
</template>

<style scoped>
.layer {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 10px;
  align-items: baseline;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

@media (max-width: 700px) {
  .layer {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
