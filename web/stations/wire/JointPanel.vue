<script setup lang="ts">
import { computed } from 'vue';
import type { WireJoint } from '@jade/core/job';
import { wire } from '@jade/core/stations';
import { sayRefusal } from '@jade/words/stations';
import { MATE_WORDS, sayHowToJoin, sayMateTrouble, sayOnlyWhere, sayPlugVerdict, sayTap } from '@jade/words/wiring';
import { inSentence, millimetres } from '@jade/words/units';
import PlugFaces from '../../design/drawings/PlugFaces.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';

/** One joint looked at closely: both faces from the wire side, what meets what, its locks. */
const props = defineProps<{ joint: WireJoint }>();
const { job, context, names } = useCurrentJob();
const clock = useClock();
const stands = computed(() => wire.againstJoint(context.value, props.joint, clock.value));
const said = computed(() => (props.joint.joined ? [] : stands.value.filter((refusal) => refusal.code !== 'already' && refusal.code !== 'does-not-mate')));
const leg = computed(() => props.joint.kit.legs.find((entry) => entry.lamp === props.joint.kitPlug.lamp));
/** Of a tap the one wire, else the whole face. */
const face = computed(() => {
  const { vehiclePlug, tapped } = props.joint;
  return tapped ? { ...vehiclePlug, rows: 1, columns: 1, pins: [{ ...tapped, row: 1, column: 1 }] } : vehiclePlug;
});
</script>

<template>
  <article class="leaf stack">
    <div class="line">
      <h2>{{ joint.vehiclePlug.name }}</h2>
      <span class="soft">{{ joint.vehiclePlug.whereToLook }}</span>
    </div>
    <PlugFaces :vehicle="face" :kit="joint.kitPlug" :mate="joint.mate" :label="`${joint.vehiclePlug.name} against ${joint.kitPlug.name}: ${MATE_WORDS[joint.mate.value]}`" />
    <p v-if="joint.tapped" :class="joint.mate.value === 'mates' ? 'good' : 'bad'">{{ sayTap(joint) }}</p>
    <p v-else :class="joint.mate.value === 'mates' ? 'good' : 'bad'">
      {{ MATE_WORDS[joint.mate.value] }}{{ joint.connection.adapter ? `, with ${inSentence(names.item(joint.kit.slug, joint.connection.adapter))}` : '' }}.
    </p>
    <p v-if="joint.verdict && joint.verdict.value !== 'works'" :class="joint.mate.value === 'mates' ? 'soft' : 'bad'">{{ sayPlugVerdict(joint.verdict) }}</p>
    <p v-if="joint.onlyWhere" class="odd">{{ sayOnlyWhere(joint.onlyWhere, names.fact) }}</p>
    <ul v-if="joint.mate.troubles.length > 0">
      <li v-for="trouble in joint.mate.troubles" :key="trouble.code" class="bad">{{ sayMateTrouble(trouble) }}</li>
    </ul>
    <p class="soft">
      {{ sayHowToJoin(joint) }}<template v-if="leg"> Leg {{ millimetres(leg.lengthMm) }}.</template>
    </p>
    <button
      type="button"
      class="push"
      :class="{ main: !joint.joined }"
      :disabled="stands.length > 0"
      @click="job.perform(wire.join(context, joint.kit.slug, joint.connection.id, actedAt()))"
    >
      <template v-if="joint.tapped">{{ joint.joined ? 'Tapped and sealed' : 'Tapped, pulled, sealed' }}</template>
      <template v-else>{{ joint.joined ? 'Joined and locked' : 'Joined, clicked, locked' }}</template>
    </button>
    <p v-for="refusal in said" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</p>
  </article>
</template>
