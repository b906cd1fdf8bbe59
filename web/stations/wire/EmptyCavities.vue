<script setup lang="ts">
import { computed } from 'vue';
import { emptyCavities, type WireJoint } from '@jade/core/loom';
import { wire } from '@jade/core/stations';
import { EMPTY_CAVITIES, sayCavity, sayFeed } from '@jade/words/wiring';
import { useCurrentJob } from '../../job/current.ts';

/** Cavities of the vehicle's plug that want a contact before the plugs of a joint work, and where their wires could be led from. */
const props = defineProps<{ joint: WireJoint }>();
const { job, context } = useCurrentJob();
const cavities = computed(() => emptyCavities(context.value, props.joint));
const put = (carries: string, circuit?: string) => job.perform(wire.populate(context.value, props.joint.kit.slug, props.joint.connection.id, carries, circuit));
</script>

<template>
  <section v-for="cavity in cavities" :key="`${cavity.row} ${cavity.column}`" class="stack">
    <h3>{{ EMPTY_CAVITIES.title }}</h3>
    <p>{{ sayCavity(cavity) }}</p>
    <button v-if="cavity.carries === 'ground'" type="button" class="push" @click="put(cavity.carries)">{{ EMPTY_CAVITIES.toGround }}</button>
    <template v-else>
      <p v-if="cavity.feeds.length === 0" class="bad">{{ EMPTY_CAVITIES.noCircuit }}</p>
      <ul class="rows">
        <li v-for="feed in cavity.feeds" :key="feed.id">
          <span class="grow">{{ sayFeed(feed) }}</span>
          <button type="button" class="push" @click="put(cavity.carries, feed.id)">{{ EMPTY_CAVITIES.fromHere }}</button>
        </li>
      </ul>
    </template>
  </section>
</template>
