<script setup lang="ts">
import { onMounted, onUnmounted, ref } from 'vue';
import type { Warning } from '@jade/core/shop';
import { COMMON } from '@jade/words/common';
import { ask } from '../ask/index.ts';

/** What should be seen to before it stops the shop, said until somebody puts it away. */
type Said = Warning & { message: string };
const LOOK_MS = 600_000;
const warnings = ref<Said[]>([]);
const away = ref(false);

async function look(): Promise<void> {
  try {
    warnings.value = (await ask<{ warnings: Said[] }>('/api/warnings')).warnings;
  } catch {
    // A server that is away is said elsewhere.
  }
}
onMounted(look);
const looking = setInterval(() => void look(), LOOK_MS);
onUnmounted(() => clearInterval(looking));
</script>

<template>
  <template v-if="!away">
    <div v-for="warning in warnings" :key="warning.code" class="bar" role="alert">
      <span>{{ warning.message }}</span>
      <button type="button" class="push small" @click="away = true">{{ COMMON.putAway }}</button>
    </div>
  </template>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 12px;
  padding: 8px 16px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
  color: var(--ink);
}
</style>
