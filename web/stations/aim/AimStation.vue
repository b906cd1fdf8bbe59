<script setup lang="ts">
import { computed, ref } from 'vue';
import { lampAims, type LampAim, type Moment } from '@jade/core/job';
import { reachM } from '@jade/core/aiming';
import { sayAimError, sayRule } from '@jade/words/aiming';
import { inches, metres, millimetres } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import AimWall, { type WallLamp } from '../../design/drawings/AimWall.vue';
import { useCurrentJob } from '../../job/current.ts';

const { job, context } = useCurrentJob();
const picked = ref<string>();
const byOthers = ref<string>();
const aims = computed(() => lampAims(context.value));
const current = computed(() => aims.value.find((aim) => aim.key === picked.value) ?? aims.value[0]);
const beams = computed(() => new Set(aims.value.map((aim) => aim.lamp.optics.beam)));
const rules = computed(() => context.value.rules.aim.filter((rule) => beams.value.has(rule.beam)));
const ruleId = computed(() => job.state.wall?.rule ?? rules.value[0]?.id ?? '');
const rule = computed(() => rules.value.find((entry) => entry.id === ruleId.value));
const prepared = computed(() => job.state.aimPrepared ?? { tyres: false, load: false, levelling: false });
const CHECKS = { tyres: 'Tyres at pressure', load: 'Load as the rule says', levelling: 'Levelling at zero, automatic in service mode' } as const;

const onWall = computed<WallLamp[]>(() =>
  aims.value.flatMap((aim) =>
    aim.mark
      ? [
          {
            key: aim.key,
            name: aim.lamp.name,
            sidewaysMm: aim.mark.sidewaysMm,
            referenceMm: aim.referenceMm,
            wantedMm: aim.mark.wantedMm,
            highestMm: aim.mark.highestMm,
            lowestMm: aim.mark.lowestMm,
            beforeMm: aim.before?.heightMm,
            afterMm: aim.after?.heightMm,
            within: aim.after?.within,
          },
        ]
      : [],
  ),
);
const uncovered = computed(() => (job.state.wall ? aims.value.filter((aim) => !aim.mark) : []));

function wall(part: { rule?: string; distanceMm?: number; floorAtWallMm?: number }): void {
  void job.record('wall.set', { rule: ruleId.value, distanceMm: 10_000, floorAtWallMm: 0, ...job.state.wall, ...part });
}

function measured(aim: LampAim, moment: Moment, heightMm: number): void {
  void job.record('aim.measured', { lamp: aim.key, moment, heightMm, referenceMm: aim.referenceMm });
}

function reference(aim: LampAim, referenceMm: number): void {
  for (const moment of ['before', 'after'] as const) {
    const own = job.state.aims[aim.key]?.[moment];
    if (own) void job.record('aim.measured', { lamp: aim.key, moment, heightMm: own.heightMm, referenceMm });
  }
  if (!job.state.aims[aim.key]) void job.record('aim.measured', { lamp: aim.key, moment: 'before', heightMm: referenceMm, referenceMm });
}

function others(by: string): void {
  for (const aim of aims.value) if (byOthers.value === 'all' || aim.key === byOthers.value) void job.record('aim.by-others', { lamp: aim.key, by });
  byOthers.value = undefined;
}
</script>

<template>
  <EmptyNote v-if="aims.length === 0" kind="empty">No lamp of this job has a rule of aim in the shop’s rule set.</EmptyNote>
  <div v-else class="stack">
    <div class="leaf stack">
      <AimWall v-if="onWall.length > 0" :lamps="onWall" :picked="current?.key" label="The wall with its marks" @pick="(key) => (picked = key)" />
      <EmptyNote v-else-if="!job.state.wall" kind="empty">Say how far the wall is, and the marks appear here.</EmptyNote>
      <p v-for="aim in uncovered" :key="aim.key" class="bad" role="alert">
        {{ aim.lamp.name }}: the rule says nothing about a height of {{ millimetres(aim.referenceMm) }}. Choose another rule or have it aimed by others.
      </p>
      <div class="line">
        <v-select
          class="rule"
          label="Rule"
          :items="rules.map((entry) => ({ value: entry.id, title: entry.name }))"
          :model-value="ruleId"
          @update:model-value="(value: string) => wall({ rule: value })"
        />
        <MeasureEntry label="Lamp to wall" unit="mm" :least="500" :most="50000" :value="job.state.wall?.distanceMm" @measured="(distanceMm) => wall({ distanceMm })" />
        <button v-if="!job.state.wall" type="button" class="push" @click="wall({ distanceMm: 10000 })">10 m</button>
        <button v-if="!job.state.wall" type="button" class="push" @click="wall({ distanceMm: 7620 })">25 ft</button>
        <MeasureEntry
          label="Floor at the wall, up +"
          unit="mm"
          :least="-1000"
          :most="1000"
          :value="job.state.wall?.floorAtWallMm"
          @measured="(floorAtWallMm) => wall({ floorAtWallMm })"
        />
      </div>
      <p v-if="rule" class="soft">{{ sayRule(rule) }}</p>
    </div>
    <div class="pair">
      <article v-if="current" class="leaf stack">
        <div class="line">
          <h2>{{ current.lamp.name }}</h2>
          <span class="soft">{{ current.kit.name }} · reach on axis {{ metres(reachM(current.lamp.optics.peakCd, 1), 0) }} at 1 lx ({{ current.lamp.optics.basis }})</span>
        </div>
        <div class="line">
          <MeasureEntry
            :key="`${current.key}r`"
            :label="rule?.reference === 'centre' ? 'Lamp centre above floor' : 'Lower lit edge above floor'"
            unit="mm"
            :least="50"
            :most="5000"
            :value="current.referenceMm"
            @measured="(value) => current && reference(current, value)"
          />
          <MeasureEntry
            :key="`${current.key}b`"
            label="On the wall, before"
            unit="mm"
            :least="-2000"
            :most="8000"
            :value="job.state.aims[current.key]?.before?.heightMm"
            @measured="(value) => current && measured(current, 'before', value)"
          />
          <MeasureEntry
            :key="`${current.key}a`"
            label="On the wall, after"
            unit="mm"
            :least="-2000"
            :most="8000"
            :value="job.state.aims[current.key]?.after?.heightMm"
            @measured="(value) => current && measured(current, 'after', value)"
          />
        </div>
        <p v-if="current.before">Before: {{ sayAimError(current.before) }}</p>
        <p v-if="current.after" :class="current.after.within ? 'good' : 'bad'">After: {{ sayAimError(current.after) }}</p>
        <p v-if="current.mark" class="soft">
          Mark at {{ millimetres(current.mark.wantedMm) }} ({{ inches(current.mark.wantedMm / 25.4) }}); in from {{ millimetres(current.mark.lowestMm) }} to
          {{ millimetres(current.mark.highestMm) }}.
        </p>
        <TapeLabel v-if="current.byOthers">Aim by others: {{ current.byOthers }}. Night use limited until then.</TapeLabel>
        <div class="line">
          <button type="button" class="push small" @click="byOthers = current.key">This lamp is aimed by others</button>
          <button v-if="aims.length > 1" type="button" class="push small" @click="byOthers = 'all'">All are aimed by others</button>
        </div>
      </article>
      <div class="stack">
        <div class="leaf stack">
          <h2>Before aiming</h2>
          <button
            v-for="(text, key) in CHECKS"
            :key="key"
            type="button"
            class="push"
            :aria-pressed="prepared[key]"
            @click="job.record('aim.prepared', { ...prepared, [key]: !prepared[key] })"
          >
            {{ text }}
          </button>
        </div>
        <div class="leaf">
          <h2>Lamps</h2>
          <ul class="rows">
            <li v-for="aim in aims" :key="aim.key">
              <button type="button" class="push plain small" :aria-pressed="aim === current" @click="picked = aim.key">{{ aim.lamp.name }}</button>
              <span :class="aim.after?.within || aim.byOthers ? 'good' : 'soft'">{{ aim.byOthers ? 'by others' : aim.after ? (aim.after.within ? 'in' : 'out') : 'to aim' }}</span>
            </li>
          </ul>
        </div>
        <CautionNote text="Level floor, dark bay. Nobody looks into the beam. The rule set is the shop’s own: the local rule decides." />
      </div>
    </div>
    <AskText
      v-if="byOthers"
      title="Aim by others"
      label="Who aims it, and when"
      action="Record it"
      hint="A safe rough aim first, pointing low. The sheet limits night use until it is done."
      :most="160"
      @written="others"
      @close="byOthers = undefined"
    />
  </div>
</template>

<style scoped>
.rule {
  max-width: 300px;
  min-width: 230px;
}

.good {
  color: var(--jade);
  font-weight: 620;
}

.bad {
  color: var(--red);
  font-weight: 620;
}
</style>
