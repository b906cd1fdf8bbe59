<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { circuitKey, jointKey, standingOfVehicle, wireJoints, wirePicture } from '@jade/core/loom';
import { kitsUndescribed } from '@jade/core/job';
import { wire } from '@jade/core/stations';
import { pictureLanes } from '@jade/words/drawing';
import { sayStanding, WIRE_STATION } from '@jade/words/wiring';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import NotDescribed from '../../job/NotDescribed.vue';
import WirePicture from '../../design/drawings/WirePicture.vue';
import FloorSwitch from '../../floor/FloorSwitch.vue';
import { useCurrentJob } from '../../job/current.ts';
import CircuitPanel from './CircuitPanel.vue';
import GroundPoints from './GroundPoints.vue';
import JointPanel from './JointPanel.vue';
import JointList from './JointList.vue';
import KitWiring from './KitWiring.vue';
import LegRoutes from './LegRoutes.vue';
import LeftoverPlugs from './LeftoverPlugs.vue';
import { useFloor } from '../floor.ts';
import WatchedLamps from './WatchedLamps.vue';
import WireFloor from './WireFloor.vue';

const { context } = useCurrentJob();
const picture = computed(() => wirePicture(context.value));
const joints = computed(() => wireJoints(context.value));
const standing = computed(() => standingOfVehicle(context.value));

const floor = useFloor('wire');
const lanes = computed(() => pictureLanes(picture.value));

/** What wants an answer, in the order of the picture. */
const open = computed(() => wire.wantsAnswer(context.value));
const chosen = ref<string>();
const drawn = computed(() => lanes.value.flatMap(({ id, branches }) => [id, ...branches.map((branch) => branch.id)]));
const selected = computed(() => (chosen.value !== undefined && drawn.value.includes(chosen.value) ? chosen.value : (open.value[0] ?? lanes.value[0]?.id)));
/** What is before the eyes stays there, whatever wants an answer next. */
watch(selected, (id) => (chosen.value ??= id), { immediate: true });
const load = computed(() => picture.value.find((lane) => circuitKey(lane.load.circuit) === selected.value)?.load);
const joint = computed(() => joints.value.find((entry) => jointKey(entry) === selected.value));
const panel = ref<HTMLElement | null>(null);
/** What is chosen comes before the eyes where the picture is long. */
async function look(id: string): Promise<void> {
  chosen.value = id;
  await nextTick();
  panel.value?.scrollIntoView({ block: 'nearest' });
}
const next = computed(() => open.value.find((id) => id !== selected.value));
</script>

<template>
  <div class="stack">
    <FloorSwitch v-if="joints.length > 0" v-model="floor" />
    <CautionNote v-if="context.profile.highVoltage" :text="WIRE_STATION.highVoltage" />
    <KitWiring v-for="{ kit } in wire.kitsToWire(context)" :key="kit.slug" :kit="kit.slug" />
    <NotDescribed :what="'wired'" />
    <EmptyNote v-if="joints.length === 0 && kitsUndescribed(context, 'connections').length === 0" kind="empty">{{ WIRE_STATION.noPlug }}</EmptyNote>
    <template v-else-if="joints.length === 0" />
    <WireFloor v-else-if="floor" @whole="floor = false" />
    <template v-else>
      <section class="leaf">
        <WirePicture :lanes="lanes" :selected="selected" @select="look" />
      </section>
      <div ref="panel">
        <CircuitPanel v-if="load" :load="load" @look="look" />
        <JointPanel v-if="joint" :joint="joint" />
      </div>
      <button v-if="next" type="button" class="push next" @click="look(next)">{{ WIRE_STATION.next }}</button>
    </template>
    <WatchedLamps v-if="!floor" />
    <GroundPoints v-if="!floor" />
    <LegRoutes v-if="joints.length > 0 && !floor" />
    <LeftoverPlugs v-if="!floor" />
    <JointList v-if="joints.length > 0 && !floor" />
    <section v-if="standing && !floor" class="leaf stack">
      <h2>{{ WIRE_STATION.standing }}</h2>
      <p>{{ sayStanding(standing) }}</p>
    </section>
  </div>
</template>

<style scoped>
.next {
  justify-self: start;
}
</style>
