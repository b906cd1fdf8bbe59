<script setup lang="ts">
import { computed } from 'vue';
import { checkIn, isRefused } from '@jade/core/stations';
import { typedMeasure } from '@jade/core/units';
import { withMeasures, type MeasureId, type TakenMeasures } from '@jade/core/vehicle';
import { MEASURES_TAKEN } from '@jade/words/check-in';
import { MEASURE_NAMES } from '@jade/words/names';
import { sayRefusal } from '@jade/words/stations';
import FormDialog from '../../design/FormDialog.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';

/** Measures of a kind of vehicle that nobody has taken, as they are taken on this one. */
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/measures`,
  () => ({ typed: {} as Partial<Record<MeasureId, string>> }),
);
const open = computed(() => checkIn.measuresOpen(context.value));
const typed = (id: MeasureId) => draft.value.typed[id]?.trim() ?? '';
const read = (id: MeasureId) => typedMeasure(typed(id), 'mm');
const odd = computed(() => open.value.filter((id) => typed(id) !== '' && 'fault' in read(id)));
const taken = computed((): TakenMeasures =>
  Object.fromEntries(
    open.value.flatMap((id) => {
      const value = read(id);
      return typed(id) === '' || 'fault' in value ? [] : [[id, value.value] as const];
    }),
  ),
);
const act = computed(() => checkIn.measured(context.value, taken.value));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
/** As it is drawn by what is written. */
const profile = computed(() => (isRefused(act.value) ? context.value.profile : withMeasures(context.value.profile, taken.value)));
const ready = computed(() => refusals.value.length === 0 && odd.value.length === 0);
</script>

<template>
  <FormDialog :title="MEASURES_TAKEN.title" :action="MEASURES_TAKEN.record" :ready="ready" :width="720" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p>{{ MEASURES_TAKEN.why }}</p>
    <VehicleSheet :profile="profile" view="side" :label="MEASURES_TAKEN.drawing" />
    <div class="fields">
      <v-text-field
        v-for="id in open"
        :key="id"
        v-model="draft.typed[id]"
        :label="MEASURES_TAKEN.field(id)"
        :placeholder="MEASURES_TAKEN.typical(context.profile.measures[id])"
        persistent-placeholder
        inputmode="decimal"
        maxlength="10"
        variant="outlined"
        density="comfortable"
        hide-details
        :error="odd.includes(id)"
      />
    </div>
    <p v-for="id in odd" :key="id" class="odd" role="status">{{ MEASURES_TAKEN.notRead(MEASURE_NAMES[id]) }}</p>
    <template v-for="(refusal, index) in refusals" :key="index">
      <p v-if="refusal.code === 'measure-out'" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
    </template>
  </FormDialog>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 10px;
}
</style>
