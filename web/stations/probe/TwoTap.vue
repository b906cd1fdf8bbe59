<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { probe, type Act } from '@jade/core/stations';
import { COMMON } from '@jade/words/common';
import { TWO_TAP } from '@jade/words/probing';
import { sayRefusal } from '@jade/words/stations';
import { useCurrentJob } from '../../job/current.ts';
import { useVolts } from './volts.ts';

/** A value in two taps: whole volts, then tenths. What moves takes its lowest first, then its highest. */
const props = defineProps<{ about: string; act: (lowV: number, highV: number, sure: boolean) => Act; listens?: boolean }>();
const { context } = useCurrentJob();
const { refused, odd, names, take, insist, hear } = useVolts(props);
defineExpose({ hear });
const keys = computed(() => probe.twoTapVolts(context.value.profile.systemVoltageV));
const whole = ref<number>();
const lowest = ref<number>();
const moving = ref(false);
const minus = ref(false);
function anew(): void {
  [whole.value, lowest.value, moving.value, minus.value] = [undefined, undefined, false, false];
}
watch(() => props.about, anew);

function tap(tenth: number): void {
  const value = (minus.value ? -1 : 1) * ((whole.value ?? 0) + tenth / 10);
  [whole.value, minus.value] = [undefined, false];
  if (moving.value && lowest.value === undefined) lowest.value = value;
  else take(lowest.value ?? value, value);
}
const says = computed(() => {
  const part = moving.value ? (lowest.value === undefined ? ('lowest' as const) : ('highest' as const)) : undefined;
  return TWO_TAP.asks(part, whole.value === undefined ? undefined : `${minus.value ? '−' : ''}${whole.value}`);
});
</script>

<template>
  <div class="taps">
    <div class="line">
      <p class="says" aria-live="polite">{{ says }}</p>
      <button type="button" class="push small" :aria-pressed="moving" @click="moving = !moving">{{ TWO_TAP.moves }}</button>
      <button type="button" class="push small" :aria-pressed="minus" :aria-label="TWO_TAP.belowGround" @click="minus = !minus">−</button>
    </div>
    <div v-if="whole === undefined" class="keys" role="group" :aria-label="TWO_TAP.whole">
      <button v-for="volts in keys.whole" :key="volts" type="button" class="push key" @click="whole = volts">{{ volts }}</button>
    </div>
    <div v-else class="keys tenths" role="group" :aria-label="TWO_TAP.tenths">
      <button v-for="tenth in keys.tenths" :key="tenth" type="button" class="push key" @click="tap(tenth)">{{ minus ? '−' : '' }}{{ whole }}.{{ tenth }}</button>
    </div>
    <button v-if="whole !== undefined || lowest !== undefined" type="button" class="push plain" @click="anew">{{ TWO_TAP.anew }}</button>
    <p v-for="refusal in refused" :key="refusal.code" class="odd" role="alert">{{ sayRefusal(refusal, names) }}</p>
    <button v-if="odd" type="button" class="push main" @click="insist">{{ COMMON.record }}</button>
  </div>
</template>

<style scoped>
.taps {
  display: grid;
  gap: 8px;
}

.says {
  margin: 0;
  flex: 1;
  font-size: 18px;
  font-weight: 620;
}

.keys {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(60px, 1fr));
  gap: 8px;
}

.key {
  min-height: 56px;
  font-size: 22px;
}

.tenths .key {
  border-color: var(--jade);
}
</style>
