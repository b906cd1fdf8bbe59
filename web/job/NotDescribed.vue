<script setup lang="ts">
import { computed, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { undescribed, type DoneWith } from '@jade/core/stations';
import { NOT_DESCRIBED } from '@jade/words/stations';
import AskText from '../design/AskText.vue';
import TapeLabel from '../design/TapeLabel.vue';
import { useCurrentJob } from './current.ts';

/** What a station knows nothing of, as nobody has described how a kit sits on this kind of vehicle: whoever did it says how. */
const props = defineProps<{ what: DoneWith }>();
const { job, context, names } = useCurrentJob();
const lines = computed(() => undescribed.howDone(context.value, props.what).map(({ kit, said }) => ({ kit, said, name: names.value.kit(kit) })));
const asking = ref<string>();

async function write(how: string): Promise<void> {
  const kit = asking.value;
  if (kit !== undefined) await job.perform(undescribed.sayHow(context.value, kit, props.what, how));
  asking.value = undefined;
}
</script>

<template>
  <section v-if="lines.length > 0" class="leaf stack undescribed" :aria-label="NOT_DESCRIBED.title">
    <h2>{{ NOT_DESCRIBED.title }}</h2>
    <div v-for="{ kit, said, name } in lines" :key="kit" class="stack">
      <p>{{ NOT_DESCRIBED.why[what](name) }}</p>
      <p v-if="said">
        <TapeLabel>{{ said }}</TapeLabel>
      </p>
      <div>
        <button type="button" class="push" :class="{ main: !said }" @click="asking = kit">{{ said ? NOT_DESCRIBED.anew : NOT_DESCRIBED.say }}</button>
      </div>
    </div>
    <AskText
      v-if="asking !== undefined"
      :title="NOT_DESCRIBED.ask[what](names.kit(asking))"
      :label="NOT_DESCRIBED.how"
      :hint="NOT_DESCRIBED.hint"
      :action="NOT_DESCRIBED.write"
      :about="`${job.view?.id}/unplaced/${what}/${asking}`"
      :most="LONGEST_TEXT.exception"
      @written="write"
      @close="asking = undefined"
    />
  </section>
</template>
