<script setup lang="ts">
import { v7 } from 'uuid';
import { computed, onMounted, ref } from 'vue';
import { LONGEST_NAME, ROLES, type Role } from '@jade/core/shop';
import type { PersonShown } from '@jade/contract/people';
import { COMMON } from '@jade/words/common';
import { PEOPLE_VIEW } from '@jade/words/people';
import EmptyNote from '../../design/EmptyNote.vue';
import HelpHere from '../../design/HelpHere.vue';
import FormDialog from '../../design/FormDialog.vue';
import { fits } from '../../design/words.ts';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { ask } from '../../ask/index.ts';
import { useAttempt } from '../../ask/attempt.ts';
import RightGate from '../../session/RightGate.vue';
import { useSession } from '../../session/index.ts';
import DeviceList from './DeviceList.vue';

/** Who works in the shop, and on which devices. */
const session = useSession();
const people = ref<PersonShown[]>();
const failed = ref(false);
const changing = ref<PersonShown | 'new'>();
const { draft, kept, drop } = useDraft(
  () => (changing.value === undefined ? undefined : `person/${changing.value === 'new' ? 'new' : changing.value.id}`),
  () =>
    changing.value === undefined || changing.value === 'new' ? { benchName: '', role: 'installer' as Role } : { benchName: changing.value.benchName, role: changing.value.role },
);
const { fault, attempt } = useAttempt();
let newId = v7();

async function load(): Promise<void> {
  try {
    people.value = await ask<PersonShown[]>('/api/people');
    failed.value = false;
    await session.load();
  } catch {
    failed.value = true;
  }
}
onMounted(load);
const here = computed(() => people.value?.filter((person) => !person.left) ?? []);
const gone = computed(() => people.value?.filter((person) => person.left) ?? []);

function begin(person: PersonShown | 'new'): void {
  fault.value = '';
  newId = v7();
  changing.value = person;
}

async function send(path: string, body: object): Promise<void> {
  if (!(await attempt(async () => void (await ask(path, body))))) return;
  drop();
  changing.value = undefined;
  await load();
}
function keep(left = false): Promise<void> {
  const person = changing.value;
  const written = { benchName: draft.value.benchName.trim(), role: draft.value.role };
  if (person === undefined || person === 'new') return send('/api/people', { id: newId, ...written });
  return send(`/api/people/${person.id}`, { basedOn: person.rev, ...written, left });
}
</script>

<template>
  <div class="stack">
    <header class="line">
      <h1>{{ PEOPLE_VIEW.title }}</h1>
      <span class="grow" />
      <RightGate right="keep people" quiet
        ><button type="button" class="push" @click="begin('new')">{{ PEOPLE_VIEW.somebodyNew }}</button></RightGate
      >
      <HelpHere of="people" />
    </header>
    <EmptyNote v-if="failed" kind="failed"
      >{{ PEOPLE_VIEW.away }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!people" kind="loading">{{ COMMON.reading }}</EmptyNote>
    <div v-else class="split">
      <section class="leaf" aria-labelledby="people-here">
        <h2 id="people-here">{{ PEOPLE_VIEW.working }}</h2>
        <ul class="rows">
          <li v-for="person in here" :key="person.id">
            <strong class="grow">{{ person.benchName }}</strong> <span class="soft">{{ person.role }}</span>
            <RightGate right="keep people" quiet
              ><button type="button" class="push small" :aria-label="PEOPLE_VIEW.changeOf(person.benchName)" @click="begin(person)">{{ PEOPLE_VIEW.change }}</button></RightGate
            >
          </li>
        </ul>
        <RightGate right="keep people" />
        <template v-if="gone.length > 0">
          <h3>{{ PEOPLE_VIEW.leftShop }}</h3>
          <ul class="rows">
            <li v-for="person in gone" :key="person.id">
              <span class="grow soft">{{ person.benchName }}, {{ person.role }}</span>
              <RightGate right="keep people" quiet
                ><button type="button" class="push small" :aria-label="PEOPLE_VIEW.changeOf(person.benchName)" @click="begin(person)">{{ PEOPLE_VIEW.change }}</button></RightGate
              >
            </li>
          </ul>
        </template>
      </section>
      <section class="stack">
        <RightGate right="let devices in"><DeviceList /></RightGate>
      </section>
    </div>
    <FormDialog
      v-if="changing"
      :title="changing === 'new' ? PEOPLE_VIEW.somebodyNew : PEOPLE_VIEW.changeOf(changing.benchName)"
      :action="changing !== 'new' && changing.left ? PEOPLE_VIEW.takeBack : PEOPLE_VIEW.keep"
      :ready="fits(draft.benchName, LONGEST_NAME)"
      :width="480"
      :kept="kept"
      @anew="drop"
      @confirm="keep()"
      @close="changing = undefined"
    >
      <WordsField v-model="draft.benchName" :label="PEOPLE_VIEW.benchName" :most="LONGEST_NAME" autofocus />
      <v-select v-model="draft.role" :label="PEOPLE_VIEW.role" :items="[...ROLES]" />
      <p class="soft">{{ PEOPLE_VIEW.rolesWhy }}</p>
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
      <div v-if="changing !== 'new' && !changing.left">
        <button type="button" class="push small" @click="keep(true)">{{ PEOPLE_VIEW.theyLeft }}</button>
      </div>
    </FormDialog>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.split {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 20px;
  align-items: start;
}

h3 {
  margin-top: 14px;
}

@media (max-width: 900px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
