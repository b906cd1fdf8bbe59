<script setup lang="ts">
import { ref, watch } from 'vue';
import { gather } from '@jade/core/stations';
import { GATHER_FLOOR, sayCounted, sayGatherStep, sayListed, sayTaskTime } from '@jade/words/gather';
import { benchColumns } from '@jade/core/contents';
import { benchCautions } from '@jade/core/plan';
import { contentChecks } from '@jade/core/job';
import CautionList from '../../design/CautionList.vue';
import CountEntry from '../../design/CountEntry.vue';
import BenchLayout from '../../design/drawings/BenchLayout.vue';
import FloorFrame from '../../floor/FloorFrame.vue';
import { useCurrentJob } from '../../job/current.ts';

/** One item of a kit, or one task of the bench, at a time. */
const { job, context, names } = useCurrentJob();
const count = ref<number>();
watch(
  () => job.state.counts,
  () => void (count.value = undefined),
);
const columnsOf = (slug: string) => benchColumns(contentChecks(context.value).find(({ kit }) => kit.slug === slug)?.check.lines ?? []);
const counted = ({ item }: gather.GatherStep & { kind: 'count' }) => count.value ?? item.count;
</script>

<template>
  <FloorFrame :steps="gather.floorSteps(context)" :say="(step) => sayGatherStep(step, names)" :done="GATHER_FLOOR.done">
    <template #default="{ step }">
      <template v-if="step.kind === 'count'">
        <p class="soft">{{ names.kit(step.kit) }} · {{ sayListed(step) }}</p>
        <CountEntry :label="names.item(step.kit, step.item.id)" :count="counted(step)" @counted="(value) => (count = value)" />
      </template>
      <template v-else>
        <p class="soft">{{ names.kit(step.kit) }} · {{ sayTaskTime(step.task) }}</p>
        <CautionList :codes="benchCautions(step.task)" :own="[step.task.caution]" />
      </template>
    </template>
    <template #reach="{ step, end }">
      <button v-if="step.kind === 'count'" type="button" class="push main big" @click="end(() => job.perform(gather.count(context, step.kit, step.item.id, counted(step))))">
        {{ sayCounted(counted(step)) }}
      </button>
      <button v-else type="button" class="push main big" @click="end(() => job.perform(gather.benchDone(context, step.kit, step.task.id)))">{{ GATHER_FLOOR.bench }}</button>
    </template>
    <template #drawing="{ step }">
      <BenchLayout v-if="step.kind === 'count'" :columns="columnsOf(step.kit)" :item="step.item.id" />
    </template>
  </FloorFrame>
</template>
