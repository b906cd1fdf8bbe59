<script setup lang="ts">
import dayjs from 'dayjs';
import { computed } from 'vue';
import { bayOf, STRIP } from '@jade/words/itself';
import { VEHICLE_STRIP } from '@jade/words/shell';
import { sayHold, sayLeft } from '@jade/words/stations';
import TapeLabel from '../design/TapeLabel.vue';
import { useJob } from '../job/store.ts';
import KeptCount from './KeptCount.vue';
import LightButton from './LightButton.vue';
import { useSession } from '../session/index.ts';

/** The vehicle's strip: who it is, what was promised, and the one sentence that says what holds the job back now. */
const emit = defineEmits<{ people: []; tray: [] }>();
const job = useJob();
const session = useSession();
const holding = computed(() => {
  const { standing, names } = job;
  if (!standing || !names) return '';
  return standing.holding ? sayHold(standing.holding, names) : sayLeft(job.state);
});
const said = computed(() => {
  const { promise, assigned } = job.state;
  const when = promise.at ? STRIP.promised(dayjs(promise.at).format('ddd D MMM, HH:mm')) : STRIP.nothing;
  return [job.view?.customer, bayOf(job.state, job.view?.bay ?? null), when, ...(assigned === undefined ? [] : [session.benchNameOf(assigned)])].join(' · ');
});
const vehicle = computed(() => (job.view ? `${job.view.profile.maker} ${job.view.profile.model}` : ''));
</script>

<template>
  <header class="strip">
    <template v-if="job.view">
      <TapeLabel big>{{ job.view.vehicle.plate }}</TapeLabel>
      <router-link class="who" :to="{ name: 'itself', params: { id: job.view.id } }">
        <span class="out-of-sight">{{ STRIP.open }}</span>
        <strong>{{ vehicle }}</strong>
        <span>{{ said }}</span>
      </router-link>
      <router-link
        v-if="job.standing?.holding"
        class="hold"
        :class="job.standing.holding.kind.replace(' ', '-')"
        :to="{ name: 'station', params: { id: job.view.id, station: job.standing.holding.station } }"
      >
        <span class="lead">{{ VEHICLE_STRIP.now }}</span> {{ holding }}
      </router-link>
      <p v-else class="hold">
        <span class="lead">{{ VEHICLE_STRIP.now }}</span> {{ holding }}
      </p>
      <KeptCount always />
    </template>
    <p v-else class="hold">{{ job.loading ? VEHICLE_STRIP.opening : '' }}</p>
    <LightButton />
    <button type="button" class="bench-name" @click="emit('people')">
      <span class="out-of-sight">{{ VEHICLE_STRIP.atBench }} </span>{{ session.session?.benchName ?? VEHICLE_STRIP.whoHere }}
    </button>
    <button type="button" class="bench-name to-tray" @click="emit('tray')">{{ VEHICLE_STRIP.tray }}</button>
  </header>
</template>

<style scoped>
.strip {
  grid-area: strip;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
  padding: 8px 18px 8px 20px;
  min-height: 66px;
  background: var(--slate);
  color: var(--on-slate);
}

.who {
  display: grid;
  line-height: 1.25;
}

.who {
  padding: 4px 6px;
  margin: -4px -6px;
  border-radius: 4px;
  text-decoration: none;
  color: inherit;
}

.who:hover {
  background: var(--slate-deep);
}

.who span {
  font-size: 13.5px;
  color: var(--on-slate-soft);
}

.hold {
  flex: 1 1 240px;
  padding: 7px 14px;
  border-left: 4px solid #45c597;
  background: var(--slate-deep);
  color: #fff;
  text-decoration: none;
  font-weight: 600;
}

.hold.block {
  border-color: #ff8f85;
}

.hold.question {
  border-color: #f0c34d;
}

.lead {
  margin-right: 6px;
  font-weight: 500;
  color: var(--on-slate-soft);
}

.bench-name {
  min-height: 44px;
  padding: 0 12px;
  border: 1px solid var(--slate-line);
  border-radius: 5px;
  background: none;
  color: var(--on-slate);
  font: inherit;
  cursor: pointer;
}

.to-tray {
  display: none;
}

@media (max-width: 1180px) {
  /* One line on a tablet. */
  .strip {
    gap: 6px 10px;
  }

  .hold {
    flex-basis: 160px;
  }

  .to-tray {
    display: inline-block;
  }
}

@media (max-width: 700px) {
  .strip {
    padding: 6px 12px;
    gap: 6px 10px;
  }

  .who {
    order: 3;
    flex-basis: 100%;
  }

  .hold {
    order: 4;
    flex-basis: 100%;
  }

  .bench-name {
    margin-left: auto;
  }

  .to-tray {
    margin-left: 0;
  }

  .who span {
    font-size: 12.5px;
  }
}
</style>
