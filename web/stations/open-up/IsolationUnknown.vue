<script setup lang="ts">
import { computed } from 'vue';
import { openUp } from '@jade/core/stations';
import type { SupplyId } from '@jade/core/vehicle';
import { ISOLATION } from '@jade/words/open-up';
import { useCurrentJob } from '../../job/current.ts';

/** Supplies of which nobody has described how they are isolated: no step asks for them, and whoever isolates one writes it down. */
const emit = defineEmits<{ isolated: [supply: SupplyId] }>();
const { context } = useCurrentJob();
const supplies = computed(() => openUp.isolationUnknown(context.value));
</script>

<template>
  <section v-if="supplies.length > 0" class="leaf stack undescribed" :aria-label="ISOLATION.title">
    <h2>{{ ISOLATION.title }}</h2>
    <div v-for="supply in supplies" :key="supply" class="stack">
      <p>{{ ISOLATION.why[supply] }}</p>
      <div>
        <button type="button" class="push" @click="emit('isolated', supply)">{{ ISOLATION.done[supply] }}</button>
      </div>
    </div>
  </section>
</template>
