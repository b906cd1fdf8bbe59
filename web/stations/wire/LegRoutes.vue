<script setup lang="ts">
import { computed, ref } from 'vue';
import { legCautions } from '@jade/core/plan';
import { legOf, legRoutes, routeParts, type LegPath, type LegRoute } from '@jade/core/loom';
import { LONGEST_TEXT } from '@jade/core/events';
import { isRefused, wire } from '@jade/core/stations';
import { key } from '@jade/core/subject';
import { sayRefusal } from '@jade/words/stations';
import { LEG_ROUTES, sayAlong, sayLegUse, sayPath, sayPathPrice, sayRouteParts } from '@jade/words/wiring';
import CautionList from '../../design/CautionList.vue';
import CableWay from '../../design/drawings/CableWay.vue';
import WordsField from '../../design/WordsField.vue';
import { useCurrentJob } from '../../job/current.ts';
import PhotoRow from '../../photos/PhotoRow.vue';

/** The way of each leg through the vehicle, whether it is long enough, and the other ways with their price. */
const { job, context, names } = useCurrentJob();
const routes = computed(() => legRoutes(context.value));
/** A leg that is still to be opened for goes by the way that the plan of opening took. */
const planned = ({ paths, path, laid, ...route }: LegRoute): LegPath | undefined => {
  const target = key({ kind: 'leg', kit: route.kit, leg: legOf(context.value, { ...route }) });
  const way = laid ? undefined : job.plan?.targetWays.find((entry) => entry.target === target)?.way;
  return paths.find(({ id }) => id === way) ?? path;
};
const legs = computed(() =>
  (routes.value ?? []).map((route) => {
    const leg = legOf(context.value, route);
    const path = planned(route);
    const open = (other: LegPath) => other.needs.filter(({ piece }) => !(path?.needs ?? []).some((need) => need.piece === piece)).length;
    return {
      ...route,
      leg,
      path,
      others: route.paths.filter(({ id }) => id !== path?.id).map((other) => ({ other, more: open(other) })),
      act: wire.layLeg(context.value, route.kit, leg, path?.id),
    };
  }),
);
const long = computed(() => legs.value.filter(({ path }) => path && path.along.length > 0));
const parts = computed(() => sayRouteParts(routeParts(context.value)));
const holes = computed(() => (context.value.profile.cableWays?.segments ?? []).filter(({ id, drill }) => drill && !context.value.state.drillAgreed[id]));
const by = ref('');
const behind = ref('');
</script>

<template>
  <section class="leaf stack">
    <h2>{{ LEG_ROUTES.title }}</h2>
    <p v-if="!routes" class="odd">
      {{ LEG_ROUTES.notDescribed }}
    </p>
    <template v-else>
      <CableWay v-if="long.length > 0" :profile="context.profile" :paths="long.flatMap(({ path }) => (path ? [path] : []))" />
      <ul class="rows">
        <li v-for="route in legs" :key="`${route.kit} ${route.leg}`">
          <div class="grow">
            <strong>{{ names.leg(route.kit, route.leg) }}</strong>
            <p v-if="route.path">{{ sayPath(route.path) }}.</p>
            <p class="soft">{{ sayLegUse(route) }}</p>
            <CautionList v-if="!route.laid" :codes="legCautions(route)" />
            <p v-for="text in route.path ? sayAlong(route.path) : []" :key="text" class="soft">{{ text }}</p>
            <p v-if="route.step && !route.laid" class="soft">{{ LEG_ROUTES.withStep(names.step(route.kit, route.step)) }}</p>
            <details v-if="route.others.length > 0 && !route.laid" class="fold">
              <summary>{{ LEG_ROUTES.anotherWay }}</summary>
              <ul>
                <li v-for="{ other, more } in route.others" :key="other.id" class="line">
                  <span class="grow"
                    >{{ sayPath(other) }}. <span v-if="route.path" class="soft">{{ sayPathPrice(other, route.path, more) }}</span></span
                  >
                  <button type="button" class="push small" @click="job.perform(wire.chooseRoute(context, route.kit, route.leg, other.id))">{{ LEG_ROUTES.take }}</button>
                </li>
              </ul>
            </details>
            <button
              v-if="job.state.routes[`${route.kit}/${route.leg}`] && !route.laid"
              type="button"
              class="push small"
              @click="job.perform(wire.chooseRoute(context, route.kit, route.leg))"
            >
              {{ LEG_ROUTES.toLeast }}
            </button>
          </div>
          <PhotoRow :subject="{ kind: 'leg', kit: route.kit, leg: route.leg }" bare />
          <span v-if="route.laid" class="good">{{ LEG_ROUTES.laid }}</span>
          <template v-else-if="!route.step && (route.path?.along.length ?? 0) > 0">
            <button type="button" class="push" :disabled="isRefused(route.act)" @click="job.perform(wire.layLeg(context, route.kit, route.leg, route.path?.id))">
              {{ LEG_ROUTES.lay }}
            </button>
            <template v-if="isRefused(route.act)">
              <span v-for="refusal in route.act.refused" :key="refusal.code" class="soft">{{ sayRefusal(refusal, names) }}</span>
            </template>
          </template>
        </li>
      </ul>
      <p v-if="parts" class="soft">{{ parts }}</p>
      <details v-if="holes.length > 0" class="fold">
        <summary>{{ LEG_ROUTES.hole }}</summary>
        <p class="soft">{{ LEG_ROUTES.holeWhy }}</p>
        <WordsField v-model="by" :label="LEG_ROUTES.who" :most="LONGEST_TEXT.why" />
        <WordsField v-model="behind" :label="LEG_ROUTES.behind" :most="LONGEST_TEXT.why" />
        <button
          v-for="hole in holes"
          :key="hole.id"
          type="button"
          class="push"
          :disabled="isRefused(wire.agreeDrill(context, hole.id, by, behind))"
          @click="job.perform(wire.agreeDrill(context, hole.id, by, behind))"
        >
          {{ LEG_ROUTES.agreed(hole.name) }}
        </button>
      </details>
    </template>
  </section>
</template>
