<script setup lang="ts">
/** Masking tape: what a person wrote or measured at the vehicle. */
defineProps<{ big?: boolean; /** More than a line of it. */ long?: boolean }>();
</script>

<template>
  <span class="tape" :class="{ big, long }"><slot /></span>
</template>

<style scoped>
.tape {
  display: inline-block;
  justify-self: start;
  padding: 2px 11px;
  background: var(--tape);
  color: var(--on-tape);
  font-weight: 620;
  white-space: nowrap;
  clip-path: polygon(0 6%, 3px 34%, 1px 62%, 4px 100%, calc(100% - 3px) 96%, 100% 70%, calc(100% - 4px) 40%, calc(100% - 1px) 0);
}

.long {
  white-space: normal;
}

.big {
  padding: 4px 16px;
  font-size: 20px;
  letter-spacing: 0.04em;
}
</style>
