<script setup lang="ts">
import dayjs from 'dayjs';
import { computed } from 'vue';
import { FOLLOWING } from '@jade/words/itself';
import { useCurrentJob } from '../job/current.ts';

/** The job that this one follows, and those that follow it. */
const { job } = useCurrentJob();
const day = (iso: string) => dayjs(iso).format('D MMMM YYYY');
const lines = computed(() => {
  const { follows, followedBy = [] } = job.view ?? {};
  return [
    ...(follows ? [{ job: follows.job, text: FOLLOWING.of(follows.why, day(follows.openedAt)) }] : []),
    ...followedBy.map((line) => ({ job: line.job, text: FOLLOWING.by(line.why, day(line.openedAt)) })),
  ];
});
</script>

<template>
  <section v-if="lines.length > 0" class="leaf stack" aria-labelledby="follows">
    <h2 id="follows">{{ FOLLOWING.title }}</h2>
    <ul class="rows">
      <li v-for="line in lines" :key="line.job">
        <router-link :to="{ name: 'itself', params: { id: line.job } }">{{ line.text }}</router-link>
      </li>
    </ul>
  </section>
</template>
