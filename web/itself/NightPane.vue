<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { nightLines, type NightLine } from '@jade/core/job';
import { itself } from '@jade/core/stations';
import { NIGHT, sayNight } from '@jade/words/itself';
import { within } from '../design/words.ts';
import AskText from '../design/AskText.vue';
import WordsField from '../design/WordsField.vue';
import { useCurrentJob } from '../job/current.ts';
import { useNight } from './night.ts';

/** A vehicle that stays open for the night: what is seen to before, and whether it is found so again. */
const { job, context, names } = useCurrentJob();
const lines = computed(() => nightLines(context.value));
/** What was seen to, by the words under which it was tapped: where there is more of it since, it is to be seen to again. */
const tapped = ref<Record<string, string>>({});
const where = ref('');
const telling = ref(false);
const night = computed(() => job.state.night);
const since = useNight();
watch(night, (now) => {
  if (now) [tapped.value, where.value] = [{}, ''];
});
const sayOf = (line: NightLine) => sayNight(line, names.value);
const isSeen = (line: NightLine) => (night.value ? night.value.seen.includes(line.item) : tapped.value[line.item] === sayOf(line));

function toggle(line: NightLine): void {
  tapped.value = { ...tapped.value, [line.item]: isSeen(line) ? '' : sayOf(line) };
}
function leave(): void {
  const seen = lines.value.filter(isSeen).map(({ item }) => item);
  void job.perform(itself.leftOvernight(context.value, seen, where.value));
}
function again(note?: string): void {
  telling.value = false;
  void job.perform(itself.foundAgain(context.value, note));
}
const ready = computed(() => within(where.value, LONGEST_TEXT.where));
</script>

<template>
  <section v-if="!job.state.signed" class="leaf stack night" aria-labelledby="night">
    <h2 id="night">{{ night ? NIGHT.is : NIGHT.title }}</h2>
    <p v-if="lines.length === 0" class="soft">{{ NIGHT.none }}</p>
    <template v-else-if="night">
      <p>
        <strong>{{ since }}</strong>
      </p>
      <p v-if="night.where">{{ NIGHT.where }}: {{ night.where }}</p>
      <ul class="rows">
        <li v-for="line in lines" :key="line.item">
          <span class="grow">{{ sayOf(line) }}</span>
          <span :class="isSeen(line) ? 'good' : 'odd'">{{ isSeen(line) ? NIGHT.seen : NIGHT.unseen }}</span>
        </li>
      </ul>
      <p>{{ NIGHT.look }}</p>
      <div class="line">
        <button type="button" class="push main" @click="again()">{{ NIGHT.asLeft }}</button>
        <button type="button" class="push" @click="telling = true">{{ NIGHT.otherwise }}</button>
      </div>
    </template>
    <template v-else>
      <p class="soft">{{ NIGHT.ask }}</p>
      <ul class="items">
        <li v-for="line in lines" :key="line.item">
          <button type="button" class="push item" :aria-pressed="isSeen(line)" @click="toggle(line)">{{ sayOf(line) }}</button>
        </li>
      </ul>
      <WordsField v-model="where" :label="NIGHT.where" :most="LONGEST_TEXT.where" />
      <div>
        <button type="button" class="push main" :disabled="!ready" @click="leave">{{ NIGHT.leave }}</button>
      </div>
    </template>
    <AskText
      v-if="telling"
      :title="NIGHT.otherwiseTitle"
      :label="NIGHT.found"
      :action="NIGHT.otherwise"
      :about="`${job.view?.id}/night`"
      :most="LONGEST_TEXT.note"
      @written="again"
      @close="telling = false"
    />
  </section>
</template>

<style scoped>
.night {
  grid-column: 1 / -1;
}

.items {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 320px), 1fr));
  gap: 6px;
}

.item {
  width: 100%;
  min-height: 56px;
  justify-content: flex-start;
  text-align: left;
  white-space: normal;
}

.good {
  color: var(--jade);
  font-weight: 600;
}
</style>
