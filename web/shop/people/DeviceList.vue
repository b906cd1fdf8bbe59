<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, defineAsyncComponent, onMounted, onUnmounted, ref } from 'vue';
import { DEVICE_DAYS } from '@jade/core/shop';
import type { DeviceShown, Pairing } from '@jade/contract/people';
import { COMMON } from '@jade/words/common';
import { DEVICE_LIST } from '@jade/words/people';
import { minutesSeconds } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import { ask, Refused } from '../../ask/index.ts';

/** Devices that are let in, and the code that lets the next one in. */
const QrCode = defineAsyncComponent(() => import('../../design/drawings/QrCode.vue'));
const LOOK_MS = 2000;
const devices = ref<DeviceShown[]>();
const failed = ref('');
const pairing = ref<Pairing>();
const known = ref(0);
const nowMs = ref(Date.now());
const asked = ref<string>();

async function load(): Promise<void> {
  try {
    devices.value = await ask<DeviceShown[]>('/api/devices');
    failed.value = '';
  } catch (error) {
    failed.value = error instanceof Refused ? `${error.message}.` : COMMON.away(DEVICE_LIST.theDevices);
  }
}
onMounted(load);

/** While a code is open it is looked whether a device came in by it. */
const looking = setInterval(() => {
  nowMs.value = Date.now();
  if (!pairing.value) return;
  if (leftS.value <= 0) pairing.value = undefined;
  else void load().then(() => (devices.value?.length ?? 0) > known.value && (pairing.value = undefined));
}, LOOK_MS);
onUnmounted(() => clearInterval(looking));

const leftS = computed(() => (pairing.value ? Math.max(0, Math.round((Date.parse(pairing.value.until) - nowMs.value) / 1000)) : 0));
const left = computed(() => minutesSeconds(leftS.value));
const address = computed(() => pairing.value?.addresses[0]);
const inside = computed(() => devices.value?.filter((device) => device.open) ?? []);
const outside = computed(() => devices.value?.filter((device) => !device.open) ?? []);

async function open(): Promise<void> {
  nowMs.value = Date.now();
  try {
    known.value = devices.value?.length ?? 0;
    pairing.value = await ask<Pairing>('/api/pairings', {});
  } catch (error) {
    failed.value = error instanceof Refused ? `${error.message}.` : COMMON.serverAway;
  }
}

/** The first press asks, the second shuts it out. */
async function shutOut({ id }: DeviceShown): Promise<void> {
  if (asked.value !== id) {
    asked.value = id;
    return;
  }
  asked.value = undefined;
  await ask(`/api/devices/${id}/revoke`, {}).catch(() => undefined);
  await load();
}
</script>

<template>
  <section class="leaf stack" aria-labelledby="devices-in">
    <div class="line">
      <h2 id="devices-in" class="grow">{{ DEVICE_LIST.title }}</h2>
      <button type="button" class="push main" :disabled="pairing !== undefined" @click="open">{{ DEVICE_LIST.letIn }}</button>
    </div>
    <div v-if="pairing" class="pairing" aria-live="polite">
      <QrCode v-if="address" class="qr" :text="`${address}/#let-in=${pairing.code}`" :label="DEVICE_LIST.square(address)" />
      <div class="stack">
        <p class="code mono">{{ pairing.code.slice(0, 3) }} {{ pairing.code.slice(3) }}</p>
        <p v-if="address">
          {{ DEVICE_LIST.onTablet }} <span v-for="(entry, index) in pairing.addresses" :key="entry" class="mono">{{ DEVICE_LIST.orAt(entry, index) }}</span>
          {{ DEVICE_LIST.thenCode }}
        </p>
        <p v-else class="odd">
          {{ DEVICE_LIST.alone }} <span class="mono">{{ DEVICE_LIST.host }}</span> {{ DEVICE_LIST.hostWhy }} <em>{{ DEVICE_LIST.page }}</em>
          {{ DEVICE_LIST.saysHow }}
        </p>
        <p class="soft">{{ DEVICE_LIST.goodFor(left) }}</p>
        <div>
          <button type="button" class="push small" @click="pairing = undefined">{{ COMMON.putAway }}</button>
        </div>
      </div>
    </div>
    <EmptyNote v-if="failed" kind="failed"
      >{{ failed }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!devices" kind="loading">{{ COMMON.reading }}</EmptyNote>
    <EmptyNote v-else-if="inside.length === 0" kind="empty">{{ DEVICE_LIST.none }}</EmptyNote>
    <ul v-else class="rows">
      <li v-for="device in inside" :key="device.id">
        <strong class="grow">{{ device.name }}</strong>
        <span class="soft">{{ DEVICE_LIST.used(dayjs(device.pairedAt).format('D MMM YYYY'), device.pairedBy, dayjs(device.seenAt).format('D MMM HH:mm')) }}</span>
        <button type="button" class="push small" @click="shutOut(device)">{{ asked === device.id ? DEVICE_LIST.yesShutOut(device.name) : DEVICE_LIST.shutOut }}</button>
      </li>
    </ul>
    <p class="soft">{{ DEVICE_LIST.forgotten(DEVICE_DAYS) }}</p>
    <details v-if="outside.length > 0">
      <summary>{{ DEVICE_LIST.outside(outside.length) }}</summary>
      <ul class="rows">
        <li v-for="device in outside" :key="device.id" class="soft">{{ DEVICE_LIST.lastUsed(device.name, dayjs(device.seenAt).format('D MMM YYYY')) }}</li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
.grow {
  flex: 1;
}

.pairing {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 18px;
  align-items: start;
  padding: 14px;
  border: 2px solid var(--jade);
  border-radius: 3px;
}

.qr {
  width: 176px;
  grid-row: 1;
}

.code {
  font-size: 40px;
  font-weight: 600;
  letter-spacing: 0.08em;
  line-height: 1.1;
}

@media (max-width: 700px) {
  .pairing {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
