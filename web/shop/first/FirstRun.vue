<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { MILEAGE_UNITS, type MileageUnit } from '@jade/core/customers';
import { checkFirstRun, LENGTHS, LONGEST_CURRENCY, LONGEST_NAME, LONGEST_SHOP, ROLES, type FirstRun, type Role } from '@jade/core/shop';
import type { Fault } from '@jade/core/faults';
import { sayFaultAlone } from '@jade/words/faults';
import { LENGTHS_LEAD } from '@jade/words/shop';
import ChoiceRow from '../../design/ChoiceRow.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { ask, Refused } from '../../ask/index.ts';

/** The first page of an empty shop: what it is called, who works in it, where, and what money is called. */
const emit = defineEmits<{ opened: [lead: string] }>();

const MOST_PEOPLE = 100;
const MOST_BAYS = 20;
const COUNTERS = MILEAGE_UNITS.map((value) => ({ value, text: { km: 'kilometres', mi: 'miles' }[value] }));
const { draft, drop } = useDraft('first-run', () => ({
  name: '',
  currency: '',
  people: [{ benchName: '', role: 'lead' as Role }],
  bays: ['Bay 1'],
  mileageUnit: 'km' as MileageUnit,
  lengths: 'mm' as (typeof LENGTHS)[number],
}));
const people = computed(() => draft.value.people);
const bays = computed(() => draft.value.bays);
const faults = ref<(Fault & { message?: string })[]>([]);
const away = ref('');
const sending = ref(false);

/** Lines left empty are none. */
const written = computed<FirstRun>(() => ({
  name: draft.value.name.trim(),
  currency: draft.value.currency.trim(),
  mileageUnit: draft.value.mileageUnit,
  lengths: draft.value.lengths,
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  people: people.value.filter((person) => person.benchName.trim()).map(({ benchName, role }) => ({ benchName: benchName.trim(), role })),
  bays: bays.value.map((bay) => bay.trim()).filter(Boolean),
}));
const tooLong = computed(() => {
  const { name, currency, people: here, bays: places } = written.value;
  return name.length > LONGEST_SHOP || currency.length > LONGEST_CURRENCY || [...here.map((person) => person.benchName), ...places].some((text) => text.length > LONGEST_NAME);
});
const missing = computed(() => [
  ...(written.value.name ? [] : ['the shop’s name']),
  ...(written.value.people.length > 0 ? [] : ['a bench name']),
  ...(written.value.currency ? [] : ['what money is called']),
]);

async function addPerson(): Promise<void> {
  people.value.push({ benchName: '', role: 'installer' });
  await nextTick();
  document.querySelector<HTMLInputElement>('.person:last-child input')?.focus();
}

async function addBay(): Promise<void> {
  bays.value.push('');
  await nextTick();
  document.querySelector<HTMLInputElement>('.bay:last-child input')?.focus();
}

async function open(): Promise<void> {
  away.value = '';
  faults.value = checkFirstRun(written.value);
  if (faults.value.length > 0 || missing.value.length > 0) return;
  sending.value = true;
  try {
    const { people: ids } = await ask<{ people: { id: string; role: Role }[] }>('/api/shop', written.value);
    drop();
    emit('opened', ids.find((person) => person.role === 'lead')?.id ?? '');
  } catch (error) {
    if (error instanceof Refused) faults.value = error.faults;
    else away.value = 'The server is away: what you wrote stays here, try again.';
  } finally {
    sending.value = false;
  }
}
</script>

<template>
  <form class="first stack" @submit.prevent="open">
    <header>
      <h1>Open your shop</h1>
      <p class="soft">This is asked once. People are changed later at People, the rest in the shop’s document.</p>
    </header>
    <section class="leaf stack" aria-labelledby="first-shop">
      <h2 id="first-shop">The shop</h2>
      <div class="fields">
        <WordsField v-model="draft.name" label="Name of the shop" :most="LONGEST_SHOP" autofocus />
        <WordsField v-model="draft.currency" label="What money is called" hint="as it stands behind an amount" persistent-hint :most="LONGEST_CURRENCY" />
      </div>
      <div class="line">
        <span>Counters of vehicles show</span>
        <ChoiceRow label="Counters of vehicles show" small :choices="COUNTERS" :value="draft.mileageUnit" @choose="(unit) => (draft.mileageUnit = unit)" />
      </div>
      <div class="line">
        <span>{{ LENGTHS_LEAD.label }}</span>
        <ChoiceRow
          :label="LENGTHS_LEAD.label"
          small
          :choices="LENGTHS.map((value) => ({ value, text: LENGTHS_LEAD[value] }))"
          :value="draft.lengths"
          @choose="(unit) => (draft.lengths = unit)"
        />
      </div>
    </section>
    <section class="leaf stack" aria-labelledby="first-people">
      <h2 id="first-people">Who works here</h2>
      <p class="soft">Bench names, as they are called in the bay. What somebody records is recorded under theirs. One of them is the lead.</p>
      <ul class="list">
        <li v-for="(person, index) in people" :key="index" class="person line">
          <WordsField v-model="person.benchName" :label="`Bench name ${index + 1}`" :most="LONGEST_NAME" class="grow" />
          <v-select v-model="person.role" :label="`Role ${index + 1}`" density="comfortable" :items="[...ROLES]" hide-details class="role" />
          <button type="button" class="push small" :disabled="people.length === 1" :aria-label="`Take out bench name ${index + 1}`" @click="people.splice(index, 1)">
            Take out
          </button>
        </li>
      </ul>
      <div><button type="button" class="push" :disabled="people.length >= MOST_PEOPLE" @click="addPerson">Another person</button></div>
    </section>
    <section class="leaf stack" aria-labelledby="first-bays">
      <h2 id="first-bays">Bays</h2>
      <ul class="list">
        <li v-for="(_, index) in bays" :key="index" class="bay line">
          <WordsField v-model="bays[index]!" :label="`Bay ${index + 1} is called`" :most="LONGEST_NAME" class="grow" />
          <button type="button" class="push small" :aria-label="`Take out bay ${index + 1}`" @click="bays.splice(index, 1)">Take out</button>
        </li>
      </ul>
      <div><button type="button" class="push" :disabled="bays.length >= MOST_BAYS" @click="addBay">Another bay</button></div>
    </section>
    <section class="leaf" aria-labelledby="first-rules">
      <h2 id="first-rules">Rules</h2>
      <p>
        The shop begins with the rule set <strong>starting-rules</strong>: defaults for wires, fuses and readings, all still to be confirmed, and nothing on aim, because where the
        beam must land is the law of the place. A rule set of that name that is taken in at <strong>Library</strong> is its next version.
      </p>
    </section>
    <p v-for="fault in faults" :key="fault.path + fault.code" class="problem" role="alert">{{ sayFaultAlone(fault) }}.</p>
    <p v-if="away" class="problem" role="alert">{{ away }}</p>
    <div class="line">
      <button type="submit" class="push main" :disabled="missing.length > 0 || tooLong || sending">Open the shop</button>
      <span v-if="missing.length > 0" class="soft">Still missing: {{ missing.join(', ') }}.</span>
    </div>
  </form>
</template>

<style scoped>
.first {
  max-width: 760px;
  margin-inline: auto;
}

.fields {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(170px, 1fr);
  align-items: start;
  gap: 12px;
}

.list {
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.line {
  flex-wrap: wrap;
}

.grow {
  flex: 2 1 200px;
}

.role {
  flex: 1 1 150px;
}

.problem {
  color: var(--red);
  font-weight: 600;
}

@media (max-width: 700px) {
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
