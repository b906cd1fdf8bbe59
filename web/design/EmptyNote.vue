<script setup lang="ts">
/** Says what a list does when there is nothing, while it loads, or when it failed. */
defineProps<{ kind: 'empty' | 'loading' | 'failed' }>();
</script>

<template>
  <div class="note" :class="kind" :role="kind === 'failed' ? 'alert' : 'status'">
    <span v-if="kind === 'loading'" class="bar" aria-hidden="true" />
    <slot />
  </div>
</template>

<style scoped>
.note {
  padding: 18px;
  border: 1.5px dashed var(--line-strong);
  border-radius: 4px;
  color: var(--ink-soft);
}

.failed {
  border-color: var(--red);
  color: var(--red);
}

.bar {
  display: block;
  height: 3px;
  margin-bottom: 10px;
  background: linear-gradient(90deg, transparent, var(--jade), transparent) 0 0 / 40% 100% no-repeat;
  animation: slide 1.2s linear infinite;
}

@keyframes slide {
  from {
    background-position: -40% 0;
  }
  to {
    background-position: 140% 0;
  }
}
</style>
