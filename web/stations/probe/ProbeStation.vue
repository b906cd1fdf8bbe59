<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { readingsOf, readingVoltage } from '@jade/core/job';
import { classifyReading } from '@jade/core/probing';
import { probe } from '@jade/core/stations';
import type { VehicleState } from '@jade/core/states';
import { CLASS_WORDS, sayProof, sayReference } from '@jade/words/probing';
import { plural } from '@jade/words/units';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useMeter } from '../../meter/index.ts';
import FuseFinder from './FuseFinder.vue';
import HelperPhone from './HelperPhone.vue';
import FoundPlug from './FoundPlug.vue';
import OneWire from './OneWire.vue';
import MeterLine from './MeterLine.vue';
import PlugMap from './PlugMap.vue';
import PlugRecords from './PlugRecords.vue';
import ProbeCard from './ProbeCard.vue';
import ReadCell from './ReadCell.vue';

const { job, context } = useCurrentJob();
const meter = useMeter();
const card = ref<InstanceType<typeof ProbeCard> | null>(null);
const sayAt = ({ pin, reading }: probe.ProbeNow) => `pin ${pin.id} with ${reading.state}`;
const ground = ref<number | undefined>(job.state.reference?.groundV);
const feed = ref<number | undefined>(job.state.reference?.feedV);
const picked = ref<{ plug: string; pin: string; state: VehicleState }>();

const rules = computed(() => context.value.rules.probing);
const wires = computed(() => probe.wiresToProve(context.value));
const plugs = computed(() => probe.plugsToProbe(context.value));
const sought = computed(() => plugs.value.filter(({ plug }) => context.value.state.sought[plug.id]));
const finding = ref(false);
const states = computed(() => probe.statesToRead(context.value));
const reference = computed(() => (ground.value === undefined || feed.value === undefined ? undefined : probe.referenceVerdict(context.value, ground.value, feed.value)));

function referenceRead(which: 'ground' | 'feed', value: number): void {
  if (which === 'ground') ground.value = value;
  else feed.value = value;
  if (reference.value?.code === 'good' && ground.value !== undefined && feed.value !== undefined)
    void job.perform(probe.checkedReference(context.value, ground.value, feed.value, actedAt()));
}

function readingAt(plug: string, pin: string, state: VehicleState) {
  const face = plugs.value.find((entry) => entry.plug.id === plug)?.plug;
  const reading = face && readingsOf(context.value, face, pin).findLast((entry) => entry.state === state);
  return reading && { ...reading, found: classifyReading(reading, readingVoltage(context.value), rules.value) };
}

function take(value: number, underLamp?: 'holds' | 'collapses'): void {
  if (!picked.value) return;
  const { plug, pin, state } = picked.value;
  void job.perform(probe.take(context.value, plug, pin, { state, lowV: value, highV: value, ...(underLamp ? { underLamp } : {}) }, actedAt()));
}
const now = computed(() => probe.probeNow(context.value));
/** What is asked of the helper: the state of whatever was taken in hand last. */
const slotState = ref<VehicleState>();
const asked = ref<VehicleState>();
watch(
  () => (job.state.reference ? now.value?.reading.state : undefined),
  (state) => void (asked.value = state),
  { immediate: true },
);
watch(
  () => picked.value,
  (cell) => void (asked.value = cell?.state ?? now.value?.reading.state),
);
watch(slotState, (state) => void (asked.value = state ?? now.value?.reading.state));
const open = computed(() => wires.value.filter(({ proof }) => proof.code !== 'proved').length);
const current = computed(() => picked.value && readingAt(picked.value.plug, picked.value.pin, picked.value.state));
const isPicked = (plug: string, pin: string, state: VehicleState) => picked.value?.plug === plug && picked.value.pin === pin && picked.value.state === state;
</script>

<template>
  <div class="stack">
    <EmptyNote v-if="wires.length === 0" kind="empty">No wire of this job wants proof yet: settle the facts at Match, or look for a wire of your own below.</EmptyNote>
    <details class="leaf" :open="!job.state.reference || reference?.code !== 'good' || undefined">
      <summary>
        <h2>Reference first</h2>
        <span v-if="reference" :class="reference.code === 'good' ? 'good' : 'bad'" role="status">{{ sayReference(reference) }}</span>
        <span v-else class="soft">Meter on the ground you will use, then on a feed you know.</span>
      </summary>
      <div class="line">
        <MeasureEntry label="Ground used to battery −" unit="V" :least="-60" :most="60" :value="ground" @measured="(value) => referenceRead('ground', value)" />
        <MeasureEntry label="A known feed" unit="V" :least="-60" :most="60" :value="feed" @measured="(value) => referenceRead('feed', value)" />
      </div>
    </details>
    <template v-if="job.state.reference">
      <HelperPhone :asked="asked" />
      <MeterLine :takes="now && !slotState ? sayAt(now) : undefined" @take="(held) => card?.hear(held) && meter.settle(held)" />
    </template>
    <ProbeCard
      v-if="job.state.reference && now"
      ref="card"
      :listens="!slotState"
      :now="now"
      @pick="(pin) => (picked = { plug: now?.probe.plug.id ?? '', pin, state: now?.reading.state ?? 'key off' })"
    />
    <p v-else-if="job.state.reference && open > 0" class="leaf odd">
      Nothing more to read in these states, and {{ plural(open, 'wire') }} not proved: what each still wants stands in its line.
    </p>
    <p v-else-if="job.state.reference && wires.length > 0" class="leaf good">Every wire that the job uses is proved.</p>
    <div v-if="wires.length > 0 || picked" class="leaf stack" :class="{ waits: !job.state.reference }">
      <div v-if="wires.length > 0" class="scroll">
        <table>
          <caption class="out-of-sight">
            Readings: a row for each wire, a column for each state of the vehicle
          </caption>
          <thead>
            <tr>
              <th scope="col">Wire</th>
              <th v-for="state in states" :key="state" scope="col">{{ state }}</th>
              <th scope="col">What it proves</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="wire in wires" :key="`${wire.plug.id}/${wire.pin.id}`">
              <th scope="row">
                {{ wire.plug.name }}
                <span class="soft mono">pin {{ wire.pin.id }} · {{ wire.pin.colour ?? 'no colour noted' }}</span>
              </th>
              <td v-for="state in states" :key="state">
                <ReadCell
                  :plug="wire.plug"
                  :pin="wire.pin.id"
                  :state="state"
                  :picked="isPicked(wire.plug.id, wire.pin.id, state)"
                  @pick="picked = { plug: wire.plug.id, pin: wire.pin.id, state }"
                />
              </td>
              <td :class="wire.proof.code === 'proved' ? 'good' : wire.proof.code === 'contradictory' ? 'bad' : ''">{{ sayProof(wire.proof) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="picked" class="line entry">
        <strong>Pin {{ picked.pin }} with {{ picked.state }}</strong>
        <MeasureEntry
          :key="`${picked.plug}/${picked.pin}/${picked.state}`"
          label="Voltage to the proved ground"
          :about="`${picked.plug}/${picked.pin}/${picked.state}`"
          unit="V"
          :least="-60"
          :most="60"
          :value="current?.highV"
          @measured="(value) => take(value)"
        />
        <span v-if="current">{{ CLASS_WORDS[current.found] }}</span>
        <template v-if="current?.found === 'in between'">
          <button type="button" class="push small" @click="take(current.highV, 'holds')">Test lamp lights, it holds</button>
          <button type="button" class="push small" @click="take(current.highV, 'collapses')">It collapses</button>
        </template>
      </div>
      <p v-else class="soft">{{ job.state.reference ? 'Pick a cell and write what the meter shows.' : 'The cells open when the reference is proved.' }}</p>
    </div>
    <PlugMap v-for="entry in plugs" :key="entry.plug.id" :probed="entry" :open="sought.includes(entry)" @pick="(pin, state) => (picked = { plug: entry.plug.id, pin, state })" />
    <template v-if="job.state.reference">
      <OneWire />
      <div><button type="button" class="push" @click="finding = true">A plug that is not in the profile</button></div>
      <FoundPlug v-if="finding" @close="finding = false" />
    </template>
    <PlugRecords v-if="Object.keys(job.state.readings).length > 0" />
    <FuseFinder v-if="job.state.reference" @asks="(state) => (slotState = state)" />
    <CautionNote text="Helper in the seat: parking brake set, wheels chocked, no engine running in a closed bay. A powered probe only on a lamp off the vehicle." />
  </div>
</template>

<style scoped>
summary {
  min-height: var(--touch);
  align-content: center;
  cursor: pointer;
}

summary h2 {
  display: inline;
  margin-right: 14px;
}

.scroll {
  overflow-x: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 7px 10px 7px 0;
  text-align: left;
  border-bottom: 1px solid var(--line);
  vertical-align: middle;
}

th .soft {
  display: block;
  font-weight: 400;
  font-size: 13px;
}

.good {
  color: var(--jade);
  font-weight: 620;
}

.bad {
  color: var(--red);
  font-weight: 620;
}

.entry {
  padding-top: 10px;
}
</style>
