<script setup lang="ts">
import { computed } from 'vue';
import { dormantPlugs, leftoverPlugs } from '@jade/core/loom';
import { isRefused, wire } from '@jade/core/stations';
import { sayRefusal } from '@jade/words/stations';
import { LEFTOVER_PLUGS, sayLeftover } from '@jade/words/wiring';
import { useCurrentJob } from '../../job/current.ts';

/** Plugs that nothing is joined to once the job is done, and the vehicle's others with where they hide. */
const { job, context, names } = useCurrentJob();
const left = computed(() => leftoverPlugs(context.value).map((entry) => ({ ...entry, act: wire.cap(context.value, entry.plug.id, entry.kit?.slug) })));
const dormant = computed(() => dormantPlugs(context.value));
</script>

<template>
  <section v-if="left.length > 0 || dormant.length > 0" class="leaf stack">
    <h2>{{ LEFTOVER_PLUGS.title }}</h2>
    <p v-if="left.length === 0" class="soft">{{ LEFTOVER_PLUGS.none }}</p>
    <ul v-else class="rows">
      <li v-for="entry in left" :key="`${entry.kit?.slug} ${entry.plug.id}`">
        <span class="grow">{{ sayLeftover(entry) }}</span>
        <button v-if="!entry.capped" type="button" class="push" :disabled="isRefused(entry.act)" @click="job.perform(wire.cap(context, entry.plug.id, entry.kit?.slug))">
          {{ LEFTOVER_PLUGS.capped }}
        </button>
        <template v-if="isRefused(entry.act) && !entry.capped">
          <span v-for="refusal in entry.act.refused" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</span>
        </template>
      </li>
    </ul>
    <details v-if="dormant.length > 0" class="fold">
      <summary>{{ LEFTOVER_PLUGS.others }}</summary>
      <ul>
        <li v-for="plug in dormant" :key="plug.id">
          {{ plug.name }} <span class="soft">{{ plug.family }} {{ plug.keying }}. {{ plug.whereToLook }}</span>
        </li>
      </ul>
    </details>
  </section>
</template>
