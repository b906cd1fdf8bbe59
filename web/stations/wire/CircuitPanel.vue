<script setup lang="ts">
import { computed } from 'vue';
import { jointKey, otherSources, wireJoints, type CircuitLoad } from '@jade/core/loom';
import { isRefused, wire } from '@jade/core/stations';
import {
  CIRCUIT_PANEL,
  sayAdded,
  sayCircuitWire,
  sayFuseSeen,
  sayJoint,
  sayLegUnknown,
  sayLoad,
  sayProtection,
  sayRefusedSource,
  saySource,
  saySourceName,
  sayWithdrawn,
} from '@jade/words/wiring';
import { stated } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import FuseWire from '../../design/drawings/FuseWire.vue';
import { useCurrentJob } from '../../job/current.ts';

/** One circuit looked at closely: what guards it, what hangs on it and whether it carries. */
const props = defineProps<{ load: CircuitLoad }>();
const emit = defineEmits<{ look: [id: string] }>();
const { job, context, names } = useCurrentJob();
/** Joints at which another source can be chosen. */
const joints = computed(() => wireJoints(context.value).filter((joint) => !joint.joined && joint.circuits.some(({ id }) => id === circuit.value.id)));
const circuit = computed(() => props.load.circuit);
const seen = computed(() => context.value.state.fuses[circuit.value.id]);
const fuses = computed(() => wire.fusesToSee(props.load).map((ampere) => ({ value: String(ampere), text: stated(ampere, 'A') })));
const others = computed(() => otherSources(context.value, circuit.value.id));
/** Legs of whose wire nobody said anything. */
const unknownLegs = computed(() => props.load.legs.filter(({ conductor }) => !conductor));
const guard = computed(() => circuit.value.fuse?.slot ?? circuit.value.output?.slot ?? '');
</script>

<template>
  <section class="leaf stack">
    <div class="line">
      <h2>{{ circuit.name }}</h2>
      <span class="soft">{{ CIRCUIT_PANEL.circuit(sayProtection(circuit), sayCircuitWire(circuit)) }}</span>
    </div>
    <FuseWire :check="load.check" :slot-name="guard" :label="sayLoad(load.check)" />
    <p>{{ sayLoad(load.check) }}</p>
    <p v-if="load.acceptedA !== undefined" class="bad">{{ sayWithdrawn(load.acceptedA, load.check) }}</p>
    <p v-for="{ kit, leg } in unknownLegs" :key="`${kit.slug} ${leg.id}`" class="odd">{{ sayLegUnknown(names.lamp(kit.slug, leg.lamp), leg.lengthMm) }}</p>
    <div v-if="circuit.fuse" class="line">
      <span>{{ CIRCUIT_PANEL.fuseSeen }}</span>
      <ChoiceRow
        :label="CIRCUIT_PANEL.fuseLabel"
        :choices="fuses"
        :value="seen === undefined ? undefined : String(seen)"
        small
        @choose="(ampere) => job.perform(wire.seeFuse(context, circuit.id, Number(ampere)))"
      />
    </div>
    <p v-if="circuit.fuse" :class="load.documentedA === undefined ? 'soft' : 'bad'">{{ sayFuseSeen(seen, load.documentedA) }}</p>
    <details v-if="others" class="others" :open="(load.check.verdict === 'refuse' && load.check.troubles.includes('share')) || undefined">
      <summary>{{ CIRCUIT_PANEL.otherSources }}</summary>
      <ol>
        <li v-for="source in others.sources" :key="`${source.kind} ${source.id}`">
          <strong>{{ saySourceName(source) }}</strong> <span class="soft">{{ source.kind }}</span>
          <p>{{ saySource(source) }}</p>
        </li>
      </ol>
      <p v-if="joints.length > 0" class="line">
        <span>{{ CIRCUIT_PANEL.chooseAt }}</span>
        <button v-for="joint in joints" :key="jointKey(joint)" type="button" class="push small" @click="emit('look', jointKey(joint))">{{ sayJoint(joint) }}</button>
      </p>
      <p v-for="source in others.refused" :key="source.id" class="bad">{{ sayRefusedSource(source) }}</p>
    </details>
    <div class="line">
      <button
        v-if="load.accepted || !isRefused(wire.acceptLoad(context, circuit.id))"
        type="button"
        class="push"
        :class="{ main: !load.accepted }"
        :disabled="load.accepted"
        @click="job.perform(wire.acceptLoad(context, circuit.id))"
      >
        {{ load.accepted ? CIRCUIT_PANEL.accepted : CIRCUIT_PANEL.accept }}
      </button>
      <span class="soft">{{ CIRCUIT_PANEL.added(sayAdded(load.added)) }}</span>
    </div>
  </section>
</template>

<style scoped>
.others summary {
  cursor: pointer;
  min-height: var(--touch);
  align-content: center;
  font-weight: 620;
}

.others ol {
  margin: 0;
  padding-left: 22px;
}

.others li + li {
  border-top: 1px solid var(--line);
  padding-top: 6px;
}
</style>
