<script setup lang="ts">
import type { StationState } from '@jade/core/stations';

/** A station's state as shape and colour: ring, half, filled, triangle, square. */
defineProps<{ state: StationState; size?: number }>();
</script>

<template>
  <svg :width="size ?? 18" :height="size ?? 18" viewBox="0 0 18 18" aria-hidden="true" :class="state.replaceAll(' ', '-')">
    <circle v-if="state === 'not begun'" cx="9" cy="9" r="6.2" fill="none" stroke-width="1.8" />
    <g v-else-if="state === 'under way'">
      <circle cx="9" cy="9" r="6.2" fill="none" stroke-width="1.8" />
      <path d="M9 2.8a6.2 6.2 0 0 1 0 12.4z" />
    </g>
    <circle v-else-if="state === 'settled'" cx="9" cy="9" r="7" />
    <path v-else-if="state === 'needs an answer'" d="M9 1.8 17 16H1z" />
    <rect v-else x="2.5" y="2.5" width="13" height="13" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  fill: #aebbb7;
  stroke: #aebbb7;
}

.under-way,
.settled {
  fill: #45c597;
  stroke: #45c597;
}

.needs-an-answer {
  fill: #f0c34d;
  stroke: none;
}

.blocked {
  fill: #ff8f85;
  stroke: none;
}
</style>
