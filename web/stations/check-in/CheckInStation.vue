<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { BASELINE_RESULTS, LONGEST_TEXT, type BaselineResult } from '@jade/core/events';
import { functionsOf } from '@jade/core/job';
import { checkIn, isRefused } from '@jade/core/stations';
import { remarksOn } from '@jade/core/customers';
import { isUndescribed, shinesIn, type LampFunction } from '@jade/core/vehicle';
import { CHECK_IN_STATION, DIFFERS, GAP_FOUND, MEASURES_TAKEN } from '@jade/words/check-in';
import { COMMON } from '@jade/words/common';
import { sayMileage, sayVehicleRemark } from '@jade/words/customers';
import { inches, inSentence, millimetres } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import CautionNote from '../../design/CautionNote.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import WordsField from '../../design/WordsField.vue';
import VehicleSheet, { type SheetMark } from '../../design/drawings/VehicleSheet.vue';
import { frameAround, VIEWS, type View } from '../../design/geometry/outline.ts';
import { useLine } from '../../drafts/index.ts';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import LensGrades from '../../job/LensGrades.vue';
import WarningLamps from '../../job/WarningLamps.vue';
import PlaceTwins from '../../job/PlaceTwins.vue';
import FactList from './FactList.vue';
import LampsSeen from './LampsSeen.vue';

/** A form that is seldom wanted. */
const AccessoryFound = defineAsyncComponent(() => import('../../job/AccessoryFound.vue'));
const VehiclesDiffer = defineAsyncComponent(() => import('../../job/VehiclesDiffer.vue'));
const MeasuresTaken = defineAsyncComponent(() => import('./MeasuresTaken.vue'));
const GapFound = defineAsyncComponent(() => import('./GapFound.vue'));

const { job, context, names } = useCurrentJob();
const accessory = ref(false);
const gapping = ref(false);
const measuring = ref(false);
const measuresOpen = computed(() => checkIn.measuresOpen(context.value));
const differing = ref(false);
const accessories = computed(() => Object.values(job.state.accessories));
const view = ref<View>('front');
const picked = ref<string>();
const asking = ref<'code' | 'damage'>();
const {
  text: number,
  typed: numberTyped,
  drop: dropNumber,
} = useLine(
  () => `${job.view?.id}/number`,
  () => job.state.number ?? '',
);
const brought = computed(() => {
  const { wish, mileage, keys } = job.state.opened ?? {};
  return wish || mileage || keys ? { wish, mileage, keys } : undefined;
});
const RESULTS = BASELINE_RESULTS.map((value) => ({ value, text: value }));

const profile = computed(() => context.value.profile);
const middleMm = computed(() => profile.value.measures.frontOverhangMm - profile.value.measures.lengthMm / 2);
const lamps = computed(() => functionsOf(context.value));
const untried = computed(() => lamps.value.filter((lamp) => !job.state.baseline[lamp.id]));

function seen(at: LampFunction['at']): boolean {
  if (view.value === 'front') return at.xMm > middleMm.value;
  if (view.value === 'rear') return at.xMm <= middleMm.value;
  return view.value === 'top' || at.yMm >= 0;
}

const marks = computed<SheetMark[]>(() => [
  ...lamps.value
    .filter((entry) => seen(entry.at))
    .map((entry): SheetMark => {
      const result = job.state.baseline[entry.id];
      const tone = result === undefined ? 'open' : result === 'works' ? 'settled' : 'fault';
      return {
        id: `lamp:${entry.id}`,
        at: entry.at,
        label: entry.name,
        tone,
        word: result && result !== 'works' ? result : undefined,
        lit: shinesIn(entry, lamp.value?.state, profile.value.measures),
      };
    }),
  ...profile.value.gaps
    .filter((gap) => seen(gap.at))
    .map((gap): SheetMark => {
      const width = job.state.gaps.before[gap.id];
      return {
        id: `gap:${gap.id}`,
        at: gap.at,
        label: gap.name,
        shape: 'bar',
        tone: width === undefined ? 'open' : 'settled',
        word: width === undefined ? undefined : millimetres(width),
      };
    }),
]);

/** The near end of the vehicle, so that marks stand apart. */
const part = computed(() =>
  // Of one whose lamps nobody has described all of it stands there.
  view.value === 'top' || lamps.value.length === 0
    ? undefined
    : frameAround(
        view.value,
        profile.value.measures,
        marks.value.map((mark) => mark.at),
      ),
);

const lamp = computed(() => lamps.value.find((entry) => `lamp:${entry.id}` === picked.value));
const gap = computed(() => profile.value.gaps.find((entry) => `gap:${entry.id}` === picked.value));
const remarks = computed(() => {
  const { number: written, year } = job.view?.vehicle ?? {};
  return number.value.trim() ? remarksOn({ number: number.value, year: year ?? undefined, written: written ?? undefined }, profile.value).map(sayVehicleRemark) : [];
});

function recordNumber(): void {
  numberTyped.value = false;
  const act = checkIn.recordNumber(context.value, number.value);
  if (isRefused(act)) return;
  void job.perform(act);
  dropNumber();
}

function tried(result: BaselineResult): void {
  if (!lamp.value) return;
  void job.perform(checkIn.tryLamp(context.value, lamp.value.id, result, actedAt()));
  const next = marks.value.find((mark) => mark.id.startsWith('lamp:') && mark.tone === 'open' && mark.id !== picked.value);
  picked.value = next?.id;
}

function restWorks(): void {
  void job.perform(checkIn.othersWork(context.value, actedAt()));
}

function noCodes(): void {
  void job.perform(checkIn.codesRead(context.value, 'before', actedAt()));
}

function written(text: string): void {
  if (asking.value === 'code') void job.perform(checkIn.codeFound('before', text));
  else void job.record('damage.noted', { place: view.value, note: text });
  asking.value = undefined;
}
</script>

<template>
  <div class="pair">
    <section class="stack">
      <PlaceTwins :list="'gaps'" />
      <div class="leaf">
        <div class="line">
          <ChoiceRow :label="CHECK_IN_STATION.view" small :choices="VIEWS.map((value) => ({ value, text: value }))" :value="view" @choose="(value) => (view = value)" />
          <span class="soft">{{
            lamps.length === 0
              ? CHECK_IN_STATION.noLamps(isUndescribed(profile, 'functions'))
              : untried.length === 0
                ? CHECK_IN_STATION.allTried
                : CHECK_IN_STATION.toTry(untried.length, lamps.length)
          }}</span>
        </div>
        <VehicleSheet
          :profile="profile"
          :view="view"
          :part="part"
          :marks="marks"
          :picked="picked"
          :label="CHECK_IN_STATION.drawing(profile.maker, profile.model, view)"
          @pick="(id) => (picked = id)"
        />
        <div class="entry" aria-live="polite">
          <template v-if="lamp">
            <strong>{{ lamp.name }}</strong> <span class="soft">{{ CHECK_IN_STATION.withOn(lamp.state) }}</span>
            <ChoiceRow :label="lamp.name" :choices="RESULTS" :value="job.state.baseline[lamp.id]" @choose="tried" />
          </template>
          <template v-else-if="gap">
            <strong>{{ gap.name }}</strong> <span v-if="gap.nominalMm !== undefined" class="soft">{{ CHECK_IN_STATION.nominal(gap.nominalMm, inches(gap.nominalMm / 25.4)) }}</span>
            <MeasureEntry
              :key="gap.id"
              :label="CHECK_IN_STATION.gap"
              :about="gap.id"
              unit="mm"
              :least="0"
              :most="100"
              :value="job.state.gaps.before[gap.id]"
              :doubts="(widthMm) => checkIn.doubtsOfGap(context, gap?.id ?? '', 'before', widthMm)"
              @measured="(widthMm, why) => job.perform(checkIn.gapMeasured(context, gap?.id ?? '', 'before', widthMm, why))"
            />
          </template>
          <span v-else class="soft">{{ profile.gaps.length === 0 ? GAP_FOUND.none : CHECK_IN_STATION.marks }}</span>
          <button v-if="checkIn.gapsAsItCame(context)" type="button" class="push small" @click="gapping = true">{{ GAP_FOUND.measure }}</button>
          <button v-if="untried.length > 0" type="button" class="push small rest" @click="restWorks">{{ CHECK_IN_STATION.othersWork(untried.length) }}</button>
        </div>
      </div>
      <LampsSeen />
      <div class="leaf stack">
        <div class="line">
          <h2>{{ CHECK_IN_STATION.found }}</h2>
          <button type="button" class="push small" @click="asking = 'damage'">{{ CHECK_IN_STATION.noteDamage }}</button>
          <button type="button" class="push small" @click="accessory = true">{{ CHECK_IN_STATION.fitted }}</button>
        </div>
        <PhotoRow :subject="{ kind: 'arrival' }" />
        <p v-if="job.state.damage.length === 0 && accessories.length === 0" class="soft">{{ CHECK_IN_STATION.noneNoted }}</p>
        <ul class="line">
          <li v-for="entry in job.state.damage" :key="entry.event">
            <TapeLabel>{{ entry.place }}: {{ entry.note }}</TapeLabel>
            <PhotoRow :subject="{ kind: 'damage', entry: entry.event }" bare />
          </li>
          <li v-for="entry in accessories" :key="entry.accessory">
            <TapeLabel>{{ entry.name }}</TapeLabel> <span class="soft">{{ CHECK_IN_STATION.offBefore(entry.holds.map((id) => inSentence(names.piece(id)))) }}</span>
          </li>
        </ul>
      </div>
    </section>
    <section class="stack">
      <div class="leaf stack">
        <h2>{{ CHECK_IN_STATION.vehicleNumber }}</h2>
        <p v-if="job.view" class="soft">
          {{ job.view.vehicle.year ? CHECK_IN_STATION.modelYear(job.view.vehicle.year) : CHECK_IN_STATION.noModelYear }}:
          <router-link :to="{ name: 'customers', query: { vehicle: job.view.vehicle.id } }">{{ CHECK_IN_STATION.toVehicle }}</router-link>
        </p>
        <WordsField
          v-model="number"
          :label="CHECK_IN_STATION.number"
          class="mono"
          :most="LONGEST_TEXT.number"
          autocapitalize="characters"
          spellcheck="false"
          @blur="numberTyped && recordNumber()"
          @keydown.enter="recordNumber"
        />
        <p v-for="remark in remarks" :key="remark" class="remark">{{ remark }}</p>
        <TapeLabel v-if="job.state.number" class="mono">{{ job.state.number }}</TapeLabel>
      </div>
      <div v-if="brought" class="leaf stack">
        <h2>{{ CHECK_IN_STATION.asItCame }}</h2>
        <p v-if="brought.wish">
          <TapeLabel class="wish">{{ brought.wish }}</TapeLabel>
        </p>
        <p v-if="brought.mileage || brought.keys" class="line">
          <TapeLabel v-if="brought.mileage">{{ sayMileage(brought.mileage) }}</TapeLabel>
          <span v-if="brought.keys"
            >{{ CHECK_IN_STATION.keys }} <TapeLabel>{{ brought.keys }}</TapeLabel></span
          >
        </p>
      </div>
      <FactList
        ><button v-if="profile.pieces.length > 0" type="button" class="push small" @click="differing = true">{{ DIFFERS.open }}</button></FactList
      >
      <div v-if="measuresOpen.length > 0" class="leaf line">
        <span class="grow soft">{{ MEASURES_TAKEN.open(measuresOpen.length) }}</span>
        <button type="button" class="push small" @click="measuring = true">{{ MEASURES_TAKEN.measure }}</button>
      </div>
      <CautionNote v-for="text in profile.cautions" :key="text" :text="text" />
      <div class="leaf stack">
        <h2>{{ CHECK_IN_STATION.battery }}</h2>
        <div class="line">
          <MeasureEntry
            :label="CHECK_IN_STATION.atRest"
            unit="V"
            :least="0"
            :most="60"
            :value="job.state.restV"
            :doubts="(restV) => checkIn.doubtsOfRest(context, restV)"
            @measured="(restV, why) => job.perform(checkIn.batteryMeasured(context, restV, why))"
          />
          <button type="button" class="push small" @click="asking = 'code'">{{ CHECK_IN_STATION.addCode }}</button>
          <button type="button" class="push small" :aria-pressed="job.state.codesRead.before !== undefined" @click="noCodes">
            {{ job.state.codes.before.length === 0 ? CHECK_IN_STATION.noneStored : CHECK_IN_STATION.allEntered }}
          </button>
        </div>
        <ul class="line">
          <li v-for="entry in job.state.codes.before" :key="entry.code">
            <TapeLabel class="mono">{{ entry.code }}{{ entry.note ? ` ${entry.note}` : '' }}</TapeLabel>
          </li>
        </ul>
        <WarningLamps moment="before" />
        <LensGrades moment="before" />
      </div>
    </section>
    <AccessoryFound v-if="accessory" @close="accessory = false" />
    <VehiclesDiffer v-if="differing" @close="differing = false" />
    <MeasuresTaken v-if="measuring" @close="measuring = false" />
    <GapFound v-if="gapping" :view="view" @close="gapping = false" />
    <AskText
      v-if="asking"
      :title="asking === 'code' ? CHECK_IN_STATION.codeTitle : CHECK_IN_STATION.damageTitle(view)"
      :label="asking === 'code' ? CHECK_IN_STATION.code : CHECK_IN_STATION.whatAndWhere"
      :action="COMMON.record"
      :about="`${job.view?.id}/check-in/${asking === 'code' ? 'code' : view}`"
      :most="asking === 'code' ? LONGEST_TEXT.code : LONGEST_TEXT.damage"
      @written="written"
      @close="asking = undefined"
    />
  </div>
</template>

<style scoped>
.wish {
  white-space: normal;
}

.entry {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  min-height: 64px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

.rest {
  margin-left: auto;
}

.remark {
  color: var(--amber);
  font-weight: 560;
}
</style>
