<script setup lang="ts">
import { computed, ref } from 'vue';
import { levelRank } from '@jade/core/access';
import { fitStepsOf, kitsOnVehicle, stackOfStep, testsOf } from '@jade/core/job';
import type { FitStep, Fitment, Kit, KitTest, Pass } from '@jade/core/kit';
import { sayStack } from '@jade/words/gather';
import { inSentence, minutes } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import CautionNote from '../../design/CautionNote.vue';
import VehicleSheet, { type SheetMark, type SheetPiece } from '../../design/drawings/VehicleSheet.vue';
import { frameAround, outerPieces, viewOfPlaces, type View } from '../../design/geometry/outline.ts';
import { useCurrentJob } from '../../job/current.ts';

const { job, context, names } = useCurrentJob();
const failedTest = ref<{ kit: string; test: string }>();
const WORDS: Record<Pass, string> = { start: 'Start all', align: 'Align', tighten: 'Tighten' };

const kits = computed(() =>
  kitsOnVehicle(context.value).map((onVehicle) => {
    const { kit, fitment } = onVehicle;
    const tests = testsOf(onVehicle);
    return { kit, steps: fitStepsOf(onVehicle), tests, sheet: sheetOf({ kit, fitment, tests }) };
  }),
);
const passed = (kit: Kit, step: FitStep) => job.state.passes[kit.slug]?.[step.id] ?? [];
const tested = (kit: Kit, test: KitTest) => job.state.tests[kit.slug]?.[test.id];

/** A pass opens when the one before it is done on every step of that side. */
function open(kit: Kit, steps: readonly FitStep[], step: FitStep, pass: Pass): boolean {
  const place = step.passes.indexOf(pass);
  const before = step.passes[place - 1];
  if (step.needs.some((need) => levelRank(job.state.pieces[need.piece] ?? 'fitted') < levelRank(need.level))) return false;
  return before === undefined || steps.filter((other) => other.side === step.side && other.passes.includes(before)).every((other) => passed(kit, other).includes(before));
}

/** Where the lamps of a kit sit, seen from the end of the vehicle that most of them are nearer to. */
function sheetOf({ kit, fitment, tests }: { kit: Kit; fitment?: Fitment; tests: KitTest[] }): {
  view: View;
  part: [number, number, number, number];
  pieces: SheetPiece[];
  marks: SheetMark[];
} {
  const { profile } = context.value;
  const places = (fitment?.mounts ?? []).flatMap(({ lamp, mount }) => {
    const place = profile.mounts.find((entry) => entry.id === mount);
    return place ? [{ lamp, at: place.at }] : [];
  });
  const view = viewOfPlaces(
    profile.measures,
    places.map((place) => place.at),
  );
  const marks = places.map(({ lamp, at }, index): SheetMark => {
    const own = tests.filter((test) => test.lamp === lamp);
    const result = own.map((test) => tested(kit, test));
    const tone = result.includes(false) ? 'fault' : own.length > 0 && result.every(Boolean) ? 'settled' : 'open';
    return { id: `${kit.slug}/${lamp}/${index}`, at, label: names.value.lamp(kit.slug, lamp), tone, word: tone === 'settled' ? 'tested' : undefined };
  });
  const pieces = outerPieces(profile, view).map((piece) => {
    const level = job.state.pieces[piece.id] ?? 'fitted';
    return { piece, level, part: level === 'fitted' ? ('other' as const) : ('done' as const) };
  });
  const part = frameAround(
    view,
    profile.measures,
    places.map((place) => place.at),
    450,
    1500,
  );
  return { view, part, pieces, marks };
}

const stackOf = (step: FitStep) => stackOfStep(context.value.profile, step);

const sayStackOf = (step: FitStep) => {
  const check = stackOf(step);
  return check ? sayStack(check) : '';
};

function fail(note: string): void {
  if (failedTest.value) void job.record('test.tried', { ...failedTest.value, passed: false, note });
  failedTest.value = undefined;
}
</script>

<template>
  <div class="stack">
    <div v-for="{ kit, steps, tests, sheet } in kits" :key="kit.slug" class="pair">
      <div class="stack">
        <div class="leaf"><VehicleSheet :profile="context.profile" v-bind="sheet" :label="`Where ${kit.name} sits`" /></div>
        <div class="leaf">
          <h2>Tests before anything covers them</h2>
          <ul class="rows">
            <li v-for="test in tests" :key="test.id">
              <div class="grow">
                <strong>{{ test.name }}</strong>
                <p class="soft">Helper: {{ test.helper }}</p>
              </div>
              <button type="button" class="push" :aria-pressed="tested(kit, test) === true" @click="job.record('test.tried', { kit: kit.slug, test: test.id, passed: true })">
                {{ tested(kit, test) === true ? 'Passed' : 'It works' }}
              </button>
              <button type="button" class="push" :class="{ failed: tested(kit, test) === false }" @click="failedTest = { kit: kit.slug, test: test.id }">
                {{ tested(kit, test) === false ? 'Failed' : 'It does not' }}
              </button>
              <CautionNote v-if="test.caution" :text="test.caution" />
            </li>
          </ul>
        </div>
      </div>
      <div class="leaf">
        <h2>{{ kit.maker }} {{ kit.name }}: fitting</h2>
        <p class="soft">Start every fastener of a side before aligning, align all before tightening.</p>
        <ol class="rows">
          <li v-for="step in steps" :key="step.id" class="step">
            <div class="grow">
              <strong>{{ step.name }}</strong>
              <p class="soft">{{ step.tool }} · {{ step.tighten }} · {{ minutes(step.minutes) }}</p>
            </div>
            <div class="passes" role="group" :aria-label="`Passes of ${step.name}`">
              <button
                v-for="pass in step.passes"
                :key="pass"
                type="button"
                class="push"
                :aria-pressed="passed(kit, step).includes(pass)"
                :disabled="!open(kit, steps, step, pass)"
                @click="!passed(kit, step).includes(pass) && job.record('step.passed', { kit: kit.slug, step: step.id, pass })"
              >
                {{ WORDS[pass] }}
              </button>
            </div>
            <p v-if="stackOf(step)" class="stack-line" :class="stackOf(step)?.value.replaceAll(' ', '-')">
              <strong v-if="step.under">Under {{ inSentence(names.piece(step.under.piece)) }}, {{ names.group(step.under.piece, step.under.group) }}.</strong>
              {{ sayStackOf(step) }}
            </p>
            <CautionNote v-if="step.caution" :text="step.caution" />
            <CautionNote v-if="step.irreversible" text="This cannot be undone: consent first." />
          </li>
        </ol>
      </div>
    </div>
    <AskText v-if="failedTest" title="The test failed" label="What it did" action="Record the failure" @written="fail" @close="failedTest = undefined" />
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
