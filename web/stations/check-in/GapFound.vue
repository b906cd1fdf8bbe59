<script setup lang="ts">
import { v4 } from 'uuid';
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { checkIn } from '@jade/core/stations';
import { typedMeasure } from '@jade/core/units';
import { entryId, SIDES, type BoxMm, type Side } from '@jade/core/vehicle';
import { GAP_FOUND } from '@jade/words/check-in';
import { sayRefusal } from '@jade/words/stations';
import ChoiceRow from '../../design/ChoiceRow.vue';
import DoubtWord from '../../design/DoubtWord.vue';
import FormDialog from '../../design/FormDialog.vue';
import VehicleSheet, { type SheetMark } from '../../design/drawings/VehicleSheet.vue';
import { VIEWS, type SheetPoint, type View } from '../../design/geometry/outline.ts';
import { boxAround, boxOnSide, sideOfBox } from '../../design/geometry/spot.ts';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';

/** A panel gap that nobody has described, measured as the vehicle came. */
const props = defineProps<{ view: View }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/gap-found`,
  () => ({ drawn: v4().slice(0, 4), view: props.view, name: '', side: undefined as Side | undefined, box: undefined as BoxMm | undefined, width: '', why: '' }),
);
const profile = computed(() => context.value.profile);
const box = computed(() => (draft.value.box && draft.value.side ? boxOnSide(draft.value.box, draft.value.side) : draft.value.box));
const middle = ([from, to]: readonly [number, number]) => Math.round((from + to) / 2);
/** A gap is where it was tapped, whatever is drawn there. */
function point(spot: SheetPoint): void {
  const { measures } = profile.value;
  draft.value.box = boxAround(draft.value.view, spot, measures);
  draft.value.side ??= sideOfBox(draft.value.box, measures);
}
const at = computed(() => box.value && { xMm: middle(box.value.xMm), yMm: middle(box.value.yMm), zMm: middle(box.value.zMm) });
const marks = computed((): SheetMark[] => (at.value ? [{ id: 'here', at: at.value, label: draft.value.name || GAP_FOUND.here, shape: 'bar', tone: 'open' }] : []));
const gap = computed((): checkIn.GapMeasured => {
  const { name, side, width } = draft.value;
  const read = typedMeasure(width, 'mm');
  return {
    name,
    side,
    ...(at.value ? { at: at.value } : {}),
    ...('fault' in read ? {} : { widthMm: read.value }),
  };
});
const id = computed(() => entryId(draft.value.name, draft.value.drawn));
const doubts = computed(() => checkIn.doubtsOfGapFound(context.value, gap.value, id.value));
const act = computed(() => checkIn.gapFound(context.value, gap.value, id.value, draft.value.why));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog :title="GAP_FOUND.title" :action="GAP_FOUND.record" :ready="refusals.length === 0" :width="760" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p>{{ GAP_FOUND.why }}</p>
    <ChoiceRow :label="GAP_FOUND.view" small :choices="VIEWS.map((value) => ({ value, text: value }))" :value="draft.view" @choose="(view) => (draft.view = view)" />
    <VehicleSheet :profile="profile" :view="draft.view" :marks="marks" pointing :label="GAP_FOUND.point" @spot="point" />
    <WordsField v-model="draft.name" :label="GAP_FOUND.name" :most="LONGEST_TEXT.accessory" />
    <div v-if="draft.name === ''" class="form-chips" role="group" :aria-label="GAP_FOUND.name">
      <button v-for="name in GAP_FOUND.names" :key="name" type="button" class="push small" @click="draft.name = name">{{ name }}</button>
    </div>
    <ChoiceRow
      named
      :label="GAP_FOUND.side"
      small
      :choices="SIDES.map((value) => ({ value, text: GAP_FOUND.sides[value] }))"
      :value="draft.side"
      @choose="(side) => (draft.side = side)"
    />
    <v-text-field v-model="draft.width" :label="GAP_FOUND.width" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
    <DoubtWord v-if="doubts.length > 0" v-model="draft.why" :doubts="doubts" />
    <template v-if="draft.name.trim() !== ''">
      <template v-for="refusal in refusals" :key="refusal.code">
        <p v-if="refusal.code !== 'doubtful'" class="odd" role="status">{{ refusal.code === 'missing' ? GAP_FOUND.missing : sayRefusal(refusal, names) }}</p>
      </template>
    </template>
  </FormDialog>
</template>
