<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { CustomersFound, VehiclesFound } from '@jade/contract/customers';
import { COMMON } from '@jade/words/common';
import { CUSTOMERS_VIEW } from '@jade/words/customers';
import { plural } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import HelpHere from '../../design/HelpHere.vue';
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
      <h1>{{ CUSTOMERS_VIEW.title }}</h1>
      <span class="grow" />
      <RightGate right="join customers" quiet
        ><button type="button" class="push" @click="asking = 'list'">{{ CUSTOMERS_VIEW.takeList }}</button></RightGate
      >
      <RightGate right="keep customers"
        ><button type="button" class="push" @click="asking = 'vehicle'">{{ CUSTOMERS_VIEW.newVehicle }}</button></RightGate
      >
      <HelpHere of="customers" />
    </header>
    <div class="split">
      <section class="stack finder" :aria-label="CUSTOMERS_VIEW.find">
        <v-text-field v-model="words" :label="CUSTOMERS_VIEW.findHint" maxlength="80" variant="outlined" density="comfortable" hide-details />
        <EmptyNote v-if="failed" kind="failed"
          >{{ CUSTOMERS_VIEW.away }} <button type="button" class="push small" @click="again">{{ COMMON.tryAgain }}</button></EmptyNote
        >
        <EmptyNote v-else-if="!read" kind="loading">{{ COMMON.looking }}</EmptyNote>
        <EmptyNote v-else-if="nobody && words.trim()" kind="empty">{{ CUSTOMERS_VIEW.noneFound }}</EmptyNote>
        <EmptyNote v-else-if="nobody" kind="empty">{{ CUSTOMERS_VIEW.empty }}</EmptyNote>
        <template v-else>
          <div v-if="vehicles.found.value?.vehicles.length">
            <h3>{{ CUSTOMERS_VIEW.vehicles }}</h3>
            <ul class="found">
              <li v-for="entry in vehicles.found.value.vehicles" :key="entry.id">
                <router-link class="push plain" :to="{ query: { vehicle: entry.id } }" :aria-current="vehicle === entry.id ? 'page' : undefined"
                  ><VehicleLine :vehicle="entry"
                /></router-link>
              </li>
            </ul>
            <p v-if="vehicles.found.value.count > vehicles.found.value.vehicles.length" class="soft more">
              {{ CUSTOMERS_VIEW.someVehicles(vehicles.found.value.vehicles.length, vehicles.found.value.count) }}
            </p>
          </div>
          <div v-if="customers.found.value?.customers.length">
            <h3>{{ CUSTOMERS_VIEW.customers }}</h3>
            <ul class="found">
              <li v-for="entry in customers.found.value.customers" :key="entry.id">
                <router-link class="push plain whom" :to="{ query: { customer: entry.id } }" :aria-current="customer === entry.id ? 'page' : undefined">
                  {{ entry.name }} <span class="soft">{{ plural(entry.vehicles, 'vehicle') }}</span>
                </router-link>
              </li>
            </ul>
            <p v-if="customers.found.value.count > customers.found.value.customers.length" class="soft more">
              {{ CUSTOMERS_VIEW.someCustomers(customers.found.value.customers.length, customers.found.value.count) }}
            </p>
          </div>
        </template>
      </section>
      <VehiclePane v-if="vehicle" :id="vehicle" :key="vehicle" @changed="changed" />
      <CustomerPane v-else-if="customer" :id="customer" :key="customer" @changed="changed" />
      <p v-else class="soft">{{ CUSTOMERS_VIEW.pick }}</p>
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
