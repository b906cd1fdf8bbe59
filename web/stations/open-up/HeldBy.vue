<script setup lang="ts">
import { computed, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { openUp } from '@jade/core/stations';
import { COMMON_FASTENERS, DRIVES, fastenerKey, fastenerKinds, RELEASES, type Drive, type FastenerKind, type Release } from '@jade/core/vehicle';
import { PIECE_CAME } from '@jade/words/open-up';
import { sayGroup } from '@jade/words/names';
import WordsField from '../../design/WordsField.vue';
import { useCurrentJob } from '../../job/current.ts';
import { useKnownPieces } from '../../job/known-pieces.ts';

/** What holds a piece: fasteners picked and counted, others written down. */
const props = defineProps<{ /** What the piece is called: such ones elsewhere are held by the same. */ called: string }>();
const fasteners = defineModel<openUp.CameOut[]>('fasteners', { required: true });
const other = defineModel<{ drive?: Drive; size: string; lengthMm: string; release?: Release }>('other', { required: true });
const { job, context } = useCurrentJob();
const profile = computed(() => context.value.profile);
const known = useKnownPieces();

/** Fasteners that can be picked: those of this job, last used first, then those that such a piece has elsewhere, then those that vehicles commonly have. */
const MOST_KINDS = 12;
const kinds = computed(() => {
  const here = [...Object.values(job.state.described.pieces)].reverse().flatMap(({ fasteners }) => fasteners);
  const there = known.value.filter(({ name: called }) => called.toLowerCase() === props.called.trim().toLowerCase()).flatMap(({ fasteners }) => fasteners);
  const chosen = new Set(fasteners.value.map((entry) => fastenerKey({ ...entry, singleUse: entry.singleUse ?? false })));
  return fastenerKinds([...here, ...there, ...profile.value.pieces.flatMap(({ fasteners }) => fasteners), ...COMMON_FASTENERS])
    .filter((kind) => !chosen.has(fastenerKey(kind)))
    .slice(0, MOST_KINDS);
});
const add = (kind: FastenerKind) => void fasteners.value.push({ ...kind, count: 1 });
const adding = ref(false);
function addOther(): void {
  const { drive, size, lengthMm, release } = other.value;
  const length = Number(lengthMm.replace(',', '.'));
  if (!drive) return;
  add({ drive, ...(size.trim() ? { size: size.trim() } : {}), ...(length > 0 ? { lengthMm: length } : {}), release: release ?? openUp.USUAL_RELEASE[drive], singleUse: false });
  other.value = { size: '', lengthMm: '' };
  adding.value = false;
}
const select = (event: FocusEvent) => (event.target as HTMLInputElement).select();
</script>

<template>
  <div class="stack" role="group" :aria-label="PIECE_CAME.held">
    <strong>{{ PIECE_CAME.held }}</strong>
    <div v-for="(group, index) in fasteners" :key="index" class="line">
      <button type="button" class="push small" :aria-label="PIECE_CAME.less(sayGroup(group) ?? '')" @click="group.count = Math.max(0, group.count - 1)">−</button>
      <input v-model.number="group.count" class="form-count" inputmode="numeric" maxlength="3" :aria-label="PIECE_CAME.count(sayGroup(group) ?? '')" @focus="select" />
      <button type="button" class="push small" :aria-label="PIECE_CAME.oneMore(sayGroup(group) ?? '')" @click="group.count = Number(group.count) + 1">+</button>
      <span class="grow"
        >{{ sayGroup(group) }} <span class="soft">{{ group.release }}</span></span
      >
      <button type="button" class="push small plain" :aria-label="PIECE_CAME.without(sayGroup(group) ?? '')" @click="fasteners.splice(index, 1)">
        {{ PIECE_CAME.away }}
      </button>
    </div>
    <div class="form-chips">
      <button v-for="kind in kinds" :key="fastenerKey(kind)" type="button" class="push small" @click="add(kind)">{{ sayGroup(kind) }}</button>
      <button type="button" class="push small plain" :aria-expanded="adding" @click="adding = !adding">{{ PIECE_CAME.other }}</button>
    </div>
    <div v-if="adding" class="fields">
      <v-select v-model="other.drive" :label="PIECE_CAME.drive" :items="[...DRIVES]" />
      <WordsField v-model="other.size" :label="PIECE_CAME.size" :most="LONGEST_TEXT.size" />
      <v-text-field v-model="other.lengthMm" :label="PIECE_CAME.length" inputmode="decimal" maxlength="6" variant="outlined" density="comfortable" hide-details />
      <v-select
        :model-value="other.release ?? (other.drive && openUp.USUAL_RELEASE[other.drive])"
        :label="PIECE_CAME.release"
        :items="[...RELEASES]"
        @update:model-value="(release) => (other.release = release)"
      />
      <button type="button" class="push" :disabled="!other.drive" @click="addOther">{{ PIECE_CAME.add }}</button>
    </div>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}
</style>
