<script setup lang="ts">
import { computed } from 'vue';
import { photosAt, photosOfPlug, type EarlierPhoto } from '@jade/core/photos';
import type { VehicleProfile } from '@jade/core/vehicle';
import { ELECTRICS_SHELF, sayLibraryPin, sayOnlyOn, saySensor } from '@jade/words/library';
import { sayCircuit, sayProtection } from '@jade/words/wiring';
import { layOneFace } from '@jade/words/drawing';
import KindPhotos from '../../photos/KindPhotos.vue';

/** Plugs of a vehicle as faces from the wire side, its circuits with what guards them, its sensors. */
const props = defineProps<{ profile: VehicleProfile; open?: boolean; photos?: readonly EarlierPhoto[]; plugsOnly?: boolean }>();
const faces = computed(() => props.profile.plugs.map((plug) => ({ plug, face: layOneFace(plug) })));
const circuitOf = (id: string | undefined) => props.profile.circuits.find((circuit) => circuit.id === id)?.name;
</script>

<template>
  <div class="stack">
    <details :open="open">
      <summary>{{ ELECTRICS_SHELF.plugs(profile.plugs.length) }}</summary>
      <p v-if="faces.length === 0" class="soft">{{ ELECTRICS_SHELF.noneDescribed }}</p>
      <div v-else class="faces">
        <figure v-for="{ plug, face } in faces" :key="plug.id" class="leaf">
          <figcaption>
            <strong>{{ plug.name }}</strong> <span class="soft">{{ ELECTRICS_SHELF.plug(plug) }}</span>
          </figcaption>
          <p v-if="plug.when">{{ sayOnlyOn(plug.when, profile) }}</p>
          <svg :viewBox="`0 0 ${face.width} ${face.height}`" :style="{ width: `${face.width}px` }" role="img" :aria-label="ELECTRICS_SHELF.face(plug.name)">
            <rect class="shell" x="2" y="2" :width="face.width - 4" :height="face.height - 4" rx="8" />
            <g v-for="(cell, index) in face.cells" :key="index" :class="{ cell: cell.pin !== undefined, bare: cell.pin === undefined }">
              <rect :x="cell.x" :y="cell.y" :width="cell.size" :height="cell.size" rx="4" />
              <text v-if="cell.pin !== undefined" :x="cell.x + cell.size / 2" :y="cell.y + cell.size / 2 + 6" text-anchor="middle">{{ cell.pin }}</text>
            </g>
          </svg>
          <ul class="rows">
            <li v-for="pin in plug.pins" :key="pin.id">
              <span class="mono">{{ pin.id }}</span> <span class="grow">{{ sayLibraryPin(pin, circuitOf(pin.circuit)) }}</span>
            </li>
          </ul>
          <p class="soft">{{ plug.whereToLook }}</p>
          <KindPhotos :profile="profile" :photos="photosOfPlug(photos ?? [], plug.id)" />
        </figure>
      </div>
    </details>
    <template v-if="!plugsOnly">
      <details :open="open">
        <summary>{{ ELECTRICS_SHELF.circuits(profile.circuits.length) }}</summary>
        <p v-if="profile.circuits.length === 0" class="soft">{{ ELECTRICS_SHELF.noneDescribed }}</p>
        <ul v-else class="leaf rows">
          <li v-for="circuit in profile.circuits" :key="circuit.id">
            <strong>{{ circuit.name }}</strong> <span class="grow">{{ sayCircuit(circuit, sayProtection(circuit)) }}</span>
          </li>
        </ul>
      </details>
      <details :open="open">
        <summary>{{ ELECTRICS_SHELF.sensors(profile.sensors.length) }}</summary>
        <p v-if="profile.sensors.length === 0" class="soft">{{ ELECTRICS_SHELF.noneDescribed }}</p>
        <ul v-else class="leaf rows">
          <li v-for="sensor in profile.sensors" :key="sensor.id">
            <strong>{{ sensor.name }}</strong>
            <span class="grow">{{ saySensor(sensor, profile.pieces.find(({ id }) => id === sensor.on)?.name ?? sensor.on) }} {{ sayOnlyOn(sensor.when, profile) }}</span>
            <KindPhotos :profile="profile" :photos="photosAt(photos ?? [], { kind: 'sensor', sensor: sensor.id })" />
          </li>
        </ul>
      </details>
    </template>
  </div>
</template>

<style scoped>
summary {
  cursor: pointer;
  padding: 10px 0;
  font-weight: 640;
}

.faces {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 12px;
}

figure {
  break-inside: avoid;
  margin: 0;
  display: grid;
  gap: 6px;
  align-content: start;
}

svg {
  max-width: 100%;
  height: auto;
}

.shell {
  fill: var(--plate-black);
  stroke: var(--drawing);
  stroke-width: 1.4px;
}

.cell rect {
  fill: var(--paper-raised);
  stroke: var(--drawing);
}

.bare rect {
  fill: none;
  stroke: var(--drawing-soft);
}

text {
  fill: var(--ink);
  font-family: var(--mono);
  font-size: 17px;
}

@media print {
  .faces {
    display: block;
    columns: 2;
    column-gap: 5mm;
  }

  figure {
    margin: 0 0 4mm;
    padding: 4mm;
    border: 1px solid var(--line);
  }
}
</style>
