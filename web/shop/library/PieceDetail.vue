<script setup lang="ts">
import type { Piece, VehicleProfile } from '@jade/core/vehicle';
import { sayHome } from '@jade/words/job';
import { sayLevel, sayOnlyOn, sayPieceAside, sayWayIn, VEHICLE_SHELF } from '@jade/words/library';
import { sayGroup } from '@jade/words/names';
import TapeLabel from '../../design/TapeLabel.vue';

/** What is known of one piece: where it lies, its levels with the ways to them, its fasteners and how they go back, what to mind. */
const props = defineProps<{ profile: VehicleProfile; piece: Piece; layer: number }>();
const nameOf = (id: string) => props.profile.pieces.find((entry) => entry.id === id)?.name ?? id;
const fastenersAt = (level: string) => props.piece.fasteners.filter(({ atLevel }) => atLevel === level);
</script>

<template>
  <div class="stack detail">
    <p class="soft">{{ sayPieceAside(piece, layer) }}</p>
    <p v-if="piece.when">{{ sayOnlyOn(piece.when, profile) }}</p>
    <div v-for="level in piece.levels" :key="level.level">
      <strong>{{ sayLevel(level) }}</strong>
      <ul class="rows">
        <li v-for="way in level.ways" :key="way.id">{{ sayWayIn(way, nameOf) }}</li>
        <li v-for="group in fastenersAt(level.level)" :key="group.id">
          <span
            >{{ group.count }} × {{ sayGroup(group) }} <span class="soft">{{ VEHICLE_SHELF.fastener(group, sayHome(group)) }}</span></span
          >
        </li>
      </ul>
    </div>
    <p v-if="piece.movement">{{ VEHICLE_SHELF.movement }} {{ piece.movement }}</p>
    <p v-for="caution in piece.cautions" :key="caution.text">
      <TapeLabel long>{{ caution.text }}</TapeLabel>
    </p>
  </div>
</template>

<style scoped>
.detail {
  gap: 6px;
}
</style>
