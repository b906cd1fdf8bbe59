<script setup lang="ts">
import { computed } from 'vue';
import { fitStepsOf, kitsOnVehicle } from '@jade/core/job';
import { LONGEST_TEXT } from '@jade/core/events';
import { fit } from '@jade/core/stations';
import { entryId, SIDES, type PointMm } from '@jade/core/vehicle';
import { STEP_FITTED } from '@jade/words/fit';
import { sayGroup } from '@jade/words/names';
import { sayRefusal } from '@jade/words/stations';
import ChoiceRow from '../../design/ChoiceRow.vue';
import FormDialog from '../../design/FormDialog.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import type { SheetPiece } from '../../design/drawings/sheet-pieces.ts';
import { outline, VIEWS, type SheetPoint } from '../../design/geometry/outline.ts';
import { partsAt } from '../../design/geometry/pieces.ts';
import { boxOnSide, boxPointed, sideOfBox, zoneOfSpot } from '../../design/geometry/spot.ts';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';
import { newStep } from './step-draft.ts';

/** A step of fitting that was done and that nobody has described: what, where, with what. The step's clock ran to the tap that opened this. */
const props = defineProps<{ kit: string }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const profile = computed(() => context.value.profile);
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/fitted/${props.kit}`,
  () => newStep(job.state),
);
const onVehicle = computed(() => kitsOnVehicle(context.value).find(({ kit }) => kit.slug === props.kit));
const lamps = computed(() => onVehicle.value?.kit.lamps ?? []);

/** What lies in the box and no step has set yet: most steps set one of it. */
const offered = computed(() => {
  const done = new Set(onVehicle.value ? fitStepsOf(onVehicle.value).map(({ name }) => name) : []);
  return (onVehicle.value?.kit.contents ?? []).map(({ name, hand }) => ({ name: hand ? `${name}, ${hand}` : name, side: hand })).filter(({ name }) => !done.has(name));
});
function name(item: { name: string; side?: 'left' | 'right' }): void {
  draft.value.name = item.name;
  draft.value.side ??= item.side;
}
const toggle = (id: string) => (draft.value.lamps = draft.value.lamps.includes(id) ? draft.value.lamps.filter((other) => other !== id) : [...draft.value.lamps, id]);

/** What the kit can have taken the place of. */
const off = computed(() => fit.placesTaken(context.value));
const takes = (id: string) => (draft.value.inPlaceOf = draft.value.inPlaceOf.includes(id) ? draft.value.inPlaceOf.filter((other) => other !== id) : [...draft.value.inPlaceOf, id]);

/** Tools that were last in hand: those of the steps of this kit, then those that opened the vehicle. */
const MOST_TOOLS = 6;
const tools = computed(() => {
  const steps = onVehicle.value ? [...fitStepsOf(onVehicle.value)].reverse().map(({ tool }) => tool) : [];
  const opened = profile.value.pieces.flatMap(({ fasteners }) => fasteners.map((group) => sayGroup(group) ?? ''));
  return [...new Set([...steps, ...opened, ...STEP_FITTED.tools])].filter(Boolean).slice(0, MOST_TOOLS);
});

const places = computed(() => profile.value.mounts.map(({ id, name: called }) => ({ id, name: called })));
const box = computed(() => (draft.value.box && draft.value.side ? boxOnSide(draft.value.box, draft.value.side) : draft.value.box));
function point(at: SheetPoint): void {
  const { view } = draft.value;
  const { body, measures } = profile.value;
  draft.value.box = boxPointed(view, at, measures, partsAt(outline(body, view, measures), at), draft.value.box);
  draft.value.side ??= sideOfBox(draft.value.box, measures);
}
const middle = ([from, to]: readonly [number, number]) => Math.round((from + to) / 2);
const at = computed((): PointMm | undefined => box.value && { xMm: middle(box.value.xMm), yMm: middle(box.value.yMm), zMm: middle(box.value.zMm) });
const shown = computed((): SheetPiece[] => {
  const open = profile.value.pieces
    .filter(({ id }) => (job.state.pieces[id] ?? 'fitted') !== 'fitted')
    .map((piece): SheetPiece => ({ piece, level: job.state.pieces[piece.id] ?? 'fitted', part: 'done' }));
  const { view, placeName, side = 'centre' } = draft.value;
  if (!box.value) return open;
  const zone = zoneOfSpot(view, [0, 0], profile.value.measures);
  return [
    ...open,
    { piece: { id: 'here', name: placeName || STEP_FITTED.here, side, zone, box: box.value, levels: [], fasteners: [], cautions: [] }, level: 'fitted', part: 'now' },
  ];
});

const done = computed((): fit.StepDone => {
  const { drawn, name: called, side, place, placeName, tool, tighten, minutes, held, agreedBy, inPlaceOf, lamps: set } = draft.value;
  const other = { id: entryId(placeName, drawn), name: placeName, ...(at.value ? { at: at.value } : {}) };
  return {
    name: called,
    ...(side ? { side } : {}),
    lamps: set,
    place: place === undefined ? other : { id: place },
    tool,
    tighten,
    minutes: Number(minutes.replace(',', '.')),
    inPlaceOf,
    ...(held ? { bolted: held === 'bolted' } : {}),
    ...(agreedBy.trim() ? { agreedBy } : {}),
  };
});
const HELD = [
  { value: 'bolted', text: STEP_FITTED.bolted },
  { value: 'single', text: STEP_FITTED.inOne },
] as const;
const id = computed(() => entryId(draft.value.name, draft.value.drawn));
const act = computed(() => fit.stepFitted(context.value, props.kit, done.value, id.value, draft.value.irreversible, draft.value.sure));
const { refusals, doubtful, record } = useRecording(act, () => {
  drop();
  emit('close');
});
</script>

<template>
  <FormDialog
    :title="STEP_FITTED.title"
    :action="STEP_FITTED.record"
    :ready="refusals.length === 0"
    :width="920"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <p class="form-warn">{{ STEP_FITTED.caution }}</p>
    <div class="form-halves">
      <div class="stack">
        <WordsField v-model="draft.name" :label="STEP_FITTED.name" :most="LONGEST_TEXT.fitStep" />
        <div v-if="offered.length > 0 && draft.name === ''" class="form-chips" role="group" :aria-label="STEP_FITTED.names">
          <button v-for="item in offered" :key="item.name" type="button" class="push small" @click="name(item)">{{ item.name }}</button>
        </div>
        <div v-if="lamps.length > 0" class="stack" role="group" :aria-label="STEP_FITTED.lamps">
          <strong>{{ STEP_FITTED.lamps }}</strong>
          <div class="form-chips">
            <button v-for="lamp in lamps" :key="lamp.id" type="button" class="push small" :aria-pressed="draft.lamps.includes(lamp.id)" @click="toggle(lamp.id)">
              {{ lamp.name }}
            </button>
          </div>
        </div>
        <ChoiceRow
          :label="STEP_FITTED.side"
          small
          :choices="SIDES.map((value) => ({ value, text: STEP_FITTED.sides[value] }))"
          :value="draft.side"
          @choose="(side) => (draft.side = side)"
        />
        <WordsField v-model="draft.tool" :label="STEP_FITTED.tool" :most="LONGEST_TEXT.tool" />
        <div v-if="draft.tool === ''" class="form-chips" role="group" :aria-label="STEP_FITTED.tool">
          <button v-for="tool in tools" :key="tool" type="button" class="push small" @click="draft.tool = tool">{{ tool }}</button>
        </div>
        <ChoiceRow :label="STEP_FITTED.how" small :choices="HELD" :value="draft.held" @choose="(held) => (draft.held = held)" />
        <WordsField v-model="draft.tighten" :label="STEP_FITTED.tighten" :most="LONGEST_TEXT.fitStep" />
        <v-text-field v-model="draft.minutes" :label="STEP_FITTED.minutes" inputmode="decimal" maxlength="6" variant="outlined" density="comfortable" hide-details />
      </div>
      <div class="stack">
        <strong>{{ STEP_FITTED.place }}</strong>
        <div v-if="places.length > 0" class="form-chips" role="group" :aria-label="STEP_FITTED.place">
          <button v-for="place in places" :key="place.id" type="button" class="push small" :aria-pressed="draft.place === place.id" @click="draft.place = place.id">
            {{ place.name }}
          </button>
          <button type="button" class="push small" :aria-pressed="draft.place === undefined" @click="draft.place = undefined">{{ STEP_FITTED.newPlace }}</button>
        </div>
        <template v-if="draft.place === undefined">
          <WordsField v-model="draft.placeName" :label="STEP_FITTED.placeName" :most="LONGEST_TEXT.kitEntry" />
          <ChoiceRow :label="STEP_FITTED.view" small :choices="VIEWS.map((value) => ({ value, text: value }))" :value="draft.view" @choose="(view) => (draft.view = view)" />
          <VehicleSheet :profile="profile" :view="draft.view" :pieces="shown" pointing :label="STEP_FITTED.point" @spot="point" />
          <p class="soft">{{ STEP_FITTED.pointHint }}</p>
        </template>
        <details v-if="off.length > 0">
          <summary>{{ STEP_FITTED.takesPlace }}</summary>
          <div class="form-chips" role="group" :aria-label="STEP_FITTED.takesPlace">
            <button v-for="piece in off" :key="piece.id" type="button" class="push small" :aria-pressed="draft.inPlaceOf.includes(piece.id)" @click="takes(piece.id)">
              {{ piece.name }}
            </button>
          </div>
        </details>
        <div>
          <button type="button" class="push small" :aria-pressed="draft.irreversible" @click="draft.irreversible = !draft.irreversible">{{ STEP_FITTED.irreversible }}</button>
        </div>
        <WordsField v-if="draft.irreversible" v-model="draft.agreedBy" :label="STEP_FITTED.agreedBy" :most="LONGEST_TEXT.consent" />
      </div>
    </div>
    <template v-if="draft.name.trim() !== ''">
      <p v-for="refusal in refusals" :key="refusal.code" class="odd" role="status">{{ refusal.code === 'missing' ? STEP_FITTED.missing : sayRefusal(refusal, names) }}</p>
    </template>
    <button v-if="doubtful" type="button" class="push small" @click="draft.sure = true">{{ STEP_FITTED.sure }}</button>
  </FormDialog>
</template>
