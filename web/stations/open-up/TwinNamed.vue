<script setup lang="ts">
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/job';
import { openUp } from '@jade/core/stations';
import { TWINS } from '@jade/words/open-up';
import { sayRefusal } from '@jade/words/stations';
import FormDialog from '../../design/FormDialog.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';

/** What the second of two pieces is called that two devices called the same. */
const props = defineProps<{ twin: openUp.Twin }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/twin/${props.twin.piece.id}`,
  () => ({ name: '' }),
);
const act = computed(() => openUp.areTwo(context.value, props.twin.piece.id, draft.value.name));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog :title="TWINS.twoTitle" :action="TWINS.record" :ready="refusals.length === 0" :width="520" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p>{{ TWINS.secondHint(twin.piece.name) }}</p>
    <WordsField v-model="draft.name" autofocus :label="TWINS.second" :most="LONGEST_TEXT.accessory" />
    <p v-for="refusal in draft.name.trim() === '' ? [] : refusals" :key="refusal.code" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
  </FormDialog>
</template>
