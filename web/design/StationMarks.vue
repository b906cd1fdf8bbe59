<script setup lang="ts">
import { BOARD, MARKS } from '@jade/words/board';
import StationMark from './StationMark.vue';

/** What the mark of a station says, wherever one stands. */
</script>

<template>
  <p>{{ BOARD.marksWhy }}</p>
  <ul>
    <li v-for="mark in MARKS" :key="mark.state">
      <span class="on-slate"><StationMark :state="mark.state" :size="17" /></span> {{ mark.text }}
    </li>
  </ul>
</template>

<style scoped>
li {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}

.on-slate {
  display: inline-flex;
  padding: 4px 6px;
  border-radius: 3px;
  background: var(--slate);
}
</style>
