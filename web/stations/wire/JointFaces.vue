<script setup lang="ts">
import { computed } from 'vue';
import type { WireJoint } from '@jade/core/loom';
import { sayFacesOf } from '@jade/words/wiring';
import PlugFaces from '../../design/drawings/PlugFaces.vue';

/** Both faces of a joint from the wire side: of a tap the one wire, else the whole plug as it meets the kit's. */
const props = defineProps<{ joint: WireJoint }>();
const face = computed(() => {
  const { vehiclePlug, tapped } = props.joint;
  return tapped ? { ...vehiclePlug, rows: 1, columns: 1, pins: [{ ...tapped, row: 1, column: 1 }] } : vehiclePlug;
});
</script>

<template>
  <PlugFaces :from="joint.between ? 'lead' : 'vehicle'" :vehicle="face" :kit="joint.kitPlug" :mate="joint.mate" :label="sayFacesOf(joint)" />
</template>
