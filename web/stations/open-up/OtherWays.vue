<script setup lang="ts">
import { computed } from 'vue';
import type { Alternative } from '@jade/core/access';
import { sayAlternative } from '@jade/words/access';
import { sayWay } from '@jade/words/events';
import { OTHER_WAYS } from '@jade/words/open-up';
import { personMinutes } from '@jade/words/units';
import { useCurrentJob } from '../../job/current.ts';

/** Other ways in with their price, ways chosen by hand, and what one more kit would add while it is open. */
const { job, context, names } = useCurrentJob();
const emit = defineEmits<{ blocked: [place: string, way: string] }>();
const MOST = 6;
/** Ways by which the targets are reached in this plan, where they have more than one. */
const used = computed(() => (job.plan?.targetWays ?? []).filter(({ target }) => (context.value.profile.mounts.find((mount) => mount.id === target)?.reach.length ?? 0) > 1));

const ways = computed(() => (job.explanation?.alternatives ?? []).slice(0, MOST).map((alternative) => ({ alternative, ...sayAlternative(alternative, names.value) })));
const chosen = computed(() =>
  Object.entries(job.state.waysChosen).map(([key, way]) => {
    const [place = '', level] = key.split('/') as [string, Alternative['level']];
    return { key, place, level, text: `${names.value.place(place)}: ${sayWay(way)}` };
  }),
);
const kits = computed(() =>
  (job.explanation?.furtherKits ?? []).map(({ kit, addsMin, aloneMin }) => ({
    kit,
    name: job.view?.otherKits.find((entry) => entry.slug === kit)?.name ?? kit,
    addsMin,
    aloneMin,
  })),
);

type Chosen = Parameters<typeof job.record<'way.chosen'>>[1];
const take = ({ place, level, way }: { place: string; level?: string; way?: string }) =>
  void job.record('way.chosen', { place, ...(level ? { level } : {}), ...(way ? { way } : {}) } as Chosen);
</script>

<template>
  <div class="leaf stack">
    <h2>{{ OTHER_WAYS.title }}</h2>
    <p v-if="!job.explanation" class="soft">{{ OTHER_WAYS.working }}</p>
    <p v-else-if="ways.length === 0 && chosen.length === 0" class="soft">{{ OTHER_WAYS.none }}</p>
    <ul class="rows">
      <li v-for="entry in used" :key="entry.target">
        <span class="grow">{{ OTHER_WAYS.taken(names.mount(entry.target), sayWay(entry.way)) }}</span>
        <button
          type="button"
          class="push small"
          :aria-label="OTHER_WAYS.blockedWay(names.mount(entry.target), sayWay(entry.way))"
          @click="emit('blocked', entry.target, entry.way)"
        >
          {{ OTHER_WAYS.blocked }}
        </button>
      </li>
      <li v-for="entry in chosen" :key="entry.key" class="chosen">
        <span class="grow"
          ><strong>{{ OTHER_WAYS.byHand }}</strong> {{ entry.text }}</span
        >
        <button type="button" class="push small" @click="take(entry)">{{ OTHER_WAYS.toLeast }}</button>
      </li>
      <li v-for="entry in ways" :key="`${entry.alternative.place}/${entry.alternative.level}/${entry.alternative.way}`">
        <div class="grow">
          <strong>{{ entry.price }}</strong> {{ entry.way }}
          <p v-if="entry.pieces" class="soft">{{ entry.pieces }}</p>
        </div>
        <button type="button" class="push small" :aria-label="OTHER_WAYS.takeWay(entry.way)" @click="take(entry.alternative)">{{ OTHER_WAYS.take }}</button>
      </li>
    </ul>
    <p v-for="entry in kits" :key="entry.kit" class="soft">
      {{ OTHER_WAYS.whileOpen(entry.name, personMinutes(entry.addsMin), personMinutes(entry.aloneMin)) }}
    </p>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.chosen {
  border-left: 5px solid var(--tape-edge);
  padding-left: 9px;
}
</style>
