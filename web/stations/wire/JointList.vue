<script setup lang="ts">
import { computed } from 'vue';
import { jointList } from '@jade/core/loom';
import { JOINT_LIST, sayJointLine } from '@jade/words/wiring';
import { useCurrentJob } from '../../job/current.ts';

/** Every conductor that is joined, by work place, and the papers to take to it. */
const { job, context, names } = useCurrentJob();
const rows = computed(() => jointList(context.value).map((line) => sayJointLine(line, names.value)));
const places = computed(() => [...new Set(rows.value.map((row) => row['Work place']))].map((place) => ({ place, rows: rows.value.filter((row) => row['Work place'] === place) })));
const paper = (form: string) => `/api/jobs/${job.view?.id ?? ''}/harness.${form}`;
</script>

<template>
  <section class="leaf stack">
    <div class="line">
      <h2>{{ JOINT_LIST.title }}</h2>
      <a class="push small" :href="paper('pdf')" target="_blank" rel="noopener">{{ JOINT_LIST.print }}</a>
      <a class="push small" :href="paper('svg')" download>{{ JOINT_LIST.svg }}</a>
      <a class="push small" :href="paper('csv')" download>{{ JOINT_LIST.csv }}</a>
      <a class="push small" :href="paper('json')" download="wiring.json">{{ JOINT_LIST.json }}</a>
    </div>
    <div v-for="entry in places" :key="entry.place" class="place">
      <h3>{{ entry.place }}</h3>
      <ul>
        <li v-for="(row, index) in entry.rows" :key="index">
          <span class="wire">{{ row['Vehicle wire'] }}</span>
          <span>{{ row['Kit wire'] }}</span>
          <span
            >{{ row.How }}<template v-if="row['Where on the wire'] !== '—'">, {{ row['Where on the wire'] }}</template
            ><template v-if="row.Strip !== '—'">{{ JOINT_LIST.strip(row.Strip) }}</template></span
          >
          <span class="soft">{{ row.Tool }}: {{ row.Check }}</span>
          <span class="state">{{ row.State }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.place ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 148px), 1fr));
  gap: 2px 14px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
  font-size: 14.5px;
}

.wire {
  font-weight: 620;
}

.state {
  font-weight: 620;
}
</style>
