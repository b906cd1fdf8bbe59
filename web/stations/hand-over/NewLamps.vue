<script setup lang="ts">
import { computed, ref } from 'vue';
import { closedCautions } from '@jade/core/plan';
import { handOver } from '@jade/core/stations';
import { NEW_LAMPS, sayOthersWork, sayTriedClosed } from '@jade/words/sheet';
import { sayRefusal } from '@jade/words/stations';
import { actedAt, useClock } from '../../job/clock.ts';
import CautionList from '../../design/CautionList.vue';
import FailureAsk from '../../job/FailureAsk.vue';
import { useCurrentJob } from '../../job/current.ts';

/** What the kits light, tried once more with everything closed. */
const { job, context, names } = useCurrentJob();
const clock = useClock();
const failed = ref<{ kit: string; test: string }>();
const tests = computed(() => handOver.closedTests(context.value));
const open = computed(() => tests.value.filter(({ passed }) => passed === undefined));
/** While they are tried, and for whoever drives it then. */
const cautions = computed(() => closedCautions(context.value));
const against = computed(() => handOver.againstClosed(context.value, clock.value));

function fail(note: string): void {
  if (failed.value) void job.perform(handOver.triedClosed(context.value, failed.value.kit, failed.value.test, false, actedAt(), note));
  failed.value = undefined;
}
</script>

<template>
  <section v-if="tests.length > 0" class="leaf stack">
    <div class="line">
      <h2 class="grow">{{ NEW_LAMPS.title }}</h2>
      <button v-if="open.length > 1 && against.length === 0" type="button" class="push small" @click="job.perform(handOver.othersTriedClosed(context, actedAt()))">
        {{ sayOthersWork(open.length, tests.length) }}
      </button>
    </div>
    <p class="soft">{{ NEW_LAMPS.why }}</p>
    <CautionList :codes="cautions" />
    <p v-for="refusal in open.length > 0 ? against : []" :key="refusal.code" class="odd">{{ sayRefusal(refusal, names) }}</p>
    <ul class="rows">
      <li v-for="{ kit, test, passed } in tests" :key="`${kit}/${test.id}`">
        <span class="grow">{{ names.test(kit, test.id) }}</span>
        <strong v-if="passed !== undefined" :class="passed ? 'good' : 'bad'">{{ sayTriedClosed(passed) }}</strong>
        <template v-if="!passed">
          <button type="button" class="push small" :disabled="against.length > 0" @click="job.perform(handOver.triedClosed(context, kit, test.id, true, actedAt()))">
            {{ NEW_LAMPS.works }}
          </button>
          <button type="button" class="push small" :disabled="against.length > 0" @click="failed = { kit, test: test.id }">{{ NEW_LAMPS.fails }}</button>
        </template>
      </li>
    </ul>
    <FailureAsk v-if="failed" :of="failed" closed @written="fail" @close="failed = undefined" />
  </section>
</template>

<style scoped>
.grow {
  flex: 1 1 160px;
}
</style>
