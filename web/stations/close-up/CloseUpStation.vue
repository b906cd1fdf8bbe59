<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue';
import { piecesBack, type ClosingStep, type SupplyStep } from '@jade/core/closing';
import { LONGEST_TEXT } from '@jade/core/events';
import { openingDone } from '@jade/core/plan';
import { traySlots } from '@jade/core/paper';
import { closeUp, raisedAt } from '@jade/core/stations';
import { key } from '@jade/core/subject';
import { sayEstimate } from '@jade/words/access';
import {
  CLOSE_UP_STATION,
  PLACES_EMPTY,
  sayCloseTrouble,
  sayLeftInTray,
  sayNewIn,
  sayOldIn,
  sayPlacesEmpty,
  sayPutBack,
  saySupplyStep,
  saySwitch,
  TRAY_OF_STEP,
} from '@jade/words/closing';
import { COMMON } from '@jade/words/common';
import { sayThen } from '@jade/words/floor';
import { sayGroup } from '@jade/words/names';
import { saySubject } from '@jade/words/subject';
import { inSentence } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import WordsField from '../../design/WordsField.vue';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import TwoLanes from '../../design/drawings/TwoLanes.vue';
import TrayDrawing from '../../design/drawings/TrayDrawing.vue';
import { useDraft } from '../../drafts/index.ts';
import FloorSwitch from '../../floor/FloorSwitch.vue';
import OtherSteps from '../../floor/OtherSteps.vue';
import { useRoom } from '../../design/room.ts';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PrintLabels from '../../job/PrintLabels.vue';
import StandLine from '../../job/StandLine.vue';
import { useFloor } from '../floor.ts';
import BackPanel from './BackPanel.vue';
import JudgeOpening from './JudgeOpening.vue';
import { stationOf } from './gates.ts';

const { job, context, names } = useCurrentJob();
const picked = ref<string>();
const bagging = ref<string>();
const { draft: isolation, drop: isolated } = useDraft(
  () => `${job.view?.id}/isolation/close-up`,
  () => ({ by: '' }),
);
const closing = computed(() => job.closing);
const lanesRoom = useTemplateRef<HTMLElement>('lanesRoom');
const room = useRoom(lanesRoom, 840);
const steps = computed(() => (closing.value ? closeUp.stepsNow(context.value, closing.value) : []));
/** A step under one text, so that it stays picked while the list moves up. */
const keyOf = (step: ClosingStep, place: number) =>
  step.kind === 'piece' ? `${step.piece}/${step.from}` : step.kind === 'supply' ? `${step.supply}/${step.to}/${place}` : key(step.gate.subject);
const current = computed(() => steps.value.find((step, place) => keyOf(step, place) === picked.value) ?? steps.value[0]);
const back = computed(() => (current.value?.kind === 'piece' ? current.value : undefined));
/** The step under somebody's hands stays, with what is said of it, when a plan comes that begins with another one. */
function hold(): void {
  if (back.value) picked.value = keyOf(back.value, 0);
}
const supply = computed(() => (current.value?.kind === 'supply' ? current.value : undefined));
const gate = computed(() => (current.value?.kind === 'gate' ? current.value.gate : undefined));
const piece = computed(() => context.value.profile.pieces.find((entry) => entry.id === (back.value ?? supply.value)?.piece));
const known = computed(() => context.value.profile.supplies.find((entry) => entry.id === supply.value?.supply));
const toBag = computed(() => closeUp.toBag(context.value));
const forgotten = computed(() => closeUp.toRestore(context.value));

const slots = computed(() =>
  traySlots(context.value).map((slot) => ({
    ...slot,
    key: `${slot.piece}/${slot.group}`,
    name: names.value.piece(slot.piece),
    fastener: sayGroup(slot.fastener) ?? slot.group,
    now: slot.piece === back.value?.piece,
  })),
);
const left = computed(() => slots.value.reduce((sum, slot) => sum + slot.left, 0));
const empty = computed(() => closeUp.emptyPlaces(context.value));
const floor = useFloor('close-up');
/** Once the work behind is done, so that something goes back; on the floor when nothing is left to put back. */
const judging = computed(() => openingDone(context.value) && closeUp.begun(context.value) && (!floor.value || steps.value.length === 0));
/** On the floor only what this step needs, and what fell. */
const shownSlots = computed(() => (floor.value ? slots.value.filter((slot) => slot.now || slot.dropped > 0) : slots.value));
const nameOf = (step: ClosingStep) =>
  step.kind === 'piece' ? sayPutBack(step, names.value) : step.kind === 'supply' ? saySupplyStep(step, names.value) : saySubject(step.gate.subject, names.value);
const named = computed(() => steps.value.map((step, place) => ({ id: keyOf(step, place), text: nameOf(step), step })));
const following = computed(() => named.value[named.value.findIndex(({ step }) => step === current.value) + 1]);

function switchSupply(step: SupplyStep): void {
  if (closing.value) void job.perform(closeUp.switchSupply(context.value, closing.value, step, isolation.value.by));
  if (job.refusals.length === 0) isolated();
  picked.value = undefined;
}

function putIn({ piece: of, group }: closeUp.EmptyPlaces, old: number, fresh: number): void {
  void job.perform(closeUp.putIn(context.value, of, group, { old, fresh }));
}

function bag(where: string): void {
  if (bagging.value) void job.perform(closeUp.bagged(context.value, bagging.value, where));
  bagging.value = undefined;
}
</script>

<template>
  <div :class="floor ? 'on-floor' : 'stack'">
    <FloorSwitch v-model="floor"
      ><PrintLabels v-if="!floor" /><span v-if="floor" class="soft">{{ sayLeftInTray(left) }}</span></FloorSwitch
    >
    <div v-if="!floor || shownSlots.length > 0" class="leaf tray-leaf" :class="{ last: floor }">
      <TrayDrawing
        :slots="shownSlots"
        :label="floor ? TRAY_OF_STEP : sayLeftInTray(left)"
        @dropped="(slot) => job.record('fastener.dropped', { piece: slot.piece, group: slot.group, count: 1 })"
        @found="(slot) => job.record('fastener.found', { piece: slot.piece, group: slot.group, count: 1 })"
      />
    </div>
    <EmptyNote v-if="slots.length === 0 && steps.length === 0" kind="empty">{{ CLOSE_UP_STATION.nothingOff }}</EmptyNote>
    <p v-for="(problem, index) in job.closing?.problems ?? []" :key="index" class="problem" role="alert">
      {{ sayCloseTrouble(problem, names) }}
    </p>
    <div v-if="!floor && closing?.lanes && steps.length > 1 && steps.length === closing.steps.length" class="leaf">
      <div ref="lanesRoom">
        <TwoLanes :lanes="closing.lanes" :names="piecesBack(closing.steps).map((step) => names.piece(step.piece))" :first="1" :room="room" :label="CLOSE_UP_STATION.lanes" />
      </div>
    </div>
    <div :class="floor ? 'first' : 'pair'">
      <article v-if="supply && known" class="leaf stack step">
        <h2>{{ saySupplyStep(supply, names) }}</h2>
        <p class="soft">
          {{ CLOSE_UP_STATION.supply(names.piece(supply.piece), supply.to, supply.minutes, supply.waitMin) }}
        </p>
        <template v-if="supply.to === 'dead'">
          <CautionNote v-for="text in known.before" :key="text" :text="`${text}.`" />
        </template>
        <CautionNote v-for="{ text } in piece?.cautions ?? []" :key="text" :text="text" />
        <WordsField v-if="supply.to === 'dead' && known.by === 'qualified people'" v-model="isolation.by" :label="CLOSE_UP_STATION.isolation" :most="LONGEST_TEXT.isolation" />
        <div class="reach">
          <button type="button" class="push main big" @click="switchSupply(supply)">{{ saySwitch(supply, closeUp.switchCounts(context, supply)) }}</button>
        </div>
      </article>
      <article v-else-if="gate" class="leaf stack step">
        <h2>{{ CLOSE_UP_STATION.now(inSentence(saySubject(gate.subject, names))) }}</h2>
        <p>{{ CLOSE_UP_STATION.comesHereBefore(gate.coveredBy.length > 0) }}</p>
        <div class="reach">
          <router-link class="push main big" :to="{ name: 'station', params: { id: job.view?.id, station: stationOf(gate.subject.kind) } }">{{
            CLOSE_UP_STATION.goThere
          }}</router-link>
        </div>
      </article>
      <BackPanel v-else-if="back && closing" :key="keyOf(back, 0)" :step="back" :closing="closing" @done="picked = undefined" @pointerdown.capture="hold" />
      <EmptyNote v-else-if="slots.length > 0" kind="empty">{{ left === 0 ? CLOSE_UP_STATION.allBack : CLOSE_UP_STATION.trayNotEmpty }}</EmptyNote>
      <p v-if="floor && following" class="soft then">{{ sayThen(inSentence(following.text), '') }}</p>
      <div class="stack">
        <div v-if="!floor && steps.length > 0" class="leaf">
          <h2>{{ CLOSE_UP_STATION.back(piecesBack(steps).length) }}</h2>
          <p v-if="closing" class="soft">
            {{ steps.length === closing.steps.length ? CLOSE_UP_STATION.onTheClock : CLOSE_UP_STATION.withPlanned }}: {{ sayEstimate(closing.estimate) }}.
          </p>
          <ol class="rows">
            <li v-for="(step, index) in steps" :key="keyOf(step, index)" :class="step.kind">
              <button type="button" class="push plain small grow" :aria-pressed="step === current" @click="picked = keyOf(step, index)">
                <span class="mono">{{ index + 1 }}</span>
                <template v-if="step.kind === 'piece'">
                  {{ names.piece(step.piece) }}
                  <span class="soft">{{ step.to === 'fitted' ? (step.enlivens ? CLOSE_UP_STATION.liveAgain : '') : CLOSE_UP_STATION.to(step.to) }}</span>
                </template>
                <template v-else-if="step.kind === 'supply'">{{ names.supply(step.supply) }} {{ step.to }}</template>
                <template v-else>{{ saySubject(step.gate.subject, names) }}</template>
              </button>
              <span v-if="step.kind === 'piece' && closeUp.gatesAgainst(step).length > 0" class="gate">{{
                closeUp.gatesAgainst(step).some((entry) => entry.subject.kind === 'test') ? CLOSE_UP_STATION.testFirst : CLOSE_UP_STATION.workFirst
              }}</span>
              <span v-if="step.kind === 'piece' && step.dead.length > 0" class="gate">{{ CLOSE_UP_STATION.dead }}</span>
            </li>
          </ol>
        </div>
        <StandLine v-if="!floor || raisedAt(context) !== undefined" />
        <div v-if="forgotten.length > 0" class="leaf stack">
          <h2>{{ CLOSE_UP_STATION.forgot }}</h2>
          <p class="soft">{{ CLOSE_UP_STATION.forgotWhen }}</p>
          <button
            v-for="entry in forgotten"
            :key="entry.supply + entry.setting"
            type="button"
            class="push"
            @click="job.perform(closeUp.settingRestored(context, entry.supply, entry.setting, actedAt()))"
          >
            {{ CLOSE_UP_STATION.isSet(entry.setting) }}
          </button>
        </div>
        <div v-if="empty.length > 0" class="leaf stack">
          <h2>{{ PLACES_EMPTY }}</h2>
          <div v-for="entry in empty" :key="entry.piece + entry.group" class="stack">
            <p>{{ sayPlacesEmpty(entry, names) }}</p>
            <div class="line">
              <button v-if="entry.ready > 0" type="button" class="push" @click="putIn(entry, entry.ready, 0)">{{ sayOldIn(entry.ready) }}</button>
              <button type="button" class="push" @click="putIn(entry, 0, entry.places)">{{ sayNewIn(entry.places) }}</button>
            </div>
          </div>
        </div>
        <div v-if="toBag.length > 0" class="leaf stack">
          <h2>{{ CLOSE_UP_STATION.originals }}</h2>
          <p class="soft">{{ CLOSE_UP_STATION.originalsWhy }}</p>
          <button v-for="id in toBag" :key="id" type="button" class="push" @click="bagging = id">{{ CLOSE_UP_STATION.bag(inSentence(names.piece(id))) }}</button>
        </div>
      </div>
    </div>
    <JudgeOpening v-if="judging" />
    <OtherSteps v-if="floor" :steps="named.filter(({ step }) => step !== current)" @pick="(id) => (picked = id)" />
    <AskText
      v-if="bagging"
      :title="CLOSE_UP_STATION.bagged"
      :label="CLOSE_UP_STATION.label"
      :action="COMMON.record"
      :about="`${job.view?.id}/bag/${bagging}`"
      :most="LONGEST_TEXT.bag"
      @written="bag"
      @close="bagging = undefined"
    />
  </div>
</template>

<style scoped>
.tray-leaf {
  background: var(--slate);
}

.step {
  border-top: 5px solid var(--amber);
}

.grow {
  justify-content: flex-start;
  text-align: left;
}

li.supply,
li.gate {
  border-left: 5px solid var(--amber);
  padding-left: 6px;
}

span.gate {
  color: var(--amber);
  font-weight: 600;
}

.first {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}

/* On the floor the step comes first, then what it takes from the tray. */
.last {
  order: 2;
}

.on-floor > details {
  order: 3;
}
</style>
