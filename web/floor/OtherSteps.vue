<script setup lang="ts">
import { ref } from 'vue';
import { FLOOR } from '@jade/words/floor';

/** Every other step, on demand: the one that is picked comes before the eyes, and the list of them goes. */
defineProps<{ steps: readonly { id: string; text: string }[] }>();
const emit = defineEmits<{ pick: [id: string] }>();
const list = ref<HTMLDetailsElement | null>(null);

function pick(id: string): void {
  if (list.value) list.value.open = false;
  emit('pick', id);
  scrollTo({ top: 0 });
}
</script>

<template>
  <details v-if="steps.length > 0" ref="list" class="leaf fold">
    <summary>{{ FLOOR.others }}</summary>
    <ul>
      <li v-for="step in steps" :key="step.id">
        <button type="button" class="push plain wide" @click="pick(step.id)">{{ step.text }}</button>
      </li>
    </ul>
  </details>
</template>

<style scoped>
.wide {
  width: 100%;
  justify-content: flex-start;
  text-align: left;
}
</style>
