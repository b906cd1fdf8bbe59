<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { ringAt, ringMoved, ringSized, type EarlierPhoto, type Photo, type Ring } from '@jade/core/photos';
import { itself } from '@jade/core/stations';
import { COMMON } from '@jade/words/common';
import { PHOTOS, sayTaken } from '@jade/words/photos';
import WordsField from '../design/WordsField.vue';
import { within } from '../design/words.ts';
import { useCurrentJob } from '../job/current.ts';
import { useSession } from '../session/index.ts';
import PhotoRing from './PhotoRing.vue';
import { usePhotos } from './index.ts';

/** A photo in large: a tap says where to look, a word what it shows; of another vehicle only to be looked at. */
const props = defineProps<{ photo: Photo | EarlierPhoto; what: string; earlier: boolean }>();
const emit = defineEmits<{ close: [] }>();
const { job, context } = useCurrentJob();
const photos = usePhotos();
const session = useSession();
const address = computed(() => photos.addressOf(props.photo.hash));
const caption = ref(props.photo.note ?? '');
const taken = computed(() =>
  sayTaken(
    dayjs(props.photo.at).format('ddd D MMM, HH:mm'),
    props.photo.by === undefined ? undefined : session.benchNameOf(props.photo.by),
    'plate' in props.photo ? props.photo : {},
  ),
);
const changed = computed(() => caption.value.trim() !== (props.photo.note ?? ''));

const ring = (to: Ring | undefined) => void job.perform(itself.ringed(context.value, props.photo.event, to));
const size = (steps: number) => props.photo.ring && ring(ringSized(props.photo.ring, steps));

function tapped(event: MouseEvent): void {
  if (props.earlier) return;
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  ring(ringAt((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height, props.photo.ring));
}

const STEP = 25;
const MOVES: Readonly<Record<string, [number, number]>> = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] };
function keyed(event: KeyboardEvent): void {
  if (props.earlier) return;
  const move = MOVES[event.key];
  const { ring: now = ringAt(0.5, 0.5) } = props.photo;
  if (move) ring(props.photo.ring ? ringMoved(now, ...move) : now);
  else if (event.key === '+' || event.key === '=') ring(ringSized(now, 1));
  else if (event.key === '-') ring(ringSized(now, -1));
  else return;
  event.preventDefault();
}

function keep(): void {
  void job.perform(itself.captioned(context.value, props.photo.event, caption.value));
}
const onSheet = (to: boolean) => void job.perform(itself.onTheSheet(context.value, props.photo.event, to));

function takeBack(): void {
  void job.undo(props.photo.event);
  emit('close');
}
</script>

<template>
  <v-dialog :model-value="true" max-width="980" :aria-label="what" @update:model-value="emit('close')">
    <div class="leaf stack">
      <h2>{{ what }}</h2>
      <p class="soft">{{ taken }}</p>
      <div
        class="picture"
        :class="{ marked: !earlier }"
        :tabindex="earlier ? undefined : 0"
        :role="earlier ? undefined : 'group'"
        :aria-label="earlier ? undefined : PHOTOS.where"
        :style="{ '--ratio': photo.widthPx / photo.heightPx }"
        @click="tapped"
        @keydown="keyed"
      >
        <img v-if="address" :src="address" :alt="what" :width="photo.widthPx" :height="photo.heightPx" />
        <p v-else class="soft waits">{{ PHOTOS.onItsWay }}</p>
        <PhotoRing v-if="photo.ring" :ring="photo.ring" :width-px="photo.widthPx" :height-px="photo.heightPx" />
      </div>
      <template v-if="!earlier">
        <p class="soft">{{ PHOTOS.where }}</p>
        <div v-if="photo.ring" class="line">
          <button type="button" class="push small" @click="size(-1)">{{ PHOTOS.smaller }}</button>
          <button type="button" class="push small" @click="size(1)">{{ PHOTOS.larger }}</button>
          <button type="button" class="push small" @click="ring(undefined)">{{ PHOTOS.noRing }}</button>
        </div>
        <form class="line caption" @submit.prevent="keep">
          <WordsField v-model="caption" :label="PHOTOS.caption" :most="LONGEST_TEXT.caption" />
          <button v-if="changed" type="submit" class="push" :disabled="!within(caption, LONGEST_TEXT.caption)">{{ COMMON.record }}</button>
        </form>
      </template>
      <div class="line">
        <button type="button" class="push main" @click="emit('close')">{{ PHOTOS.close }}</button>
        <template v-if="!earlier && !job.state.signed">
          <button type="button" class="push" :aria-pressed="photo.onSheet" @click="onSheet(!photo.onSheet)">{{ PHOTOS.onSheet }}</button>
          <button type="button" class="push" @click="takeBack">{{ PHOTOS.takeBack }}</button>
        </template>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.leaf {
  max-height: 94vh;
  overflow-y: auto;
  color: var(--ink);
}

.picture {
  position: relative;
  justify-self: center;
  width: min(100%, calc(58vh * var(--ratio)));
  aspect-ratio: var(--ratio);
  background: var(--paper-sunk);
}

.marked {
  cursor: crosshair;
}

.picture img {
  display: block;
  width: 100%;
  height: 100%;
}

.picture :deep(svg) {
  width: 100%;
  height: 100%;
}

.waits {
  padding: 20px;
}

.caption :deep(.v-input) {
  flex: 1 1 260px;
}
</style>
