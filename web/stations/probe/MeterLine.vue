<script setup lang="ts">
import { onMounted, ref } from 'vue';
import type { HeldLine } from '@jade/core/probing';
import { LINE_FAULTS, sayHeld } from '@jade/words/probing';
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
        <button v-if="!setting" type="button" class="push small" @click="setting = true">Meter</button>
        <template v-else>
          <v-text-field v-model="address" class="address" label="Address of the meter’s bridge" variant="outlined" density="comfortable" hide-details @keydown.enter="connect" />
          <button type="button" class="push small" @click="connect">Call it</button>
          <button type="button" class="push small plain" @click="setting = false">Type values instead</button>
        </template>
      </template>
      <template v-else>
        <span v-if="meter.state === 'open'" class="good">{{ meter.name }}</span>
        <span v-else-if="meter.state === 'calling'" class="soft">Calling the meter …</span>
        <span v-else class="odd" role="status">The meter is not heard; calling again. What is held meanwhile is not lost, values can be typed.</span>
        <span v-if="meter.state === 'open'" class="shows mono">{{ meter.volts === undefined ? 'touches nothing' : sayVolts(meter.volts) }}</span>
        <button type="button" class="push small plain" @click="meter.disconnect()">Without the meter</button>
      </template>
    </div>
    <p v-if="meter.fault" class="odd" role="alert">A line of the meter was not understood: {{ LINE_FAULTS[meter.fault] }}. Nothing was taken from it.</p>
    <section v-if="meter.waiting.length > 0" class="leaf waits" aria-label="Held and not yet taken">
      <h3>Held at the meter, and nobody has said of what</h3>
      <ul class="rows">
        <li v-for="held in meter.waiting" :key="held.n">
          <strong class="grow mono">{{ sayHeld(held) }}</strong>
          <button v-if="takes && held.held === 'voltage'" type="button" class="push small" @click="emit('take', held)">It is of {{ takes }}</button>
          <button type="button" class="push small plain" @click="meter.settle(held)">Throw it away</button>
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
