<script setup lang="ts">
import { computed } from 'vue';
import { useDraft } from '../drafts/index.ts';
import FormDialog from './FormDialog.vue';
import { fits } from './words.ts';
import WordsField from './WordsField.vue';

/** Asks for one line of text in a dialog: what was agreed, what was found. What is begun is kept by what it is `about`. */
const props = defineProps<{ title: string; label: string; action: string; about: string; most: number; hint?: string }>();
const emit = defineEmits<{ written: [text: string]; close: [] }>();
const { draft, kept, drop } = useDraft(
  () => props.about,
  () => ({ text: '' }),
);
const ready = computed(() => fits(draft.value.text, props.most));

function confirm(): void {
  if (!ready.value) return;
  const text = draft.value.text.trim();
  drop();
  emit('written', text);
}
</script>

<template>
  <FormDialog :title="title" :action="action" :ready="ready" :width="500" :kept="kept" @confirm="confirm" @anew="drop" @close="emit('close')">
    <p v-if="hint" class="soft">{{ hint }}</p>
    <WordsField v-model="draft.text" autofocus :label="label" :most="most" />
  </FormDialog>
</template>
