<script setup lang="ts">
import { computed, ref } from 'vue';
import { standingOfVehicle, wireJoints, wirePicture, type WireJoint } from '@jade/core/job';
import { wire } from '@jade/core/stations';
import { sayEnds, sayGuard, sayJoint, sayLoad, sayStanding } from '@jade/words/wiring';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import WirePicture, { type PictureLane } from '../../design/drawings/WirePicture.vue';
import { useCurrentJob } from '../../job/current.ts';
import CircuitPanel from './CircuitPanel.vue';
import JointPanel from './JointPanel.vue';
import WatchedLamps from './WatchedLamps.vue';

const { context } = useCurrentJob();
const picture = computed(() => wirePicture(context.value));
const joints = computed(() => wireJoints(context.value));
const standing = computed(() => standingOfVehicle(context.value));

const ofJoint = ({ kit, connection }: WireJoint) => `joint:${kit.slug}/${connection.id}`;
const stateOf = ({ joined, mate }: WireJoint) => (mate.value !== 'mates' ? 'wrong' : joined ? 'joined' : 'open');
const DRAWN = { carries: 'carries', warn: 'warn', refuse: 'refuse', never: 'refuse' } as const;
const lanes = computed(() =>
  picture.value.map((lane): PictureLane => {
    const { load, contact, branches } = lane;
    return {
      id: `circuit:${load.circuit.id}`,
      guard: sayGuard(lane),
      ...(contact ? { contact: `${contact.name}, contact` } : {}),
      state: DRAWN[load.check.verdict],
      settled: load.accepted,
      label: `${load.circuit.name}: ${sayLoad(load.check)}`,
      branches: branches.map((branch) => ({
        id: branch.joint ? ofJoint(branch.joint) : `${load.circuit.id}:laid`,
        ...(branch.joint ? { joint: sayJoint(branch.joint) } : {}),
        ends: sayEnds(branch),
        ...(branch.pin?.colour ? { colour: branch.pin.colour } : {}),
        coil: branch.ends === 'coil',
        state: branch.joint ? stateOf(branch.joint) : 'joined',
        label: branch.joint ? `${sayJoint(branch.joint)}: ${sayEnds(branch)}` : sayEnds(branch),
      })),
    };
  }),
);

/** What wants an answer, in the order of the picture. */
const open = computed(() => wire.wantsAnswer(context.value));
const chosen = ref<string>();
const selected = computed(() => chosen.value ?? open.value[0] ?? lanes.value[0]?.id);
const load = computed(() => picture.value.find((lane) => `circuit:${lane.load.circuit.id}` === selected.value)?.load);
const joint = computed(() => joints.value.find((entry) => ofJoint(entry) === selected.value));
/** A tap keeps what it was on before the eyes, whatever wants an answer next. */
const keep = () => (chosen.value = selected.value);
const next = computed(() => open.value.find((id) => id !== selected.value));
</script>

<template>
  <div class="stack">
    <CautionNote
      v-if="context.profile.highVoltage"
      text="High-voltage vehicle: orange cables stay untouched. Only the 12 V side, after the maker’s isolation procedure, by people qualified for it."
    />
    <EmptyNote v-if="joints.length === 0" kind="empty">No plug of this job meets the vehicle yet. Settle the facts at Match: they decide which plugs it has.</EmptyNote>
    <template v-else>
      <section class="leaf">
        <WirePicture :lanes="lanes" :selected="selected" @select="(id) => (chosen = id)" />
      </section>
      <div @click.capture="keep">
        <CircuitPanel v-if="load" :load="load" />
        <JointPanel v-if="joint" :joint="joint" />
      </div>
      <button v-if="next" type="button" class="push next" @click="chosen = next">Next in the picture</button>
    </template>
    <WatchedLamps />
    <section v-if="standing" class="leaf stack">
      <h2>Standing</h2>
      <p>{{ sayStanding(standing) }}</p>
    </section>
  </div>
</template>

<style scoped>
.next {
  justify-self: start;
}
</style>
