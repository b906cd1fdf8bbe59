<script setup lang="ts">
import qrcode from 'qrcode-generator';
import { computed } from 'vue';

/** An address as a square code that a camera reads: dark on white in either light, with the four modules of white around it that readers ask for. */
const props = defineProps<{ text: string; label: string }>();
const MARGIN = 4;
const code = computed(() => {
  const made = qrcode(0, 'M');
  made.addData(props.text);
  made.make();
  const count = made.getModuleCount();
  let path = '';
  for (let row = 0; row < count; row++) for (let column = 0; column < count; column++) if (made.isDark(row, column)) path += `M${column + MARGIN} ${row + MARGIN}h1v1h-1z`;
  return { size: count + 2 * MARGIN, path };
});
</script>

<template>
  <svg :viewBox="`0 0 ${code.size} ${code.size}`" role="img" :aria-label="label" shape-rendering="crispEdges">
    <rect :width="code.size" :height="code.size" fill="#fff" />
    <path :d="code.path" fill="#000" />
  </svg>
</template>
