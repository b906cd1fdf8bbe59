<script setup lang="ts">
import { onMounted, useTemplateRef } from 'vue';
import type { PlanChange } from '@jade/core/access';
import { sayChange } from '@jade/words/access';
import { PLAN_NEWS } from '@jade/words/open-up';
import { useCurrentJob } from '../../job/current.ts';

/** What the last event changed in the plan, and why. */
defineProps<{ told: { change: PlanChange; because: string } }>();
const emit = defineEmits<{ seen: [] }>();
const { names } = useCurrentJob();
const news = useTemplateRef<HTMLElement>('news');
onMounted(() => news.value?.scrollIntoView({ block: 'center' }));
</script>

<template>
  <div ref="news" class="news" role="status">
    <div>
      <strong>{{ PLAN_NEWS.plannedAgain(told.because) }}</strong>
      <p v-for="text in sayChange(told.change, names)" :key="text">{{ text }}</p>
    </div>
    <button type="button" class="push small" @click="emit('seen')">{{ PLAN_NEWS.seen }}</button>
  </div>
</template>

<style scoped>
.news {
  display: flex;
  gap: 14px;
  justify-content: space-between;
  align-items: flex-start;
  padding: 10px 14px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
}
</style>
