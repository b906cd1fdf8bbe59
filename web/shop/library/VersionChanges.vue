<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { differences, type Difference } from '@jade/core/versions';
import { COMMON } from '@jade/words/common';
import { sayDifference, VERSION_CHANGES } from '@jade/words/library';
import EmptyNote from '../../design/EmptyNote.vue';
import { ask, Refused } from '../../ask/index.ts';
import RightGate from '../../session/RightGate.vue';

/** What differs between a document's newest version and an earlier one, and the way back to that one. */
const props = defineProps<{ kind: string; slug: string; version: number }>();
const emit = defineEmits<{ kept: [said: string] }>();
const open = ref(false);
/** What stands against the way back: why not, and what would be lost by it, which somebody can accept. */
const said = ref<readonly string[]>([]);
const losing = ref(false);
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
/** Takes the newest version back: the next one says what an earlier one said. Who began from another version than the newest is told. */
async function goBack(acceptLosses: boolean): Promise<void> {
  const { kind, slug, version } = props;
  const to = against.value;
  said.value = [];
  losing.value = false;
  try {
    const { document } = await ask<{ document: object }>(`/api/documents/${kind}/${slug}?version=${to}`);
    const taken = await ask<{ version: number }>(`/api/documents?basedOn=${version}${acceptLosses ? '&losses=accepted' : ''}`, document);
    emit('kept', VERSION_CHANGES.wentBack(taken.version, to));
  } catch (error) {
    losing.value = error instanceof Refused && error.more.losses === true;
    said.value = error instanceof Refused ? error.message.split('\n') : [COMMON.away(VERSION_CHANGES.theVersions)];
  }
}
watch([open, against, () => props.slug, () => props.version], async () => {
  found.value = undefined;
  said.value = [];
  losing.value = false;
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
      <ul v-else class="rows long" tabindex="0">
        <li v-for="(difference, index) in found" :key="index">
          <span class="mono">{{ difference.path.join(' › ') }}</span> <span>{{ sayDifference(difference) }}</span>
        </li>
      </ul>
      <RightGate v-if="found && found.length > 0" right="take in documents" quiet>
        <p class="soft">{{ VERSION_CHANGES.backWhy }}</p>
        <div v-if="said.length > 0" role="alert">
          <ul>
            <li v-for="line in said" :key="line">{{ line }}</li>
          </ul>
        </div>
        <div>
          <button type="button" class="push" @click="goBack(losing)">{{ losing ? VERSION_CHANGES.backAllTheSame(against) : VERSION_CHANGES.back(against) }}</button>
        </div>
      </RightGate>
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
