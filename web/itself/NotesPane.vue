<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { itself, type Station } from '@jade/core/stations';
import { NOTES } from '@jade/words/itself';
import { STATION_NAMES } from '@jade/words/stations';
import { sayDay } from '@jade/words/units';
import AskText from '../design/AskText.vue';
import TapeLabel from '../design/TapeLabel.vue';
import { useCurrentJob } from '../job/current.ts';
import { useSession } from '../session/index.ts';

/** What people wanted to keep, the last first; those of one station where one is named. */
const props = defineProps<{ station?: Station }>();
const { job, context, names } = useCurrentJob();
const session = useSession();
const writing = ref(false);
const notes = computed(() =>
  job.state.notes
    .filter(({ station }) => props.station === undefined || station === props.station)
    .map(({ event, at, by, station, note }) => ({
      event,
      note,
      said: [...(by === undefined ? [] : [session.benchNameOf(by)]), ...(props.station === undefined ? [STATION_NAMES[station]] : []), dayjs(at).format('ddd D MMM, HH:mm')].join(
        ' · ',
      ),
    }))
    .reverse(),
);
/** What was noted of the kind of vehicle on earlier ones. */
const ofKind = computed(() =>
  (job.view?.profile.notes ?? []).filter(
    ({ station, kit }) => (props.station === undefined || station === props.station) && (kit === undefined || context.value.kits.some(({ slug }) => slug === kit)),
  ),
);
const place = computed<Station>(() => props.station ?? job.standing?.holding?.station ?? 'hand-over');

function keep(text: string): void {
  void job.perform(itself.noted(place.value, text));
  writing.value = false;
}
</script>

<template>
  <section class="stack" :class="{ leaf: !station }" :aria-label="NOTES.title">
    <h2 v-if="!station">{{ NOTES.title }}</h2>
    <ul v-if="ofKind.length > 0" class="notes" :aria-label="NOTES.kind">
      <li v-for="note in ofKind" :key="note.id">
        <TapeLabel>{{ note.text }}</TapeLabel>
        <span class="soft">{{ [...(station ? [] : [STATION_NAMES[note.station]]), ...(note.kit ? [names.kit(note.kit)] : []), NOTES.ofKind(sayDay(note.on))].join(' · ') }}</span>
      </li>
    </ul>
    <p v-if="notes.length === 0 && !station" class="soft">{{ NOTES.none }}</p>
    <ul v-if="notes.length > 0" class="notes">
      <li v-for="note in notes" :key="note.event">
        <TapeLabel>{{ note.note }}</TapeLabel>
        <span class="soft">{{ note.said }}</span>
      </li>
    </ul>
    <div>
      <button type="button" class="push small" @click="writing = true">{{ NOTES.write }}</button>
    </div>
    <AskText
      v-if="writing"
      :title="NOTES.writeTitle"
      :label="NOTES.label"
      :action="NOTES.keep"
      :about="`${job.view?.id}/note/${place}`"
      :most="LONGEST_TEXT.jobNote"
      @written="keep"
      @close="writing = false"
    />
  </section>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 8px;
}

.notes li {
  display: grid;
  justify-items: start;
  gap: 2px;
}
</style>
