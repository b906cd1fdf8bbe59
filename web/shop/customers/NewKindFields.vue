<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { BODIES, checkProfile, isMuchLike, newKind, TYPICAL_MEASURES, type Body, type KnownKind, type VehicleProfile } from '@jade/core/vehicle';
import { typedMeasure } from '@jade/core/units';
import { NEW_KIND, sayKindFault } from '@jade/words/customers';
import { BODY_NAMES } from '@jade/words/library';
import { ask } from '../../ask/index.ts';
import ChoiceRow from '../../design/ChoiceRow.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import WordsField from '../../design/WordsField.vue';
import { fits } from '../../design/words.ts';
import { kindOf, type KindDraft } from './draft.ts';

/** A kind of vehicle that nobody has described: its name, its body and four measures; it is drawn while they are written. */
const draft = defineModel<KindDraft>({ required: true });
const props = defineProps<{ year?: number }>();
const emit = defineEmits<{ ready: [ready: boolean] }>();
const MEASURES = ['lengthMm', 'wheelbaseMm', 'widthMm', 'heightMm'] as const;
const LONGEST_NAME = 60;

/** Measures of such a body stand there until somebody writes others. */
function choose(body: Body): void {
  const before = draft.value.body && TYPICAL_MEASURES[draft.value.body];
  draft.value.body = body;
  for (const field of MEASURES) if (draft.value[field] === '' || draft.value[field] === String(before?.[field])) draft.value[field] = String(TYPICAL_MEASURES[body][field]);
}
const typical = computed(() => {
  const { body } = draft.value;
  return body ? MEASURES.filter((field) => draft.value[field] === String(TYPICAL_MEASURES[body][field])) : [];
});
const faultOf = (field: (typeof MEASURES)[number]) => draft.value[field] !== '' && 'fault' in typedMeasure(draft.value[field], 'mm');
const kind = computed(() => kindOf(draft.value, props.year));
/** Kinds that the shop knows, to take one over that is much like it. */
const known = ref<KnownKind[]>([]);
onMounted(async () => void (known.value = await ask<KnownKind[]>('/api/known-kinds').catch(() => [])));
const alike = computed(() => {
  const { body, highVoltage } = draft.value;
  return body && highVoltage ? known.value.filter((other) => other.pieces > 0 && isMuchLike({ body, highVoltage: highVoltage === 'yes' }, other)) : [];
});
watch(alike, (offered) => {
  if (draft.value.like && known.value.length > 0 && !offered.some(({ slug }) => slug === draft.value.like?.slug)) draft.value.like = undefined;
});
/** Takes a kind as it stands now; none where the choice is cleared. */
function chooseLike(slug: string | null): void {
  const other = alike.value.find((entry) => entry.slug === slug);
  draft.value.like = other && { slug: other.slug, version: other.version };
}
/** The profile that is taken over, once it is read. */
const like = shallowRef<VehicleProfile>();
watch(
  () => draft.value.like,
  async (chosen) => {
    like.value = undefined;
    if (!chosen) return;
    const read = await ask<{ document: VehicleProfile }>(`/api/documents/vehicle/${encodeURIComponent(chosen.slug)}?version=${chosen.version}`).catch(() => undefined);
    if (draft.value.like?.slug === chosen.slug) like.value = read?.document;
  },
  { immediate: true },
);
const takenPieces = computed(() => alike.value.find(({ slug }) => slug === draft.value.like?.slug)?.pieces ?? 0);
const profile = computed(() => kind.value && newKind(kind.value, like.value));
const faults = computed(() => (profile.value ? checkProfile(profile.value) : []));
const ready = computed(() => profile.value !== undefined && faults.value.length === 0 && fits(draft.value.maker, LONGEST_NAME) && fits(draft.value.model, LONGEST_NAME));
watch(ready, (value) => emit('ready', value), { immediate: true });
</script>

<template>
  <section class="stack kind" :aria-label="NEW_KIND.title">
    <p class="soft">{{ NEW_KIND.why }}</p>
    <div class="two">
      <WordsField v-model="draft.maker" :label="NEW_KIND.maker" :most="LONGEST_NAME" />
      <WordsField v-model="draft.model" :label="NEW_KIND.model" :most="LONGEST_NAME" />
    </div>
    <div class="two sheet">
      <div class="stack">
        <v-select
          :model-value="draft.body"
          :label="NEW_KIND.body"
          :items="BODIES.map((value) => ({ value, title: BODY_NAMES[value] }))"
          @update:model-value="(value) => choose(value as Body)"
        />
        <div class="two measures">
          <v-text-field
            v-for="field in MEASURES"
            :key="field"
            v-model="draft[field]"
            :label="NEW_KIND[field]"
            inputmode="decimal"
            maxlength="10"
            variant="outlined"
            density="comfortable"
            hide-details
            :error="faultOf(field)"
          />
        </div>
        <p v-if="typical.length > 0" class="soft">{{ NEW_KIND.typical(typical.length) }}</p>
      </div>
      <VehicleSheet v-if="profile && faults.length === 0" :profile="profile" view="side" :label="NEW_KIND.drawing" />
    </div>
    <p v-for="fault in faults" :key="fault.path" class="bad" role="alert">{{ sayKindFault(fault) }}</p>
    <div class="line">
      <ChoiceRow
        :label="NEW_KIND.system"
        small
        :choices="[
          { value: '12', text: '12 V' },
          { value: '24', text: '24 V' },
        ]"
        :value="draft.voltage"
        @choose="(value) => (draft.voltage = value)"
      />
      <ChoiceRow
        :label="NEW_KIND.highVoltage"
        small
        :choices="[
          { value: 'no', text: NEW_KIND.noHighVoltage },
          { value: 'yes', text: NEW_KIND.highVoltage },
        ]"
        :value="draft.highVoltage"
        @choose="(value) => (draft.highVoltage = value)"
      />
    </div>
    <template v-if="alike.length > 0">
      <v-select
        :model-value="draft.like?.slug"
        :label="NEW_KIND.like"
        clearable
        :items="alike.map(({ slug, name }) => ({ value: slug, title: name }))"
        @update:model-value="chooseLike"
      />
      <p class="soft">{{ draft.like ? NEW_KIND.taken(takenPieces) : NEW_KIND.likeWhy }}</p>
    </template>
    <p v-if="!ready && faults.length === 0" class="soft">{{ NEW_KIND.missing }}</p>
  </section>
</template>

<style scoped>
.kind {
  padding: 12px 14px;
  border-left: 5px solid var(--line);
}

.two {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
}

.two.sheet {
  align-items: center;
}

@media (max-width: 700px) {
  .two.sheet {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
