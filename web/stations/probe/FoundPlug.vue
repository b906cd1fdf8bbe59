<script setup lang="ts">
import { v4 } from 'uuid';
import { computed, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { functionsAt, LAMP_ENDS, usuallyAt, type LampEnd, type ProbeFunction } from '@jade/core/probing';
import { isRefused, probe, type Refusal } from '@jade/core/stations';
import { entryId, SIDES, type Side } from '@jade/core/vehicle';
import { FOUND_PLUG, sayFunctions } from '@jade/words/probing';
import { sayRefusal } from '@jade/words/stations';
import FormDialog from '../../design/FormDialog.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';

/** A plug, or wires side by side, that the profile does not have: its face from the wire side, where it hides, what its lamps have. */
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
interface Written {
  drawn: string;
  name: string;
  where: string;
  lock: string;
  side: Side | undefined;
  end: LampEnd | undefined;
  rows: number;
  columns: number;
  without: string[];
  colours: Record<string, string>;
  may: ProbeFunction[];
}
const { draft, kept, drop } = useDraft(
  () => `found-plug/${job.view?.id ?? ''}`,
  (): Written => ({ drawn: v4().slice(0, 4), name: '', where: '', lock: '', side: undefined, end: undefined, rows: 2, columns: 3, without: [], colours: {}, may: [] }),
);
const refused = ref<Refusal[]>([]);
const picked = ref<string>();
const cells = computed(() => {
  const pins = probe.pinsOf(draft.value);
  return Array.from({ length: draft.value.rows * draft.value.columns }, (_, index) => {
    const [row, column] = [Math.floor(index / draft.value.columns) + 1, (index % draft.value.columns) + 1];
    return { at: `${row}/${column}`, pin: pins.find((entry) => entry.row === row && entry.column === column) };
  });
});
const numbers = (most: number) => Array.from({ length: most }, (_, index) => index + 1);

function place(part: Partial<Pick<Written, 'side' | 'end'>>): void {
  const next = { ...draft.value, ...part };
  draft.value = { ...next, may: next.end && next.side ? usuallyAt(next.end, next.side) : [] };
}
function toggle(name: ProbeFunction): void {
  const has = draft.value.may.includes(name);
  draft.value = { ...draft.value, may: has ? draft.value.may.filter((other) => other !== name) : [...draft.value.may, name] };
}
function empty(at: string): void {
  const { without } = draft.value;
  draft.value = { ...draft.value, without: without.includes(at) ? without.filter((other) => other !== at) : [...without, at] };
}

function keep(): void {
  const act = probe.findPlug(context.value, draft.value, draft.value.may, entryId(draft.value.name, draft.value.drawn));
  refused.value = isRefused(act) ? act.refused : [];
  if (isRefused(act)) return;
  void job.perform(act);
  drop();
  emit('close');
}
</script>

<template>
  <FormDialog :title="FOUND_PLUG.title" :action="FOUND_PLUG.read" :ready="true" :width="640" :kept="kept" @anew="drop" @confirm="keep" @close="emit('close')">
    <WordsField v-model="draft.name" :label="FOUND_PLUG.name" :most="LONGEST_TEXT.plugName" autofocus />
    <WordsField v-model="draft.where" :label="FOUND_PLUG.hides" :most="LONGEST_TEXT.where" />
    <WordsField v-model="draft.lock" :label="FOUND_PLUG.lock" :most="LONGEST_TEXT.lock" />
    <div class="line">
      <ChoiceRow
        :label="FOUND_PLUG.feeds"
        :choices="LAMP_ENDS.map((value) => ({ value, text: FOUND_PLUG.lampsOf(value) }))"
        :value="draft.end"
        small
        @choose="(end) => place({ end })"
      />
      <ChoiceRow :label="FOUND_PLUG.side" :choices="SIDES.map((value) => ({ value, text: value }))" :value="draft.side" small @choose="(side) => place({ side })" />
    </div>
    <template v-if="draft.end && draft.side">
      <p class="soft">{{ FOUND_PLUG.lampsWhy }}</p>
      <div class="line chips" role="group" :aria-label="FOUND_PLUG.lamps">
        <button v-for="name in functionsAt(draft.end, draft.side)" :key="name" type="button" class="push small" :aria-pressed="draft.may.includes(name)" @click="toggle(name)">
          {{ sayFunctions([name]) }}
        </button>
      </div>
    </template>
    <div class="line">
      <v-select v-model="draft.rows" class="short" :label="FOUND_PLUG.rows" :items="numbers(4)" hide-details />
      <v-select v-model="draft.columns" class="short" :label="FOUND_PLUG.inRow" :items="numbers(10)" hide-details />
      <span class="soft">{{ FOUND_PLUG.loom }}</span>
    </div>
    <div class="face" :style="{ gridTemplateColumns: `repeat(${draft.columns}, 50px)` }" role="group" :aria-label="FOUND_PLUG.face">
      <button
        v-for="cell in cells"
        :key="cell.at"
        type="button"
        class="cavity"
        :class="{ none: !cell.pin }"
        :aria-pressed="picked === cell.at"
        :aria-label="cell.pin ? FOUND_PLUG.pin(cell.pin.id, cell.pin.colour) : FOUND_PLUG.noWireAt(cell.at)"
        @click="picked = cell.at"
      >
        {{ cell.pin?.id ?? '–' }}
      </button>
    </div>
    <div v-if="picked" class="line">
      <v-text-field
        v-model="draft.colours[picked]"
        class="colour"
        :label="FOUND_PLUG.colour"
        :maxlength="LONGEST_TEXT.colour"
        variant="outlined"
        density="comfortable"
        hide-details
      />
      <button type="button" class="push small" :aria-pressed="draft.without.includes(picked)" @click="empty(picked)">{{ FOUND_PLUG.noWire }}</button>
    </div>
    <p v-for="refusal in refused" :key="refusal.code" class="odd" role="alert">{{ sayRefusal(refusal, names) }}</p>
  </FormDialog>
</template>

<style scoped>
.short {
  max-width: 150px;
}

.colour {
  max-width: 240px;
}

.face {
  display: grid;
  gap: 6px;
  justify-content: start;
  padding: 10px;
  border: 2.5px solid var(--drawing);
  border-radius: 8px;
  width: fit-content;
  max-width: 100%;
  overflow-x: auto;
  background: var(--paper-sunk);
}

.cavity {
  width: 50px;
  height: 50px;
  border: 1.5px solid var(--line-strong);
  border-radius: 4px;
  background: var(--paper-raised);
  color: var(--ink);
  font: 650 18px var(--sans);
  cursor: pointer;
}

.cavity.none {
  border-style: dashed;
  background: none;
}

.cavity[aria-pressed='true'] {
  outline: 4px solid var(--amber);
}
</style>
