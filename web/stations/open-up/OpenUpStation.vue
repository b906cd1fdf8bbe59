<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, defineAsyncComponent, ref, shallowRef, useTemplateRef, watch } from 'vue';
import type { OpenStep } from '@jade/core/access';
import { goneForGood, suppliesNow, targetMounts, unplacedKits } from '@jade/core/job';
import { openingDone, openingUnknown, provingSide, schoolOf } from '@jade/core/plan';
import { openUp } from '@jade/core/stations';
import { hundredthsToMinutes } from '@jade/core/units';
import { layersOf, listedLevel, type Level, type OpenLevel, type SupplyId } from '@jade/core/vehicle';
import { sayOpening, sayTrouble, sayWithout } from '@jade/words/access';
import { DIFFERS } from '@jade/words/check-in';
import { FLOOR } from '@jade/words/floor';
import { FURTHER, OPEN_UP, sayLooked, sayNewKits, sayProved, saySetUp, sayWork } from '@jade/words/open-up';
import { sayTarget } from '@jade/words/subject';
import { inSentence, minutes } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import TwoLanes from '../../design/drawings/TwoLanes.vue';
import type { SheetPiece } from '../../design/drawings/sheet-pieces.ts';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import WayIn from '../../design/drawings/WayIn.vue';
import { frameAroundBoxes, viewOf, VIEWS, type View } from '../../design/geometry/outline.ts';
import { layWayIn, type DrawnStep } from '../../design/geometry/way-in.ts';
import { useDraft } from '../../drafts/index.ts';
import { useRoom } from '../../design/room.ts';
import OtherSteps from '../../floor/OtherSteps.vue';
import { useFloor } from '../floor.ts';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import { planner } from '../../workers/bridge.ts';
import IsolationUnknown from './IsolationUnknown.vue';
import OtherWays from './OtherWays.vue';
import StandLine from '../../job/StandLine.vue';
import PlanNews from './PlanNews.vue';
import ReachUnknown from './ReachUnknown.vue';
import StepPanel from './StepPanel.vue';
import ToolsAndParts from './ToolsAndParts.vue';

/** Forms that are seldom wanted. */
const AccessoryFound = defineAsyncComponent(() => import('../../job/AccessoryFound.vue'));
const FoundHere = defineAsyncComponent(() => import('./FoundHere.vue'));
const GoesFurther = defineAsyncComponent(() => import('./GoesFurther.vue'));
const HeldOtherwise = defineAsyncComponent(() => import('./HeldOtherwise.vue'));
const PieceCame = defineAsyncComponent(() => import('./PieceCame.vue'));
const VehiclesDiffer = defineAsyncComponent(() => import('../../job/VehiclesDiffer.vue'));
const TwinsAsk = defineAsyncComponent(() => import('./TwinsAsk.vue'));
const SupplyIsolated = defineAsyncComponent(() => import('./SupplyIsolated.vue'));

const { job, context, names } = useCurrentJob();
const chosenView = ref<View>();
const picked = ref<string>();
const floor = useFloor('open-up');
const finding = ref<'leave' | 'blocked' | 'seized'>();
const accessory = ref(false);
/** A piece that nobody has described is being written down; like another one where it is the same on the other side. */
const came = ref(false);
/** A piece that is open goes further than anybody has described. */
const going = ref(false);
/** A step whose piece is held otherwise than the profile says. */
const holding = shallowRef<OpenStep>();
/** What tells this vehicle from others is written down; of a piece that it lacks where one is named. */
const differing = ref<{ piece?: string }>();
/** A supply that is written down as isolated. */
const isolating = ref<SupplyId>();
const blocked = ref<{ place: string; level?: OpenLevel; way: string }>();
const sheet = useTemplateRef<HTMLElement>('sheet');
const room = useRoom(sheet, 860);

const profile = computed(() => context.value.profile);
const plan = computed(() => job.plan);
const mounts = computed(() => {
  const ids = targetMounts(context.value);
  return profile.value.mounts.filter((mount) => ids.includes(mount.id));
});
const done = computed<DrawnStep[]>(() =>
  job.state.moves.flatMap((move) => {
    const piece = profile.value.pieces.find((entry) => entry.id === move.piece);
    const level = piece && listedLevel(piece, move.level);
    if (!level) return [];
    const way = level.ways.find((entry) => entry.id === move.way) ?? level.ways[0];
    return [{ piece: move.piece, level: move.level, way: way?.id ?? '', needs: way?.needs ?? [], people: level.people, minutes: level.openMin }];
  }),
);
const drawing = computed(() => layWayIn(profile.value, mounts.value, done.value, plan.value, room.value));
/** Nobody has described what has to be open for a kit of the job. */
const unplaced = computed(() => unplacedKits(context.value).length > 0);
const settled = computed(() => job.state.left === undefined && openingDone(context.value));
const current = computed(() => plan.value?.steps.find((step) => step.piece === picked.value) ?? plan.value?.steps[0]);
/** What comes next once the step shown is done. */
const following = computed(() => openUp.nextAfter(plan.value, current.value));
/** What the plan opens though nobody has said that it had to be, by name. */
const onlySeen = computed(() => (plan.value ? openUp.onlySeen(context.value, plan.value).map((piece) => inSentence(names.value.piece(piece))) : []));
/** What of the plan is taken over from another kind, and nobody has opened on this one. */
const assumed = computed(() => (plan.value ? openUp.assumedIn(context.value, plan.value) : []));
const twice = computed(() => openUp.twins(context.value).length > 0);
const clock = useClock();
const against = computed(() => (plan.value && current.value ? openUp.against(context.value, plan.value, current.value, clock.value, isolation.value.by) : []));
/** Who isolates a supply, where that is for qualified people. */
const { draft: isolation, drop: isolated } = useDraft(
  () => `${job.view?.id}/isolation/open-up`,
  () => ({ by: '' }),
);
const waits = computed(() => suppliesNow(context.value).filter(({ deadAt }) => deadAt !== undefined && deadAt > clock.value));
/** Looked at from where the step is, until another view is chosen. */
const view = computed<View>(() => chosenView.value ?? viewOf(current.value?.zone ?? 'front'));
/** Every other step of the plan, for who looks for one. */
const otherSteps = computed(() =>
  (plan.value?.steps ?? []).filter((step) => step !== current.value).map((step) => ({ id: step.piece, text: `${names.value.piece(step.piece)} ${step.level}` })),
);
const slotOffset = computed(() => done.value.length);
const school = computed(() => schoolOf(context.value));
const people = computed(() => job.state.order?.people ?? 1);
const oneSide = computed(() => plan.value?.schools.oneSideFirst);
/** Kits of the job that the shop has not handed over yet, by name. */
const newKits = computed(() => (job.view?.newKits ?? []).map((kit) => names.value.kit(kit)));
/** What could still be saved where the plan is not proved least. */
const gapMin = computed(() => (plan.value ? plan.value.personMin - plan.value.leastPersonMin : 0));
/** Before which step the first side is fitted and tested; undefined once it is proved. */
const proveAfter = computed(() => (job.state.order?.side !== undefined && provingSide(context.value) === undefined ? undefined : plan.value?.proveAfter));
const progress = computed(() => (typeof job.planning === 'object' ? job.planning : undefined));

/** Nothing that is seen from here is described: that is not to say that there is nothing. */
const undescribed = computed(() => !profile.value.pieces.some(({ zone }) => viewOf(zone) === view.value));
const pieces = computed((): SheetPiece[] => {
  const planned = new Set(plan.value?.steps.map((step) => step.piece));
  const gone = new Set(goneForGood(context.value));
  return profile.value.pieces
    .filter((piece) => (job.state.pieces[piece.id] ?? 'fitted') !== 'fitted' || planned.has(piece.id))
    .map((piece) => {
      const level: Level = job.state.pieces[piece.id] ?? 'fitted';
      const part = piece.id === current.value?.piece ? 'now' : gone.has(piece.id) ? 'replaced' : level !== 'fitted' ? 'done' : 'planned';
      return { piece, level, part };
    });
});
const part = computed(() =>
  frameAroundBoxes(
    view.value,
    profile.value.measures,
    pieces.value.map(({ piece }) => piece.box),
    200,
    1000,
  ),
);

/** Whether the pieces are to be seen moved out, one layer behind the other. */
const out = ref(false);
const layers = computed(() => layersOf(profile.value.pieces));
/** Pieces of this view whose names stand beside the drawing: what is next, what is planned, what is open. */
const named = computed(() => {
  const ORDER = { now: 0, planned: 1, done: 2, replaced: 3, other: 4 };
  return pieces.value
    .filter(({ piece }) => viewOf(piece.zone) === view.value)
    .sort((a, b) => ORDER[a.part] - ORDER[b.part])
    .map(({ piece }) => piece.id);
});

watch(plan, () => void (picked.value = undefined));
watch(
  () => current.value?.zone,
  () => void (chosenView.value = undefined),
);

/** A step whose fasteners are said to be others begins its counts anew. */
const shownAs = ({ piece, level, fasteners }: OpenStep) => [piece, level, ...fasteners.map(({ id, count }) => `${id} ${count}`)].join('/');

function why(step: OpenStep): string {
  const targets = (plan.value?.neededBy[step.piece] ?? []).filter((target) => !target.startsWith('chosen/'));
  const needed = OPEN_UP.neededFor([...new Set(targets.map((target) => inSentence(sayTarget(target, names.value))))]);
  return `${needed} ${sayWithout(job.explanation?.withoutPiece[step.piece])}`;
}

function move(step: OpenStep, counts: { group: string; count: number }[]): void {
  if (plan.value) void job.perform(openUp.moved(context.value, plan.value, step, counts, actedAt(), isolation.value.by));
  if (step.isolates && job.refusals.length === 0) isolated();
  picked.value = undefined;
}

function block(place: string, way: string, level?: Level): void {
  blocked.value = { place, way, ...(level ? { level: level as OpenLevel } : {}) };
  finding.value = 'blocked';
}

function order(change: { school?: 'least set-up' | 'prove one side first'; people?: 1 | 2 }): void {
  void job.perform(openUp.chooseOrder(context.value, change));
}
</script>

<template>
  <div :class="floor ? 'on-floor' : 'stack'">
    <div v-if="plan" class="line figures">
      <template v-if="!settled && !floor && plan.steps.length > 0">
        <span
          ><strong>{{ sayWork(plan.personMin) }}</strong> {{ sayProved(plan.proved, gapMin) }}</span
        >
        <span class="soft">{{ sayOpening(plan.estimate) }}</span>
      </template>
      <span v-if="settled"
        ><strong>{{ OPEN_UP.reachable }}</strong> <router-link :to="{ name: 'station', params: { id: job.view?.id, station: 'wire' } }">{{ OPEN_UP.goOn }}</router-link></span
      >
      <span class="grow" />
      <button type="button" class="push small" @click="floor = !floor">{{ floor ? FLOOR.off : FLOOR.on }}</button>
    </div>
    <EmptyNote v-if="(!plan && !planner.failed) || progress" kind="loading"
      >{{ OPEN_UP.working }}
      <template v-if="progress">
        {{ sayLooked(progress.looked, hundredthsToMinutes(progress.best), hundredthsToMinutes(Math.max(0, progress.bound))) }}
        <button type="button" class="push small" @click="job.stopPlanning()">{{ OPEN_UP.take }}</button>
      </template>
    </EmptyNote>
    <p v-for="{ supply, deadAt } in waits" :key="supply.id" class="wait" role="status">
      <strong>{{ OPEN_UP.waiting(supply.name, dayjs(deadAt).format('HH:mm:ss')) }}</strong> {{ OPEN_UP.waitingWhy }}
    </p>
    <div v-if="job.state.left !== undefined" class="problem line" role="status">
      <span class="grow"
        ><strong>{{ OPEN_UP.left }}</strong> {{ OPEN_UP.leftThen(job.state.left) }}</span
      >
      <button type="button" class="push small" @click="job.record('opening.resumed', { why: 'taken up again at the vehicle' })">{{ OPEN_UP.resume }}</button>
    </div>
    <PlanNews v-if="job.changed && !floor && !(unplaced && plan?.steps.length === 0)" :key="job.changed.because" :told="job.changed" @seen="job.changed = undefined" />
    <ul v-if="plan && plan.problems.length > 0">
      <li v-for="problem in plan.problems" :key="sayTrouble(problem, names)" class="problem" role="alert">{{ sayTrouble(problem, names) }}</li>
    </ul>
    <p v-for="entry in assumed" :key="entry.of" class="heeded" role="status">{{ OPEN_UP.assumed(entry.pieces.length, plan?.steps.length ?? 0, entry.of) }}</p>
    <p v-if="!floor && onlySeen.length > 0" class="soft">{{ OPEN_UP.onlySeen(onlySeen) }}</p>
    <TwinsAsk v-if="twice" />
    <ReachUnknown v-if="plan" :planned="plan.steps.length > 0" @came="came = true" />
    <div v-show="!floor && plan && !(unplaced && drawing.bars.length === 0)" class="leaf">
      <div ref="sheet">
        <WayIn v-if="drawing.bars.length > 0" :drawing="drawing" :picked="current?.piece" :label="OPEN_UP.wayIn" @pick="(piece) => (picked = piece)" />
        <EmptyNote v-else-if="plan" kind="empty">{{ openingUnknown(context) ? OPEN_UP.notDescribed : OPEN_UP.nothing }}</EmptyNote>
      </div>
      <div v-if="plan && plan.steps.length > 1" class="line order">
        <ChoiceRow
          v-if="oneSide && people === 1"
          :label="OPEN_UP.order"
          small
          :choices="[
            { value: 'least set-up', text: OPEN_UP.leastSetUp(plan.schools.leastSetUpMin) },
            { value: 'prove one side first', text: OPEN_UP.oneSide(oneSide.side, oneSide.setUpMin + oneSide.cycleMin) },
          ]"
          :value="school"
          @choose="(value) => order({ school: value })"
        />
        <ChoiceRow
          :label="OPEN_UP.people"
          small
          :choices="[
            { value: '1', text: OPEN_UP.one },
            { value: '2', text: OPEN_UP.two },
          ]"
          :value="String(people)"
          @choose="(value) => order({ people: value === '2' ? 2 : 1 })"
        />
        <span v-if="context.newKit && newKits.length > 0 && !job.state.order && oneSide" class="soft">{{ sayNewKits(newKits) }}</span>
        <span class="soft">{{ saySetUp(plan.setUpMin, plan.waitMin, plan.lanes) }}</span>
      </div>
      <TwoLanes
        v-if="plan?.lanes && plan.steps.length > 0"
        :lanes="plan.lanes"
        :names="plan.steps.map((step) => names.piece(step.piece))"
        :first="slotOffset + 1"
        :room="room"
        :label="OPEN_UP.twoLanes"
      />
    </div>
    <div class="pair" :class="{ floor }">
      <div v-if="!floor || current" class="stack" :class="{ where: floor }">
        <div class="leaf stack">
          <div v-if="!floor" class="line">
            <ChoiceRow :label="OPEN_UP.view" small :choices="VIEWS.map((value) => ({ value, text: value }))" :value="view" @choose="(value) => (chosenView = value)" />
            <button type="button" class="push small" :aria-pressed="out" @click="out = !out">{{ OPEN_UP.out }}</button>
            <span class="soft key"
              ><i class="now" /> {{ OPEN_UP.next }} <i class="planned" /> {{ OPEN_UP.planned }} <i class="gone" /> {{ OPEN_UP.open }}
              <template v-if="pieces.some((entry) => entry.part === 'replaced')"><i class="replaced" /> {{ OPEN_UP.replaced }}</template>
              <template v-if="undescribed"><i class="unknown" /> {{ OPEN_UP.undescribed }}</template></span
            >
          </div>
          <VehicleSheet
            :profile="profile"
            :view="view"
            :part="part"
            :pieces="pieces"
            :undescribed="undescribed"
            :named="floor ? [] : named"
            :layers="!floor && out ? layers : undefined"
            :label="floor ? OPEN_UP.whereStep : OPEN_UP.whereAll(view)"
            @piece="(piece) => (picked = piece)"
          />
        </div>
        <OtherWays v-if="!floor && plan && plan.steps.length > 0" @blocked="block" />
      </div>
      <div class="stack">
        <StepPanel
          v-if="current"
          :key="shownAs(current)"
          v-model:by="isolation.by"
          :step="current"
          :slot-number="slotOffset + current.slot"
          :why="why(current)"
          :against="against"
          :floor="floor"
          :next="following"
          @done="(counts) => current && move(current, counts)"
          @blocked="block(current.piece, current.way, current.level)"
          @seized="finding = 'seized'"
          @otherwise="holding = current"
          @lacks="differing = { piece: current.piece }"
        />
        <div v-if="!floor && plan && plan.steps.length > 0" class="leaf">
          <h2>{{ OPEN_UP.toGo(plan.steps.length) }}</h2>
          <ol class="rows">
            <template v-for="(step, index) in plan.steps" :key="step.piece + step.level">
              <li v-if="proveAfter === index" class="prove">{{ OPEN_UP.prove(job.state.order?.side ?? oneSide?.side) }}</li>
              <li>
                <button type="button" class="push plain small step" :aria-pressed="current === step" @click="picked = step.piece">
                  <span class="slot">{{ slotOffset + step.slot }}</span> {{ names.piece(step.piece) }} <span class="soft">{{ step.level }}</span>
                </button>
                <span class="soft">{{ minutes(step.estimate.medianMin) }}{{ step.people > 1 ? OPEN_UP.several(step.people) : '' }}</span>
              </li>
            </template>
          </ol>
        </div>
        <IsolationUnknown v-if="!floor && job.state.left === undefined" @isolated="(supply) => (isolating = supply)" />
        <StandLine v-if="!floor" />
        <ToolsAndParts v-if="!floor && plan" />
        <div v-if="!floor" class="leaf line">
          <span class="grow soft">{{ OPEN_UP.different }}</span>
          <button type="button" class="push small" @click="accessory = true">{{ OPEN_UP.fitted }}</button>
          <button type="button" class="push small" @click="came = true">{{ OPEN_UP.cameBesides }}</button>
          <button v-if="openUp.canGoFurther(context).length > 0" type="button" class="push small" @click="going = true">{{ FURTHER.open }}</button>
          <button v-if="profile.pieces.length > 0" type="button" class="push small" @click="differing = {}">{{ DIFFERS.open }}</button>
          <button v-if="openUp.canLeave(context)" type="button" class="push small" @click="finding = 'leave'">{{ OPEN_UP.backOut }}</button>
        </div>
      </div>
    </div>
    <OtherSteps v-if="floor && plan" :steps="otherSteps" @pick="(id) => (picked = id)" />
    <AccessoryFound v-if="accessory" @close="accessory = false" />
    <PieceCame v-if="came" @close="came = false" @done="came = false" />
    <GoesFurther v-if="going" @close="going = false" />
    <HeldOtherwise v-if="holding" :step="holding" @close="holding = undefined" />
    <VehiclesDiffer v-if="differing" :piece="differing.piece" @close="differing = undefined" />
    <SupplyIsolated v-if="isolating" :supply="isolating" @close="isolating = undefined" />
    <FoundHere v-if="finding" :kind="finding" :step="current" :blocked="blocked" @close="finding = undefined" />
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
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
}

.pair.floor .where {
  order: 2;
}

@media (max-width: 900px) {
  .pair.floor {
    grid-template-columns: minmax(0, 1fr);
  }
}

.order {
  margin-top: 10px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
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

.key .planned {
  background: repeating-linear-gradient(-45deg, transparent 0 3px, var(--ink) 3px 4px);
}

.key .replaced {
  border-style: dotted dashed;
  background: repeating-linear-gradient(45deg, transparent 0 4px, var(--ink) 4px 5px), repeating-linear-gradient(-45deg, transparent 0 4px, var(--ink) 4px 5px);
}

.key .unknown {
  border-style: dotted;
  background: radial-gradient(circle, var(--ink-soft) 1px, transparent 1.5px) 0 0 / 6px 6px;
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

.prove {
  padding: 7px 10px;
  border-left: 5px solid var(--jade);
  background: var(--jade-soft);
  font-weight: 600;
}

.wait {
  padding: 9px 12px;
  border-left: 5px solid var(--amber);
  background: var(--amber-soft);
}
</style>
