<script setup lang="ts">
import { computed } from 'vue';
import { openUp } from '@jade/core/stations';
import { entryId } from '@jade/core/vehicle';
import { PIECE_CAME } from '@jade/words/open-up';
import { sayRefusal } from '@jade/words/stations';
import FormDialog from '../../design/FormDialog.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';
import { cameOf, newCame, type CameDraft } from './came.ts';
import PieceFields from './PieceFields.vue';

/** A piece that came open and that nobody has described: where it is, what it is called, what held it. The step's clock ran to the tap that opened this. */
const emit = defineEmits<{ close: []; done: [piece: string] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/came/`,
  (): CameDraft => newCame(job.state),
);
const id = computed(() => entryId(draft.value.name, draft.value.drawn));
const act = computed(() => openUp.pieceCame(context.value, cameOf(draft.value, context.value.profile), id.value, draft.value.sure));
const { refusals, doubtful, record } = useRecording(act, () => {
  const piece = id.value;
  drop();
  emit('done', piece);
});
</script>

<template>
  <FormDialog
    :title="PIECE_CAME.title"
    :action="PIECE_CAME.record(draft.level)"
    :ready="refusals.length === 0"
    :width="920"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <p class="form-warn">{{ PIECE_CAME.caution }}</p>
    <PieceFields v-model="draft">
      <template v-if="draft.name.trim() !== ''">
        <p v-for="refusal in refusals" :key="refusal.code" class="odd" role="status">{{ refusal.code === 'missing' ? PIECE_CAME.missing : sayRefusal(refusal, names) }}</p>
      </template>
      <button v-if="doubtful" type="button" class="push small" @click="draft.sure = true">{{ PIECE_CAME.sure }}</button>
    </PieceFields>
  </FormDialog>
</template>
