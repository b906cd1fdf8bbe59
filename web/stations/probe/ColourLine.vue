<script setup lang="ts">
import { useId } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { useLine } from '../../drafts/index.ts';

/** The colour of a wire on one side of its plug; recorded when the field is left. */
const props = defineProps<{ label: string; about: string; value?: string }>();
const emit = defineEmits<{ noted: [colour: string] }>();
const id = useId();
const { text, typed } = useLine(
  () => `${location.pathname}/colour/${props.about}`,
  () => props.value ?? '',
);

function leave(): void {
  if (!typed.value) return;
  typed.value = false;
  const colour = text.value.trim();
  if (colour !== '' && colour !== props.value) emit('noted', colour);
}
</script>

<template>
  <div class="colour">
    <label :for="id">{{ label }}</label>
    <v-text-field
      :id="id"
      v-model="text"
      :maxlength="LONGEST_TEXT.colour"
      density="comfortable"
      variant="outlined"
      hide-details
      autocomplete="off"
      @blur="leave"
      @keydown.enter="leave"
    />
  </div>
</template>

<style scoped>
.colour {
  min-width: 128px;
  max-width: 215px;
}

label {
  display: block;
  margin-bottom: 3px;
  font-size: 13.5px;
  color: var(--ink-soft);
}
</style>
