<script setup lang="ts">
import { computed } from 'vue';
import { standsOffered } from '@jade/core/stations';
import { standIn, positionsIn, type Position } from '@jade/core/vehicle';
import { PIECE_CAME } from '@jade/words/open-up';
import { sayStand } from '@jade/words/names';
import { useCurrentJob } from '../../job/current.ts';

/** How the vehicle had to stand for a piece: as it stands, until somebody says that it need not, or stood otherwise. */
const stands = defineModel<Position[]>({ required: true });
const { context } = useCurrentJob();
const offered = computed(() => standsOffered(context.value).flatMap(({ kind, places }) => places.map((place): Position => ({ kind, place }))));
const isTaken = ({ kind, place }: Position) => stands.value.some((entry) => entry.kind === kind && entry.place === place);
function tap(position: Position): void {
  const others = stands.value.filter(({ kind }) => kind !== position.kind);
  stands.value = isTaken(position) ? others : positionsIn(standIn({}, [...others, position]));
}
</script>

<template>
  <div class="stack" role="group" :aria-label="PIECE_CAME.stood">
    <strong>{{ PIECE_CAME.stood }}</strong>
    <div class="form-chips">
      <button v-for="entry in offered" :key="entry.kind + entry.place" type="button" class="push small" :aria-pressed="isTaken(entry)" @click="tap(entry)">
        {{ sayStand(entry) }}
      </button>
    </div>
    <p v-if="Object.keys(context.state.stand).length > 0" class="soft">{{ PIECE_CAME.stoodHint }}</p>
  </div>
</template>
