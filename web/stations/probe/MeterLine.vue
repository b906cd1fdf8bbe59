<script setup lang="ts">
import { onMounted, ref } from 'vue';
import type { HeldLine } from '@jade/core/probing';
import { LINE_FAULTS, METER_LINE, sayHeld } from '@jade/words/probing';
import { volts as sayVolts } from '@jade/words/units';
import { METER_ADDRESS, useMeter } from '../../meter/index.ts';

/** The meter at this bench: whether it is heard, what it shows, and what was held while it was not. */
const emit = defineEmits<{ take: [held: HeldLine] }>();
defineProps<{ takes?: string }>();
const meter = useMeter();
const setting = ref(false);
const address = ref(METER_ADDRESS);
onMounted(() => meter.resume());

function connect(): void {
  meter.connect(address.value);
  setting.value = false;
}
</script>

<template>
  <div class="meter">
    <div class="line">
      <template v-if="meter.state === 'none'">
        <button v-if="!setting" type="button" class="push small" @click="setting = true">{{ METER_LINE.meter }}</button>
        <template v-else>
          <v-text-field v-model="address" class="address" :label="METER_LINE.address" variant="outlined" density="comfortable" hide-details @keydown.enter="connect" />
          <button type="button" class="push small" @click="connect">{{ METER_LINE.call }}</button>
          <button type="button" class="push small plain" @click="setting = false">{{ METER_LINE.typeInstead }}</button>
        </template>
      </template>
      <template v-else>
        <span v-if="meter.state === 'open'" class="good">{{ meter.name }}</span>
        <span v-else-if="meter.state === 'calling'" class="soft">{{ METER_LINE.calling }}</span>
        <span v-else class="odd" role="status">{{ METER_LINE.notHeard }}</span>
        <span v-if="meter.state === 'open'" class="shows mono">{{ meter.volts === undefined ? METER_LINE.touchesNothing : sayVolts(meter.volts) }}</span>
        <button type="button" class="push small plain" @click="meter.disconnect()">{{ METER_LINE.without }}</button>
      </template>
    </div>
    <p v-if="meter.fault" class="odd" role="alert">{{ METER_LINE.notUnderstood(LINE_FAULTS[meter.fault]) }}</p>
    <section v-if="meter.waiting.length > 0" class="leaf waits" :aria-label="METER_LINE.held">
      <h3>{{ METER_LINE.ofWhat }}</h3>
      <ul class="rows">
        <li v-for="held in meter.waiting" :key="held.n">
          <strong class="grow mono">{{ sayHeld(held) }}</strong>
          <button v-if="takes && held.held === 'voltage'" type="button" class="push small" @click="emit('take', held)">{{ METER_LINE.itIsOf(takes) }}</button>
          <button type="button" class="push small plain" @click="meter.settle(held)">{{ METER_LINE.throwAway }}</button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.meter {
  display: grid;
  gap: 8px;
}

.address {
  max-width: 300px;
}

.shows {
  min-width: 110px;
  font-size: 22px;
  font-weight: 600;
}

.waits {
  border-left: 5px solid var(--amber);
}
</style>
