<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import type { HelperShown } from '@jade/contract/helper';
import { COMMON } from '@jade/words/common';
import { sayFaultAlone } from '@jade/words/faults';
import { sayHelperState } from '@jade/words/kit';
import { HELPER_WORDS, sayStateCaution } from '@jade/words/probing';
import { HELPER_VIEW } from '@jade/words/shell';
import { ask, Refused } from '../ask/index.ts';
import CautionNote from '../design/CautionNote.vue';
import { follow } from '../stream/index.ts';

/** The helper's phone in the driver's seat: one thing to switch, in large words, as soon as the bench asks for it. */
const route = useRoute();
const token = String(route.params.token);
const shown = ref<HelperShown>();
const shut = ref('');
const away = ref(false);
/** What changed is seen at a glance by who looks up. */
const turn = ref(0);

async function read(): Promise<void> {
  try {
    hear(await ask<HelperShown>(`/api/helper/${token}`));
    away.value = false;
  } catch (error) {
    const [fault] = error instanceof Refused ? error.faults : [];
    if (fault) {
      shut.value = `${sayFaultAlone(fault)}.`;
      stop();
    } else away.value = true;
  }
}
function hear(told: HelperShown): void {
  if (shown.value?.state !== told.state) turn.value++;
  shown.value = told;
}
const stop = follow({
  address: () => `/api/helper/${token}/stream`,
  told: { asked: (data) => hear(data as HelperShown) },
  opened: () => void (away.value = false),
  lost: () => {
    away.value = true;
    void read();
  },
});
void read();
onUnmounted(stop);

const caution = computed(() => shown.value?.state && sayStateCaution(shown.value.state));
</script>

<template>
  <div class="seat" :class="{ turned: turn % 2 === 1 }">
    <p v-if="shut" class="say" role="alert">{{ shut }}</p>
    <template v-else-if="shown">
      <p class="plate mono">{{ shown.plate }}</p>
      <p v-if="away" class="away" role="alert">{{ HELPER_WORDS.away }}</p>
      <div aria-live="assertive" class="now">
        <template v-if="shown.state">
          <h1>{{ sayHelperState(shown.state) }}</h1>
          <CautionNote v-if="caution" class="caution" :text="caution" />
          <p class="hold">{{ HELPER_WORDS.hold }}</p>
        </template>
        <template v-else>
          <h1>{{ HELPER_WORDS.wait }}</h1>
          <p class="hold">{{ HELPER_WORDS.nothing }}</p>
        </template>
      </div>
    </template>
    <p v-else class="say">{{ away ? HELPER_VIEW.away : COMMON.reading }}</p>
  </div>
</template>

<style scoped>
.seat {
  min-height: 100vh;
  min-height: 100dvh;
  display: flex;
  flex-direction: column;
  gap: 20px;
  padding: 20px;
  background: var(--paper);
  border-top: 10px solid var(--jade);
}

.seat.turned {
  border-top-color: var(--amber);
}

.plate {
  align-self: start;
  padding: 2px 12px;
  border: 2px solid var(--ink);
  border-radius: 4px;
  font-size: 22px;
  font-weight: 600;
}

.now {
  flex: 1;
  display: grid;
  align-content: center;
  gap: 20px;
}

h1 {
  font-size: clamp(38px, 11vw, 76px);
  line-height: 1.12;
  hyphens: manual;
  overflow-wrap: break-word;
}

.hold,
.say {
  font-size: 22px;
}

.away {
  padding: 12px 14px;
  border-left: 6px solid var(--red);
  background: var(--red-soft);
  font-size: 20px;
  font-weight: 600;
}

.caution {
  font-size: 20px;
}
</style>
