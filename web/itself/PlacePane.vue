<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { itself } from '@jade/core/stations';
import { bayOf, ITSELF } from '@jade/words/itself';
import ChoiceRow from '../design/ChoiceRow.vue';
import { ask } from '../ask/index.ts';
import { useCurrentJob } from '../job/current.ts';
import { useSession } from '../session/index.ts';

/** Where the vehicle stands, and who is on it. */
const { job } = useCurrentJob();
const session = useSession();
const bays = ref<string[]>([]);
onMounted(async () => {
  bays.value = (await ask<{ bays: string[] } | null>('/api/shop').catch(() => null))?.bays ?? [];
});
const NOWHERE = '';
const bay = computed(() => bayOf(job.state, job.view?.bay ?? null));
const places = computed(() => [...bays.value.map((name) => ({ value: name, text: name })), { value: NOWHERE, text: ITSELF.noBay }]);
const people = computed(() => [
  ...session.people.filter(({ left }) => !left).map(({ id, benchName }) => ({ value: id, text: benchName })),
  { value: NOWHERE, text: ITSELF.nobody },
]);
const stand = (name: string) => void job.perform(itself.baySet(job, name === NOWHERE ? undefined : name, bays.value));
const give = (id: string) => void job.perform(itself.assigned(job, id === NOWHERE ? undefined : id));
</script>

<template>
  <section class="leaf stack" aria-labelledby="place">
    <h2 id="place">{{ ITSELF.where }}</h2>
    <h3>{{ ITSELF.bay }}</h3>
    <ChoiceRow v-if="bays.length > 0" :label="ITSELF.bay" :choices="places" :value="bay === ITSELF.noBay ? NOWHERE : bay" @choose="stand" />
    <p v-else class="soft">{{ bay }}</p>
    <h3>{{ ITSELF.person }}</h3>
    <ChoiceRow :label="ITSELF.person" :choices="people" :value="job.state.assigned ?? NOWHERE" @choose="give" />
  </section>
</template>
