<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { LONGEST, sameCustomer } from '@jade/core/customers';
import type { CustomersFound } from '@jade/contract/customers';
import { CUSTOMER_FIELD } from '@jade/words/customers';
import { plural } from '@jade/words/units';
import WordsField from '../../design/WordsField.vue';
import { useSearch } from './search.ts';

/** Whose vehicle it is: a customer the shop knows, found while the name is written, or one that is new by that name. */
export interface Owner {
  name: string;
  /** Undefined where the name is nobody's yet. */
  id?: string;
}

const owner = defineModel<Owner>({ required: true });
const words = ref(owner.value.name);
const MOST = 5;
const { found } = useSearch<CustomersFound>('/api/customers', words);
const others = computed(() => (found.value?.customers ?? []).filter((customer) => customer.id !== owner.value.id).slice(0, MOST));
const offered = computed(() => (words.value.trim() === '' || owner.value.id !== undefined ? [] : others.value));

/** A name that is somebody's means them, also where it was not picked. */
watch([words, found], () => {
  const name = words.value.trim();
  const known = found.value?.customers.find((customer) => sameCustomer(customer.name, name));
  const kept = owner.value.id !== undefined && sameCustomer(owner.value.name, name) ? owner.value.id : undefined;
  owner.value = { name, id: known?.id ?? kept };
});

function pick({ id, name }: { id: string; name: string }): void {
  owner.value = { id, name };
  words.value = name;
}
</script>

<template>
  <div class="owner">
    <WordsField v-model="words" :label="CUSTOMER_FIELD.customer" :most="LONGEST.customer" autocomplete="off" />
    <ul v-if="offered.length > 0" class="line" :aria-label="CUSTOMER_FIELD.known">
      <li v-for="customer in offered" :key="customer.id">
        <button type="button" class="push small" @click="pick(customer)">
          {{ customer.name }} <span class="soft">{{ plural(customer.vehicles, 'vehicle') }}</span>
        </button>
      </li>
    </ul>
    <p class="soft" aria-live="polite">{{ owner.name === '' ? CUSTOMER_FIELD.hint : owner.id ? CUSTOMER_FIELD.isKnown : CUSTOMER_FIELD.isNew }}</p>
  </div>
</template>

<style scoped>
.owner {
  display: grid;
  gap: 8px;
}
</style>
