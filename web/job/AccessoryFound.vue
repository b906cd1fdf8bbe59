<script setup lang="ts">
import { computed, ref } from 'vue';
import { DRIVES, SIDES, type Drive, type Side } from '@jade/core/vehicle';
import ChoiceRow from '../design/ChoiceRow.vue';
import FormDialog from '../design/FormDialog.vue';
import { useCurrentJob } from './current.ts';

/** Records something that an owner or another shop fitted: it comes off before the pieces it holds. */
const emit = defineEmits<{ close: [] }>();
const { job, context } = useCurrentJob();

const name = ref('');
const holds = ref<string[]>([]);
const side = ref<Side>('centre');
const drive = ref<Drive>('hex');
const size = ref('');
const count = ref(2);
const openMin = ref(5);
const closeMin = ref<number>();
const people = ref(1);

const pieces = computed(() => context.value.profile.pieces.filter((piece) => (job.state.pieces[piece.id] ?? 'fitted') === 'fitted'));
const ready = computed(() => name.value.trim() !== '' && holds.value.length > 0 && Number(openMin.value) > 0 && Number(count.value) >= 0);

function slug(text: string): string {
  const plain = text
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  const taken = new Set([...context.value.profile.pieces.map((piece) => piece.id), ...Object.keys(job.state.accessories)]);
  let id = `found-${plain || 'part'}`.slice(0, 70);
  for (let number = 2; taken.has(id); number++) id = `found-${plain}-${number}`;
  return id;
}

function record(): void {
  const held = context.value.profile.pieces.find((piece) => piece.id === holds.value[0]);
  void job.record('accessory.found', {
    accessory: slug(name.value),
    name: name.value.trim(),
    side: side.value,
    zone: held?.zone ?? 'front',
    holds: holds.value,
    openMin: Number(openMin.value),
    closeMin: Number(closeMin.value ?? openMin.value),
    people: Number(people.value),
    drive: drive.value,
    ...(size.value.trim() ? { size: size.value.trim() } : {}),
    count: Number(count.value),
  });
  emit('close');
}
</script>

<template>
  <FormDialog title="Something was fitted here" action="Record it and plan again" :ready="ready" @confirm="record" @close="emit('close')">
    <p class="soft">It comes off before the pieces it holds, and the plan is made again around it. Its own wires, weight and faults are looked at before it moves.</p>
    <v-text-field v-model="name" autofocus label="What it is" variant="outlined" hide-details />
    <v-select v-model="holds" label="Pieces it holds back" multiple :items="pieces.map((piece) => ({ value: piece.id, title: piece.name }))" />
    <ChoiceRow label="Side" small :choices="SIDES.map((value) => ({ value, text: value === 'centre' ? 'middle' : value }))" :value="side" @choose="(value) => (side = value)" />
    <div class="fields">
      <v-select v-model="drive" label="Its fasteners" :items="[...DRIVES]" />
      <v-text-field v-model="size" label="Size" variant="outlined" hide-details />
      <v-text-field v-model="count" label="How many" type="number" min="0" max="200" variant="outlined" hide-details />
      <v-text-field v-model="openMin" label="Minutes to take it off" type="number" min="0.5" max="600" step="0.5" variant="outlined" hide-details />
      <v-text-field
        label="Minutes to put it back"
        type="number"
        min="0"
        max="600"
        step="0.5"
        variant="outlined"
        hide-details
        :model-value="closeMin ?? openMin"
        @update:model-value="(value) => (closeMin = value === '' ? undefined : Number(value))"
      />
      <v-text-field v-model="people" label="People" type="number" min="1" max="6" variant="outlined" hide-details />
    </div>
  </FormDialog>
</template>
