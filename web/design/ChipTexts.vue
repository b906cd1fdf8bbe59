<script setup lang="ts">
import { ref } from 'vue';
import { fits } from './words.ts';
import WordsField from './WordsField.vue';

/** Texts of which several can be true: those that are common as chips, and any other one as it is typed. */
const props = defineProps<{ label: string; common: readonly string[]; further: string; add: string; most: number }>();
const taken = defineModel<string[]>({ required: true });
const other = ref('');
const toggle = (text: string) => (taken.value = taken.value.includes(text) ? taken.value.filter((own) => own !== text) : [...taken.value, text]);
function addOther(): void {
  const text = other.value.trim();
  if (!fits(text, props.most)) return;
  if (!taken.value.includes(text)) taken.value = [...taken.value, text];
  other.value = '';
}
</script>

<template>
  <div class="stack" role="group" :aria-label="label">
    <strong>{{ label }}</strong>
    <div class="form-chips">
      <button
        v-for="text in [...common, ...taken.filter((own) => !common.includes(own))]"
        :key="text"
        type="button"
        class="push small"
        :aria-pressed="taken.includes(text)"
        @click="toggle(text)"
      >
        {{ text }}
      </button>
    </div>
    <div class="line">
      <WordsField v-model="other" class="grow" :label="further" :most="most" />
      <button type="button" class="push small" :disabled="!fits(other, most)" @click="addOther">{{ add }}</button>
    </div>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}
</style>
