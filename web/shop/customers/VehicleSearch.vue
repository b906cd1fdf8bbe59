<script setup lang="ts">
import { ref, watch } from 'vue';
import type { VehicleFound, VehiclesFound } from '@jade/contract/customers';
import { COMMON } from '@jade/words/common';
import { VEHICLE_SEARCH } from '@jade/words/customers';
import EmptyNote from '../../design/EmptyNote.vue';
import { useSearch } from './search.ts';
import VehicleLine from './VehicleLine.vue';

/** Finds a vehicle of the shop by plate, number or customer. `without` is left out; `words` is what it begins with. */
const props = defineProps<{ label: string; without?: string; words?: string; autofocus?: boolean; most?: number }>();
const emit = defineEmits<{ picked: [vehicle: VehicleFound]; typed: [words: string] }>();
const words = ref(props.words ?? '');
const { found, failed, looking, look } = useSearch<VehiclesFound>('/api/vehicles', words);
watch(words, (text) => emit('typed', text));
const shown = () => (found.value?.vehicles ?? []).filter((vehicle) => vehicle.id !== props.without).slice(0, props.most ?? 30);
</script>

<template>
  <div class="stack">
    <v-text-field v-model="words" :label="label" :autofocus="autofocus" maxlength="80" variant="outlined" density="comfortable" hide-details />
    <EmptyNote v-if="failed" kind="failed"
      >{{ VEHICLE_SEARCH.away }} <button type="button" class="push small" @click="look">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!found" kind="loading">{{ COMMON.looking }}</EmptyNote>
    <template v-else>
      <ul v-if="shown().length > 0" class="found" :aria-busy="looking" :aria-label="VEHICLE_SEARCH.found">
        <li v-for="vehicle in shown()" :key="vehicle.id">
          <button type="button" class="push plain" @click="emit('picked', vehicle)"><VehicleLine :vehicle="vehicle" /></button>
        </li>
      </ul>
      <p v-if="found.count > shown().length && shown().length > 0" class="soft">{{ VEHICLE_SEARCH.some(shown().length, found.count) }}</p>
      <slot v-else-if="shown().length === 0" name="none" :words="words.trim()" />
    </template>
  </div>
</template>

<style scoped>
.found {
  display: grid;
  max-height: 46vh;
  overflow-y: auto;
}

.found li {
  border-bottom: 1px solid var(--line);
}

.push {
  width: 100%;
  padding-inline: 8px;
  border-radius: 0;
}
</style>
