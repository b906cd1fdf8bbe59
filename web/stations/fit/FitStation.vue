<script setup lang="ts">
import { computed, ref } from 'vue';
import { fitStepsOf, kitsOnVehicle, stackOfStep, testsOf, type KitOnVehicle } from '@jade/core/job';
import { stepCautions, testCautions } from '@jade/core/plan';
import type { FitStep, Kit, KitTest, Pass } from '@jade/core/kit';
import { closeUp, fit } from '@jade/core/stations';
import { saySwitch } from '@jade/words/closing';
import { FIT, FIT_FLOOR, sayPass } from '@jade/words/fit';
import { sayStack } from '@jade/words/gather';
import { sayHelper, sayTest } from '@jade/words/kit';
import { sayRefusal } from '@jade/words/stations';
import { minutes } from '@jade/words/units';
import CautionList from '../../design/CautionList.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import FailureAsk from '../../job/FailureAsk.vue';
import ConsentAsk from '../../job/ConsentAsk.vue';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import FloorSwitch from '../../floor/FloorSwitch.vue';
import { useFloor } from '../floor.ts';
import FitFloor from './FitFloor.vue';
import NotDescribed from '../../job/NotDescribed.vue';
import PlaceTwins from '../../job/PlaceTwins.vue';
import KitFitting from './KitFitting.vue';
import TakeOutList from './TakeOutList.vue';
import { useKitSheet } from './kit-sheet.ts';

const { job, context, names } = useCurrentJob();
const floor = useFloor('fit');
const sheetOf = useKitSheet();
const failedTest = ref<{ kit: string; test: string }>();

/** Kits of which nobody has described how they sit on this kind of vehicle. */
const undescribed = computed(() => fit.kitsToDescribe(context.value));
const placed = computed(() => kits.value.length > 0 || undescribed.value.length === 0);
const kits = computed(() =>
  kitsOnVehicle(context.value)
    .filter(({ kit, fitment }) => fitment !== undefined || !undescribed.value.some((entry) => entry.kit.slug === kit.slug))
    .map((onVehicle) => {
      const { kit } = onVehicle;
      const tests = testsOf(onVehicle);
      return { onVehicle, kit, steps: fitStepsOf(onVehicle), tests, sheet: sheetOf(onVehicle) };
    }),
);
const passed = (kit: Kit, step: FitStep) => job.state.passes[kit.slug]?.[step.id] ?? [];
const tested = (kit: Kit, test: KitTest) => job.state.tests[kit.slug]?.[test.id];

const clock = useClock();
/** What stands against a step as a whole, and against a test; said beside it. */
const againstStep = (onVehicle: KitOnVehicle, step: FitStep) => {
  const next = step.passes.find((pass) => !passed(onVehicle.kit, step).includes(pass));
  return next ? fit.againstPass(context.value, onVehicle, step, next, clock.value).filter((refusal) => refusal.code !== 'pass-first') : [];
};
const open = (onVehicle: KitOnVehicle, step: FitStep, pass: Pass) => fit.againstPass(context.value, onVehicle, step, pass, clock.value).length === 0;
const againstTest = (onVehicle: KitOnVehicle, test: KitTest) => fit.againstTest(context.value, onVehicle, test, clock.value);
/** A supply that is dead can be brought live here for a test, as far as nothing keeps it dead. */
const toEnliven = (onVehicle: KitOnVehicle, test: KitTest) => {
  const dead = againstTest(onVehicle, test).find((refusal) => refusal.code === 'supply-dead');
  return dead?.code === 'supply-dead' ? closeUp.supplySwitch(context.value, dead.supply, 'live') : undefined;
};

const stackOf = (step: FitStep) => stackOfStep(context.value.profile, step);

const sayStackOf = (step: FitStep) => {
  const check = stackOf(step);
  return check ? sayStack(check) : '';
};

const sayLive = (onVehicle: KitOnVehicle, test: KitTest) => {
  const step = toEnliven(onVehicle, test);
  return step && FIT.forTest(saySwitch(step, closeUp.switchCounts(context.value, step)));
};

function enliven(onVehicle: KitOnVehicle, test: KitTest): void {
  const step = toEnliven(onVehicle, test);
  if (step && job.closing) void job.perform(closeUp.switchSupply(context.value, job.closing, step));
}

function fail(note: string): void {
  if (failedTest.value) void job.perform(fit.tested(context.value, failedTest.value.kit, failedTest.value.test, false, actedAt(), note));
  failedTest.value = undefined;
}
</script>

<template>
  <div class="stack">
    <FloorSwitch v-if="placed" v-model="floor" />
    <PlaceTwins :list="'mounts'" />
    <KitFitting v-for="onVehicle in undescribed" :key="onVehicle.kit.slug" :on-vehicle="onVehicle" />
    <NotDescribed :what="'fitted'" />
    <FitFloor v-if="floor && placed" />
    <template v-else>
      <TakeOutList />
      <div v-for="{ onVehicle, kit, steps, tests, sheet } in kits" :key="kit.slug" class="pair">
        <div class="stack">
          <div class="leaf"><VehicleSheet :profile="context.profile" v-bind="sheet" :label="FIT.where(kit.name)" /></div>
          <div v-if="tests.length > 0" class="leaf">
            <h2>{{ FIT.tests }}</h2>
            <ul class="rows">
              <li v-for="test in tests" :key="test.id">
                <div class="grow">
                  <strong>{{ sayTest(kit, test) }}</strong>
                  <p class="soft">{{ FIT_FLOOR.helper }} {{ sayHelper(kit, test) }}</p>
                </div>
                <button
                  type="button"
                  class="push"
                  :aria-pressed="tested(kit, test) === true"
                  :disabled="tested(kit, test) === undefined && againstTest(onVehicle, test).length > 0"
                  @click="tested(kit, test) !== true && job.perform(fit.tested(context, kit.slug, test.id, true, actedAt()))"
                >
                  {{ tested(kit, test) === true ? FIT.passed : FIT_FLOOR.works }}
                </button>
                <button
                  type="button"
                  class="push"
                  :class="{ failed: tested(kit, test) === false }"
                  :disabled="tested(kit, test) === undefined && againstTest(onVehicle, test).length > 0"
                  @click="failedTest = { kit: kit.slug, test: test.id }"
                >
                  {{ tested(kit, test) === false ? FIT.failed : FIT_FLOOR.fails }}
                </button>
                <p v-for="refusal in tested(kit, test) ? [] : againstTest(onVehicle, test)" :key="refusal.code" class="why">{{ sayRefusal(refusal, names) }}</p>
                <button v-if="!tested(kit, test) && sayLive(onVehicle, test) && job.closing" type="button" class="push small" @click="enliven(onVehicle, test)">
                  {{ sayLive(onVehicle, test) }}
                </button>
                <CautionList :codes="testCautions(onVehicle, test)" :own="[test.caution]" />
              </li>
            </ul>
          </div>
        </div>
        <div class="leaf">
          <h2>{{ FIT.fitting(names.kit(kit.slug)) }}</h2>
          <p class="soft">{{ FIT.rule }}</p>
          <ol class="rows">
            <li v-for="step in steps" :key="step.id" class="step">
              <div class="grow">
                <strong>{{ step.name }}</strong>
                <p class="soft">{{ step.tool }} · {{ step.tighten }} · {{ minutes(step.minutes) }}</p>
              </div>
              <div class="passes" role="group" :aria-label="FIT.passes(step.name)">
                <button
                  v-for="pass in step.passes"
                  :key="pass"
                  type="button"
                  class="push"
                  :aria-pressed="passed(kit, step).includes(pass)"
                  :disabled="!passed(kit, step).includes(pass) && !open(onVehicle, step, pass)"
                  @click="!passed(kit, step).includes(pass) && job.perform(fit.passed(context, kit.slug, step.id, pass, actedAt()))"
                >
                  {{ sayPass(step, pass) }}
                </button>
              </div>
              <p v-for="refusal in againstStep(onVehicle, step)" :key="refusal.code" class="why">{{ sayRefusal(refusal, names) }}</p>
              <p v-if="stackOf(step)" class="stack-line" :class="stackOf(step)?.value.replaceAll(' ', '-')">
                <strong v-if="step.under">{{ FIT.under(names.piece(step.under.piece), names.group(step.under.piece, step.under.group)) }}</strong>
                {{ sayStackOf(step) }}
              </p>
              <PhotoRow :subject="{ kind: 'fit', kit: kit.slug, step: step.id }" bare />
              <CautionList :codes="stepCautions(context, onVehicle, step)" :own="[step.caution]" />
              <ConsentAsk v-if="step.irreversible" :about="{ kind: 'fit', kit: kit.slug, step: step.id }" />
            </li>
          </ol>
        </div>
      </div>
    </template>
    <FailureAsk v-if="failedTest" :of="failedTest" @written="fail" @close="failedTest = undefined" />
  </div>
</template>

<style scoped>
.stack-line {
  flex-basis: 100%;
  padding: 4px 0 4px 10px;
  border-left: 4px solid var(--jade);
}

.stack-line.too-short,
.stack-line.comes-through,
.stack-line.ask-the-maker {
  border-left-color: var(--amber);
  background: var(--amber-soft);
}

.why {
  flex-basis: 100%;
  padding: 4px 0 4px 10px;
  border-left: 4px solid var(--line-strong);
}

.step {
  padding: 12px 0;
}

.passes {
  display: flex;
  gap: 6px;
}

.failed {
  background: var(--red-soft);
  border-color: var(--red);
}
</style>
