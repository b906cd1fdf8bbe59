<script setup lang="ts">
import { computed } from 'vue';
import { beginning, copied, entryName, isWithin, pathOf, placeOf, valueAt, type Place } from '@jade/core/editing';
import { onOtherSide } from '@jade/core/vehicle';
import { CORRECT } from '@jade/words/editing';
import { useEditor } from './editor.ts';

/** The entries of a list, each open on demand: written in, copied, moved, taken out. */
const props = defineProps<{ of: string; place: Place; optional?: boolean }>();
const { form, book, document, faults, opened, set, insert, move, open } = useEditor();
const list = computed(() => {
  const value = valueAt(document.value, props.place);
  return Array.isArray(value) ? (value as unknown[]) : [];
});
const entries = computed(() =>
  list.value.map((entry, at) => {
    const place = [...props.place, at];
    return {
      entry,
      at,
      place,
      path: pathOf(place),
      name: entryName(entry) ?? CORRECT.entry(at),
      wrong: faults.value.filter((fault) => isWithin(placeOf(fault.path), place)).length,
    };
  }),
);
/** An entry that lies on one side of the vehicle. */
const sided = (entry: unknown) => ['left', 'right'].includes(String((entry as { side?: unknown }).side));

function add(): void {
  const at = list.value.length;
  insert(props.place, at, beginning(book, { is: 'record', of: props.of }));
  open([...props.place, at], true);
}
function copy(at: number): void {
  insert(props.place, at + 1, copied(list.value[at], list.value));
  open([...props.place, at + 1], true);
}
function takeOut(at: number): void {
  open([...props.place, at], false);
  // A list that may be left out is left out with its last entry.
  if (props.optional && list.value.length === 1) set(props.place, undefined);
  else set([...props.place, at], undefined);
}
</script>

<template>
  <div class="stack entries">
    <p v-if="entries.length === 0" class="soft">{{ CORRECT.empty }}</p>
    <details
      v-for="{ entry, at, place: own, path, name, wrong } in entries"
      :key="path"
      :data-path="path"
      :open="opened.has(path)"
      @toggle="(event) => open(own, (event.target as HTMLDetailsElement).open)"
    >
      <summary>
        {{ name }} <span v-if="wrong > 0" class="bad">{{ CORRECT.faultsIn(wrong) }}</span>
      </summary>
      <div v-if="opened.has(path)" class="stack body">
        <component :is="form" :of="of" :place="own" />
        <div class="line">
          <button type="button" class="push small" @click="copy(at)">{{ CORRECT.copyEntry }}</button>
          <button v-if="at > 0" type="button" class="push small" @click="move(props.place, at, at - 1)">{{ CORRECT.up }}</button>
          <button v-if="at < entries.length - 1" type="button" class="push small" @click="move(props.place, at, at + 1)">{{ CORRECT.down }}</button>
          <button v-if="sided(entry)" type="button" class="push small" @click="set(own, onOtherSide(entry as object))">{{ CORRECT.otherSide }}</button>
          <button type="button" class="push small" @click="takeOut(at)">{{ CORRECT.takeOut }}</button>
        </div>
      </div>
    </details>
    <div>
      <button type="button" class="push small" @click="add">{{ CORRECT.add }}</button>
    </div>
  </div>
</template>

<style scoped>
.entries {
  gap: 4px;
}

summary {
  cursor: pointer;
  padding: 6px 0;
  font-weight: 600;
}

.body {
  padding: 6px 0 14px 14px;
  border-left: 3px solid var(--jade);
}
</style>
