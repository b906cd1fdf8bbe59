<script setup lang="ts">
import { computed, watch } from 'vue';
import { BODIES, checkProfile, newKind, TYPICAL_MEASURES, type Body } from '@jade/core/vehicle';
import { typedMeasure } from '@jade/core/units';
import { NEW_KIND, sayKindFault } from '@jade/words/customers';
import { BODY_NAMES } from '@jade/words/library';
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
const profile = computed(() => kind.value && newKind(kind.value));
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
