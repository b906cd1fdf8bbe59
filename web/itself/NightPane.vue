<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, ref, watch } from 'vue';
import { LONGEST_TEXT, nightLines, type NightItem } from '@jade/core/job';
import { itself } from '@jade/core/stations';
import { NIGHT, sayNight } from '@jade/words/itself';
import { fits, within } from '../design/words.ts';
import AskText from '../design/AskText.vue';
import WordsField from '../design/WordsField.vue';
import { useCurrentJob } from '../job/current.ts';
import { useSession } from '../session/index.ts';

/** A vehicle that stays open for the night: what is seen to before, and whether it is found so again. */
const { job, context, names } = useCurrentJob();
const session = useSession();
const lines = computed(() => nightLines(context.value));
const seen = ref<NightItem[]>([]);
const where = ref('');
const telling = ref(false);
const night = computed(() => job.state.night);
watch(night, (now) => {
  if (now) [seen.value, where.value] = [[], ''];
});
const since = computed(
  () => night.value && NIGHT.since(dayjs(night.value.at).format('dddd HH:mm'), night.value.by === undefined ? undefined : session.benchNameOf(night.value.by)),
);
const isSeen = (item: NightItem) => (night.value?.seen ?? seen.value).includes(item);

function toggle(item: NightItem): void {
  seen.value = isSeen(item) ? seen.value.filter((entry) => entry !== item) : [...seen.value, item];
}
const leave = () => void job.perform(itself.leftOvernight(context.value, seen.value, where.value));
function again(note?: string): void {
  telling.value = false;
  void job.perform(itself.foundAgain(context.value, note));
}
const ready = computed(() => within(where.value, LONGEST_TEXT.where) && (where.value === '' || fits(where.value, LONGEST_TEXT.where)));
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
          <span class="grow">{{ sayNight(line, names) }}</span>
          <span :class="isSeen(line.item) ? 'good' : 'odd'">{{ isSeen(line.item) ? NIGHT.seen : NIGHT.unseen }}</span>
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
          <button type="button" class="push item" :aria-pressed="isSeen(line.item)" @click="toggle(line.item)">{{ sayNight(line, names) }}</button>
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
