<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { sense } from '@jade/core/stations';
import { isUndescribed } from '@jade/core/vehicle';
import { NOT_DESCRIBED } from '@jade/words/stations';
import type { PoseChange } from '@jade/core/sensing';
import { COMMON } from '@jade/words/common';
import { CALIBRATION, sayCalibration, saySensorEffect, SENSE_STATION } from '@jade/words/sensing';
import { degrees, inSentence } from '@jade/words/units';
import AskText from '../../design/AskText.vue';
import CautionNote from '../../design/CautionNote.vue';
import EmptyNote from '../../design/EmptyNote.vue';
import MeasureEntry from '../../design/MeasureEntry.vue';
import TapeLabel from '../../design/TapeLabel.vue';
import VehicleSheet, { type SheetMark } from '../../design/drawings/VehicleSheet.vue';
import { frame } from '../../design/geometry/outline.ts';
import { viewSector } from '../../design/geometry/view-cone.ts';
import { useCurrentJob } from '../../job/current.ts';
import PlaceTwins from '../../job/PlaceTwins.vue';
import PhotoRow from '../../photos/PhotoRow.vue';
import CalibrationByOthers from './CalibrationByOthers.vue';

/** A form that is seldom wanted. */
const SensorFound = defineAsyncComponent(() => import('./SensorFound.vue'));

const { job, context, names } = useCurrentJob();
const finding = ref(false);
const REACH_MM = 1900;
const HOWS = ['done here', 'by others', 'not required'] as const;
const picked = ref<string>();
const asking = ref<{ sensor: string; how: (typeof HOWS)[number] }>();

const effects = computed(() => sense.disturbedSensors(context.value, job.plan));
const all = computed(() => context.value.profile.sensors.filter((sensor) => effects.value.some((effect) => effect.sensor.id === sensor.id)));
const unplugged = (id: string) => job.state.unplugged.includes(id);
const marks = computed(() =>
  effects.value.map(({ sensor, calibrationDue }): SheetMark => {
    const open = unplugged(sensor.id) || (calibrationDue && !job.state.calibrated[sensor.id]);
    return { id: sensor.id, at: sensor.pose, label: sensor.name, tone: open ? 'question' : 'settled' };
  }),
);
const part = computed<[number, number, number, number]>(() => {
  const [x, y, , height] = frame('top', context.value.profile.measures);
  return [x - REACH_MM, y - 200, REACH_MM + 2900, height + 400];
});
/** Beyond so much it is no sensor of close quarters: drawn as far as the sheet goes. */
const FAR_M = 10;
const cones = computed(() =>
  effects.value
    .filter(({ sensor }) => sensor.fieldOfView === undefined || sensor.fieldOfView.rangeM > 0)
    .map(({ sensor, change, beyondTolerance }) => {
      const reach = (sensor.fieldOfView?.rangeM ?? 0) < FAR_M ? 900 : REACH_MM;
      return { id: sensor.id, was: viewSector(sensor, 0, reach), now: viewSector(sensor, change.yawDeg, reach), off: beyondTolerance };
    }),
);

function calibrationOf(sensor: string): string {
  const done = job.state.calibrated[sensor];
  return done ? sayCalibration(done) : '';
}

function moved(sensor: string, part_: Partial<PoseChange>): void {
  void job.perform(sense.moved(context.value, sensor, part_));
}

/** Nobody has described the sensors of this kind of vehicle. */
const unlooked = computed(() => isUndescribed(context.value.profile, 'sensors'));
function calibrated(note: string): void {
  if (asking.value && asking.value.how !== 'by others') void job.perform(sense.calibrated(asking.value.sensor, asking.value.how, note));
  asking.value = undefined;
}
</script>

<template>
  <section v-if="unlooked" class="leaf stack undescribed" :aria-label="NOT_DESCRIBED.title">
    <h2>{{ NOT_DESCRIBED.title }}</h2>
    <p>{{ SENSE_STATION.undescribed }}</p>
    <div v-if="Object.keys(job.state.reached).length > 0" class="line">
      <button v-if="sense.carriers(context).length > 0" type="button" class="push main" @click="finding = true">{{ SENSE_STATION.met }}</button>
      <button type="button" class="push" @click="job.perform(sense.noMore(context, 'sensors'))">
        {{ context.profile.sensors.length > 0 ? SENSE_STATION.noOther : SENSE_STATION.noneMet }}
      </button>
    </div>
  </section>
  <PlaceTwins :list="'sensors'" />
  <SensorFound v-if="finding" @close="finding = false" />
  <EmptyNote v-if="!unlooked && effects.length === 0" kind="empty">{{ SENSE_STATION.none }}</EmptyNote>
  <div v-if="effects.length > 0" class="pair">
    <div class="leaf">
      <VehicleSheet :profile="context.profile" view="top" :part="part" :marks="marks" :picked="picked" :label="SENSE_STATION.drawing" @pick="(id) => (picked = id)">
        <g v-for="cone in cones" :key="cone.id" class="cone" :class="{ off: cone.off, picked: cone.id === picked }">
          <path v-if="cone.was.path" class="was" :d="cone.was.path" />
          <path class="now" :d="cone.now.axis" />
        </g>
      </VehicleSheet>
      <p class="soft">{{ SENSE_STATION.marks }}</p>
    </div>
    <div class="stack">
      <article v-for="effect in effects" :key="effect.sensor.id" class="leaf stack" :class="{ chosen: effect.sensor.id === picked }">
        <div class="line">
          <h2>{{ effect.sensor.name }}</h2>
          <span class="soft">{{
            SENSE_STATION.within(inSentence(names.piece(effect.piece)), effect.sensor.toleranceDeg === undefined ? undefined : degrees(effect.sensor.toleranceDeg))
          }}</span>
        </div>
        <p>{{ saySensorEffect(effect) }}</p>
        <div class="line">
          <button v-if="unplugged(effect.sensor.id)" type="button" class="push main" @click="job.perform(sense.reconnected(context, effect.sensor.id))">
            {{ SENSE_STATION.reconnected(effect.sensor.lock) }}
          </button>
          <button v-else type="button" class="push small" @click="job.perform(sense.unplugged(context, effect.sensor.id))">{{ SENSE_STATION.unplug }}</button>
        </div>
        <PhotoRow :subject="{ kind: 'sensor', sensor: effect.sensor.id }" />
        <details>
          <summary>{{ SENSE_STATION.moved }}</summary>
          <div class="line entries">
            <MeasureEntry
              :label="SENSE_STATION.yaw"
              :about="effect.sensor.id"
              unit="°"
              :least="-45"
              :most="45"
              :value="job.state.sensorMoves[effect.sensor.id]?.yawDeg"
              @measured="(yawDeg) => moved(effect.sensor.id, { yawDeg })"
            />
            <MeasureEntry
              :label="SENSE_STATION.pitch"
              :about="effect.sensor.id"
              unit="°"
              :least="-45"
              :most="45"
              :value="job.state.sensorMoves[effect.sensor.id]?.pitchDeg"
              @measured="(pitchDeg) => moved(effect.sensor.id, { pitchDeg })"
            />
            <MeasureEntry
              :label="SENSE_STATION.forward"
              :about="effect.sensor.id"
              unit="mm"
              :least="-2000"
              :most="2000"
              :value="job.state.sensorMoves[effect.sensor.id]?.xMm"
              @measured="(xMm) => moved(effect.sensor.id, { xMm })"
            />
            <MeasureEntry
              :label="SENSE_STATION.left"
              :about="effect.sensor.id"
              unit="mm"
              :least="-2000"
              :most="2000"
              :value="job.state.sensorMoves[effect.sensor.id]?.yMm"
              @measured="(yMm) => moved(effect.sensor.id, { yMm })"
            />
            <MeasureEntry
              :label="SENSE_STATION.up"
              :about="effect.sensor.id"
              unit="mm"
              :least="-2000"
              :most="2000"
              :value="job.state.sensorMoves[effect.sensor.id]?.zMm"
              @measured="(zMm) => moved(effect.sensor.id, { zMm })"
            />
          </div>
        </details>
        <template v-if="effect.calibrationDue">
          <CautionNote :text="effect.sensor.procedure" />
          <TapeLabel v-if="calibrationOf(effect.sensor.id)">{{ calibrationOf(effect.sensor.id) }}</TapeLabel>
          <div v-else class="line">
            <button v-for="how in HOWS" :key="how" type="button" class="push small" @click="asking = { sensor: effect.sensor.id, how }">{{ CALIBRATION[how] }}</button>
          </div>
        </template>
      </article>
      <p class="soft">{{ SENSE_STATION.touched(all.length, context.profile.sensors.length) }}</p>
    </div>
    <CalibrationByOthers v-if="asking?.how === 'by others'" :sensor="asking.sensor" @close="asking = undefined" />
    <AskText
      v-else-if="asking"
      :title="CALIBRATION[asking.how]"
      :label="CALIBRATION.label"
      :action="COMMON.record"
      :about="`${job.view?.id}/calibration/${asking.sensor}/${asking.how}`"
      :most="LONGEST_TEXT.note"
      @written="calibrated"
      @close="asking = undefined"
    />
  </div>
</template>

<style scoped>
.cone path {
  vector-effect: non-scaling-stroke;
}

.was {
  fill: color-mix(in srgb, var(--jade) 13%, transparent);
  stroke: var(--jade);
  stroke-width: 1px;
}

.now {
  stroke: var(--jade);
  stroke-width: 2px;
  stroke-dasharray: 8 5;
}

.off .now {
  stroke: var(--red);
  stroke-width: 3px;
}

.cone.picked .was {
  fill: color-mix(in srgb, var(--jade) 30%, transparent);
}

.chosen {
  border-color: var(--focus);
}

.entries {
  padding-top: 12px;
}
</style>
