<script setup lang="ts">
import dayjs from 'dayjs';
import { v7 } from 'uuid';
import { computed, onMounted, ref, watch } from 'vue';
import { LONGEST_TEXT, type FollowsWhy } from '@jade/core/events';
import { kitSlug } from '@jade/core/kit';
import { mileageFell, plateKey, MILEAGE_UNITS, readCounter, type MileageUnit } from '@jade/core/customers';
import type { VehicleFound, VehiclesFound } from '@jade/contract/customers';
import { judgeOpening } from '@jade/core/judging';
import { OPEN_JOB } from '@jade/words/board';
import { COMMON } from '@jade/words/common';
import { sayMileage } from '@jade/words/customers';
import { FOLLOWING } from '@jade/words/itself';
import { OPENING_DOUBTS, SECOND_JOB } from '@jade/words/judging';
import ChoiceRow from '../../design/ChoiceRow.vue';
import FormDialog from '../../design/FormDialog.vue';
import { within } from '../../design/words.ts';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { ask, Refused } from '../../ask/index.ts';
import { useClock } from '../../job/clock.ts';
import NewKitFields from '../../job/NewKitFields.vue';
import { kitOf, newKitDraft, type KitDraft } from '../../job/kit-draft.ts';
import { bodyOf, newDraft, type VehicleDraft } from '../customers/draft.ts';
import VehicleFields from '../customers/VehicleFields.vue';
import VehicleLine from '../customers/VehicleLine.vue';
import VehicleSearch from '../customers/VehicleSearch.vue';

interface Listed {
  kind: string;
  slug: string;
  title: string;
  /** Kinds of vehicle that a kit names, by profile. */
  vehicles: string[];
}

const props = defineProps<{ vehicle?: VehicleFound }>();
const emit = defineEmits<{ close: []; opened: [id: string] }>();
/** Made once, so that a second press sends the same job. */
const id = v7();

/** What is written down of a job before it is opened. */
interface Written {
  known: VehicleFound | null;
  making: boolean;
  vehicle: VehicleDraft;
  chosen: string[];
  /** A kit that is made with the job. */
  newKit?: KitDraft;
  promised: string;
  bay: string | null;
  wish: string;
  keys: string;
  counter: string;
  unit: MileageUnit | null;
  /** Why it comes again for what its last job fitted. */
  follows: FollowsWhy | null;
}
const {
  draft: written,
  kept,
  drop,
} = useDraft(`open-job/${props.vehicle?.id ?? ''}`, (): Written => ({
  known: props.vehicle ?? null,
  making: false,
  vehicle: newDraft(),
  chosen: [],
  promised: '',
  bay: null,
  wish: '',
  keys: '',
  counter: '',
  unit: null,
  follows: null,
}));
/** A field of what is written. */
const field = <K extends keyof Written>(name: K) => computed({ get: () => written.value[name], set: (value: Written[K]) => void (written.value[name] = value) });
const known = field('known');
const words = ref('');
const draft = field('vehicle');
const making = field('making');
const draftReady = ref(false);
/** It is another vehicle than the one with the same plate. */
const another = ref(false);

const kits = ref<Listed[]>([]);
const bays = ref<string[]>([]);
const currency = ref('');
const chosen = field('chosen');
const newKitWritten = field('newKit');
const made = computed(() => newKitWritten.value && kitOf(newKitWritten.value));
const promised = field('promised');
const bay = field('bay');
const wish = field('wish');
const keys = field('keys');
const counter = field('counter');
const why = field('follows');
/** The last job of the vehicle, where it has left: this one may follow it. */
const last = computed(() => (!making.value && known.value?.lastVisit?.signed && known.value.lastVisit.kits.length > 0 ? known.value.lastVisit : undefined));
const follows = computed(() => (last.value && why.value ? { job: last.value.job, why: why.value } : undefined));
const REASONS = [
  { value: 'no', text: FOLLOWING.no },
  { value: 'recheck', text: FOLLOWING.recheck },
  { value: 'comeback', text: FOLLOWING.comeback },
] as const;
const ownUnit = field('unit');
/** What the shop's counters show, unless something else is chosen for this one. */
const shopUnit = ref<MileageUnit>('km');
const unit = computed({ get: () => ownUnit.value ?? shopUnit.value, set: (chosen: MileageUnit) => void (ownUnit.value = chosen) });
const clock = useClock();
const fault = ref('');
/** A vehicle of the shop has the plate or the number that was written. */
const alike = ref<'plate-known' | 'number-known'>();
const sending = ref(false);

onMounted(async () => {
  try {
    const [documents, shop] = await Promise.all([ask<Listed[]>('/api/documents'), ask<{ bays: string[]; mileageUnit: MileageUnit | null; currency: string } | null>('/api/shop')]);
    kits.value = documents.filter((entry) => entry.kind === 'kit');
    bays.value = shop?.bays ?? [];
    currency.value = shop?.currency ?? '';
    shopUnit.value = shop?.mileageUnit ?? 'km';
  } catch {
    fault.value = COMMON.away(OPEN_JOB.theKits);
  }
});

function makeNew(plate: string): void {
  draft.value = newDraft(plate.toUpperCase().slice(0, 16));
  known.value = null;
  making.value = true;
}
function back(): void {
  known.value = null;
  making.value = false;
  another.value = false;
  second.value = false;
  alike.value = undefined;
  fault.value = '';
}
watch(
  () => draft.value.plate,
  () => {
    another.value = false;
    alike.value = undefined;
    fault.value = '';
  },
);

/** Slug of its kind; of one that is made with it no kit can name it yet. */
const profile = computed(() => (making.value ? (draft.value.kind ? '' : draft.value.profile) : known.value?.profile));
const fitting = computed(() => kits.value.filter((kit) => profile.value === undefined || kit.vehicles.includes(profile.value)));
/** Kits that name the vehicle first; the others say that they do not. */
const offered = computed(() => {
  const others = kits.value.filter((kit) => !fitting.value.includes(kit));
  return [...fitting.value.map((kit) => ({ value: kit.slug, title: kit.title })), ...others.map((kit) => ({ value: kit.slug, title: OPEN_JOB.notNaming(kit.title) }))];
});
const readAs = computed(() => readCounter(counter.value, unit.value));
const mileage = computed(() => readAs.value ?? undefined);
const wrongCounter = computed(() => readAs.value === null);
const before = computed(() => known.value?.lastVisit?.mileage ?? undefined);
const fell = computed(() => mileage.value !== undefined && before.value !== undefined && mileageFell(before.value, mileage.value));
const hasVehicle = computed(() => (making.value ? draftReady.value : known.value !== null));
const wordsFit = computed(() => within(wish.value, LONGEST_TEXT.wish) && within(keys.value, LONGEST_TEXT.keys));
/** A job without a kit looks at what an earlier one fitted. */
const hasWork = computed(() => (newKitWritten.value ? made.value !== undefined : chosen.value.length > 0 || follows.value !== undefined));
/** A second job beside one that is open is meant. */
const second = ref(false);
const doubts = computed(() =>
  judgeOpening(promised.value ? new Date(promised.value).toISOString() : undefined, making.value ? undefined : known.value?.lastVisit?.signed, second.value, clock.value),
);
const ready = computed(() => doubts.value.length === 0 && hasVehicle.value && wordsFit.value && hasWork.value && !wrongCounter.value && !sending.value);
const missing = computed(() => [...(hasVehicle.value ? [] : [making.value ? OPEN_JOB.missingNew : OPEN_JOB.missingVehicle]), ...(hasWork.value ? [] : [OPEN_JOB.missingKit])]);

async function open(): Promise<void> {
  fault.value = '';
  alike.value = undefined;
  sending.value = true;
  try {
    const body = {
      id,
      ...(making.value ? { newVehicle: { ...bodyOf(draft.value), ...(another.value ? { another: true } : {}) } } : { vehicle: known.value?.id }),
      kits: [...chosen.value.map((slug) => ({ slug })), ...(made.value ? [{ slug: kitSlug(made.value), make: made.value }] : [])],
      ...(follows.value ? { follows: follows.value } : {}),
      ...(promised.value ? { promisedAt: new Date(promised.value).toISOString() } : {}),
      ...(bay.value ? { bay: bay.value } : {}),
      ...(wish.value.trim() ? { wish: wish.value.trim() } : {}),
      ...(mileage.value ? { mileage: mileage.value } : {}),
      ...(keys.value.trim() ? { keys: keys.value.trim() } : {}),
    };
    const opened = await ask<{ id: string }>('/api/jobs', body);
    drop();
    emit('opened', opened.id);
  } catch (error) {
    fault.value = error instanceof Refused ? error.message : COMMON.keptHere;
    const codes = error instanceof Refused ? error.faults.map(({ code }) => code) : [];
    alike.value = (['number-known', 'plate-known'] as const).find((code) => codes.includes(code));
  } finally {
    sending.value = false;
  }
}

/** The vehicle that the shop has under this plate or number. */
async function takeKnown(): Promise<void> {
  const { plate, number } = draft.value;
  for (const text of [number.trim(), plate].filter(Boolean)) {
    const { vehicles } = await ask<VehiclesFound>(`/api/vehicles?find=${encodeURIComponent(plateKey(text))}`);
    const same = vehicles.find((vehicle) => plateKey(vehicle.plate) === plateKey(plate) || (number && vehicle.number === plateKey(number)));
    if (!same) continue;
    back();
    known.value = same;
    return;
  }
}

async function openAnyway(): Promise<void> {
  another.value = true;
  await open();
}
</script>

<template>
  <FormDialog :title="OPEN_JOB.title" :action="OPEN_JOB.open" :ready="ready" :width="760" :kept="kept" @confirm="open" @anew="drop" @close="emit('close')">
    <section class="stack" aria-labelledby="open-vehicle">
      <h3 id="open-vehicle">{{ OPEN_JOB.vehicle }}</h3>
      <VehicleSearch v-if="!known && !making" :label="OPEN_JOB.find" :most="5" autofocus @picked="(vehicle) => (known = vehicle)" @typed="(text) => (words = text)">
        <template #none="{ words: none }">
          <p class="soft">{{ none ? OPEN_JOB.noneFound(none) : OPEN_JOB.noVehicle }}</p>
        </template>
      </VehicleSearch>
      <div v-if="!known && !making">
        <button type="button" class="push" @click="makeNew(words.trim())">{{ OPEN_JOB.newVehicle }}</button>
      </div>
      <template v-else-if="known">
        <div class="taken">
          <VehicleLine :vehicle="known" /><button type="button" class="push small" @click="back">{{ OPEN_JOB.anotherVehicle }}</button>
        </div>
        <p v-if="known.lastVisit" class="soft">
          {{
            OPEN_JOB.lastHere(
              dayjs(known.lastVisit.openedAt).format('D MMMM YYYY'),
              known.lastVisit.kits,
              known.lastVisit.mileage ? sayMileage(known.lastVisit.mileage) : undefined,
              !known.lastVisit.signed,
            )
          }}
        </p>
        <template v-if="last">
          <h4>{{ FOLLOWING.ask }}</h4>
          <ChoiceRow :label="FOLLOWING.ask" :choices="REASONS" :value="why ?? 'no'" small @choose="(value) => (why = value === 'no' ? null : value)" />
          <p v-if="follows" class="soft">{{ FOLLOWING.hint }}</p>
        </template>
      </template>
      <template v-else>
        <VehicleFields :key="String(kept)" v-model="draft" may-make-kind @ready="(value) => (draftReady = value)" />
        <div>
          <button type="button" class="push small plain" @click="back">{{ OPEN_JOB.toSearch }}</button>
        </div>
      </template>
    </section>
    <section class="stack" aria-labelledby="open-work">
      <h3 id="open-work">{{ OPEN_JOB.work }}</h3>
      <v-select v-model="chosen" :label="OPEN_JOB.kits" multiple :items="offered" :no-data-text="OPEN_JOB.noKit" />
      <NewKitFields v-if="newKitWritten" v-model="newKitWritten" :currency="currency" @leave="newKitWritten = undefined" />
      <div v-else>
        <button type="button" class="push small" @click="newKitWritten = newKitDraft()">{{ OPEN_JOB.newKit }}</button>
      </div>
      <p v-if="draft.kind && making" class="soft">{{ OPEN_JOB.newKindKits }}</p>
      <p v-else-if="profile && kits.length > 0 && fitting.length === 0" class="soft">{{ OPEN_JOB.noneNames }}</p>
      <WordsField v-model="wish" :label="OPEN_JOB.wish" :most="LONGEST_TEXT.wish" />
      <div class="fields">
        <v-text-field v-model="promised" :label="OPEN_JOB.promised" type="datetime-local" variant="outlined" density="comfortable" hide-details />
        <v-select v-model="bay" :label="OPEN_JOB.bay" clearable :items="bays" :no-data-text="OPEN_JOB.noBays" />
      </div>
      <div class="fields arrival">
        <v-text-field v-model="counter" :label="OPEN_JOB.counter" maxlength="11" inputmode="numeric" variant="outlined" density="comfortable" hide-details :error="wrongCounter" />
        <v-select v-model="unit" :label="OPEN_JOB.unit" :items="[...MILEAGE_UNITS]" />
        <WordsField v-model="keys" :label="OPEN_JOB.keysHang" :most="LONGEST_TEXT.keys" />
      </div>
      <p v-if="wrongCounter" class="bad" role="alert">{{ OPEN_JOB.counterWhole }}</p>
      <p v-if="fell && before" class="odd" role="status">{{ OPEN_JOB.showedBefore(sayMileage(before)) }}</p>
    </section>
    <p v-for="doubt in doubts" :key="doubt" class="odd" role="alert">{{ OPENING_DOUBTS[doubt] }}</p>
    <div v-if="doubts.includes('job open')" class="line">
      <button type="button" class="push small" @click="emit('opened', known?.lastVisit?.job ?? '')">{{ SECOND_JOB.go }}</button>
      <button type="button" class="push small" @click="second = true">{{ SECOND_JOB.second }}</button>
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <div v-if="alike" class="line">
      <button type="button" class="push small" @click="takeKnown">{{ OPEN_JOB.takeKnown }}</button>
      <button v-if="alike === 'plate-known'" type="button" class="push small" @click="openAnyway">{{ OPEN_JOB.isAnother }}</button>
    </div>
    <p v-else-if="missing.length > 0" class="soft">{{ OPEN_JOB.stillMissing(missing) }}</p>
  </FormDialog>
</template>

<style scoped>
.taken {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
}

.fields.arrival {
  grid-template-columns: minmax(0, 1.2fr) 96px minmax(0, 1.2fr);
}

@media (max-width: 700px) {
  .taken {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
