<script setup lang="ts">
import { computed } from 'vue';
import { lookAlikeTools } from '@jade/core/access';
import { partsToOrder } from '@jade/core/job';
import { sayGroup } from '@jade/words/job';
import { inSentence } from '@jade/words/units';
import { useCurrentJob } from '../../job/current.ts';

/** Tools in the order first needed, those that are mixed up, and the fasteners that do not go back. */
const { job, context, names } = useCurrentJob();
const tools = computed(() => job.plan?.tools ?? []);
const alike = computed(() => lookAlikeTools((job.plan?.steps ?? []).flatMap((step) => step.fasteners)));
const parts = computed(() => partsToOrder(context.value, job.plan));
</script>

<template>
  <div v-if="tools.length > 0 || parts.length > 0" class="leaf stack">
    <template v-if="tools.length > 0">
      <h2>Tools, in the order first needed</h2>
      <p>{{ tools.join(', ') }}</p>
      <p v-for="pair in alike" :key="pair.one + pair.other" class="warn">
        <strong>Look alike:</strong> {{ pair.one }} and {{ pair.other }}. The wrong one slips and rounds the head.
      </p>
    </template>
    <template v-if="parts.length > 0">
      <h2>New fasteners this job wants</h2>
      <ul class="rows">
        <li v-for="part in parts" :key="part.piece + part.group.id + part.why">
          <span class="grow">{{ part.count }} × {{ sayGroup(part.group) }}, {{ inSentence(names.piece(part.piece)) }}</span> <span class="soft">{{ part.why }}</span>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.warn {
  padding: 6px 10px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
}
</style>
