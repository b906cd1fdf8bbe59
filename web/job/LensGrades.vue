<script setup lang="ts">
import { computed, ref } from 'vue';
import { LENS_GRADES, LONGEST_TEXT, type LensGrade, type Moment } from '@jade/core/events';
import { lensesOf } from '@jade/core/job';
import { checkIn, handOver } from '@jade/core/stations';
import { DOUBTED } from '@jade/words/judging';
import { LENS_GRADES_ENTRY as SAYS } from '@jade/words/job';
import ChoiceRow from '../design/ChoiceRow.vue';
import DoubtWord from '../design/DoubtWord.vue';
import { fits } from '../design/words.ts';
import { useCurrentJob } from './current.ts';

/** How clear each lens is at a moment. A grade that makes one wonder is kept with a word. */
const props = defineProps<{ moment: Moment }>();
const { job, context } = useCurrentJob();
const lenses = computed(() => (props.moment === 'before' ? lensesOf(context.value) : handOver.lensesLeaving(context.value)));
const asOnArrival = computed(() => (props.moment === 'after' ? handOver.lensesToLookAt(context.value) : []));
const doubted = ref<{ lamp: string; grade: LensGrade }>();
const why = ref('');
const doubts = computed(() => (doubted.value ? checkIn.doubtsOfLens(context.value, doubted.value.lamp, props.moment, doubted.value.grade) : []));

function grade(lamp: string, is: LensGrade): void {
  why.value = '';
  doubted.value = checkIn.doubtsOfLens(context.value, lamp, props.moment, is).length > 0 ? { lamp, grade: is } : undefined;
  if (!doubted.value) void job.perform(checkIn.lensGraded(context.value, lamp, props.moment, is));
}

function keep(): void {
  const { value } = doubted;
  if (value) void job.perform(checkIn.lensGraded(context.value, value.lamp, props.moment, value.grade, why.value));
  doubted.value = undefined;
}
</script>

<template>
  <div v-if="lenses.length > 0" class="stack" role="group" :aria-label="SAYS.title">
    <h2>{{ SAYS.title }}</h2>
    <p class="soft">{{ SAYS.how }}</p>
    <button v-if="asOnArrival.length > 0" type="button" class="push small same" @click="job.perform(handOver.lensesAsOnArrival(context))">{{ SAYS.same }}</button>
    <div v-for="lens in lenses" :key="lens.id" class="lens">
      <span>{{ SAYS.lens(lens.name, moment === 'after' ? job.state.lenses.before[lens.id] : undefined) }}</span>
      <ChoiceRow
        :label="SAYS.gradeOf(lens.name)"
        small
        :choices="LENS_GRADES.map((value) => ({ value, text: value }))"
        :value="doubted?.lamp === lens.id ? doubted.grade : job.state.lenses[moment][lens.id]"
        @choose="(value) => grade(lens.id, value)"
      />
      <DoubtWord v-if="doubted?.lamp === lens.id" v-model="why" :doubts="doubts">
        <button type="button" class="push small" :disabled="!fits(why, LONGEST_TEXT.why)" @click="keep">{{ DOUBTED.keep }}</button>
        <button type="button" class="push small" @click="doubted = undefined">{{ DOUBTED.look }}</button>
      </DoubtWord>
    </div>
  </div>
</template>

<style scoped>
.lens {
  display: grid;
  gap: 4px;
}

.same {
  justify-self: start;
}
</style>
