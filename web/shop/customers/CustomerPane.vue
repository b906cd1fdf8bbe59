<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { LONGEST } from '@jade/core/customers';
import type { CustomerFound, CustomerShown, CustomersFound } from '@jade/contract/customers';
import { COMMON } from '@jade/words/common';
import { CUSTOMER_PANE } from '@jade/words/customers';
import { plural } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import FormDialog from '../../design/FormDialog.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import { fits, within } from '../../design/words.ts';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { ask, Refused } from '../../ask/index.ts';
import RightGate from '../../session/RightGate.vue';
import { useAttempt } from '../../ask/attempt.ts';
import { useSearch } from './search.ts';
import VehicleLine from './VehicleLine.vue';

/** One customer with all vehicles. */
const props = defineProps<{ id: string }>();
const emit = defineEmits<{ changed: [show?: { customer: string }] }>();
const customer = ref<CustomerShown>();
const failed = ref('');
const doing = ref<'change' | 'join'>();
const { draft, kept, drop } = useDraft(
  () => (doing.value === 'change' ? `customer/${props.id}` : undefined),
  () => ({ name: customer.value?.name ?? '', note: customer.value?.note ?? '' }),
);
const ready = computed(() => fits(draft.value.name, LONGEST.customer) && within(draft.value.note, LONGEST.note));
const { fault, attempt } = useAttempt();
const words = ref('');
const { found } = useSearch<CustomersFound>('/api/customers', words);
const others = computed(() => (found.value?.customers ?? []).filter((entry) => entry.id !== customer.value?.id).slice(0, 6));
const other = ref<CustomerFound>();

async function load(): Promise<void> {
  failed.value = '';
  try {
    customer.value = await ask<CustomerShown>(`/api/customers/${props.id}`);
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : COMMON.away(CUSTOMER_PANE.title);
  }
}
onMounted(load);

function begin(what: 'change' | 'join'): void {
  fault.value = '';
  other.value = undefined;
  doing.value = what;
}

async function send(work: () => Promise<{ customer: string }>): Promise<void> {
  let show = { customer: props.id };
  if (!(await attempt(async () => void (show = await work())))) return;
  doing.value = undefined;
  await load();
  emit('changed', show);
}
const change = () =>
  send(async () => {
    const [name, note] = [draft.value.name.trim(), draft.value.note.trim()];
    await ask(`/api/customers/${props.id}`, { basedOn: customer.value?.rev, name, ...(note ? { note } : {}) });
    drop();
    return { customer: props.id };
  });
const join = () => send(async () => ({ customer: (await ask<{ id: string }>(`/api/customers/${props.id}/merge`, { into: other.value?.id })).id }));
</script>

<template>
  <section class="stack" :aria-label="CUSTOMER_PANE.title">
    <EmptyNote v-if="failed" kind="failed"
      >{{ failed }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!customer" kind="loading">{{ COMMON.reading }}</EmptyNote>
    <template v-else>
      <h2>{{ customer.name }}</h2>
      <p v-if="customer.note">
        <TapeLabel class="note">{{ customer.note }}</TapeLabel>
      </p>
      <div class="line">
        <RightGate right="keep customers" quiet
          ><button type="button" class="push small" @click="begin('change')">{{ CUSTOMER_PANE.changeThem }}</button></RightGate
        >
        <RightGate right="join customers" quiet
          ><button type="button" class="push small" @click="begin('join')">{{ CUSTOMER_PANE.sameAsAnother }}</button></RightGate
        >
      </div>
      <div class="leaf">
        <h3>{{ plural(customer.vehicles.length, 'vehicle') }}</h3>
        <p v-if="customer.vehicles.length === 0" class="soft">{{ CUSTOMER_PANE.noVehicle }}</p>
        <ul>
          <li v-for="vehicle in customer.vehicles" :key="vehicle.id">
            <router-link class="push plain" :to="{ query: { vehicle: vehicle.id } }"><VehicleLine :vehicle="vehicle" owner-known /></router-link>
          </li>
        </ul>
      </div>
    </template>
    <FormDialog
      v-if="doing === 'change'"
      :title="CUSTOMER_PANE.changeCustomer"
      :action="CUSTOMER_PANE.change"
      :ready="ready"
      :width="560"
      :kept="kept"
      @confirm="change"
      @anew="drop"
      @close="doing = undefined"
    >
      <WordsField v-model="draft.name" :label="CUSTOMER_PANE.name" :most="LONGEST.customer" autofocus />
      <WordsField v-model="draft.note" :label="CUSTOMER_PANE.note" :most="LONGEST.note" />
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    </FormDialog>
    <FormDialog
      v-if="doing === 'join' && customer"
      :title="CUSTOMER_PANE.sameAs(customer.name)"
      :action="CUSTOMER_PANE.join"
      :ready="other !== undefined"
      :width="560"
      @confirm="join"
      @close="doing = undefined"
    >
      <template v-if="!other">
        <v-text-field v-model="words" :label="CUSTOMER_PANE.customer" maxlength="80" variant="outlined" density="comfortable" hide-details autofocus />
        <ul :aria-label="CUSTOMER_PANE.found">
          <li v-for="entry in others" :key="entry.id">
            <button type="button" class="push plain" @click="other = entry">
              {{ entry.name }} <span class="soft">{{ plural(entry.vehicles, 'vehicle') }}</span>
            </button>
          </li>
        </ul>
        <p v-if="found && others.length === 0" class="soft">{{ CUSTOMER_PANE.noOther }}</p>
      </template>
      <template v-else>
        <p>
          {{ CUSTOMER_PANE.joined(customer.vehicles.length, customer.name, other.name) }} <strong>{{ CUSTOMER_PANE.forGood }}</strong>
        </p>
        <div>
          <button type="button" class="push small" @click="other = undefined">{{ CUSTOMER_PANE.notThat }}</button>
        </div>
      </template>
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    </FormDialog>
  </section>
</template>

<style scoped>
.note {
  white-space: normal;
}

li .push {
  width: 100%;
  justify-content: space-between;
  padding-inline: 8px;
}
</style>
