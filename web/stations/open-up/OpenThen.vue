<script setup lang="ts">
import { computed } from 'vue';
import { openUp } from '@jade/core/stations';
import { PIECE_CAME } from '@jade/words/open-up';
import { useCurrentJob } from '../../job/current.ts';

/** What was open when a piece came: seen, until somebody says that it had to be, or that the piece would have come without. */
type Said = Record<string, 'without' | 'needed'>;
const props = defineProps<{
  /** Where the piece sits: what is open there stands first. */ zone: string | undefined;
  /** The piece itself, of which its own lower level is no question. */ of?: string;
}>();
const said = defineModel<Said>({ required: true });
const { context, names } = useCurrentJob();
const zoneOf = (id: string) => context.value.profile.pieces.find((piece) => piece.id === id)?.zone;
const open = computed(() =>
  openUp
    .openBefore(context.value)
    .filter((piece) => piece !== props.of)
    .sort((a, b) => Number(zoneOf(b) === props.zone) - Number(zoneOf(a) === props.zone)),
);
const NEXT = { seen: 'without', without: 'needed', needed: 'seen' } as const;
const stateOf = (piece: string) => said.value[piece] ?? 'seen';
function tap(piece: string): void {
  const { [piece]: _before, ...rest } = said.value;
  const next = NEXT[stateOf(piece)];
  said.value = next === 'seen' ? rest : { ...rest, [piece]: next };
}
</script>

<template>
  <div v-if="open.length > 0" class="stack" role="group" :aria-label="PIECE_CAME.openThen">
    <strong>{{ PIECE_CAME.openThen }}</strong>
    <div class="form-chips">
      <button v-for="piece in open" :key="piece" type="button" class="push small chip" :class="stateOf(piece)" @click="tap(piece)">
        <span class="name">{{ names.piece(piece) }}</span> <span class="soft">{{ PIECE_CAME.said[stateOf(piece)] }}</span>
      </button>
    </div>
    <p class="soft">{{ PIECE_CAME.openHint }}</p>
  </div>
</template>

<style scoped>
.chip.seen {
  border-style: dashed;
}

.chip.without .name {
  text-decoration: line-through;
}

.chip.needed {
  border-width: 2px;
  border-color: var(--jade);
}
</style>
