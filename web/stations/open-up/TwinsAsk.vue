<script setup lang="ts">
import { computed, ref } from 'vue';
import { openUp } from '@jade/core/stations';
import { TWINS } from '@jade/words/open-up';
import { useCurrentJob } from '../../job/current.ts';
import TwinNamed from '../../job/TwinNamed.vue';

/** Pieces that two devices described, each not knowing of the other: whether they are one, a person says. */
const { job, context } = useCurrentJob();
const asked = computed(() => openUp.twins(context.value));
const naming = ref<openUp.Twin>();

async function two(twin: openUp.Twin): Promise<void> {
  if (twin.named) naming.value = twin;
  else await job.perform(openUp.areTwo(context.value, twin.piece.id));
}
</script>

<template>
  <section v-if="asked.length > 0" class="leaf stack undescribed" :aria-label="TWINS.title">
    <h2>{{ TWINS.title }}</h2>
    <p>{{ TWINS.why }}</p>
    <div v-for="twin in asked" :key="twin.piece.id" class="stack">
      <strong>{{ TWINS.asked(twin) }}</strong>
      <div class="line">
        <button type="button" class="push main" @click="job.perform(openUp.areSame(context, twin.piece.id))">{{ TWINS.same }}</button>
        <button type="button" class="push" @click="two(twin)">{{ TWINS.two }}</button>
        <span class="soft">{{ TWINS.then(twin.is.name) }}</span>
      </div>
    </div>
    <TwinNamed
      v-if="naming"
      :id="naming.piece.id"
      :called="naming.piece.name"
      :title="TWINS.twoTitle"
      :act-of="(name) => openUp.areTwo(context, naming?.piece.id ?? '', name)"
      @close="naming = undefined"
    />
  </section>
</template>
