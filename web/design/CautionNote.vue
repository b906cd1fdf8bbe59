<script setup lang="ts">
import CautionList from './CautionList.vue';

/** A caution at the step where it matters, in plain words. */
defineProps<{ text: string }>();
</script>

<template>
  <CautionList :codes="[]" :own="[text]" />
</template>
