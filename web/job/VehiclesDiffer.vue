<script setup lang="ts">
import { v4 } from 'uuid';
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { checkIn } from '@jade/core/stations';
import { entryId } from '@jade/core/vehicle';
import { DIFFERS } from '@jade/words/check-in';
import { sayRefusal } from '@jade/words/stations';
import ChoiceRow from '../design/ChoiceRow.vue';
import FormDialog from '../design/FormDialog.vue';
import WordsField from '../design/WordsField.vue';
import { useDraft } from '../drafts/index.ts';
import { useCurrentJob } from './current.ts';
import { useRecording } from './recording.ts';

/** What tells this vehicle from others of its kind: pieces that it lacks, or that it has and others lack, and how that is seen. */
const props = defineProps<{ piece?: string }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const ANOTHER = '';
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/differs/${props.piece ?? ''}`,
  () => ({
    drawn: v4().slice(0, 4),
    has: false,
    pieces: props.piece ? [props.piece] : ([] as string[]),
    fact: ANOTHER,
    label: '',
    value: '',
    here: DIFFERS.lacked,
    elsewhere: DIFFERS.there,
    howToSee: '',
  }),
);

const offered = computed(() => checkIn.canDiffer(context.value, draft.value.has));
const facts = computed(() => checkIn.factsToTell(context.value, draft.value.pieces));
const known = computed(() => facts.value.find(({ id }) => id === draft.value.fact));
/** Names that the difference may go by: those of the pieces. */
const suggested = computed(() => (draft.value.label === '' ? [...new Set(draft.value.pieces.map((piece) => names.value.piece(piece)))] : []));

function turn(has: boolean): void {
  if (draft.value.has === has) return;
  const { here, elsewhere } = draft.value;
  // What was said of this one and of the others changes places with them.
  Object.assign(draft.value, { has, pieces: [], here: elsewhere, elsewhere: here });
}

/** What is known of this vehicle already is not asked anew. */
function by(fact: string): void {
  const seen = job.state.facts[fact];
  Object.assign(draft.value, { fact, value: seen?.certainty === 'known' ? (seen.value ?? '') : '' });
}

const difference = computed((): checkIn.Difference => {
  const { has, pieces, label, here, elsewhere, howToSee, value } = draft.value;
  return known.value ? { has, pieces, fact: known.value.id, label, here: value, elsewhere, howToSee } : { has, pieces, label, here, elsewhere, howToSee };
});
const act = computed(() => checkIn.differs(context.value, difference.value, entryId(draft.value.label, draft.value.drawn)));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog :title="DIFFERS.title" :action="DIFFERS.record" :ready="refusals.length === 0" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p>{{ DIFFERS.why }}</p>
    <ChoiceRow
      :label="DIFFERS.which"
      :choices="[
        { value: 'lacks', text: DIFFERS.lacks },
        { value: 'has', text: DIFFERS.has },
      ]"
      :value="draft.has ? 'has' : 'lacks'"
      @choose="(value) => turn(value === 'has')"
    />
    <p v-if="offered.length === 0" class="soft" role="status">{{ draft.has ? DIFFERS.noneHere : DIFFERS.noneLeft }}</p>
    <v-select
      v-else
      v-model="draft.pieces"
      :label="DIFFERS.pieces"
      multiple
      variant="outlined"
      density="comfortable"
      hide-details
      :items="offered.map((piece) => ({ value: piece.id, title: piece.name }))"
    />
    <ChoiceRow
      v-if="facts.length > 0"
      named
      small
      :label="DIFFERS.by"
      :choices="[...facts.map(({ id, label }) => ({ value: id, text: label })), { value: ANOTHER, text: DIFFERS.another }]"
      :value="draft.fact"
      @choose="by"
    />
    <template v-if="known">
      <ChoiceRow
        named
        small
        :label="DIFFERS.onThis"
        :choices="known.choices.map((value) => ({ value, text: value }))"
        :value="draft.value"
        @choose="(value) => (draft.value = value)"
      />
      <p class="soft">{{ known.howToSee }}</p>
    </template>
    <template v-else>
      <WordsField v-model="draft.label" :label="DIFFERS.label" :most="LONGEST_TEXT.factLabel" />
      <div v-if="suggested.length > 0" class="form-chips" role="group" :aria-label="DIFFERS.label">
        <button v-for="name in suggested" :key="name" type="button" class="push small" @click="draft.label = name">{{ name }}</button>
      </div>
      <div class="fields">
        <WordsField v-model="draft.here" :label="DIFFERS.onThis" :most="LONGEST_TEXT.factValue" />
        <WordsField v-model="draft.elsewhere" :label="DIFFERS.onOthers" :most="LONGEST_TEXT.factValue" />
      </div>
      <WordsField v-model="draft.howToSee" :label="DIFFERS.howToSee" :most="LONGEST_TEXT.howToSee" />
    </template>
    <template v-if="draft.pieces.length > 0">
      <p v-for="refusal in refusals" :key="refusal.code" class="odd" role="status">{{ refusal.code === 'missing' ? DIFFERS.missing : sayRefusal(refusal, names) }}</p>
    </template>
  </FormDialog>
</template>
