<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { STATIONS } from '@jade/core/stations';
import { STATION_RULE } from '@jade/words/shell';
import { STATION_NAMES } from '@jade/words/stations';
import StationMark from '../design/StationMark.vue';
import { useJob } from '../job/store.ts';

/** The edge of a ruler with a mark for every station, in the order of work. */
defineProps<{ inJob: boolean }>();
const emit = defineEmits<{ finder: []; keys: [] }>();
const route = useRoute();
const job = useJob();
const marks = computed(() =>
  STATIONS.map((station, index) => ({ station, name: STATION_NAMES[station], number: index + 1, state: job.standing?.stations[index]?.state ?? ('not begun' as const) })),
);
</script>

<template>
  <nav class="rule" :aria-label="STATION_RULE.label">
    <ol v-if="inJob" class="scale">
      <li v-for="mark in marks" :key="mark.station">
        <router-link
          :to="{ name: 'station', params: { id: route.params.id, station: mark.station } }"
          class="mark"
          :aria-current="route.params.station === mark.station ? 'step' : undefined"
        >
          <span class="name">{{ mark.name }}</span>
          <StationMark :state="mark.state" />
          <span class="out-of-sight">, {{ mark.state }}</span>
        </router-link>
      </li>
    </ol>
    <p v-else class="scale blank" aria-hidden="true" />
    <ul class="foot">
      <li>
        <router-link class="shop-link" :to="{ name: 'board' }">{{ STATION_RULE.board }}</router-link>
      </li>
      <li>
        <router-link class="shop-link" :to="{ name: 'customers' }">{{ STATION_RULE.customers }}</router-link>
      </li>
      <li>
        <router-link class="shop-link" :to="{ name: 'library' }">{{ STATION_RULE.library }}</router-link>
      </li>
      <li>
        <router-link class="shop-link" :to="{ name: 'people' }">{{ STATION_RULE.people }}</router-link>
      </li>
      <li class="desk">
        <router-link class="shop-link" :to="{ name: 'practice' }">{{ STATION_RULE.practice }}</router-link>
      </li>
      <li>
        <button type="button" class="shop-link" @click="emit('finder')">{{ STATION_RULE.find }} <kbd>/</kbd></button>
      </li>
      <li class="keys">
        <button type="button" class="shop-link" @click="emit('keys')">{{ STATION_RULE.keys }} <kbd>?</kbd></button>
      </li>
    </ul>
  </nav>
</template>

<style scoped>
.rule {
  grid-area: rule;
  position: sticky;
  top: 0;
  height: 100vh;
  height: 100dvh;
  display: flex;
  flex-direction: column;
  background: var(--slate);
  color: var(--on-slate);
}

.scale {
  flex: 1;
  display: flex;
  flex-direction: column;
  padding-top: 10px;
  background: repeating-linear-gradient(to bottom, var(--slate-line) 0 1px, transparent 1px 9px) right 0 top 0 / 7px 100% no-repeat;
}

.scale li {
  flex: 1;
  max-height: 62px;
  display: flex;
}

.mark {
  position: relative;
  flex: 1;
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 9px;
  padding: 0 19px 0 8px;
  text-decoration: none;
  color: var(--on-slate-soft);
  font-size: 14px;
  font-stretch: 88%;
  white-space: nowrap;
}

.mark::after {
  content: '';
  position: absolute;
  right: 0;
  top: 50%;
  width: 15px;
  height: 1.5px;
  background: var(--on-slate-soft);
}

.mark:hover,
.mark[aria-current] {
  color: #fff;
}

.mark[aria-current] {
  background: var(--slate-deep);
  font-weight: 650;
}

.mark[aria-current]::after {
  width: 17px;
  height: 5px;
  margin-top: -2px;
  background: #45c597;
}

.foot {
  padding: 8px 0 12px;
  border-top: 1px solid var(--slate-line);
}

.shop-link {
  display: flex;
  justify-content: flex-end;
  gap: 6px;
  width: 100%;
  min-height: 34px;
  align-items: center;
  padding: 0 19px 0 8px;
  border: 0;
  background: none;
  color: var(--on-slate-soft);
  font: inherit;
  font-size: 13.5px;
  text-decoration: none;
  cursor: pointer;
}

.shop-link:hover,
.shop-link.router-link-exact-active {
  color: #fff;
}

kbd {
  font-family: var(--mono);
  padding: 0 5px;
  border: 1px solid var(--slate-line);
  border-radius: 3px;
}

@media (pointer: coarse) {
  .shop-link {
    min-height: 48px;
  }

  .keys {
    display: none;
  }
}

@media (max-width: 700px) {
  .desk {
    display: none;
  }

  .rule {
    position: sticky;
    top: auto;
    bottom: 0;
    height: auto;
    z-index: 3;
  }

  .scale {
    flex-direction: row;
    overflow-x: auto;
    padding: 0;
    background: repeating-linear-gradient(to right, var(--slate-line) 0 1px, transparent 1px 9px) left 0 top 0 / 100% 7px no-repeat;
  }

  .scale.blank {
    display: none;
  }

  .scale li {
    flex: none;
  }

  .mark {
    flex-direction: column-reverse;
    justify-content: center;
    gap: 3px;
    min-width: 74px;
    min-height: 58px;
    padding: 8px 4px 4px;
    font-size: 12.5px;
  }

  .mark::after {
    display: none;
  }

  .foot {
    display: flex;
    padding: 0;
  }

  .foot li {
    flex: 1;
  }

  .shop-link {
    justify-content: center;
    padding: 0;
  }

  kbd {
    display: none;
  }
}
</style>
