<script setup lang="ts">
import { computed } from 'vue';
import { BOLT_CHOICE } from '@jade/words/design';

/** Fasteners that are told apart by their length alone, drawn to scale: which one belongs here? */
const props = defineProps<{ lengthsMm: readonly number[]; taken?: number; label: string }>();
const emit = defineEmits<{ pick: [lengthMm: number] }>();
const PER_MM = 2.4;
const bolts = computed(() => [...new Set(props.lengthsMm)].sort((a, b) => a - b));
const width = (lengthMm: number) => lengthMm * PER_MM + 22;
</script>

<template>
  <div class="bolts" role="radiogroup" :aria-label="label">
    <button v-for="lengthMm in bolts" :key="lengthMm" type="button" role="radio" class="push" :aria-checked="taken === lengthMm" @click="emit('pick', lengthMm)">
      <svg :width="width(lengthMm)" height="24" aria-hidden="true">
        <rect class="head" x="1" y="3" width="12" height="18" rx="3" />
        <path class="shaft" :d="`M13 12h${lengthMm * PER_MM}`" />
        <path class="thread" :d="`M15 7v10M21 7v10M27 7v10M${9 + lengthMm * PER_MM} 7v10`" />
      </svg>
      {{ BOLT_CHOICE.long(lengthMm) }}
    </button>
  </div>
</template>

<style scoped>
.bolts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.push {
  justify-content: flex-start;
}

.head {
  fill: currentColor;
}

.shaft {
  stroke: currentColor;
  stroke-width: 8;
  opacity: 0.75;
}

.thread {
  stroke: currentColor;
  stroke-width: 1.5;
}
</style>
