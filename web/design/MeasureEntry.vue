<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import type { MeasureDoubt } from '@jade/core/judging';
import { LONGEST_TEXT } from '@jade/core/events';
import { typedMeasure, type TypedUnit } from '@jade/core/units';
import { DOUBTED, sayTyped } from '@jade/words/judging';
import { sayBetween } from '@jade/words/units';
import { useLine } from '../drafts/index.ts';
import DoubtWord from './DoubtWord.vue';
import { fits } from './words.ts';

/**
 * A number measured at the vehicle, with its unit, as it is typed: with a comma, in inches, as a fraction. Written when it is confirmed, not while it is typed;
 * what is typed is kept on its page, `about` parting entries of the same label. Where it makes one wonder that is said, and it is kept with a word.
 */
const props = defineProps<{ label: string; about?: string; unit: TypedUnit; value?: number; least?: number; most?: number; doubts?: (value: number) => MeasureDoubt[] }>();
const emit = defineEmits<{ measured: [value: number, why?: string] }>();
const fault = ref('');
const id = useId();
const written = () => (props.value === undefined ? '' : String(props.value));
const { text, typed, drop } = useLine(() => `${location.pathname}/${props.label}/${props.about ?? ''}`, written);
/** A measure that makes one wonder, until it is kept with a word or measured again. */
const doubted = ref<number>();
const why = ref('');
/** What was written down last here: once it is the value it stands there as it is kept, in the unit that is wanted. */
let sent: number | undefined;
const wonder = computed(() => (doubted.value === undefined ? [] : (props.doubts?.(doubted.value) ?? [])));

watch(
  () => props.value,
  (now, before) => {
    // What somebody is still writing is not taken from them by what another records.
    const line = text.value.trim().replace(',', '.');
    if (line === '' || line === String(before) || Number(line) === now || now === sent) drop();
  },
);

function leave(): void {
  if (typed.value) confirm();
}

function confirm(): void {
  typed.value = false;
  const line = text.value.trim();
  if (line === '' || line === written()) return;
  const measure = typedMeasure(line, props.unit);
  if ('fault' in measure) fault.value = sayTyped(measure, props.unit);
  else if (measure.value < (props.least ?? -Infinity) || measure.value > (props.most ?? Infinity)) fault.value = sayBetween(props.least, props.most, props.unit);
  else {
    fault.value = '';
    if ((props.doubts?.(measure.value) ?? []).length > 0) doubted.value = measure.value;
    else keep(measure.value);
  }
}

function keep(value: number, word?: string): void {
  doubted.value = undefined;
  why.value = '';
  sent = value;
  if (value === props.value) drop();
  if (word === undefined) emit('measured', value);
  else emit('measured', value, word);
}

function again(): void {
  doubted.value = undefined;
  why.value = '';
  drop();
}
</script>

<template>
  <div class="measure" :class="{ taped: value !== undefined }">
    <label :for="id">{{ label }}</label>
    <v-text-field
      :id="id"
      v-model="text"
      :suffix="unit"
      :error-messages="fault"
      hide-details="auto"
      inputmode="decimal"
      density="comfortable"
      variant="outlined"
      @blur="leave"
      @keydown.enter="confirm"
    />
    <DoubtWord v-if="doubted !== undefined" v-model="why" :doubts="wonder">
      <button type="button" class="push small" :disabled="!fits(why, LONGEST_TEXT.why)" @click="keep(doubted, why.trim())">{{ DOUBTED.keep }}</button>
      <button type="button" class="push small" @click="again">{{ DOUBTED.again }}</button>
    </DoubtWord>
  </div>
</template>

<style scoped>
.measure {
  min-width: 128px;
  max-width: 215px;
}

/* What makes one wonder takes the room that it needs. */
.measure:has([role='alert'] textarea, [role='alert'] input) {
  max-width: 420px;
}

/* The unit stands there before anything is written. */
.measure :deep(.v-text-field__suffix) {
  opacity: 1;
}

label {
  display: block;
  margin-bottom: 3px;
  font-size: 13.5px;
  color: var(--ink-soft);
}

.taped :deep(input) {
  font-weight: 680;
}

.taped :deep(.v-field) {
  background: color-mix(in srgb, var(--tape) 55%, var(--paper-raised));
  color: var(--on-tape);
}

[data-light='bay'] .taped :deep(.v-field) {
  background: var(--tape);
}
</style>
