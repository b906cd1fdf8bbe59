<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { MILEAGE_UNITS, type MileageUnit } from '@jade/core/customers';
import { checkFirstRun, LENGTHS, LONGEST_CURRENCY, LONGEST_NAME, LONGEST_SHOP, ROLES, type FirstRun, type Role } from '@jade/core/shop';
import type { Fault } from '@jade/core/faults';
import { COMMON } from '@jade/words/common';
import { sayFaultAlone } from '@jade/words/faults';
import { FIRST_RUN } from '@jade/words/first-run';
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
  bays: [FIRST_RUN.firstBay],
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
  ...(written.value.name ? [] : [FIRST_RUN.missingName]),
  ...(written.value.people.length > 0 ? [] : [FIRST_RUN.missingPerson]),
  ...(written.value.currency ? [] : [FIRST_RUN.missingCurrency]),
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
    else away.value = COMMON.keptHere;
  } finally {
    sending.value = false;
  }
}
</script>

<template>
  <form class="first stack" @submit.prevent="open">
    <header>
      <h1>{{ FIRST_RUN.title }}</h1>
      <p class="soft">{{ FIRST_RUN.once }}</p>
    </header>
    <section class="leaf stack" aria-labelledby="first-shop">
      <h2 id="first-shop">{{ FIRST_RUN.shop }}</h2>
      <div class="fields">
        <WordsField v-model="draft.name" :label="FIRST_RUN.name" :most="LONGEST_SHOP" autofocus />
        <WordsField v-model="draft.currency" :label="FIRST_RUN.currency" :hint="FIRST_RUN.currencyHint" persistent-hint :most="LONGEST_CURRENCY" />
      </div>
      <div class="line">
        <span>{{ FIRST_RUN.counters }}</span>
        <ChoiceRow :label="FIRST_RUN.counters" small :choices="COUNTERS" :value="draft.mileageUnit" @choose="(unit) => (draft.mileageUnit = unit)" />
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
      <h2 id="first-people">{{ FIRST_RUN.people }}</h2>
      <p class="soft">{{ FIRST_RUN.peopleWhy }}</p>
      <ul class="list">
        <li v-for="(person, index) in people" :key="index" class="person line">
          <WordsField v-model="person.benchName" :label="FIRST_RUN.benchName(index + 1)" :most="LONGEST_NAME" class="grow" />
          <v-select v-model="person.role" :label="FIRST_RUN.role(index + 1)" density="comfortable" :items="[...ROLES]" hide-details class="role" />
          <button type="button" class="push small" :disabled="people.length === 1" :aria-label="FIRST_RUN.takeOutPerson(index + 1)" @click="people.splice(index, 1)">
            {{ FIRST_RUN.takeOut }}
          </button>
        </li>
      </ul>
      <div>
        <button type="button" class="push" :disabled="people.length >= MOST_PEOPLE" @click="addPerson">{{ FIRST_RUN.anotherPerson }}</button>
      </div>
    </section>
    <section class="leaf stack" aria-labelledby="first-bays">
      <h2 id="first-bays">{{ FIRST_RUN.bays }}</h2>
      <ul class="list">
        <li v-for="(_, index) in bays" :key="index" class="bay line">
          <WordsField v-model="bays[index]!" :label="FIRST_RUN.bayCalled(index + 1)" :most="LONGEST_NAME" class="grow" />
          <button type="button" class="push small" :aria-label="FIRST_RUN.takeOutBay(index + 1)" @click="bays.splice(index, 1)">{{ FIRST_RUN.takeOut }}</button>
        </li>
      </ul>
      <div>
        <button type="button" class="push" :disabled="bays.length >= MOST_BAYS" @click="addBay">{{ FIRST_RUN.anotherBay }}</button>
      </div>
    </section>
    <section class="leaf" aria-labelledby="first-rules">
      <h2 id="first-rules">{{ FIRST_RUN.rules }}</h2>
      <p>
        {{ FIRST_RUN.beginsWith }} <strong>{{ FIRST_RUN.rulesId }}</strong>{{ FIRST_RUN.rulesWhy }} <strong>{{ FIRST_RUN.library }}</strong>
        {{ FIRST_RUN.rulesNext }}
      </p>
    </section>
    <p v-for="fault in faults" :key="fault.path + fault.code" class="problem" role="alert">{{ sayFaultAlone(fault) }}.</p>
    <p v-if="away" class="problem" role="alert">{{ away }}</p>
    <div class="line">
      <button type="submit" class="push main" :disabled="missing.length > 0 || tooLong || sending">{{ FIRST_RUN.openShop }}</button>
      <span v-if="missing.length > 0" class="soft">{{ FIRST_RUN.stillMissing(missing) }}</span>
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
