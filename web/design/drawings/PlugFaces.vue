<script setup lang="ts">
import { computed } from 'vue';
import type { PlugFace } from '@jade/core/vehicle';
import type { MateVerdict } from '@jade/core/wiring';
import { bandsOf, layFaces, NAMES, WIRE } from '../geometry/plug-faces.ts';

/** Two plugs seen from the wire side with their pins in the true grid, joined by pin lines. */
const props = defineProps<{ vehicle: PlugFace; kit: PlugFace; mate: MateVerdict; label: string }>();
const drawing = computed(() => layFaces(props.vehicle, props.kit, props.mate.pairs));
const right = computed(() => drawing.value.kit.x + drawing.value.kit.width);
const PIN_STYLE = { meets: 'good', swapped: 'bad', 'nothing there': 'bad', 'left over': 'idle', spare: 'idle' } as const;
const kitColour = (id: string | undefined) => props.kit.pins.find((pin) => pin.id === id)?.colour;
const vehicleColour = (id: string | undefined) => props.vehicle.pins.find((pin) => pin.id === id)?.colour;
</script>

<template>
  <svg :viewBox="`0 0 ${drawing.width} ${drawing.height}`" :style="{ maxWidth: `${drawing.width * 1.12}px` }" role="img" :aria-label="label">
    <g v-for="face in [drawing.vehicle, drawing.kit]" :key="face.x">
      <rect class="shell" v-bind="face" rx="9" />
      <path class="shell" :d="`M${face.x + face.width / 2 - 10} ${face.y}v-8h20v8`" />
    </g>
    <text class="head" :x="drawing.vehicle.x + drawing.vehicle.width / 2" y="14" text-anchor="middle">vehicle · {{ vehicle.family }} {{ vehicle.keying }}</text>
    <text class="head" :x="drawing.kit.x + drawing.kit.width / 2" y="14" text-anchor="middle">kit · {{ kit.family }} {{ kit.keying }}</text>
    <g v-for="line in drawing.lines" :key="`${line.pair.row}/${line.pair.column}`" :class="PIN_STYLE[line.pair.verdict]">
      <path class="join" :d="line.join" />
      <g v-if="line.pair.vehiclePin && line.pair.vehicleCarries !== 'empty'">
        <path class="edge" :d="`M${NAMES} ${line.y}h${WIRE + 6}`" />
        <path
          v-for="(band, index) in bandsOf(vehicleColour(line.pair.vehiclePin))"
          :key="index"
          :d="`M${NAMES + 1} ${line.y}h${WIRE + 4}`"
          :stroke="band"
          :stroke-width="index === 0 ? 11 : 4"
        />
        <path class="lead" :d="`M${NAMES + WIRE + 6} ${line.y}L${line.vehicle[0]} ${line.vehicle[1]}`" />
      </g>
      <g v-if="line.pair.kitPin && line.pair.kitWants !== 'empty'">
        <path class="edge" :d="`M${right + WIRE} ${line.y}h${-WIRE - 6}`" />
        <path
          v-for="(band, index) in bandsOf(kitColour(line.pair.kitPin))"
          :key="index"
          :d="`M${right + WIRE - 1} ${line.y}h${-WIRE - 4}`"
          :stroke="band"
          :stroke-width="index === 0 ? 11 : 4"
        />
        <path class="lead" :d="`M${right - 6} ${line.y}L${line.kit[0]} ${line.kit[1]}`" />
      </g>
      <text class="verdict" :x="drawing.middle" :y="line.y - 6" text-anchor="middle">{{ line.pair.verdict }}</text>
    </g>
    <g v-for="line in drawing.lines" :key="`pins ${line.pair.row}/${line.pair.column}`" :class="PIN_STYLE[line.pair.verdict]">
      <template v-if="line.pair.vehiclePin">
        <rect class="pin" :x="line.vehicle[0] - 14" :y="line.vehicle[1] - 14" width="28" height="28" />
        <text class="mono id" :x="line.vehicle[0]" :y="line.vehicle[1] + 5" text-anchor="middle">{{ line.pair.vehiclePin }}</text>
        <text class="carries" :x="NAMES - 6" :y="line.y - 2" text-anchor="end">{{ line.pair.vehicleCarries }}</text>
        <text class="mono code" :x="NAMES - 6" :y="line.y + 13" text-anchor="end">{{ vehicleColour(line.pair.vehiclePin) ?? '' }}</text>
      </template>
      <template v-if="line.pair.kitPin">
        <rect class="pin" :x="line.kit[0] - 14" :y="line.kit[1] - 14" width="28" height="28" rx="14" />
        <text class="mono id" :x="line.kit[0]" :y="line.kit[1] + 5" text-anchor="middle">{{ line.pair.kitPin }}</text>
        <text class="carries" :x="right + WIRE + 6" :y="line.y - 2">{{ line.pair.kitWants }}</text>
        <text class="mono code" :x="right + WIRE + 6" :y="line.y + 13">{{ kitColour(line.pair.kitPin) ?? '' }}</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
}

.shell {
  fill: var(--paper-sunk);
  stroke: var(--drawing);
  stroke-width: 2;
}

.head,
.code {
  font-size: 13.5px;
  fill: var(--ink-soft);
}

.carries,
.id {
  font-size: 15px;
  font-weight: 600;
  fill: var(--ink);
}

.edge {
  stroke: var(--drawing);
  stroke-width: 12.5;
}

.lead {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 2;
}

.pin {
  fill: var(--paper-raised);
  stroke: var(--drawing);
  stroke-width: 2;
}

.join {
  stroke: var(--drawing-soft);
  stroke-width: 2.5;
  fill: none;
}

.good .join,
.good .pin {
  stroke: var(--jade);
}

.bad .join,
.bad .pin {
  stroke: var(--red);
  stroke-dasharray: 6 4;
}

.idle .join {
  stroke-dasharray: 2 5;
}

.verdict {
  font-size: 13px;
  font-weight: 600;
  fill: var(--jade);
}

.bad .verdict {
  fill: var(--red);
}

.idle .verdict {
  fill: var(--ink-soft);
}
</style>
