<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { probe } from '@jade/core/stations';
import type { VehicleState } from '@jade/core/states';
import { BLADE_FUSES_A } from '@jade/core/wiring';
import { sayHelperState } from '@jade/words/kit';
import { FUSE_FINDER, saySlot, saySlotWanted, sayStateCaution } from '@jade/words/probing';
import { stated } from '@jade/words/units';
import CautionNote from '../../design/CautionNote.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import VoltsEntry from './VoltsEntry.vue';

/** Fuse slots measured through the states against when a supply of the job is to be live; what behaves so is chosen at Wire. */
const { job, context } = useCurrentJob();
const sought = computed(() => probe.slotsSought(context.value));
const keyOf = ({ joint, pin }: probe.SlotSought) => `${joint.kit.slug}/${joint.connection.id}/${pin.id}`;
const chosen = ref<string>();
const current = computed(() => sought.value.find((entry) => keyOf(entry) === chosen.value) ?? sought.value[0]);
const slot = ref('');
const rated = ref('');

const state = computed(() => current.value && probe.slotStateNext(current.value, slot.value));
const emit = defineEmits<{ asks: [state: VehicleState | undefined] }>();
watch(
  () => (slot.value.trim() === '' ? undefined : state.value),
  (asked) => emit('asks', asked),
);
const caution = computed(() => state.value && sayStateCaution(state.value));
const about = computed(() => `${slot.value}/${state.value ?? ''}`);
const act = (lowV: number, highV: number, sure: boolean) =>
  probe.measureSlot(context.value, slot.value, { state: state.value ?? 'key off', lowV, highV }, rated.value === '' ? undefined : Number(rated.value), actedAt(), sure);
</script>

<template>
  <details v-if="current" class="leaf fold">
    <summary>{{ FUSE_FINDER.title }}</summary>
    <div class="stack">
      <v-select
        v-if="sought.length > 1"
        class="which"
        :label="FUSE_FINDER.supply"
        :items="sought.map((entry) => ({ value: keyOf(entry), title: FUSE_FINDER.pinOf(entry.joint.kitPlug.name, entry.pin.id) }))"
        :model-value="keyOf(current)"
        variant="outlined"
        density="comfortable"
        hide-details
        @update:model-value="(value: string) => (chosen = value)"
      />
      <p v-else>{{ FUSE_FINDER.forPin(current.joint.kitPlug.name, current.pin.id) }}</p>
      <p class="soft">{{ saySlotWanted(current.wanted) }}</p>
      <CautionNote :text="FUSE_FINDER.how" />
      <div class="line">
        <v-text-field v-model="slot" class="short" :label="FUSE_FINDER.slot" maxlength="20" autocomplete="off" variant="outlined" density="comfortable" hide-details />
        <v-select
          v-model="rated"
          class="short"
          :label="FUSE_FINDER.fuse"
          :items="[{ value: '', title: FUSE_FINDER.notRead }, ...BLADE_FUSES_A.map((ampere) => ({ value: String(ampere), title: stated(ampere, 'A') }))]"
          variant="outlined"
          density="comfortable"
          hide-details
        />
      </div>
      <template v-if="state">
        <h3>{{ sayHelperState(state) }}</h3>
        <CautionNote v-if="caution" :text="caution" />
        <VoltsEntry :label="FUSE_FINDER.shows" v-bind="FUSE_FINDER.volts" :about="about" :act="act" :listens="slot.trim() !== ''" />
      </template>
      <p v-if="current.finding.slots.length === 0" class="soft">{{ FUSE_FINDER.none }}</p>
      <ul v-else class="rows">
        <li v-for="entry in current.finding.slots" :key="entry.slot">
          <span class="grow" :class="entry.value === 'as wanted' ? 'good' : entry.value === 'otherwise' ? 'bad' : ''">{{ saySlot(entry) }}</span>
          <button v-if="entry.value === 'not yet measured'" type="button" class="push small" @click="slot = entry.slot">{{ FUSE_FINDER.goOn(entry.slot) }}</button>
          <router-link v-if="entry.value === 'as wanted'" class="push small" :to="{ name: 'station', params: { id: job.view?.id, station: 'wire' } }">{{
            FUSE_FINDER.atWire
          }}</router-link>
        </li>
      </ul>
    </div>
  </details>
</template>

<style scoped>
.short {
  min-width: 160px;
  max-width: 190px;
}

.which {
  max-width: 420px;
}
</style>
