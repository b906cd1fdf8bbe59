<script setup lang="ts">
import type { Person } from '@jade/core/shop';
import { BENCH_NAMES } from '@jade/words/shell';

defineProps<{ people: readonly Pick<Person, 'id' | 'benchName' | 'role'>[]; closable: boolean; here?: string }>();
const emit = defineEmits<{ picked: [person: string]; left: []; close: [] }>();
</script>

<template>
  <v-dialog :model-value="true" :persistent="!closable" max-width="440" aria-labelledby="who-title" @update:model-value="emit('close')">
    <div class="leaf names">
      <h2 id="who-title">{{ BENCH_NAMES.who }}</h2>
      <p class="soft">{{ BENCH_NAMES.why }}</p>
      <button v-for="person in people" :key="person.id" type="button" class="push" @click="emit('picked', person.id)">
        <strong>{{ person.benchName }}</strong> <span class="role">{{ person.role }}</span>
      </button>
      <button v-if="here" type="button" class="push plain" @click="emit('left')">{{ BENCH_NAMES.leaves(here) }}</button>
    </div>
  </v-dialog>
</template>

<style scoped>
.names {
  display: grid;
  gap: 10px;
  color: var(--ink);
}

.push {
  justify-content: space-between;
  min-height: 56px;
}

.role {
  font-weight: 450;
  opacity: 0.8;
}
</style>
