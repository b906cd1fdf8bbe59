<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import type { ClosePlan, CloseStep } from '@jade/core/closing';
import { closingCautions } from '@jade/core/plan';
import { partsToOrder } from '@jade/core/job';
import { closeUp, preparationsNow, sense } from '@jade/core/stations';
import { key } from '@jade/core/subject';
import type { FastenerGroup } from '@jade/core/vehicle';
import { sayPreparation, sayStepTime } from '@jade/words/access';
import { BACK_FIRST, BACK_PANEL, NEW_OR_OLD, sayBack, sayLengthAsked, sayNotBack, sayPluggedIn, sayPlugIn, sayPutBack, sayWrongLength } from '@jade/words/closing';
import { sayHome, sayNew } from '@jade/words/job';
import { sayGroup } from '@jade/words/names';
import { sayRefusal } from '@jade/words/stations';
import { saySubject } from '@jade/words/subject';
import { saySide } from '@jade/words/vehicle';
import { inSentence } from '@jade/words/units';
import BoltChoice from '../../design/drawings/BoltChoice.vue';
import CautionList from '../../design/CautionList.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import CountEntry from '../../design/CountEntry.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import { stationOf } from './gates.ts';

const GoesBackFirst = defineAsyncComponent(() => import('./GoesBackFirst.vue'));

/** One piece put back: what comes before, its sensors by a tap of their own, its fasteners counted, new ones apart. */
const props = defineProps<{ step: CloseStep; closing: ClosePlan }>();
const emit = defineEmits<{ done: [] }>();
const { job, context, names } = useCurrentJob();
/** What has to go back before it is being said. */
const ordering = ref(false);
const clock = useClock();

const piece = computed(() => context.value.profile.pieces.find((entry) => entry.id === props.step.piece));
const against = computed(() => closeUp.against(context.value, props.closing, props.step, clock.value));
/** How the vehicle has to stand, as it stands now. */
const standing = computed(() =>
  preparationsNow(
    context.value,
    (props.step.positions ?? []).map((position) => ({ code: 'turn', ...position })),
  ).map((entry) => sayPreparation(entry, names.value, () => '')),
);
const said = computed(() => against.value.filter(({ code }) => code !== 'gate-first' && code !== 'sensor-first'));
const sensors = computed(() => closeUp.sensorsFirst(context.value, props.step));
const lockOf = (sensor: string) => context.value.profile.sensors.find((entry) => entry.id === sensor)?.lock ?? '';
const parts = computed(() => partsToOrder(context.value, undefined));

/** Old ones that go back and new ones that go in, as counted; of what is used once only it has to be said. */
const counts = ref<Record<string, number>>({});
const fresh = ref<Record<string, number>>({});
const lengths = ref<Record<string, number>>({});
const back = computed(() => ({ counts: counts.value, renewed: fresh.value }));
const countOf = (group: FastenerGroup) => closeUp.countedBack(context.value, props.step, group, back.value);
const placesOf = (group: FastenerGroup) => closeUp.placesOf(context.value, props.step.piece, group);
const readyOf = (group: FastenerGroup) => closeUp.readyOf(context.value, props.step.piece, group);
const onceOnly = computed(() => closeUp.newAsked(context.value, props.step));
const isOnceOnly = (group: FastenerGroup) => onceOnly.value.includes(group);
const asked = computed(() => closeUp.lengthsAsked(props.step));
const unanswered = computed(() => asked.value.filter(({ group }) => lengths.value[group.id] !== group.lengthMm));
const wrong = (group: FastenerGroup) => lengths.value[group.id] !== undefined && lengths.value[group.id] !== group.lengthMm;
const unsaid = computed(() => onceOnly.value.filter(({ id }) => fresh.value[id] === undefined));
const counted = computed(() => closeUp.countedAll(context.value, props.step, back.value));
const sayOf = (group: FastenerGroup) => sayGroup(unanswered.value.some((entry) => entry.group === group) ? { ...group, lengthMm: undefined } : group) ?? group.id;

function newOrOld(group: FastenerGroup, value: 'new' | 'old'): void {
  const to = closeUp.filled(context.value, props.step, group, value);
  fresh.value = { ...fresh.value, [group.id]: to.fresh };
  counts.value = { ...counts.value, [group.id]: to.old };
}

/** What goes back first is a step before this one: it is next, not this. */
function ordered(): void {
  ordering.value = false;
  emit('done');
}

function finish(): void {
  void job.perform(closeUp.putBack(context.value, props.closing, props.step, { ...back.value, lengthsMm: lengths.value }, actedAt()));
  if (job.refusals.length === 0) emit('done');
}
</script>

<template>
  <article class="leaf stack step" aria-live="polite">
    <h2>{{ sayPutBack(step, names) }}</h2>
    <p class="soft">{{ saySide(step.side) }} · {{ sayStepTime(step) }}{{ step.people > 1 ? BACK_PANEL.people(step.people) : '' }}</p>
    <p v-for="open in closeUp.gatesAgainst(step)" :key="key(open.subject)" class="problem" role="alert">
      {{ BACK_PANEL.firstThis(inSentence(saySubject(open.subject, names))) }}
      <router-link :to="{ name: 'station', params: { id: job.view?.id, station: stationOf(open.subject.kind) } }">{{ BACK_PANEL.goThere }}</router-link>
    </p>
    <p v-for="entry in standing" :key="entry">
      <strong>{{ BACK_PANEL.first }}</strong> {{ entry }}
    </p>
    <CautionList :codes="closingCautions(context, step.piece, step.positions)" :own="piece?.cautions.map(({ text }) => text)" />
    <div v-for="sensor in sensors" :key="sensor" class="line sensor">
      <span class="grow">{{ sayPlugIn(names.sensor(sensor), lockOf(sensor)) }}</span>
      <button type="button" class="push" @click="job.perform(sense.reconnected(context, sensor))">{{ sayPluggedIn(names.sensor(sensor)) }}</button>
    </div>
    <ul class="rows">
      <li v-for="group in step.fasteners" :key="group.id">
        <div class="grow">
          <strong>{{ placesOf(group) }} × {{ sayOf(group) }}</strong>
          <p class="soft">{{ group.place }}{{ sayNew(parts, step.piece, group) ? ` · ${sayNew(parts, step.piece, group)}` : '' }} · {{ sayHome(group) }}</p>
        </div>
        <template v-if="isOnceOnly(group)">
          <ChoiceRow
            :label="NEW_OR_OLD.label(sayOf(group))"
            :choices="[
              { value: 'new', text: NEW_OR_OLD.new },
              { value: 'old', text: NEW_OR_OLD.old },
            ]"
            :value="fresh[group.id] === undefined ? undefined : countOf(group).fresh > 0 ? 'new' : 'old'"
            @choose="(value) => newOrOld(group, value)"
          />
          <CountEntry
            v-if="fresh[group.id]"
            :label="NEW_OR_OLD.fresh(sayOf(group))"
            :count="countOf(group).fresh"
            :most="placesOf(group)"
            @counted="(count) => (fresh = { ...fresh, [group.id]: count })"
          />
        </template>
        <template v-else>
          <CountEntry :label="sayOf(group)" :count="countOf(group).old" :most="readyOf(group)" @counted="(count) => (counts = { ...counts, [group.id]: count })" />
          <div v-if="placesOf(group) > readyOf(group)" class="line">
            <span>{{ NEW_OR_OLD.instead(placesOf(group) - readyOf(group)) }}</span>
            <CountEntry
              :label="NEW_OR_OLD.fresh(sayOf(group))"
              :count="countOf(group).fresh"
              :most="placesOf(group) - countOf(group).old"
              @counted="(count) => (fresh = { ...fresh, [group.id]: count })"
            />
          </div>
        </template>
      </li>
    </ul>
    <fieldset v-for="{ group, lengthsMm } in asked" :key="group.id" class="ask">
      <legend>{{ sayLengthAsked(group.place) }}</legend>
      <BoltChoice :lengths-mm="lengthsMm" :taken="lengths[group.id]" :label="sayLengthAsked(group.place)" @pick="(lengthMm) => (lengths = { ...lengths, [group.id]: lengthMm })" />
      <p v-if="wrong(group)" class="problem" role="alert">{{ sayWrongLength(group, lengths[group.id] ?? 0) }}</p>
    </fieldset>
    <div class="reach">
      <p v-for="refusal in said" :key="refusal.code" class="problem">{{ sayRefusal(refusal, names) }}</p>
      <p v-if="unsaid.length === 0 && counted.old + counted.fresh < counted.places" class="problem">{{ sayNotBack(counted.places - counted.old - counted.fresh) }}</p>
      <button type="button" class="push main big" :disabled="against.length > 0 || unanswered.length > 0 || unsaid.length > 0" @click="finish">
        {{ sayBack(step, counted) }}
      </button>
    </div>
    <div v-if="closeUp.canGoFirst(context, closing, step).length > 0" class="line">
      <button type="button" class="push small" @click="ordering = true">{{ BACK_FIRST.open }}</button>
    </div>
    <GoesBackFirst v-if="ordering" :step="step" :closing="closing" @close="ordered" />
    <PhotoRow :subject="{ kind: 'piece', piece: step.piece, level: step.from }" />
  </article>
</template>

<style scoped>
.step {
  border-top: 5px solid var(--amber);
}

.ask {
  display: grid;
  gap: 7px;
}

.sensor {
  padding: 6px 0 6px 10px;
  border-left: 5px solid var(--amber);
  font-weight: 600;
}

.grow {
  flex: 1 1 180px;
}
</style>
