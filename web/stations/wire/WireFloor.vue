<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { jointCautions, legCautions } from '@jade/core/plan';
import { legOf } from '@jade/core/loom';
import { isRefused, wire } from '@jade/core/stations';
import { sayRefusal } from '@jade/words/stations';
import {
  CHECK_WORDS,
  sayAlong,
  sayFirst,
  sayLed,
  sayLedCaution,
  sayLeftover,
  sayLegUse,
  sayLoad,
  sayMade,
  sayPath,
  sayPlugVerdict,
  sayTap,
  sayWhereToLook,
  sayWireStep,
  WIRE_FLOOR,
} from '@jade/words/wiring';
import { inSentence } from '@jade/words/units';
import CautionList from '../../design/CautionList.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import { useSecondTap } from '../../floor/second-tap.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import EmptyCavities from './EmptyCavities.vue';
import JointFaces from './JointFaces.vue';
import PlugWork from './PlugWork.vue';

/** One step of Wire at a time, for gloves: what meets what, what is looked at, done. */
const emit = defineEmits<{ whole: [] }>();
const { job, context, names } = useCurrentJob();
const clock = useClock();
const steps = computed(() => wire.floorSteps(context.value, clock.value));
const picked = ref<string>();
const current = computed(() => steps.value.find(({ id }) => id === picked.value) ?? steps.value[0]);
const following = computed(() => steps.value[steps.value.findIndex(({ id }) => id === current.value?.id) + 1]);
const others = computed(() => steps.value.filter(({ id }) => id !== current.value?.id));
const against = computed(() => (current.value && 'against' in current.value ? current.value.against : []));
const caution = computed(() => (current.value?.kind === 'join' ? sayLedCaution(current.value.joint, context.value.rules.electrics) : undefined));
const acceptable = computed(() => current.value?.kind === 'settle' && !isRefused(wire.acceptLoad(context.value, current.value.load.circuit.id)));
const pictured = computed(() => current.value && wire.pictured(context.value, current.value));
const meant = useSecondTap(() => current.value?.id);

const list = ref<HTMLDetailsElement | null>(null);
const shown = ref<HTMLElement | null>(null);
/** Another step comes before the eyes, and the list of them goes. */
async function pick(id: string | undefined): Promise<void> {
  picked.value = id;
  if (list.value) list.value.open = false;
  await nextTick();
  shown.value?.scrollIntoView({ block: 'nearest' });
}

function done(): void {
  const step = current.value;
  if (!step || !meant.value) return;
  if (step.kind === 'join') void job.perform(wire.join(context.value, step.joint.kit.slug, step.joint.connection.id, actedAt()));
  if (step.kind === 'settle') void job.perform(wire.acceptLoad(context.value, step.load.circuit.id));
  if (step.kind === 'lay') void job.perform(wire.layLeg(context.value, step.route.kit, legOf(context.value, step.route), step.route.path?.id));
  if (step.kind === 'cap') void job.perform(wire.cap(context.value, step.left.plug.id, step.left.kit?.slug));
}
</script>

<template>
  <div class="on-floor">
    <EmptyNote v-if="!current" kind="empty">{{ WIRE_FLOOR.allDone }}</EmptyNote>
    <article v-else ref="shown" class="leaf step" aria-live="polite">
      <h2>{{ sayWireStep(current, names.lamp) }}</h2>
      <template v-if="current.kind === 'join'">
        <p class="soft">{{ sayWhereToLook(current.joint) }}</p>
        <JointFaces v-if="!current.joint.plugless" :joint="current.joint" />
        <p v-if="current.joint.tapped" :class="current.joint.mate.value === 'mates' ? 'good' : 'bad'">{{ sayTap(current.joint) }}</p>
        <p v-else-if="current.joint.verdict && current.joint.mate.value !== 'mates'" class="bad">{{ sayPlugVerdict(current.joint.verdict) }}</p>
        <p v-if="!current.joint.plugless && current.joint.led.length > 0">{{ sayLed(current.joint) }}</p>
        <CautionList :codes="jointCautions(context, current.joint)" :own="[caution]" />
        <p>{{ sayFirst(current.joint) }}</p>
        <ul class="checks">
          <li v-for="check in current.checks" :key="check">{{ CHECK_WORDS[check].look }}</li>
        </ul>
      </template>
      <template v-else-if="current.kind === 'prove'">
        <p>{{ WIRE_FLOOR.notProved(current.pins.length) }}</p>
        <JointFaces :joint="current.joint" />
      </template>
      <EmptyCavities v-else-if="current.kind === 'populate'" :joint="current.joint" />
      <PlugWork v-else-if="current.kind === 'repin' || current.kind === 'wires'" :joint="current.joint" />
      <p v-else-if="current.kind === 'cap'">{{ sayLeftover(current.left) }}</p>
      <template v-else-if="current.kind === 'lay'">
        <template v-if="current.route.path">
          <CautionList :codes="legCautions(current.route)" />
          <p>{{ sayPath(current.route.path) }}.</p>
          <p>{{ sayLegUse(current.route) }}</p>
          <ul class="checks">
            <li v-for="text in sayAlong(current.route.path)" :key="text">{{ text }}</li>
            <li>{{ WIRE_FLOOR.layHow }}</li>
          </ul>
        </template>
      </template>
      <p v-else-if="current.kind === 'settle'">{{ sayLoad(current.load.check) }}</p>
      <div class="reach">
        <p v-for="refusal in against" :key="refusal.code" class="odd">{{ sayRefusal(refusal, names) }}</p>
        <button v-if="current.kind === 'join'" type="button" class="push main big" :disabled="against.length > 0" @click="done">
          {{ sayMade(current.joint, current.checks) }}
        </button>
        <button v-else-if="current.kind === 'lay'" type="button" class="push main big" :disabled="against.length > 0" @click="done">{{ WIRE_FLOOR.lay }}</button>
        <button v-else-if="current.kind === 'cap'" type="button" class="push main big" :disabled="against.length > 0" @click="done">{{ WIRE_FLOOR.capped }}</button>
        <template v-else-if="current.kind === 'prove'">
          <router-link class="push main big" :to="{ name: 'station', params: { id: job.view?.id, station: 'probe' } }">{{ WIRE_FLOOR.prove }}</router-link>
          <button type="button" class="push big" @click="pick(following?.id)">{{ WIRE_FLOOR.later }}</button>
        </template>
        <button v-else-if="current.kind === 'wires' && current.by === 'another source'" type="button" class="push main big" @click="emit('whole')">
          {{ WIRE_FLOOR.toPicture }}
        </button>
        <template v-else-if="current.kind === 'settle'">
          <button v-if="acceptable" type="button" class="push main big" @click="done">{{ WIRE_FLOOR.accept }}</button>
          <button type="button" class="push big" :class="{ main: !acceptable }" @click="emit('whole')">{{ WIRE_FLOOR.toPicture }}</button>
        </template>
      </div>
      <PhotoRow v-if="pictured" :key="current.id" :subject="pictured" large />
      <p v-if="following" class="soft">{{ WIRE_FLOOR.then(inSentence(sayWireStep(following, names.lamp))) }}</p>
    </article>
    <details v-if="others.length > 0" ref="list" class="leaf">
      <summary>{{ WIRE_FLOOR.another }}</summary>
      <ul>
        <li v-for="step in others" :key="step.id">
          <button type="button" class="push plain big" @click="pick(step.id)">{{ sayWireStep(step, names.lamp) }}</button>
        </li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 9px;
  border-top: 5px solid var(--amber);
}

.checks {
  display: grid;
  gap: 4px;
  padding-left: 20px;
  list-style: square;
  font-weight: 620;
}

.reach p {
  margin: 0;
}

summary {
  cursor: pointer;
  align-content: center;
  font-weight: 620;
}
</style>
