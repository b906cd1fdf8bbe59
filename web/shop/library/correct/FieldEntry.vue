<script setup lang="ts">
import { computed, useId } from 'vue';
import { beginning, idsFor, isWithin, pathOf, placeOf, valueAt, type FieldForm, type Form, type Place } from '@jade/core/editing';
import { CORRECT, sayField, sayFieldWithUnit } from '@jade/words/editing';
import { sayFaultAlone } from '@jade/words/faults';
import ChoiceRow from '../../../design/ChoiceRow.vue';
import { useEditor } from './editor.ts';
import EntryList from './EntryList.vue';

/** One field of a document: written as what it may hold, with what stands against it beneath. */
const props = defineProps<{ field: FieldForm; place: Place }>();
const { form: inner, book, document, faults, set, open } = useEditor();
const ids = useId();
const form = computed(() => props.field.form);
const value = computed(() => valueAt(document.value, props.place));
const list = computed(() => (Array.isArray(value.value) ? (value.value as unknown[]) : []));
const { label } = sayField(props.field.name);
const title = sayFieldWithUnit(props.field.name);
const path = computed(() => pathOf(props.place));
/** What stands against the field itself, or against a text or number in it; fields within say their own. */
const against = computed(() => {
  const holds = form.value.is === 'record' || (form.value.is === 'list' && form.value.of.is === 'record');
  const here = faults.value.filter((fault) => (holds ? fault.path === path.value : isWithin(placeOf(fault.path), props.place)));
  return here.map(sayFaultAlone).join(' ');
});
const wide = computed(
  () =>
    (form.value.is === 'record' && value.value !== undefined) ||
    (form.value.is === 'list' && (value.value !== undefined || form.value.of.is !== 'record')) ||
    (form.value.is === 'text' && (form.value.most ?? 0) > 100),
);
const known = computed(() =>
  (form.value.is === 'text' && form.value.id) || (form.value.is === 'list' && form.value.of.is === 'text' && form.value.of.id) ? idsFor(document.value, props.field.name) : [],
);
const said = computed(() => (typeof value.value === 'string' || typeof value.value === 'number' ? String(value.value) : ''));

/** What is no number stays as it was written, and says so. */
const asNumber = (text: string): unknown => {
  const plain = text.trim().replace(',', '.');
  return plain === '' ? undefined : Number.isFinite(Number(plain)) ? Number(plain) : text;
};
const write = (text: string) => set(props.place, form.value.is === 'number' ? asNumber(text) : text === '' && !props.field.required ? undefined : text);
const choose = (chosen: unknown) => set(props.place, chosen ?? undefined);

function endOf(end: 0 | 1): string {
  const found = list.value[end];
  return typeof found === 'number' || typeof found === 'string' ? String(found) : '';
}
function span(end: 0 | 1, text: string): void {
  const ends = [list.value[0], list.value[1]];
  ends[end] = asNumber(text);
  set(props.place, ends.every((own) => own === undefined) ? undefined : ends.map((own) => own ?? null));
}

const toggled = (choice: string | number) => (list.value.includes(choice) ? list.value.filter((own) => own !== choice) : [...list.value, choice]);
const kept = (next: unknown[]) => (next.length === 0 && !props.field.required ? undefined : next);
const line = (at: number, text: string) =>
  set(
    props.place,
    list.value.map((own, index) => (index === at ? (form.value.is === 'list' && form.value.of.is === 'number' ? asNumber(text) : text) : own)),
  );
function begin(of: Form): void {
  set(props.place, [beginning(book, of)]);
  open([...props.place, 0], true);
}
const FLAGS = [
  { value: 'yes', text: CORRECT.yes },
  { value: 'no', text: CORRECT.no },
];
</script>

<template>
  <div class="field" :class="{ wide }" :data-path="path">
    <template v-if="form.is === 'text' || form.is === 'number'">
      <v-text-field
        :model-value="said"
        :label="title"
        variant="outlined"
        density="compact"
        hide-details="auto"
        :type="form.is === 'text' && form.day ? 'date' : 'text'"
        :inputmode="form.is === 'number' ? 'decimal' : undefined"
        :list="known.length > 0 ? ids : undefined"
        :error-messages="against || undefined"
        @update:model-value="write"
      />
      <datalist v-if="known.length > 0" :id="ids"><option v-for="id in known" :key="id" :value="id" /></datalist>
    </template>
    <v-select
      v-else-if="form.is === 'choice'"
      :model-value="value ?? null"
      :items="form.choices.map((choice) => ({ value: choice, title: String(choice) }))"
      :label="title"
      density="compact"
      :clearable="!field.required"
      :error-messages="against || undefined"
      @update:model-value="choose"
    />
    <div v-else-if="form.is === 'flag'" class="stack tight">
      <span class="title">{{ title }}</span>
      <div class="line">
        <ChoiceRow :label="title" small :choices="FLAGS" :value="value === true ? 'yes' : value === false ? 'no' : undefined" @choose="(chosen) => set(place, chosen === 'yes')" />
        <button v-if="!field.required && value !== undefined" type="button" class="push small plain" :aria-label="`${CORRECT.notSaid}: ${label}`" @click="set(place, undefined)">
          {{ CORRECT.notSaid }}
        </button>
      </div>
      <p v-if="against" class="bad">{{ against }}</p>
    </div>
    <div v-else-if="form.is === 'span'" class="stack tight" role="group" :aria-label="title">
      <span class="title">{{ title }}</span>
      <div class="span">
        <v-text-field
          v-for="end in [0, 1] as const"
          :key="end"
          :model-value="endOf(end)"
          :label="end === 0 ? CORRECT.from : CORRECT.to"
          variant="outlined"
          density="compact"
          hide-details
          inputmode="decimal"
          @update:model-value="(text: string) => span(end, text)"
        />
      </div>
      <p v-if="against" class="bad">{{ against }}</p>
    </div>
    <button
      v-else-if="form.is === 'record' && value === undefined"
      type="button"
      class="push small"
      :class="{ wanting: field.required }"
      @click="set(place, beginning(book, form))"
    >
      {{ CORRECT.say(label) }}
    </button>
    <fieldset v-else-if="form.is === 'record'" class="inner">
      <legend>{{ title }}</legend>
      <p v-if="against" class="bad">{{ against }}</p>
      <component :is="inner" :of="form.of" :place="place" />
      <button v-if="!field.required" type="button" class="push small plain" @click="set(place, undefined)">{{ CORRECT.leaveOut(label) }}</button>
    </fieldset>
    <button v-else-if="form.is === 'list' && form.of.is === 'record' && !field.required && value === undefined" type="button" class="push small" @click="begin(form.of)">
      {{ CORRECT.say(label) }}
    </button>
    <fieldset v-else-if="form.is === 'list' && form.of.is === 'record'" class="inner">
      <legend>{{ title }} ({{ list.length }})</legend>
      <p v-if="against" class="bad">{{ against }}</p>
      <EntryList :of="form.of.of" :place="place" :optional="!field.required" />
    </fieldset>
    <div v-else-if="form.is === 'list' && form.of.is === 'choice'" class="stack tight" role="group" :aria-label="title">
      <span class="title">{{ title }}</span>
      <div class="chips">
        <button v-for="choice in form.of.choices" :key="choice" type="button" class="push small" :aria-pressed="list.includes(choice)" @click="set(place, kept(toggled(choice)))">
          {{ choice }}
        </button>
      </div>
      <p v-if="against" class="bad">{{ against }}</p>
    </div>
    <div v-else class="stack tight" role="group" :aria-label="title">
      <span class="title">{{ title }}</span>
      <div v-for="(entry, at) in list" :key="at" class="line one">
        <v-text-field
          :model-value="String(entry ?? '')"
          :aria-label="`${title}, ${CORRECT.entry(at)}`"
          variant="outlined"
          density="compact"
          hide-details
          :list="known.length > 0 ? ids : undefined"
          @update:model-value="(text: string) => line(at, text)"
        />
        <button
          type="button"
          class="push small plain"
          :aria-label="`${CORRECT.takeOut}: ${title}, ${CORRECT.entry(at)}`"
          @click="set(place, kept(list.filter((_, index) => index !== at)))"
        >
          {{ CORRECT.takeOut }}
        </button>
      </div>
      <datalist v-if="known.length > 0" :id="ids"><option v-for="id in known" :key="id" :value="id" /></datalist>
      <div>
        <button type="button" class="push small" :aria-label="`${CORRECT.another}: ${title}`" @click="set(place, [...list, ''])">{{ CORRECT.another }}</button>
      </div>
      <p v-if="against" class="bad">{{ against }}</p>
    </div>
  </div>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}

.tight {
  gap: 4px;
}

.title {
  font-size: 13px;
  color: var(--ink-soft);
}

.span {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}

.inner {
  display: grid;
  gap: 8px;
  padding: 6px 0 8px 12px;
  border-left: 3px solid var(--line);
}

.wanting {
  border-color: var(--red);
}

.inner > .push {
  justify-self: start;
}

legend {
  padding: 0;
  font-size: 13px;
  font-weight: 650;
  color: var(--ink-soft);
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.one {
  flex-wrap: nowrap;
}
</style>
