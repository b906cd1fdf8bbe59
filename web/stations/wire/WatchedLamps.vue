<script setup lang="ts">
import { computed } from 'vue';
import { touchesFactoryLamps, watchedLamps } from '@jade/core/loom';
import { isRefused, wire } from '@jade/core/stations';
import { sayNotDescribed, sayWatched, WATCHED_LAMPS, WATCHED_WORDS } from '@jade/words/wiring';
import { useCurrentJob } from '../../job/current.ts';

/** What the vehicle makes of the job's lamps, by channel. */
const { job, context, names } = useCurrentJob();
const lamps = computed(() => watchedLamps(context.value));
const unknown = computed(() => lamps.value === undefined && touchesFactoryLamps(context.value));
</script>

<template>
  <section v-if="unknown || (lamps?.length ?? 0) > 0" class="leaf stack">
    <h2>{{ WATCHED_LAMPS.title }}</h2>
    <p v-if="unknown" class="odd">{{ sayNotDescribed() }}</p>
    <article v-for="lamp in lamps" :key="lamp.channel.id" class="stack lamp">
      <div class="line">
        <h3>{{ lamp.channel.name }}</h3>
        <span :class="lamp.value === 'open' ? 'odd' : 'good'">{{ WATCHED_WORDS[lamp.value] }}</span>
      </div>
      <p>{{ sayWatched(lamp, names.item) }}</p>
      <button
        v-if="lamp.value === 'open' && (lamp.accepted || !isRefused(wire.acceptOutage(context, lamp.channel.id)))"
        type="button"
        class="push"
        :disabled="lamp.accepted"
        @click="job.perform(wire.acceptOutage(context, lamp.channel.id))"
      >
        {{ lamp.accepted ? WATCHED_LAMPS.leftSo : WATCHED_LAMPS.leave }}
      </button>
    </article>
  </section>
</template>

<style scoped>
.lamp + .lamp {
  border-top: 1px solid var(--line);
  padding-top: 12px;
}
</style>
