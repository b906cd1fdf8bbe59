<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { useDraft } from '../drafts/index.ts';

/** A number measured at the vehicle, with its unit. Written when it is confirmed, not while it is typed; what is typed is kept on its page, `about` parting entries of the same label. */
const props = defineProps<{ label: string; about?: string; unit: string; value?: number; step?: number; least?: number; most?: number }>();
const emit = defineEmits<{ measured: [value: number] }>();
const fault = ref('');
const id = useId();
const written = () => (props.value === undefined ? '' : String(props.value));
const { draft, drop } = useDraft(
  () => `${location.pathname}/${props.label}/${props.about ?? ''}`,
  () => ({ text: written() }),
);
/** Something was typed since the field was last left: what was kept from before is not recorded by passing through it. */
const touched = ref(false);
const text = computed({
  get: () => draft.value.text,
  set: (typed) => {
    draft.value.text = typed;
    touched.value = true;
  },
});

watch(
  () => props.value,
  (now, before) => {
    // What somebody is still writing is not taken from them by what another records.
    const typed = draft.value.text.trim().replace(',', '.');
    if (typed === '' || typed === String(before) || Number(typed) === now) drop();
  },
);

function leave(): void {
  if (touched.value) confirm();
}

function confirm(): void {
  touched.value = false;
  const typed = text.value.trim().replace(',', '.');
  if (typed === '' || typed === written()) return;
  const value = Number(typed);
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
