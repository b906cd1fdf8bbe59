<script setup lang="ts">
import { computed, ref } from 'vue';
import { isRefused, samePlace } from '@jade/core/stations';
import type { PlaceList } from '@jade/core/overlay';
import { PLACE_TWINS } from '@jade/words/open-up';
import TapeLabel from '../design/TapeLabel.vue';
import { useCurrentJob } from './current.ts';
import TwinNamed from './TwinNamed.vue';

/** Places, sensors, gaps or plugs that two devices described, each not knowing of the other: whether they are one, a person says. */
const props = defineProps<{ list: PlaceList }>();
const { job, context, names } = useCurrentJob();
const asked = computed(() => samePlace.placeTwins(context.value, props.list));
const naming = ref<samePlace.PlaceTwin>();

/** Where each of them is, as far as that was said in words. */
function where(id: string): string | undefined {
  const { plugs, sensors } = context.value.profile;
  const on = sensors.find((sensor) => sensor.id === id)?.on;
  return plugs.find((plug) => plug.id === id)?.whereToLook ?? (on === undefined ? undefined : names.value.piece(on));
}
async function two(twin: samePlace.PlaceTwin): Promise<void> {
  const act = samePlace.areTwo(context.value, props.list, twin.place.id);
  if (isRefused(act)) naming.value = twin;
  else await job.perform(act);
}
</script>

<template>
  <section v-if="asked.length > 0" class="leaf stack undescribed" :aria-label="PLACE_TWINS.title">
    <h2>{{ PLACE_TWINS.title }}</h2>
    <p>{{ PLACE_TWINS.why(list) }}</p>
    <TapeLabel v-if="list === 'plugs' && asked.some(({ canBeOne }) => canBeOne)" long>{{ PLACE_TWINS.plugFirst }}</TapeLabel>
    <div v-for="twin in asked" :key="twin.place.id" class="stack">
      <strong>{{ PLACE_TWINS.asked(twin, where) }}</strong>
      <div class="line">
        <button v-if="twin.canBeOne" type="button" class="push" :class="{ main: twin.named }" @click="job.perform(samePlace.areSame(context, list, twin.place.id))">
          {{ PLACE_TWINS.same(list) }}
        </button>
        <button type="button" class="push" @click="two(twin)">{{ PLACE_TWINS.two(list) }}</button>
        <span class="soft">{{ twin.canBeOne ? PLACE_TWINS.then(list, twin.is.name) : PLACE_TWINS.twoFaces }}</span>
      </div>
    </div>
    <TwinNamed
      v-if="naming"
      :id="naming.place.id"
      :called="naming.place.name"
      :title="PLACE_TWINS.twoTitle(list)"
      :act-of="(name) => samePlace.areTwo(context, list, naming?.place.id ?? '', name)"
      @close="naming = undefined"
    />
  </section>
</template>
