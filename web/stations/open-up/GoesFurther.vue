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
import TookFields from './TookFields.vue';

/** A piece that is open and goes further than anybody has described: how far, what held it there. The step's clock ran to the tap that opened this. */
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const pieces = openUp.canGoFurther(context.value);
type Written = Pick<CameDraft, 'minutes' | 'people' | 'fasteners' | 'other' | 'open' | 'stands' | 'sure'> & { piece: string; level: OpenLevel | undefined };
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/further`,
  (): Written => ({
    // Where there are several nobody has said yet which.
    piece: pieces.length === 1 ? (pieces[0] ?? '') : '',
    level: undefined,
    minutes: minutesSince(job.state),
    people: '1',
    fasteners: [],
    other: { size: '', lengthMm: '' },
    open: {},
    stands: positionsIn(job.state.stand),
    sure: false,
  }),
);
const levels = computed(() => openUp.furtherLevels(context.value, draft.value.piece));
/** As far as it can go, until somebody says that it went less far. */
const level = computed(() => (draft.value.level && levels.value.includes(draft.value.level) ? draft.value.level : (levels.value.at(-1) ?? 'off')));
const zone = computed(() => context.value.profile.pieces.find(({ id }) => id === draft.value.piece)?.zone);
const said = (as: 'without' | 'needed') => Object.keys(draft.value.open).filter((piece) => draft.value.open[piece] === as);
const act = computed(() => {
  const { piece, minutes, people, fasteners, stands, sure } = draft.value;
  const openMin = Number(minutes.replace(',', '.'));
  const further = { level: level.value, openMin, people: people === '2' ? 2 : 1, fasteners, stands, without: said('without'), needed: said('needed') };
  return openUp.wentFurther(context.value, piece, further, sure);
});
const { refusals, doubtful, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog :title="FURTHER.open" :action="FURTHER.action(level)" :ready="refusals.length === 0" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p class="form-warn">{{ FURTHER.caution }}</p>
    <ChoiceRow
      :label="FURTHER.which"
      named
      small
      :choices="pieces.map((value) => ({ value, text: names.piece(value) }))"
      :value="draft.piece"
      @choose="(piece) => (draft.piece = piece)"
    />
    <ChoiceRow
      v-if="levels.length > 0"
      :label="FURTHER.to"
      named
      small
      :choices="levels.map((value) => ({ value, text: value }))"
      :value="level"
      @choose="(value) => (draft.level = value)"
    />
    <HeldBy v-model:fasteners="draft.fasteners" v-model:other="draft.other" :called="names.piece(draft.piece)" />
    <TookFields v-model:minutes="draft.minutes" v-model:people="draft.people" />
    <OpenThen v-model="draft.open" :zone="zone" :of="draft.piece" />
    <StandsSo v-model="draft.stands" />
    <template v-if="draft.piece !== ''">
      <p v-for="refusal in refusals" :key="refusal.code" class="odd" role="status">{{ sayRefusal(refusal, names) }}</p>
    </template>
    <button v-if="doubtful" type="button" class="push small" @click="draft.sure = true">{{ PIECE_CAME.sure }}</button>
  </FormDialog>
</template>
