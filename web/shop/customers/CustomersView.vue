<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { CustomersFound, VehiclesFound } from '@jade/contract/customers';
import { plural } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import RightGate from '../../session/RightGate.vue';
import CustomerPane from './CustomerPane.vue';
import ListDialog from './ListDialog.vue';
import MakeDialog from './MakeDialog.vue';
import { useSearch } from './search.ts';
import VehicleLine from './VehicleLine.vue';
import VehiclePane from './VehiclePane.vue';

/** Customers and their vehicles: found by a few letters, shown with their history, changed, joined where two are one. */
const route = useRoute();
const router = useRouter();
const words = ref('');
const customers = useSearch<CustomersFound>('/api/customers', words);
const vehicles = useSearch<VehiclesFound>('/api/vehicles', words);
const asking = ref<'vehicle' | 'list'>();

const failed = computed(() => customers.failed.value || vehicles.failed.value);
const read = computed(() => customers.found.value !== undefined && vehicles.found.value !== undefined);
const nobody = computed(() => customers.found.value?.count === 0 && vehicles.found.value?.count === 0);
const vehicle = computed(() => (typeof route.query.vehicle === 'string' ? route.query.vehicle : undefined));
const customer = computed(() => (typeof route.query.customer === 'string' ? route.query.customer : undefined));

async function again(): Promise<void> {
  await Promise.all([customers.look(), vehicles.look()]);
}
/** Something was changed: the lists are read anew, and what is shown now is shown. */
async function changed(show?: { vehicle: string } | { customer: string }): Promise<void> {
  asking.value = undefined;
  if (show) await router.replace({ name: 'customers', query: show });
  await again();
}
</script>

<template>
  <div class="stack">
    <header class="line">
      <h1>Customers and vehicles</h1>
      <span class="grow" />
      <RightGate right="join customers" quiet><button type="button" class="push" @click="asking = 'list'">Take in a list</button></RightGate>
      <RightGate right="keep customers"><button type="button" class="push" @click="asking = 'vehicle'">A new vehicle</button></RightGate>
    </header>
    <div class="split">
      <section class="stack finder" aria-label="Find">
        <v-text-field v-model="words" label="Plate, number or customer" maxlength="80" variant="outlined" density="comfortable" hide-details />
        <EmptyNote v-if="failed" kind="failed">They cannot be read: the server is away. <button type="button" class="push small" @click="again">Try again</button></EmptyNote>
        <EmptyNote v-else-if="!read" kind="loading">Looking …</EmptyNote>
        <EmptyNote v-else-if="nobody && words.trim()" kind="empty">Nobody and nothing is called that. Look by fewer letters.</EmptyNote>
        <EmptyNote v-else-if="nobody" kind="empty">No customer yet. Open a job for the first vehicle, or take in the list that you have.</EmptyNote>
        <template v-else>
          <div v-if="vehicles.found.value?.vehicles.length">
            <h3>Vehicles</h3>
            <ul class="found">
              <li v-for="entry in vehicles.found.value.vehicles" :key="entry.id">
                <router-link class="push plain" :to="{ query: { vehicle: entry.id } }" :aria-current="vehicle === entry.id ? 'page' : undefined"
                  ><VehicleLine :vehicle="entry"
                /></router-link>
              </li>
            </ul>
            <p v-if="vehicles.found.value.count > vehicles.found.value.vehicles.length" class="soft more">
              {{ vehicles.found.value.vehicles.length }} of {{ vehicles.found.value.count }} are shown: write more of it.
            </p>
          </div>
          <div v-if="customers.found.value?.customers.length">
            <h3>Customers</h3>
            <ul class="found">
              <li v-for="entry in customers.found.value.customers" :key="entry.id">
                <router-link class="push plain whom" :to="{ query: { customer: entry.id } }" :aria-current="customer === entry.id ? 'page' : undefined">
                  {{ entry.name }} <span class="soft">{{ plural(entry.vehicles, 'vehicle') }}</span>
                </router-link>
              </li>
            </ul>
            <p v-if="customers.found.value.count > customers.found.value.customers.length" class="soft more">
              {{ customers.found.value.customers.length }} of {{ customers.found.value.count }} are shown: write more of the name.
            </p>
          </div>
        </template>
      </section>
      <VehiclePane v-if="vehicle" :id="vehicle" :key="vehicle" @changed="changed" />
      <CustomerPane v-else-if="customer" :id="customer" :key="customer" @changed="changed" />
      <p v-else class="soft">Pick a vehicle or a customer.</p>
    </div>
    <MakeDialog v-if="asking === 'vehicle'" @made="(id) => changed({ vehicle: id })" @close="asking = undefined" />
    <ListDialog v-if="asking === 'list'" @taken="again" @close="asking = undefined" />
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.split {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: 24px;
  align-items: start;
}

.found {
  display: grid;
}

.found li {
  border-bottom: 1px solid var(--line);
}

.found .push {
  width: 100%;
  padding-inline: 8px;
  border-radius: 0;
}

.found [aria-current] {
  background: var(--jade-soft);
}

.whom {
  justify-content: space-between;
}

h3 {
  margin: 4px 0;
}

.more {
  padding: 6px 8px;
}

@media (max-width: 1000px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }

  .split > :not(.finder) {
    order: -1;
  }
}
</style>
