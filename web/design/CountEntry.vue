<script setup lang="ts">
import { COUNT_ENTRY } from '@jade/words/design';
import TapeLabel from './TapeLabel.vue';

/** A count on tape with a step down and a step up, for gloves. */
const props = defineProps<{ label: string; count: number; most?: number }>();
const emit = defineEmits<{ counted: [count: number] }>();
const change = (by: number) => emit('counted', Math.min(props.most ?? Infinity, Math.max(0, props.count + by)));
</script>

<template>
  <div class="counter" role="group" :aria-label="label">
    <button type="button" class="push small" :aria-label="COUNT_ENTRY.less(label)" @click="change(-1)">−</button>
    <TapeLabel>{{ count }}</TapeLabel>
    <button type="button" class="push small" :aria-label="COUNT_ENTRY.more(label)" @click="change(1)">+</button>
    <slot />
  </div>
</template>

<style scoped>
.counter {
  display: flex;
  gap: 6px;
  align-items: center;
}

.counter .push {
  min-width: 44px;
  padding: 0 8px;
}
</style>
