<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, onUnmounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { STATIONS } from '@jade/core/stations';
import { APP } from '@jade/words/shell';
import { useJob } from '../job/store.ts';
import BenchNames from './BenchNames.vue';
import FinderPanel from './FinderPanel.vue';
import JobTray from './JobTray.vue';
import KeySheet from './KeySheet.vue';
import StationRule from './StationRule.vue';
import WarningBar from './WarningBar.vue';
import UndoBar from './UndoBar.vue';
import VehicleStrip from './VehicleStrip.vue';
import { light } from './light.ts';
import { useOutbox } from '../outbox/index.ts';
import KeptCount from './KeptCount.vue';
import LightButton from './LightButton.vue';
import OutboxBar from './OutboxBar.vue';
import { useSession } from '../session/index.ts';

/** Seen once in the life of a shop, and loaded only then. */
const LetInView = defineAsyncComponent(() => import('../shop/people/LetInView.vue'));
const FirstRun = defineAsyncComponent(() => import('../shop/first/FirstRun.vue'));
const route = useRoute();
const router = useRouter();
const session = useSession();
const job = useJob();
const outbox = useOutbox();
const panel = ref<'finder' | 'keys' | 'people' | undefined>();
const trayOpen = ref(false);
const inJob = computed(() => ['station', 'itself', 'card', 'photos'].includes(String(route.name)) && !job.failed && !session.shut);
/** A shop that nobody has opened yet asks for itself first. */
const unopened = computed(() => session.opened === false);
const askPerson = computed(() => !unopened.value && (session.session === null || panel.value === 'people' || session.asking || outbox.needsPerson));

function go(step: number): void {
  const place = STATIONS.findIndex((station) => station === route.params.station);
  const next = STATIONS[place + step];
  if (inJob.value && next) void router.push({ name: 'station', params: { id: route.params.id, station: next } });
}

function typing(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));
}

function onKey(event: KeyboardEvent): void {
  if (event.key === 'Escape') panel.value = undefined;
  if (alone.value || typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
  const actions: Record<string, () => void> = {
    '/': () => void (panel.value = 'finder'),
    '?': () => void (panel.value = 'keys'),
    ']': () => go(1),
    '[': () => go(-1),
    u: () => job.lastDone && void job.undo(job.lastDone.id),
    l: () => void (light.value = light.value === 'bay' ? 'counter' : 'bay'),
  };
  const action = actions[event.key];
  if (!action) return;
  event.preventDefault();
  action();
}

/** A page for somebody who is no part of the shop: it asks for nobody and shows nothing else. */
const alone = computed(() => route.meta.alone === true);
onMounted(() => {
  void router.isReady().then(() => (alone.value ? undefined : session.load()));
  window.addEventListener('keydown', onKey);
});
onUnmounted(() => window.removeEventListener('keydown', onKey));

/** The shop is open: the lead who set it up is at the bench. */
async function opened(lead: string): Promise<void> {
  await session.load();
  await picked(lead);
}

function notNow(): void {
  panel.value = undefined;
  session.asking = false;
}

async function left(): Promise<void> {
  await session.leave();
  notNow();
}

async function picked(person: string): Promise<void> {
  await session.pick(person);
  panel.value = undefined;
  outbox.kick();
}
</script>

<template>
  <v-app v-if="alone"><router-view /></v-app>
  <v-app v-else>
    <a class="skip push main unprinted" href="#work">{{ APP.toWork }}</a>
    <div class="bench" :class="{ shop: !inJob, trayed: inJob }">
      <StationRule :in-job="inJob" @finder="panel = 'finder'" @keys="panel = 'keys'" />
      <VehicleStrip v-if="inJob" @people="panel = 'people'" @tray="trayOpen = !trayOpen" />
      <header v-else class="shop-head">
        <strong>{{ APP.name }}</strong>
        <span class="grow" />
        <KeptCount />
        <LightButton />
        <button v-if="!unopened && !session.shut" type="button" class="push small plain who" @click="panel = 'people'">{{ session.session?.benchName ?? APP.whoHere }}</button>
      </header>
      <main id="work" class="work" tabindex="-1">
        <OutboxBar v-if="!session.shut" class="unprinted" />
        <WarningBar v-if="!session.shut && !unopened" class="unprinted" />
        <LetInView v-if="session.shut" @let-in="session.load()" />
        <FirstRun v-else-if="unopened" @opened="opened" />
        <router-view v-else />
      </main>
      <JobTray v-if="inJob" :open="trayOpen" @close="trayOpen = false" />
    </div>
    <UndoBar v-if="inJob" class="unprinted" />
    <BenchNames
      v-if="askPerson"
      :people="session.people.filter((person) => !person.left)"
      :closable="!!session.session"
      :here="session.session?.benchName"
      @picked="picked"
      @left="left"
      @close="notNow"
    />
    <FinderPanel v-if="panel === 'finder'" @close="panel = undefined" />
    <KeySheet v-if="panel === 'keys'" @close="panel = undefined" />
  </v-app>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template: 'rule strip strip' auto 'rule work tray' 1fr / var(--rule) minmax(0, 1fr) auto;
  min-height: 100vh;
  min-height: 100dvh;
}

.work {
  grid-area: work;
  min-width: 0;
  padding: 18px 22px 90px;
  background: var(--paper);
  border-top-left-radius: 6px;
  box-shadow: 0 0 0 1px rgb(0 0 0 / 25%);
}

.shop-head {
  grid-area: strip;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 20px;
  min-height: 58px;
  background: var(--slate);
  color: var(--on-slate);
}

.grow {
  flex: 1;
}

.who {
  color: var(--on-slate);
}

.skip {
  position: fixed;
  top: -80px;
  left: 10px;
  z-index: 20;
}

.skip:focus {
  top: 10px;
}

/* On paper only what lies on the bench. */
@media print {
  .bench {
    display: block;
  }

  .bench > :not(.work) {
    display: none !important;
  }

  .work {
    padding: 0;
    box-shadow: none;
    background: none;
  }
}

@media (max-width: 700px) {
  .bench {
    grid-template: 'strip' auto 'work' 1fr 'rule' auto / minmax(0, 1fr);
  }

  .work {
    padding: 12px 12px 120px;
    border-radius: 0;
  }
}
</style>
