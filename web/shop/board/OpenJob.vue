<script setup lang="ts">
import { v7 } from 'uuid';
import { computed, onMounted, ref } from 'vue';
import FormDialog from '../../design/FormDialog.vue';
import { ask, Refused } from '../../job/api.ts';

interface Vehicle {
  id: string;
  plate: string;
  profile: string;
  customer: string;
}

interface Listed {
  kind: string;
  slug: string;
  title: string;
  /** Kinds of vehicle that a kit names, by profile. */
  vehicles: string[];
}

const emit = defineEmits<{ close: []; opened: [id: string] }>();
const vehicles = ref<Vehicle[]>([]);
const read = ref(false);
const kits = ref<Listed[]>([]);
const vehicle = ref<string>();
const chosen = ref<string[]>([]);
const promised = ref('');
const fault = ref('');
/** Made once, so that a second press sends the same job. */
const id = v7();

onMounted(async () => {
  try {
    vehicles.value = await ask<Vehicle[]>('/api/vehicles');
    kits.value = (await ask<Listed[]>('/api/documents')).filter((entry) => entry.kind === 'kit');
    read.value = true;
  } catch {
    fault.value = 'The server is away: try again when it is back.';
  }
});
const profile = computed(() => vehicles.value.find((entry) => entry.id === vehicle.value)?.profile);
const fitting = computed(() => kits.value.filter((kit) => profile.value === undefined || kit.vehicles.includes(profile.value)));
/** Kits that name the vehicle first; the others say that they do not. */
const offered = computed(() => {
  const others = kits.value.filter((kit) => !fitting.value.includes(kit));
  return [
    ...fitting.value.map((kit) => ({ value: kit.slug, title: kit.title })),
    ...others.map((kit) => ({ value: kit.slug, title: `${kit.title} (does not name this vehicle)` })),
  ];
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
  <FormDialog title="Open a job" action="Open it" :ready="ready" :width="520" @confirm="open" @close="emit('close')">
    <p v-if="read && vehicles.length === 0" class="soft">
      No vehicle is known yet. Take in the profiles and kits at Library, and your customers with their vehicles there too, in the shop’s document.
    </p>
    <v-select
      v-model="vehicle"
      label="Vehicle"
      :items="vehicles.map((entry) => ({ value: entry.id, title: `${entry.plate}, ${entry.customer}, ${entry.profile.replaceAll('-', ' ')}` }))"
    />
    <v-select v-model="chosen" label="Kits to fit" multiple :items="offered" />
    <p v-if="vehicle && fitting.length === 0" class="soft">No kit of the library names this kind of vehicle yet; Match will say so.</p>
    <v-text-field v-model="promised" label="Promised for" type="datetime-local" variant="outlined" hide-details />
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
  </FormDialog>
</template>

<style scoped>
.bad {
  color: var(--red);
}
</style>
