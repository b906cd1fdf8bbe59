<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { entryName, valueAt, type Place } from '@jade/core/editing';
import type { BoxMm, PointMm, VehicleProfile } from '@jade/core/vehicle';
import { CORRECT } from '@jade/words/editing';
import { VEHICLE_SHELF } from '@jade/words/library';
import ChoiceRow from '../../../design/ChoiceRow.vue';
import VehicleSheet from '../../../design/drawings/VehicleSheet.vue';
import { frame, frameAround, frameAroundBoxes, viewOf, VIEWS, type View } from '../../../design/geometry/outline.ts';
import DragHandles from './DragHandles.vue';

/** A profile that is being corrected, drawn: pieces open by a tap, and what is held is dragged where it lies. `sound` says that its measures are. */
const props = defineProps<{ profile: VehicleProfile; held?: Place; sound: boolean }>();
const emit = defineEmits<{ piece: [id: string]; put: [place: Place, value: unknown] }>();

const isBox = (value: unknown): value is BoxMm =>
  (['xMm', 'yMm', 'zMm'] as const).every((axis) => [0, 1].every((end) => Number.isFinite((value as Partial<BoxMm> | undefined)?.[axis]?.[end])));
const isPoint = (value: unknown): value is PointMm => (['xMm', 'yMm', 'zMm'] as const).every((axis) => Number.isFinite((value as Partial<PointMm> | undefined)?.[axis]));
/** The drawing is of what can be drawn: while a measure is being written the one before it stands. */
const drawable = shallowRef<Pick<VehicleProfile, 'body' | 'measures'>>();
watch(
  () => [props.profile.body, props.profile.measures, props.sound] as const,
  ([body, measures, sound]) => {
    const measured = measures && Object.values(measures).every((mm) => Number.isFinite(mm) && mm > 0);
    if (body && measured && sound) drawable.value = { body, measures };
  },
  { immediate: true },
);
const view = ref<View>('front');
const pieces = computed(() =>
  props.profile.pieces.filter(({ zone, box }) => isBox(box) && viewOf(zone) === view.value).map((piece) => ({ piece, level: 'fitted' as const, part: 'other' as const })),
);
const heldBox = computed(() => {
  const value = props.held && valueAt(props.profile, [...props.held, 'box']);
  return isBox(value) ? value : undefined;
});
/** The point of what is held: where it is, or how a sensor sits. */
const heldPoint = computed(() => {
  const { held } = props;
  if (!held) return undefined;
  const field = ['at', 'pose'].find((name) => isPoint(valueAt(props.profile, [...held, name])));
  return field === undefined ? undefined : { place: [...held, field], value: valueAt(props.profile, [...held, field]) as PointMm };
});
/** Near by what is held, else by the pieces of an end; sides and roof as a whole. */
const part = computed((): [number, number, number, number] => {
  const { measures } = drawable.value ?? {};
  if (!measures) return [0, 0, 1, 1];
  if (heldBox.value) return frameAroundBoxes(view.value, measures, [heldBox.value], 420, 1300);
  if (heldPoint.value) return frameAround(view.value, measures, [heldPoint.value.value], 420, 1300);
  const boxes = pieces.value.map(({ piece }) => piece.box);
  return boxes.length > 0 && (view.value === 'front' || view.value === 'rear') ? frameAroundBoxes(view.value, measures, boxes, 200, 1400) : frame(view.value, measures, 60);
});
const heldName = computed(() => (props.held ? entryName(valueAt(props.profile, props.held)) : undefined));
watch(
  () => props.held,
  (place) => {
    const zone = place && (valueAt(props.profile, [...place, 'zone']) as Parameters<typeof viewOf>[0] | undefined);
    if (zone) view.value = viewOf(zone);
  },
);
</script>

<template>
  <div v-if="drawable" class="leaf stack">
    <div class="line">
      <ChoiceRow :label="CORRECT.views" small :choices="VIEWS.map((value) => ({ value, text: VEHICLE_SHELF.from[value] }))" :value="view" @choose="(value) => (view = value)" />
      <span class="soft">{{ heldBox || heldPoint ? `${heldName ?? ''}: ${CORRECT.drag}` : CORRECT.pick }}</span>
    </div>
    <div class="drawing">
      <VehicleSheet
        :profile="drawable"
        :view="view"
        :part="part"
        :pieces="pieces"
        :chosen="held?.[0] === 'pieces' ? String(valueAt(profile, [...held, 'id'])) : undefined"
        :label="CORRECT.drawing(profile.model, VEHICLE_SHELF.from[view])"
        @piece="(id) => emit('piece', id)"
      />
      <DragHandles
        v-if="heldBox || heldPoint"
        :view="view"
        :part="part"
        :box="heldBox"
        :point="heldPoint?.value"
        @box="(box) => held && emit('put', [...held, 'box'], box)"
        @point="(point) => heldPoint && emit('put', heldPoint.place, point)"
      />
    </div>
  </div>
</template>

<style scoped>
.drawing {
  position: relative;
}

.drawing :deep(.sheet) {
  max-height: 52vh;
}
</style>
