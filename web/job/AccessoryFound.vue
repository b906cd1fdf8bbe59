<script setup lang="ts">
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { openUp } from '@jade/core/stations';
import { DRIVES, SIDES, type Drive, type Side } from '@jade/core/vehicle';
import { ACCESSORY_FOUND } from '@jade/words/job';
import ChoiceRow from '../design/ChoiceRow.vue';
import DoubtWord from '../design/DoubtWord.vue';
import FormDialog from '../design/FormDialog.vue';
import { fits, within } from '../design/words.ts';
import WordsField from '../design/WordsField.vue';
import { useDraft } from '../drafts/index.ts';
import { useCurrentJob } from './current.ts';

/** Records something that an owner or another shop fitted: it comes off before the pieces it holds. */
const emit = defineEmits<{ close: [] }>();
const { job, context } = useCurrentJob();

interface Written {
  name: string;
  holds: string[];
  side?: Side;
  drive?: Drive;
  size: string;
  count: number | string;
  openMin: number | string;
  closeMin?: number | string;
  people: number | string;
  why: string;
}
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/accessory`,
  (): Written => ({ name: '', holds: [], side: undefined, drive: undefined, size: '', count: '', openMin: '', closeMin: undefined, people: '', why: '' }),
);

const pieces = computed(() => context.value.profile.pieces.filter((piece) => (job.state.pieces[piece.id] ?? 'fitted') === 'fitted'));
const written = (value: number | string | undefined) => String(value ?? '').trim();
/** Minutes that make one wonder, once they are written. */
const doubts = computed(() => {
  const { openMin, closeMin } = draft.value;
  return written(openMin) === '' ? [] : openUp.doubtsOfFound(Number(openMin), Number(written(closeMin) || openMin));
});
const ready = computed(() => {
  const { name, holds, side, drive, size, openMin, count, people, why } = draft.value;
  if (doubts.value.length > 0 && !fits(why, LONGEST_TEXT.why)) return false;
  // Nothing is stated beforehand: what nobody picked is not recorded, and a number that was taken out is not a nought.
  if (!side || !drive) return false;
  if ([openMin, count, people].some((value) => written(value) === '')) return false;
  return fits(name, LONGEST_TEXT.accessory) && within(size, LONGEST_TEXT.size) && holds.length > 0 && Number(count) >= 0 && Number(people) >= 1;
});

function slug(text: string): string {
  const plain = text
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  const taken = new Set([...context.value.profile.pieces.map((piece) => piece.id), ...Object.keys(job.state.accessories)]);
  let id = `found-${plain || 'part'}`.slice(0, 70);
  for (let number = 2; taken.has(id); number++) id = `found-${plain}-${number}`;
  return id;
}

function record(): void {
  const { name, holds, side, drive, size, count, openMin, closeMin, people, why } = draft.value;
  if (!side || !drive) return;
  const held = context.value.profile.pieces.find((piece) => piece.id === holds[0]);
  const accessory = {
    accessory: slug(name),
    name: name.trim(),
    side,
    zone: held?.zone ?? 'front',
    holds,
    openMin: Number(openMin),
    closeMin: Number(written(closeMin) || openMin),
    people: Number(people),
    drive,
    ...(size.trim() ? { size: size.trim() } : {}),
    count: Number(count),
  };
  void job.perform(openUp.foundFitted(accessory, why));
  drop();
  emit('close');
}
</script>

<template>
  <FormDialog :title="ACCESSORY_FOUND.title" :action="ACCESSORY_FOUND.record" :ready="ready" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p class="soft">{{ ACCESSORY_FOUND.why }}</p>
    <WordsField v-model="draft.name" autofocus :label="ACCESSORY_FOUND.what" :most="LONGEST_TEXT.accessory" />
    <v-select v-model="draft.holds" :label="ACCESSORY_FOUND.holds" multiple :items="pieces.map((piece) => ({ value: piece.id, title: piece.name }))" />
    <ChoiceRow
      :label="ACCESSORY_FOUND.side"
      small
      :choices="SIDES.map((value) => ({ value, text: value === 'centre' ? 'middle' : value }))"
      :value="draft.side"
      @choose="(value) => (draft.side = value)"
    />
    <div class="fields">
      <v-select v-model="draft.drive" :label="ACCESSORY_FOUND.fasteners" :items="[...DRIVES]" />
      <WordsField v-model="draft.size" :label="ACCESSORY_FOUND.size" :most="LONGEST_TEXT.size" />
      <v-text-field v-model="draft.count" :label="ACCESSORY_FOUND.howMany" type="number" min="0" max="200" variant="outlined" hide-details />
      <v-text-field v-model="draft.openMin" :label="ACCESSORY_FOUND.minutesOff" type="number" min="0.5" max="600" step="0.5" variant="outlined" hide-details />
      <v-text-field
        :label="ACCESSORY_FOUND.minutesBack"
        type="number"
        min="0"
        max="600"
        step="0.5"
        variant="outlined"
        hide-details
        :model-value="draft.closeMin ?? draft.openMin"
        @update:model-value="(value) => (draft.closeMin = value === '' ? undefined : value)"
      />
      <v-text-field v-model="draft.people" :label="ACCESSORY_FOUND.people" type="number" min="1" max="6" variant="outlined" hide-details />
    </div>
    <DoubtWord v-if="doubts.length > 0" v-model="draft.why" :doubts="doubts" />
  </FormDialog>
</template>

<style scoped>
/* Wide enough for what the fields ask. */
.fields {
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)) !important;
}
</style>
