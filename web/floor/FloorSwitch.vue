<script setup lang="ts">
import { FLOOR } from '@jade/words/floor';

/** One step at a time, or the whole station. */
const floor = defineModel<boolean>({ required: true });
</script>

<template>
  <div class="line switch">
    <slot />
    <span class="grow" />
    <button type="button" class="push small turn" @click="floor = !floor">{{ floor ? FLOOR.off : FLOOR.on }}</button>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}
</style>
