<script setup lang="ts">
import { computed } from 'vue';
import { familyOf, type WireJoint } from '@jade/core/loom';
import { isRefused, wire } from '@jade/core/stations';
import { PLUG_WORK, sayContactsMoved, sayPlugVerdict } from '@jade/words/wiring';
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
    <h3>{{ PLUG_WORK.rePin }}</h3>
    <p>{{ sayPlugVerdict(verdict) }}</p>
    <button type="button" class="push" @click="job.perform(wire.movePins(context, ...ids))">{{ sayContactsMoved(family) }}</button>
  </section>
  <section v-if="!joint.joined && verdict?.value === 'no plug'" class="stack">
    <h3>{{ PLUG_WORK.wires }}</h3>
    <p>{{ sayPlugVerdict(verdict) }}</p>
    <CautionNote v-if="byWires" :text="PLUG_WORK.wiresWhy" />
    <button v-if="byWires" type="button" class="push" @click="job.perform(wire.joinByWires(context, ...ids))">{{ PLUG_WORK.plan }}</button>
    <p v-else class="odd">{{ PLUG_WORK.rest }}</p>
  </section>
</template>
