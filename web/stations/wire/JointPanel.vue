<script setup lang="ts">
import { computed } from 'vue';
import { familyOf, jointChecks, overloadedPins, pinLoads, type WireJoint } from '@jade/core/loom';
import { jointCautions } from '@jade/core/plan';
import { wire } from '@jade/core/stations';
import { sayRefusal } from '@jade/words/stations';
import { JOINT_PANEL, MATE_WORDS, sayHowToJoin, sayLed, sayLedCaution, sayMade, sayMateTrouble, sayOnlyWhere, sayPinLoads, sayPlugVerdict, sayTap } from '@jade/words/wiring';
import { inSentence, millimetres, money } from '@jade/words/units';
import CautionList from '../../design/CautionList.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import EmptyCavities from './EmptyCavities.vue';
import JointFaces from './JointFaces.vue';
import PlugWork from './PlugWork.vue';
import SourceChoice from './SourceChoice.vue';

/** One joint looked at closely: both faces from the wire side, what meets what, its locks. */
const props = defineProps<{ joint: WireJoint }>();
const { job, context, names } = useCurrentJob();
const clock = useClock();
const stands = computed(() => wire.againstJoint(context.value, props.joint, clock.value));
const said = computed(() => (props.joint.joined ? [] : stands.value.filter((refusal) => refusal.code !== 'already' && refusal.code !== 'does-not-mate')));
const leg = computed(() => props.joint.kit.legs.find((entry) => entry.lamp === props.joint.kitPlug.lamp));
const family = computed(() => familyOf(context.value, props.joint.vehiclePlug.family));
const caution = computed(() => sayLedCaution(props.joint, context.value.rules.electrics));
const loads = computed(() => pinLoads(context.value, props.joint));
const currency = computed(() => job.view?.currency ?? '');
const checks = computed(() => jointChecks(context.value, props.joint));
const chain = computed(() => props.joint.between?.chain);
</script>

<template>
  <article class="leaf stack">
    <div class="line">
      <h2>{{ joint.vehiclePlug.name }}</h2>
      <span class="soft">{{ joint.vehiclePlug.whereToLook }}</span>
    </div>
    <JointFaces v-if="!joint.plugless" :joint="joint" />
    <p v-if="joint.plugless || joint.led.length > 0">{{ sayLed(joint) }}</p>
    <CautionList :codes="jointCautions(context, joint)" :own="[caution]" />
    <p v-if="joint.plugless" class="good">{{ JOINT_PANEL.noPlug }}</p>
    <p v-else-if="joint.tapped" :class="joint.mate.value === 'mates' ? 'good' : 'bad'">{{ sayTap(joint) }}</p>
    <p v-else :class="joint.mate.value === 'mates' ? 'good' : 'bad'">
      {{ MATE_WORDS[joint.mate.value] }}{{ joint.connection.adapter ? JOINT_PANEL.with(inSentence(names.item(joint.kit.slug, joint.connection.adapter))) : '' }}.
    </p>
    <p v-if="joint.verdict && joint.verdict.value !== 'works' && !chain" :class="joint.mate.value === 'mates' ? 'soft' : 'bad'">{{ sayPlugVerdict(joint.verdict) }}</p>
    <p v-if="chain && joint.between" class="line">
      <span>{{
        JOINT_PANEL.between(
          money(chain.priceCents, currency),
          chain.adapters.map(({ name }) => inSentence(name)),
        )
      }}</span>
      <span class="soft">{{ JOINT_PANEL.ownPlug(joint.between.plug.family, joint.between.plug.keying) }}</span>
    </p>
    <EmptyCavities :joint="joint" />
    <PlugWork :joint="joint" />
    <p v-if="!joint.tapped && !joint.plugless" :class="overloadedPins(context, joint).length > 0 ? 'bad' : 'soft'">{{ sayPinLoads(loads) }}</p>
    <p v-if="joint.onlyWhere" class="odd">{{ sayOnlyWhere(joint.onlyWhere, names.fact) }}</p>
    <ul v-if="joint.mate.troubles.length > 0">
      <li v-for="trouble in joint.mate.troubles" :key="trouble.code" class="bad">{{ sayMateTrouble(trouble) }}</li>
    </ul>
    <p class="soft">
      {{ sayHowToJoin(joint, family) }}<template v-if="leg"> {{ JOINT_PANEL.leg(millimetres(leg.lengthMm)) }}</template>
    </p>
    <button
      type="button"
      class="push"
      :class="{ main: !joint.joined }"
      :disabled="stands.length > 0"
      @click="job.perform(wire.join(context, joint.kit.slug, joint.connection.id, actedAt()))"
    >
      <template v-if="joint.joined">{{ joint.tapped ? JOINT_PANEL.tapped : joint.plugless ? JOINT_PANEL.wires : JOINT_PANEL.joined }}</template>
      <template v-else>{{ sayMade(joint, checks) }}</template>
    </button>
    <p v-for="refusal in said" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</p>
    <PhotoRow :subject="{ kind: 'joint', kit: joint.kit.slug, connection: joint.connection.id }" />
    <SourceChoice :joint="joint" :open="joint.verdict?.value === 'no plug'" />
  </article>
</template>
