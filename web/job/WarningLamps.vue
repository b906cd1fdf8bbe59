<script setup lang="ts">
import { computed, ref } from 'vue';
import { LONGEST_TEXT, WARNING_LAMPS, type Moment, type WarningLamp } from '@jade/core/events';
import { checkIn, isRefused } from '@jade/core/stations';
import { sayWarnings } from '@jade/words/judging';
import { WARNING_LAMPS_ENTRY as SAYS } from '@jade/words/job';
import DoubtWord from '../design/DoubtWord.vue';
import TapeLabel from '../design/TapeLabel.vue';
import { fits } from '../design/words.ts';
import { actedAt } from './clock.ts';
import { useCurrentJob } from './current.ts';

/** The warning lamps of the instrument panel at a moment: none, or which of them are lit. What was seen is picked first, then recorded. */
const props = defineProps<{ moment: Moment }>();
const { job, context } = useCurrentJob();
const read = computed(() => job.state.warnings[props.moment]);
const lit = ref<WarningLamp[]>([]);
const picking = ref(false);
const why = ref('');
const doubts = computed(() => checkIn.doubtsOfWarnings(context.value, props.moment, lit.value));
const ready = computed(() => lit.value.length > 0 && (doubts.value.length === 0 || fits(why.value, LONGEST_TEXT.why)));

function pick(lamp: WarningLamp): void {
  lit.value = lit.value.includes(lamp) ? lit.value.filter((entry) => entry !== lamp) : [...lit.value, lamp];
}

function begin(): void {
  picking.value = !picking.value;
  lit.value = [...(read.value ?? [])];
  why.value = '';
}

/** What was picked stays where it cannot be recorded now. */
function record(lamps: readonly WarningLamp[]): void {
  const act = checkIn.warningsRead(context.value, props.moment, lamps, actedAt(), why.value);
  void job.perform(act);
  if (!isRefused(act)) picking.value = false;
}
</script>

<template>
  <div class="stack" role="group" :aria-label="SAYS.title">
    <h2>{{ SAYS.title }}</h2>
    <p class="soft">{{ SAYS.how }}</p>
    <div class="line">
      <TapeLabel v-if="read">{{ sayWarnings(read) }}</TapeLabel>
      <button type="button" class="push small" :aria-pressed="read?.length === 0" @click="record([])">{{ SAYS.none }}</button>
      <button type="button" class="push small" :aria-expanded="picking" @click="begin">{{ SAYS.some }}</button>
    </div>
    <template v-if="picking">
      <div class="line" role="group" :aria-label="SAYS.which">
        <button v-for="lamp in WARNING_LAMPS" :key="lamp" type="button" class="push small" :aria-pressed="lit.includes(lamp)" @click="pick(lamp)">{{ lamp }}</button>
      </div>
      <DoubtWord v-if="doubts.length > 0" v-model="why" :doubts="doubts" />
      <div>
        <button type="button" class="push main" :disabled="!ready" @click="record(lit)">{{ SAYS.record }}</button>
      </div>
    </template>
  </div>
</template>
