<script setup lang="ts">
import { computed } from 'vue';
import { familyOf, type WireJoint } from '@jade/core/job';
import { isRefused, wire } from '@jade/core/stations';
import { sayContactsMoved, sayPlugVerdict } from '@jade/words/wiring';
import { useCurrentJob } from '../../job/current.ts';
import CautionNote from '../../design/CautionNote.vue';

/** What is done to a kit's plug that does not meet as it came: contacts moved, or its wires joined one by one. */
const props = defineProps<{ joint: WireJoint }>();
const { job, context } = useCurrentJob();
const verdict = computed(() => props.joint.verdict);
const ids = computed(() => [props.joint.kit.slug, props.joint.connection.id] as const);
const family = computed(() => familyOf(context.value, props.joint.kitPlug.family));
const byWires = computed(() => !isRefused(wire.joinByWires(context.value, ...ids.value)));
</script>

<template>
  <section v-if="!joint.joined && verdict?.value === 're-pin'" class="stack">
    <h3>Re-pin the kit’s plug</h3>
    <p>{{ sayPlugVerdict(verdict) }}</p>
    <button type="button" class="push" @click="job.perform(wire.movePins(context, ...ids))">{{ sayContactsMoved(family) }}</button>
  </section>
  <section v-if="!joint.joined && verdict?.value === 'no plug'" class="stack">
    <h3>Wire by wire</h3>
    <p>{{ sayPlugVerdict(verdict) }}</p>
    <CautionNote v-if="byWires" text="The kit’s plug is cut off its lead: ask the customer and read the maker’s terms first. The vehicle’s plug stays as it is." />
    <button v-if="byWires" type="button" class="push" @click="job.perform(wire.joinByWires(context, ...ids))">Plan it wire by wire</button>
    <p v-else class="odd">What the vehicle’s plug has is planned. The rest has to be fed from another source.</p>
  </section>
</template>
