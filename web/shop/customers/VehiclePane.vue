<script setup lang="ts">
import dayjs from 'dayjs';
import { v7 } from 'uuid';
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { counterFell } from '@jade/core/customers';
import type { VehicleFound, VehicleShown } from '@jade/contract/customers';
import { COMMON } from '@jade/words/common';
import { sayMileage, VEHICLE_PANE } from '@jade/words/customers';
import EmptyNote from '../../design/EmptyNote.vue';
import FormDialog from '../../design/FormDialog.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import { ask, Refused } from '../../ask/index.ts';
import OpenJob from '../board/OpenJob.vue';
import RightGate from '../../session/RightGate.vue';
import { useAttempt } from '../../ask/attempt.ts';
import { useDraft } from '../../drafts/index.ts';
import { draftOf, fieldsOf, newDraft } from './draft.ts';
import VehicleFields from './VehicleFields.vue';
import VehicleSearch from './VehicleSearch.vue';

/** One vehicle with its history. */
const props = defineProps<{ id: string }>();
const emit = defineEmits<{ changed: [show?: { vehicle: string }] }>();
const router = useRouter();
const vehicle = ref<VehicleShown>();
const failed = ref('');
const doing = ref<'change' | 'join' | 'open'>();
const { draft, kept, drop } = useDraft(
  () => (doing.value === 'change' ? `vehicle/${props.id}` : undefined),
  () => (vehicle.value ? draftOf(vehicle.value) : newDraft()),
);
const draftReady = ref(false);
const { fault, plateKnown, attempt } = useAttempt();
const other = ref<VehicleFound>();
/** Made anew for each change, so that a second press makes the same customer. */
let newOwner = v7();

async function load(): Promise<void> {
  failed.value = '';
  try {
    vehicle.value = await ask<VehicleShown>(`/api/vehicles/${props.id}`);
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : COMMON.away(VEHICLE_PANE.title);
  }
}
onMounted(load);

function begin(what: 'change' | 'join'): void {
  if (!vehicle.value) return;
  fault.value = '';
  plateKnown.value = false;
  other.value = undefined;
  newOwner = v7();
  doing.value = what;
}

async function send(work: () => Promise<{ vehicle: string }>): Promise<void> {
  let show = { vehicle: props.id };
  if (!(await attempt(async () => void (show = await work())))) return;
  doing.value = undefined;
  await load();
  emit('changed', show);
}

const change = (another = false) =>
  send(async () => {
    const { owner } = draft.value;
    // A vehicle goes to a new customer in two steps, each of which may be sent again.
    const customer = owner.id ?? (await ask<{ id: string }>('/api/customers', { id: newOwner, name: owner.name })).id;
    await ask(`/api/vehicles/${props.id}`, { ...fieldsOf(draft.value), customer, basedOn: vehicle.value?.rev, ...(another ? { another } : {}) });
    drop();
    return { vehicle: props.id };
  });
const join = () => send(async () => ({ vehicle: (await ask<{ id: string }>(`/api/vehicles/${props.id}/merge`, { into: other.value?.id })).id }));

const asFound = (shown: VehicleShown): VehicleFound => ({ ...shown, visits: shown.visits.length, lastVisit: shown.visits[0] ?? null });
</script>

<template>
  <section class="stack" :aria-label="VEHICLE_PANE.title">
    <EmptyNote v-if="failed" kind="failed"
      >{{ failed }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!vehicle" kind="loading">{{ COMMON.reading }}</EmptyNote>
    <template v-else>
      <div class="line">
        <TapeLabel big>{{ vehicle.plate }}</TapeLabel>
        <span class="grow" />
        <RightGate right="open a job" quiet
          ><button type="button" class="push main" @click="doing = 'open'">{{ VEHICLE_PANE.openJob }}</button></RightGate
        >
      </div>
      <dl class="leaf said">
        <dt>{{ VEHICLE_PANE.customer }}</dt>
        <dd>
          <router-link :to="{ query: { customer: vehicle.customer.id } }">{{ vehicle.customer.name }}</router-link>
        </dd>
        <dt>{{ VEHICLE_PANE.kind }}</dt>
        <dd>
          <router-link :to="{ name: 'library', query: { show: `vehicle/${vehicle.profile}` } }">{{ vehicle.kind }}</router-link>
        </dd>
        <dt>{{ VEHICLE_PANE.number }}</dt>
        <dd class="mono">{{ vehicle.number ?? VEHICLE_PANE.notWrittenDown }}</dd>
        <dt>{{ VEHICLE_PANE.modelYear }}</dt>
        <dd>{{ vehicle.year ?? VEHICLE_PANE.notKnown }}</dd>
        <dt>{{ VEHICLE_PANE.colour }}</dt>
        <dd>{{ vehicle.colour ?? VEHICLE_PANE.notWrittenDown }}</dd>
      </dl>
      <div class="line">
        <RightGate right="keep customers" quiet
          ><button type="button" class="push small" @click="begin('change')">{{ VEHICLE_PANE.change }}</button></RightGate
        >
        <RightGate right="join customers" quiet
          ><button type="button" class="push small" @click="begin('join')">{{ VEHICLE_PANE.sameAsAnother }}</button></RightGate
        >
      </div>
      <div class="leaf">
        <h2>{{ VEHICLE_PANE.visits }}</h2>
        <p v-if="vehicle.visits.length === 0" class="soft">{{ VEHICLE_PANE.neverHere }}</p>
        <ol v-else class="rows">
          <li v-for="(visit, index) in vehicle.visits" :key="visit.job">
            <router-link class="grow" :to="{ name: 'station', params: { id: visit.job, station: visit.signed ? 'hand-over' : 'check-in' } }">
              {{ dayjs(visit.openedAt).format('D MMM YYYY') }}: {{ visit.kits.join(', ') }}
            </router-link>
            <span v-if="visit.mileage" :class="{ odd: counterFell(vehicle.visits, index) }"
              >{{ sayMileage(visit.mileage) }}{{ counterFell(vehicle.visits, index) ? VEHICLE_PANE.less : '' }}</span
            >
            <span class="soft">{{ visit.signed ? VEHICLE_PANE.left : VEHICLE_PANE.inShop }}</span>
          </li>
        </ol>
      </div>
    </template>
    <FormDialog
      v-if="doing === 'change'"
      :title="VEHICLE_PANE.changeTitle"
      :action="VEHICLE_PANE.change"
      :ready="draftReady"
      :width="680"
      :kept="kept"
      @confirm="change()"
      @anew="drop"
      @close="doing = undefined"
    >
      <VehicleFields :key="String(kept)" v-model="draft" @ready="(value) => (draftReady = value)" />
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
      <div v-if="plateKnown">
        <button type="button" class="push small" @click="change(true)">{{ VEHICLE_PANE.isAnother }}</button>
      </div>
    </FormDialog>
    <FormDialog
      v-if="doing === 'join' && vehicle"
      :title="VEHICLE_PANE.sameAs(vehicle.plate)"
      :action="VEHICLE_PANE.join"
      :ready="other !== undefined"
      :width="680"
      @confirm="join"
      @close="doing = undefined"
    >
      <VehicleSearch v-if="!other" :label="VEHICLE_PANE.find" :without="vehicle.id" :words="vehicle.customer.name" :most="6" autofocus @picked="(found) => (other = found)">
        <template #none
          ><p class="soft">{{ VEHICLE_PANE.noOther }}</p></template
        >
      </VehicleSearch>
      <template v-else>
        <p>
          {{ VEHICLE_PANE.joined(vehicle.plate, other.plate, other.customer.name) }}
          <strong>{{ VEHICLE_PANE.forGood }}</strong>
        </p>
        <div>
          <button type="button" class="push small" @click="other = undefined">{{ VEHICLE_PANE.notThat }}</button>
        </div>
      </template>
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    </FormDialog>
    <OpenJob
      v-if="doing === 'open' && vehicle"
      :vehicle="asFound(vehicle)"
      @close="doing = undefined"
      @opened="(job) => router.push({ name: 'station', params: { id: job, station: 'check-in' } })"
    />
  </section>
</template>

<style scoped>
.grow {
  flex: 1;
}

.said {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px 18px;
}

dt {
  color: var(--ink-soft);
}
</style>
