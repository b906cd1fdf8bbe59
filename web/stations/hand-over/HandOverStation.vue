<script setup lang="ts">
import { computed, ref } from 'vue';
import { BASELINE_RESULTS, LONGEST_TEXT, type BaselineResult } from '@jade/core/events';
import { functionsOf, lostFunctions } from '@jade/core/job';
import { shinesIn, type LampFunction } from '@jade/core/vehicle';
import { sayHold, STATION_NAMES, sayRefusal } from '@jade/words/stations';
import { sayKey } from '@jade/words/subject';
import { checkIn, handOver } from '@jade/core/stations';
import { sayLogLine } from '@jade/words/job';
import { PHOTOS } from '@jade/words/photos';
import { sayAsOnArrival, SHEET, SIGNING } from '@jade/words/sheet';
import AskText from '../../design/AskText.vue';
import ChoiceRow from '../../design/ChoiceRow.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import VehicleSheet, { type SheetMark } from '../../design/drawings/VehicleSheet.vue';
import { frameAround } from '../../design/geometry/outline.ts';
import { actedAt, useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';
import LensGrades from '../../job/LensGrades.vue';
import WarningLamps from '../../job/WarningLamps.vue';
import { may } from '@jade/core/shop';
import { COMMON } from '@jade/words/common';
import { HAND_OVER_STATION } from '@jade/words/hand-over';
import { LIBRARY_VIEW } from '@jade/words/library';
import RightGate from '../../session/RightGate.vue';
import NewLamps from './NewLamps.vue';
import SheetPage from './SheetPage.vue';
import { useOutbox } from '../../outbox/index.ts';
import { useSession } from '../../session/index.ts';

const { job, context, names } = useCurrentJob();
const outbox = useOutbox();
const session = useSession();
const picked = ref<string>();
const asking = ref<'code' | 'reopen'>();
const view = ref<'front' | 'rear'>('front');
/** The sheet is read, in the place of the station. */
const reading = ref(false);
const RESULTS = BASELINE_RESULTS.map((value) => ({ value, text: value }));

const profile = computed(() => context.value.profile);
const lost = computed(() => new Set(lostFunctions(context.value)));
const lamps = computed(() => functionsOf(context.value));
const middleMm = computed(() => profile.value.measures.frontOverhangMm - profile.value.measures.lengthMm / 2);
const untried = computed(() => handOver.toTryAgain(context.value));
const asBefore = computed(() => handOver.asOnArrival(context.value));
const taught = computed(() => handOver.taughtHere(context.value));
const clock = useClock();
const againstCodes = computed(() => handOver.againstCodes(context.value, clock.value));
const missing = computed(() => job.standing?.missing ?? []);
const ready = computed(() => job.standing?.readyToSign ?? false);
const sent = computed(() => outbox.pending(job.view?.id ?? '').length === 0);
const signer = computed(() => (job.state.signed?.by === undefined ? session.session?.benchName : session.benchNameOf(job.state.signed.by)));
/** What came after the job was signed: it is seen before the job is opened again. */
const late = computed(() => {
  const ids = new Set(job.state.questions.flatMap((question) => (question.code === 'late-event' ? [question.event] : [])));
  return job.log.filter(({ id }) => ids.has(id)).map((event) => ({ id: event.id, text: sayLogLine(event, names.value, session.benchNameOf) }));
});
const tone = (lamp: LampFunction) => {
  const after = job.state.final[lamp.id];
  if (!after) return 'open' as const;
  return handOver.functionWorse(job.state.baseline[lamp.id], after) ? ('fault' as const) : ('settled' as const);
};
const marks = computed(() =>
  lamps.value
    .filter((lamp) => (view.value === 'front' ? lamp.at.xMm > middleMm.value : lamp.at.xMm <= middleMm.value))
    .map((lamp): SheetMark => ({
      id: lamp.id,
      at: lamp.at,
      label: lamp.name,
      tone: tone(lamp),
      lit: shinesIn(lamp, current.value?.state, profile.value.measures),
    })),
);
const part = computed(() =>
  frameAround(
    view.value,
    profile.value.measures,
    marks.value.map((mark) => mark.at),
  ),
);
const current = computed(() => lamps.value.find((lamp) => lamp.id === picked.value));

/** Rows of left and right beside each other, and those in the middle. */
const rows = computed(() => {
  const base = (lamp: LampFunction) => lamp.name.replace(/, (left|right)$/, '');
  return [...new Set(lamps.value.map(base))].map((name) => {
    const own = lamps.value.filter((lamp) => base(lamp) === name);
    return { name, cells: (['left', 'centre', 'right'] as const).map((side) => own.find((lamp) => lamp.side === side)) };
  });
});

function tried(result: BaselineResult): void {
  if (current.value) void job.perform(handOver.tryAgain(context.value, current.value.id, result, actedAt()));
  picked.value = marks.value.find((mark) => mark.tone === 'open' && mark.id !== picked.value)?.id;
}

function restAsBefore(): void {
  void job.perform(handOver.othersAsOnArrival(context.value, actedAt()));
}

function written(text: string): void {
  if (asking.value === 'code') void job.perform(checkIn.codeFound('after', text));
  else void job.record('job.reopened', { why: text });
  asking.value = undefined;
}
const taken = computed(() => Object.keys(job.state.photos).length);
</script>

<template>
  <div v-if="reading" class="stack">
    <div>
      <button type="button" class="push" @click="reading = false">{{ SIGNING.back }}</button>
    </div>
    <SheetPage />
  </div>
  <div v-else class="pair">
    <section class="stack">
      <div class="leaf">
        <div class="line">
          <ChoiceRow
            :label="HAND_OVER_STATION.view"
            small
            :choices="[
              { value: 'front', text: 'front' },
              { value: 'rear', text: 'rear' },
            ]"
            :value="view"
            @choose="(value) => (view = value)"
          />
          <span class="soft">{{ HAND_OVER_STATION.toTry(untried.length) }}</span>
          <button v-if="asBefore.length > 0" type="button" class="push small" @click="restAsBefore">{{ sayAsOnArrival(asBefore.length, lamps.length) }}</button>
        </div>
        <VehicleSheet :profile="profile" :view="view" :part="part" :marks="marks" :picked="picked" :label="HAND_OVER_STATION.drawing(view)" @pick="(id) => (picked = id)" />
        <div v-if="current" class="line entry">
          <strong>{{ current.name }}</strong> <span class="soft">{{ HAND_OVER_STATION.onArrival(job.state.baseline[current.id]) }}</span>
          <ChoiceRow :label="HAND_OVER_STATION.leaving(current.name)" :choices="RESULTS" :value="job.state.final[current.id]" @choose="tried" />
        </div>
      </div>
      <NewLamps />
      <div class="leaf scroll">
        <table>
          <caption class="out-of-sight">
            {{
              HAND_OVER_STATION.table
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ HAND_OVER_STATION.function }}</th>
              <th scope="col">{{ HAND_OVER_STATION.left }}</th>
              <th scope="col">{{ HAND_OVER_STATION.middle }}</th>
              <th scope="col">{{ HAND_OVER_STATION.right }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.name">
              <th scope="row">{{ row.name }}</th>
              <td v-for="(lamp, index) in row.cells" :key="index">
                <template v-if="lamp">
                  <button type="button" class="cell" :class="tone(lamp)" :aria-label="HAND_OVER_STATION.lamp(lamp.name, job.state.final[lamp.id])" @click="picked = lamp.id">
                    {{ lost.has(lamp.id) ? HAND_OVER_STATION.byKit : (job.state.final[lamp.id] ?? '·') }}
                  </button>
                  <small v-if="job.state.baseline[lamp.id] !== 'works'" class="soft">{{ HAND_OVER_STATION.was(job.state.baseline[lamp.id]) }}</small>
                </template>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <section class="stack">
      <div class="leaf stack verdict" :class="{ ready, signed: job.state.signed }">
        <template v-if="job.state.signed">
          <h2>{{ HAND_OVER_STATION.signedOff }}</h2>
          <TapeLabel>{{ signer }}</TapeLabel>
          <p v-if="job.state.opened?.keys">
            {{ HAND_OVER_STATION.keysHang }} <TapeLabel>{{ job.state.opened.keys }}</TapeLabel>
          </p>
          <div>
            <button type="button" class="push" @click="reading = true">{{ SHEET.title }}</button>
          </div>
          <a v-if="sent" class="push main" :href="`/api/jobs/${job.view?.id}/sheet.pdf`" target="_blank" rel="noopener">{{ HAND_OVER_STATION.sheet }}</a>
          <p v-else class="soft">{{ HAND_OVER_STATION.sheetLater }}</p>
          <template v-if="late.length > 0">
            <p class="odd">{{ SHEET.late }}</p>
            <ul>
              <li v-for="entry in late" :key="entry.id">{{ entry.text }}</li>
            </ul>
          </template>
          <RightGate right="reopen"
            ><button type="button" class="push small" @click="asking = 'reopen'">{{ HAND_OVER_STATION.reopen }}</button></RightGate
          >
        </template>
        <template v-else>
          <h2>{{ ready ? HAND_OVER_STATION.canLeave : HAND_OVER_STATION.stillMissing(missing.length) }}</h2>
          <ul class="missing">
            <li v-for="(hold, index) in missing" :key="index" :class="hold.kind.replace(' ', '-')">
              <router-link :to="{ name: 'station', params: { id: job.view?.id, station: hold.station } }">{{ STATION_NAMES[hold.station] }}</router-link>
              <span>{{ sayHold(hold, names) }}</span>
            </li>
          </ul>
          <button type="button" class="push big" @click="reading = true">{{ SIGNING.read }}</button>
          <RightGate right="sign off">
            <button type="button" class="push main big" :disabled="!ready" @click="job.standing && job.perform(handOver.sign(context, job.standing, job.lastSeq()))">
              {{ HAND_OVER_STATION.signOff(session.session?.benchName) }}
            </button>
          </RightGate>
          <div v-if="!may(session.session?.role, 'sign off')">
            <button type="button" class="push" @click="session.asking = true">{{ HAND_OVER_STATION.takesOver }}</button>
          </div>
        </template>
      </div>
      <div class="leaf stack">
        <h2>{{ HAND_OVER_STATION.codes }}</h2>
        <div class="line">
          <button type="button" class="push small" @click="asking = 'code'">{{ HAND_OVER_STATION.addCode }}</button>
          <button
            type="button"
            class="push small"
            :aria-pressed="job.state.codesRead.after !== undefined"
            :disabled="againstCodes.length > 0"
            @click="job.perform(handOver.codesReadAfter(context, actedAt()))"
          >
            {{ job.state.codes.after.length === 0 ? HAND_OVER_STATION.noneStored : HAND_OVER_STATION.allEntered }}
          </button>
        </div>
        <p v-for="refusal in againstCodes" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</p>
        <ul class="line">
          <li v-for="entry in job.state.codes.after" :key="entry.code">
            <TapeLabel class="mono">{{ entry.code }}</TapeLabel>
          </li>
        </ul>
        <WarningLamps moment="after" />
        <LensGrades moment="after" />
        <h2>{{ HAND_OVER_STATION.gaps }}</h2>
        <div class="gaps">
          <MeasureEntry
            v-for="gap in profile.gaps"
            :key="gap.id"
            :label="HAND_OVER_STATION.gapWas(gap.name, job.state.gaps.before[gap.id])"
            unit="mm"
            :least="0"
            :most="100"
            :value="job.state.gaps.after[gap.id]"
            :about="gap.id"
            :doubts="(widthMm) => checkIn.doubtsOfGap(context, gap.id, 'after', widthMm)"
            @measured="(widthMm, why) => job.perform(checkIn.gapMeasured(context, gap.id, 'after', widthMm, why))"
          />
        </div>
      </div>
      <div v-if="taught.kind || taught.kits.length > 0" class="leaf stack">
        <h2>{{ HAND_OVER_STATION.taught }}</h2>
        <p>
          {{
            HAND_OVER_STATION.taughtWhat(
              taught.kind ? LIBRARY_VIEW.vehicle(profile) : undefined,
              taught.kits.map((kit) => names.kit(kit)),
            )
          }}
        </p>
        <div>
          <router-link class="push" :to="{ name: 'library', query: { show: `vehicle/${profile.slug}` } }">{{ HAND_OVER_STATION.keepIt }}</router-link>
        </div>
      </div>
      <div class="leaf stack">
        <h2>{{ PHOTOS.title }}</h2>
        <PhotoRow :subject="{ kind: 'leaving' }" />
        <p v-if="taken > 0">
          <router-link class="push small" :to="{ name: 'photos', params: { id: job.view?.id } }">{{ PHOTOS.all(taken) }}</router-link>
        </p>
      </div>
      <div v-if="Object.keys(job.state.exceptions).length > 0" class="leaf">
        <h2>{{ HAND_OVER_STATION.exceptions }}</h2>
        <ul class="stack">
          <li v-for="(note, about) in job.state.exceptions" :key="about">
            <TapeLabel>{{ note }}</TapeLabel> <span class="soft">{{ sayKey(String(about), names) }}</span>
          </li>
        </ul>
      </div>
    </section>
    <AskText
      v-if="asking"
      :title="asking === 'code' ? HAND_OVER_STATION.codeTitle : HAND_OVER_STATION.reopen"
      :label="asking === 'code' ? HAND_OVER_STATION.code : HAND_OVER_STATION.why"
      :action="COMMON.record"
      :about="`${job.view?.id}/hand-over/${asking}`"
      :most="asking === 'code' ? LONGEST_TEXT.code : LONGEST_TEXT.why"
      @written="written"
      @close="asking = undefined"
    />
  </div>
</template>

<style scoped>
.entry {
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

.verdict {
  border-left: 7px solid var(--amber);
}

.verdict.ready,
.verdict.signed {
  border-left-color: var(--jade);
}

.missing {
  max-height: 300px;
  overflow-y: auto;
}

.missing li {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 10px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}

.block span {
  color: var(--red);
}

.question span {
  color: var(--amber);
}

.scroll {
  overflow-x: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  text-align: left;
  padding: 3px 8px 3px 0;
  border-bottom: 1px solid var(--line);
}

tbody th {
  font-weight: 550;
}

td small {
  margin-left: 6px;
}

.cell {
  min-width: 76px;
  min-height: 38px;
  border: 1.5px dashed var(--line-strong);
  background: none;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}

.cell.settled {
  border: 0;
  border-left: 7px solid var(--jade);
  background: var(--tape);
  color: var(--on-tape);
}

.cell.fault {
  border: 2px solid var(--red);
  background: var(--red-soft);
}

.gaps {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
}
</style>
