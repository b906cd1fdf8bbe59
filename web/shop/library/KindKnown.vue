<script setup lang="ts">
import type { VehicleProfile } from '@jade/core/vehicle';
import { KIND_KNOWN } from '@jade/words/library';
import { sayIsolation } from '@jade/words/names';
import { STATION_NAMES } from '@jade/words/stations';

/** How its supplies are isolated, and what was noted of the kind while it was worked on. */
const props = defineProps<{ profile: VehicleProfile }>();
const name = (id: string) => props.profile.pieces.find((piece) => piece.id === id)?.name ?? id;
</script>

<template>
  <section class="stack" :aria-label="KIND_KNOWN.isolation">
    <h3>{{ KIND_KNOWN.isolation }}</h3>
    <p v-if="profile.supplies.length === 0" class="soft">{{ KIND_KNOWN.unknown }}</p>
    <p v-for="supply in profile.supplies" :key="supply.id">
      <strong>{{ supply.name }}</strong> {{ sayIsolation(supply, name) }}
    </p>
  </section>
  <section v-if="(profile.notes ?? []).length > 0" class="stack" :aria-label="KIND_KNOWN.notes">
    <h3>{{ KIND_KNOWN.notes }}</h3>
    <p v-for="note in profile.notes" :key="note.id">
      {{ note.text }} <span class="soft">{{ KIND_KNOWN.note(STATION_NAMES[note.station], note.on, note.kit) }}</span>
    </p>
  </section>
</template>
