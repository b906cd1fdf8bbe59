<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { differences, type Difference } from '@jade/core/versions';
import { COMMON } from '@jade/words/common';
import { sayDifference, VERSION_CHANGES } from '@jade/words/library';
import EmptyNote from '../../design/EmptyNote.vue';
import { ask } from '../../ask/index.ts';

/** What differs between a document's newest version and an earlier one. */
const props = defineProps<{ kind: string; slug: string; version: number }>();
const open = ref(false);
const against = ref(props.version - 1);
const found = ref<Difference[]>();
const failed = ref(false);
const earlier = computed(() => Array.from({ length: props.version - 1 }, (_, index) => props.version - 1 - index));

watch(
  () => [props.kind, props.slug, props.version],
  () => {
    against.value = props.version - 1;
    open.value = false;
  },
);
watch([open, against, () => props.slug, () => props.version], async () => {
  found.value = undefined;
  failed.value = false;
  if (!open.value || against.value < 1) return;
  const place = `/api/documents/${props.kind}/${props.slug}`;
  const asked = against.value;
  try {
    const [before, after] = await Promise.all([ask<{ document: object }>(`${place}?version=${asked}`), ask<{ document: object }>(`${place}?version=${props.version}`)]);
    if (asked === against.value) found.value = differences(before.document, after.document);
  } catch {
    failed.value = true;
  }
});
</script>

<template>
  <details v-if="version > 1" :open="open" @toggle="(event) => (open = (event.target as HTMLDetailsElement).open)">
    <summary>{{ VERSION_CHANGES.title(version) }}</summary>
    <div class="leaf stack">
      <label class="line"
        >{{ VERSION_CHANGES.since }}
        <select v-model.number="against" class="push small">
          <option v-for="number in earlier" :key="number" :value="number">{{ VERSION_CHANGES.version(number) }}</option>
        </select></label
      >
      <EmptyNote v-if="failed" kind="failed">{{ COMMON.away(VERSION_CHANGES.theVersions) }}</EmptyNote>
      <EmptyNote v-else-if="!found" kind="loading">{{ VERSION_CHANGES.reading }}</EmptyNote>
      <EmptyNote v-else-if="found.length === 0" kind="empty">{{ VERSION_CHANGES.same }}</EmptyNote>
      <ul v-else class="rows long">
        <li v-for="(difference, index) in found" :key="index">
          <span class="mono">{{ difference.path.join(' › ') }}</span> <span>{{ sayDifference(difference) }}</span>
        </li>
      </ul>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  padding: 10px 0;
  font-weight: 640;
}

.long {
  max-height: 60vh;
  overflow-y: auto;
}

li {
  display: grid;
  gap: 2px;
}

.mono {
  overflow-wrap: anywhere;
}
</style>
