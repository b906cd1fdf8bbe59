<script setup lang="ts">
import { computed } from 'vue';
import type { PlugFace } from '@jade/core/vehicle';
import type { MateVerdict } from '@jade/core/wiring';

/** Two plugs seen from the wire side with their pins in the true grid, joined by pin lines. */
const props = defineProps<{ vehicle: PlugFace; kit: PlugFace; mate: MateVerdict; label: string }>();
const PITCH = 46;
const LEFT = 132;
const RIGHT = 282;

const rows = computed(() => Math.max(props.vehicle.rows, props.kit.rows));
const columns = computed(() => Math.max(props.vehicle.columns, props.kit.columns));
const down = computed(() => props.vehicle.rows * props.vehicle.columns > 1 && props.vehicle.rows === 1);
const height = computed(() => 70 + (down.value ? columns.value : rows.value) * PITCH);

/** One-row faces stand upright so that every pin has a line of its own. */
function spot(row: number, column: number): { x: number; y: number } {
  return down.value ? { x: 0, y: 62 + (column - 1) * PITCH } : { x: (column - 1) * PITCH * 0.6, y: 62 + (row - 1) * PITCH };
}

/** Colours of a wire as bands: base and tracer of "white/green". */
function bands(colour: string | undefined): string[] {
  const known: Record<string, string> = {
    white: '#f4f4f0',
    green: '#2f8f4e',
    violet: '#7a4fa3',
    brown: '#7a4a26',
    red: '#c2332b',
    yellow: '#e3bf2c',
    black: '#20262a',
    grey: '#8b9498',
    blue: '#2c62b0',
    orange: '#d9772b',
  };
  return (colour ?? 'grey').split('/').map((name) => known[name] ?? '#8b9498');
}
const PIN_STYLE = { meets: 'good', swapped: 'bad', 'nothing there': 'bad', 'left over': 'idle', spare: 'idle' } as const;
const kitColour = (id: string | undefined) => props.kit.pins.find((pin) => pin.id === id)?.colour;
const vehicleColour = (id: string | undefined) => props.vehicle.pins.find((pin) => pin.id === id)?.colour;
</script>

<template>
  <svg :viewBox="`-34 0 480 ${height}`" role="img" :aria-label="label">
    <rect class="shell" :x="LEFT - 34" y="30" width="70" :height="height - 42" rx="9" />
    <rect class="shell" :x="RIGHT - 34" y="30" width="70" :height="height - 42" rx="9" />
    <path class="key" :d="`M${LEFT - 10} 30v-8h20v8M${RIGHT - 10} 30v-8h20v8`" />
    <text class="head" :x="LEFT" y="14" text-anchor="middle">vehicle · {{ vehicle.family }} {{ vehicle.keying }}</text>
    <text class="head" :x="RIGHT" y="14" text-anchor="middle">kit · {{ kit.family }} {{ kit.keying }}</text>
    <g v-for="pair in mate.pairs" :key="`${pair.row}/${pair.column}`" :class="PIN_STYLE[pair.verdict]">
      <template v-for="at in [spot(pair.row, pair.column)]" :key="at.y">
        <path class="join" :d="`M${LEFT + at.x + 14} ${at.y}H${RIGHT - at.x - 14}`" />
        <g v-if="pair.vehiclePin">
          <path class="edge" :d="`M${LEFT + at.x - 15} ${at.y}H${LEFT - 55}`" />
          <path
            v-for="(band, index) in bands(vehicleColour(pair.vehiclePin))"
            :key="index"
            :d="`M${LEFT + at.x - 15} ${at.y}H${LEFT - 54}`"
            :stroke="band"
            :stroke-width="index === 0 ? 11 : 4"
          />
          <rect class="pin" :x="LEFT + at.x - 14" :y="at.y - 14" width="28" height="28" />
          <text class="mono id" :x="LEFT + at.x" :y="at.y + 5" text-anchor="middle">{{ pair.vehiclePin }}</text>
          <text class="carries" :x="LEFT - 58" :y="at.y - 3" text-anchor="end">{{ pair.vehicleCarries }}</text>
          <text class="mono code" :x="LEFT - 58" :y="at.y + 12" text-anchor="end">{{ vehicleColour(pair.vehiclePin) ?? '' }}</text>
        </g>
        <g v-if="pair.kitPin">
          <path class="edge" :d="`M${RIGHT - at.x + 15} ${at.y}H${RIGHT + 55}`" />
          <path
            v-for="(band, index) in bands(kitColour(pair.kitPin))"
            :key="index"
            :d="`M${RIGHT - at.x + 15} ${at.y}H${RIGHT + 54}`"
            :stroke="band"
            :stroke-width="index === 0 ? 11 : 4"
          />
          <rect class="pin" :x="RIGHT - at.x - 14" :y="at.y - 14" width="28" height="28" rx="14" />
          <text class="mono id" :x="RIGHT - at.x" :y="at.y + 5" text-anchor="middle">{{ pair.kitPin }}</text>
          <text class="carries" :x="RIGHT + 58" :y="at.y - 3">{{ pair.kitWants }}</text>
          <text class="mono code" :x="RIGHT + 58" :y="at.y + 12">{{ kitColour(pair.kitPin) ?? '' }}</text>
        </g>
        <text class="verdict" :x="(LEFT + RIGHT) / 2" :y="at.y - 7" text-anchor="middle">{{ pair.verdict }}</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 540px;
}

.shell {
  fill: var(--paper-sunk);
  stroke: var(--drawing);
  stroke-width: 2;
}

.key {
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
