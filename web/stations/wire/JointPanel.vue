<script setup lang="ts">
import { computed } from 'vue';
import { emptyCavities, familyOf, pinLoads, type WireJoint } from '@jade/core/job';
import { wire } from '@jade/core/stations';
import { sayRefusal } from '@jade/words/stations';
import { MATE_WORDS, sayCavity, sayFeed, sayHowToJoin, sayMateTrouble, sayOnlyWhere, sayPinLoads, sayPlugVerdict, sayTap } from '@jade/words/wiring';
import { inSentence, millimetres, money } from '@jade/words/units';
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
const family = computed(() => familyOf(context.value, props.joint.vehiclePlug.family));
const loads = computed(() => pinLoads(context.value, props.joint));
const cavities = computed(() => emptyCavities(context.value, props.joint));
const currency = computed(() => job.view?.currency ?? '');
/** A contact put into an empty cavity, fed from a circuit. */
const put = (carries: string, circuit?: string) => job.perform(wire.populate(context.value, props.joint.kit.slug, props.joint.connection.id, carries, circuit));
const chain = computed(() => props.joint.between?.chain);
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
    <PlugFaces
      :from="chain ? 'lead' : 'vehicle'"
      :vehicle="face"
      :kit="joint.kitPlug"
      :mate="joint.mate"
      :label="`${joint.vehiclePlug.name} against ${joint.kitPlug.name}: ${MATE_WORDS[joint.mate.value]}`"
    />
    <p v-if="joint.tapped" :class="joint.mate.value === 'mates' ? 'good' : 'bad'">{{ sayTap(joint) }}</p>
    <p v-else :class="joint.mate.value === 'mates' ? 'good' : 'bad'">
      {{ MATE_WORDS[joint.mate.value] }}{{ joint.connection.adapter ? `, with ${inSentence(names.item(joint.kit.slug, joint.connection.adapter))}` : '' }}.
    </p>
    <p v-if="joint.verdict && joint.verdict.value !== 'works' && !chain" :class="joint.mate.value === 'mates' ? 'soft' : 'bad'">{{ sayPlugVerdict(joint.verdict) }}</p>
    <p v-if="chain && joint.between" class="line">
      <span>Between them, from the shelf, {{ money(chain.priceCents, currency) }} each: {{ chain.adapters.map(({ name }) => inSentence(name)).join(', then ') }}.</span>
      <span class="soft">The vehicle’s own plug is {{ joint.between.plug.family }} {{ joint.between.plug.keying }}; each lead’s pins are followed.</span>
    </p>
    <section v-for="cavity in cavities" :key="`${cavity.row} ${cavity.column}`" class="stack">
      <h3>Empty cavity</h3>
      <p>{{ sayCavity(cavity) }}</p>
      <button v-if="cavity.carries === 'ground'" type="button" class="push" @click="put(cavity.carries)">Contact put in and tugged, wire to a ground point</button>
      <template v-else>
        <p v-if="cavity.feeds.length === 0" class="bad">No circuit of this vehicle that may be used is live when it is wanted.</p>
        <ul class="feeds">
          <li v-for="feed in cavity.feeds" :key="feed.id" class="line">
            <span class="grow">{{ sayFeed(feed) }}</span>
            <button type="button" class="push small" @click="put(cavity.carries, feed.id)">Contact put in and tugged, fed from here</button>
          </li>
        </ul>
      </template>
    </section>
    <p v-if="!joint.tapped" :class="loads.some(({ ampere, permittedA }) => ampere > permittedA) ? 'bad' : 'soft'">{{ sayPinLoads(loads) }}</p>
    <p v-if="joint.onlyWhere" class="odd">{{ sayOnlyWhere(joint.onlyWhere, names.fact) }}</p>
    <ul v-if="joint.mate.troubles.length > 0">
      <li v-for="trouble in joint.mate.troubles" :key="trouble.code" class="bad">{{ sayMateTrouble(trouble) }}</li>
    </ul>
    <p class="soft">
      {{ sayHowToJoin(joint, family) }}<template v-if="leg"> Leg {{ millimetres(leg.lengthMm) }}.</template>
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
