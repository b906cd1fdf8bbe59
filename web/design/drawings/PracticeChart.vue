<script setup lang="ts">
import type { ApexOptions } from 'apexcharts';
import { computed } from 'vue';
import ApexChart from 'vue3-apexcharts';
import { PRACTICE_CHART } from '@jade/words/design';
import { chartOf, token } from './chart.ts';

/** Scores of practices as they came, one after the other. */
const props = defineProps<{ rows: { name: string; score: number; says: string }[]; label: string }>();
const series = computed(() => [{ name: PRACTICE_CHART.score, data: props.rows.map(({ name, score }) => ({ x: name, y: score })) }]);
const options = computed<ApexOptions>(() => ({
  chart: chartOf('line'),
  colors: [token('--jade')],
  stroke: { width: 3, curve: 'straight' },
  markers: { size: 5, strokeWidth: 0 },
  grid: { borderColor: token('--line') },
  yaxis: { min: 0, max: 100, tickAmount: 4, title: { text: PRACTICE_CHART.axis, style: { fontWeight: 500, color: token('--ink-soft') } } },
  xaxis: { type: 'category', tickAmount: Math.min(10, props.rows.length), axisBorder: { show: false } },
  legend: { show: false },
  tooltip: {
    custom: ({ dataPointIndex }: { dataPointIndex: number }) => {
      const tip = document.createElement('div');
      tip.className = 'practice-tip';
      tip.textContent = props.rows[dataPointIndex]?.says ?? '';
      return tip.outerHTML;
    },
  },
}));
</script>

<template>
  <figure role="img" :aria-label="label">
    <ApexChart type="line" :height="230" :options="options" :series="series" />
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

figure :deep(.practice-tip) {
  max-width: 340px;
  padding: 8px 11px;
  white-space: normal;
  background: var(--paper-raised);
  color: var(--ink);
}
</style>
