<script setup lang="ts">
import { computed } from 'vue';
import { priceOf } from '@jade/core/paper';
import { JOB_PRICE } from '@jade/words/gather';
import { money } from '@jade/words/units';
import { useCurrentJob } from '../../job/current.ts';

/** What the job comes to from here: each part, the labour that is ahead, and both together where the shop names its rate. */
const { job, context, names } = useCurrentJob();
const price = computed(() => priceOf(context.value, job.plan, job.view?.labourCentsPerHour));
const said = (cents: number) => money(cents, job.view?.currency ?? '');
</script>

<template>
  <section class="leaf" aria-labelledby="job-price">
    <h2 id="job-price">{{ JOB_PRICE.title }}</h2>
    <ul class="rows">
      <li v-for="entry in price.kits" :key="entry.kit">
        <span class="grow">{{ names.kit(entry.kit) }}</span> <span>{{ said(entry.cents) }}</span>
      </li>
      <li v-if="price.leadsCents > 0">
        <span class="grow">{{ JOB_PRICE.leads }}</span> <span>{{ said(price.leadsCents) }}</span>
      </li>
      <li>
        <span class="grow"
          >{{ JOB_PRICE.labour }} <span class="soft">{{ JOB_PRICE.labourOf(price.labour) }}</span></span
        >
        <span v-if="price.labourCents !== undefined">{{ said(price.labourCents) }}</span>
        <span v-else class="soft">{{ job.plan ? JOB_PRICE.noRate : JOB_PRICE.working }}</span>
      </li>
      <li v-if="price.totalCents !== undefined">
        <strong class="grow">{{ JOB_PRICE.total }}</strong> <strong>{{ said(price.totalCents) }}</strong>
      </li>
    </ul>
    <p v-if="price.unknown.length > 0" class="heeded">{{ JOB_PRICE.notDescribed(price.unknown) }}</p>
    <p class="soft">{{ JOB_PRICE.without }}</p>
  </section>
</template>
