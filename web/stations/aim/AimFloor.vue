<script setup lang="ts">
import { computed } from 'vue';
import type { LampAim } from '@jade/core/job';
import { aim } from '@jade/core/stations';
import { AIM_FLOOR, sayAimError, sayAimStep, sayByProfile, sayMark, sayPrepared, sayReferencePoint, sayRule } from '@jade/words/aiming';
import { aimCautions } from '@jade/core/plan';
import CautionList from '../../design/CautionList.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import AimWall, { type WallLamp } from '../../design/drawings/AimWall.vue';
import FloorFrame from '../../floor/FloorFrame.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';

/** One measure at a time: the wall, the floor, the height of a lamp, where it lands. */
defineProps<{ wall: WallLamp[] }>();
const emit = defineEmits<{ others: [lamp: string] }>();
const { job, context } = useCurrentJob();
const steps = computed(() => aim.floorSteps(context.value));
const rule = computed(() => aim.ruleHere(context.value));

const set = (part: Parameters<typeof aim.setWall>[1]) => void job.perform(aim.setWall(context.value, { rule: rule.value?.id, ...part }));
const read = ({ key }: LampAim, heightMm: number) => void job.perform(aim.measured(context.value, key, 'after', heightMm, actedAt()));
</script>

<template>
  <FloorFrame :steps="steps" :say="sayAimStep" :done="AIM_FLOOR.done" :picture-of="aim.pictured">
    <template #default="{ step }">
      <template v-if="step.kind === 'wall'">
        <p v-if="rule" class="soft">{{ sayRule(rule) }}</p>
      </template>
      <template v-else-if="step.kind === 'height'">
        <p>{{ sayByProfile(step.lamp.referenceMm) }}</p>
      </template>
      <template v-else-if="step.kind === 'read'">
        <p v-if="step.lamp.after" class="bad">{{ sayAimError(step.lamp.after) }}</p>
        <p v-if="step.lamp.mark">{{ sayMark(step.lamp.mark) }}</p>
        <CautionList :codes="aimCautions()" />
        <div>
          <button type="button" class="push" @click="emit('others', step.lamp.key)">{{ AIM_FLOOR.others }}</button>
        </div>
      </template>
    </template>
    <template #reach="{ step, end }">
      <button v-if="step.kind === 'prepare'" type="button" class="push main big" @click="end(() => job.perform(aim.prepare(context, { [step.what]: true })))">
        {{ sayPrepared(step.what) }}
      </button>
      <template v-else-if="step.kind === 'wall'">
        <MeasureEntry :label="AIM_FLOOR.distance" unit="mm" :least="500" :most="50000" @measured="(distanceMm) => set({ distanceMm })" />
        <button type="button" class="push big" @click="end(() => set({ distanceMm: 10_000 }))">{{ AIM_FLOOR.metres }}</button>
        <button type="button" class="push big" @click="end(() => set({ distanceMm: 7620 }))">{{ AIM_FLOOR.feet }}</button>
      </template>
      <template v-else-if="step.kind === 'floor'">
        <MeasureEntry :label="AIM_FLOOR.floor" unit="mm" :least="-1000" :most="1000" @measured="(floorAtWallMm) => set({ floorAtWallMm })" />
        <button type="button" class="push main big" @click="end(() => set({ floorAtWallMm: 0 }))">{{ AIM_FLOOR.level }}</button>
      </template>
      <MeasureEntry
        v-else-if="step.kind === 'height'"
        :key="step.id"
        :about="step.lamp.key"
        :label="sayReferencePoint(step.lamp.rule)"
        unit="mm"
        :least="50"
        :most="5000"
        @measured="(heightMm) => job.perform(aim.referenced(context, step.lamp.key, heightMm))"
      />
      <MeasureEntry
        v-else-if="step.kind === 'read'"
        :key="step.id"
        :about="step.lamp.key"
        :label="AIM_FLOOR.after"
        unit="mm"
        :least="-2000"
        :most="8000"
        :value="job.state.aims[step.lamp.key]?.after?.heightMm"
        @measured="(heightMm) => read(step.lamp, heightMm)"
      />
      <!-- Leaving the field writes it down: this is where the thumb goes to leave it. -->
      <button v-if="step.kind === 'height' || step.kind === 'read'" type="button" class="push main big">{{ AIM_FLOOR.record }}</button>
    </template>
    <template #drawing="{ step }">
      <AimWall v-if="wall.length > 0" :lamps="wall" :picked="step.kind === 'read' || step.kind === 'height' ? step.lamp.key : undefined" :label="AIM_FLOOR.drawing" />
    </template>
  </FloorFrame>
</template>
