<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { lampWires, supplyFor, type LampWire } from '@jade/core/loom';
import { SEEN_LIT, type SeenLit } from '@jade/core/wiring';
import { isRefused, probe, type Refusal } from '@jade/core/stations';
import { LAMP_BENCH, sayLampWire, sayPowered, saySupply } from '@jade/words/probing';
import { sayRefusal } from '@jade/words/stations';
import CautionNote from '../../design/CautionNote.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { useCurrentJob } from '../../job/current.ts';

/** New lamps on the bench, wire by wire: what each should draw, what it drew, what was seen to light. */
const { job, context, names } = useCurrentJob();
const wires = computed(() => lampWires(context.value));
const keyOf = ({ kit, plug, pin }: LampWire) => `${kit.slug}/${plug.id}/${pin.id}`;
const chosen = ref<string>();
const current = computed(() => wires.value.find((wire) => keyOf(wire) === chosen.value));
const supply = computed(() => current.value && supplyFor(context.value, current.value));
const volts = ref<number>();
const ampere = ref<number>();
const refused = ref<Refusal[]>([]);
watch(chosen, () => {
  ampere.value = undefined;
  refused.value = [];
});

function seen(lit: SeenLit): void {
  const wire = current.value;
  if (!wire || volts.value === undefined || ampere.value === undefined) return;
  const act = probe.powered(context.value, wire.kit.slug, wire.plug.id, wire.pin.id, volts.value, ampere.value, lit);
  refused.value = isRefused(act) ? act.refused : [];
  if (isRefused(act)) return;
  void job.perform(act);
  const next = wires.value.slice(wires.value.indexOf(wire) + 1).find((other) => !other.tried && !other.onVehicle);
  chosen.value = next && keyOf(next);
}
</script>

<template>
  <details v-if="wires.length > 0" class="leaf fold">
    <summary>{{ LAMP_BENCH.title }}</summary>
    <div class="stack">
      <CautionNote :text="LAMP_BENCH.caution" />
      <ul class="rows">
        <li v-for="wire in wires" :key="keyOf(wire)">
          <span class="grow">{{ sayLampWire(wire, names.kitPlug(wire.kit.slug, wire.plug.id)) }}</span>
          <span :class="wire.tried ? (wire.tried.faults.length > 0 ? 'bad' : 'good') : 'soft'">{{ sayPowered(wire) }}</span>
          <button
            v-if="!wire.onVehicle"
            type="button"
            class="push small"
            :aria-pressed="chosen === keyOf(wire)"
            :aria-label="LAMP_BENCH.tryPin(wire.pin.id, wire.plug.name)"
            @click="chosen = keyOf(wire)"
          >
            {{ LAMP_BENCH.try }}
          </button>
        </li>
      </ul>
      <section v-if="current && supply" class="try stack" :aria-label="LAMP_BENCH.now">
        <h3>{{ sayLampWire(current, names.kitPlug(current.kit.slug, current.plug.id)) }}</h3>
        <p>{{ saySupply(current, supply) }}</p>
        <div class="line">
          <MeasureEntry :label="LAMP_BENCH.supply" unit="V" :least="1" :most="60" :value="volts" @measured="(value) => (volts = value)" />
          <MeasureEntry
            :key="keyOf(current)"
            :label="LAMP_BENCH.draws"
            :about="keyOf(current)"
            unit="A"
            :least="0"
            :most="500"
            :value="ampere"
            @measured="(value) => (ampere = value)"
          />
        </div>
        <div class="line">
          <span>{{ LAMP_BENCH.lights }}</span>
          <ChoiceRow :label="LAMP_BENCH.seen" :choices="SEEN_LIT.map((value) => ({ value, text: value }))" @choose="seen" />
        </div>
        <p v-if="volts === undefined || ampere === undefined" class="soft">{{ LAMP_BENCH.first }}</p>
        <p v-for="refusal in refused" :key="refusal.code" class="odd" role="alert">{{ sayRefusal(refusal, names) }}</p>
      </section>
    </div>
  </details>
</template>

<style scoped>
.try {
  padding: 12px;
  border: 2px solid var(--amber);
  border-radius: 3px;
}
</style>
