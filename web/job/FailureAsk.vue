<script setup lang="ts">
import { LONGEST_TEXT } from '@jade/core/events';
import { FAILURE } from '@jade/words/fit';
import AskText from '../design/AskText.vue';
import { useCurrentJob } from './current.ts';

/** A test that failed: what it did is written down with it. `closed` where everything was closed. */
defineProps<{ of: { kit: string; test: string }; closed?: boolean }>();
const emit = defineEmits<{ written: [note: string]; close: [] }>();
const { job } = useCurrentJob();
</script>

<template>
  <AskText
    :title="closed ? FAILURE.closed : FAILURE.open"
    :label="FAILURE.did"
    :action="FAILURE.record"
    :about="`${job.view?.id}/${closed ? 'closed' : 'test'}/${of.kit}/${of.test}`"
    :most="LONGEST_TEXT.note"
    @written="(note) => emit('written', note)"
    @close="emit('close')"
  />
</template>
