<script setup lang="ts">
import { computed, ref } from 'vue';
import { aimCautions } from '@jade/core/plan';
import { lampAims, unplacedToAim, type LampAim } from '@jade/core/job';
import { LONGEST_TEXT, type Moment } from '@jade/core/events';
import { reachM } from '@jade/core/aiming';
import { aim, raisedAt } from '@jade/core/stations';
import { AIM_FLOOR, AIM_STATION, PREPARED, sayAimError, sayByProfile, sayReferencePoint, sayRule } from '@jade/words/aiming';
import { COMMON } from '@jade/words/common';
import { inches, metres, millimetres } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import CautionList from '../../design/CautionList.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import NotDescribed from '../../job/NotDescribed.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import AimWall, { type WallLamp } from '../../design/drawings/AimWall.vue';
import { actedAt } from '../../job/clock.ts';
import FloorSwitch from '../../floor/FloorSwitch.vue';
import { useCurrentJob } from '../../job/current.ts';
import StandLine from '../../job/StandLine.vue';
import PhotoRow from '../../photos/PhotoRow.vue';
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
  <NotDescribed :what="'aimed'" />
  <EmptyNote v-if="aims.length === 0 && unplacedToAim(context).length === 0" kind="empty">{{ AIM_STATION.noLamp }}</EmptyNote>
  <div v-if="aims.length > 0" class="stack">
    <FloorSwitch v-model="floor" />
    <StandLine v-if="raisedAt(context) !== undefined" />
    <AimFloor v-if="floor" :wall="onWall" @others="(key) => (byOthers = key)" />
    <template v-else>
      <div class="leaf stack">
        <AimWall v-if="onWall.length > 0" :lamps="onWall" :picked="current?.key" :label="AIM_STATION.wall" @pick="(key) => (picked = key)" />
        <EmptyNote v-else-if="!job.state.wall" kind="empty">{{ AIM_STATION.noWall }}</EmptyNote>
        <p v-for="entry in uncovered" :key="entry.key" class="bad" role="alert">
          {{ AIM_STATION.noRule(entry.lamp.name, millimetres(entry.referenceMm)) }}
        </p>
        <div class="line">
          <v-select
            class="rule"
            :label="AIM_STATION.rule"
            :items="rules.map((entry) => ({ value: entry.id, title: entry.name }))"
            :model-value="ruleId"
            @update:model-value="(value: string) => wall({ rule: value })"
          />
          <MeasureEntry :label="AIM_STATION.distance" unit="mm" :least="500" :most="50000" :value="job.state.wall?.distanceMm" @measured="(distanceMm) => wall({ distanceMm })" />
          <button v-if="!job.state.wall" type="button" class="push" @click="wall({ distanceMm: 10000 })">10 m</button>
          <button v-if="!job.state.wall" type="button" class="push" @click="wall({ distanceMm: 7620 })">{{ AIM_STATION.twentyFiveFeet }}</button>
          <MeasureEntry
            :label="AIM_STATION.floor"
            unit="mm"
            :least="-1000"
            :most="1000"
            :value="job.state.wall?.floorAtWallMm"
            @measured="(floorAtWallMm) => wall({ floorAtWallMm })"
          />
        </div>
        <div v-if="job.state.wall && job.state.wall.floorAtWallMm === undefined" class="line">
          <span class="grow">{{ AIM_STATION.level }}</span>
          <button type="button" class="push" @click="wall({ floorAtWallMm: 0 })">{{ AIM_STATION.foundLevel }}</button>
        </div>
        <p v-if="rule" class="soft">{{ sayRule(rule) }}</p>
      </div>
      <div class="pair">
        <article v-if="current" class="leaf stack">
          <div class="line">
            <h2>{{ current.lamp.name }}</h2>
            <span class="soft">{{
              current.lamp.optics.peakCd === undefined
                ? AIM_STATION.noReach(current.kit.name)
                : AIM_STATION.reach(current.kit.name, metres(reachM(current.lamp.optics.peakCd, 1), 0), current.lamp.optics.basis)
            }}</span>
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
              :label="AIM_STATION.wallBefore"
              :about="current.key"
              unit="mm"
              :least="-2000"
              :most="8000"
              :value="job.state.aims[current.key]?.before?.heightMm"
              @measured="(value) => current && measured(current, 'before', value)"
            />
            <MeasureEntry
              :key="`${current.key}a`"
              :label="AIM_STATION.wallAfter"
              :about="current.key"
              unit="mm"
              :least="-2000"
              :most="8000"
              :value="job.state.aims[current.key]?.after?.heightMm"
              @measured="(value) => current && measured(current, 'after', value)"
            />
          </div>
          <p v-if="!current.referenced" class="odd">{{ sayByProfile(current.referenceMm) }}</p>
          <p v-if="current.before">{{ AIM_STATION.before(sayAimError(current.before)) }}</p>
          <p v-if="current.after" :class="current.after.within ? 'good' : 'bad'">{{ AIM_STATION.after(sayAimError(current.after)) }}</p>
          <p v-if="current.mark" class="soft">
            {{
              AIM_STATION.mark(millimetres(current.mark.wantedMm), inches(current.mark.wantedMm / 25.4), millimetres(current.mark.lowestMm), millimetres(current.mark.highestMm))
            }}
          </p>
          <PhotoRow :subject="{ kind: 'aim', kit: current.kit.slug, lamp: current.lamp.id }" />
          <TapeLabel v-if="current.byOthers">{{ AIM_STATION.othersAim(current.byOthers) }}</TapeLabel>
          <div class="line">
            <button type="button" class="push small" @click="byOthers = current.key">{{ AIM_STATION.oneByOthers }}</button>
            <button v-if="aims.length > 1" type="button" class="push small" @click="byOthers = 'all'">{{ AIM_STATION.allByOthers }}</button>
          </div>
        </article>
        <div class="stack">
          <div class="leaf stack">
            <h2>{{ AIM_STATION.beforeAiming }}</h2>
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
            <h2>{{ AIM_STATION.lamps }}</h2>
            <ul class="rows">
              <li v-for="entry in aims" :key="entry.key">
                <button type="button" class="push plain small" :aria-pressed="entry === current" @click="picked = entry.key">{{ entry.lamp.name }}</button>
                <span :class="entry.after?.within || entry.byOthers ? 'good' : 'soft'">{{
                  entry.byOthers ? AIM_STATION.byOthers : entry.after ? AIM_STATION.stands(entry.after.within) : AIM_STATION.toAim
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
      :title="AIM_STATION.byOthersTitle"
      :label="AIM_STATION.whoAndWhen"
      :action="COMMON.record"
      :hint="AIM_STATION.roughFirst"
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
