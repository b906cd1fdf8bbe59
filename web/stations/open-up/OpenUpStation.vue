<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { levelRank, type OpenStep } from '@jade/core/access';
import { openingDone, targetMounts } from '@jade/core/job';
import type { Level } from '@jade/core/vehicle';
import { inSentence, minutes, personMinutes, plural } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import WayIn from '../../design/drawings/WayIn.vue';
import { frameAround, VIEWS, type View } from '../../design/geometry/outline.ts';
import { layWayIn } from '../../design/geometry/way-in.ts';
import { useCurrentJob } from '../../job/current.ts';
import StepPanel from './StepPanel.vue';

const { job, context, names } = useCurrentJob();
const view = ref<View>('front');
const picked = ref<string>();
const floor = ref(false);

const profile = computed(() => context.value.profile);
const plan = computed(() => job.plan);
const mounts = computed(() => {
  const ids = targetMounts(context.value);
  return profile.value.mounts.filter((mount) => ids.includes(mount.id));
});
const done = computed<OpenStep[]>(() =>
  job.state.moves.flatMap((move) => {
    const piece = profile.value.pieces.find((entry) => entry.id === move.piece);
    const level = piece?.levels.find((entry) => entry.level === move.level);
    if (!piece || !level) return [];
    const way = level.ways.find((entry) => entry.id === move.way) ?? level.ways[0];
    return [
      {
        slot: 0,
        piece: piece.id,
        from: move.from,
        level: move.level,
        way: way?.id ?? '',
        needs: way?.needs ?? [],
        side: piece.side,
        zone: piece.zone,
        people: level.people,
        minutes: level.openMin,
        tools: [],
        fasteners: [],
        sensors: [],
      },
    ];
  }),
);
const drawing = computed(() => layWayIn(profile.value, mounts.value, done.value, plan.value));
const settled = computed(() => openingDone(context.value));
const current = computed(() => plan.value?.steps.find((step) => step.piece === picked.value) ?? plan.value?.steps[0]);
const slotOffset = computed(() => done.value.length);

const pieces = computed(() => {
  const planned = new Set(plan.value?.steps.map((step) => step.piece));
  return profile.value.pieces
    .filter((piece) => (job.state.pieces[piece.id] ?? 'fitted') !== 'fitted' || planned.has(piece.id))
    .map((piece) => {
      const level: Level = job.state.pieces[piece.id] ?? 'fitted';
      const part = piece.id === current.value?.piece ? ('now' as const) : level !== 'fitted' ? ('done' as const) : ('planned' as const);
      return { piece, level, part };
    });
});
const part = computed(() =>
  frameAround(
    view.value,
    profile.value.measures,
    pieces.value.flatMap(({ piece }) => [0, 1].map((end) => ({ xMm: piece.box.xMm[end] ?? 0, yMm: piece.box.yMm[end] ?? 0, zMm: piece.box.zMm[end] ?? 0 }))),
    200,
    1000,
  ),
);

watch(plan, () => void (picked.value = undefined));

function why(step: OpenStep): string {
  const targets = plan.value?.neededBy[step.piece] ?? [];
  return targets.length > 0 ? `Needed for ${targets.map((target) => inSentence(names.value.mount(target))).join(' and ')}.` : 'The kit takes its place.';
}

/** A step can be done once all it needs is open. */
function ready(step: OpenStep): boolean {
  return step.needs.every((need) => levelRank(job.state.pieces[need.piece] ?? 'fitted') >= levelRank(need.level));
}

function move(step: OpenStep, counts: { group: string; count: number }[]): void {
  for (const sensor of step.sensors) void job.record('sensor.unplugged', { sensor });
  void job.record('piece.moved', { piece: step.piece, level: step.level, way: step.way, fasteners: counts });
  picked.value = undefined;
}
</script>

<template>
  <div class="stack">
    <div v-if="plan" class="line figures">
      <span v-if="!settled && !floor"
        ><strong>{{ personMinutes(plan.personMin) }}</strong> in and back,
        {{ plan.choice.proved ? 'proved least' : `at most ${personMinutes((plan.choice.total - plan.choice.lowerBound) / 100)} above the least` }}</span
      >
      <span v-if="!settled && !floor" class="soft"
        >opening {{ minutes(plan.openMin) }}, closing {{ minutes(plan.closeMin) }}, breakage allowance {{ minutes(plan.breakageMin) }}</span
      >
      <span v-if="settled"><strong>Everything is reachable.</strong> Go on with the wires.</span>
      <span class="grow" />
      <button type="button" class="push small" :aria-pressed="floor" @click="floor = !floor">{{ floor ? 'Whole plan' : 'Floor mode' }}</button>
    </div>
    <EmptyNote v-else kind="loading">Working out the least-labour way in…</EmptyNote>
    <ul v-if="plan && plan.problems.length > 0">
      <li v-for="problem in plan.problems" :key="problem.target" class="problem" role="alert">
        {{ names.mount(problem.target) }} cannot be reached by any way this profile knows. Measure at the vehicle and correct the profile.
      </li>
    </ul>
    <div v-if="!floor && plan" class="leaf">
      <WayIn v-if="drawing.bars.length > 0" :drawing="drawing" :picked="current?.piece" label="The way in, from outside to the targets" @pick="(piece) => (picked = piece)" />
      <EmptyNote v-else kind="empty">Nothing has to come off for this job.</EmptyNote>
    </div>
    <div class="pair" :class="{ floor }">
      <div v-if="!floor" class="leaf stack">
        <div class="line">
          <ChoiceRow label="View" small :choices="VIEWS.map((value) => ({ value, text: value }))" :value="view" @choose="(value) => (view = value)" />
          <span class="soft key"><i class="now" /> next <i class="planned" /> planned <i class="gone" /> open</span>
        </div>
        <VehicleSheet :profile="profile" :view="view" :part="part" :pieces="pieces" :label="`Pieces to open, from the ${view}`" @piece="(piece) => (picked = piece)" />
      </div>
      <div class="stack">
        <StepPanel
          v-if="current"
          :key="current.piece + current.level"
          :step="current"
          :slot-number="slotOffset + current.slot"
          :why="why(current)"
          :ready="ready(current)"
          :floor="floor"
          @done="(counts) => current && move(current, counts)"
        />
        <VehicleSheet v-if="floor && current" :profile="profile" :view="view" :part="part" :pieces="pieces" label="Where this step is" />
        <div v-if="!floor && plan && plan.steps.length > 0" class="leaf">
          <h2>{{ plural(plan.steps.length, 'step') }} to go</h2>
          <ol class="rows">
            <li v-for="step in plan.steps" :key="step.piece + step.level">
              <button type="button" class="push plain small step" :aria-pressed="current === step" @click="picked = step.piece">
                <span class="slot">{{ slotOffset + step.slot }}</span> {{ names.piece(step.piece) }} <span class="soft">{{ step.level }}</span>
              </button>
              <span class="soft">{{ minutes(step.minutes) }}{{ step.people > 1 ? `, ${step.people} people` : '' }}</span>
            </li>
          </ol>
          <p class="soft tools">Tools in the order first needed: {{ plan.tools.join(', ') || 'none' }}.</p>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.figures {
  font-size: 15.5px;
}

.grow {
  flex: 1;
}

.pair.floor {
  grid-template-columns: minmax(0, 1fr);
}

.key i {
  display: inline-block;
  width: 15px;
  height: 11px;
  margin: 0 3px 0 10px;
  border: 2px solid var(--ink);
}

.key .now {
  border-color: var(--amber);
  background: var(--amber-soft);
}

.key .gone {
  border-color: var(--jade);
  border-style: dashed;
}

.step {
  flex: 1;
  justify-content: flex-start;
  text-align: left;
}

.slot {
  min-width: 26px;
  font-family: var(--mono);
  font-weight: 600;
}

.tools {
  margin-top: 8px;
}

.problem {
  padding: 9px 12px;
  border-left: 5px solid var(--red);
  background: var(--red-soft);
}
</style>
