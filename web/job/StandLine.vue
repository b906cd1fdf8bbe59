<script setup lang="ts">
import { computed, ref } from 'vue';
import { raisedAt, standsOffered, stoodSo } from '@jade/core/stations';
import { positionsIn } from '@jade/core/vehicle';
import { STANDING } from '@jade/words/open-up';
import { sayAsItComes, sayStand } from '@jade/words/names';
import { capitalised } from '@jade/words/units';
import CautionList from '../design/CautionList.vue';
import ChoiceRow from '../design/ChoiceRow.vue';
import { useCurrentJob } from './current.ts';

/** How the vehicle stands now: raised, or with its wheels turned; said by who raises it, lets it down or turns them. */
const { job, context } = useCurrentJob();
const open = ref(false);
const stands = computed(() => positionsIn(job.state.stand));
const raised = computed(() => raisedAt(context.value) !== undefined);
const offered = computed(() => standsOffered(context.value));
const set = (kind: string, place?: string) => void job.perform(stoodSo(context.value, kind, place));
</script>

<template>
  <section class="leaf stack" :aria-label="STANDING.label">
    <div class="line">
      <span class="grow" :class="{ raised }">{{ stands.length > 0 ? STANDING.now(stands.map(sayStand)) : STANDING.asItCame }}</span>
      <button v-for="{ kind } in stands" :key="kind" type="button" class="push small" @click="set(kind)">{{ capitalised(sayAsItComes(kind)) }}</button>
      <button type="button" class="push small plain" :aria-expanded="open" @click="open = !open">{{ stands.length > 0 ? STANDING.changed : STANDING.change }}</button>
    </div>
    <template v-if="open">
      <CautionList :codes="['raised']" />
      <ChoiceRow
        v-for="{ kind, places } in offered"
        :key="kind"
        :label="kind"
        small
        :choices="places.map((place) => ({ value: place, text: sayStand({ kind, place }) }))"
        :value="job.state.stand[kind]"
        @choose="(place) => set(kind, place)"
      />
    </template>
  </section>
</template>

<style scoped>
.grow {
  flex: 1 1 200px;
}

.raised {
  font-weight: 600;
}
</style>
