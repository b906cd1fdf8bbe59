<script setup lang="ts">
import { ref } from 'vue';

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
  <v-dialog :model-value="true" max-width="500" :aria-label="title" @update:model-value="emit('close')">
    <form class="leaf ask" @submit.prevent="confirm">
      <h2>{{ title }}</h2>
      <p v-if="hint" class="soft">{{ hint }}</p>
      <v-text-field v-model="text" autofocus :label="label" variant="outlined" hide-details />
      <div class="line">
        <button type="submit" class="push main" :disabled="!text.trim()">{{ action }}</button>
        <button type="button" class="push" @click="emit('close')">Leave it</button>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 14px;
  color: var(--ink);
}
</style>
