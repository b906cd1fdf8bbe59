<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, watch } from 'vue';
import { backOnCard, kitsOnCard } from '@jade/core/paper';
import { closingCautions, openingCautions, openingUnknown, stepCautions, testCautions } from '@jade/core/plan';
import { jobTools } from '@jade/core/job';
import type { OpenStep } from '@jade/core/access';
import { sayPreparation, sayStepTime, sayTrouble } from '@jade/words/access';
import { CARD, sayCardFasteners, sayCardHead, sayIsolates } from '@jade/words/card';
import { sayPutBack, saySupplyStep } from '@jade/words/closing';
import { FIT } from '@jade/words/fit';
import { sayHome } from '@jade/words/job';
import { sayHelper, sayTest } from '@jade/words/kit';
import { sayGroup } from '@jade/words/names';
import { sayOpen, sayPlace, TOOLS_AND_PARTS } from '@jade/words/open-up';
import { sayPageTitle } from '@jade/words/shell';
import { sayHold } from '@jade/words/stations';
import { saySubject } from '@jade/words/subject';
import CautionList from '../design/CautionList.vue';
import VehicleSheet from '../design/drawings/VehicleSheet.vue';
import { frameAroundBoxes, viewOf, VIEWS } from '../design/geometry/outline.ts';
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
/** A plan that is still being worked on is no plan yet. */
const plan = computed(() => (job.planning === undefined ? job.plan : undefined));
const steps = computed(() => plan.value?.steps ?? []);
const first = computed(() => job.state.moves.length);
const kits = computed(() => kitsOnCard(context.value));
const tools = computed(() => jobTools(context.value, plan.value));
const allTools = computed(() => [...tools.value.opening, ...tools.value.fitting]);
/** What the plan rests on and is not settled. */
const unsettled = computed(() => (job.standing?.stations ?? []).filter(({ station }) => station === 'check-in' || station === 'match').flatMap(({ holds }) => holds));
const made = dayjs();
const head = computed(() => sayCardHead(job.state.promise.at === undefined ? undefined : dayjs(job.state.promise.at).format('dddd D MMMM, HH:mm'), made.format('D MMMM, HH:mm')));

/** Each view in which something is to be opened, with its pieces. */
const drawings = computed(() => {
  const planned = [...new Set(steps.value.flatMap((step) => pieceOf(step.piece) ?? []))];
  return VIEWS.map((view) => ({ view, here: planned.filter((piece) => viewOf(piece.zone) === view) }))
    .filter(({ here }) => here.length > 0)
    .map(({ view, here }) => ({
      view,
      part: frameAroundBoxes(
        view,
        profile.value.measures,
        here.map(({ box }) => box),
        260,
        1400,
      ),
      pieces: here.map((piece) => ({ piece, level: 'fitted' as const, part: 'planned' as const })),
      named: here.map(({ id }) => id),
    }));
});
const lockOf = (sensor: string) => profile.value.sensors.find((entry) => entry.id === sensor)?.lock ?? CARD.ownLock;
const wayOf = (step: OpenStep) =>
  pieceOf(step.piece)
    ?.levels.find(({ level }) => level === step.level)
    ?.ways.find(({ id }) => id === step.way);
const isolated = (step: OpenStep) => profile.value.supplies.find(({ id }) => id === step.isolates);
const print = () => window.print();
</script>

<template>
  <article class="card stack">
    <header class="line">
      <h1>{{ CARD.title }}</h1>
      <button type="button" class="push main unprinted" :disabled="!plan" @click="print">{{ CARD.print }}</button>
      <router-link class="push unprinted" :to="{ name: 'itself', params: { id: job.view?.id } }">{{ CARD.back }}</router-link>
    </header>
    <p class="who">
      <strong class="plate">{{ job.view?.vehicle.plate }}</strong> {{ CARD.vehicle(profile, job.view?.customer ?? '') }}
    </p>
    <p class="soft">{{ head }}</p>
    <p>{{ CARD.kits(kits.map(({ onVehicle }) => onVehicle.kit.name)) }}</p>
    <p v-if="job.state.cancelled || job.state.left !== undefined" class="heeded">{{ CARD.givenUp(job.state.cancelled?.why ?? job.state.left ?? '') }}</p>
    <p v-if="!plan" role="status">{{ CARD.planning }}</p>
    <p v-for="problem in plan?.problems ?? []" :key="sayTrouble(problem, names)" class="problem">{{ sayTrouble(problem, names) }}</p>
    <div v-if="unsettled.length > 0">
      <strong>{{ CARD.unsettled }}</strong>
      <p v-for="hold in unsettled" :key="sayHold(hold, names)">{{ sayHold(hold, names) }}</p>
    </div>
    <CautionList :codes="[]" :own="profile.cautions" />
    <div class="drawings">
      <figure v-for="drawing in drawings" :key="drawing.view">
        <VehicleSheet :profile="profile" :view="drawing.view" :part="drawing.part" :pieces="drawing.pieces" :named="drawing.named" :label="CARD.drawing(drawing.view)" />
      </figure>
    </div>
    <section v-if="plan">
      <h2>{{ CARD.out }}</h2>
      <p v-if="first > 0" class="soft">{{ CARD.alreadyOpen(first) }}</p>
      <p v-if="steps.length === 0" class="soft">{{ openingUnknown(context) ? CARD.notDescribed : CARD.nothingOut }}</p>
      <ol v-else>
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
            <p v-if="wayOf(step)?.note">{{ wayOf(step)?.note }}</p>
            <p v-if="isolated(step)">
              <strong>{{ sayIsolates(isolated(step), names) }}</strong>
            </p>
            <p v-if="wayOf(step)?.irreversible">
              <strong>{{ CARD.forGood }}</strong>
            </p>
            <CautionList :codes="openingCautions(context, step.piece, step.level, step.way)" :own="pieceOf(step.piece)?.cautions.map(({ text }) => text)" />
          </div>
        </li>
      </ol>
    </section>
    <section v-for="{ onVehicle, fits, steps: fitSteps, tests, done, wired } in kits" :key="onVehicle.kit.slug">
      <h2>{{ CARD.fit(onVehicle.kit.name) }}</h2>
      <p v-if="fits !== 'yes'">{{ CARD.fits[fits] }}</p>
      <p v-if="done > 0" class="soft">{{ CARD.alreadyDone(done) }}</p>
      <p v-if="wired" class="soft">{{ CARD.wired }}</p>
      <p v-if="fitSteps.length > 0" class="soft">{{ FIT.rule }}</p>
      <ol>
        <li v-for="step in fitSteps" :key="step.id">
          <span class="tick" aria-hidden="true" />
          <div>
            <strong>{{ step.name }}</strong> <span class="soft">{{ CARD.fitStep(step) }}</span>
            <p v-if="step.irreversible">
              <strong>{{ CARD.forGood }}</strong>
            </p>
            <CautionList :codes="stepCautions(context, onVehicle, step)" :own="[step.caution]" />
          </div>
        </li>
        <li v-for="test in tests" :key="test.id">
          <span class="tick" aria-hidden="true" />
          <div>
            <strong>{{ CARD.test(sayTest(onVehicle.kit, test)) }}</strong> <span class="soft">{{ sayHelper(onVehicle.kit, test) }}</span>
            <CautionList :codes="testCautions(onVehicle, test)" :own="[test.caution]" />
          </div>
        </li>
      </ol>
    </section>
    <section v-if="plan && job.closing">
      <h2>{{ CARD.in }}</h2>
      <p v-if="job.closing.steps.length === 0" class="soft">{{ openingUnknown(context) ? CARD.notDescribed : CARD.nothingBack }}</p>
      <ol v-else>
        <li v-for="({ step, before }, index) in backOnCard(job.closing.steps)" :key="index">
          <span class="tick" aria-hidden="true" />
          <div v-if="step.kind === 'piece'">
            <strong>{{ sayPutBack(step, names) }}</strong>
            <p v-for="gate in before" :key="saySubject(gate.subject, names)">{{ CARD.before }} {{ saySubject(gate.subject, names) }}</p>
            <p v-for="group in step.fasteners" :key="group.id">{{ CARD.home(group.count, sayGroup(group) ?? group.id, sayHome(group)) }}</p>
            <CautionList :codes="closingCautions(context, step.piece)" :own="pieceOf(step.piece)?.cautions.map(({ text }) => text)" />
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
        <p v-for="pair in tools.alike" :key="pair.one + pair.other">
          <strong>{{ TOOLS_AND_PARTS.lookAlike }}</strong> {{ TOOLS_AND_PARTS.mixUp(pair.one, pair.other) }}
        </p>
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

h2 {
  margin: 14px 0 4px;
  break-after: avoid;
}

.drawings :deep(svg) {
  max-height: 320px;
}

@media print {
  /* As wide as the paper, so that the names can be read from where the vehicle stands. */
  .drawings {
    display: block;
  }

  .drawings :deep(svg) {
    max-height: 84mm;
  }

  li {
    padding: 3px 0;
  }
}
</style>
