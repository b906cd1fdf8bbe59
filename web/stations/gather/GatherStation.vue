<script setup lang="ts">
import { computed } from 'vue';
import { benchCautions } from '@jade/core/plan';
import { contentChecks, partsToOrder } from '@jade/core/job';
import { leadsToBring, ledParts, routeParts, wireJoints } from '@jade/core/loom';
import { benchColumns, type CountLine } from '@jade/core/contents';
import type { Kit } from '@jade/core/kit';
import { gather } from '@jade/core/stations';
import { GATHER_STATION, HANDS, sayGatherTrouble, sayTaskTime } from '@jade/words/gather';
import { sayLedParts, sayRouteParts } from '@jade/words/wiring';
import { money } from '@jade/words/units';
import CautionList from '../../design/CautionList.vue';
import NewFasteners from '../../job/NewFasteners.vue';
import FloorSwitch from '../../floor/FloorSwitch.vue';
import { useCurrentJob } from '../../job/current.ts';
import { useFloor } from '../floor.ts';
import BoxContents from './BoxContents.vue';
import GatherFloor from './GatherFloor.vue';
import JobPrice from './JobPrice.vue';
import LampsRead from './LampsRead.vue';

const { job, context, names } = useCurrentJob();
const floor = useFloor('gather');
const kits = computed(() =>
  contentChecks(context.value).map(({ kit, check }) => ({
    kit,
    check,
    open: gather.uncounted(context.value, kit.slug).length,
    columns: benchColumns(check.lines),
    lists: gather.listsOpen(kit),
  })),
);
/** Nothing is left that nobody has described: what is counted is then all there is to count. */
const allDescribed = computed(() => kits.value.every(({ lists }) => lists.length === 0));

function count(kit: Kit, line: CountLine, value: number): void {
  void job.perform(gather.count(context.value, kit.slug, line.item.id, Math.max(0, value)));
}

const allHere = (kit: Kit) => void job.perform(gather.restAsListed(context.value, kit.slug));

const cable = computed(() => sayRouteParts(routeParts(context.value)));
const elsewhere = computed(() => sayLedParts(ledParts(wireJoints(context.value))));
const leads = computed(() => leadsToBring(context.value));
const parts = computed(() => partsToOrder(context.value, job.plan));
const done = (kit: Kit, task: string) => (job.state.benchDone[kit.slug] ?? []).includes(task);
</script>

<template>
  <div class="stack">
    <FloorSwitch v-model="floor" />
    <template v-if="floor">
      <section v-for="{ kit, lists } in kits.filter((entry) => entry.lists.length > 0)" :key="kit.slug" class="stack">
        <h2>{{ GATHER_STATION.laidOut(kit.maker, kit.name) }}</h2>
        <BoxContents v-if="lists.includes('contents')" :kit="kit" />
        <LampsRead v-if="lists.includes('lamps')" :kit="kit" />
      </section>
      <GatherFloor v-if="allDescribed || gather.floorSteps(context).length > 0" />
    </template>
    <template v-else>
      <section v-for="{ kit, check, open, columns, lists } in kits" :key="kit.slug" class="stack">
        <div class="line">
          <h2>{{ GATHER_STATION.laidOut(kit.maker, kit.name) }}</h2>
          <span class="soft">{{ kit.contents.length === 0 && lists.includes('contents') ? GATHER_STATION.notDescribed : GATHER_STATION.toCount(open) }}</span>
          <button v-if="open > 0" type="button" class="push small" @click="allHere(kit)">{{ GATHER_STATION.restAsListed }}</button>
        </div>
        <BoxContents v-if="lists.includes('contents')" :kit="kit" />
        <p v-for="(trouble, index) in check.troubles" :key="index" class="trouble" role="alert">{{ sayGatherTrouble(trouble, (id) => names.item(kit.slug, id)) }}</p>
        <div v-if="kit.contents.length > 0" class="bench-top">
          <div v-for="column in columns" :key="column.hand" class="column" :class="`${column.hand}-hand`">
            <h3>{{ HANDS[column.hand] }}</h3>
            <ul>
              <li v-for="line in column.lines" :key="line.item.id" class="thing" :class="[line.state.replaceAll(' ', '-'), { idle: line.needed === 'no' }]">
                <div class="name">
                  <strong>{{ line.item.name }}</strong>
                  <span class="soft">{{
                    line.needed === 'no' ? GATHER_STATION.notNeeded : line.needed === 'unknown' ? GATHER_STATION.ifNeeded(line.wanted) : GATHER_STATION.listed(line.wanted)
                  }}</span>
                </div>
                <div class="counter">
                  <button
                    type="button"
                    class="push small"
                    :aria-label="GATHER_STATION.less(line.item.name)"
                    :disabled="!line.counted"
                    @click="count(kit, line, (line.counted ?? 0) - 1)"
                  >
                    −
                  </button>
                  <button
                    type="button"
                    class="number"
                    :class="{ counted: line.counted !== undefined }"
                    :aria-label="GATHER_STATION.tapWhenHere(names.item(kit.slug, line.item.id), line.counted, line.wanted)"
                    @click="count(kit, line, line.wanted)"
                  >
                    {{ line.counted ?? '·' }}
                  </button>
                  <button type="button" class="push small" :aria-label="GATHER_STATION.more(line.item.name)" @click="count(kit, line, (line.counted ?? 0) + 1)">+</button>
                </div>
              </li>
            </ul>
          </div>
        </div>
        <LampsRead v-if="lists.includes('lamps')" :kit="kit" />
        <div v-if="kit.benchTasks.length > 0" class="leaf">
          <h2>{{ GATHER_STATION.bench }}</h2>
          <ul class="rows">
            <li v-for="task in kit.benchTasks" :key="task.id">
              <div class="grow">
                {{ task.name }} <span class="soft">{{ sayTaskTime(task) }}</span>
              </div>
              <button type="button" class="push" :aria-pressed="done(kit, task.id)" @click="!done(kit, task.id) && job.perform(gather.benchDone(context, kit.slug, task.id))">
                {{ done(kit, task.id) ? GATHER_STATION.done : GATHER_STATION.markDone }}
              </button>
              <CautionList :codes="benchCautions(task)" :own="[task.caution]" />
            </li>
          </ul>
        </div>
      </section>
      <div v-if="parts.length > 0" class="leaf"><NewFasteners /></div>
      <section v-if="leads.length > 0 || cable || elsewhere" class="leaf">
        <h2>{{ GATHER_STATION.shelf }}</h2>
        <ul class="rows">
          <li v-for="lead in leads" :key="lead.adapter.id">
            <span class="grow">{{ lead.count }} × {{ lead.adapter.name }}</span> <span class="soft">{{ money(lead.priceCents, job.view?.currency ?? '') }}</span>
          </li>
        </ul>
        <p v-if="cable">{{ cable }}</p>
        <p v-if="elsewhere">{{ elsewhere }}</p>
      </section>
      <JobPrice v-if="kits.length > 0" />
    </template>
  </div>
</template>

<style scoped>
.bench-top {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 14px;
  padding: 14px;
  background: var(--slate);
  border-radius: 6px;
}

.column ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 210px), 1fr));
  gap: 0 14px;
}

.column h3 {
  color: var(--on-slate-soft);
  margin-bottom: 6px;
}

.right-hand h3 {
  text-align: right;
}

.thing {
  display: grid;
  gap: 6px;
  margin-bottom: 8px;
  padding: 9px 11px;
  background: var(--paper-raised);
  border-left: 6px solid var(--line-strong);
}

.right-hand .thing {
  border-left: 0;
  border-right: 6px solid var(--line-strong);
}

.thing.complete,
.thing.spare {
  border-color: #45c597;
}

.thing.short,
.thing.too-many {
  border-color: var(--red);
}

.idle {
  border-style: dotted;
  background: var(--paper-sunk);
}

.name {
  display: grid;
  line-height: 1.25;
}

.name .soft {
  font-size: 13px;
}

.counter {
  display: flex;
  gap: 6px;
  align-items: center;
}

.counter .push {
  min-width: 44px;
  padding: 0;
}

.number {
  min-width: 62px;
  min-height: 44px;
  border: 2px dashed var(--line-strong);
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 20px;
  font-weight: 700;
  cursor: pointer;
}

.number.counted {
  border-color: transparent;
  background: var(--tape);
  color: var(--on-tape);
}

.trouble {
  padding: 9px 12px;
  border-left: 5px solid var(--red);
  background: var(--red-soft);
  font-weight: 600;
}

@media (max-width: 900px) {
  .bench-top {
    grid-auto-flow: row;
    grid-auto-columns: auto;
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
