<script setup lang="ts">
import { computed, ref } from 'vue';
import { isLabelSheet, LABEL_SHEETS, labelsOf, nextFree, placesOn, type LabelSheetId } from '@jade/core/paper';
import { LABELS } from '@jade/words/labels';
import ChoiceRow from '../design/ChoiceRow.vue';
import { useCurrentJob } from './current.ts';

/** Labels of the job to print: which sheet lies in the printer, and where its first free place is. Both are remembered on this device. */
const { job, context } = useCurrentJob();
const open = ref(false);
const KEPT = 'jade-labels';

function kept(): { sheet: LabelSheetId; from: number } {
  const [sheet = '', from = ''] = (localStorage.getItem(KEPT) ?? '').split('/');
  return isLabelSheet(sheet) ? { sheet, from: Math.min(Math.max(1, Math.round(Number(from)) || 1), placesOn(LABEL_SHEETS[sheet])) } : { sheet: '24', from: 1 };
}
const chosen = ref(kept());
const sheet = computed(() => LABEL_SHEETS[chosen.value.sheet]);
const count = computed(() => labelsOf(context.value).length);
const address = computed(() => `/api/jobs/${job.view?.id}/labels.pdf?sheet=${chosen.value.sheet}&from=${chosen.value.from}`);
const places = computed(() =>
  Array.from({ length: placesOn(sheet.value) }, (_, index) => {
    const { from } = chosen.value;
    return { place: index + 1, is: index + 1 < from ? ('used' as const) : index + 1 < from + count.value ? ('printed' as const) : ('left' as const) };
  }),
);

function printed(): void {
  const { sheet: id, from } = chosen.value;
  localStorage.setItem(KEPT, `${id}/${nextFree(LABEL_SHEETS[id], count.value, from)}`);
  open.value = false;
}
function begin(): void {
  chosen.value = kept();
  open.value = true;
}
</script>

<template>
  <button type="button" class="push small" @click="begin">{{ LABELS.print }}</button>
  <v-dialog v-model="open" max-width="520" aria-labelledby="labels-title">
    <div class="leaf stack">
      <h2 id="labels-title">{{ LABELS.title(count) }}</h2>
      <ChoiceRow
        :label="LABELS.sheet"
        small
        :choices="(Object.keys(LABEL_SHEETS) as LabelSheetId[]).map((value) => ({ value, text: LABELS.sheetOf(value, LABEL_SHEETS[value].paper) }))"
        :value="chosen.sheet"
        @choose="(value) => (chosen = { sheet: value, from: 1 })"
      />
      <p class="soft">{{ LABELS.first }}</p>
      <div class="page" role="group" :aria-label="LABELS.page" :style="{ gridTemplateColumns: `repeat(${sheet.columns}, 1fr)` }">
        <button
          v-for="entry in places"
          :key="entry.place"
          type="button"
          :class="entry.is"
          :aria-label="LABELS.place(entry.place, entry.is)"
          :aria-pressed="entry.place === chosen.from"
          @click="chosen = { ...chosen, from: entry.place }"
        >
          {{ entry.is === 'used' ? '' : entry.place }}
        </button>
      </div>
      <div class="line">
        <a class="push main" :href="address" target="_blank" rel="noopener" @click="printed">{{ LABELS.open }}</a>
        <button type="button" class="push" @click="open = false">{{ LABELS.leave }}</button>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.page {
  display: grid;
  gap: 3px;
  padding: 6px;
  background: var(--paper-sunk);
  border: 1px solid var(--line-strong);
}

.page button {
  min-height: 34px;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  background: var(--paper-raised);
  color: var(--ink-soft);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}

.page .printed {
  border: 2px solid var(--jade);
  background: var(--jade-soft);
  color: var(--ink);
  font-weight: 650;
}

.page .used {
  border-style: dashed;
  background: none;
}

@media (pointer: coarse) {
  .page button {
    min-height: 44px;
  }
}
</style>
