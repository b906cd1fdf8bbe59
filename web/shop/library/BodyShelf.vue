<script setup lang="ts">
import { computed, ref } from 'vue';
import { BODIES, TYPICAL_MEASURES } from '@jade/core/vehicle';
import { BODY_NAMES, BODY_SHELF, VEHICLE_SHELF } from '@jade/words/library';
import { metres } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import { frame, VIEWS, type View } from '../../design/geometry/outline.ts';

/** Every body that the sheet can draw, with the word that a profile names it by and the measures it is drawn in here. */
const view = ref<View>('side');
const bodies = computed(() => BODIES.map((body) => ({ body, measures: TYPICAL_MEASURES[body] })));
</script>

<template>
  <section class="stack">
    <h2>{{ BODY_SHELF.title }}</h2>
    <p class="soft">{{ BODY_SHELF.how }}</p>
    <ChoiceRow :label="VEHICLE_SHELF.view" small :choices="VIEWS.map((value) => ({ value, text: VEHICLE_SHELF.from[value] }))" :value="view" @choose="(value) => (view = value)" />
    <ul class="bodies">
      <li v-for="{ body, measures } in bodies" :key="body" class="leaf">
        <VehicleSheet :profile="{ body, measures }" :view="view" :part="frame(view, measures, 200)" :label="BODY_SHELF.drawing(BODY_NAMES[body], view)" />
        <p>
          <strong>{{ BODY_NAMES[body] }}</strong> <span class="mono soft">{{ body }}</span>
        </p>
        <p class="soft">{{ BODY_SHELF.measures(metres(measures.lengthMm / 1000), metres(measures.widthMm / 1000), metres(measures.heightMm / 1000)) }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.bodies {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 12px;
  padding: 0;
  list-style: none;
}

.bodies :deep(svg) {
  height: 170px;
}
</style>
