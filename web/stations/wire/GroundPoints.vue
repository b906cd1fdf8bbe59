<script setup lang="ts">
import { computed, ref } from 'vue';
import { groundsAsked, rankedGrounds } from '@jade/core/loom';
import { wire } from '@jade/core/stations';
import { GROUND_POINTS, sayGround } from '@jade/words/wiring';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { useCurrentJob } from '../../job/current.ts';

/** Ground points of the body, ranked by what is lost there under load. */
const { job, context } = useCurrentJob();
const asked = computed(() => groundsAsked(context.value));
const grounds = computed(() => rankedGrounds(context.value));
/** Both halves of a reading, by ground point, until both are there: a drop says nothing without the current that was read with it. */
const amperes = ref<Record<string, number>>({});
const drops = ref<Record<string, number>>({});

function read(ground: string): void {
  const { [ground]: ampere, ...otherAmperes } = amperes.value;
  const { [ground]: dropMv, ...otherDrops } = drops.value;
  if (ampere === undefined || dropMv === undefined) return;
  void job.perform(wire.measureGround(context.value, ground, dropMv, ampere));
  amperes.value = otherAmperes;
  drops.value = otherDrops;
}
</script>

<template>
  <section v-if="asked" class="leaf stack">
    <h2>{{ GROUND_POINTS.title }}</h2>
    <p class="soft">
      {{ GROUND_POINTS.how }}
    </p>
    <p v-if="!grounds" class="odd">{{ GROUND_POINTS.notDescribed }}</p>
    <ul v-else class="rows">
      <li v-for="entry in grounds" :key="entry.ground.id">
        <div class="grow">
          <p :class="entry.holds === false ? 'bad' : entry.holds ? 'good' : ''">{{ sayGround(entry) }}</p>
          <p class="soft">{{ entry.ground.whereToLook }}</p>
        </div>
        <MeasureEntry
          :label="GROUND_POINTS.current"
          :about="entry.ground.id"
          unit="A"
          :least="0.01"
          :most="1000"
          :value="amperes[entry.ground.id]"
          @measured="(value) => ((amperes = { ...amperes, [entry.ground.id]: value }), read(entry.ground.id))"
        />
        <MeasureEntry
          :label="GROUND_POINTS.drop"
          :about="entry.ground.id"
          unit="mV"
          :least="0"
          :most="60000"
          :value="drops[entry.ground.id]"
          @measured="(value) => ((drops = { ...drops, [entry.ground.id]: value }), read(entry.ground.id))"
        />
      </li>
    </ul>
  </section>
</template>
