<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { fitStepsOf, type KitOnVehicle } from '@jade/core/job';
import { fit, isRefused } from '@jade/core/stations';
import { FIT_FLOOR, KIT_FITTING } from '@jade/words/fit';
import { sayHelper, sayTest } from '@jade/words/kit';
import { sayRefusal } from '@jade/words/stations';
import { useCurrentJob } from '../../job/current.ts';

/** Seldom wanted, so fetched by itself. */
const StepFitted = defineAsyncComponent(() => import('./StepFitted.vue'));

/** A kit of which nobody has described how it is fitted on this kind of vehicle: its steps are written down as they are done. */
const props = defineProps<{ onVehicle: KitOnVehicle }>();
const { job, context, names } = useCurrentJob();
const writing = ref(false);
const slug = computed(() => props.onVehicle.kit.slug);
const steps = computed(() => fitStepsOf(props.onVehicle));
const offered = computed(() => fit.testsOffered(context.value, slug.value));
const without = ref<readonly string[]>([]);
const taken = computed(() => offered.value.filter(({ id }) => !without.value.includes(id)).map(({ id }) => id));
const toggle = (id: string) => (without.value = without.value.includes(id) ? without.value.filter((other) => other !== id) : [...without.value, id]);
const all = computed(() => fit.allFitted(context.value, slug.value));
const against = computed(() => (isRefused(all.value) && steps.value.length > 0 ? all.value.refused : []));
</script>

<template>
  <section class="leaf stack undescribed" :aria-label="KIT_FITTING.title(names.kit(slug))">
    <h2>{{ KIT_FITTING.title(names.kit(slug)) }}</h2>
    <p>{{ KIT_FITTING.why }}</p>
    <p class="soft">{{ KIT_FITTING.steps(steps.length) }}</p>
    <div>
      <button type="button" class="push main" @click="writing = true">{{ KIT_FITTING.step }}</button>
    </div>
    <div v-if="offered.length > 0" class="stack" role="group" :aria-label="KIT_FITTING.tests">
      <strong>{{ KIT_FITTING.tests }}</strong>
      <button v-for="test in offered" :key="test.id" type="button" class="push test" :aria-pressed="!without.includes(test.id)" @click="toggle(test.id)">
        <span>{{ sayTest(onVehicle.kit, test) }}</span> <span class="soft">{{ FIT_FLOOR.helper }} {{ sayHelper(onVehicle.kit, test) }}</span>
      </button>
      <div>
        <button type="button" class="push" :disabled="taken.length === 0" @click="job.perform(fit.takeTests(context, slug, taken))">{{ KIT_FITTING.take(taken.length) }}</button>
      </div>
    </div>
    <template v-if="steps.length > 0">
      <p v-for="refusal in against" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</p>
      <div>
        <button type="button" class="push" :disabled="isRefused(all)" @click="job.perform(all)">{{ KIT_FITTING.all }}</button>
      </div>
    </template>
    <StepFitted v-if="writing" :kit="slug" @close="writing = false" />
  </section>
</template>

<style scoped>
.test .soft {
  color: inherit;
  font-weight: 400;
}

.test {
  display: grid;
  justify-items: start;
  justify-content: start;
  gap: 2px;
  padding: 8px 14px;
  text-align: left;
}
</style>
