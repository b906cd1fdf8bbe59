<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { BESIDE, OPEN_LEVELS, pieceKey, SIDES, ZONES, type Beside, type BoxMm, type KnownPiece } from '@jade/core/vehicle';
import { PIECE_CAME } from '@jade/words/open-up';
import ChoiceRow from '../../design/ChoiceRow.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import type { SheetPiece } from '../../design/drawings/sheet-pieces.ts';
import { outline, VIEWS, viewOf, type SheetPoint } from '../../design/geometry/outline.ts';
import { partsAt } from '../../design/geometry/pieces.ts';
import { boxAround, boxPointed, middleOfPart, sideOfBox, zoneNear, type Part } from '../../design/geometry/spot.ts';
import WordsField from '../../design/WordsField.vue';
import { useCurrentJob } from '../../job/current.ts';
import { useKnownPieces } from '../../job/known-pieces.ts';
import { boxOf, type CameDraft } from './came.ts';
import HeldBy from './HeldBy.vue';
import OpenThen from './OpenThen.vue';
import StandsSo from './StandsSo.vue';
import TookFields from './TookFields.vue';

/** What is said of a piece that came open and that nobody has described: where it is, what it is called, what held it. */
const props = defineProps<{ /** Names that are offered first. */ called?: readonly string[] }>();
const draft = defineModel<CameDraft>({ required: true });
const { job, context } = useCurrentJob();
const profile = computed(() => context.value.profile);
const known = useKnownPieces();

const box = computed(() => boxOf(draft.value, profile.value));
/** A finger draws how large the piece is. */
const sizing = ref(false);
function drawn(part: Part): void {
  const at = middleOfPart(part);
  take(boxAround(draft.value.view, at, profile.value.measures, part), at);
  sizing.value = false;
}
/** Where it was pointed at, with the zone and the side that follow from it. */
function take(around: BoxMm, at: SheetPoint): void {
  const { measures } = profile.value;
  Object.assign(draft.value, { box: around, zone: zoneNear(draft.value.view, at, measures, draft.value.near), side: sideOfBox(around, measures) });
}
function point(at: SheetPoint): void {
  const { view } = draft.value;
  const { body, measures } = profile.value;
  take(boxPointed(view, at, measures, partsAt(outline(body, view, measures), at), draft.value.box), at);
}
/** Turned to a view by hand, or to the one of a zone. */
watch(
  () => draft.value.zone,
  (zone) => {
    if (zone && !draft.value.box) draft.value.view = viewOf(zone);
  },
);

/** Names that are offered first, while there is none. */
const names = computed(() => (draft.value.name === '' ? (props.called ?? []) : []));

/** Names that pieces have at this place of other vehicles, and that this one has none of. */
const MOST_NAMES = 8;
const offered = computed(() => {
  if (names.value.length > 0) return [];
  const { zone, side, name } = draft.value;
  const words = name.trim().toLowerCase();
  const here = new Set(profile.value.pieces.map(pieceKey));
  const fits = known.value.filter(
    (piece) =>
      (zone === undefined || piece.zone === zone) &&
      (side === undefined || piece.side === side) &&
      piece.name.toLowerCase().includes(words) &&
      piece.name.toLowerCase() !== words &&
      !here.has(pieceKey(piece)),
  );
  return fits.slice(0, MOST_NAMES);
});
function name(piece: KnownPiece): void {
  draft.value.name = piece.name;
  draft.value.side ??= piece.side;
  draft.value.zone ??= piece.zone;
}

const toggle = (beside: Beside) =>
  (draft.value.beside = draft.value.beside.includes(beside) ? draft.value.beside.filter((entry) => entry !== beside) : [...draft.value.beside, beside]);

const here = computed((): SheetPiece => {
  const { name: called, side = 'centre', zone = 'front' } = draft.value;
  return { piece: { id: 'here', name: called || PIECE_CAME.here, side, zone, box: box.value, levels: [], fasteners: [], cautions: [] }, level: 'fitted', part: 'now' };
});
const shown = computed((): SheetPiece[] => [
  ...profile.value.pieces
    .filter(({ id }) => (job.state.pieces[id] ?? 'fitted') !== 'fitted')
    .map((piece): SheetPiece => ({ piece, level: job.state.pieces[piece.id] ?? 'fitted', part: 'done' })),
  // Where nobody has said where it sits nothing is drawn.
  ...(draft.value.zone ? [here.value] : []),
]);
</script>

<template>
  <div class="form-halves">
    <div class="stack">
      <ChoiceRow :label="PIECE_CAME.view" small :choices="VIEWS.map((value) => ({ value, text: value }))" :value="draft.view" @choose="(view) => (draft.view = view)" />
      <VehicleSheet :profile="profile" :view="draft.view" :pieces="shown" pointing :extents="sizing ? 'finger' : 'mouse'" :label="PIECE_CAME.point" @spot="point" @extent="drawn" />
      <div class="line">
        <p class="soft grow">{{ sizing ? PIECE_CAME.sizing : PIECE_CAME.pointHint }}</p>
        <button type="button" class="push small" :aria-pressed="sizing" @click="sizing = !sizing">{{ PIECE_CAME.extent }}</button>
      </div>
      <ChoiceRow
        named
        :label="PIECE_CAME.zone"
        small
        :choices="ZONES.map((value) => ({ value, text: PIECE_CAME.zones[value] }))"
        :value="draft.zone"
        @choose="(zone) => (draft.zone = zone)"
      />
      <ChoiceRow
        named
        :label="PIECE_CAME.side"
        small
        :choices="SIDES.map((value) => ({ value, text: PIECE_CAME.sides[value] }))"
        :value="draft.side"
        @choose="(side) => (draft.side = side)"
      />
    </div>
    <div class="stack">
      <WordsField v-model="draft.name" :label="PIECE_CAME.name" :most="LONGEST_TEXT.accessory" />
      <div v-if="names.length > 0" class="form-chips" role="group" :aria-label="PIECE_CAME.names">
        <button v-for="offer in names" :key="offer" type="button" class="push small" @click="draft.name = offer">{{ offer }}</button>
      </div>
      <div v-if="offered.length > 0" class="form-chips" role="group" :aria-label="PIECE_CAME.names">
        <button v-for="piece in offered" :key="piece.name + piece.side" type="button" class="push small" @click="name(piece)">{{ piece.name }}</button>
      </div>
      <ChoiceRow :label="PIECE_CAME.level" small :choices="OPEN_LEVELS.map((value) => ({ value, text: value }))" :value="draft.level" @choose="(level) => (draft.level = level)" />
      <HeldBy v-model:fasteners="draft.fasteners" v-model:other="draft.other" :called="draft.name" />
      <TookFields v-model:minutes="draft.minutes" v-model:people="draft.people" />
      <OpenThen v-model="draft.open" :zone="draft.zone" />
      <StandsSo v-model="draft.stands" />
      <details>
        <summary>{{ PIECE_CAME.more }}</summary>
        <div class="form-chips" role="group" :aria-label="PIECE_CAME.beside">
          <button v-for="entry in BESIDE" :key="entry" type="button" class="push small" :aria-pressed="draft.beside.includes(entry)" @click="toggle(entry)">{{ entry }}</button>
          <button type="button" class="push small" :aria-pressed="draft.brittle" @click="draft.brittle = !draft.brittle">{{ PIECE_CAME.brittle }}</button>
        </div>
        <WordsField v-model="draft.caution" :label="PIECE_CAME.hurts" :most="LONGEST_TEXT.caution" />
      </details>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}
</style>
