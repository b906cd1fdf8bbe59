<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, onMounted, onUnmounted, ref, watch } from 'vue';
import { useRoute, useRouter, type RouteLocationRaw } from 'vue-router';
import { STATIONS } from '@jade/core/stations';
import { STATION_NAMES } from '@jade/words/stations';
import type { VehiclesFound } from '@jade/contract/customers';
import { COMMON } from '@jade/words/common';
import { FINDER_PANEL, VIEW_TITLES } from '@jade/words/shell';
import { ask } from '../ask/index.ts';

interface Place {
  text: string;
  kind: string;
  to: RouteLocationRaw;
}

interface Job {
  id: string;
  plate: string;
  customer: string;
  openedAt: string;
  summary: { signed: boolean };
}

/** A vehicle comes more than once: a job that has left says when it was opened. */
function placeOf({ id, plate, customer, openedAt, summary }: Job): Place {
  const when = summary.signed ? `, ${dayjs(openedAt).format('D MMM YYYY')}` : '';
  return { text: `${plate} ${customer}${when}`, kind: 'job', to: { name: 'station', params: { id, station: 'check-in' } } };
}
const keyOf = (place: Place) => `${place.kind}/${JSON.stringify(place.to)}`;

const emit = defineEmits<{ close: [] }>();
const route = useRoute();
const router = useRouter();
const text = ref('');
const at = ref(0);
const places = ref<Place[]>([]);
const loading = ref(true);
/** Enter was pressed before the places were all there: the first that is found is gone to. */
const waiting = ref(false);

onMounted(async () => {
  const { id } = route.params;
  const stations =
    typeof id === 'string' ? STATIONS.map((station): Place => ({ text: STATION_NAMES[station], kind: 'station', to: { name: 'station', params: { id, station } } })) : [];
  const shop: Place[] = [
    { text: VIEW_TITLES.board, kind: 'shop', to: { name: 'board' } },
    { text: VIEW_TITLES.customers, kind: 'shop', to: { name: 'customers' } },
    { text: VIEW_TITLES.people, kind: 'shop', to: { name: 'people' } },
    { text: VIEW_TITLES.library, kind: 'shop', to: { name: 'library' } },
  ];
  places.value = [...stations, ...shop];
  const jobs = await ask<Job[]>('/api/jobs').catch(() => []);
  const documents = await ask<{ kind: string; slug: string; title: string }[]>('/api/documents').catch(() => []);
  places.value = [
    ...stations,
    ...jobs.map(placeOf),
    ...shop,
    ...documents
      .filter((entry) => entry.kind === 'vehicle' || entry.kind === 'kit')
      .map((entry): Place => ({ text: entry.title, kind: entry.kind, to: { name: 'library', query: { show: `${entry.kind}/${entry.slug}` } } })),
  ];
  loading.value = false;
  if (waiting.value) go(found.value[at.value]);
});

/** Jobs that have long left are looked for on the server. */
const LOOK_AFTER_MS = 200;
let looking: ReturnType<typeof setTimeout> | undefined;
watch(text, (wanted) => {
  clearTimeout(looking);
  if (wanted.trim().length < 2) return;
  looking = setTimeout(async () => {
    const words = encodeURIComponent(wanted);
    const [jobs, { vehicles }] = await Promise.all([
      ask<Job[]>(`/api/jobs?find=${words}`).catch(() => []),
      ask<VehiclesFound>(`/api/vehicles?find=${words}`).catch(() => ({ vehicles: [] })),
    ]);
    const further = [
      ...jobs.map(placeOf),
      ...vehicles.map((entry): Place => ({
        text: `${entry.plate} ${entry.customer.name}, ${entry.kind}`,
        kind: FINDER_PANEL.vehicle,
        to: { name: 'customers', query: { vehicle: entry.id } },
      })),
    ];
    const known = new Set(places.value.map(keyOf));
    places.value = [...places.value, ...further.filter((place) => !known.has(keyOf(place)))];
  }, LOOK_AFTER_MS);
});
onUnmounted(() => clearTimeout(looking));

const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean);
  return places.value.filter((place) => words.every((word) => place.text.toLowerCase().includes(word))).slice(0, 9);
});

function go(place: Place | undefined): void {
  if (!place) return;
  void router.push(place.to);
  emit('close');
}

function enter(): void {
  const place = found.value[at.value];
  waiting.value = !place && loading.value;
  go(place);
}

function step(by: number): void {
  at.value = (at.value + by + found.value.length) % Math.max(1, found.value.length);
}
</script>

<template>
  <v-dialog :model-value="true" max-width="520" :aria-label="FINDER_PANEL.title" @update:model-value="emit('close')">
    <div class="leaf finder">
      <v-text-field
        v-model="text"
        autofocus
        :label="FINDER_PANEL.field"
        variant="outlined"
        hide-details
        @update:model-value="
          at = 0;
          waiting = false;
        "
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
        @keydown.enter="enter"
      />
      <ul>
        <li v-for="(place, index) in found" :key="keyOf(place)">
          <button type="button" class="push plain" :class="{ here: index === at }" @click="go(place)">
            {{ place.text }} <span class="soft">{{ place.kind }}</span>
          </button>
        </li>
        <li v-if="found.length === 0" class="soft">{{ loading ? COMMON.looking : FINDER_PANEL.none }}</li>
      </ul>
    </div>
  </v-dialog>
</template>

<style scoped>
.finder {
  display: grid;
  gap: 10px;
  color: var(--ink);
}

.push {
  width: 100%;
  justify-content: space-between;
}

.here {
  background: var(--jade-soft);
}
</style>
