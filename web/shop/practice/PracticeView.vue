<script setup lang="ts">
import dayjs from 'dayjs';
import { v7 } from 'uuid';
import { computed, defineAsyncComponent, onMounted, ref, shallowRef } from 'vue';
import { PracticeBench, practiceFace, probeFound, PRACTICE_RULES, wantedLeft, type Practice, type PracticeAct, type ProbeFunction } from '@jade/core/probing';
import type { VehicleState } from '@jade/core/states';
import type { PracticeKept } from '@jade/contract/practice';
import { sayHelperState } from '@jade/words/kit';
import { sayClaim, sayFunctions, sayKeptPractice, sayPinFound, sayReading, sayScore, sayWaste, sayWasted, tenths } from '@jade/words/probing';
import CautionNote from '../../design/CautionNote.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import ProbeFace from '../../design/drawings/ProbeFace.vue';
import { ask } from '../../ask/index.ts';
import { useAttempt } from '../../ask/attempt.ts';
import { useDraft } from '../../drafts/index.ts';

/** Training at plugs that are drawn: read as little as tells enough, say what is proved and nothing before. */
const PracticeChart = defineAsyncComponent(() => import('../../design/drawings/PracticeChart.vue'));
const MOST_SEED = 2_000_000_000;
const newSeed = () => 1 + Math.floor(Math.random() * (MOST_SEED - 1));
/** Half-way it goes on, through a reload too. */
const { draft } = useDraft(
  () => 'practice',
  () => ({ id: v7(), seed: newSeed(), acts: [] as PracticeAct[] }),
);
let bench = new PracticeBench(1);
const practice = shallowRef<Practice>(bench.stands());
function begin(): void {
  bench = new PracticeBench(draft.value.seed);
  for (const act of draft.value.acts) bench.act(act);
  practice.value = bench.stands();
}
begin();

const state = ref<VehicleState>('key off');
const pin = ref<string>();
const plug = computed(() => practiceFace(practice.value));
/** What the readings say is shown once it is done: to know it before is what is trained. */
const found = computed(() => (practice.value.done ? probeFound(practice.value.run, PRACTICE_RULES).pins : []));
const wanted = computed(() => practice.value.run.wanted ?? []);
const left = computed(() => wantedLeft(practice.value));
const last = computed(() => practice.value.readings.at(-1));
const wasted = computed(() => practice.value.readings.filter(({ waste }) => waste));
const cells = computed(() =>
  practice.value.run.pins.map(({ id }) => ({
    id,
    read: practice.value.run.states.map((at) => practice.value.readings.findLast((reading) => reading.pin === id && reading.state === at)),
  })),
);

const kept = ref<PracticeKept[]>();
/** What it was worth is worked out where it is kept. */
const score = computed(() => (practice.value.done ? kept.value?.find(({ id }) => id === draft.value.id) : undefined));
const { fault, attempt } = useAttempt();
async function load(): Promise<void> {
  kept.value = await ask<PracticeKept[]>('/api/practice').catch(() => kept.value);
}
onMounted(async () => {
  await load();
  if (practice.value.done && !kept.value?.some(({ id }) => id === draft.value.id)) await keep();
});
async function keep(): Promise<void> {
  const { id, seed, acts } = draft.value;
  if (await attempt(async () => void (await ask('/api/practice', { id, seed, acts })))) await load();
}

function act(one: PracticeAct): void {
  if (!bench.act(one)) return;
  draft.value = { ...draft.value, acts: [...draft.value.acts, one] };
  practice.value = bench.stands();
  if (practice.value.done) void keep();
}
const read = (id: string) => {
  pin.value = id;
  act({ kind: 'read', pin: id, state: state.value });
};
const claim = (name: ProbeFunction) => pin.value && act({ kind: 'claim', pin: pin.value, function: name });
function another(): void {
  draft.value = { id: v7(), seed: newSeed(), acts: [] };
  [state.value, pin.value, fault.value] = ['key off', undefined, ''];
  begin();
}
const rows = computed(() =>
  (kept.value ?? []).map((entry, index) => ({ name: String(index + 1), score: entry.score, says: `${dayjs(entry.at).format('D MMM, HH:mm')}: ${sayKeptPractice(entry)}` })),
);
</script>

<template>
  <div class="stack">
    <header class="line">
      <h1>Practice bench</h1>
      <p class="soft grow">A plug is drawn; nobody knows it. Find what is wanted with as little as proves it.</p>
      <button type="button" class="push" @click="another">{{ practice.done ? 'Another plug' : 'Leave this plug, draw another' }}</button>
    </header>
    <div class="split">
      <section class="leaf stack" aria-labelledby="practice-plug">
        <h2 id="practice-plug">Wanted: {{ wanted.map((name) => sayFunctions([name])).join(', ') }}</h2>
        <p v-if="!practice.done" class="soft">
          One reading in a hundred is wrong, one wire may leak. Proved is: on with its state, off without it, and nothing else left to a thousandth.
        </p>
        <div v-if="!practice.done" class="stack">
          <ChoiceRow
            label="What the helper switches"
            :choices="practice.run.states.map((value) => ({ value, text: value }))"
            :value="state"
            small
            @choose="(value) => (state = value)"
          />
          <p>
            <strong>{{ sayHelperState(state) }}</strong> — now tap the pin to read.
          </p>
        </div>
        <div class="both">
          <ProbeFace :plug="plug" :found="found" :pin="pin" @pick="read" />
          <div class="stack">
            <p v-if="last" class="shows mono" aria-live="polite">{{ sayReading(last) }}</p>
            <p v-if="last" class="soft">pin {{ last.pin }} with {{ last.state }}, {{ tenths(last.minutes) }}</p>
            <p class="soft">{{ tenths(practice.minutes) }} so far, {{ practice.readings.length }} read</p>
            <div v-if="pin && left.length > 0" class="line">
              <span>Pin {{ pin }} is proved to be</span>
              <button v-for="name in left" :key="name" type="button" class="push small" @click="claim(name)">{{ sayFunctions([name]) }}</button>
            </div>
          </div>
        </div>
        <div class="scroll" role="region" aria-label="What was read" tabindex="0">
          <table>
            <caption class="out-of-sight">
              What was read, a row for each pin
            </caption>
            <thead>
              <tr>
                <th scope="col">Pin</th>
                <th v-if="practice.done" scope="col">What the readings say</th>
                <th v-for="at in practice.run.states" :key="at" scope="col">{{ at }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in cells" :key="row.id">
                <th scope="row">{{ row.id }}</th>
                <td v-if="practice.done">
                  <template v-for="entry in found" :key="entry.pin">{{ entry.pin === row.id ? sayPinFound(entry) : '' }}</template>
                </td>
                <td v-for="(reading, index) in row.read" :key="index" :class="reading?.found.replaceAll(' ', '-')">{{ reading ? sayReading(reading) : '·' }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section class="stack">
        <article v-if="practice.done" class="leaf stack" aria-live="polite">
          <h2>{{ score ? `${score.score} of 100` : 'Done' }}</h2>
          <p v-if="score">{{ sayScore(score) }}</p>
          <p v-else-if="!fault" class="soft">Working out what it was worth …</p>
          <ul class="rows">
            <li v-for="entry in practice.claims" :key="entry.function" :class="entry.isReally ? 'bad' : entry.premature ? 'odd' : 'good'">{{ sayClaim(entry) }}</li>
            <li v-for="(reading, index) in wasted" :key="index">{{ sayWasted(reading) }}</li>
          </ul>
          <p v-if="wasted.length === 0" class="soft">No reading was wasted.</p>
          <p v-if="fault" class="bad" role="alert">{{ fault }} <button type="button" class="push small" @click="keep">Keep the result</button></p>
        </article>
        <article v-else-if="practice.readings.length > 0" class="leaf stack">
          <h2>As it goes</h2>
          <p v-if="last?.waste" class="odd" role="status">{{ sayWaste(last.waste) }}</p>
          <p v-else class="soft">The last reading was worth its time.</p>
        </article>
        <article class="leaf stack">
          <h2>Your results</h2>
          <EmptyNote v-if="!kept" kind="loading">Reading …</EmptyNote>
          <EmptyNote v-else-if="kept.length === 0" kind="empty">None yet: the first plug that is done stands here.</EmptyNote>
          <template v-else>
            <PracticeChart :rows="rows" :label="`Scores of ${rows.length} practices: ${rows.map(({ score: own }) => own).join(', ')}`" />
            <p class="soft">{{ rows.at(-1)?.says }}</p>
          </template>
        </article>
        <CautionNote text="Training only: on a vehicle the parking brake is set, wheels are chocked, and a powered probe touches no wire of it." />
      </section>
    </div>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.split {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}

.both {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
  align-items: start;
}

.shows {
  font-size: 30px;
  font-weight: 600;
}

.scroll {
  overflow-x: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 6px 8px;
  text-align: left;
  border-bottom: 1px solid var(--line);
  font-size: 14.5px;
  white-space: nowrap;
}

td.on,
td.flashing {
  background: var(--jade-soft);
  font-weight: 650;
}

td.in-between,
td.leak,
td.dimmed-or-modulated {
  background: var(--amber-soft);
}

@media (max-width: 1000px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
