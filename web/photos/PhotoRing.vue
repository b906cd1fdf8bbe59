<script setup lang="ts">
import { computed } from 'vue';
import { WHOLE_EDGE, type Ring } from '@jade/core/photos';

/** Where to look on a photo: a light ring with a dark edge, so that it is seen on any ground. */
const props = defineProps<{ ring: Ring; widthPx: number; heightPx: number; small?: boolean }>();
const at = computed(() => {
  const { ring, widthPx, heightPx } = props;
  return { x: (ring.x / WHOLE_EDGE) * widthPx, y: (ring.y / WHOLE_EDGE) * heightPx, r: (ring.r / WHOLE_EDGE) * Math.max(widthPx, heightPx) };
});
const line = computed(() => (Math.max(props.widthPx, props.heightPx) / WHOLE_EDGE) * (props.small ? 22 : 5));
</script>

<template>
  <svg :viewBox="`0 0 ${widthPx} ${heightPx}`" :preserveAspectRatio="small ? 'xMidYMid slice' : 'xMidYMid meet'" aria-hidden="true">
    <circle class="edge" :cx="at.x" :cy="at.y" :r="at.r" :stroke-width="line * 2" />
    <circle class="ring" :cx="at.x" :cy="at.y" :r="at.r" :stroke-width="line" />
  </svg>
</template>

<style scoped>
svg {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

circle {
  fill: none;
}

.edge {
  stroke: rgb(0 0 0 / 75%);
}

.ring {
  stroke: #f7dc5f;
}
</style>
