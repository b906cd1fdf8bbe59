<script setup lang="ts">
import { computed, ref } from 'vue';
import type { OpenStep } from '@jade/core/access';
import { LONGEST_TEXT } from '@jade/core/events';
import { openingCautions } from '@jade/core/plan';
import { openUp, preparationsNow, type Refusal } from '@jade/core/stations';
import { sayLearned, sayPreparation, sayStepTime } from '@jade/words/access';
import { sayGroup } from '@jade/words/names';
import { HELD, sayOpen, sayPlace, STEP } from '@jade/words/open-up';
import { sayRefusal } from '@jade/words/stations';
import { inSentence } from '@jade/words/units';
import CautionList from '../../design/CautionList.vue';
import CountEntry from '../../design/CountEntry.vue';
import WordsField from '../../design/WordsField.vue';
import ConsentAsk from '../../job/ConsentAsk.vue';
import { useSecondTap } from '../../floor/second-tap.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';

/** One step of opening: what, where, which fasteners and how many, how they let go, caution, done. */
const props = defineProps<{ step: OpenStep; slotNumber: number; why: string; against: readonly Refusal[]; floor: boolean; next?: OpenStep }>();
/** Who isolates a supply and by which procedure, where that is for qualified people. */
const by = defineModel<string>('by', { required: true });
const emit = defineEmits<{ done: [counts: { group: string; count: number }[]]; blocked: []; seized: []; otherwise: []; lacks: [] }>();
const { job, context, names } = useCurrentJob();

const piece = computed(() => pieceOf(props.step.piece));
const way = computed(() => piece.value?.levels.find((level) => level.level === props.step.level)?.ways.find((entry) => entry.id === props.step.way));
const counts = ref<Record<string, number>>(Object.fromEntries(props.step.fasteners.map((group) => [group.id, group.count])));
/** Fasteners that came out, as the button says it. */
const total = computed(() => Object.values(counts.value).reduce((sum, count) => sum + count, 0));
const prepare = computed(() => preparationsNow(context.value, props.step.prepare));
const asksBy = computed(() => context.value.profile.supplies.find((supply) => supply.id === props.step.isolates)?.by === 'qualified people');

/** Whether this vehicle can lack the piece altogether. */
const lackable = computed(() => openUp.canHaveCome(context.value, props.step.piece));
/** Whether it is assumed of another kind, and so may be none of this one. */
const strange = computed(() => openUp.canBeWithout(context.value, props.step.piece));
/** How the piece can have come, rather than be opened here: as far as this step takes it, or not there at all. */
const cameSo = computed(() => (lackable.value ? openUp.couldHaveCome(piece.value, props.step.level) : []));

const meant = useSecondTap(() => `${props.step.piece}/${props.step.level}`);

function finish(): void {
  if (!meant.value) return;
  emit(
    'done',
    props.step.fasteners.map((group) => ({ group: group.id, count: counts.value[group.id] ?? group.count })),
  );
}

const pieceOf = (id: string) => context.value.profile.pieces.find((entry) => entry.id === id);
const sayNext = (step: OpenStep) => STEP.then(inSentence(sayOpen(step, pieceOf(step.piece), names.value, step.piece)), step.people);
const lockOf = (sensor: string) => context.value.profile.sensors.find((entry) => entry.id === sensor)?.lock ?? STEP.ownLock;

function broken(group: string): void {
  void job.record('fastener.broken', { piece: props.step.piece, group, count: 1 });
}
</script>

<template>
  <article class="leaf step" :class="{ floor }" aria-live="polite">
    <header>
      <span class="slot" :aria-label="STEP.slot(slotNumber)">{{ slotNumber }}</span>
      <div>
        <h2>{{ sayOpen(step, piece, names, step.piece) }}</h2>
        <p class="soft">
          {{ sayPlace(step, names.piece(step.piece)) }} · {{ sayStepTime(step, floor) }}{{ step.people > 1 ? STEP.people(step.people) : ''
          }}{{ piece?.assumed ? ` · ${STEP.assumed(piece.assumed)}` : '' }}
        </p>
      </div>
    </header>
    <CautionList :codes="openingCautions(context, step.piece, step.level, step.way)" :own="piece?.cautions.map(({ text }) => text)" />
    <ConsentAsk v-if="way?.irreversible" :about="{ kind: 'piece', piece: step.piece, level: step.level }" />
    <div v-if="prepare.length > 0" class="prepare">
      <strong>{{ STEP.first }}</strong>
      <ol>
        <li v-for="(entry, index) in prepare" :key="index">{{ sayPreparation(entry, names, lockOf) }}</li>
      </ol>
    </div>
    <ul class="rows groups">
      <li v-for="group in step.fasteners" :key="group.id">
        <div class="grow">
          <strong>{{ group.count }} × {{ sayGroup(group) }}</strong>
          <p class="soft">{{ [group.place, group.release, ...(group.singleUse ? [STEP.once] : [])].join(' · ') }}</p>
        </div>
        <CountEntry :label="sayGroup(group) ?? group.id" :count="counts[group.id] ?? 0" @counted="(count) => (counts = { ...counts, [group.id]: count })">
          <button type="button" class="push small plain" @click="broken(group.id)">{{ STEP.broke }}</button>
          <button type="button" class="push small plain" @click="job.record('fastener.dropped', { piece: step.piece, group: group.id, count: 1 })">{{ STEP.fell }}</button>
        </CountEntry>
      </li>
      <li v-if="step.fasteners.length === 0" class="soft">{{ STEP.none }}</li>
    </ul>
    <p v-if="piece?.movement">
      <strong>{{ STEP.wayOut }}</strong> {{ piece.movement }}
    </p>
    <p v-if="way?.note">{{ way.note }}</p>
    <WordsField v-if="asksBy" v-model="by" :label="STEP.isolates" :most="LONGEST_TEXT.isolation" />
    <div class="reach">
      <p v-for="refusal in against" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</p>
      <button type="button" class="push main big" :disabled="against.length > 0" :aria-disabled="!meant" @click="finish">
        {{ step.fasteners.length > 0 ? STEP.doneInto(total, slotNumber) : STEP.done }}
      </button>
    </div>
    <p v-if="floor" class="soft then">{{ next ? sayNext(next) : STEP.last }}</p>
    <PhotoRow :subject="{ kind: 'piece', piece: step.piece, level: step.level }" :large="floor" />
    <div class="line">
      <button type="button" class="push small" @click="emit('blocked')">{{ STEP.blocked }}</button>
      <button v-if="step.fasteners.length > 0" type="button" class="push small" @click="emit('seized')">{{ STEP.seized }}</button>
      <button v-for="level in cameSo" :key="level" type="button" class="push small" @click="job.perform(openUp.cameOpen(context, step.piece, level))">
        {{ STEP.came(level) }}
      </button>
      <button type="button" class="push small" @click="emit('otherwise')">{{ HELD.open }}</button>
      <button v-if="strange" type="button" class="push small" @click="job.perform(openUp.notOfKind(context, step.piece))">{{ STEP.notOfKind }}</button>
      <button v-else-if="lackable" type="button" class="push small" @click="emit('lacks')">{{ STEP.lacks }}</button>
    </div>
    <details>
      <summary>{{ STEP.why }}</summary>
      <p class="soft">{{ why }} {{ STEP.because }} {{ sayLearned(step) }}</p>
    </details>
  </article>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 11px;
  border-top: 5px solid var(--amber);
}

header {
  display: flex;
  gap: 14px;
  align-items: center;
}

.slot {
  flex: none;
  display: grid;
  place-items: center;
  width: 52px;
  height: 52px;
  border-radius: 9px;
  background: var(--slate);
  color: #fff;
  font-size: 22px;
  font-weight: 700;
  box-shadow: inset 0 3px 7px rgb(0 0 0 / 50%);
}

.prepare {
  padding: 2px 0 2px 12px;
  border-left: 4px solid var(--line-strong);
}

.prepare ol {
  padding-left: 1.2em;
  list-style: decimal;
}
</style>
