<script setup lang="ts">
import { v4 } from 'uuid';
import { computed } from 'vue';
import { reachUnknown } from '@jade/core/plan';
import { unplacedKits } from '@jade/core/job';
import { openUp } from '@jade/core/stations';
import { REACH_UNKNOWN } from '@jade/words/open-up';
import { useCurrentJob } from '../../job/current.ts';

/** What has to be open where nobody has described it: each piece is written down as it comes, known ones are planned in, and a person says when it is enough. */
defineProps<{ /** Something is still planned. */ planned: boolean }>();
const emit = defineEmits<{ came: [] }>();
const { job, context, names } = useCurrentJob();
const open = computed(() => reachUnknown(context.value));
const kits = computed(() => unplacedKits(context.value).map((kit) => names.value.kit(kit)));
/** What was written down on one side and not on the other, the last first: often one side is opened, and then the other. */
const MOST_SIDES = 6;
const mirrored = computed(() => openUp.oneSided(context.value).slice(0, MOST_SIDES));
const offered = computed(() => openUp.openable(context.value, job.plan?.steps.map(({ piece }) => piece) ?? []));
</script>

<template>
  <section v-if="kits.length > 0" class="leaf stack undescribed" :aria-label="REACH_UNKNOWN.title">
    <h2>{{ REACH_UNKNOWN.title }}</h2>
    <p>{{ REACH_UNKNOWN.why(kits) }}</p>
    <div class="line">
      <button type="button" class="push main" @click="emit('came')">{{ REACH_UNKNOWN.came }}</button>
      <button v-if="open && !planned" type="button" class="push" @click="job.perform(openUp.enough(context))">{{ REACH_UNKNOWN.enough }}</button>
    </div>
    <div v-if="mirrored.length > 0" class="chips" role="group" :aria-label="REACH_UNKNOWN.sides">
      <button v-for="piece in mirrored" :key="piece" type="button" class="push small" @click="job.perform(openUp.sameOnOtherSide(context, piece, v4().slice(0, 4)))">
        {{ REACH_UNKNOWN.otherSide(names.piece(piece)) }}
      </button>
    </div>
    <template v-if="offered.length > 0">
      <strong>{{ REACH_UNKNOWN.known }}</strong>
      <div class="chips" role="group" :aria-label="REACH_UNKNOWN.known">
        <button v-for="piece in offered" :key="piece.id" type="button" class="push small" @click="job.perform(openUp.want(context, piece.id))">{{ piece.name }}</button>
      </div>
    </template>
  </section>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
