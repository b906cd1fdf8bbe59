<script setup lang="ts">
const emit = defineEmits<{ close: [] }>();
const KEYS = [
  ['/', 'Find a station, job, vehicle or kit'],
  ['[ and ]', 'Station before and after'],
  ['u', 'Undo what was recorded last'],
  ['l', 'Light for the counter, dark for the bay'],
  ['Tab, Enter', 'Move to a place on a drawing and pick it'],
  ['arrows', 'Move among choices'],
  ['?', 'This sheet'],
  ['Esc', 'Close what is open'],
];
</script>

<template>
  <v-dialog :model-value="true" max-width="460" aria-labelledby="keys-title" @update:model-value="emit('close')">
    <div class="leaf keys">
      <h2 id="keys-title">Keys</h2>
      <dl>
        <template v-for="[key, text] in KEYS" :key="key">
          <dt class="mono">{{ key }}</dt>
          <dd>{{ text }}</dd>
        </template>
      </dl>
      <button type="button" class="push" autofocus @click="emit('close')">Close</button>
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
