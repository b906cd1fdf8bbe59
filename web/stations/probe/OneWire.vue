<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ProbeFunction } from '@jade/core/probing';
import { probe } from '@jade/core/stations';
import { sayFunctions, sayPlace } from '@jade/words/probing';
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
    <summary>Find one wire</summary>
    <div class="stack">
      <v-select
        v-model="chosen"
        class="which"
        label="What it is to carry"
        :items="names.map((name) => ({ value: name, title: title(name) }))"
        variant="outlined"
        density="comfortable"
        hide-details
      />
      <p class="soft">Its colour is a hint and changes beyond a plug: it counts once it was read on with its state and off without it.</p>
      <EmptyNote v-if="names.length === 0" kind="empty">No plug of this vehicle is described. Take the plug before you in hand, below.</EmptyNote>
      <ul v-else-if="chosen" class="rows">
        <li v-for="place in places" :key="place.plug.id">
          <span class="grow" :class="{ good: place.status?.code === 'proved' }">{{ sayPlace(place) }}</span>
          <span v-if="isSought(place.plug.id)" class="soft">being read</span>
          <button
            v-else-if="place.status?.code !== 'proved'"
            type="button"
            class="push small"
            :aria-label="`Read it at ${place.plug.name}`"
            @click="job.perform(probe.seek(context, place.plug.id, [...(context.state.sought[place.plug.id] ?? []), place.name]))"
          >
            Read it here
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
