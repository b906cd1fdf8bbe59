<script setup lang="ts">
import { computed, ref } from 'vue';
import { LIST_COLUMNS } from '@jade/core/customers';
import type { ListTaken } from '@jade/contract/customers';
import { COMMON } from '@jade/words/common';
import { LIST_DIALOG } from '@jade/words/customers';
import { sayFaultAlone } from '@jade/words/faults';
import { plural } from '@jade/words/units';
import FormDialog from '../../design/FormDialog.vue';
import { ask, Refused } from '../../ask/index.ts';

/** Takes in a list of customers and vehicles: first it is looked at, then what is right of it is taken. */
const emit = defineEmits<{ taken: []; close: [] }>();
const file = ref('');
const text = ref('');
const seen = ref<ListTaken>();
const done = ref<ListTaken>();
const fault = ref('');
const busy = ref(false);

async function send(part: object): Promise<ListTaken | undefined> {
  fault.value = '';
  busy.value = true;
  try {
    return await ask<ListTaken>('/api/customers/list', { text: text.value, ...part });
  } catch (error) {
    fault.value = error instanceof Refused ? error.message : COMMON.serverAway;
    return undefined;
  } finally {
    busy.value = false;
  }
}

async function pick(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const picked = input.files?.[0];
  if (!picked) return;
  file.value = picked.name;
  seen.value = done.value = undefined;
  text.value = await picked.text();
  input.value = '';
  seen.value = await send({ look: true });
}

async function take(): Promise<void> {
  if (done.value) return emit('close');
  done.value = await send({ leaveFaulty: true });
  if (done.value) emit('taken');
}
const brings = computed(() => (seen.value?.newCustomers ?? 0) + (seen.value?.newVehicles ?? 0) > 0);
const action = computed(() => (done.value ? LIST_DIALOG.close : seen.value && seen.value.faultCount > 0 ? LIST_DIALOG.takeRight : LIST_DIALOG.take));
</script>

<template>
  <FormDialog :title="LIST_DIALOG.takeList" :action="action" :ready="!busy && (done !== undefined || brings)" :width="680" @confirm="take" @close="emit('close')">
    <p class="soft">
      {{ LIST_DIALOG.whatFile }} <span class="mono">{{ LIST_COLUMNS.join(', ') }}</span>{{ LIST_DIALOG.only }} <span class="mono">{{ LIST_DIALOG.customer }}</span>
      {{ LIST_DIALOG.mustBe }} <span class="mono">{{ LIST_DIALOG.vehicle }}</span> {{ LIST_DIALOG.asLibrary }}
    </p>
    <div class="line">
      <label class="push file">{{ LIST_DIALOG.chooseFile }}<input type="file" accept=".csv,.tsv,.txt,text/csv,text/plain" class="out-of-sight" @change="pick" /></label>
      <span v-if="file" class="mono">{{ file }}</span>
      <span v-if="busy" class="soft" role="status">{{ COMMON.reading }}</span>
    </div>
    <div v-if="seen" class="stack" aria-live="polite">
      <p v-if="done">
        <strong>{{ LIST_DIALOG.taken(done.newCustomers, done.newVehicles) }}</strong>
      </p>
      <p v-else>
        {{ plural(seen.lines, 'line') }}: <strong>{{ brings ? LIST_DIALOG.areNew(seen.newCustomers, seen.newVehicles) : LIST_DIALOG.noneNew }}</strong>.
      </p>
      <template v-if="seen.known.length > 0">
        <p>{{ LIST_DIALOG.known }}</p>
        <ul class="told">
          <li v-for="entry in seen.known" :key="entry.line">
            {{ LIST_DIALOG.line(entry.line, entry.plate, entry.differs) }}
          </li>
        </ul>
      </template>
      <template v-if="seen.faultCount > 0">
        <p class="bad">{{ LIST_DIALOG.leftOut(seen.faultCount) }}</p>
        <ul class="told">
          <li v-for="entry in seen.faults" :key="entry.path + entry.code">{{ entry.path }}: {{ sayFaultAlone(entry) }}</li>
          <li v-if="seen.faultCount > seen.faults.length">{{ LIST_DIALOG.more(seen.faultCount - seen.faults.length) }}</li>
        </ul>
      </template>
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
  </FormDialog>
</template>

<style scoped>
.file {
  cursor: pointer;
}

.file:focus-within {
  outline: 3px solid var(--focus);
}

.told {
  max-height: 26vh;
  overflow-y: auto;
  padding-left: 14px;
  border-left: 3px solid var(--line);
}
</style>
