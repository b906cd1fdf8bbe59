<script setup lang="ts">
import { computed } from 'vue';
import { OPENING_FIT } from '@jade/words/design';

/** A lamp's box in the opening it goes into, seen from ahead and from the side, to one scale. */
const props = defineProps<{ opening: { widthMm: number; heightMm: number; depthMm: number }; box: { widthMm: number; heightMm: number; depthMm: number }; label: string }>();
const GAP = 40;
const width = computed(() => Math.max(props.opening.widthMm, props.box.widthMm));
const height = computed(() => Math.max(props.opening.heightMm, props.box.heightMm));
const depth = computed(() => Math.max(props.opening.depthMm, props.box.depthMm));
const fits = computed(() => props.opening.widthMm >= props.box.widthMm && props.opening.heightMm >= props.box.heightMm && props.opening.depthMm >= props.box.depthMm);
</script>

<template>
  <svg :viewBox="`-6 -6 ${width + depth + GAP + 12} ${height + 34}`" role="img" :aria-label="label" :class="{ tight: !fits }">
    <g :transform="`translate(${width / 2} ${height / 2})`">
      <rect class="opening" :x="-opening.widthMm / 2" :y="-opening.heightMm / 2" :width="opening.widthMm" :height="opening.heightMm" rx="14" />
      <rect class="lamp" :x="-box.widthMm / 2" :y="-box.heightMm / 2" :width="box.widthMm" :height="box.heightMm" rx="10" />
      <text y="4" text-anchor="middle" font-size="13">{{ OPENING_FIT.size(box.widthMm, box.heightMm) }}</text>
    </g>
    <g :transform="`translate(${width + GAP} ${height / 2})`">
      <path class="opening" :d="`M${opening.depthMm} ${-opening.heightMm / 2}H0V${opening.heightMm / 2}H${opening.depthMm}`" />
      <rect class="lamp" x="0" :y="-box.heightMm / 2" :width="box.depthMm" :height="box.heightMm" rx="6" />
      <text :x="box.depthMm / 2" y="4" text-anchor="middle" font-size="13">{{ OPENING_FIT.depth(box.depthMm) }}</text>
    </g>
    <text class="foot" x="0" :y="height + 20" font-size="12">{{ OPENING_FIT.fromAhead }}</text>
    <text class="foot" :x="width + GAP" :y="height + 20" font-size="12">{{ OPENING_FIT.fromSide }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 420px;
  max-height: 210px;
}

.opening {
  fill: var(--paper-sunk);
  stroke: var(--drawing);
  stroke-width: 2;
}

.lamp {
  fill: color-mix(in srgb, var(--jade) 18%, var(--paper-raised));
  stroke: var(--jade);
  stroke-width: 2;
}

.tight .lamp {
  fill: var(--red-soft);
  stroke: var(--red);
}

text {
  fill: var(--ink);
}

.foot {
  fill: var(--ink-soft);
}
</style>
