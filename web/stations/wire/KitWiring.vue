<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { wireJoints } from '@jade/core/loom';
import { isRefused, wire } from '@jade/core/stations';
import { KIT_WIRING } from '@jade/words/wiring';
import { sayRefusal } from '@jade/words/stations';
import { useCurrentJob } from '../../job/current.ts';

/** Seldom wanted, so fetched by itself. */
const JointMade = defineAsyncComponent(() => import('./JointMade.vue'));

/** A kit of which nobody has described how it is wired on this kind of vehicle: its joints are written down as they are made. */
const props = defineProps<{ kit: string }>();
const { job, context, names } = useCurrentJob();
const writing = ref(false);
const made = computed(() => wireJoints(context.value).filter((joint) => joint.kit.slug === props.kit));
const all = computed(() => wire.allWired(context.value, props.kit));
const against = computed(() => (isRefused(all.value) && made.value.length > 0 ? all.value.refused : []));
</script>

<template>
  <section class="leaf stack undescribed" :aria-label="KIT_WIRING.title(names.kit(kit))">
    <h2>{{ KIT_WIRING.title(names.kit(kit)) }}</h2>
    <p>{{ KIT_WIRING.why }}</p>
    <p class="soft">{{ KIT_WIRING.joints(made.length) }}</p>
    <div>
      <button type="button" class="push main" @click="writing = true">{{ KIT_WIRING.joint }}</button>
    </div>
    <template v-if="made.length > 0">
      <p v-for="refusal in against" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</p>
      <div>
        <button type="button" class="push" :disabled="isRefused(all)" @click="job.perform(all)">{{ KIT_WIRING.all }}</button>
      </div>
    </template>
    <JointMade v-if="writing" :kit="kit" @close="writing = false" />
  </section>
</template>
