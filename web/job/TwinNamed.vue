<script setup lang="ts">
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import type { Act } from '@jade/core/stations';
import { TWIN_NAMED } from '@jade/words/open-up';
import { sayRefusal } from '@jade/words/stations';
import FormDialog from '../design/FormDialog.vue';
import WordsField from '../design/WordsField.vue';
import { useDraft } from '../drafts/index.ts';
import { useCurrentJob } from './current.ts';
import { useRecording } from './recording.ts';

/** What the second of two is called that two devices called the same. */
const props = defineProps<{ id: string; called: string; title: string; actOf: (name: string) => Act }>();
const emit = defineEmits<{ close: [] }>();
const { job, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/twin/${props.id}`,
  () => ({ name: '' }),
);
const act = computed(() => props.actOf(draft.value.name));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog :title="title" :action="TWIN_NAMED.record" :ready="refusals.length === 0" :width="520" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p>{{ TWIN_NAMED.secondHint(called) }}</p>
    <WordsField v-model="draft.name" autofocus :label="TWIN_NAMED.second" :most="LONGEST_TEXT.accessory" />
    <p v-for="refusal in draft.name.trim() === '' ? [] : refusals" :key="refusal.code" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
  </FormDialog>
</template>
