<script setup lang="ts">
import { LIGHT } from '@jade/words/shell';
import { light } from './light.ts';

/** Light for the counter or dark for the bay: what the tap leads to is said. */
const turn = () => void (light.value = light.value === 'bay' ? 'counter' : 'bay');
</script>

<template>
  <button type="button" class="light" :aria-label="light === 'bay' ? LIGHT.toCounter : LIGHT.toBay" :title="light === 'bay' ? LIGHT.toCounter : LIGHT.toBay" @click="turn">
    <svg viewBox="0 0 24 24" width="22" height="22" aria-hidden="true">
      <!-- A bulb on its shade's line: filled where it is dark. -->
      <path class="bulb" :class="{ on: light === 'bay' }" d="M12 3a6 6 0 0 1 3.6 10.8V17H8.4v-3.2A6 6 0 0 1 12 3z" />
      <path class="cap" d="M9 19.5h6M10 22h4" />
    </svg>
  </button>
</template>

<style scoped>
.light {
  display: inline-grid;
  place-items: center;
  min-width: 44px;
  min-height: 44px;
  border: 1px solid var(--slate-line);
  border-radius: 5px;
  background: none;
  color: var(--on-slate);
  cursor: pointer;
}

.bulb {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.7;
}

.bulb.on {
  fill: #f0c34d;
  stroke: #f0c34d;
}

.cap {
  stroke: currentColor;
  stroke-width: 1.7;
}
</style>
