<script setup lang="ts">
import { computed, defineAsyncComponent, ref, toRef } from 'vue';
import type { VehicleState } from '@jade/core/states';
import { HELPER_HOURS } from '@jade/core/shop';
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
      <button v-if="!shown" type="button" class="push small" @click="press">Helper’s phone</button>
      <span v-if="open && !behind" class="good">A helper’s phone can read this</span>
      <template v-else-if="open">
        <span class="bad" role="alert">The helper’s phone may still show something else: tell them by voice.</span>
        <button type="button" class="push small" @click="again">Tell it again</button>
      </template>
    </div>
    <div v-if="shown" class="leaf link">
      <QrCode v-if="address" class="qr" :text="address" label="Opens the helper’s page" />
      <div class="stack">
        <h3>For the phone in the driver’s seat</h3>
        <p v-if="address">
          Let its camera read the square, or open <a :href="address" target="_blank" rel="noopener" class="mono address">{{ address }}</a>
        </p>
        <p v-if="alone" class="odd">The shop is open on this machine alone; started with <span class="mono">JADE_HOST</span>, a phone finds it.</p>
        <p class="soft">It shows what the helper is to switch on this job, and nothing else. Good for {{ HELPER_HOURS }} hours or until it is shut.</p>
        <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
        <div class="line">
          <button type="button" class="push small" @click="shown = false">Put it away</button>
          <button v-if="open" type="button" class="push small" @click="shut">Shut the link</button>
          <button v-else type="button" class="push small" @click="give">Make a new link</button>
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
