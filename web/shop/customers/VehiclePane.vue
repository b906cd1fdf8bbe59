<script setup lang="ts">
import dayjs from 'dayjs';
import { v7 } from 'uuid';
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { counterFell } from '@jade/core/customers';
import type { VehicleFound, VehicleShown } from '@jade/contract/customers';
import { sayMileage } from '@jade/words/customers';
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
    failed.value = error instanceof Refused ? error.message : 'It cannot be read: the server is away.';
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
  <section class="stack" aria-label="The vehicle">
    <EmptyNote v-if="failed" kind="failed">{{ failed }} <button type="button" class="push small" @click="load">Try again</button></EmptyNote>
    <EmptyNote v-else-if="!vehicle" kind="loading">Reading …</EmptyNote>
    <template v-else>
      <div class="line">
        <TapeLabel big>{{ vehicle.plate }}</TapeLabel>
        <span class="grow" />
        <RightGate right="open a job" quiet><button type="button" class="push main" @click="doing = 'open'">Open a job</button></RightGate>
      </div>
      <dl class="leaf said">
        <dt>Customer</dt>
        <dd>
          <router-link :to="{ query: { customer: vehicle.customer.id } }">{{ vehicle.customer.name }}</router-link>
        </dd>
        <dt>Kind</dt>
        <dd>
          <router-link :to="{ name: 'library', query: { show: `vehicle/${vehicle.profile}` } }">{{ vehicle.kind }}</router-link>
        </dd>
        <dt>Number</dt>
        <dd class="mono">{{ vehicle.number ?? 'not written down' }}</dd>
        <dt>Model year</dt>
        <dd>{{ vehicle.year ?? 'not known' }}</dd>
        <dt>Colour</dt>
        <dd>{{ vehicle.colour ?? 'not written down' }}</dd>
      </dl>
      <div class="line">
        <RightGate right="keep customers" quiet><button type="button" class="push small" @click="begin('change')">Change it</button></RightGate>
        <RightGate right="join customers" quiet><button type="button" class="push small" @click="begin('join')">It is the same as another</button></RightGate>
      </div>
      <div class="leaf">
        <h2>Visits</h2>
        <p v-if="vehicle.visits.length === 0" class="soft">It was never here.</p>
        <ol v-else class="rows">
          <li v-for="(visit, index) in vehicle.visits" :key="visit.job">
            <router-link class="grow" :to="{ name: 'station', params: { id: visit.job, station: visit.signed ? 'hand-over' : 'check-in' } }">
              {{ dayjs(visit.openedAt).format('D MMM YYYY') }}: {{ visit.kits.join(', ') }}
            </router-link>
            <span v-if="visit.mileage" :class="{ odd: counterFell(vehicle.visits, index) }"
              >{{ sayMileage(visit.mileage) }}{{ counterFell(vehicle.visits, index) ? ', less than before' : '' }}</span
            >
            <span class="soft">{{ visit.signed ? 'left' : 'in the shop' }}</span>
          </li>
        </ol>
      </div>
    </template>
    <FormDialog
      v-if="doing === 'change'"
      title="Change the vehicle"
      action="Change it"
      :ready="draftReady"
      :width="680"
      :kept="kept"
      @confirm="change()"
      @anew="drop"
      @close="doing = undefined"
    >
      <VehicleFields :key="String(kept)" v-model="draft" @ready="(value) => (draftReady = value)" />
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
      <div v-if="plateKnown"><button type="button" class="push small" @click="change(true)">It is another vehicle</button></div>
    </FormDialog>
    <FormDialog
      v-if="doing === 'join' && vehicle"
      :title="`${vehicle.plate} is the same vehicle as …`"
      action="Join them"
      :ready="other !== undefined"
      :width="680"
      @confirm="join"
      @close="doing = undefined"
    >
      <VehicleSearch v-if="!other" label="Plate, number or customer" :without="vehicle.id" :words="vehicle.customer.name" :most="6" autofocus @picked="(found) => (other = found)">
        <template #none><p class="soft">No other vehicle is found by that.</p></template>
      </VehicleSearch>
      <template v-else>
        <p>
          All visits of <strong>{{ vehicle.plate }}</strong> become visits of <strong>{{ other.plate }}</strong>, {{ other.customer.name }}, and {{ vehicle.plate }} is shown no
          more. <strong>They cannot be parted again.</strong>
        </p>
        <div><button type="button" class="push small" @click="other = undefined">Not that one</button></div>
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
