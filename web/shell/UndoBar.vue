<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { LoggedEvent } from '@jade/core/events';
import { sayEvent } from '@jade/words/events';
import { UNDO_BAR } from '@jade/words/shell';
import { useJob } from '../job/store.ts';

/** For ten seconds after something was recorded it can be taken back here; afterwards from the log. */
const SHOWN_MS = 10_000;
const job = useJob();
const shown = ref(false);
let timer: ReturnType<typeof setTimeout> | undefined;

watch(
  () => job.lastDone?.id,
  (id) => {
    clearTimeout(timer);
    shown.value = id !== undefined;
    if (id) timer = setTimeout(() => void (shown.value = false), SHOWN_MS);
  },
);
const text = computed(() => (job.lastDone && job.names ? sayEvent(job.lastDone as LoggedEvent, job.names) : ''));
</script>

<template>
  <div v-if="shown && job.lastDone && !job.state.signed" class="undo" role="status">
    <span>{{ text }}</span>
    <button type="button" class="push small" @click="job.undo(job.lastDone.id)">{{ UNDO_BAR.undo }} <kbd>u</kbd></button>
  </div>
</template>

<style scoped>
.undo {
  position: fixed;
  left: 50%;
  bottom: 18px;
  transform: translateX(-50%);
  z-index: 5;
  display: flex;
  align-items: center;
  gap: 14px;
  max-width: min(620px, 94vw);
  padding: 8px 10px 8px 18px;
  border-radius: 6px;
  background: var(--slate-deep);
  color: var(--on-slate);
  box-shadow: 0 4px 20px rgb(0 0 0 / 40%);
}

kbd {
  font-family: var(--mono);
  opacity: 0.7;
}

@media (max-width: 1100px) {
  /* Above what the thumb works on. */
  .undo {
    top: 6px;
    bottom: auto;
    width: 94vw;
    justify-content: space-between;
  }
}
</style>
