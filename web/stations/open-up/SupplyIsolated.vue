<script setup lang="ts">
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { openUp } from '@jade/core/stations';
import { COMMON_BEFORE, COMMON_FORGETS, entryId, type SupplyId } from '@jade/core/vehicle';
import { ISOLATION, PIECE_CAME } from '@jade/words/open-up';
import { sayRefusal } from '@jade/words/stations';
import ChipTexts from '../../design/ChipTexts.vue';
import FormDialog from '../../design/FormDialog.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';
import { cameOf, newCame } from './came.ts';
import PieceFields from './PieceFields.vue';

/** A supply that was isolated and of which nobody has described how: what was taken off, how long it waits, what it forgets. */
const props = defineProps<{ supply: SupplyId }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/isolated/${props.supply}`,
  () => ({
    piece: newCame(job.state),
    open: undefined as string | undefined,
    wait: '',
    before: [] as string[],
    forgets: [] as string[],
    qualified: false,
    who: '',
    sure: false,
  }),
);
/** What is open already can be what was taken off. */
const opened = computed(() => openUp.canHaveIsolated(context.value));
const qualified = computed(() => openUp.forQualified({ supply: props.supply, qualified: draft.value.qualified }));
const id = computed(() => entryId(draft.value.piece.name, draft.value.piece.drawn));
const isolated = computed((): openUp.Isolated => {
  const { piece, open, wait, before, forgets, who } = draft.value;
  const waitMin = wait.trim() === '' ? NaN : Number(wait.replace(',', '.'));
  return {
    supply: props.supply,
    by: open === undefined ? cameOf(piece, context.value.profile) : { open },
    ...(Number.isNaN(waitMin) ? {} : { waitMin }),
    before,
    forgets,
    qualified: qualified.value,
    ...(qualified.value ? { who } : {}),
  };
});
const act = computed(() => openUp.supplyIsolated(context.value, isolated.value, id.value, draft.value.sure));
const { refusals, doubtful, record } = useRecording(act, () => {
  drop();
  emit('close');
});
const begun = computed(() => draft.value.open !== undefined || draft.value.piece.name.trim() !== '');
</script>

<template>
  <FormDialog
    :title="ISOLATION.done[supply]"
    :action="ISOLATION.done[supply]"
    :ready="refusals.length === 0"
    :width="920"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <p class="form-warn">{{ ISOLATION.caution[supply] }}</p>
    <p v-for="refusal in refusals.filter(({ code }) => code === 'before-dead')" :key="refusal.code" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
    <div v-if="opened.length > 0" class="stack" role="group" :aria-label="ISOLATION.by">
      <strong>{{ ISOLATION.by }}</strong>
      <div class="form-chips">
        <button v-for="piece in opened" :key="piece.id" type="button" class="push small" :aria-pressed="draft.open === piece.id" @click="draft.open = piece.id">
          {{ piece.name }}
        </button>
        <button type="button" class="push small" :aria-pressed="draft.open === undefined" @click="draft.open = undefined">{{ ISOLATION.another }}</button>
      </div>
    </div>
    <PieceFields v-if="draft.open === undefined" v-model="draft.piece" :called="ISOLATION.names[supply]" />
    <div class="fields">
      <v-text-field v-model="draft.wait" :label="ISOLATION.wait" inputmode="decimal" maxlength="6" variant="outlined" density="comfortable" hide-details />
    </div>
    <div v-if="supply === 'low'">
      <button type="button" class="push small" :aria-pressed="draft.qualified" @click="draft.qualified = !draft.qualified">{{ ISOLATION.qualified }}</button>
    </div>
    <WordsField v-if="qualified" v-model="draft.who" :label="ISOLATION.who" :most="LONGEST_TEXT.isolation" />
    <div class="form-halves">
      <ChipTexts v-model="draft.before" :label="ISOLATION.before" :common="COMMON_BEFORE" :further="ISOLATION.further" :add="ISOLATION.add" :most="LONGEST_TEXT.setting" />
      <ChipTexts v-model="draft.forgets" :label="ISOLATION.forgets" :common="COMMON_FORGETS" :further="ISOLATION.further" :add="ISOLATION.add" :most="LONGEST_TEXT.setting" />
    </div>
    <template v-if="begun">
      <p v-for="refusal in refusals.filter(({ code }) => code !== 'before-dead')" :key="refusal.code" class="odd" role="status">
        {{ refusal.code === 'missing' ? ISOLATION.missing : sayRefusal(refusal, names) }}
      </p>
    </template>
    <button v-if="doubtful" type="button" class="push small" @click="draft.sure = true">{{ PIECE_CAME.sure }}</button>
  </FormDialog>
</template>
