<script setup lang="ts">
import { computed, ref } from 'vue';
import { kitsDropped, stackOfStep } from '@jade/core/job';
import { outCautions, stepCautions, testCautions } from '@jade/core/plan';
import { fit } from '@jade/core/stations';
import { FIT_FLOOR, OUT_DONE, sayFitStep, sayPassDone, TAKE_OUT } from '@jade/words/fit';
import { sayHelper } from '@jade/words/kit';
import { sayStack } from '@jade/words/gather';
import { sayRefusal } from '@jade/words/stations';
import CautionList from '../../design/CautionList.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import FloorFrame from '../../floor/FloorFrame.vue';
import ConsentAsk from '../../job/ConsentAsk.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import FailureAsk from '../../job/FailureAsk.vue';
import { useCurrentJob } from '../../job/current.ts';
import { useKitSheet, type KitSheet } from './kit-sheet.ts';

/** One pass of one fitting step, or one test, at a time. */
const { job, context, names } = useCurrentJob();
const clock = useClock();
const steps = computed(() => fit.floorSteps(context.value, clock.value));
const sheetOf = useKitSheet();
const failed = ref<{ kit: string; test: string }>();
/** Whether the bolt of a step still holds, in words; none of a step without one. */
function stackOf({ step }: fit.FitFloorStep & { kind: 'pass' }): string {
  const check = stackOfStep(context.value.profile, step);
  return check ? sayStack(check) : '';
}
/** What is said of a step as a whole: consent has its own place. */
const against = (step: fit.FitFloorStep) => step.against.filter(({ code }) => code !== 'consent-first');

/** What ends a step that takes something out, or holds bolts again. */
const actOf = (step: fit.FitFloorStep & { kind: 'out' | 'again' }) =>
  step.kind === 'out' ? fit.takenOut(context.value, step.out.kit, step.out.kind, step.out.id, actedAt()) : fit.rechecked(context.value, step.onVehicle.kit.slug, step.step.id);

/** Where a step is: of a kit that comes out again, where it sat. */
function drawn(step: fit.FitFloorStep): KitSheet | undefined {
  if (step.kind === 'test') return sheetOf(step.onVehicle, step.test.side);
  if (step.kind !== 'out') return sheetOf(step.onVehicle, step.step.side);
  const onVehicle = kitsDropped(context.value).find(({ kit }) => kit.slug === step.out.kit);
  return onVehicle && sheetOf(onVehicle, step.out.side);
}

function fail(note: string): void {
  if (failed.value) void job.perform(fit.tested(context.value, failed.value.kit, failed.value.test, false, actedAt(), note));
  failed.value = undefined;
}
</script>

<template>
  <FloorFrame :steps="steps" :say="(step) => sayFitStep(step, names)" :done="FIT_FLOOR.done" :picture-of="fit.pictured">
    <template #default="{ step }">
      <template v-if="step.kind === 'pass'">
        <p class="soft">{{ step.step.tool }} · {{ step.step.tighten }}</p>
        <CautionList :codes="stepCautions(context, step.onVehicle, step.step)" :own="[step.step.caution]" />
        <ConsentAsk v-if="step.step.irreversible" :about="{ kind: 'fit', kit: step.onVehicle.kit.slug, step: step.step.id }" />
        <p v-if="stackOf(step)">{{ stackOf(step) }}</p>
      </template>
      <template v-else-if="step.kind === 'out'">
        <p v-if="step.out.step" class="soft">{{ step.out.step.tool }}</p>
        <CautionList :codes="outCautions(context, step.out)" :own="[step.out.step?.caution]" />
      </template>
      <template v-else-if="step.kind === 'again'">
        <p class="soft">{{ step.step.tool }} · {{ step.step.tighten }}</p>
        <p>{{ TAKE_OUT.againWhy }}</p>
      </template>
      <template v-else>
        <p>{{ FIT_FLOOR.helper }} {{ sayHelper(step.onVehicle.kit, step.test) }}</p>
        <CautionList :codes="testCautions(step.onVehicle, step.test)" :own="[step.test.caution]" />
      </template>
    </template>
    <template #reach="{ step, end }">
      <p v-for="refusal in against(step)" :key="refusal.code" class="odd">{{ sayRefusal(refusal, names) }}</p>
      <button
        v-if="step.kind === 'pass'"
        type="button"
        class="push main big"
        :disabled="step.against.length > 0"
        @click="end(() => job.perform(fit.passed(context, step.onVehicle.kit.slug, step.step.id, step.pass, actedAt())))"
      >
        {{ sayPassDone(step.step, step.pass) }}
      </button>
      <button v-else-if="step.kind !== 'test'" type="button" class="push main big" :disabled="step.against.length > 0" @click="end(() => job.perform(actOf(step)))">
        {{ OUT_DONE[step.kind === 'out' ? step.out.kind : 'again'] }}
      </button>
      <template v-else>
        <button
          type="button"
          class="push main big"
          :disabled="step.against.length > 0"
          @click="end(() => job.perform(fit.tested(context, step.onVehicle.kit.slug, step.test.id, true, actedAt())))"
        >
          {{ FIT_FLOOR.works }}
        </button>
        <button type="button" class="push" :disabled="step.against.length > 0" @click="end(() => (failed = { kit: step.onVehicle.kit.slug, test: step.test.id }))">
          {{ step.failed ? FIT_FLOOR.failed : FIT_FLOOR.fails }}
        </button>
      </template>
    </template>
    <template #drawing="{ step }">
      <VehicleSheet v-if="drawn(step)" :profile="context.profile" v-bind="drawn(step) as KitSheet" :label="FIT_FLOOR.where" />
    </template>
  </FloorFrame>
  <FailureAsk v-if="failed" :of="failed" @written="fail" @close="failed = undefined" />
</template>
