<script setup lang="ts">
import { v4 } from 'uuid';
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { sense } from '@jade/core/stations';
import { entryId, SENSOR_KINDS, type SensorKind } from '@jade/core/vehicle';
import { SENSOR_FOUND } from '@jade/words/sensing';
import { sayRefusal } from '@jade/words/stations';
import ChoiceRow from '../../design/ChoiceRow.vue';
import FormDialog from '../../design/FormDialog.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';

/** A sensor that was found on what came off and that nobody has described. */
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/sensor-found`,
  () => ({
    drawn: v4().slice(0, 4),
    kind: undefined as SensorKind | undefined,
    name: '',
    on: undefined as string | undefined,
    looks: undefined as sense.Looks | undefined,
    lock: '',
    plug: undefined as 'pulled' | 'left' | undefined,
    calibration: undefined as sense.SensorFound['calibration'] | undefined,
    procedure: '',
  }),
);
const pieces = computed(() => sense.carriers(context.value));
const found = computed((): sense.SensorFound => {
  const { kind, name, on, looks, lock, plug, calibration, procedure } = draft.value;
  return {
    ...(kind ? { kind } : {}),
    name,
    ...(on === undefined ? {} : { on }),
    ...(looks ? { looks } : {}),
    lock,
    ...(calibration ? { calibration } : {}),
    procedure,
    ...(plug ? { unplugged: plug === 'pulled' } : {}),
  };
});
const act = computed(() => sense.sensorFound(context.value, found.value, entryId(draft.value.name, draft.value.drawn)));
const { refusals, record } = useRecording(act, () => {
  drop();
  emit('close');
});
/** What it is tells what it is called, until somebody writes another name. */
function is(kind: SensorKind): void {
  const { kind: before, name } = draft.value;
  if (name === '' || (before && name === SENSOR_FOUND.named[before])) draft.value.name = SENSOR_FOUND.named[kind];
  draft.value.kind = kind;
}
const PLUG = [
  { value: 'pulled', text: SENSOR_FOUND.pulled },
  { value: 'left', text: SENSOR_FOUND.left },
] as const;
const CALIBRATION = [
  { value: 'required', text: SENSOR_FOUND.required },
  { value: 'not required', text: SENSOR_FOUND.excused },
] as const;
</script>

<template>
  <FormDialog
    :title="SENSOR_FOUND.title"
    :action="SENSOR_FOUND.record"
    :ready="refusals.length === 0"
    :width="620"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <p class="form-warn">{{ SENSOR_FOUND.caution }}</p>
    <div class="stack" role="group" :aria-label="SENSOR_FOUND.on">
      <strong>{{ SENSOR_FOUND.on }}</strong>
      <div class="form-chips">
        <button v-for="piece in pieces" :key="piece.id" type="button" class="push small" :aria-pressed="draft.on === piece.id" @click="draft.on = piece.id">
          {{ piece.name }}
        </button>
      </div>
    </div>
    <ChoiceRow named :label="SENSOR_FOUND.kind" small :choices="SENSOR_KINDS.map((value) => ({ value, text: SENSOR_FOUND.kinds[value] }))" :value="draft.kind" @choose="is" />
    <WordsField v-model="draft.name" :label="SENSOR_FOUND.name" :most="LONGEST_TEXT.accessory" />
    <ChoiceRow
      named
      :label="SENSOR_FOUND.looks"
      small
      :choices="sense.LOOKS.map((value) => ({ value, text: value }))"
      :value="draft.looks"
      @choose="(looks) => (draft.looks = looks)"
    />
    <WordsField v-model="draft.lock" :label="SENSOR_FOUND.lock" :most="LONGEST_TEXT.tool" />
    <div v-if="draft.lock === ''" class="form-chips" role="group" :aria-label="SENSOR_FOUND.lock">
      <button v-for="lock in SENSOR_FOUND.locks" :key="lock" type="button" class="push small" @click="draft.lock = lock">{{ lock }}</button>
    </div>
    <ChoiceRow named :label="SENSOR_FOUND.unplugged" small :choices="PLUG" :value="draft.plug" @choose="(plug) => (draft.plug = plug)" />
    <ChoiceRow named :label="SENSOR_FOUND.calibration" small :choices="CALIBRATION" :value="draft.calibration" @choose="(calibration) => (draft.calibration = calibration)" />
    <WordsField v-model="draft.procedure" :label="SENSOR_FOUND.procedure" :most="LONGEST_TEXT.note" />
    <template v-if="draft.on !== undefined || draft.name.trim() !== ''">
      <p v-for="refusal in refusals" :key="refusal.code" class="odd" role="status">{{ refusal.code === 'missing' ? SENSOR_FOUND.missing : sayRefusal(refusal, names) }}</p>
    </template>
  </FormDialog>
</template>
