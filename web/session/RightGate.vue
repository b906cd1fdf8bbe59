<script setup lang="ts">
import { computed } from 'vue';
import { may, roleFaults, type Right } from '@jade/core/shop';
import { sayFaultAlone } from '@jade/words/faults';
import { useSession } from './index.ts';

/** What whoever is at this bench may do; where they may not, the sentence that says who may. `quiet` says nothing. */
const props = defineProps<{ right: Right; quiet?: boolean }>();
const session = useSession();
const role = computed(() => session.session?.role);
const allowed = computed(() => may(role.value, props.right));
const why = computed(() => roleFaults(role.value ?? 'nobody', props.right).map(sayFaultAlone)[0]);
</script>

<template>
  <slot v-if="allowed" />
  <p v-else-if="!quiet && session.session" class="soft">{{ why }}.</p>
</template>
