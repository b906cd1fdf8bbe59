<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, watch } from 'vue';
import { fitStepsOf, jobTools, kitsOnVehicle, openingCautions, planClosingOf, testsOf } from '@jade/core/job';
import type { Piece } from '@jade/core/vehicle';
import { sayPreparation, sayStepTime } from '@jade/words/access';
import { CARD, sayCardFasteners, sayCardHead } from '@jade/words/card';
import { sayCautions } from '@jade/words/cautions';
import { sayPutBack, saySupplyStep } from '@jade/words/closing';
import { sayHome } from '@jade/words/job';
import { sayGroup } from '@jade/words/names';
import { sayOpen, sayPlace } from '@jade/words/open-up';
import { sayPageTitle } from '@jade/words/shell';
import { saySubject } from '@jade/words/subject';
import VehicleSheet from '../design/drawings/VehicleSheet.vue';
import { frameAround, viewOf, VIEWS } from '../design/geometry/outline.ts';
import { useCurrentJob } from '../job/current.ts';
import NewFasteners from '../job/NewFasteners.vue';

/** A job on paper: what comes off with which tools and fasteners, what is fitted and tested, and the way back with what must come before each step. */
const { job, context, names } = useCurrentJob();
watch(
  () => job.view?.vehicle.plate,
  (plate) => void (document.title = sayPageTitle(CARD.title, plate)),
  { immediate: true },
);
const profile = computed(() => context.value.profile);
const pieceOf = (id: string) => profile.value.pieces.find((entry) => entry.id === id);
const steps = computed(() => job.plan?.steps ?? []);
const first = computed(() => job.state.moves.length);
const closing = computed(() => planClosingOf(context.value, job.plan));
const kits = computed(() => kitsOnVehicle(context.value).map((onVehicle) => ({ kit: onVehicle.kit, steps: fitStepsOf(onVehicle), tests: testsOf(onVehicle) })));
const tools = computed(() => jobTools(context.value, job.plan));
const allTools = computed(() => [...tools.value.opening, ...tools.value.fitting]);
const made = dayjs();
const head = computed(() => sayCardHead(job.state.promise.at === undefined ? undefined : dayjs(job.state.promise.at).format('dddd D MMMM, HH:mm'), made.format('D MMMM, HH:mm')));

/** Each view in which something is to be opened, with its pieces. */
const drawings = computed(() => {
  const planned = steps.value.flatMap((step): Piece[] => {
    const piece = pieceOf(step.piece);
    return piece ? [piece] : [];
  });
  return VIEWS.flatMap((view) => {
    const here = [...new Set(planned.filter((piece) => viewOf(piece.zone) === view))];
    if (here.length === 0) return [];
    const corners = here.flatMap(({ box }) => [0, 1].map((end) => ({ xMm: box.xMm[end] ?? 0, yMm: box.yMm[end] ?? 0, zMm: box.zMm[end] ?? 0 })));
    return [
      {
        view,
        part: frameAround(view, profile.value.measures, corners, 260, 1400),
        pieces: here.map((piece) => ({ piece, level: 'fitted' as const, part: 'planned' as const })),
        named: here.map(({ id }) => id),
      },
    ];
  });
});
const lockOf = (sensor: string) => profile.value.sensors.find((entry) => entry.id === sensor)?.lock ?? CARD.ownLock;
const cautionsOf = (step: (typeof steps.value)[number]) => [
  ...(pieceOf(step.piece)?.cautions.map(({ text }) => text) ?? []),
  ...sayCautions(openingCautions(context.value, step.piece, step.level, step.way)),
];
const print = () => window.print();
</script>

<template>
  <article class="card stack">
    <header class="line">
      <h1>{{ CARD.title }}</h1>
      <button type="button" class="push main unprinted" :disabled="job.planning !== undefined" @click="print">{{ CARD.print }}</button>
      <router-link class="push unprinted" :to="{ name: 'itself', params: { id: job.view?.id } }">{{ CARD.back }}</router-link>
    </header>
    <p class="who">
      <strong class="plate">{{ job.view?.vehicle.plate }}</strong> {{ CARD.vehicle(profile, job.view?.customer ?? '') }}
    </p>
    <p class="soft">{{ head }}</p>
    <p>{{ CARD.kits(kits.map(({ kit }) => kit.name)) }}</p>
    <p v-if="job.planning !== undefined" role="status">{{ CARD.planning }}</p>
    <p v-for="text in profile.cautions" :key="text" class="caution">{{ text }}</p>
    <div class="drawings">
      <figure v-for="drawing in drawings" :key="drawing.view">
        <VehicleSheet :profile="profile" :view="drawing.view" :part="drawing.part" :pieces="drawing.pieces" :named="drawing.named" :label="CARD.drawing(drawing.view)" />
      </figure>
    </div>
    <section>
      <h2>{{ CARD.out }}</h2>
      <p v-if="first > 0" class="soft">{{ CARD.alreadyOpen(first) }}</p>
      <p v-if="steps.length === 0" class="soft">{{ profile.pieces.length === 0 ? CARD.notDescribed : CARD.nothingOut }}</p>
      <ol v-else :start="first + 1">
        <li v-for="(step, index) in steps" :key="step.piece + step.level">
          <span class="tick" aria-hidden="true" /><span class="number">{{ first + index + 1 }}</span>
          <div>
            <strong>{{ sayOpen(step, pieceOf(step.piece), names, step.piece) }}</strong>{{ ' '
            }}<span class="soft">{{ sayPlace(step, names.piece(step.piece)) }} · {{ sayStepTime(step, true) }}{{ CARD.people(step.people) }}</span>
            <p v-for="(entry, place) in step.prepare" :key="place">{{ CARD.first }} {{ sayPreparation(entry, names, lockOf) }}</p>
            <p v-if="step.fasteners.length > 0">
              {{ sayCardFasteners(step.fasteners.map((group) => ({ count: group.count, name: sayGroup(group) ?? group.id, place: group.place, singleUse: group.singleUse }))) }}
            </p>
            <p v-if="pieceOf(step.piece)?.movement">{{ CARD.wayOut }} {{ pieceOf(step.piece)?.movement }}</p>
            <p v-for="text in cautionsOf(step)" :key="text" class="caution">{{ text }}</p>
          </div>
        </li>
      </ol>
    </section>
    <section v-for="entry in kits" :key="entry.kit.slug">
      <h2>{{ CARD.fit(entry.kit.name) }}</h2>
      <ol>
        <li v-for="step in entry.steps" :key="step.id">
          <span class="tick" aria-hidden="true" />
          <div>
            <strong>{{ step.name }}</strong> <span class="soft">{{ CARD.fitStep(step) }}</span>
            <p v-if="step.caution" class="caution">{{ step.caution }}</p>
          </div>
        </li>
        <li v-for="test in entry.tests" :key="test.id">
          <span class="tick" aria-hidden="true" />
          <div>
            <strong>{{ CARD.test(names.test(entry.kit.slug, test.id)) }}</strong> <span class="soft">{{ test.helper }}</span>
            <p v-if="test.caution" class="caution">{{ test.caution }}</p>
          </div>
        </li>
      </ol>
    </section>
    <section>
      <h2>{{ CARD.in }}</h2>
      <p v-if="closing.steps.length === 0" class="soft">{{ CARD.nothingBack }}</p>
      <ol v-else>
        <li v-for="(step, index) in closing.steps" :key="index">
          <span class="tick" aria-hidden="true" />
          <div v-if="step.kind === 'piece'">
            <strong>{{ sayPutBack(step, names) }}</strong>
            <p v-for="gate in step.gates.filter(({ passed }) => !passed)" :key="saySubject(gate.subject, names)">{{ CARD.before }} {{ saySubject(gate.subject, names) }}</p>
            <p v-for="group in step.fasteners" :key="group.id">{{ CARD.home(group.count, sayGroup(group) ?? group.id, sayHome(group)) }}</p>
          </div>
          <div v-else>
            <strong>{{ step.kind === 'supply' ? saySupplyStep(step, names) : CARD.gate }}</strong>
            <span v-if="step.kind === 'gate'"> {{ saySubject(step.gate.subject, names) }}</span>
          </div>
        </li>
      </ol>
    </section>
    <section>
      <template v-if="allTools.length > 0">
        <h2>{{ CARD.tools }}</h2>
        <p>{{ allTools.join(', ') }}</p>
      </template>
      <NewFasteners />
    </section>
    <p class="soft">{{ CARD.notRecorded }}</p>
  </article>
</template>

<style scoped>
.card {
  max-width: 900px;
}

.who {
  font-size: 18px;
}

.plate {
  padding: 1px 9px;
  border: 2px solid var(--ink);
  border-radius: 4px;
}

.drawings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(380px, 1fr));
  gap: 10px;
}

figure {
  margin: 0;
  break-inside: avoid;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 9px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  break-inside: avoid;
}

.tick {
  flex: none;
  width: 15px;
  height: 15px;
  margin-top: 3px;
  border: 1.6px solid var(--ink);
  border-radius: 2px;
}

.number {
  flex: none;
  min-width: 22px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}

.caution {
  padding-left: 8px;
  border-left: 4px solid var(--amber);
  font-weight: 600;
}

h2 {
  margin: 14px 0 4px;
  break-after: avoid;
}

.drawings :deep(svg) {
  max-height: 320px;
}

@media print {
  .drawings {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }

  .drawings :deep(svg) {
    max-height: 62mm;
  }

  li {
    padding: 3px 0;
  }
}
</style>
