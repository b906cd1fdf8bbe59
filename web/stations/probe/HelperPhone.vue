<script setup lang="ts">
import { computed, defineAsyncComponent, ref, toRef } from 'vue';
import type { VehicleState } from '@jade/core/states';
import { HELPER_HOURS } from '@jade/core/shop';
import { COMMON } from '@jade/words/common';
import { HELPER_PHONE } from '@jade/words/probing';
import { useCurrentJob } from '../../job/current.ts';
import { useHelper } from '../../job/helper.ts';

/** A link for the helper's phone: it shows what is asked of the helper here, and nothing else of the shop. */
const QrCode = defineAsyncComponent(() => import('../../design/drawings/QrCode.vue'));
const props = defineProps<{ asked?: VehicleState }>();
const { job } = useCurrentJob();
const { open, link, behind, fault, give, shut, again } = useHelper(() => job.view?.id, toRef(props, 'asked'));
const shown = ref(false);
const address = computed(() => link.value && `${link.value.addresses[0] ?? location.origin}/helper/${link.value.token}`);
const alone = computed(() => link.value?.addresses.length === 0);

async function press(): Promise<void> {
  shown.value = true;
  if (!link.value) await give();
}
</script>

<template>
  <div class="helper">
    <div class="line">
      <button v-if="!shown" type="button" class="push small" @click="press">{{ HELPER_PHONE.title }}</button>
      <span v-if="open && !behind" class="good">{{ HELPER_PHONE.open }}</span>
      <template v-else-if="open">
        <span class="bad" role="alert">{{ HELPER_PHONE.mayDiffer }}</span>
        <button type="button" class="push small" @click="again">{{ HELPER_PHONE.tellAgain }}</button>
      </template>
    </div>
    <div v-if="shown" class="leaf link">
      <QrCode v-if="address" class="qr" :text="address" :label="HELPER_PHONE.square" />
      <div class="stack">
        <h3>{{ HELPER_PHONE.where }}</h3>
        <p v-if="address">
          {{ HELPER_PHONE.how }} <a :href="address" target="_blank" rel="noopener" class="mono address">{{ address }}</a>
        </p>
        <p v-if="alone" class="odd">
          {{ HELPER_PHONE.alone }} <span class="mono">{{ HELPER_PHONE.host }}</span>{{ HELPER_PHONE.hostWhy }}
        </p>
        <p class="soft">{{ HELPER_PHONE.shows(HELPER_HOURS) }}</p>
        <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
        <div class="line">
          <button type="button" class="push small" @click="shown = false">{{ COMMON.putAway }}</button>
          <button v-if="open" type="button" class="push small" @click="shut">{{ HELPER_PHONE.shut }}</button>
          <button v-else type="button" class="push small" @click="give">{{ HELPER_PHONE.anew }}</button>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.helper {
  display: grid;
  gap: 8px;
}

.link {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 18px;
}

.qr {
  width: 176px;
}

.address {
  overflow-wrap: anywhere;
}

@media (max-width: 700px) {
  .link {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
