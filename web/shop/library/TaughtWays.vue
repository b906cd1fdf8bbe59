<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { takenTogether, type KindCaptured, type Taken } from '@jade/core/capture';
import type { VehicleProfile } from '@jade/core/vehicle';
import {
  sayConfirmed,
  sayConflict,
  sayNewCircuit,
  sayNewFact,
  sayNewGap,
  sayNewKit,
  sayNewLamp,
  sayNewMeasure,
  sayNewNote,
  sayNewPiece,
  sayNewPlace,
  sayNewPlug,
  sayNewRefit,
  sayNewSensor,
  sayNewSupply,
  sayOtherwise,
  sayRefitOrder,
  sayRevived,
  sayTaughtPlace,
  sayTaughtWay,
  sayWhole,
  sayWithout,
  TAUGHT,
} from '@jade/words/capture';
import { COMMON } from '@jade/words/common';
import { MEASURE_NAMES } from '@jade/words/names';
import { ask, Refused } from '../../ask/index.ts';
import ChoiceRow from '../../design/ChoiceRow.vue';
import type { SheetPiece } from '../../design/drawings/sheet-pieces.ts';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import { viewOf, VIEWS, type View } from '../../design/geometry/outline.ts';
import RightGate from '../../session/RightGate.vue';

/** What the jobs of a kind teach beyond its profile: pieces and lamps that nobody had described, and ways in. Each is taken or left, and kept as the next version. */
const props = defineProps<{ profile: VehicleProfile; version: number }>();
const emit = defineEmits<{ kept: [said: string] }>();
type Taught = KindCaptured & { version: number; jobs: number };
const taught = shallowRef<Taught>();
const failed = ref(false);
const said = ref('');
/** What was turned round: entries and what is shorter than a way of the profile are offered as taken, one more way and what somebody noted as left. */
const turned = ref<readonly string[]>([]);

async function load(): Promise<void> {
  const { slug } = props.profile;
  failed.value = false;
  said.value = '';
  taught.value = undefined;
  turned.value = [];
  try {
    const found = await ask<Taught>(`/api/taught/${encodeURIComponent(slug)}`);
    if (slug === props.profile.slug) taught.value = found;
  } catch {
    failed.value = true;
  }
}
watch(
  () => [props.profile.slug, props.version],
  () => void load(),
  { immediate: true },
);

const pieces = computed(() => [...props.profile.pieces, ...(taught.value?.pieces ?? []).map(({ entry }) => entry)]);
const name = (id: string) => pieces.value.find((piece) => piece.id === id)?.name ?? id;
const sometimes = (id: string) => props.profile.pieces.find((piece) => piece.id === id)?.when !== undefined;
const place = (id: string) =>
  [...props.profile.mounts, ...(taught.value?.mounts ?? []).map(({ entry }) => entry), ...props.profile.plugs].find((entry) => entry.id === id)?.name ?? id;
const changes = computed(() =>
  (taught.value?.changes ?? []).map((change) => ({
    change,
    id: change.way.id,
    to: sayTaughtPlace(change, name, place),
    says: sayTaughtWay(change, name, sometimes),
    takes: (change.shorterThan.length > 0 || change.confirms !== undefined) !== turned.value.includes(change.way.id),
  })),
);
/** Entries that nobody had described, each with what is said of it. */
const entries = computed(() => [
  ...(taught.value?.pieces ?? []).map(({ entry, jobs }) => ({ kind: 'pieces' as const, id: entry.id, to: entry.name, says: sayNewPiece(entry, jobs, name) })),
  ...(taught.value?.functions ?? []).map(({ entry, jobs }) => ({ kind: 'functions' as const, id: entry.id, to: entry.name, says: sayNewLamp(entry, jobs) })),
  ...(taught.value?.mounts ?? []).map(({ entry, jobs }) => ({ kind: 'mounts' as const, id: entry.id, to: entry.name, says: sayNewPlace(entry, jobs, name) })),
  ...(taught.value?.supplies ?? []).map(({ entry, jobs }) => ({ kind: 'supplies' as const, id: entry.id, to: entry.name, says: sayNewSupply(entry, jobs, name) })),
  ...(taught.value?.sensors ?? []).map(({ entry, jobs }) => ({ kind: 'sensors' as const, id: entry.id, to: entry.name, says: sayNewSensor(entry, jobs, name) })),
  ...(taught.value?.gaps ?? []).map(({ entry, jobs }) => ({ kind: 'gaps' as const, id: entry.id, to: entry.name, says: sayNewGap(entry, jobs) })),
  ...(taught.value?.plugs ?? []).map(({ entry, jobs }) => ({ kind: 'plugs' as const, id: entry.id, to: entry.name, says: sayNewPlug(entry, jobs, name) })),
  ...(taught.value?.circuits ?? []).map(({ entry, jobs }) => ({ kind: 'circuits' as const, id: entry.id, to: entry.name, says: sayNewCircuit(entry, jobs) })),
  ...(taught.value?.facts ?? []).map(({ entry, jobs }) => ({ kind: 'facts' as const, id: entry.id, to: entry.label, says: sayNewFact(entry, jobs, name) })),
  ...(taught.value?.confirmed ?? []).map((confirmed) => ({ kind: 'confirmed' as const, id: confirmed.entry.id, to: confirmed.entry.name, says: sayConfirmed(confirmed) })),
  ...(taught.value?.otherwise ?? []).map((entry) => ({ kind: 'otherwise' as const, id: entry.entry.id, to: entry.entry.name, says: sayOtherwise(entry, name) })),
  ...(taught.value?.refitRules ?? []).map(({ entry, jobs }) => ({ kind: 'refitRules' as const, id: entry.id, to: sayRefitOrder(entry, name), says: sayNewRefit(entry, jobs) })),
  ...(taught.value?.without ?? []).map(({ piece, jobs }) => ({ kind: 'without' as const, id: piece, to: name(piece), says: sayWithout(jobs) })),
  ...(taught.value?.revived ?? []).map(({ entry, jobs }) => ({ kind: 'revived' as const, id: entry.id, to: entry.name, says: sayRevived(entry, jobs) })),
  ...(taught.value?.measures ?? []).map((entry) => ({ kind: 'measures' as const, id: entry.measure, to: MEASURE_NAMES[entry.measure], says: sayNewMeasure(entry) })),
  ...(taught.value?.kits ?? []).map((proposed) => ({
    kind: 'kits' as const,
    id: proposed.kit.slug,
    to: `${proposed.kit.maker} ${proposed.kit.name}`,
    says: sayNewKit(proposed, place),
  })),
  ...(taught.value?.notes ?? []).map(({ entry }) => ({ kind: 'notes' as const, id: entry.id, to: entry.text, says: sayNewNote(entry, kitName) })),
  ...(taught.value?.whole ?? []).map(({ list, jobs }) => ({ kind: 'whole' as const, id: list, to: sayWhole(list), says: TAUGHT.saidOn(jobs.length) })),
]);
const kitName = (slug: string) => {
  const kit = taught.value?.kits.find((proposed) => proposed.kit.slug === slug)?.kit;
  return kit ? `${kit.maker} ${kit.name}` : slug;
};
/** A note may be of that one vehicle: it is taken only where somebody says so. */
const takes = ({ kind, id }: { kind: string; id: string }) => (kind !== 'notes') !== turned.value.includes(`${kind}/${id}`);
const wanted = computed((): Taken => {
  const of = (kind: Exclude<keyof Taken, 'ways'>) => entries.value.filter((entry) => entry.kind === kind && takes(entry)).map(({ id }) => id);
  return {
    pieces: of('pieces'),
    functions: of('functions'),
    mounts: of('mounts'),
    supplies: of('supplies'),
    sensors: of('sensors'),
    gaps: of('gaps'),
    plugs: of('plugs'),
    circuits: of('circuits'),
    facts: of('facts'),
    confirmed: of('confirmed'),
    otherwise: of('otherwise'),
    refitRules: of('refitRules'),
    without: of('without'),
    revived: of('revived'),
    measures: of('measures') as Taken['measures'],
    notes: of('notes'),
    kits: of('kits'),
    whole: of('whole') as Taken['whole'],
    ways: changes.value.filter((entry) => entry.takes).map(({ id }) => id),
  };
});
/** What is taken once what leads over something that was left is left as well. */
const taken = computed(() => taught.value && takenTogether(taught.value, props.profile, wanted.value));
const count = computed(() => {
  return Object.values(taken.value ?? {}).reduce((sum, list) => sum + list.length, 0);
});
/** What was not left but leads over something that was: pieces and places by their ways, kits by the places where they sit. */
const leftWith = computed(() => {
  const { pieces: kept = [], mounts = [], supplies = [], sensors = [], plugs = [], facts = [], kits = [] } = taken.value ?? {};
  const called = (slug: string) => entries.value.find(({ id }) => id === slug)?.to ?? slug;
  const missing = (ids: readonly string[], there: readonly string[]) => ids.filter((id) => !there.includes(id));
  return [
    ...missing(
      wanted.value.pieces,
      kept.map(({ id }) => id),
    ).map(name),
    ...missing(
      wanted.value.mounts,
      mounts.map(({ id }) => id),
    ).map(place),
    ...missing(
      wanted.value.plugs,
      plugs.map(({ id }) => id),
    ).map(called),
    ...missing(
      wanted.value.facts,
      facts.map(({ id }) => id),
    ).map(called),
    ...missing(
      wanted.value.kits,
      kits.map(({ slug }) => slug),
    ).map(called),
    ...missing(
      wanted.value.supplies,
      supplies.map(({ id }) => id),
    ).map(called),
    ...missing(
      wanted.value.sensors,
      sensors.map(({ id }) => id),
    ).map(called),
  ];
});
/** Pieces that would be added, as they are taken or left, and those of which something would be other, as they would stand on the sheet. */
const drawn = computed((): SheetPiece[] => {
  const { pieces: added = [], confirmed = [], otherwise = [] } = taught.value ?? {};
  const changed = new Set([
    ...[...confirmed, ...otherwise].map(({ entry }) => entry.id),
    ...changes.value.flatMap(({ change }) => ('piece' in change.place ? [change.place.piece] : [])),
  ]);
  return [
    ...added.map(({ entry }): SheetPiece => ({ piece: entry, level: 'fitted', part: wanted.value.pieces.includes(entry.id) ? 'planned' : 'other' })),
    ...props.profile.pieces.filter(({ id }) => changed.has(id)).map((piece): SheetPiece => ({ piece, level: 'fitted', part: 'now' })),
  ];
});
const chosenView = ref<View>();
const view = computed<View>(() => chosenView.value ?? viewOf(drawn.value[0]?.piece.zone ?? 'front'));
const here = computed(() => drawn.value.filter(({ piece }) => viewOf(piece.zone) === view.value));
const turn = (id: string) => (turned.value = turned.value.includes(id) ? turned.value.filter((other) => other !== id) : [...turned.value, id]);

async function keep(): Promise<void> {
  const { version, profile } = props;
  said.value = '';
  try {
    if (!taught.value) return;
    const now = await ask<{ version: number; kits: { slug: string; version: number }[] }>(`/api/taught/${encodeURIComponent(profile.slug)}`, { basedOn: version, ...wanted.value });
    emit('kept', TAUGHT.kept(now.version, now.kits.length));
    await load();
  } catch (error) {
    said.value = error instanceof Refused ? error.message : COMMON.away(TAUGHT.title);
  }
}
</script>

<template>
  <section class="leaf stack" :aria-label="TAUGHT.title">
    <h2>{{ TAUGHT.title }}</h2>
    <EmptyNote v-if="failed" kind="failed"
      >{{ TAUGHT.away }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!taught" kind="loading">{{ TAUGHT.reading }}</EmptyNote>
    <EmptyNote v-else-if="changes.length + entries.length === 0" kind="empty">{{ TAUGHT.none(taught.jobs) }}</EmptyNote>
    <template v-else>
      <p class="soft">{{ TAUGHT.found(entries.length, changes.length, taught.jobs) }}</p>
      <template v-if="drawn.length > 0">
        <div class="line">
          <ChoiceRow :label="TAUGHT.view" small :choices="VIEWS.map((value) => ({ value, text: value }))" :value="view" @choose="(value) => (chosenView = value)" />
          <span class="soft">{{ TAUGHT.drawn }}</span>
        </div>
        <VehicleSheet :profile="profile" :view="view" :pieces="here" :named="here.map(({ piece }) => piece.id)" :label="TAUGHT.sheet(view)" />
      </template>
      <ul class="rows">
        <li v-for="{ kind, id, to, says } in entries" :key="`${kind}/${id}`">
          <span class="grow stack tight"
            ><strong>{{ to }}</strong> <span class="soft">{{ says }}</span></span
          >
          <RightGate right="take in documents" quiet
            ><button type="button" class="push small" :aria-pressed="takes({ kind, id })" :aria-label="`${TAUGHT.take}: ${to}`" @click="turn(`${kind}/${id}`)">
              {{ TAUGHT.take }}
            </button></RightGate
          >
        </li>
        <li v-for="{ id, to, says, takes: taking } in changes" :key="`${to}/${id}`">
          <span class="grow stack tight">
            <span
              ><strong>{{ to }}:</strong> {{ says.now }}</span
            >
            <span v-for="way in says.before" :key="way" class="soft">{{ TAUGHT.shorter(way) }}</span>
            <span class="soft">{{ says.rests }}</span>
          </span>
          <RightGate right="take in documents" quiet
            ><button type="button" class="push small" :aria-pressed="taking" :aria-label="`${TAUGHT.take}: ${to}`" @click="turn(id)">{{ TAUGHT.take }}</button></RightGate
          >
        </li>
      </ul>
      <p v-if="leftWith.length > 0" class="heeded">{{ TAUGHT.leftWith(leftWith) }}</p>
      <div>
        <RightGate right="take in documents"
          ><button type="button" class="push main" :disabled="count === 0" @click="keep">{{ TAUGHT.save(version + 1) }}</button></RightGate
        >
      </div>
    </template>
    <p v-if="taught && taught.unsayable > 0" class="soft">{{ TAUGHT.unsayable(taught.unsayable) }}</p>
    <p v-for="(conflict, index) in taught?.conflicts ?? []" :key="index" class="heeded">{{ sayConflict(conflict, name) }}</p>
    <p v-if="said" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.tight {
  gap: 2px;
}
</style>
