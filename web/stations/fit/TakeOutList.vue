<script setup lang="ts">
import { computed } from 'vue';
import { outCautions } from '@jade/core/plan';
import { fit } from '@jade/core/stations';
import { OUT_DONE, sayFitStep, TAKE_OUT } from '@jade/words/fit';
import { sayRefusal } from '@jade/words/stations';
import CautionList from '../../design/CautionList.vue';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';

/** What comes out again of kits that are not fitted after all, in its order; and bolts of an earlier job that are held again. */
const { job, context, names } = useCurrentJob();
const clock = useClock();
const steps = computed(() => fit.floorSteps(context.value, clock.value));
const outs = computed(() => steps.value.filter((step) => step.kind === 'out'));
const again = computed(() => steps.value.filter((step) => step.kind === 'again'));
/** Why the kits that are still on the vehicle are not fitted. */
const reasons = computed(() =>
  [...new Set(outs.value.map(({ out }) => out.kit))].map((kit) => TAKE_OUT.why(names.value.kit(kit), job.state.dropped[kit] ?? job.state.cancelled?.why ?? job.state.left ?? '')),
);
</script>

<template>
  <section v-if="outs.length > 0" class="leaf stack" aria-labelledby="comes-out">
    <h2 id="comes-out">{{ TAKE_OUT.title }}</h2>
    <p v-for="reason in reasons" :key="reason" class="soft">{{ reason }}</p>
    <ol class="rows">
      <li v-for="step in outs" :key="step.id" class="out">
        <div class="grow">
          <strong>{{ sayFitStep(step, names) }}</strong>
          <p v-if="step.out.step" class="soft">{{ step.out.step.tool }}</p>
        </div>
        <button type="button" class="push" :disabled="step.against.length > 0" @click="job.perform(fit.takenOut(context, step.out.kit, step.out.kind, step.out.id, actedAt()))">
          {{ OUT_DONE[step.out.kind] }}
        </button>
        <p v-for="refusal in step.against" :key="refusal.code" class="why">{{ sayRefusal(refusal, names) }}</p>
        <CautionList :codes="outCautions(context, step.out)" :own="[step.out.step?.caution]" />
      </li>
    </ol>
  </section>
  <section v-if="again.length > 0" class="leaf stack" aria-labelledby="held-again">
    <h2 id="held-again">{{ TAKE_OUT.again }}</h2>
    <p class="soft">{{ TAKE_OUT.againWhy }}</p>
    <ul class="rows">
      <li v-for="step in again" :key="step.id" class="out">
        <div class="grow">
          <strong>{{ sayFitStep(step, names) }}</strong>
          <p class="soft">{{ step.step.tool }} · {{ step.step.tighten }}</p>
        </div>
        <button type="button" class="push" @click="job.perform(fit.rechecked(context, step.onVehicle.kit.slug, step.step.id))">{{ OUT_DONE.again }}</button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.out {
  padding: 12px 0;
}

.why {
  flex-basis: 100%;
  padding: 4px 0 4px 10px;
  border-left: 4px solid var(--line-strong);
}
</style>
