<script setup lang="ts">
import { computed, ref } from 'vue';
import { CODE_PLACES, readCode } from '@jade/core/shop';
import { COMMON } from '@jade/words/common';
import { sayFaultAlone } from '@jade/words/faults';
import { LET_IN_VIEW } from '@jade/words/people';
import { ask, Refused } from '../../ask/index.ts';

/** What a device sees that the shop does not know yet: it is let in by a code of the counter, typed or read by its camera. */
const emit = defineEmits<{ letIn: [] }>();
const MARK = '#let-in=';
const code = ref(location.hash.startsWith(MARK) ? location.hash.slice(MARK.length) : '');
const coarse = window.matchMedia('(pointer: coarse)').matches;
const name = ref(LET_IN_VIEW.kinds[coarse ? (window.innerWidth < 600 ? 'phone' : 'tablet') : 'desk']);
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
    fault.value = error instanceof Refused ? `${error.faults.map(sayFaultAlone).join(' ')}.` : COMMON.serverAway;
  } finally {
    sending.value = false;
  }
}
</script>

<template>
  <form class="let-in stack" @submit.prevent="send">
    <h1>{{ LET_IN_VIEW.title }}</h1>
    <p>
      {{ LET_IN_VIEW.atCounter }} <strong>{{ LET_IN_VIEW.people }}</strong> {{ LET_IN_VIEW.press }} <strong>{{ LET_IN_VIEW.letDevice }}</strong>{{
        LET_IN_VIEW.showsCode(CODE_PLACES)
      }}
    </p>
    <v-text-field
      v-model="code"
      :label="LET_IN_VIEW.code"
      class="code mono"
      maxlength="12"
      variant="outlined"
      hide-details
      autofocus
      autocapitalize="characters"
      autocomplete="off"
      spellcheck="false"
    />
    <v-text-field v-model="name" :label="LET_IN_VIEW.name" maxlength="40" variant="outlined" hide-details />
    <p class="soft">{{ LET_IN_VIEW.nameWhy }}</p>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <div>
      <button type="submit" class="push main" :disabled="!ready">{{ LET_IN_VIEW.letIn }}</button>
    </div>
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
