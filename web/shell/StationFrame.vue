<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { LONGEST_TEXT } from '@jade/core/job';
import type { Station } from '@jade/core/stations';
import { STATION_NAMES, STATION_QUESTIONS, sayHold, sayRefusal } from '@jade/words/stations';
import { sayContradiction } from '@jade/words/job';
import AskText from '../design/AskText.vue';
import EmptyNote from '../design/EmptyNote.vue';
import { useJob } from '../job/store.ts';
import { useSession } from '../session/index.ts';
import { planner, readOfPlanner } from '../workers/bridge.ts';
import { fetchTheRest, STATION_VIEWS } from './stations.ts';

const route = useRoute();
const job = useJob();
const session = useSession();
const station = computed(() => route.params.station as Station);
watch(
  () => String(route.params.id),
  (id) => void job.load(id),
  { immediate: true },
);
watch(
  () => [station.value, job.view?.vehicle.plate],
  () => void (document.title = `${STATION_NAMES[station.value]} · ${job.view?.vehicle.plate ?? ''} · Jade Bench`),
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
const nothingToFit = computed(() => job.state.left !== undefined && OF_THE_KITS.includes(station.value));
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
const asking = ref<{ about: string; text: string } | undefined>();

const anew = () => location.reload();

function except(note: string): void {
  if (asking.value) void job.record('exception.named', { about: asking.value.about, note });
  asking.value = undefined;
}
</script>

<template>
  <EmptyNote v-if="job.loading && !job.view" kind="loading">Opening the job…</EmptyNote>
  <EmptyNote v-else-if="job.failed" kind="failed"
    >{{ job.failed }} <button type="button" class="push small" @click="job.load(String(route.params.id))">Try again</button>
    <router-link class="push small" :to="{ name: 'board' }">Back to the board</router-link></EmptyNote
  >
  <div v-else-if="job.view && job.context && job.names" class="stack">
    <header class="head">
      <h1>{{ STATION_NAMES[station] }}</h1>
      <p class="soft">{{ STATION_QUESTIONS[station] }}</p>
      <details v-if="wants.length > 0" class="wants">
        <summary>{{ wants.length }} open here</summary>
        <ul class="leaf">
          <li v-for="want in wants" :key="want.text" :class="want.kind">
            <span>{{ want.text }}</span>
            <button v-if="want.about" type="button" class="push small" @click="asking = { about: want.about, text: want.text }">Name an exception</button>
          </li>
        </ul>
      </details>
      <p v-else class="wants done">Settled here</p>
    </header>
    <p v-if="job.view.newer.length > 0" class="newer">
      Newer: {{ job.view.newer.map((entry) => `${entry.slug.replaceAll('-', ' ')} version ${entry.version}`).join(', ') }}. This job goes on with its own until you take them over.
      <button type="button" class="push small" @click="job.repin()">Take them over</button>
    </p>
    <ul v-if="job.refusals.length > 0" class="newer" role="alert">
      <li v-for="refusal in job.refusals" :key="refusal.code">Not recorded: {{ sayRefusal(refusal, job.names) }}</li>
    </ul>
    <p v-for="text in contradicted" :key="text" class="newer" role="alert">{{ text }}</p>
    <p v-if="planner.failed" class="newer" role="alert">
      The way in could not be worked out: that is a fault of this program, not of yours. What is recorded is kept; load the page anew, or go on without the plan.
      <button type="button" class="push small" @click="anew">Load it anew</button>
    </p>
    <p v-else-if="planner.inPage && !planner.read" class="newer" role="status">
      The planner did not start beside this page: ways in are worked out in the page itself, which may answer slowly meanwhile. Load it anew when you can.
      <button type="button" class="push small" @click="anew">Load it anew</button>
      <button type="button" class="push small" @click="readOfPlanner">Go on so</button>
    </p>
    <p v-if="job.state.lost.length > 0" class="newer">No longer in the documents taken over: {{ job.state.lost.join(', ') }}.</p>
    <AskText
      v-if="asking"
      title="Name an exception"
      :hint="asking.text"
      label="What was agreed, and with whom"
      action="Record the exception"
      :about="`${job.view.id}/exception/${asking.about}`"
      :most="LONGEST_TEXT.exception"
      @written="except"
      @close="asking = undefined"
    />
    <EmptyNote v-if="nothingToFit" kind="empty"
      >Opening was given up: {{ job.state.left }}. Nothing is fitted on this job; what is open goes back at Close up.
      <router-link class="push small" :to="{ name: 'station', params: { id: job.view.id, station: 'close-up' } }">Go to Close up</router-link></EmptyNote
    >
    <component :is="STATION_VIEWS[station]" v-else :key="`${job.view.id}/${station}`" />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
}

@media (max-width: 700px) {
  .head > .soft {
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

.newer {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 8px 12px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
}

.done {
  color: var(--jade);
  font-weight: 600;
}
</style>
