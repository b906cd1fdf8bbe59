<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue';
import { lookAlikeGroups } from '@jade/core/access';
import { isAimGate, type CloseStep } from '@jade/core/closing';
import { gatePassed, outstanding, partsToOrder, replacedPieces, traySlots } from '@jade/core/job';
import type { FastenerGroup } from '@jade/core/vehicle';
import { sayEstimate, sayPreparation, sayStepTime } from '@jade/words/access';
import { sayCloseTrouble, sayGate, sayGroup, sayNew } from '@jade/words/job';
import { inSentence, plural } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import CountEntry from '../../design/CountEntry.vue';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import BoltChoice from '../../design/drawings/BoltChoice.vue';
import TwoLanes from '../../design/drawings/TwoLanes.vue';
import TrayDrawing from '../../design/drawings/TrayDrawing.vue';
import { useRoom } from '../../design/room.ts';
import { useCurrentJob } from '../../job/current.ts';

const { job, context, names } = useCurrentJob();
const picked = ref<string>();
const bagging = ref<string>();

const closing = computed(() => job.closing);
const lanesRoom = useTemplateRef<HTMLElement>('lanesRoom');
const room = useRoom(lanesRoom, 840);
const steps = computed(() => (job.closing?.steps ?? []).filter((step) => job.state.moves.some((move) => move.piece === step.piece && move.level === step.from)));
const current = computed(() => steps.value.find((step) => step.piece === picked.value) ?? steps.value[0]);
const piece = computed(() => context.value.profile.pieces.find((entry) => entry.id === current.value?.piece));
const waiting = (step: CloseStep) => step.gates.filter((gate) => !gatePassed(context.value, gate));
const toBag = computed(() => replacedPieces(context.value).filter((id) => job.state.pieces[id] === 'off' && !job.state.bagged[id]));

const slots = computed(() =>
  traySlots(context.value).map((slot) => ({
    ...slot,
    key: `${slot.piece}/${slot.group}`,
    name: names.value.piece(slot.piece),
    fastener: sayGroup(slot.fastener) ?? slot.group,
    now: slot.piece === current.value?.piece,
  })),
);
const left = computed(() => slots.value.reduce((sum, slot) => sum + slot.left, 0));
/** Places at which a longer or shorter fastener of the same drive would go in too: each is asked for. */
const asked = computed(() =>
  lookAlikeGroups(current.value?.fasteners ?? []).flatMap((list) => list.map((group) => ({ group, lengthsMm: list.flatMap((entry) => entry.lengthMm ?? []) }))),
);
const answers = ref<Record<string, number>>({});
watch(current, () => {
  answers.value = {};
  counted.value = {};
});
const wrong = computed(() => asked.value.filter(({ group }) => answers.value[group.id] !== undefined && answers.value[group.id] !== group.lengthMm));
const unanswered = computed(() => asked.value.filter(({ group }) => answers.value[group.id] !== group.lengthMm));

/** Fasteners of a group that lie ready for the step: what came out, less what broke. */
function readyOf(group: FastenerGroup): number {
  const tally = job.state.tray[current.value?.piece ?? '']?.[group.id];
  return tally ? outstanding(tally) : group.count;
}
const newParts = computed(() => partsToOrder(context.value, undefined));
const sayNewOf = (group: FastenerGroup) => sayNew(newParts.value, current.value?.piece ?? '', group);
const counted = ref<Record<string, number>>({});
const countOf = (group: FastenerGroup) => counted.value[group.id] ?? readyOf(group);
/** Pieces that have to go back before this one does. */
const waitsFor = computed(() => {
  const at = steps.value.findIndex((step) => step === current.value);
  return (current.value?.first ?? []).filter((id) => steps.value.slice(0, at).some((step) => step.piece === id));
});
const short = computed(() => (current.value?.fasteners ?? []).filter((group) => countOf(group) < readyOf(group)));

function close(step: CloseStep): void {
  void job.record('piece.moved', { piece: step.piece, level: step.to, fasteners: step.fasteners.map((group) => ({ group: group.id, count: countOf(group) })) });
  if (step.to === 'fitted') for (const sensor of step.sensors) if (job.state.unplugged.includes(sensor)) void job.record('sensor.reconnected', { sensor });
  picked.value = undefined;
}

function bag(where: string): void {
  if (bagging.value) void job.record('part.bagged', { piece: bagging.value, where });
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
    <EmptyNote v-if="slots.length === 0" kind="empty">Nothing has come off yet: Open up fills the tray, this station empties it.</EmptyNote>
    <p v-for="(problem, index) in job.closing?.problems ?? []" :key="index" class="problem" role="alert">
      {{ sayCloseTrouble(problem, names) }}
    </p>
    <div v-if="closing?.lanes && steps.length > 1 && steps.length === closing.steps.length" class="leaf">
      <div ref="lanesRoom">
        <TwoLanes :lanes="closing.lanes" :names="closing.steps.map((step) => names.piece(step.piece))" :first="1" :room="room" label="Who puts back what, two people" />
      </div>
    </div>
    <div class="pair">
      <article v-if="current && piece" class="leaf stack step">
        <h2>{{ current.to === 'fitted' ? 'Put back' : `Back to ${current.to}` }}: {{ inSentence(names.piece(current.piece)) }}</h2>
        <p class="soft">
          {{ current.side === 'centre' ? 'middle' : `${current.side} side` }} · {{ sayStepTime(current) }}{{ current.people > 1 ? ` · ${current.people} people` : '' }}
        </p>
        <p v-for="gate in waiting(current)" :key="gate" class="problem" role="alert">
          First this, or it will be covered: {{ sayGate(gate, names) }}.
          <router-link :to="{ name: 'station', params: { id: job.view?.id, station: isAimGate(gate) ? 'aim' : 'fit' } }">{{
            isAimGate(gate) ? 'Go to Aim' : 'Go to Fit'
          }}</router-link>
        </p>
        <p v-if="current.position"><strong>First.</strong> {{ sayPreparation({ code: 'turn', ...current.position }, names, () => '') }}</p>
        <CautionNote v-for="text in piece.cautions" :key="text" :text="text" />
        <ul class="rows">
          <li v-for="group in current.fasteners" :key="group.id">
            <div class="grow">
              <strong>{{ group.count }} × {{ sayGroup(unanswered.some((entry) => entry.group === group) ? { ...group, lengthMm: undefined } : group) }}</strong>
              <p class="soft">{{ group.place }}{{ sayNewOf(group) ? ` · ${sayNewOf(group)}` : '' }}</p>
            </div>
            <CountEntry :label="sayGroup(group) ?? group.id" :count="countOf(group)" :most="readyOf(group)" @counted="(count) => (counted = { ...counted, [group.id]: count })" />
            <span>{{ group.tighten.torqueNm ? `${group.tighten.torqueNm} Nm (${group.tighten.source ?? 'no source'})` : `snug, ${group.tighten.snug ?? 'by hand'}` }}</span>
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
        <p v-for="sensor in current.sensors.filter((id) => job.state.unplugged.includes(id))" :key="sensor">
          <strong>{{ names.sensor(sensor) }}</strong>: plug it in and close its second lock first.
        </p>
        <p v-if="waitsFor.length > 0" class="problem">First back: {{ waitsFor.map((id) => inSentence(names.piece(id))).join(', ') }}.</p>
        <p v-if="short.length > 0" class="problem">
          {{
            plural(
              short.reduce((sum, group) => sum + readyOf(group) - countOf(group), 0),
              'fastener',
            )
          }}
          not back: it stays in the tray and holds the job at hand over.
        </p>
        <button type="button" class="push main big" :disabled="waiting(current).length > 0 || waitsFor.length > 0 || unanswered.length > 0" @click="close(current)">
          {{ current.to !== 'fitted' ? `It is ${current.to}` : short.length > 0 ? 'It is back, not all of them' : 'It is back, all counted' }}
        </button>
      </article>
      <EmptyNote v-else-if="slots.length > 0" kind="empty">{{
        left === 0 ? 'Everything is back and the tray is empty.' : 'Everything is back, but the tray is not empty: count again.'
      }}</EmptyNote>
      <div class="stack">
        <div v-if="steps.length > 0" class="leaf">
          <h2>{{ plural(steps.length, 'step') }} back</h2>
          <p v-if="closing" class="soft">
            {{ steps.length === closing.steps.length ? 'On the clock' : 'With all that is still planned, on the clock' }}: {{ sayEstimate(closing.estimate) }}.
          </p>
          <ol class="rows">
            <li v-for="(step, index) in steps" :key="step.piece + step.from">
              <button type="button" class="push plain small grow" :aria-pressed="step === current" @click="picked = step.piece">
                <span class="mono">{{ index + 1 }}</span> {{ names.piece(step.piece) }} <span class="soft">{{ step.to === 'fitted' ? '' : `to ${step.to}` }}</span>
              </button>
              <span v-if="waiting(step).length > 0" class="gate">test first</span>
            </li>
          </ol>
        </div>
        <div v-if="toBag.length > 0" class="leaf stack">
          <h2>Original parts for the owner</h2>
          <button v-for="id in toBag" :key="id" type="button" class="push" @click="bagging = id">Bag {{ inSentence(names.piece(id)) }}</button>
        </div>
      </div>
    </div>
    <AskText v-if="bagging" title="Bagged for the owner" label="Label and place" action="Record it" @written="bag" @close="bagging = undefined" />
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
}

.ask {
  display: grid;
  gap: 7px;
}

.gate {
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
