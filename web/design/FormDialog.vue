<script setup lang="ts">
import { FORM_DIALOG } from '@jade/words/design';
/** A short form in a dialog: its own fields, one action, and a way out. What was `kept` of it from before can be left for an empty one. */
defineProps<{ title: string; action: string; ready: boolean; width?: number; kept?: boolean }>();
const emit = defineEmits<{ confirm: []; close: []; anew: [] }>();
</script>

<template>
  <v-dialog :model-value="true" :max-width="width ?? 560" :aria-label="title" @update:model-value="emit('close')">
    <form class="leaf form" @submit.prevent="emit('confirm')">
      <h2>{{ title }}</h2>
      <p v-if="kept" class="line soft kept">
        <span>{{ FORM_DIALOG.takenUp }}</span> <button type="button" class="push small" @click="emit('anew')">{{ FORM_DIALOG.beginAnew }}</button>
      </p>
      <slot />
      <div class="line foot">
        <button type="submit" class="push main" :disabled="!ready">{{ action }}</button>
        <button type="button" class="push" @click="emit('close')">{{ FORM_DIALOG.leave }}</button>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
  max-height: 92vh;
  overflow-y: auto;
  color: var(--ink);
}

/* What the form does is in sight, however long it is. */
.foot {
  position: sticky;
  bottom: -14px;
  z-index: 1;
  margin: 0 -16px -14px;
  padding: 10px 16px 14px;
  border-top: 1px solid var(--line);
  background: var(--paper-raised);
}

.form :deep(.fields) {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
}
</style>
