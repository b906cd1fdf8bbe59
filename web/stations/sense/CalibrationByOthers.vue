<script setup lang="ts">
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { sense } from '@jade/core/stations';
import { CALIBRATION } from '@jade/words/sensing';
import FormDialog from '../../design/FormDialog.vue';
import { fits } from '../../design/words.ts';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';

/** A calibration left to others: who does it, and until which day. */
const props = defineProps<{ sensor: string }>();
const emit = defineEmits<{ close: [] }>();
const { job, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/calibration/${props.sensor}/by-others`,
  () => ({ by: '', dueOn: '' }),
);
const ready = computed(() => fits(draft.value.by, LONGEST_TEXT.aimer) && draft.value.dueOn !== '');

function record(): void {
  void job.perform(sense.calibratedByOthers(props.sensor, draft.value.by, draft.value.dueOn));
  if (job.refusals.length > 0) return;
  drop();
  emit('close');
}
</script>

<template>
  <FormDialog
    :title="`${names.sensor(sensor)}: ${CALIBRATION['by others'].toLowerCase()}`"
    :action="CALIBRATION.record"
    :ready="ready"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <WordsField v-model="draft.by" :label="CALIBRATION.who" :most="LONGEST_TEXT.aimer" autofocus />
    <v-text-field v-model="draft.dueOn" :label="CALIBRATION.until" type="date" variant="outlined" density="comfortable" hide-details />
    <p class="soft">{{ CALIBRATION.limit }}</p>
  </FormDialog>
</template>
