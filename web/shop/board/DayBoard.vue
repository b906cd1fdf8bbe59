<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, onMounted, onUnmounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { byBay, byDay, byWeekLeft } from '@jade/core/board';
import type { JobLine as Line } from '@jade/contract/job';
import { BOARD, sayDayGroup, sayWeek } from '@jade/words/board';
import ChoiceRow from '../../design/ChoiceRow.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import HelpHere from '../../design/HelpHere.vue';
import StationMarks from '../../design/StationMarks.vue';
import { ask } from '../../ask/index.ts';
import { useClock } from '../../job/clock.ts';
import { follow } from '../../stream/index.ts';
import RightGate from '../../session/RightGate.vue';
import JobRow from './JobRow.vue';
import OpenJob from './OpenJob.vue';

const router = useRouter();
const clock = useClock();
const jobs = ref<Line[]>();
const shop = ref<{ name: string; bays: string[] } | null>(null);
const failed = ref(false);
const opening = ref(false);
/** Of the jobs that have left only the last few are shown, until all are asked for. */
const all = ref(false);
const MOST_LEFT = 4;

async function load(): Promise<void> {
  try {
    [jobs.value, shop.value] = await Promise.all([ask<Line[]>('/api/jobs'), ask<{ name: string; bays: string[] } | null>('/api/shop')]);
    failed.value = false;
  } catch {
    // What was read before stays in sight.
    failed.value = jobs.value === undefined;
  }
}
onMounted(load);

/** The board is read anew when something on it moved, not more often than this. */
const AGAIN_MS = 700;
let waiting: ReturnType<typeof setTimeout> | undefined;
let stop: (() => void) | undefined;
onMounted(() => {
  stop = follow({
    address: () => '/api/board/stream',
    // What moved while nobody listened is seen now.
    opened: (again) => again && void load(),
    told: {
      moved: () => {
        waiting ??= setTimeout(() => {
          waiting = undefined;
          void load();
        }, AGAIN_MS);
      },
    },
  });
});
onUnmounted(() => {
  stop?.();
  clearTimeout(waiting);
});

const AS = [
  { value: 'day', text: BOARD.byDay },
  { value: 'bay', text: BOARD.byBay },
] as const;
const KEPT = 'jade-board';
const as = ref<'day' | 'bay'>(kept());
function kept(): 'day' | 'bay' {
  try {
    return localStorage.getItem(KEPT) === 'bay' ? 'bay' : 'day';
  } catch {
    return 'day';
  }
}
watch(as, (value) => {
  try {
    localStorage.setItem(KEPT, value);
  } catch {
    // A device that keeps nothing shows the days first.
  }
});

const dayOf = (iso: string) => Math.round(dayjs(iso).startOf('day').diff(dayjs('2000-01-03').startOf('day'), 'hour') / 24);
const weekdayOf = (iso: string) => (dayjs(iso).day() + 6) % 7;
const lines = computed(() => (jobs.value ?? []).map((job) => ({ ...job, left: job.summary.signed, leftAt: job.summary.signedAt })));
const groups = computed(() =>
  as.value === 'day'
    ? byDay(lines.value, clock.value, dayOf).map(({ group, jobs: own }) => ({ name: sayDayGroup(group), jobs: own }))
    : byBay(lines.value, shop.value?.bays ?? []).map(({ bay, jobs: own }) => ({ name: bay ?? BOARD.noBayName, jobs: own })),
);
const weeks = computed(() => {
  let room = all.value ? Infinity : MOST_LEFT;
  return byWeekLeft(lines.value, clock.value, dayOf, weekdayOf).flatMap(({ weeksAgo, mondayAgoDays, jobs: own }) => {
    const shown = own.slice(0, room);
    room -= shown.length;
    return shown.length > 0 ? [{ name: sayWeek(weeksAgo, dayjs(clock.value).subtract(mondayAgoDays, 'day').format('D MMMM')), jobs: shown }] : [];
  });
});
const more = computed(() => lines.value.filter(({ left }) => left).length - weeks.value.reduce((sum, week) => sum + week.jobs.length, 0));

/** A search over all jobs of the shop, those that have left long ago too. */
const words = ref('');
const found = ref<Line[]>();
const notFound = ref(false);
const WAIT_MS = 250;
let asking: ReturnType<typeof setTimeout> | undefined;
watch(words, (text) => {
  clearTimeout(asking);
  found.value = undefined;
  notFound.value = false;
  if (text.trim() === '') return;
  asking = setTimeout(async () => {
    const answer = await ask<Line[]>(`/api/jobs?find=${encodeURIComponent(text.trim())}`).catch(() => undefined);
    if (words.value !== text) return;
    found.value = answer;
    notFound.value = answer === undefined;
  }, WAIT_MS);
});
onUnmounted(() => clearTimeout(asking));
</script>

<template>
  <div class="stack">
    <header class="line">
      <h1>{{ shop?.name ?? BOARD.title }}</h1>
      <span class="soft">{{ dayjs(clock).format('dddd D MMMM') }}</span>
      <span class="grow" />
      <RightGate right="open a job"
        ><button type="button" class="push main" @click="opening = true">{{ BOARD.open }}</button></RightGate
      >
      <HelpHere of="board"><StationMarks /></HelpHere>
    </header>
    <div class="line ways">
      <ChoiceRow :label="BOARD.by" :choices="AS" :value="as" @choose="(value) => (as = value)" />
      <v-text-field v-model="words" class="find" :label="BOARD.find" :placeholder="BOARD.findHint" type="search" variant="outlined" density="compact" hide-details />
    </div>
    <EmptyNote v-if="failed" kind="failed"
      >{{ BOARD.away }} <button type="button" class="push small" @click="load">{{ BOARD.again }}</button></EmptyNote
    >
    <template v-else-if="words.trim() !== ''">
      <EmptyNote v-if="notFound" kind="failed">{{ BOARD.away }}</EmptyNote>
      <EmptyNote v-else-if="!found" kind="loading">{{ BOARD.finding }}</EmptyNote>
      <EmptyNote v-else-if="found.length === 0" kind="empty">{{ BOARD.noneFound(words.trim()) }}</EmptyNote>
      <section v-else class="stack">
        <h2>{{ BOARD.found(found.length, words.trim()) }}</h2>
        <JobRow v-for="job in found" :key="job.id" :job="job" :now="clock" />
      </section>
      <div>
        <button type="button" class="push small" @click="words = ''">{{ BOARD.clear }}</button>
      </div>
    </template>
    <EmptyNote v-else-if="!jobs" kind="loading">{{ BOARD.reading }}</EmptyNote>
    <EmptyNote v-else-if="jobs.length === 0" kind="empty">{{ BOARD.empty }}</EmptyNote>
    <template v-else>
      <section v-for="group in groups" :key="group.name" class="stack">
        <h2>{{ group.name }}</h2>
        <p v-if="group.jobs.length === 0" class="soft">{{ BOARD.free }}</p>
        <JobRow v-for="job in group.jobs" :key="job.id" :job="job" :now="clock" />
      </section>
      <section v-if="weeks.length > 0" class="stack">
        <h2>{{ BOARD.left }}</h2>
        <template v-for="week in weeks" :key="week.name">
          <h3>{{ week.name }}</h3>
          <JobRow v-for="job in week.jobs" :key="job.id" :job="job" :now="clock" />
        </template>
        <div v-if="more > 0">
          <button type="button" class="push small" @click="all = true">{{ BOARD.more(more) }}</button>
        </div>
      </section>
    </template>
    <OpenJob v-if="opening" @close="opening = false" @opened="(id) => router.push({ name: 'station', params: { id, station: 'check-in' } })" />
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.ways {
  position: relative;
}

.find {
  flex: 1 1 240px;
  max-width: 460px;
}
</style>
