<script setup lang="ts">
/** A caution at the step where it matters, in plain words. */
defineProps<{ text: string }>();
</script>

<template>
  <p class="caution"><span class="sign" aria-hidden="true">!</span><span class="out-of-sight">Caution: </span>{{ text }}</p>
</template>

<style scoped>
.caution {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  padding: 9px 12px;
  background: var(--amber-soft);
  border-left: 5px solid var(--amber);
  color: var(--ink);
  font-weight: 560;
}

.sign {
  flex: none;
  width: 22px;
  height: 20px;
  text-align: center;
  font-weight: 800;
  font-size: 13px;
  line-height: 24px;
  background: var(--amber);
  color: var(--amber-soft);
  clip-path: polygon(50% 0, 100% 100%, 0 100%);
}
</style>
