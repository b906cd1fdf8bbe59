<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, onMounted, onUnmounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { JobLine as Line } from '@jade/contract/job';
import { STATION_NAMES } from '@jade/words/stations';
import { plural } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import StationMark from '../../design/StationMark.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import { ask } from '../../ask/index.ts';
import { follow } from '../../stream/index.ts';
import RightGate from '../../session/RightGate.vue';
import OpenJob from './OpenJob.vue';

const router = useRouter();
const jobs = ref<Line[]>();
const shop = ref<{ name: string } | null>(null);
const failed = ref(false);
const opening = ref(false);
/** Of the jobs that have left only the last few are shown, until all are asked for. */
const all = ref(false);
const MOST_LEFT = 3;

async function load(): Promise<void> {
  try {
    [jobs.value, shop.value] = await Promise.all([ask<Line[]>('/api/jobs'), ask<{ name: string } | null>('/api/shop')]);
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

const groups = computed(() => {
  const list = jobs.value ?? [];
  const left = list.filter((job) => job.summary.signed).sort((a, b) => (b.summary.signedAt ?? '').localeCompare(a.summary.signedAt ?? ''));
  const due = (job: Line) => (job.promisedAt ? dayjs(job.promisedAt).startOf('day').diff(dayjs().startOf('day'), 'day') : 99);
  return [
    { name: 'Promised for today', jobs: list.filter((job) => !job.summary.signed && due(job) <= 0) },
    { name: 'Next', jobs: list.filter((job) => !job.summary.signed && due(job) > 0) },
    { name: 'Left the shop', jobs: all.value ? left : left.slice(0, MOST_LEFT), more: all.value ? 0 : Math.max(0, left.length - MOST_LEFT) },
  ].filter((group) => group.jobs.length > 0);
});
/** When it is promised, or when it left. */
function whenOf({ promisedAt, summary }: Line): string {
  if (summary.signedAt) return `left ${dayjs(summary.signedAt).format('D MMM')}`;
  return promisedAt ? dayjs(promisedAt).format('ddd HH:mm') : 'no promise';
}
const late = (job: Line) => !job.summary.signed && job.promisedAt !== null && dayjs(job.promisedAt).isBefore(dayjs());
const target = (job: Line) => ({ name: 'station', params: { id: job.id, station: job.summary.holding?.station ?? 'hand-over' } });
</script>

<template>
  <div class="stack">
    <header class="line">
      <h1>{{ shop?.name ?? 'Day board' }}</h1>
      <span class="soft">{{ dayjs().format('dddd D MMMM') }}</span>
      <span class="grow" />
      <RightGate right="open a job"><button type="button" class="push main" @click="opening = true">Open a job</button></RightGate>
    </header>
    <EmptyNote v-if="failed" kind="failed">The board cannot be read: the server is away. <button type="button" class="push small" @click="load">Try again</button></EmptyNote>
    <EmptyNote v-else-if="!jobs" kind="loading">Reading the board…</EmptyNote>
    <EmptyNote v-else-if="jobs.length === 0" kind="empty">No job is open. Open one for the vehicle that stands in the yard.</EmptyNote>
    <section v-for="group in groups" :key="group.name" class="stack">
      <h2>{{ group.name }}</h2>
      <router-link v-for="job in group.jobs" :key="job.id" class="job leaf" :to="target(job)" :class="{ late: late(job) }">
        <div class="who">
          <TapeLabel big>{{ job.plate }}</TapeLabel>
          <div>
            <strong>{{ job.customer }}</strong>
            <span class="soft">{{ job.summary.vehicle }} · {{ job.summary.kits.join(', ') }}</span>
          </div>
        </div>
        <div class="promise">
          <strong>{{ whenOf(job) }}</strong>
          <span class="soft">{{ late(job) ? 'past its promise' : (job.bay ?? 'no bay') }}{{ job.summary.assigned ? ` · ${job.summary.assigned}` : '' }}</span>
        </div>
        <ol class="scale" :aria-label="`Stations of ${job.plate}`">
          <li v-for="mark in job.summary.stations" :key="mark.station" :title="`${STATION_NAMES[mark.station]}: ${mark.state}`">
            <StationMark :state="mark.state" :size="17" /><span class="out-of-sight">{{ STATION_NAMES[mark.station] }}: {{ mark.state }}</span>
          </li>
        </ol>
        <p class="now" :class="job.summary.holding?.kind.replace(' ', '-')">{{ job.summary.sentence }}</p>
      </router-link>
      <button v-if="group.more" type="button" class="push small" @click="all = true">Show {{ plural(group.more, 'earlier job') }}</button>
    </section>
    <OpenJob v-if="opening" @close="opening = false" @opened="(id) => router.push({ name: 'station', params: { id, station: 'check-in' } })" />
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.job {
  display: grid;
  grid-template-columns: minmax(320px, 1.2fr) 150px minmax(250px, 1fr);
  gap: 8px 20px;
  align-items: center;
  text-decoration: none;
}

.job:hover {
  border-color: var(--jade);
}

.late {
  border-left: 6px solid var(--red);
}

.who {
  display: flex;
  gap: 16px;
  align-items: center;
}

.who div,
.promise {
  display: grid;
  line-height: 1.3;
}

.scale {
  display: flex;
  justify-content: space-between;
  padding: 10px 12px 6px;
  background: repeating-linear-gradient(to right, var(--slate-line) 0 1px, transparent 1px 7px) 0 0 / 100% 6px no-repeat var(--slate);
  border-radius: 3px;
}

.scale li {
  display: flex;
}

.now {
  grid-column: 1 / -1;
  padding: 5px 12px;
  border-left: 4px solid var(--jade);
  background: var(--paper);
  font-weight: 560;
}

.now.block {
  border-color: var(--red);
}

.now.question {
  border-color: var(--amber);
}

@media (max-width: 900px) {
  .job {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
