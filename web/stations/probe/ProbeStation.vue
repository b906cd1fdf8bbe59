<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { kitsUndescribed } from '@jade/core/job';
import { readingsOf, readingVoltage } from '@jade/core/loom';
import { classifyReading, type HeldLine } from '@jade/core/probing';
import { probe } from '@jade/core/stations';
import type { VehicleState } from '@jade/core/states';
import { COMMON } from '@jade/words/common';
import { FLOOR } from '@jade/words/floor';
import { CLASS_WORDS, PROBE_STATION, sayProbeStep, sayProof, sayReference, VOLTS_SAID } from '@jade/words/probing';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PlaceTwins from '../../job/PlaceTwins.vue';
import { useMeter } from '../../meter/index.ts';
import FuseFinder from './FuseFinder.vue';
import HelperPhone from './HelperPhone.vue';
import { useFloor } from '../floor.ts';
import BatteryStrip from './BatteryStrip.vue';
import FoundPlug from './FoundPlug.vue';
import OneWire from './OneWire.vue';
import LampBench from './LampBench.vue';
import MeterLine from './MeterLine.vue';
import PlugMap from './PlugMap.vue';
import PlugRecords from './PlugRecords.vue';
import ProbeCard from './ProbeCard.vue';
import ProbeFloor from './ProbeFloor.vue';
import ReadCell from './ReadCell.vue';
import VoltsEntry from './VoltsEntry.vue';

const { job, context, names } = useCurrentJob();
const meter = useMeter();
const card = ref<{ hear: (held: HeldLine) => boolean } | null>(null);
const cell = ref<{ hear: (held: HeldLine) => boolean } | null>(null);
const floor = useFloor('probe');
const ground = ref<number | undefined>(job.state.reference?.groundV);
const feed = ref<number | undefined>(job.state.reference?.feedV);
const picked = ref<{ plug: string; pin: string; state: VehicleState }>();

const rules = computed(() => context.value.rules.probing);
const wires = computed(() => probe.wiresToProve(context.value));
const plugs = computed(() => probe.plugsToProbe(context.value));
const sought = computed(() => plugs.value.filter(({ plug }) => context.value.state.sought[plug.id]));
const finding = ref(false);
/** Also of a plug in which nothing more is looked for. */
const toSeal = computed(() => probe.wiresToSeal(context.value));
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

const takeCell = (lowV: number, highV: number, sure: boolean) =>
  probe.take(context.value, picked.value?.plug ?? '', picked.value?.pin ?? '', { state: picked.value?.state ?? 'key off', lowV, highV }, actedAt(), sure);
/** What a test lamp did to a middle value that was read. */
function underLamp(does: 'holds' | 'collapses'): void {
  const [at, reading] = [picked.value, current.value];
  if (!at || !reading) return;
  void job.perform(probe.take(context.value, at.plug, at.pin, { state: at.state, lowV: reading.lowV, highV: reading.highV, underLamp: does }, actedAt(), true));
}
const now = computed(() => probe.probeNow(context.value));
/** What was taken in hand last: the reading that comes next, a cell of a table, a fuse slot. The helper is asked for its state, and what is held at the meter is of it. */
const slotState = ref<VehicleState>();
const hand = ref<'next' | 'cell' | 'slot'>('next');
watch(picked, (at) => void (hand.value = at ? 'cell' : 'next'));
watch(slotState, (state) => void (hand.value = state ? 'slot' : 'next'));
/** What was in hand before is laid down where the station is looked at otherwise. */
watch(floor, () => {
  [picked.value, slotState.value] = [undefined, undefined];
  hand.value = 'next';
});
const floorAt = ref<{ pin: string; state: VehicleState }>();
const nextAt = computed(() => (floor.value ? floorAt.value : now.value && { pin: now.value.pin.id, state: now.value.reading.state }));
const inHand = computed(() => (hand.value === 'slot' ? undefined : hand.value === 'cell' ? picked.value : nextAt.value));
const asked = computed(() => (job.state.reference ? (hand.value === 'slot' ? slotState.value : inHand.value?.state) : undefined));
const open = computed(() => wires.value.filter(({ proof }) => proof.code !== 'proved').length);
const current = computed(() => picked.value && readingAt(picked.value.plug, picked.value.pin, picked.value.state));
const isPicked = (plug: string, pin: string, state: VehicleState) => picked.value?.plug === plug && picked.value.pin === pin && picked.value.state === state;
</script>

<template>
  <div class="stack">
    <div class="tools" :class="{ below: floor && meter.state === 'none' }">
      <HelperPhone v-if="job.state.reference" :asked="asked" />
      <MeterLine
        :takes="job.state.reference && inHand ? PROBE_STATION.takes(inHand.pin, inHand.state) : undefined"
        @take="(held) => (hand === 'cell' ? cell : card)?.hear(held) && meter.settle(held)"
      />
      <button type="button" class="push small turn" @click="floor = !floor">{{ floor ? FLOOR.off : FLOOR.on }}</button>
    </div>
    <BatteryStrip />
    <PlaceTwins :list="'plugs'" />
    <EmptyNote v-if="wires.length === 0" kind="empty">{{ kitsUndescribed(context, 'connections').length > 0 ? PROBE_STATION.undescribed : PROBE_STATION.noWire }}</EmptyNote>
    <details v-if="!floor || !job.state.reference" class="leaf reference" :open="!job.state.reference || reference?.code !== 'good' || undefined">
      <summary>
        <h2>{{ PROBE_STATION.reference }}</h2>
        <span v-if="reference" :class="reference.code === 'good' ? 'good' : 'bad'" role="status">{{ sayReference(reference) }}</span>
        <span v-else class="soft">{{ PROBE_STATION.referenceHow }}</span>
      </summary>
      <div class="line">
        <MeasureEntry :label="PROBE_STATION.ground" unit="V" :least="-60" :most="60" :value="ground" @measured="(value) => referenceRead('ground', value)" />
        <MeasureEntry :label="PROBE_STATION.knownFeed" unit="V" :least="-60" :most="60" :value="feed" @measured="(value) => referenceRead('feed', value)" />
      </div>
    </details>
    <ProbeFloor v-if="floor" ref="card" @whole="floor = false" @at="(next) => (floorAt = next)" />
    <template v-else>
      <ProbeCard
        v-if="job.state.reference && now"
        ref="card"
        :listens="hand === 'next'"
        :now="now"
        @pick="(pin) => (picked = { plug: now?.probe.plug.id ?? '', pin, state: now?.reading.state ?? 'key off' })"
      />
      <p v-else-if="job.state.reference && open > 0" class="leaf odd">
        {{ PROBE_STATION.nothingMore(open) }}
      </p>
      <p v-else-if="job.state.reference && wires.length > 0" class="leaf good">{{ PROBE_STATION.allProved }}</p>
      <div v-if="wires.length > 0 || picked" class="leaf stack" :class="{ waits: !job.state.reference }">
        <div v-if="wires.length > 0" class="scroll">
          <table>
            <caption class="out-of-sight">
              {{
                PROBE_STATION.table
              }}
            </caption>
            <thead>
              <tr>
                <th scope="col">{{ PROBE_STATION.wire }}</th>
                <th v-for="state in states" :key="state" scope="col">{{ state }}</th>
                <th scope="col">{{ PROBE_STATION.proves }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="wire in wires" :key="`${wire.plug.id}/${wire.pin.id}`">
                <th scope="row">
                  {{ wire.plug.name }}
                  <span class="soft mono">{{ PROBE_STATION.pinColour(wire.pin.id, wire.pin.colour) }}</span>
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
          <strong>{{ PROBE_STATION.pinWith(picked.pin, picked.state) }}</strong>
          <VoltsEntry
            ref="cell"
            :label="PROBE_STATION.volts"
            v-bind="VOLTS_SAID"
            :about="`${picked.plug}/${picked.pin}/${picked.state}`"
            :act="takeCell"
            :listens="hand === 'cell'"
          />
          <span v-if="current">{{ CLASS_WORDS[current.found] }}</span>
          <template v-if="current?.found === 'in between'">
            <button type="button" class="push small" @click="underLamp('holds')">{{ PROBE_STATION.holds }}</button>
            <button type="button" class="push small" @click="underLamp('collapses')">{{ PROBE_STATION.collapses }}</button>
          </template>
          <button type="button" class="push small plain" @click="picked = undefined">{{ PROBE_STATION.toNext }}</button>
        </div>
        <p v-else class="soft">{{ job.state.reference ? PROBE_STATION.pick : PROBE_STATION.closed }}</p>
      </div>
      <ul v-if="toSeal.length > 0" class="leaf rows" :aria-label="PROBE_STATION.toSeal">
        <li v-for="wire in toSeal" :key="`${wire.plug}/${wire.pin}`">
          <span class="odd grow">{{ sayProbeStep({ kind: 'seal', ...wire }, names.plug) }}</span>
          <button type="button" class="push small" @click="job.perform(probe.sealWire(context, wire.plug, wire.pin))">{{ COMMON.sealedAgain }}</button>
        </li>
      </ul>
      <PlugMap v-for="entry in plugs" :key="entry.plug.id" :probed="entry" :open="sought.includes(entry)" @pick="(pin, state) => (picked = { plug: entry.plug.id, pin, state })" />
      <template v-if="job.state.reference">
        <OneWire />
        <div>
          <button type="button" class="push" @click="finding = true">{{ PROBE_STATION.found }}</button>
        </div>
        <FoundPlug v-if="finding" @close="finding = false" />
      </template>
      <LampBench />
      <PlugRecords v-if="Object.keys(job.state.readings).length > 0" />
      <FuseFinder v-if="job.state.reference" @asks="(state) => (slotState = state)" />
      <CautionNote :text="PROBE_STATION.caution" />
    </template>
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
.reference {
  padding-block: 6px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: start;
}

@media (max-width: 700px) {
  /* The keys stand in reach without scrolling. */
  .below {
    order: 1;
  }
}

.grow {
  flex: 1;
}

.turn {
  margin-left: auto;
}
</style>
