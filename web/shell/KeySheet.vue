<script setup lang="ts">
import { KEY_SHEET } from '@jade/words/shell';
const emit = defineEmits<{ close: [] }>();
</script>

<template>
  <v-dialog :model-value="true" max-width="460" aria-labelledby="keys-title" @update:model-value="emit('close')">
    <div class="leaf keys">
      <h2 id="keys-title">{{ KEY_SHEET.keys }}</h2>
      <dl>
        <template v-for="[key, text] in KEY_SHEET.list" :key="key">
          <dt class="mono">{{ key }}</dt>
          <dd>{{ text }}</dd>
        </template>
      </dl>
      <button type="button" class="push" autofocus @click="emit('close')">{{ KEY_SHEET.close }}</button>
    </div>
  </v-dialog>
</template>

<style scoped>
.keys {
  display: grid;
  gap: 12px;
  color: var(--ink);
}

dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 18px;
}

dt {
  font-weight: 600;
}
</style>
