<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PlugProbe } from '@jade/core/loom';
import { isRefused, probe, type Act, type Refusal } from '@jade/core/stations';
import type { VehicleState } from '@jade/core/states';
import { COMMON } from '@jade/words/common';
import { PLUG_MAP, sayPinFound } from '@jade/words/probing';
import { sayRefusal } from '@jade/words/stations';
import CautionNote from '../../design/CautionNote.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import ProbeFace from '../../design/drawings/ProbeFace.vue';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import ColourLine from './ColourLine.vue';
import ReadCell from './ReadCell.vue';

/** A whole plug: every pin with what was read of it in each state, and what that says; grounds by continuity or a load; wires opened and sealed. */
const props = defineProps<{ probed: PlugProbe; open: boolean }>();
const emit = defineEmits<{ pick: [pin: string, state: VehicleState] }>();
const { job, context, names } = useCurrentJob();
const plug = computed(() => props.probed.plug);
const pin = ref<string>();
const refused = ref<Refusal[]>([]);
const again = ref<() => Act>();
const rows = computed(() =>
  plug.value.pins.map((entry) => ({
    pin: entry,
    found: props.probed.found.pins.find((found) => found.pin === entry.id),
    opened: context.value.state.wiresOpen[`${plug.value.id}/${entry.id}`],
    ohm: context.value.state.continuity[`${plug.value.id}/${entry.id}`]?.at(-1),
    drop: context.value.state.drops[`${plug.value.id}/${entry.id}`]?.at(-1),
  })),
);
const picked = computed(() => rows.value.find((row) => row.pin.id === pin.value));
const states = computed(() => props.probed.run.states);
const sought = computed(() => context.value.state.sought[plug.value.id] ?? []);
const all = computed(() => probe.seekable(context.value, plug.value));

/** What is odd is asked once, and recorded when it is said again. */
function record(act: Act, sure?: () => Act): void {
  refused.value = isRefused(act) ? act.refused : [];
  again.value = refused.value.some(({ code }) => code === 'reading-odd') ? sure : undefined;
  if (!isRefused(act)) void job.perform(act);
}
const drop = (value: number, sure = false) => probe.takeDrop(context.value, plug.value.id, pin.value ?? '', value, actedAt(), sure);
</script>

<template>
  <details class="leaf fold map" :open="open">
    <summary>
      <h2>{{ PLUG_MAP.title(plug.name) }}</h2>
      <span class="soft">{{ plug.whereToLook }}</span>
    </summary>
    <div class="line">
      <button v-if="sought.length < all.length" type="button" class="push small" @click="record(probe.seek(context, plug.id, all))">{{ PLUG_MAP.proveAll }}</button>
      <button v-if="sought.length > 0" type="button" class="push small" @click="record(probe.seek(context, plug.id, []))">{{ PLUG_MAP.noMore }}</button>
    </div>
    <div class="both">
      <ProbeFace :plug="plug" :found="probed.found.pins" :pin="pin" @pick="(id) => (pin = id)" />
      <section v-if="picked" class="stack" :aria-label="PLUG_MAP.pinOf(picked.pin.id)">
        <h3>{{ PLUG_MAP.pinOf(picked.pin.id) }}</h3>
        <div class="line">
          <ColourLine
            :key="`here ${picked.pin.id}`"
            :label="PLUG_MAP.colourSide"
            :about="`${plug.id}/${picked.pin.id} here`"
            :value="picked.pin.colour"
            @noted="(colour) => record(probe.noteColour(context, plug.id, picked?.pin.id ?? '', 'this side', colour))"
          />
          <ColourLine
            :key="`beyond ${picked.pin.id}`"
            :label="PLUG_MAP.beyondPlug"
            :about="`${plug.id}/${picked.pin.id} beyond`"
            :value="picked.pin.beyond"
            @noted="(colour) => record(probe.noteColour(context, plug.id, picked?.pin.id ?? '', 'beyond', colour))"
          />
        </div>
        <PhotoRow :subject="{ kind: 'wire', plug: plug.id, pin: picked.pin.id }" />
        <CautionNote :text="PLUG_MAP.continuity" />
        <div class="line">
          <MeasureEntry
            :key="`ohm ${picked.pin.id}`"
            :label="PLUG_MAP.toBody"
            :about="`${plug.id}/${picked.pin.id} ohm`"
            unit="Ω"
            :least="0"
            :value="picked.ohm"
            @measured="(value) => record(probe.takeOhm(context, plug.id, picked?.pin.id ?? '', value))"
          />
          <MeasureEntry
            :key="`drop ${picked.pin.id}`"
            :label="PLUG_MAP.lost"
            :about="`${plug.id}/${picked.pin.id} drop`"
            unit="V"
            :least="-30"
            :most="60"
            :value="picked.drop"
            @measured="(value) => record(drop(value), () => drop(value, true))"
          />
          <template v-if="picked.opened">
            <button type="button" class="push" @click="record(probe.sealWire(context, plug.id, picked.pin.id))">{{ COMMON.sealedAgain }}</button>
          </template>
          <template v-else>
            <button type="button" class="push" @click="record(probe.openWire(context, plug.id, picked.pin.id, 'pierced'))">{{ PLUG_MAP.pierced }}</button>
            <button type="button" class="push" @click="record(probe.openWire(context, plug.id, picked.pin.id, 'bared'))">{{ PLUG_MAP.bared }}</button>
          </template>
        </div>
        <p v-for="refusal in refused" :key="refusal.code" class="odd" role="alert">{{ sayRefusal(refusal, names) }}</p>
        <button v-if="again" type="button" class="push small" @click="record(again())">{{ COMMON.record }}</button>
      </section>
      <p v-else class="soft">{{ PLUG_MAP.pick }}</p>
    </div>
    <div class="scroll">
      <table>
        <caption class="out-of-sight">
          {{
            PLUG_MAP.table
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">{{ PLUG_MAP.pin }}</th>
            <th scope="col">{{ PLUG_MAP.what }}</th>
            <th v-for="state in states" :key="state" scope="col">{{ state }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.pin.id">
            <th scope="row">
              <button type="button" class="push small" :aria-pressed="pin === row.pin.id" :aria-label="PLUG_MAP.pinOfPlug(row.pin.id, plug.name)" @click="pin = row.pin.id">
                {{ row.pin.id }}
              </button>
              <span class="soft">{{ row.pin.colour ?? COMMON.noColour }}{{ row.pin.beyond ? PLUG_MAP.beyond(row.pin.beyond) : '' }}</span>
            </th>
            <td>
              <span :class="row.found?.status.code.replaceAll(' ', '-')">{{ row.found ? sayPinFound(row.found) : PLUG_MAP.withSame }}</span>
              <span v-if="row.opened" class="odd"> {{ PLUG_MAP.opened(row.opened) }}</span>
            </td>
            <td v-for="state in states" :key="state">
              <ReadCell :plug="plug" :pin="row.pin.id" :state="state" @pick="emit('pick', row.pin.id, state)" />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>

<style scoped>
summary h2 {
  display: inline;
  margin-right: 12px;
  font-size: 18px;
}

.both {
  margin-block: 12px;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}

th[scope='row'] {
  min-width: 120px;
}

th .soft {
  margin-left: 8px;
  font-weight: 400;
}

td:nth-child(2) {
  min-width: 150px;
}

.map :deep(.cell) {
  min-width: 62px;
  min-height: 44px;
}

.scroll {
  overflow-x: auto;
}

table {
  border-collapse: collapse;
  width: 100%;
}

th,
td {
  padding: 4px 6px;
  text-align: left;
  border-bottom: 1px solid var(--line);
  font-size: 14.5px;
}

.proved {
  color: var(--jade);
  font-weight: 650;
}

.contradictory {
  color: var(--red);
  font-weight: 650;
}

@media (max-width: 700px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
