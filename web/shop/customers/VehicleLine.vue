<script setup lang="ts">
import dayjs from 'dayjs';
import type { VehicleFound } from '@jade/contract/customers';
import { VEHICLE_LINE } from '@jade/words/customers';
import TapeLabel from '../../design/TapeLabel.vue';

/** A vehicle in one line: its plate on tape, whose and what it is, and when it was here. */
defineProps<{ vehicle: VehicleFound; ownerKnown?: boolean }>();
</script>

<template>
  <span class="vehicle">
    <TapeLabel>{{ vehicle.plate }}</TapeLabel>
    <span class="what">
      <strong>{{ ownerKnown ? vehicle.kind : vehicle.customer.name }}</strong>
      <span class="soft">{{ [...(ownerKnown ? [] : [vehicle.kind]), vehicle.year, vehicle.colour].filter(Boolean).join(', ') }}</span>
    </span>
    <span class="soft when">{{ vehicle.lastVisit ? VEHICLE_LINE.last(vehicle.visits, dayjs(vehicle.lastVisit.openedAt).format('D MMM YYYY')) : VEHICLE_LINE.neverHere }}</span>
  </span>
</template>

<style scoped>
.vehicle {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr) auto;
  gap: 4px 14px;
  align-items: center;
  width: 100%;
  text-align: left;
}

.what {
  display: grid;
  line-height: 1.3;
}

.soft {
  font-weight: 450;
  font-size: 14px;
}

@media (max-width: 700px) {
  .vehicle {
    grid-template-columns: 96px minmax(0, 1fr);
  }

  .when {
    grid-column: 2;
  }
}
</style>
