<script setup lang="ts">
import { computed, ref } from 'vue';
import { CODE_PLACES, readCode } from '@jade/core/shop';
import { sayFaultAlone } from '@jade/words/faults';
import { ask, Refused } from '../../ask/index.ts';

/** What a device sees that the shop does not know yet: it is let in by a code of the counter, typed or read by its camera. */
const emit = defineEmits<{ letIn: [] }>();
const MARK = '#let-in=';
const code = ref(location.hash.startsWith(MARK) ? location.hash.slice(MARK.length) : '');
const coarse = window.matchMedia('(pointer: coarse)').matches;
const name = ref(coarse ? (window.innerWidth < 600 ? 'Telephone' : 'Tablet') : 'Desk');
const fault = ref('');
const sending = ref(false);
const ready = computed(() => readCode(code.value).length === CODE_PLACES && name.value.trim() !== '' && !sending.value);

async function send(): Promise<void> {
  fault.value = '';
  sending.value = true;
  try {
    await ask('/api/devices', { code: code.value, name: name.value.trim() });
    history.replaceState(null, '', location.pathname);
    emit('letIn');
  } catch (error) {
    fault.value = error instanceof Refused ? `${error.faults.map(sayFaultAlone).join(' ')}.` : 'The server is away: try again.';
  } finally {
    sending.value = false;
  }
}
</script>

<template>
  <form class="let-in stack" @submit.prevent="send">
    <h1>This device is not let in yet</h1>
    <p>At the counter, open <strong>People</strong> and press <strong>Let a device in</strong>: it shows a code of {{ CODE_PLACES }} signs that is good for ten minutes.</p>
    <v-text-field
      v-model="code"
      label="Code from the counter"
      class="code mono"
      maxlength="12"
      variant="outlined"
      hide-details
      autofocus
      autocapitalize="characters"
      autocomplete="off"
      spellcheck="false"
    />
    <v-text-field v-model="name" label="What this device is called" maxlength="40" variant="outlined" hide-details />
    <p class="soft">What is recorded on it carries this name, such as “Bay 1 tablet”.</p>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <div><button type="submit" class="push main" :disabled="!ready">Let it in</button></div>
  </form>
</template>

<style scoped>
.let-in {
  max-width: 460px;
  margin-inline: auto;
}

.code :deep(input) {
  font-size: 26px;
  letter-spacing: 0.2em;
  text-transform: uppercase;
}
</style>
