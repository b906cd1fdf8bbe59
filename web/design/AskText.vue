<script setup lang="ts">
import { ref } from 'vue';
import FormDialog from './FormDialog.vue';

/** Asks for one line of text in a dialog: what was agreed, what was found. */
const props = defineProps<{ title: string; label: string; action: string; hint?: string; most?: number }>();
const emit = defineEmits<{ written: [text: string]; close: [] }>();
const text = ref('');

function confirm(): void {
  const written = text.value.trim().slice(0, props.most ?? 300);
  if (written) emit('written', written);
}
</script>

<template>
  <FormDialog :title="title" :action="action" :ready="text.trim() !== ''" :width="500" @confirm="confirm" @close="emit('close')">
    <p v-if="hint" class="soft">{{ hint }}</p>
    <v-text-field v-model="text" autofocus :label="label" variant="outlined" hide-details />
  </FormDialog>
</template>
