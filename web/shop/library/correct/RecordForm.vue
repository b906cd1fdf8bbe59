<script setup lang="ts">
import { computed } from 'vue';
import type { Place } from '@jade/core/editing';
import { useEditor } from './editor.ts';
import FieldEntry from './FieldEntry.vue';

/** The fields of a record; those of the document itself that are lists have places of their own. */
const props = defineProps<{ of: string; place: Place; only?: readonly string[] }>();
const { book } = useEditor();
const fields = computed(() => (book.get(props.of) ?? []).filter(({ name }) => !props.only || props.only.includes(name)));
</script>

<template>
  <div class="record">
    <FieldEntry v-for="field in fields" :key="field.name" :field="field" :place="[...place, field.name]" />
  </div>
</template>

<style scoped>
.record {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 210px), 1fr));
  gap: 10px 14px;
  align-items: start;
}
</style>
