<script setup lang="ts">
import { computed } from 'vue';
import { v4 } from 'uuid';
import type { ClosePlan, CloseStep } from '@jade/core/closing';
import { LONGEST_TEXT } from '@jade/core/events';
import { closeUp } from '@jade/core/stations';
import { BACK_FIRST } from '@jade/words/closing';
import { sayRefusal } from '@jade/words/stations';
import { inSentence } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import FormDialog from '../../design/FormDialog.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';

/** What has to go back before a piece: said where it is seen, and kept to from then on. */
const props = defineProps<{ step: CloseStep; closing: ClosePlan }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const pieces = computed(() => closeUp.canGoFirst(context.value, props.closing, props.step));
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/back-first/${props.step.piece}`,
  () => ({ drawn: v4().slice(0, 8), first: '', why: '' }),
);
const act = computed(() => closeUp.goesBackFirst(context.value, props.closing, props.step, { first: draft.value.first, why: draft.value.why, id: `back-${draft.value.drawn}` }));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog
    :title="BACK_FIRST.title(inSentence(names.piece(step.piece)))"
    :action="BACK_FIRST.action"
    :ready="refusals.length === 0"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <ChoiceRow
      :label="BACK_FIRST.which"
      named
      small
      :choices="pieces.map((value) => ({ value, text: names.piece(value) }))"
      :value="draft.first"
      @choose="(first) => (draft.first = first)"
    />
    <WordsField v-model="draft.why" :label="BACK_FIRST.why" :most="LONGEST_TEXT.why" />
    <template v-for="refusal in refusals" :key="refusal.code">
      <p v-if="refusal.code !== 'nothing' && refusal.code !== 'unknown'" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
    </template>
  </FormDialog>
</template>
