<script setup lang="ts">
import type { ApexOptions } from 'apexcharts';
import { computed } from 'vue';
import ApexChart from 'vue3-apexcharts';
import { TIMES_CHART } from '@jade/words/design';
import { chartOf, token } from './chart.ts';
import { minutes } from '@jade/words/units';

/** Minutes of each step as the shop takes them, from the median to the 80 % point, with a mark where the profile puts it. */
const props = defineProps<{ rows: { name: string; profileMin: number; medianMin: number; p80Min: number }[]; label: string }>();

const ROW = 34;

const series = computed(() => [
  {
    name: TIMES_CHART.median,
    data: props.rows.map((row) => ({
      x: row.name,
      y: row.medianMin,
      goals: [{ name: TIMES_CHART.profile, value: row.profileMin, strokeWidth: 4, strokeHeight: 15, strokeColor: token('--amber') }],
    })),
  },
]);
const options = computed<ApexOptions>(() => ({
  chart: chartOf('bar'),
  plotOptions: { bar: { horizontal: true, barHeight: '46%', borderRadius: 0 } },
  colors: [token('--jade')],
  fill: { opacity: 1 },
  dataLabels: { enabled: false },
  grid: { borderColor: token('--line'), xaxis: { lines: { show: true } }, yaxis: { lines: { show: false } }, padding: { left: 6, right: 20, top: -14 } },
  states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
  xaxis: {
    min: 0,
    title: { text: TIMES_CHART.axis, style: { fontWeight: 500, color: token('--ink-soft') } },
    labels: { style: { fontSize: '12px' } },
    axisBorder: { show: false },
  },
  yaxis: { labels: { maxWidth: 300, style: { fontSize: '13px', colors: props.rows.map(() => token('--ink')) } } },
  legend: { show: false },
  tooltip: {
    custom: ({ dataPointIndex }: { dataPointIndex: number }) => {
      const row = props.rows[dataPointIndex];
      if (!row) return '';
      const tip = document.createElement('div');
      tip.className = 'times-tip';
      tip.textContent = TIMES_CHART.says(row.name, minutes(row.medianMin), minutes(row.p80Min), minutes(row.profileMin));
      return tip.outerHTML;
    },
  },
}));
</script>

<template>
  <figure role="img" :aria-label="label">
    <figcaption class="soft"><i class="here" /> {{ TIMES_CHART.median }} <i class="profile" /> {{ TIMES_CHART.profile }}</figcaption>
    <ApexChart type="bar" :height="rows.length * ROW + 70" :options="options" :series="series" />
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

figcaption i {
  display: inline-block;
  margin: 0 4px 0 12px;
  vertical-align: -2px;
}

figcaption i:first-child {
  margin-left: 0;
}

.here {
  width: 20px;
  height: 12px;
  background: var(--jade);
}

.profile {
  width: 4px;
  height: 15px;
  background: var(--amber);
}

figure :deep(.times-tip) {
  max-width: 340px;
  padding: 8px 11px;
  white-space: normal;
  background: var(--paper-raised);
  color: var(--ink);
}
</style>
