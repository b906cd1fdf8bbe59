<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { Fault } from '@jade/core/faults';
import type { Kit } from '@jade/core/kit';
import type { VehicleProfile } from '@jade/core/vehicle';
import type { PlugLibrary } from '@jade/core/wiring';
import { metres, money, plural } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import VehicleSheet from '../../design/drawings/VehicleSheet.vue';
import { frame, VIEWS } from '../../design/geometry/outline.ts';
import { ask, Refused } from '../../ask/index.ts';
import RightGate from '../../session/RightGate.vue';
import PlugShelf from './PlugShelf.vue';
import LearnedTimes from './LearnedTimes.vue';

interface Line {
  kind: string;
  slug: string;
  title: string;
  version: number;
}

interface Losing {
  name: string;
  value: unknown;
  lost: string[];
}

const route = useRoute();
const router = useRouter();
const lines = ref<Line[]>();
const profile = ref<VehicleProfile>();
const kit = ref<Kit>();
const plugs = ref<PlugLibrary>();
const currency = ref('');
const failed = ref('');
const report = ref<string[]>([]);
/** Files that were not taken because kits or open jobs rest on what they no longer have. */
const losing = shallowRef<Losing[]>([]);
const shown = computed(() => (typeof route.query.show === 'string' ? route.query.show : undefined));
const groups = computed(() => [
  { kind: 'vehicle', name: 'Vehicles', lines: (lines.value ?? []).filter((line) => line.kind === 'vehicle') },
  { kind: 'kit', name: 'Kits', lines: (lines.value ?? []).filter((line) => line.kind === 'kit') },
  { kind: 'plugs', name: 'Plugs', lines: (lines.value ?? []).filter((line) => line.kind === 'plugs') },
  { kind: 'rules', name: 'Rule sets', lines: (lines.value ?? []).filter((line) => line.kind === 'rules') },
]);

async function load(): Promise<void> {
  failed.value = '';
  try {
    const [documents, shop] = await Promise.all([ask<Line[]>('/api/documents'), ask<{ currency: string } | null>('/api/shop')]);
    lines.value = documents;
    currency.value = shop?.currency ?? '';
  } catch {
    failed.value = 'The library cannot be read: the server is away.';
  }
}

watch(
  shown,
  async (place) => {
    profile.value = undefined;
    kit.value = undefined;
    plugs.value = undefined;
    const [kind, slug] = (place ?? '').split('/');
    if (!kind || !slug) return;
    const { document } = await ask<{ document: VehicleProfile & Kit & PlugLibrary }>(`/api/documents/${kind}/${slug}`);
    if (kind === 'vehicle') profile.value = document;
    if (kind === 'kit') kit.value = document;
    if (kind === 'plugs') plugs.value = document;
  },
  { immediate: true },
);

interface Taken {
  kind: string;
  slug: string;
  version: number;
  stored: boolean;
  losses: (Fault & { message: string })[];
}

async function takeOne(name: string, value: unknown, acceptLosses = false): Promise<void> {
  try {
    const { kind, slug, version, stored, losses } = await ask<Taken>(`/api/documents${acceptLosses ? '?losses=accepted' : ''}`, value);
    const lost = losses.length > 0 ? [`${plural(losses.length, 'thing')} no longer ${losses.length === 1 ? 'stands' : 'stand'}:`, ...losses.map((fault) => fault.message)] : [];
    report.value.push(`${name}: ${kind} ${slug}, version ${version}${stored ? '' : ', nothing new'}`, ...lost);
  } catch (error) {
    if (error instanceof Refused && error.more.losses === true) {
      losing.value = [...losing.value, { name, value, lost: error.faults.map((fault) => fault.message ?? fault.path) }];
      return;
    }
    const why = error instanceof Refused ? error.faults.map((fault) => fault.message ?? fault.path) : [(error as Error).message];
    report.value.push(`${name} was not taken.`, ...why);
  }
}

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  report.value = [];
  losing.value = [];
  for (const file of input.files ?? []) {
    try {
      await takeOne(file.name, JSON.parse(await file.text()));
    } catch (error) {
      report.value.push(`${file.name} was not taken.`, (error as Error).message);
    }
  }
  input.value = '';
  await load();
}

/** Whoever has read what is lost takes it in all the same. */
async function takeAllTheSame(entry: Losing): Promise<void> {
  losing.value = losing.value.filter((other) => other !== entry);
  await takeOne(entry.name, entry.value, true);
  await load();
}

onMounted(async () => {
  await load();
  const first = lines.value?.find((line) => line.kind === 'vehicle');
  if (!shown.value && first) void router.replace({ query: { show: `vehicle/${first.slug}` } });
});
</script>

<template>
  <div class="stack">
    <header class="line">
      <h1>Vehicles and kits</h1>
      <span class="grow" />
      <RightGate right="take in documents"
        ><label class="push file">Take in a file<input type="file" accept="application/json,.json" multiple class="out-of-sight" @change="take" /></label
      ></RightGate>
    </header>
    <div v-if="report.length > 0" class="leaf" role="status">
      <p v-for="text in report" :key="text" class="mono">{{ text }}</p>
    </div>
    <div v-for="entry in losing" :key="entry.name" class="leaf stack losing" role="alert">
      <p>
        <strong>{{ entry.name }} was not taken: {{ plural(entry.lost.length, 'thing') }} of the shop rest on what it no longer has.</strong> Open jobs go on with the version they
        have; whoever takes this one over on such a job loses what is named here. Kits that are named do not fit this vehicle until they are taken in anew.
      </p>
      <ul class="lost">
        <li v-for="text in entry.lost" :key="text" class="mono">{{ text }}</li>
      </ul>
      <div class="line">
        <button type="button" class="push" @click="takeAllTheSame(entry)">Take it in all the same</button>
        <button type="button" class="push small" @click="losing = losing.filter((other) => other !== entry)">Leave it</button>
      </div>
    </div>
    <EmptyNote v-if="failed" kind="failed">{{ failed }}</EmptyNote>
    <EmptyNote v-else-if="!lines" kind="loading">Reading the library…</EmptyNote>
    <EmptyNote v-else-if="lines.length === 0" kind="empty">The library is empty. Take in a vehicle profile first, then the kits that name it.</EmptyNote>
    <div v-else class="shelf">
      <nav aria-label="Library">
        <template v-for="group in groups" :key="group.kind">
          <h3>{{ group.name }}</h3>
          <p v-if="group.lines.length === 0" class="soft none">None yet: take in a file.</p>
          <ul v-else>
            <li v-for="line in group.lines" :key="line.slug">
              <router-link
                class="push plain small"
                :aria-current="shown === `${line.kind}/${line.slug}` ? 'page' : undefined"
                :to="{ query: { show: `${line.kind}/${line.slug}` } }"
                >{{ line.title }} <span class="soft mono">v{{ line.version }}</span></router-link
              >
            </li>
          </ul>
        </template>
      </nav>
      <section v-if="profile" class="stack">
        <div class="line">
          <h2>{{ profile.maker }} {{ profile.model }}, {{ profile.years.from }}–{{ profile.years.to ?? 'today' }}</h2>
          <span class="soft"
            >{{ profile.systemVoltageV }} V{{ profile.highVoltage ? ', high-voltage drive' : '' }} · {{ metres(profile.measures.lengthMm / 1000) }} long,
            {{ metres(profile.measures.widthMm / 1000) }} wide, {{ metres(profile.measures.heightMm / 1000) }} high</span
          >
          <a class="push small" :href="`/api/documents/vehicle/${profile.slug}/export`" download>Export</a>
        </div>
        <div class="views leaf">
          <figure v-for="view in VIEWS" :key="view" :class="view">
            <VehicleSheet
              :profile="profile"
              :view="view"
              :part="frame(view, profile.measures, 120)"
              :pieces="profile.pieces.map((piece) => ({ piece, level: 'fitted' as const, part: 'other' as const }))"
              :label="`${profile.model} from the ${view}`"
            />
            <figcaption class="soft">{{ view }}</figcaption>
          </figure>
        </div>
        <p>
          {{ plural(profile.pieces.length, 'piece') }}, {{ plural(profile.facts.length, 'fact') }}, {{ plural(profile.sensors.length, 'sensor') }},
          {{ plural(profile.plugs.length, 'plug') }}, {{ plural(profile.circuits.length, 'circuit') }}, {{ plural(profile.mounts.length, 'mount position') }}.
        </p>
        <LearnedTimes :profile="profile" />
        <p v-for="text in profile.cautions" :key="text">
          <TapeLabel>{{ text }}</TapeLabel>
        </p>
      </section>
      <section v-else-if="kit" class="stack">
        <div class="line">
          <h2>{{ kit.maker }} {{ kit.name }}</h2>
          <span class="soft">{{ money(kit.priceCents, currency) }} · for {{ kit.fitments.map((fitment) => fitment.vehicle.replaceAll('-', ' ')).join(', ') }}</span>
          <a class="push small" :href="`/api/documents/kit/${kit.slug}/export`" download>Export</a>
        </div>
        <ul class="leaf rows">
          <li v-for="item in kit.contents" :key="item.id">
            <span class="grow">{{ item.name }}{{ item.hand ? `, ${item.hand}` : '' }}</span
            ><span>{{ item.count }}</span>
          </li>
        </ul>
        <p v-for="text in kit.warnings" :key="text">
          <TapeLabel>{{ text }}</TapeLabel>
        </p>
      </section>
      <PlugShelf v-else-if="plugs" :plugs="plugs" :currency="currency" />
      <p v-else class="soft">
        {{ shown?.startsWith('rules') ? 'A rule set is read and edited as a file for now: export it, change it, take it in again.' : 'Pick a vehicle or a kit.' }}
        <a v-if="shown?.startsWith('rules')" class="push small" :href="`/api/documents/${shown}/export`" download>Export</a>
      </p>
    </div>
  </div>
</template>

<style scoped>
.losing {
  border-left: 5px solid var(--amber);
}

.lost {
  max-height: 40vh;
  overflow-y: auto;
}

.none {
  padding-left: 12px;
  font-size: 14px;
}

.grow {
  flex: 1;
}

.file {
  cursor: pointer;
}

.file:focus-within {
  outline: 3px solid var(--focus);
}

.shelf {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  gap: 22px;
}

nav h3 {
  margin: 12px 0 4px;
}

nav .push {
  justify-content: space-between;
  width: 100%;
  font-weight: 500;
}

nav .push[aria-current] {
  background: var(--jade-soft);
}

.views {
  display: grid;
  grid-template-columns: 1fr 1fr 2.2fr;
  gap: 12px;
}

figure {
  margin: 0;
}

.side {
  grid-column: 3;
}

.top {
  grid-column: 1 / -1;
}

.top :deep(svg) {
  max-height: 250px;
}

@media (max-width: 900px) {
  .shelf,
  .views {
    grid-template-columns: minmax(0, 1fr);
  }

  .side {
    grid-column: auto;
  }
}
</style>
