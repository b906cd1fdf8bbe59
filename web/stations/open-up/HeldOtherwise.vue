<script setup lang="ts">
import { computed } from 'vue';
import type { OpenStep } from '@jade/core/access';
import { openUp } from '@jade/core/stations';
import { HELD } from '@jade/words/open-up';
import { sayRefusal } from '@jade/words/stations';
import FormDialog from '../../design/FormDialog.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';
import HeldBy from './HeldBy.vue';
import type { CameDraft } from './came.ts';

/** A piece of the profile that is held otherwise than that says: what holds it on this vehicle. */
const props = defineProps<{ step: OpenStep }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/held/${props.step.piece}/${props.step.level}`,
  (): Pick<CameDraft, 'fasteners' | 'other'> => ({ fasteners: openUp.cameOutOf(props.step.fasteners), other: { size: '', lengthMm: '' } }),
);
const act = computed(() => openUp.heldOtherwise(context.value, props.step, draft.value.fasteners));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog :title="HELD.title(names.piece(step.piece))" :action="HELD.action" :ready="refusals.length === 0" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p class="soft">{{ HELD.why }}</p>
    <HeldBy v-model:fasteners="draft.fasteners" v-model:other="draft.other" :called="names.piece(step.piece)" />
    <template v-for="refusal in refusals" :key="refusal.code">
      <p v-if="refusal.code !== 'already'" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
    </template>
  </FormDialog>
</template>
