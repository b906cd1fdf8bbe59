<script setup lang="ts">
import { computed } from 'vue';
import { partsToOrder } from '@jade/core/job';
import { NEW_FASTENERS, PART_WHY } from '@jade/words/job';
import { sayGroup } from '@jade/words/names';
import { inSentence } from '@jade/words/units';
import { useCurrentJob } from './current.ts';

/** Fasteners that this job wants new, and why. */
const { job, context, names } = useCurrentJob();
const parts = computed(() => partsToOrder(context.value, job.plan));
</script>

<template>
  <section v-if="parts.length > 0">
    <h2>{{ NEW_FASTENERS.label }}</h2>
    <ul class="rows">
      <li v-for="part in parts" :key="part.piece + part.group.id + part.why">
        <span class="grow">{{ part.count }} × {{ sayGroup(part.group) }}, {{ inSentence(names.piece(part.piece)) }}</span> <span class="soft">{{ PART_WHY[part.why] }}</span>
      </li>
    </ul>
  </section>
</template>
