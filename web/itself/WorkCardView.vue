<script setup lang="ts">
import JobGate from '../job/JobGate.vue';
import WorkCard from './WorkCard.vue';

/** The work card of the job that the address names. */
</script>

<template>
  <JobGate><WorkCard /></JobGate>
</template>
