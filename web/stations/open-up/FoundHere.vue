<script setup lang="ts">
import { computed, ref } from 'vue';
import type { OpenStep } from '@jade/core/access';
import { planClosingOf, type Payloads } from '@jade/core/job';
import type { OpenLevel } from '@jade/core/vehicle';
import { sayGroup, sayWay } from '@jade/words/job';
import { inSentence, personMinutes } from '@jade/words/units';
import FormDialog from '../../design/FormDialog.vue';
import { useCurrentJob } from '../../job/current.ts';

/** Records what is different on this vehicle: a way that is not there, a bolt that will not move, or that the opening is given up. */
const props = defineProps<{ kind: 'leave' | 'blocked' | 'seized'; step?: OpenStep; blocked?: { place: string; level?: OpenLevel; way: string } }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();

const why = ref('');
const group = ref(props.step?.fasteners[0]?.id ?? '');
const seizedCount = ref(1);
const addMin = ref(context.value.rules.seizedMin ?? 0);

const onward = computed(() => job.plan?.personMin ?? 0);
const backward = computed(() => planClosingOf({ ...context.value, state: { ...job.state, left: 'asked' } }, undefined).personMin);
const TITLES = { leave: 'Back out', blocked: 'This way is blocked', seized: 'A fastener is seized' };
const ready = computed(() => {
  if (props.kind === 'seized') return group.value !== '' && seizedCount.value > 0 && addMin.value >= 0;
  return why.value.trim() !== '';
});

function record(): void {
  const { step } = props;
  if (props.kind === 'leave') void job.record('opening.left', { why: why.value.trim() });
  if (props.kind === 'blocked' && props.blocked) void job.record('way.blocked', { ...props.blocked, why: why.value.trim() });
  if (props.kind === 'seized' && step) {
    const piece = { piece: step.piece, group: group.value, count: Number(seizedCount.value), addMin: Number(addMin.value) };
    void job.record('fastener.seized', piece satisfies Payloads['fastener.seized']);
  }
  emit('close');
}
</script>

<template>
  <FormDialog :title="TITLES[kind]" :action="kind === 'leave' ? 'Back out' : 'Record it and plan again'" :ready="ready" @confirm="record" @close="emit('close')">
    <template v-if="kind === 'seized' && step">
      <p class="soft">{{ names.piece(step.piece) }}: heat and drills near wires, fuel or paint want cover and care. If another way is cheaper now, the plan takes it.</p>
      <v-select v-model="group" label="Which" :items="step.fasteners.map((entry) => ({ value: entry.id, title: `${sayGroup(entry)}, ${entry.place}` }))" />
      <div class="fields">
        <v-text-field v-model="seizedCount" label="How many" type="number" min="1" max="200" variant="outlined" hide-details />
        <v-text-field v-model="addMin" label="Minutes it will add" type="number" min="0" max="600" step="0.5" variant="outlined" hide-details />
      </div>
    </template>
    <template v-else-if="kind === 'leave'">
      <p>
        Going on costs {{ personMinutes(onward) }} more, opening and closing. Backing out now costs {{ personMinutes(backward) }} of closing; no kit is fitted and the plan turns to
        Close up.
      </p>
      <v-text-field v-model="why" autofocus label="Why, and who agreed" variant="outlined" hide-details />
    </template>
    <template v-else-if="blocked">
      <p class="soft">{{ names.place(blocked.place) }} {{ blocked.level ?? '' }}, {{ sayWay(blocked.way) }}. The plan is made again without this way, from what is off already.</p>
      <v-text-field v-model="why" autofocus :label="`What stands in the way of ${inSentence(names.place(blocked.place))}`" variant="outlined" hide-details />
    </template>
  </FormDialog>
</template>
