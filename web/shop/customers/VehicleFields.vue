<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { LONGEST, plateKey, readYear, remarksOn, yearsTold, type NumberedKind } from '@jade/core/customers';
import { COMMON } from '@jade/words/common';
import { sayVehicleRemark, VEHICLE_FIELDS } from '@jade/words/customers';
import { fits, within } from '../../design/words.ts';
import { ask } from '../../ask/index.ts';
import WordsField from '../../design/WordsField.vue';
import CustomerField from './CustomerField.vue';
import { newKindDraft, type VehicleDraft } from './draft.ts';
import NewKindFields from './NewKindFields.vue';

const draft = defineModel<VehicleDraft>({ required: true });
/** Whether its kind can be made with it: a vehicle that is known already has one. */
const props = defineProps<{ mayMakeKind?: boolean }>();
const kindReady = ref(false);
const emit = defineEmits<{ ready: [ready: boolean] }>();
const kinds = ref<{ value: string; title: string }[]>();
const kind = ref<NumberedKind>();
const away = ref(false);

async function load(): Promise<void> {
  try {
    const documents = await ask<{ kind: string; slug: string; title: string }[]>('/api/documents');
    kinds.value = documents.filter((entry) => entry.kind === 'vehicle').map(({ slug, title }) => ({ value: slug, title }));
    away.value = false;
  } catch {
    away.value = true;
  }
}
onMounted(load);

watch(
  () => draft.value.profile,
  async (profile) => {
    kind.value = undefined;
    if (!profile) return;
    const read = await ask<{ document: NumberedKind }>(`/api/documents/vehicle/${profile}`).catch(() => undefined);
    if (draft.value.profile === profile) kind.value = read?.document;
  },
  { immediate: true },
);

const readAs = computed(() => readYear(draft.value.year));
const year = computed(() => readAs.value ?? undefined);
const wrongYear = computed(() => readAs.value === null);
const told = computed(() => (kind.value && draft.value.number.trim() ? yearsTold(draft.value.number, kind.value) : []));
const remarks = computed(() => (kind.value ? remarksOn({ number: draft.value.number.trim() || undefined, year: year.value }, kind.value) : []).map(sayVehicleRemark));
const wordsFit = computed(() => {
  const { plate, number, colour, owner } = draft.value;
  return [fits(plate, LONGEST.plate), within(number, LONGEST.number), within(colour, LONGEST.colour), fits(owner.name, LONGEST.customer)].every(Boolean);
});
const ready = computed(() => wordsFit.value && plateKey(draft.value.plate) !== '' && (draft.value.kind ? kindReady.value : draft.value.profile !== undefined) && !wrongYear.value);
watch(ready, (value) => emit('ready', value), { immediate: true });
function makeKind(): void {
  draft.value.profile = undefined;
  draft.value.kind = newKindDraft();
}
/** A year that the number alone can mean is filled in where none stands yet. */
watch(told, ([only, ...others]) => {
  if (only !== undefined && others.length === 0 && draft.value.year.trim() === '') draft.value.year = String(only);
});
</script>

<template>
  <div class="stack">
    <div class="row">
      <WordsField v-model="draft.plate" :label="VEHICLE_FIELDS.plate" :most="LONGEST.plate" autocapitalize="characters" />
      <p v-if="draft.kind" class="line">
        <strong>{{ VEHICLE_FIELDS.newKind }}</strong>
        <button type="button" class="push small plain" @click="draft.kind = undefined">{{ VEHICLE_FIELDS.knownKind }}</button>
      </p>
      <v-select v-else v-model="draft.profile" :label="VEHICLE_FIELDS.kind" :items="kinds ?? []" :loading="!kinds && !away" :no-data-text="VEHICLE_FIELDS.noProfile" />
    </div>
    <div v-if="props.mayMakeKind && !draft.kind && !draft.profile">
      <button type="button" class="push small" @click="makeKind">{{ VEHICLE_FIELDS.makeKind }}</button>
    </div>
    <NewKindFields v-if="draft.kind" v-model="draft.kind" :year="year" @ready="(value) => (kindReady = value)" />
    <p v-else-if="kinds?.length === 0 && !props.mayMakeKind" class="odd">
      {{ VEHICLE_FIELDS.noKind }} <router-link :to="{ name: 'library' }">{{ VEHICLE_FIELDS.takeProfile }}</router-link> {{ VEHICLE_FIELDS.thenKits }}
    </p>
    <p v-if="away" class="bad" role="alert">
      {{ VEHICLE_FIELDS.away }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button>
    </p>
    <div class="row numbers">
      <WordsField v-model="draft.number" :label="VEHICLE_FIELDS.number" class="mono" :most="LONGEST.number" autocapitalize="characters" spellcheck="false" />
      <v-text-field
        v-model="draft.year"
        :label="VEHICLE_FIELDS.modelYear"
        maxlength="4"
        inputmode="numeric"
        variant="outlined"
        density="comfortable"
        hide-details
        :error="wrongYear"
      />
      <WordsField v-model="draft.colour" :label="VEHICLE_FIELDS.colour" :most="LONGEST.colour" />
    </div>
    <div aria-live="polite">
      <p v-if="told.length > 0" class="soft">{{ VEHICLE_FIELDS.tells(told) }}</p>
      <p v-for="remark in remarks" :key="remark" class="odd">{{ remark }}</p>
      <p v-if="wrongYear" class="bad">{{ VEHICLE_FIELDS.fourDigits }}</p>
    </div>
    <CustomerField v-model="draft.owner" />
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(120px, 1fr) minmax(0, 2fr);
  gap: 12px;
}

.numbers {
  grid-template-columns: minmax(0, 2.4fr) minmax(110px, 1fr) minmax(110px, 1fr);
}

@media (max-width: 700px) {
  .row,
  .numbers {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
