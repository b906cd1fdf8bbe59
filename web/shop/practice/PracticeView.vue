<script setup lang="ts">
import dayjs from 'dayjs';
import { v7 } from 'uuid';
import { computed, defineAsyncComponent, onMounted, ref, shallowRef } from 'vue';
import { PracticeBench, practiceFace, probeFound, PRACTICE_RULES, wantedLeft, type Practice, type PracticeAct, type ProbeFunction } from '@jade/core/probing';
import type { VehicleState } from '@jade/core/states';
import type { PracticeKept } from '@jade/contract/practice';
import { COMMON } from '@jade/words/common';
import { sayHelperState } from '@jade/words/kit';
import { PRACTICE_VIEW } from '@jade/words/practice';
import { sayClaim, sayFunctions, sayKeptPractice, sayPinFound, sayReading, sayScore, sayWaste, sayWasted, tenths } from '@jade/words/probing';
import CautionNote from '../../design/CautionNote.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import HelpHere from '../../design/HelpHere.vue';
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
      <h1>{{ PRACTICE_VIEW.title }}</h1>
      <p class="soft grow">{{ PRACTICE_VIEW.asks }}</p>
      <button type="button" class="push" @click="another">{{ practice.done ? PRACTICE_VIEW.anotherPlug : PRACTICE_VIEW.leaveIt }}</button>
      <HelpHere of="practice" />
    </header>
    <div class="split">
      <section class="leaf stack" aria-labelledby="practice-plug">
        <h2 id="practice-plug">{{ PRACTICE_VIEW.wanted(wanted.map((name) => sayFunctions([name]))) }}</h2>
        <p v-if="!practice.done" class="soft">
          {{ PRACTICE_VIEW.proved }}
        </p>
        <div v-if="!practice.done" class="stack">
          <ChoiceRow
            :label="PRACTICE_VIEW.helperSwitches"
            :choices="practice.run.states.map((value) => ({ value, text: value }))"
            :value="state"
            small
            @choose="(value) => (state = value)"
          />
          <p>
            <strong>{{ sayHelperState(state) }}</strong> {{ PRACTICE_VIEW.nowTap }}
          </p>
        </div>
        <div class="both">
          <ProbeFace :plug="plug" :found="found" :pin="pin" @pick="read" />
          <div class="stack">
            <p v-if="last" class="shows mono" aria-live="polite">{{ sayReading(last) }}</p>
            <p v-if="last" class="soft">{{ PRACTICE_VIEW.reading(last.pin, last.state, tenths(last.minutes)) }}</p>
            <p class="soft">{{ PRACTICE_VIEW.soFar(tenths(practice.minutes), practice.readings.length) }}</p>
            <div v-if="pin && left.length > 0" class="line">
              <span>{{ PRACTICE_VIEW.isProved(pin) }}</span>
              <button v-for="name in left" :key="name" type="button" class="push small" @click="claim(name)">{{ sayFunctions([name]) }}</button>
            </div>
          </div>
        </div>
        <div class="scroll" role="region" :aria-label="PRACTICE_VIEW.whatRead" tabindex="0">
          <table>
            <caption class="out-of-sight">
              {{
                PRACTICE_VIEW.table
              }}
            </caption>
            <thead>
              <tr>
                <th scope="col">{{ PRACTICE_VIEW.pin }}</th>
                <th v-if="practice.done" scope="col">{{ PRACTICE_VIEW.say }}</th>
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
          <h2>{{ score ? PRACTICE_VIEW.score(score.score) : PRACTICE_VIEW.done }}</h2>
          <p v-if="score">{{ sayScore(score) }}</p>
          <p v-else-if="!fault" class="soft">{{ PRACTICE_VIEW.working }}</p>
          <ul class="rows">
            <li v-for="entry in practice.claims" :key="entry.function" :class="entry.isReally ? 'bad' : entry.premature ? 'odd' : 'good'">{{ sayClaim(entry) }}</li>
            <li v-for="(reading, index) in wasted" :key="index">{{ sayWasted(reading) }}</li>
          </ul>
          <p v-if="wasted.length === 0" class="soft">{{ PRACTICE_VIEW.noneWasted }}</p>
          <p v-if="fault" class="bad" role="alert">
            {{ fault }} <button type="button" class="push small" @click="keep">{{ PRACTICE_VIEW.keep }}</button>
          </p>
        </article>
        <article v-else-if="practice.readings.length > 0" class="leaf stack">
          <h2>{{ PRACTICE_VIEW.goes }}</h2>
          <p v-if="last?.waste" class="odd" role="status">{{ sayWaste(last.waste) }}</p>
          <p v-else class="soft">{{ PRACTICE_VIEW.lastWorth }}</p>
        </article>
        <article class="leaf stack">
          <h2>{{ PRACTICE_VIEW.results }}</h2>
          <EmptyNote v-if="!kept" kind="loading">{{ COMMON.reading }}</EmptyNote>
          <EmptyNote v-else-if="kept.length === 0" kind="empty">{{ PRACTICE_VIEW.none }}</EmptyNote>
          <template v-else>
            <PracticeChart :rows="rows" :label="PRACTICE_VIEW.scores(rows.map(({ score: own }) => own))" />
            <p class="soft">{{ rows.at(-1)?.says }}</p>
          </template>
        </article>
        <CautionNote :text="PRACTICE_VIEW.caution" />
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
