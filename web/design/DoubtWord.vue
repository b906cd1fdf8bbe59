<script setup lang="ts">
import type { MeasureDoubt } from '@jade/core/judging';
import { LONGEST_TEXT } from '@jade/core/events';
import { DOUBTED, sayDoubt } from '@jade/words/judging';
import WordsField from './WordsField.vue';

/** What makes one wonder about something that was entered, and the word that it is kept with; what may be done with it stands beside it. */
defineProps<{ doubts: readonly MeasureDoubt[] }>();
const why = defineModel<string>({ required: true });
</script>

<template>
  <div class="doubt" role="alert">
    <p v-for="doubt in doubts" :key="doubt.code">{{ sayDoubt(doubt) }}</p>
    <WordsField v-model="why" :label="DOUBTED.why" :most="LONGEST_TEXT.why" />
    <div v-if="$slots.default" class="line"><slot /></div>
  </div>
</template>

<style scoped>
.doubt {
  display: grid;
  gap: 6px;
  margin-top: 6px;
  padding: 8px 10px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
}
</style>
