<script setup lang="ts">
import { computed } from 'vue';
import type { PlugFace } from '@jade/core/vehicle';
import type { MateVerdict } from '@jade/core/wiring';
import { PLUG_FACES } from '@jade/words/design';
import { bandsOf, layFaces, type FaceEnd } from '@jade/words/drawing';

/** Two plugs seen from the wire side with their pins in the true grid, joined by pin lines. */
const props = withDefaults(defineProps<{ vehicle: PlugFace; kit: PlugFace; mate: MateVerdict; label: string; from?: 'vehicle' | 'lead' }>(), { from: 'vehicle' });
const drawing = computed(() => layFaces(props.vehicle, props.kit, props.mate.pairs));
const PIN_STYLE = { meets: 'good', swapped: 'bad', 'nothing there': 'bad', 'left over': 'idle', spare: 'idle' } as const;
const colourOf = ({ side, pin }: FaceEnd) => props[side].pins.find((entry) => entry.id === pin)?.colour;
const isWired = ({ pin, carries }: FaceEnd) => pin !== undefined && carries !== 'empty';
</script>

<template>
  <svg :viewBox="`0 0 ${drawing.width} ${drawing.height}`" :style="{ maxWidth: `${drawing.width * 1.12}px` }" role="img" :aria-label="label">
    <g v-for="face in [drawing.vehicle, drawing.kit]" :key="face.x">
      <rect class="shell" v-bind="face" rx="9" />
      <path class="shell" :d="`M${face.x + face.width / 2 - 10} ${face.y}v-8h20v8`" />
    </g>
    <text class="head" :x="drawing.vehicle.x + drawing.vehicle.width / 2" y="14" text-anchor="middle">{{ from }} · {{ vehicle.family }} {{ vehicle.keying }}</text>
    <text class="head" :x="drawing.kit.x + drawing.kit.width / 2" y="14" text-anchor="middle">{{ PLUG_FACES.ofKit(kit.family, kit.keying) }}</text>
    <g v-for="line in drawing.lines" :key="`${line.pair.row}/${line.pair.column}`" :class="PIN_STYLE[line.pair.verdict]">
      <path class="join" :d="line.join" />
      <g v-for="end in line.ends.filter(isWired)" :key="end.side">
        <path class="edge" :d="end.wire" />
        <path v-for="(band, index) in bandsOf(colourOf(end))" :key="index" :d="end.wire" :stroke="band" :stroke-width="index === 0 ? 11 : 4" />
        <path class="lead" :d="end.lead" />
      </g>
      <text class="verdict" :x="drawing.middle" :y="line.y - 6" text-anchor="middle">{{ line.pair.verdict }}</text>
    </g>
    <g v-for="line in drawing.lines" :key="`pins ${line.pair.row}/${line.pair.column}`" :class="PIN_STYLE[line.pair.verdict]">
      <g v-for="end in line.ends.filter((entry) => entry.pin !== undefined)" :key="end.side">
        <rect class="pin" :x="end.spot[0] - 14" :y="end.spot[1] - 14" width="28" height="28" :rx="end.side === 'kit' ? 14 : 0" />
        <text class="mono id" :x="end.spot[0]" :y="end.spot[1] + 5" text-anchor="middle">{{ end.pin }}</text>
        <text class="carries" :x="end.nameX" :y="line.y - 2" :text-anchor="end.anchor">{{ end.carries }}</text>
        <text class="mono code" :x="end.nameX" :y="line.y + 13" :text-anchor="end.anchor">{{ colourOf(end) ?? '' }}</text>
      </g>
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
