<script setup lang="ts">
import { computed, ref } from 'vue';
import { LIST_COLUMNS } from '@jade/core/customers';
import type { ListTaken } from '@jade/contract/customers';
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
    fault.value = error instanceof Refused ? error.message : 'The server is away: try again.';
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
const action = computed(() => (done.value ? 'Done' : seen.value && seen.value.faultCount > 0 ? 'Take what is right' : 'Take it in'));
const said = (list: ListTaken) => `${plural(list.newCustomers, 'customer')} and ${plural(list.newVehicles, 'vehicle')}`;
</script>

<template>
  <FormDialog title="Take in a list" :action="action" :ready="!busy && (done !== undefined || brings)" :width="680" @confirm="take" @close="emit('close')">
    <p class="soft">
      A file of cells parted by commas, semicolons or tabs. Its first line names the columns: <span class="mono">{{ LIST_COLUMNS.join(', ') }}</span>. Only
      <span class="mono">customer</span> has to be there; <span class="mono">vehicle</span> is the kind as the library calls it.
    </p>
    <div class="line">
      <label class="push file">Choose a file<input type="file" accept=".csv,.tsv,.txt,text/csv,text/plain" class="out-of-sight" @change="pick" /></label>
      <span v-if="file" class="mono">{{ file }}</span>
      <span v-if="busy" class="soft" role="status">Reading …</span>
    </div>
    <div v-if="seen" class="stack" aria-live="polite">
      <p v-if="done">
        <strong>Taken in: {{ said(done) }}.</strong>
      </p>
      <p v-else>
        {{ plural(seen.lines, 'line') }}: <strong>{{ brings ? `${said(seen)} are new` : 'nothing in it is new' }}</strong>.
      </p>
      <template v-if="seen.known.length > 0">
        <p>The shop has these already; they stay as they are:</p>
        <ul class="told">
          <li v-for="entry in seen.known" :key="entry.line">
            line {{ entry.line }}: {{ entry.plate }}{{ entry.differs.length > 0 ? `, the list says another ${entry.differs.join(', ')}` : ', the same' }}
          </li>
        </ul>
      </template>
      <template v-if="seen.faultCount > 0">
        <p class="bad">{{ plural(seen.faultCount, 'fault') }}; these lines are left out:</p>
        <ul class="told">
          <li v-for="entry in seen.faults" :key="entry.path + entry.code">{{ entry.path }}: {{ sayFaultAlone(entry) }}</li>
          <li v-if="seen.faultCount > seen.faults.length">and {{ seen.faultCount - seen.faults.length }} more</li>
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
