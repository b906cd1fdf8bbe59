<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { itself } from '@jade/core/stations';
import { LONGEST_TEXT } from '@jade/core/events';
import { CARD } from '@jade/words/card';
import { CANCEL, ITSELF, sayUndoing } from '@jade/words/itself';
import { PHOTOS } from '@jade/words/photos';
import { sayPageTitle } from '@jade/words/shell';
import AskText from '../design/AskText.vue';
import HelpHere from '../design/HelpHere.vue';
import JobGate from '../job/JobGate.vue';
import PrintLabels from '../job/PrintLabels.vue';
import { useJob } from '../job/store.ts';
import RightGate from '../session/RightGate.vue';
import AgreedPane from './AgreedPane.vue';
import FollowPane from './FollowPane.vue';
import KitsPane from './KitsPane.vue';
import NightPane from './NightPane.vue';
import NotesPane from './NotesPane.vue';
import PlacePane from './PlacePane.vue';

/** A job apart from its stations: what was agreed, who is on it, its kits, notes, the night, and its end before the work is done. */
const job = useJob();
const cancelling = ref(false);
watch(
  () => job.view?.vehicle.plate,
  (plate) => void (document.title = sayPageTitle(ITSELF.title, plate)),
  { immediate: true },
);
const undoing = computed(() => job.context && sayUndoing(itself.undoing(job.context), 'job'));

function cancel(why: string): void {
  if (job.context) void job.perform(itself.cancelled(job.context, why));
  cancelling.value = false;
}
</script>

<template>
  <JobGate>
    <template #head>
      <header class="page-head">
        <h1>{{ ITSELF.title }}</h1>
        <p class="soft">{{ ITSELF.question }}</p>
        <HelpHere class="last" of="itself" />
      </header>
    </template>
    <p v-if="job.state.cancelled" class="heeded" role="status">
      {{ CANCEL.is(job.state.cancelled.why) }} {{ job.state.touched ? CANCEL.touched : CANCEL.untouched }}
      <router-link v-if="job.standing?.holding" class="push small" :to="{ name: 'station', params: { id: job.view?.id, station: job.standing.holding.station } }">{{
        CANCEL.go
      }}</router-link>
    </p>
    <div class="panes">
      <AgreedPane />
      <PlacePane />
      <KitsPane />
      <FollowPane />
      <NotesPane />
      <NightPane />
    </div>
    <div class="line">
      <router-link v-if="!job.state.signed" class="push" :to="{ name: 'card', params: { id: job.view?.id } }">{{ CARD.show }}</router-link>
      <router-link class="push" :to="{ name: 'photos', params: { id: job.view?.id } }">{{ PHOTOS.all(Object.keys(job.state.photos).length) }}</router-link>
      <PrintLabels />
      <RightGate v-if="!job.state.cancelled && !job.state.signed" right="change the order"
        ><button type="button" class="push" @click="cancelling = true">{{ CANCEL.title }}</button></RightGate
      >
    </div>
    <AskText
      v-if="cancelling"
      :title="CANCEL.title"
      :hint="`${CANCEL.hint}. ${undoing}`"
      :label="CANCEL.why"
      :action="CANCEL.action"
      :about="`${job.view?.id}/cancel`"
      :most="LONGEST_TEXT.why"
      @written="cancel"
      @close="cancelling = false"
    />
  </JobGate>
</template>

<style scoped>
.panes {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 330px), 1fr));
  gap: 14px;
  align-items: start;
}
</style>
