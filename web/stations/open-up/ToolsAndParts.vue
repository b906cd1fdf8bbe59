<script setup lang="ts">
import { computed } from 'vue';
import { jobTools } from '@jade/core/job';
import { TOOLS_AND_PARTS } from '@jade/words/open-up';
import NewFasteners from '../../job/NewFasteners.vue';
import { useCurrentJob } from '../../job/current.ts';

/** Tools of the whole job in the order first needed, those that are mixed up, and the fasteners that do not go back. */
const { job, context } = useCurrentJob();
const tools = computed(() => jobTools(context.value, job.plan));
</script>

<template>
  <div class="leaf stack">
    <template v-if="tools.opening.length > 0">
      <h2>{{ TOOLS_AND_PARTS.tools }}</h2>
      <p>{{ tools.opening.join(', ') }}</p>
      <p v-if="tools.fitting.length > 0">
        <span class="soft">{{ TOOLS_AND_PARTS.besides }}</span> {{ tools.fitting.join(', ') }}
      </p>
      <p v-for="pair in tools.alike" :key="pair.one + pair.other" class="warn">
        <strong>{{ TOOLS_AND_PARTS.lookAlike }}</strong> {{ TOOLS_AND_PARTS.mixUp(pair.one, pair.other) }}
      </p>
    </template>
    <NewFasteners />
  </div>
</template>

<style scoped>
.leaf:empty {
  display: none;
}

.warn {
  padding: 6px 10px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
}
</style>
