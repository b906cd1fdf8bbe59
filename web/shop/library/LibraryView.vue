<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { Fault } from '@jade/core/faults';
import type { Kit } from '@jade/core/kit';
import type { VehicleProfile } from '@jade/core/vehicle';
import type { PlugLibrary } from '@jade/core/wiring';
import { COMMON } from '@jade/words/common';
import { CORRECT } from '@jade/words/editing';
import { BODY_SHELF, LIBRARY_VIEW } from '@jade/words/library';
import { money } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import HelpHere from '../../design/HelpHere.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import { ask, Refused } from '../../ask/index.ts';
import RightGate from '../../session/RightGate.vue';
import BodyShelf from './BodyShelf.vue';
import KitPages from './KitPages.vue';
import PlugShelf from './PlugShelf.vue';
import { finder } from './find.ts';
import VersionChanges from './VersionChanges.vue';
import VehicleShelf from './VehicleShelf.vue';

interface Line {
  kind: string;
  slug: string;
  title: string;
  version: number;
}

interface Losing {
  name: string;
  value: unknown;
  /** Where it was to be taken in. */
  to: string;
  lost: string[];
}

/** Where the drawings of all bodies stand. */
const BODIES_PLACE = 'bodies';

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
const asked = ref('');
const placeOf = (line: Pick<Line, 'kind' | 'slug'>) => `${line.kind}/${line.slug}`;
const find = computed(() => finder((lines.value ?? []).map((line) => ({ id: placeOf(line), text: `${line.title} ${line.slug}` }))));
const groups = computed(() => {
  const found = new Set(find.value(asked.value));
  const of = (kind: string) => (lines.value ?? []).filter((line) => line.kind === kind && found.has(placeOf(line)));
  return [
    { kind: 'vehicle', name: LIBRARY_VIEW.vehicles, lines: of('vehicle') },
    { kind: 'kit', name: LIBRARY_VIEW.kits, lines: of('kit') },
    { kind: 'plugs', name: LIBRARY_VIEW.plugs, lines: of('plugs') },
    { kind: 'rules', name: LIBRARY_VIEW.rules, lines: of('rules') },
  ];
});
const versionShown = computed(() => lines.value?.find((line) => placeOf(line) === shown.value)?.version ?? 0);

async function load(): Promise<void> {
  failed.value = '';
  try {
    const [documents, shop] = await Promise.all([ask<Line[]>('/api/documents'), ask<{ currency: string } | null>('/api/shop')]);
    lines.value = documents;
    currency.value = shop?.currency ?? '';
  } catch {
    failed.value = COMMON.away(LIBRARY_VIEW.theLibrary);
  }
}

async function show(place: string | undefined): Promise<void> {
  profile.value = undefined;
  kit.value = undefined;
  plugs.value = undefined;
  const [kind, slug] = (place ?? '').split('/');
  if (!kind || !slug) return;
  const { document } = await ask<{ document: VehicleProfile & Kit & PlugLibrary }>(`/api/documents/${kind}/${slug}`);
  if (place !== shown.value) return;
  if (kind === 'vehicle') profile.value = document;
  if (kind === 'kit') kit.value = document;
  if (kind === 'plugs') plugs.value = document;
}
watch(shown, show, { immediate: true });

/** After something new was kept. */
async function reread(): Promise<void> {
  await load();
  await show(shown.value);
}

/** A next version was kept of what is shown. */
async function kept(said: string): Promise<void> {
  report.value = [said];
  await reread();
}

interface Taken {
  kind: string;
  slug: string;
  version: number;
  stored: boolean;
  losses: (Fault & { message: string })[];
}

async function takeOne(name: string, value: unknown, to = '/api/documents', acceptLosses = false): Promise<void> {
  try {
    const { kind, slug, version, stored, losses } = await ask<Taken>(acceptLosses ? `${to}${to.includes('?') ? '&' : '?'}losses=accepted` : to, value);
    const lost = losses.length > 0 ? [LIBRARY_VIEW.lost(losses.length), ...losses.map((fault) => fault.message)] : [];
    report.value.push(LIBRARY_VIEW.taken(name, `${kind} ${slug}`, version, stored), ...lost);
  } catch (error) {
    if (error instanceof Refused && error.more.losses === true) {
      losing.value = [...losing.value, { name, value, to, lost: error.faults.map((fault) => fault.message ?? fault.path) }];
      return;
    }
    const why = error instanceof Refused ? error.faults.map((fault) => fault.message ?? fault.path) : [(error as Error).message];
    report.value.push(LIBRARY_VIEW.fileNotTaken(name), ...why);
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
      report.value.push(LIBRARY_VIEW.fileNotTaken(file.name), (error as Error).message);
    }
  }
  input.value = '';
  await reread();
}

/** Takes a contents list into a kit: a new version of it. */
async function takeContents(slug: string, event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  report.value = [];
  losing.value = [];
  const [file] = input.files ?? [];
  if (file) await takeOne(file.name, { text: await file.text() }, `/api/documents/kit/${slug}/contents?basedOn=${versionShown.value}`);
  input.value = '';
  await reread();
}

/** Whoever has read what is lost takes it in all the same. */
async function takeAllTheSame(entry: Losing): Promise<void> {
  losing.value = losing.value.filter((other) => other !== entry);
  await takeOne(entry.name, entry.value, entry.to, true);
  await reread();
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
      <h1>{{ LIBRARY_VIEW.title }}</h1>
      <span class="grow" />
      <RightGate right="take in documents"
        ><label class="push file">{{ LIBRARY_VIEW.takeFile }}<input type="file" accept="application/json,.json" multiple class="out-of-sight" @change="take" /></label
      ></RightGate>
      <HelpHere of="library" />
    </header>
    <div v-if="report.length > 0" class="leaf" role="status">
      <p v-for="text in report" :key="text" class="mono">{{ text }}</p>
    </div>
    <div v-for="entry in losing" :key="entry.name" class="leaf stack losing" role="alert">
      <p>
        <strong>{{ LIBRARY_VIEW.notTaken(entry.name, entry.lost.length) }}</strong> {{ LIBRARY_VIEW.lostWhy }}
      </p>
      <ul class="lost">
        <li v-for="text in entry.lost" :key="text" class="mono">{{ text }}</li>
      </ul>
      <div class="line">
        <button type="button" class="push" @click="takeAllTheSame(entry)">{{ LIBRARY_VIEW.allTheSame }}</button>
        <button type="button" class="push small" @click="losing = losing.filter((other) => other !== entry)">{{ LIBRARY_VIEW.leave }}</button>
      </div>
    </div>
    <EmptyNote v-if="failed" kind="failed">{{ failed }}</EmptyNote>
    <EmptyNote v-else-if="!lines" kind="loading">{{ LIBRARY_VIEW.reading }}</EmptyNote>
    <EmptyNote v-else-if="lines.length === 0" kind="empty">{{ LIBRARY_VIEW.empty }}</EmptyNote>
    <div v-else class="shelf">
      <nav :aria-label="LIBRARY_VIEW.library">
        <v-text-field v-model="asked" :label="LIBRARY_VIEW.find" type="search" variant="outlined" density="compact" hide-details />
        <template v-for="group in groups" :key="group.kind">
          <h3>{{ group.name }}</h3>
          <p v-if="group.lines.length === 0" class="soft none">{{ asked.trim() === '' ? LIBRARY_VIEW.none : LIBRARY_VIEW.notFound }}</p>
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
        <h3>{{ BODY_SHELF.group }}</h3>
        <router-link class="push plain small" :aria-current="shown === BODIES_PLACE ? 'page' : undefined" :to="{ query: { show: BODIES_PLACE } }">{{
          BODY_SHELF.title
        }}</router-link>
      </nav>
      <BodyShelf v-if="shown === BODIES_PLACE" />
      <VehicleShelf v-else-if="profile" :profile="profile" :version="versionShown" @kept="kept" />
      <section v-else-if="kit" class="stack">
        <div class="line">
          <h2>{{ kit.maker }} {{ kit.name }}</h2>
          <span class="soft">{{
            LIBRARY_VIEW.priceFor(
              money(kit.priceCents, currency),
              kit.fitments.map((fitment) => fitment.vehicle.replaceAll('-', ' ')),
            )
          }}</span>
          <a class="push small" :href="`/api/documents/kit/${kit.slug}/export`" download>{{ LIBRARY_VIEW.export }}</a>
          <a class="push small" :href="`/api/documents/kit/${kit.slug}/contents.csv`" download>{{ LIBRARY_VIEW.contentsOut }}</a>
          <RightGate right="take in documents" quiet
            ><router-link class="push small" :to="{ name: 'correct', params: { kind: 'kit', slug: kit.slug } }">{{ CORRECT.show }}</router-link></RightGate
          >
          <RightGate right="take in documents"
            ><label class="push small file"
              >{{ LIBRARY_VIEW.contentsIn }}<input type="file" accept="text/csv,.csv" class="out-of-sight" @change="(event) => kit && takeContents(kit.slug, event)" /></label
          ></RightGate>
        </div>
        <ul class="leaf rows">
          <li v-for="item in kit.contents" :key="item.id">
            <span class="grow">{{ item.name }}{{ item.hand ? `, ${item.hand}` : '' }}</span
            ><span>{{ item.count }}</span>
          </li>
        </ul>
        <KitPages :kit="kit.slug" />
        <VersionChanges kind="kit" :slug="kit.slug" :version="versionShown" @kept="kept" />
        <p v-for="text in kit.warnings" :key="text">
          <TapeLabel long>{{ text }}</TapeLabel>
        </p>
      </section>
      <PlugShelf v-else-if="plugs" :plugs="plugs" :currency="currency" />
      <p v-else class="soft">
        {{ shown?.startsWith('rules') ? LIBRARY_VIEW.rulesAsFile : LIBRARY_VIEW.pick }}
        <template v-if="shown?.startsWith('rules')">
          <a class="push small" :href="`/api/documents/${shown}/export`" download>{{ LIBRARY_VIEW.export }}</a>
          <RightGate right="take in documents" quiet
            ><router-link class="push small" :to="{ name: 'correct', params: { kind: 'rules', slug: shown.slice('rules/'.length) } }">{{ CORRECT.show }}</router-link></RightGate
          >
        </template>
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

@media (max-width: 900px) {
  .shelf {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
