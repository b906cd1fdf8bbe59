<script setup lang="ts" generic="S extends { id: string }">
import { computed, ref } from 'vue';
import type { PhotoSubject } from '@jade/core/photos';
import { sayThen } from '@jade/words/floor';
import { inSentence } from '@jade/words/units';
import EmptyNote from '../design/EmptyNote.vue';
import PhotoRow from '../photos/PhotoRow.vue';
import OtherSteps from './OtherSteps.vue';
import { useSecondTap } from './second-tap.ts';

/** One step at a time, for gloves: what it is, its drawing, what ends it within reach of the thumb, what comes next, and every other step on demand. */
const props = defineProps<{ steps: readonly S[]; say: (step: S) => string; done: string; pictureOf?: (step: S) => PhotoSubject | undefined }>();
const picked = ref<string>();
const current = computed(() => props.steps.find(({ id }) => id === picked.value) ?? props.steps[0]);
const following = computed(() => props.steps[props.steps.findIndex(({ id }) => id === current.value?.id) + 1]);
const others = computed(() => props.steps.filter(({ id }) => id !== current.value?.id).map((step) => ({ id: step.id, text: props.say(step) })));
const pictured = computed(() => current.value && props.pictureOf?.(current.value));
const meant = useSecondTap(() => current.value?.id);

/** Ends the step, unless the tap was meant for the one before it. */
function end(act: () => void): void {
  if (meant.value) act();
}
</script>

<template>
  <div class="on-floor">
    <EmptyNote v-if="!current" kind="empty">{{ done }}</EmptyNote>
    <article v-else :key="current.id" class="leaf stack step" aria-live="polite">
      <h2>{{ say(current) }}</h2>
      <slot :step="current" />
      <div class="reach"><slot name="reach" :step="current" :end="end" :later="() => (picked = following?.id)" /></div>
      <PhotoRow v-if="pictured" :key="current.id" :subject="pictured" large />
      <p v-if="following" class="soft">{{ sayThen(inSentence(say(following)), '') }}</p>
    </article>
    <div v-if="current && $slots.drawing" class="leaf"><slot name="drawing" :step="current" /></div>
    <OtherSteps :steps="others" @pick="(id) => (picked = id)" />
  </div>
</template>

<style scoped>
.step {
  border-top: 5px solid var(--amber);
}
</style>
