<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue';
import { piecesBack, type ClosingStep, type CloseStep, type SupplyStep } from '@jade/core/closing';
import { LONGEST_TEXT, partsToOrder, traySlots } from '@jade/core/job';
import { closeUp } from '@jade/core/stations';
import { key } from '@jade/core/subject';
import type { FastenerGroup } from '@jade/core/vehicle';
import { sayEstimate, sayPreparation, sayStepTime } from '@jade/words/access';
import { sayCloseTrouble, saySwitch } from '@jade/words/closing';
import { sayGroup, sayHome, sayNew } from '@jade/words/job';
import { sayRefusal, saySubject } from '@jade/words/stations';
import { inSentence, minutes, plural } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import WordsField from '../../design/WordsField.vue';
import CountEntry from '../../design/CountEntry.vue';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import BoltChoice from '../../design/drawings/BoltChoice.vue';
import TwoLanes from '../../design/drawings/TwoLanes.vue';
import TrayDrawing from '../../design/drawings/TrayDrawing.vue';
import { useDraft } from '../../drafts/index.ts';
import { useRoom } from '../../design/room.ts';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';

const { job, context, names } = useCurrentJob();
const picked = ref<string>();
const bagging = ref<string>();
const { draft: isolation, drop: isolated } = useDraft(
  () => `${job.view?.id}/isolation/close-up`,
  () => ({ by: '' }),
);
const clock = useClock();

const closing = computed(() => job.closing);
const lanesRoom = useTemplateRef<HTMLElement>('lanesRoom');
const room = useRoom(lanesRoom, 840);
const steps = computed(() => (closing.value ? closeUp.stepsNow(context.value, closing.value) : []));
/** A step under one text, so that it stays picked while the list moves up. */
const keyOf = (step: ClosingStep, place: number) =>
  step.kind === 'piece' ? `${step.piece}/${step.from}` : step.kind === 'supply' ? `${step.supply}/${step.to}/${place}` : key(step.gate.subject);
const current = computed(() => steps.value.find((step, place) => keyOf(step, place) === picked.value) ?? steps.value[0]);
const back = computed(() => (current.value?.kind === 'piece' ? current.value : undefined));
const supply = computed(() => (current.value?.kind === 'supply' ? current.value : undefined));
const gate = computed(() => (current.value?.kind === 'gate' ? current.value.gate : undefined));
const piece = computed(() => context.value.profile.pieces.find((entry) => entry.id === (back.value ?? supply.value)?.piece));
const known = computed(() => context.value.profile.supplies.find((entry) => entry.id === supply.value?.supply));
const against = computed(() => (back.value && closing.value ? closeUp.against(context.value, closing.value, back.value, clock.value) : []));
const stationOf = (kind: 'test' | 'aim' | 'fit' | 'joint' | 'cap' | 'leg') => ({ test: 'fit', fit: 'fit', joint: 'wire', cap: 'wire', leg: 'wire', aim: 'aim' })[kind];
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
/** Places at which a longer or shorter fastener of the same drive would go in too: each is asked for. */
const asked = computed(() => (back.value ? closeUp.lengthsAsked(back.value) : []));
const answers = ref<Record<string, number>>({});
watch(current, () => {
  answers.value = {};
  counted.value = {};
});
const wrong = computed(() => asked.value.filter(({ group }) => answers.value[group.id] !== undefined && answers.value[group.id] !== group.lengthMm));
const unanswered = computed(() => asked.value.filter(({ group }) => answers.value[group.id] !== group.lengthMm));

const readyOf = (group: FastenerGroup) => closeUp.readyOf(context.value, back.value?.piece ?? '', group);
const newParts = computed(() => partsToOrder(context.value, undefined));
const sayNewOf = (group: FastenerGroup) => sayNew(newParts.value, back.value?.piece ?? '', group);
const counted = ref<Record<string, number>>({});
const countOf = (group: FastenerGroup) => counted.value[group.id] ?? readyOf(group);
const short = computed(() => (back.value?.fasteners ?? []).filter((group) => countOf(group) < readyOf(group)));

/** What the tap says: where the piece is, and how many of its fasteners are in. */
function sayBack(step: CloseStep): string {
  const where = step.to === 'fitted' ? 'It is back' : `It is ${step.to}`;
  const sum = (of: (group: FastenerGroup) => number) => step.fasteners.reduce((total, group) => total + of(group), 0);
  const [now, most] = [sum(countOf), sum(readyOf)];
  if (most === 0) return where;
  return now < most ? `${where}, ${now} of ${most} in` : `${where}, ${plural(now, 'fastener')} in`;
}

function close(step: CloseStep): void {
  if (closing.value) void job.perform(closeUp.putBack(context.value, closing.value, step, { counts: counted.value, lengthsMm: answers.value }, actedAt()));
  picked.value = undefined;
}

function switchSupply(step: SupplyStep): void {
  if (closing.value) void job.perform(closeUp.switchSupply(context.value, closing.value, step, isolation.value.by));
  if (job.refusals.length === 0) isolated();
  picked.value = undefined;
}

function bag(where: string): void {
  if (bagging.value) void job.perform(closeUp.bagged(context.value, bagging.value, where));
  bagging.value = undefined;
}
</script>

<template>
  <div class="stack">
    <div class="leaf tray-leaf">
      <TrayDrawing
        :slots="slots"
        :label="left === 0 ? 'The tray is empty' : `${plural(left, 'fastener')} left in the tray`"
        @dropped="(slot) => job.record('fastener.dropped', { piece: slot.piece, group: slot.group, count: 1 })"
        @found="(slot) => job.record('fastener.found', { piece: slot.piece, group: slot.group, count: 1 })"
      />
    </div>
    <EmptyNote v-if="slots.length === 0 && steps.length === 0" kind="empty">Nothing has come off yet: Open up fills the tray, this station empties it.</EmptyNote>
    <p v-for="(problem, index) in job.closing?.problems ?? []" :key="index" class="problem" role="alert">
      {{ sayCloseTrouble(problem, names) }}
    </p>
    <div v-if="closing?.lanes && steps.length > 1 && steps.length === closing.steps.length" class="leaf">
      <div ref="lanesRoom">
        <TwoLanes :lanes="closing.lanes" :names="piecesBack(closing.steps).map((step) => names.piece(step.piece))" :first="1" :room="room" label="Who puts back what, two people" />
      </div>
    </div>
    <div class="pair">
      <article v-if="supply && known" class="leaf stack step">
        <h2>{{ supply.to === 'live' ? 'Live for the test' : 'Dead again' }}: {{ inSentence(known.name) }}</h2>
        <p class="soft">
          {{ names.piece(supply.piece) }} {{ supply.to === 'live' ? 'on' : 'off' }} · {{ minutes(supply.minutes)
          }}{{ supply.waitMin > 0 ? ` · then ${minutes(supply.waitMin)} until it is dead` : '' }}
        </p>
        <template v-if="supply.to === 'dead'">
          <CautionNote v-for="text in known.before" :key="text" :text="`${text}.`" />
        </template>
        <CautionNote v-for="{ text } in piece?.cautions ?? []" :key="text" :text="text" />
        <WordsField
          v-if="supply.to === 'dead' && known.by === 'qualified people'"
          v-model="isolation.by"
          label="Who isolates it, and by which procedure"
          :most="LONGEST_TEXT.isolation"
        />
        <button type="button" class="push main big" @click="switchSupply(supply)">{{ saySwitch(supply, closeUp.switchCounts(context, supply)) }}</button>
      </article>
      <article v-else-if="gate" class="leaf stack step">
        <h2>Now: {{ inSentence(saySubject(gate.subject, names)) }}</h2>
        <p>It comes here, before {{ gate.coveredBy.length > 0 ? 'it is covered' : 'the supply changes again' }}.</p>
        <router-link class="push main big" :to="{ name: 'station', params: { id: job.view?.id, station: stationOf(gate.subject.kind) } }">Go there</router-link>
      </article>
      <article v-else-if="back && piece" class="leaf stack step">
        <h2>{{ back.to === 'fitted' ? 'Put back' : `Back to ${back.to}` }}: {{ inSentence(names.piece(back.piece)) }}</h2>
        <p class="soft">{{ back.side === 'centre' ? 'middle' : `${back.side} side` }} · {{ sayStepTime(back) }}{{ back.people > 1 ? ` · ${back.people} people` : '' }}</p>
        <p v-for="open in closeUp.gatesAgainst(back)" :key="key(open.subject)" class="problem" role="alert">
          First this, or it will be covered: {{ inSentence(saySubject(open.subject, names)) }}.
          <router-link :to="{ name: 'station', params: { id: job.view?.id, station: stationOf(open.subject.kind) } }">Go there</router-link>
        </p>
        <p v-if="back.position"><strong>First.</strong> {{ sayPreparation({ code: 'turn', ...back.position }, names, () => '') }}</p>
        <CautionNote v-for="{ text } in piece.cautions" :key="text" :text="text" />
        <ul class="rows">
          <li v-for="group in back.fasteners" :key="group.id">
            <div class="grow">
              <strong>{{ group.count }} × {{ sayGroup(unanswered.some((entry) => entry.group === group) ? { ...group, lengthMm: undefined } : group) }}</strong>
              <p class="soft">{{ group.place }}{{ sayNewOf(group) ? ` · ${sayNewOf(group)}` : '' }}</p>
            </div>
            <CountEntry :label="sayGroup(group) ?? group.id" :count="countOf(group)" :most="readyOf(group)" @counted="(count) => (counted = { ...counted, [group.id]: count })" />
            <span>{{ sayHome(group) }}</span>
          </li>
        </ul>
        <fieldset v-for="{ group, lengthsMm } in asked" :key="group.id" class="ask">
          <legend>
            Which length goes here: <strong>{{ group.place }}</strong>?
          </legend>
          <BoltChoice
            :lengths-mm="lengthsMm"
            :taken="answers[group.id]"
            :label="`Length at ${group.place}`"
            @pick="(lengthMm) => (answers = { ...answers, [group.id]: lengthMm })"
          />
          <p v-if="wrong.some((entry) => entry.group === group)" class="problem" role="alert">
            Not that one: {{ group.place }} had {{ sayGroup(group) }}.
            {{ (answers[group.id] ?? 0) > (group.lengthMm ?? 0) ? 'A longer one can come through what lies behind.' : 'A shorter one does not hold.' }}
          </p>
        </fieldset>
        <p v-for="sensor in back.sensors.filter((id) => job.state.unplugged.includes(id))" :key="sensor">
          <strong>{{ names.sensor(sensor) }}</strong>: plug it in and close its second lock first.
        </p>
        <p v-for="refusal in against.filter((entry) => entry.code !== 'gate-first')" :key="refusal.code" class="problem">{{ sayRefusal(refusal, names) }}</p>
        <p v-if="short.length > 0" class="problem">
          {{
            plural(
              short.reduce((sum, group) => sum + readyOf(group) - countOf(group), 0),
              'fastener',
            )
          }}
          not back: it stays in the tray and holds the job at hand over.
        </p>
        <button type="button" class="push main big" :disabled="against.length > 0 || unanswered.length > 0" @click="close(back)">
          {{ sayBack(back) }}
        </button>
      </article>
      <EmptyNote v-else-if="slots.length > 0" kind="empty">{{
        left === 0 ? 'Everything is back and the tray is empty.' : 'Everything is back, but the tray is not empty: count again.'
      }}</EmptyNote>
      <div class="stack">
        <div v-if="steps.length > 0" class="leaf">
          <h2>{{ plural(piecesBack(steps).length, 'step') }} back</h2>
          <p v-if="closing" class="soft">
            {{ steps.length === closing.steps.length ? 'On the clock' : 'With all that is still planned, on the clock' }}: {{ sayEstimate(closing.estimate) }}.
          </p>
          <ol class="rows">
            <li v-for="(step, index) in steps" :key="keyOf(step, index)" :class="step.kind">
              <button type="button" class="push plain small grow" :aria-pressed="step === current" @click="picked = keyOf(step, index)">
                <span class="mono">{{ index + 1 }}</span>
                <template v-if="step.kind === 'piece'">
                  {{ names.piece(step.piece) }} <span class="soft">{{ step.to === 'fitted' ? (step.enlivens ? 'live again' : '') : `to ${step.to}` }}</span>
                </template>
                <template v-else-if="step.kind === 'supply'">{{ names.supply(step.supply) }} {{ step.to }}</template>
                <template v-else>{{ saySubject(step.gate.subject, names) }}</template>
              </button>
              <span v-if="step.kind === 'piece' && closeUp.gatesAgainst(step).length > 0" class="gate">{{
                closeUp.gatesAgainst(step).some((entry) => entry.subject.kind === 'test') ? 'test first' : 'work first'
              }}</span>
              <span v-if="step.kind === 'piece' && step.dead.length > 0" class="gate">dead</span>
            </li>
          </ol>
        </div>
        <div v-if="forgotten.length > 0" class="leaf stack">
          <h2>Set again what the vehicle forgot</h2>
          <p class="soft">Before the fault codes are read again.</p>
          <button
            v-for="entry in forgotten"
            :key="entry.supply + entry.setting"
            type="button"
            class="push"
            @click="job.perform(closeUp.settingRestored(context, entry.supply, entry.setting, actedAt()))"
          >
            {{ entry.setting }} is set
          </button>
        </div>
        <div v-if="toBag.length > 0" class="leaf stack">
          <h2>Original parts for the owner</h2>
          <p class="soft">Each with its fasteners.</p>
          <button v-for="id in toBag" :key="id" type="button" class="push" @click="bagging = id">Bag {{ inSentence(names.piece(id)) }}</button>
        </div>
      </div>
    </div>
    <AskText
      v-if="bagging"
      title="Bagged for the owner"
      label="Label and place"
      action="Record it"
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

.big {
  min-height: 56px;
  font-size: 17px;
}

.grow {
  justify-content: flex-start;
  text-align: left;
}

.ask {
  display: grid;
  gap: 7px;
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

.problem {
  padding: 9px 12px;
  border-left: 5px solid var(--red);
  background: var(--red-soft);
  font-weight: 560;
}
</style>
