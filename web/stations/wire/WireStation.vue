<script setup lang="ts">
import { computed } from 'vue';
import { circuitLoads, standingOfVehicle, wireJoints, type WireJoint } from '@jade/core/job';
import { isRefused, wire } from '@jade/core/stations';
import { sayRefusal } from '@jade/words/stations';
import { MATE_WORDS, sayAdded, sayLoad, sayMateTrouble, sayOnlyWhere, sayStanding, sayWithdrawn } from '@jade/words/wiring';
import { inSentence, millimetres, stated } from '@jade/words/units';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import FuseWire from '../../design/drawings/FuseWire.vue';
import PlugFaces from '../../design/drawings/PlugFaces.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';

const { job, context, names } = useCurrentJob();
const joints = computed(() => wireJoints(context.value));
const loads = computed(() => circuitLoads(context.value));
const standing = computed(() => standingOfVehicle(context.value));
const clock = useClock();
const against = (joint: WireJoint) => wire.againstJoint(context.value, joint, clock.value).filter((refusal) => refusal.code !== 'already' && refusal.code !== 'does-not-mate');
const legOf = (lamp: string | undefined) => context.value.kits.flatMap((kit) => kit.legs).find((leg) => leg.lamp === lamp);
</script>

<template>
  <div class="stack">
    <CautionNote
      v-if="context.profile.highVoltage"
      text="High-voltage vehicle: orange cables stay untouched. Only the 12 V side, after the maker’s isolation procedure, by people qualified for it."
    />
    <EmptyNote v-if="joints.length === 0" kind="empty">No plug of this job meets the vehicle yet. Settle the facts at Match: they decide which plugs it has.</EmptyNote>
    <section v-for="load in loads" :key="load.circuit.id" class="leaf stack">
      <div class="line">
        <h2>{{ load.circuit.name }}</h2>
        <span class="soft"
          >fuse {{ load.circuit.fuse.slot }}, {{ stated(load.circuit.fuse.ratedA, 'A') }} · wire {{ load.circuit.wire.areaMm2 }} mm² × {{ load.circuit.wire.lengthM }} m</span
        >
      </div>
      <FuseWire :check="load.check" :slot-name="load.circuit.fuse.slot" :label="sayLoad(load.check)" />
      <p>{{ sayLoad(load.check) }}</p>
      <p v-if="load.acceptedA !== undefined" class="bad">{{ sayWithdrawn(load.acceptedA, load.check) }}</p>
      <div class="line">
        <button
          v-if="load.accepted || !isRefused(wire.acceptLoad(context, load.circuit.id))"
          type="button"
          class="push"
          :class="{ main: !load.accepted }"
          :disabled="load.accepted"
          @click="job.perform(wire.acceptLoad(context, load.circuit.id))"
        >
          {{ load.accepted ? 'Load accepted' : 'Accept this load' }}
        </button>
        <span class="soft">Added: {{ sayAdded(load.added) }}</span>
      </div>
    </section>
    <section v-if="standing" class="leaf stack">
      <h2>Standing</h2>
      <p>{{ sayStanding(standing) }}</p>
    </section>
    <section class="joints">
      <article v-for="joint in joints" :key="joint.connection.id" class="leaf stack">
        <div class="line">
          <h2>{{ joint.vehiclePlug.name }}</h2>
          <span class="soft">{{ joint.vehiclePlug.whereToLook }}</span>
        </div>
        <PlugFaces
          :vehicle="joint.vehiclePlug"
          :kit="joint.kitPlug"
          :mate="joint.mate"
          :label="`${joint.vehiclePlug.name} against ${joint.kitPlug.name}: ${MATE_WORDS[joint.mate.value]}`"
        />
        <p :class="joint.mate.value === 'mates' ? 'good' : 'bad'">
          {{ MATE_WORDS[joint.mate.value] }}{{ joint.connection.adapter ? `, with ${inSentence(names.item(joint.kit.slug, joint.connection.adapter))}` : '' }}.
        </p>
        <p v-if="joint.onlyWhere" class="asks">{{ sayOnlyWhere(joint.onlyWhere, names.fact) }}</p>
        <ul v-if="joint.mate.troubles.length > 0">
          <li v-for="trouble in joint.mate.troubles" :key="trouble.code" class="bad">{{ sayMateTrouble(trouble) }}</li>
        </ul>
        <p class="soft">
          Lock: {{ joint.vehiclePlug.lock }}.<template v-if="legOf(joint.kitPlug.lamp)"> Leg {{ millimetres(legOf(joint.kitPlug.lamp)?.lengthMm ?? 0) }}.</template> Push until it
          clicks, then pull once.
        </p>
        <button
          type="button"
          class="push"
          :class="{ main: !joint.joined }"
          :disabled="wire.againstJoint(context, joint, clock).length > 0"
          @click="job.perform(wire.join(context, joint.kit.slug, joint.connection.id, actedAt()))"
        >
          {{ joint.joined ? 'Joined and locked' : 'Joined, clicked, locked' }}
        </button>
        <p v-for="refusal in joint.joined ? [] : against(joint)" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</p>
      </article>
    </section>
  </div>
</template>

<style scoped>
.joints {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 400px), 1fr));
  gap: 14px;
}

.good {
  color: var(--jade);
  font-weight: 620;
}

.asks {
  color: var(--amber);
  font-weight: 620;
}

.bad {
  color: var(--red);
  font-weight: 620;
}
</style>
