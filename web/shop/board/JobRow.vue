<script setup lang="ts">
import dayjs from 'dayjs';
import { computed } from 'vue';
import type { JobLine } from '@jade/contract/job';
import { lateBy } from '@jade/core/board';
import { BOARD, sayLate } from '@jade/words/board';
import { FOLLOWS_WORDS } from '@jade/words/itself';
import { STATION_NAMES } from '@jade/words/stations';
import StationMark from '../../design/StationMark.vue';
import TapeLabel from '../../design/TapeLabel.vue';

/** A job on the board: whose it is, what was promised, where it stands, what holds it back. */
const props = defineProps<{ job: JobLine; now: string }>();
const left = computed(() => props.job.summary.signed);
const late = computed(() => (left.value ? undefined : lateBy(props.job, props.now)));
const when = computed(() => {
  const { promisedAt, summary } = props.job;
  if (summary.signedAt) return BOARD.leftOn(dayjs(summary.signedAt).format('ddd D MMM'));
  return promisedAt ? dayjs(promisedAt).format('ddd D MMM, HH:mm') : BOARD.noPromise;
});
const place = computed(() => [props.job.bay ?? BOARD.noBay, props.job.summary.assigned ?? BOARD.nobody].join(' · '));
/** What is said of it besides: late, open overnight, why it comes again. */
const tags = computed(() => [
  ...(late.value ? [sayLate(late.value)] : []),
  ...(props.job.summary.night ? [BOARD.night] : []),
  ...(props.job.follows ? [FOLLOWS_WORDS[props.job.follows.why]] : []),
]);
const target = computed(() =>
  left.value ? { name: 'itself', params: { id: props.job.id } } : { name: 'station', params: { id: props.job.id, station: props.job.summary.holding?.station ?? 'hand-over' } },
);
</script>

<template>
  <router-link class="job leaf" :to="target" :class="{ late: late !== undefined, left }">
    <div class="who">
      <TapeLabel big>{{ job.plate }}</TapeLabel>
      <div>
        <strong>{{ job.customer }}</strong>
        <span class="soft">{{ [job.summary.vehicle, ...job.summary.kits].join(' · ') }}</span>
      </div>
    </div>
    <div class="promise">
      <strong>{{ when }}</strong>
      <span class="soft">{{ place }}</span>
      <span v-if="tags.length > 0" class="tags"
        ><span v-for="tag in tags" :key="tag" class="tag">{{ tag }}</span></span
      >
    </div>
    <ol v-if="!left" class="scale" :aria-label="BOARD.stationsOf(job.plate)">
      <li v-for="mark in job.summary.stations" :key="mark.station" :title="`${STATION_NAMES[mark.station]}: ${mark.state}`">
        <StationMark :state="mark.state" :size="17" /><span class="out-of-sight">{{ STATION_NAMES[mark.station] }}: {{ mark.state }}</span>
      </li>
    </ol>
    <p class="now" :class="job.summary.holding?.kind.replace(' ', '-')">{{ job.summary.sentence }}</p>
  </router-link>
</template>

<style scoped>
.job {
  display: grid;
  grid-template-columns: minmax(300px, 1.2fr) 190px minmax(250px, 1fr);
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

.tags {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 3px;
}

.tag {
  padding: 0 7px;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  background: var(--amber-soft);
  font-size: 13.5px;
  font-weight: 560;
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

.left .now {
  grid-column: 3;
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

  .left .now {
    grid-column: 1;
  }
}
</style>
