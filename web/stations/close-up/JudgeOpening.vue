<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { seenJob } from '@jade/core/capture';
import type { Judged } from '@jade/core/events';
import { closeUp } from '@jade/core/stations';
import { JUDGE } from '@jade/words/capture';
import { useCurrentJob } from '../../job/current.ts';
import { askWorth, type WorthAsking } from '../../workers/judging.ts';

/** Once all was open: what of it could have stayed on, said once, read back once, with two questions after it at most. */
const { job, context, names } = useCurrentJob();
const opened = computed(() => closeUp.openedHere(context.value));
const anew = ref(false);
const list = computed(() => (anew.value ? opened.value : closeUp.toJudge(context.value)));
const spare = ref<readonly string[]>([]);
const reading = ref(false);
/** Not known, or not to be said now. */
const leftOut = ref<readonly string[]>([]);

/** What the log shows, and which of its moves nobody has put in order. */
const shown = computed(() => {
  const { view, documents, log } = job;
  return view && documents && opened.value.length > 0 ? seenJob(view.id, documents, log) : undefined;
});
const move = (event: string) => job.state.history.find((entry) => entry.event === event);
const pair = computed(() => {
  const next = shown.value?.unordered.find(({ one, other }) => !leftOut.value.includes(`${one} ${other}`));
  const [one, other] = [next && move(next.one), next && move(next.other)];
  return one && other ? { one, other } : undefined;
});

const worth = shallowRef<WorthAsking>();
/** What the questions hang on: another tap elsewhere asks nothing anew. */
const about = computed(() => JSON.stringify([job.view?.id, job.state.history.map(({ event }) => event), job.state.judged]));
watch(
  about,
  async (key) => {
    const { documents } = job;
    if (!documents || !shown.value) return;
    const { pieces, mounts, plugs } = documents.profile;
    // Without it the pieces stand in the order in which they were opened, and nothing follows.
    const found = await askWorth({ seen: shown.value.seen, known: { pieces, mounts, plugs } }).catch(() => undefined);
    if (key === about.value) worth.value = found;
  },
  { immediate: true },
);

const worthOf = (piece: string) => worth.value?.list.find((entry) => entry.piece === piece)?.worthMin ?? 0;
const inOrder = computed(() => [...list.value].sort((a, b) => worthOf(b.piece) - worthOf(a.piece)));
const kept = computed(() => list.value.filter(({ piece }) => !spare.value.includes(piece)).map(({ piece }) => piece));
const toggle = (piece: string) => (spare.value = spare.value.includes(piece) ? spare.value.filter((id) => id !== piece) : [...spare.value, piece]);

const followUp = computed(() => {
  const isOpen = (piece: string) => !leftOut.value.includes(piece) && opened.value.some((entry) => entry.piece === piece && entry.said === 'needed');
  return list.value.length === 0 ? worth.value?.followUps.find(({ piece }) => isOpen(piece)) : undefined;
});

function record(pieces: readonly Judged[]): void {
  void job.perform(closeUp.judge(context.value, pieces));
}
function confirm(): void {
  record([...spare.value.map((piece): Judged => ({ piece, enough: 'fitted' })), ...kept.value.map((piece): Judged => ({ piece, enough: 'needed' }))]);
  spare.value = [];
  reading.value = false;
  anew.value = false;
}
const said = (is: (enough: Judged['enough'] | undefined) => boolean) => opened.value.filter((entry) => is(entry.said)).map(({ piece }) => names.value.piece(piece));
const saidSpare = computed(() => said((enough) => enough === 'fitted'));
const saidNeeded = computed(() => said((enough) => enough === 'needed'));
const saidFurther = computed(() => opened.value.filter((entry) => entry.said !== undefined && entry.said !== 'fitted' && entry.said !== 'needed'));
</script>

<template>
  <section v-if="opened.length > 0" class="leaf stack judge" :aria-label="JUDGE.title">
    <template v-if="pair">
      <h2>{{ JUDGE.order }}</h2>
      <p class="soft">{{ JUDGE.orderWhy }}</p>
      <div class="chips">
        <button
          v-for="[first, then] in [
            [pair.one, pair.other],
            [pair.other, pair.one],
          ] as const"
          :key="first.event"
          type="button"
          class="push"
          @click="job.perform(closeUp.orderMoves(context, first.event, then.event))"
        >
          {{ names.piece(first.piece) }} {{ first.level }}
        </button>
        <button type="button" class="push plain" @click="leftOut = [...leftOut, `${pair.one.event} ${pair.other.event}`]">{{ JUDGE.later }}</button>
      </div>
    </template>
    <template v-else-if="list.length > 0 && !reading">
      <h2>{{ JUDGE.title }}</h2>
      <p class="soft">{{ JUDGE.why }}</p>
      <div class="chips">
        <button v-for="{ piece, level } in inOrder" :key="piece" type="button" class="push" :aria-pressed="spare.includes(piece)" @click="toggle(piece)">
          <span
            >{{ names.piece(piece) }} <span class="soft">{{ level }}</span></span
          >
        </button>
      </div>
      <button type="button" class="push main" @click="reading = true">{{ spare.length === 0 ? JUDGE.none : JUDGE.readBack }}</button>
    </template>
    <template v-else-if="list.length > 0">
      <h2>{{ JUDGE.isIt }}</h2>
      <p v-if="spare.length > 0">{{ JUDGE.spare(spare.map(names.piece)) }}</p>
      <p v-if="kept.length > 0">{{ JUDGE.needed(kept.map(names.piece)) }}</p>
      <div class="line">
        <button type="button" class="push main" @click="confirm">{{ JUDGE.yes }}</button>
        <button type="button" class="push" @click="reading = false">{{ JUDGE.change }}</button>
      </div>
    </template>
    <template v-else-if="followUp">
      <h2>{{ JUDGE.enough(names.piece(followUp.piece)) }}</h2>
      <div class="chips">
        <button v-for="level in followUp.levels" :key="level" type="button" class="push" @click="record([{ piece: followUp.piece, enough: level }])">{{ level }}</button>
        <button type="button" class="push" @click="record([{ piece: followUp.piece, enough: followUp.level }])">{{ JUDGE.asFar(followUp.level) }}</button>
        <button type="button" class="push plain" @click="leftOut = [...leftOut, followUp.piece]">{{ JUDGE.later }}</button>
      </div>
    </template>
    <template v-else>
      <h2>{{ JUDGE.said }}</h2>
      <p v-if="saidSpare.length > 0">{{ JUDGE.spare(saidSpare) }}</p>
      <p v-for="entry in saidFurther" :key="entry.piece">{{ JUDGE.wasEnough(names.piece(entry.piece), entry.said ?? '') }}</p>
      <p v-if="saidNeeded.length > 0" class="soft">{{ JUDGE.needed(saidNeeded) }}</p>
      <button type="button" class="push small" @click="anew = true">{{ JUDGE.anew }}</button>
    </template>
  </section>
</template>

<style scoped>
.judge .push {
  justify-self: start;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
