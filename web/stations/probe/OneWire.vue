<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ProbeFunction } from '@jade/core/probing';
import { probe } from '@jade/core/stations';
import { ONE_WIRE, sayFunctions, sayPlace } from '@jade/words/probing';
import EmptyNote from '../../design/EmptyNote.vue';
import { useCurrentJob } from '../../job/current.ts';

/** One wire, as a trigger or a supply: where it may be found, and the place in which it is read until it is proved on and off. */
const { job, context } = useCurrentJob();
const names = computed(() => probe.wiresToSeek(context.value));
const chosen = ref<ProbeFunction>();
const places = computed(() => (chosen.value ? probe.placesToLook(context.value, chosen.value) : []));
const isSought = (plug: string) => chosen.value !== undefined && (context.value.state.sought[plug] ?? []).includes(chosen.value);
const title = (name: ProbeFunction) => sayFunctions([name]).replace(/^./, (letter) => letter.toUpperCase());
</script>

<template>
  <details class="leaf fold">
    <summary>{{ ONE_WIRE.title }}</summary>
    <div class="stack">
      <v-select
        v-model="chosen"
        class="which"
        :label="ONE_WIRE.carries"
        :items="names.map((name) => ({ value: name, title: title(name) }))"
        variant="outlined"
        density="comfortable"
        hide-details
      />
      <p class="soft">{{ ONE_WIRE.hint }}</p>
      <EmptyNote v-if="names.length === 0" kind="empty">{{ ONE_WIRE.noPlug }}</EmptyNote>
      <ul v-else-if="chosen" class="rows">
        <li v-for="place in places" :key="place.plug.id">
          <span class="grow" :class="{ good: place.status?.code === 'proved' }">{{ sayPlace(place) }}</span>
          <span v-if="isSought(place.plug.id)" class="soft">{{ ONE_WIRE.beingRead }}</span>
          <button
            v-else-if="place.status?.code !== 'proved'"
            type="button"
            class="push small"
            :aria-label="ONE_WIRE.readAt(place.plug.name)"
            @click="job.perform(probe.seek(context, place.plug.id, [...(context.state.sought[place.plug.id] ?? []), place.name]))"
          >
            {{ ONE_WIRE.readHere }}
          </button>
        </li>
      </ul>
    </div>
  </details>
</template>

<style scoped>
.which {
  max-width: 420px;
}
</style>
