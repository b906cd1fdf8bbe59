<script setup lang="ts">
import { computed, ref } from 'vue';
import { aimCautions, lampAims, LONGEST_TEXT, type LampAim, type Moment } from '@jade/core/job';
import { reachM } from '@jade/core/aiming';
import { aim } from '@jade/core/stations';
import { AIM_FLOOR, PREPARED, sayAimError, sayByProfile, sayReferencePoint, sayRule } from '@jade/words/aiming';
import { inches, metres, millimetres } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import CautionList from '../../design/CautionList.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import AimWall, { type WallLamp } from '../../design/drawings/AimWall.vue';
import { actedAt } from '../../job/clock.ts';
import FloorSwitch from '../../floor/FloorSwitch.vue';
import { useCurrentJob } from '../../job/current.ts';
import { useFloor } from '../floor.ts';
import AimFloor from './AimFloor.vue';

const { job, context } = useCurrentJob();
const floor = useFloor('aim');
const picked = ref<string>();
const byOthers = ref<string>();
const aims = computed(() => lampAims(context.value));
const current = computed(() => aims.value.find((entry) => entry.key === picked.value) ?? aims.value[0]);
const rules = computed(() => aim.rulesHere(context.value));
const rule = computed(() => aim.ruleHere(context.value));
/** Chosen before the wall is set; it is written down with the distance. */
const chosenRule = ref<string>();
const ruleId = computed(() => job.state.wall?.rule ?? chosenRule.value ?? rule.value?.id ?? '');
const prepared = computed(() => job.state.aimPrepared ?? { tyres: false, load: false, levelling: false });

const onWall = computed<WallLamp[]>(() =>
  aims.value.flatMap((own) =>
    own.mark
      ? [
          {
            key: own.key,
            name: own.lamp.name,
            sidewaysMm: own.mark.sidewaysMm,
            referenceMm: own.referenceMm,
            wantedMm: own.mark.wantedMm,
            highestMm: own.mark.highestMm,
            lowestMm: own.mark.lowestMm,
            beforeMm: own.before?.heightMm,
            afterMm: own.after?.heightMm,
            within: own.after?.within,
          },
        ]
      : [],
  ),
);
const uncovered = computed(() => (job.state.wall ? aims.value.filter((entry) => !entry.mark) : []));

function wall(part: { rule?: string; distanceMm?: number; floorAtWallMm?: number }): void {
  if (part.rule !== undefined && !job.state.wall && part.distanceMm === undefined) chosenRule.value = part.rule;
  else void job.perform(aim.setWall(context.value, { rule: ruleId.value, ...part }));
}

function measured({ key }: LampAim, moment: Moment, heightMm: number): void {
  void job.perform(aim.measured(context.value, key, moment, heightMm, actedAt()));
}

function reference({ key }: LampAim, referenceMm: number): void {
  void job.perform(aim.referenced(context.value, key, referenceMm));
}

function others(by: string): void {
  if (byOthers.value !== undefined) void job.perform(aim.byOthers(context.value, byOthers.value, by));
  byOthers.value = undefined;
}
</script>

<template>
  <EmptyNote v-if="aims.length === 0" kind="empty">No lamp of this job has a rule of aim in the shop’s rule set.</EmptyNote>
  <div v-else class="stack">
    <FloorSwitch v-model="floor" />
    <AimFloor v-if="floor" :wall="onWall" @others="(key) => (byOthers = key)" />
    <template v-else>
      <div class="leaf stack">
        <AimWall v-if="onWall.length > 0" :lamps="onWall" :picked="current?.key" label="The wall with its marks" @pick="(key) => (picked = key)" />
        <EmptyNote v-else-if="!job.state.wall" kind="empty">Say how far the wall is, and the marks appear here.</EmptyNote>
        <p v-for="entry in uncovered" :key="entry.key" class="bad" role="alert">
          {{ entry.lamp.name }}: the rule says nothing about a height of {{ millimetres(entry.referenceMm) }}. Choose another rule or have it aimed by others.
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
        <div v-if="job.state.wall && job.state.wall.floorAtWallMm === undefined" class="line">
          <span class="grow">The marks below count with a level floor until it is measured.</span>
          <button type="button" class="push" @click="wall({ floorAtWallMm: 0 })">Found level</button>
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
              :about="current.key"
              :label="sayReferencePoint(current.rule)"
              unit="mm"
              :least="50"
              :most="5000"
              :value="job.state.references[current.key]"
              @measured="(value) => current && reference(current, value)"
            />
            <MeasureEntry
              :key="`${current.key}b`"
              label="On the wall, before"
              :about="current.key"
              unit="mm"
              :least="-2000"
              :most="8000"
              :value="job.state.aims[current.key]?.before?.heightMm"
              @measured="(value) => current && measured(current, 'before', value)"
            />
            <MeasureEntry
              :key="`${current.key}a`"
              label="On the wall, after"
              :about="current.key"
              unit="mm"
              :least="-2000"
              :most="8000"
              :value="job.state.aims[current.key]?.after?.heightMm"
              @measured="(value) => current && measured(current, 'after', value)"
            />
          </div>
          <p v-if="!current.referenced" class="odd">{{ sayByProfile(current.referenceMm) }}</p>
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
              v-for="(text, key) in PREPARED"
              :key="key"
              type="button"
              class="push"
              :aria-pressed="prepared[key]"
              @click="job.perform(aim.prepare(context, { [key]: !prepared[key] }))"
            >
              {{ text }}
            </button>
          </div>
          <div class="leaf">
            <h2>Lamps</h2>
            <ul class="rows">
              <li v-for="entry in aims" :key="entry.key">
                <button type="button" class="push plain small" :aria-pressed="entry === current" @click="picked = entry.key">{{ entry.lamp.name }}</button>
                <span :class="entry.after?.within || entry.byOthers ? 'good' : 'soft'">{{
                  entry.byOthers ? 'by others' : entry.after ? (entry.after.within ? 'in' : 'out') : 'to aim'
                }}</span>
              </li>
            </ul>
          </div>
          <CautionList :codes="aimCautions()" :own="[AIM_FLOOR.local]" />
        </div>
      </div>
    </template>
    <AskText
      v-if="byOthers"
      title="Aim by others"
      label="Who aims it, and when"
      action="Record it"
      hint="A safe rough aim first, pointing low. The sheet limits night use until it is done."
      :about="`${job.view?.id}/aimer/${byOthers}`"
      :most="LONGEST_TEXT.aimer"
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
</style>
