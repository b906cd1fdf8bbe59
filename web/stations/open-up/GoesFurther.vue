<script setup lang="ts">
import { computed } from 'vue';
import { openUp } from '@jade/core/stations';
import { positionsIn, type OpenLevel } from '@jade/core/vehicle';
import { FURTHER, PIECE_CAME } from '@jade/words/open-up';
import { sayRefusal } from '@jade/words/stations';
import ChoiceRow from '../../design/ChoiceRow.vue';
import FormDialog from '../../design/FormDialog.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { minutesSince } from '../../job/minutes.ts';
import { useRecording } from '../../job/recording.ts';
import type { CameDraft } from './came.ts';
import HeldBy from './HeldBy.vue';
import OpenThen from './OpenThen.vue';
import StandsSo from './StandsSo.vue';

/** A piece that is open and goes further than anybody has described: how far, what held it there. The step's clock ran to the tap that opened this. */
const props = defineProps<{ piece: string }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const levels = openUp.furtherLevels(context.value, props.piece);
const known = computed(() => context.value.profile.pieces.find(({ id }) => id === props.piece));
type Written = Pick<CameDraft, 'minutes' | 'people' | 'fasteners' | 'other' | 'open' | 'stands' | 'sure'> & { level: OpenLevel };
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/further/${props.piece}`,
  (): Written => ({
    level: levels.at(-1) ?? 'off',
    minutes: minutesSince(job.state),
    people: '1',
    fasteners: [],
    other: { size: '', lengthMm: '' },
    open: {},
    stands: positionsIn(job.state.stand),
    sure: false,
  }),
);
const said = (as: 'without' | 'needed') => Object.keys(draft.value.open).filter((piece) => draft.value.open[piece] === as);
const act = computed(() => {
  const { level, minutes, people, fasteners, stands, sure } = draft.value;
  const openMin = Number(minutes.replace(',', '.'));
  const further = { level, openMin, people: people === '2' ? 2 : 1, fasteners, stands, without: said('without'), needed: said('needed') };
  return openUp.wentFurther(context.value, props.piece, further, sure);
});
const { refusals, doubtful, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog
    :title="FURTHER.title(names.piece(piece))"
    :action="FURTHER.action(draft.level)"
    :ready="refusals.length === 0"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <p class="form-warn">{{ FURTHER.caution }}</p>
    <ChoiceRow :label="FURTHER.to" named small :choices="levels.map((value) => ({ value, text: value }))" :value="draft.level" @choose="(level) => (draft.level = level)" />
    <HeldBy v-model:fasteners="draft.fasteners" v-model:other="draft.other" :called="names.piece(piece)" />
    <div class="fields">
      <v-text-field v-model="draft.minutes" :label="PIECE_CAME.minutes" inputmode="decimal" maxlength="6" variant="outlined" density="comfortable" hide-details />
      <ChoiceRow
        :label="PIECE_CAME.people"
        small
        :choices="[
          { value: '1', text: PIECE_CAME.one },
          { value: '2', text: PIECE_CAME.two },
        ]"
        :value="draft.people"
        @choose="(people) => (draft.people = people)"
      />
    </div>
    <OpenThen v-model="draft.open" :zone="known?.zone" :of="piece" />
    <StandsSo v-model="draft.stands" />
    <p v-for="refusal in refusals" :key="refusal.code" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
    <button v-if="doubtful" type="button" class="push small" @click="draft.sure = true">{{ PIECE_CAME.sure }}</button>
  </FormDialog>
</template>
