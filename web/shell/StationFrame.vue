<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { LONGEST_TEXT } from '@jade/core/events';
import { toTakeOut } from '@jade/core/job';
import { PAPERS_AT } from '@jade/core/photos';
import { itself, type Station } from '@jade/core/stations';
import { NIGHT, PAUSE, sayNothingFitted } from '@jade/words/itself';
import { FRAME, sayNewer, sayPageTitle } from '@jade/words/shell';
import { STATION_NAMES, STATION_QUESTIONS, sayHold } from '@jade/words/stations';
import { sayContradiction } from '@jade/words/job';
import AskText from '../design/AskText.vue';
import EmptyNote from '../design/EmptyNote.vue';
import HelpHere from '../design/HelpHere.vue';
import StationMarks from '../design/StationMarks.vue';
import { useNight } from '../itself/night.ts';
import { usePause } from '../itself/pause.ts';
import NotesPane from '../itself/NotesPane.vue';
import JobGate from '../job/JobGate.vue';
import { useJob } from '../job/store.ts';
import KitPapers from '../photos/KitPapers.vue';
import { useSession } from '../session/index.ts';
import { planner, readOfPlanner } from '../workers/bridge.ts';
import { fetchTheRest, STATION_VIEWS } from './stations.ts';

const route = useRoute();
const job = useJob();
const session = useSession();
const station = computed(() => route.params.station as Station);
watch(
  () => [station.value, job.view?.vehicle.plate],
  () => void (document.title = sayPageTitle(STATION_NAMES[station.value], job.view?.vehicle.plate)),
  { immediate: true },
);
/** Once the first view has had its turn. */
const REST_AFTER_MS = 1500;
const resting = setTimeout(() => void fetchTheRest(), REST_AFTER_MS);
onUnmounted(() => clearTimeout(resting));
const wants = computed(() => {
  const { names, standing } = job;
  const own = standing?.stations.find((entry) => entry.station === station.value);
  return names && own ? own.holds.map((hold) => ({ text: sayHold(hold, names), kind: hold.kind, about: hold.about })) : [];
});

const OF_THE_KITS: readonly Station[] = ['match', 'gather', 'wire', 'probe', 'fit', 'aim'];
/** Why nothing is fitted on this job, at stations that have nothing else to do then. */
const nothingToFit = computed(() => {
  const why = job.state.cancelled?.why ?? job.state.left;
  const busy = station.value === 'fit' && job.context !== undefined && toTakeOut(job.context).length > 0;
  return OF_THE_KITS.includes(station.value) && !busy ? why : undefined;
});
/** Two people who said otherwise of one thing within a minute: who said what. */
const contradicted = computed(() => {
  const { names } = job;
  if (!names) return [];
  return job.state.questions.flatMap((question) => {
    if (question.code !== 'contradicted') return [];
    const entries = [question.other, question.event].flatMap((id) => job.log.find((event) => event.id === id) ?? []);
    return [sayContradiction(entries, names, session.benchNameOf)];
  });
});
const night = useNight();
const pause = usePause();
const asking = ref<{ about: string; text: string } | undefined>();

const anew = () => location.reload();

function except(note: string): void {
  if (asking.value) void job.record('exception.named', { about: asking.value.about, note });
  asking.value = undefined;
}
</script>

<template>
  <JobGate>
    <template #head>
      <header class="page-head">
        <h1>{{ STATION_NAMES[station] }}</h1>
        <p class="soft">{{ STATION_QUESTIONS[station] }}</p>
        <details v-if="wants.length > 0" class="wants">
          <summary>{{ FRAME.open(wants.length) }}</summary>
          <ul class="leaf">
            <li v-for="want in wants" :key="want.text" :class="want.kind">
              <span>{{ want.text }}</span>
              <button v-if="want.about" type="button" class="push small" @click="asking = { about: want.about, text: want.text }">{{ FRAME.except }}</button>
            </li>
          </ul>
        </details>
        <p v-else class="wants done">{{ FRAME.settled }}</p>
        <button v-if="job.context && itself.canPause(job.context)" type="button" class="push plain small" @click="job.perform(itself.paused(job.context))">
          {{ PAUSE.pause }}
        </button>
        <HelpHere :key="station" :of="station"><StationMarks /></HelpHere>
      </header>
    </template>
    <template #default="{ view, context }">
      <p v-if="view.newer.length > 0" class="heeded">
        {{ sayNewer(view.newer) }}
        <button type="button" class="push small" @click="job.repin()">{{ FRAME.takeOver }}</button>
      </p>
      <div v-if="pause" class="heeded" role="status">
        <span class="grow"
          ><strong>{{ pause }}.</strong> {{ PAUSE.clock }}</span
        >
        <button type="button" class="push" @click="job.perform(itself.resumed(context))">{{ PAUSE.goOn }}</button>
      </div>
      <div v-if="job.state.night" class="heeded" role="status">
        <span class="grow"
          ><strong>{{ night }}.</strong> {{ NIGHT.look }}</span
        >
        <router-link class="push small" :to="{ name: 'itself', params: { id: view.id } }">{{ NIGHT.list }}</router-link>
        <button type="button" class="push small" @click="job.perform(itself.foundAgain(context))">{{ NIGHT.asLeft }}</button>
      </div>
      <p v-for="text in contradicted" :key="text" class="heeded" role="alert">{{ text }}</p>
      <p v-if="planner.failed" class="heeded" role="alert">
        {{ FRAME.planFailed }}
        <button type="button" class="push small" @click="anew">{{ FRAME.anew }}</button>
      </p>
      <p v-else-if="planner.inPage && !planner.read" class="heeded" role="status">
        {{ FRAME.planInPage }}
        <button type="button" class="push small" @click="anew">{{ FRAME.anew }}</button>
        <button type="button" class="push small" @click="readOfPlanner">{{ FRAME.goOn }}</button>
      </p>
      <p v-if="job.state.lost.length > 0" class="heeded">{{ FRAME.lost(job.state.lost) }}</p>
      <AskText
        v-if="asking"
        :title="FRAME.except"
        :hint="asking.text"
        :label="FRAME.agreed"
        :action="FRAME.recordException"
        :about="`${view.id}/exception/${asking.about}`"
        :most="LONGEST_TEXT.exception"
        @written="except"
        @close="asking = undefined"
      />
      <KitPapers v-if="PAPERS_AT[station] && station !== 'gather'" :key="`papers/${view.id}/${station}`" :station="station" />
      <EmptyNote v-if="nothingToFit !== undefined" kind="empty"
        >{{ sayNothingFitted(nothingToFit, job.state.cancelled !== undefined) }}
        <router-link class="push small" :to="{ name: 'station', params: { id: view.id, station: 'close-up' } }">{{ FRAME.toCloseUp }}</router-link></EmptyNote
      >
      <component :is="STATION_VIEWS[station]" v-else :key="`${view.id}/${station}`" />
      <KitPapers v-if="station === 'gather'" :key="`papers/${view.id}`" :station="station" />
      <NotesPane :key="`notes/${view.id}/${station}`" :station="station" />
    </template>
  </JobGate>
</template>

<style scoped>
@media (max-width: 700px) {
  .page-head > .soft {
    display: none;
  }
}

.wants {
  margin-left: auto;
  position: relative;
}

.wants summary {
  cursor: pointer;
  font-weight: 600;
  min-height: 32px;
}

.wants ul {
  position: absolute;
  right: 0;
  z-index: 4;
  width: min(460px, 84vw);
  max-height: 60vh;
  overflow-y: auto;
  box-shadow: 0 6px 24px rgb(0 0 0 / 30%);
}

.wants li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  padding: 6px 0 6px 10px;
  border-left: 4px solid var(--line-strong);
  margin-bottom: 6px;
}

.wants li.block {
  border-color: var(--red);
}

.wants li.question {
  border-color: var(--amber);
}

.done {
  color: var(--jade);
  font-weight: 600;
}
</style>
