<script setup lang="ts">
import { ref, useId, watch } from 'vue';
import { useLine } from '../drafts/index.ts';

/** A number measured at the vehicle, with its unit. Written when it is confirmed, not while it is typed; what is typed is kept on its page, `about` parting entries of the same label. */
const props = defineProps<{ label: string; about?: string; unit: string; value?: number; step?: number; least?: number; most?: number }>();
const emit = defineEmits<{ measured: [value: number] }>();
const fault = ref('');
const id = useId();
const written = () => (props.value === undefined ? '' : String(props.value));
const { text, typed, drop } = useLine(() => `${location.pathname}/${props.label}/${props.about ?? ''}`, written);

watch(
  () => props.value,
  (now, before) => {
    // What somebody is still writing is not taken from them by what another records.
    const line = text.value.trim().replace(',', '.');
    if (line === '' || line === String(before) || Number(line) === now) drop();
  },
);

function leave(): void {
  if (typed.value) confirm();
}

function confirm(): void {
  typed.value = false;
  const line = text.value.trim().replace(',', '.');
  if (line === '' || line === written()) return;
  const value = Number(line);
  if (!Number.isFinite(value)) fault.value = `Write a number in ${props.unit}.`;
  else if (value < (props.least ?? -Infinity) || value > (props.most ?? Infinity)) fault.value = `Between ${props.least} and ${props.most} ${props.unit}.`;
  else {
    fault.value = '';
    emit('measured', value);
  }
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
  </div>
</template>

<style scoped>
.measure {
  min-width: 128px;
  max-width: 215px;
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
