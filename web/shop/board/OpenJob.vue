<script setup lang="ts">
import { v7 } from 'uuid';
import { computed, onMounted, ref } from 'vue';
import { ask, Refused } from '../../job/api.ts';

interface Vehicle {
  id: string;
  plate: string;
  profile: string;
  customer: string;
}

const emit = defineEmits<{ close: []; opened: [id: string] }>();
const vehicles = ref<Vehicle[]>([]);
const kits = ref<{ slug: string; title: string }[]>([]);
const vehicle = ref<string>();
const chosen = ref<string[]>([]);
const promised = ref('');
const fault = ref('');
/** Made once, so that a second press sends the same job. */
const id = v7();

onMounted(async () => {
  try {
    vehicles.value = await ask<Vehicle[]>('/api/vehicles');
    kits.value = (await ask<{ kind: string; slug: string; title: string }[]>('/api/documents')).filter((entry) => entry.kind === 'kit');
  } catch {
    fault.value = 'The server is away: try again when it is back.';
  }
});
const ready = computed(() => vehicle.value !== undefined && chosen.value.length > 0);

async function open(): Promise<void> {
  try {
    const body = { id, vehicle: vehicle.value, kits: chosen.value.map((slug) => ({ slug })), ...(promised.value ? { promisedAt: new Date(promised.value).toISOString() } : {}) };
    emit('opened', (await ask<{ id: string }>('/api/jobs', body)).id);
  } catch (error) {
    fault.value = error instanceof Refused ? error.message : 'The server is away: try again.';
  }
}
</script>

<template>
  <v-dialog :model-value="true" max-width="520" aria-labelledby="open-title" @update:model-value="emit('close')">
    <form class="leaf stack paper" @submit.prevent="open">
      <h2 id="open-title">Open a job</h2>
      <v-select
        v-model="vehicle"
        label="Vehicle"
        :items="vehicles.map((entry) => ({ value: entry.id, title: `${entry.plate}, ${entry.customer}, ${entry.profile.replaceAll('-', ' ')}` }))"
      />
      <v-select v-model="chosen" label="Kits to fit" multiple :items="kits.map((kit) => ({ value: kit.slug, title: kit.title }))" />
      <v-text-field v-model="promised" label="Promised for" type="datetime-local" variant="outlined" hide-details />
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
      <div class="line">
        <button type="submit" class="push main" :disabled="!ready">Open it</button>
        <button type="button" class="push" @click="emit('close')">Leave it</button>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.paper {
  color: var(--ink);
}

.bad {
  color: var(--red);
}
</style>
