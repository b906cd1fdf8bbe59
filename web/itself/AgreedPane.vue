<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, ref } from 'vue';
import { itself } from '@jade/core/stations';
import { judgeOpening } from '@jade/core/judging';
import { LONGEST_TEXT } from '@jade/core/events';
import { sayMileage } from '@jade/words/customers';
import { ITSELF } from '@jade/words/itself';
import { OPENING_DOUBTS } from '@jade/words/judging';
import AskText from '../design/AskText.vue';
import FormDialog from '../design/FormDialog.vue';
import TapeLabel from '../design/TapeLabel.vue';
import { fits } from '../design/words.ts';
import WordsField from '../design/WordsField.vue';
import { actedAt, useClock } from '../job/clock.ts';
import { useCurrentJob } from '../job/current.ts';
import RightGate from '../session/RightGate.vue';

/** What the customer wants, and what they were promised. */
const { job, context } = useCurrentJob();
const clock = useClock();
const asking = ref<'wish' | 'promise'>();
const at = ref('');
const why = ref('');
const promised = computed(() => (job.state.promise.at ? dayjs(job.state.promise.at).format('dddd D MMMM, HH:mm') : ITSELF.nothingPromised));
const iso = computed(() => (at.value ? new Date(at.value).toISOString() : undefined));
const doubts = computed(() => judgeOpening(iso.value, undefined, true, clock.value));
const ready = computed(() => iso.value !== undefined && (doubts.value.length === 0 || fits(why.value, LONGEST_TEXT.why)));
const brought = computed(() => job.state.opened);

function begin(): void {
  at.value = job.state.promise.at ? dayjs(job.state.promise.at).format('YYYY-MM-DDTHH:mm') : '';
  why.value = '';
  asking.value = 'promise';
}
function promise(when: string | undefined): void {
  void job.perform(itself.promised(context.value, when, actedAt(), why.value));
  asking.value = undefined;
}
function wish(text: string): void {
  void job.perform(itself.wished(context.value, text));
  asking.value = undefined;
}
</script>

<template>
  <section class="leaf stack" aria-labelledby="agreed">
    <h2 id="agreed">{{ ITSELF.agreed }}</h2>
    <dl class="said">
      <dt>{{ ITSELF.wish }}</dt>
      <dd>
        <TapeLabel v-if="job.state.wish">{{ job.state.wish }}</TapeLabel><span v-else class="soft">{{ ITSELF.noWish }}</span>
      </dd>
      <dt>{{ ITSELF.promise }}</dt>
      <dd>
        <strong>{{ promised }}</strong>
        <span v-if="job.state.promise.why" class="soft">{{ job.state.promise.why }}</span>
      </dd>
      <template v-if="brought?.keys">
        <dt>{{ ITSELF.keys }}</dt>
        <dd>{{ brought.keys }}</dd>
      </template>
      <template v-if="brought?.mileage">
        <dt>{{ ITSELF.counter }}</dt>
        <dd>{{ sayMileage(brought.mileage) }}</dd>
      </template>
    </dl>
    <RightGate v-if="!job.state.signed" right="change the order">
      <div class="line">
        <button type="button" class="push" @click="asking = 'wish'">{{ ITSELF.changeWish }}</button>
        <button type="button" class="push" @click="begin">{{ ITSELF.changePromise }}</button>
        <button v-if="job.state.promise.at" type="button" class="push plain" @click="promise(undefined)">{{ ITSELF.takeBack }}</button>
      </div>
    </RightGate>
    <AskText
      v-if="asking === 'wish'"
      :title="ITSELF.wish"
      :label="ITSELF.wish"
      :action="ITSELF.record"
      :about="`${job.view?.id}/wish`"
      :most="LONGEST_TEXT.wish"
      @written="wish"
      @close="asking = undefined"
    />
    <FormDialog v-if="asking === 'promise'" :title="ITSELF.promiseTitle" :action="ITSELF.record" :ready="ready" @confirm="promise(iso)" @close="asking = undefined">
      <v-text-field v-model="at" :label="ITSELF.promise" type="datetime-local" variant="outlined" density="comfortable" hide-details autofocus />
      <template v-if="doubts.length > 0">
        <p v-for="doubt in doubts" :key="doubt" class="odd" role="alert">{{ OPENING_DOUBTS[doubt] }}</p>
        <WordsField v-model="why" :label="ITSELF.promiseWhy" :most="LONGEST_TEXT.why" />
      </template>
    </FormDialog>
  </section>
</template>

<style scoped>
.said {
  display: grid;
  gap: 2px;
}

.said dt {
  color: var(--ink-soft);
  font-size: 14px;
}

.said dd {
  display: grid;
  justify-items: start;
  margin: 0 0 8px;
}
</style>
