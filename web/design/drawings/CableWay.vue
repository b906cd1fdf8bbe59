<script setup lang="ts">
import { computed } from 'vue';
import type { LegPath } from '@jade/core/loom';
import type { VehicleProfile } from '@jade/core/vehicle';
import { CABLE_WAY } from '@jade/words/design';
import { frameAround, outline, project, type View } from '../geometry/outline.ts';
import type { PlateKind } from '../geometry/plate.ts';

/** The ways of legs on the vehicle, from two sides, with the places that they turn at. */
const props = defineProps<{ profile: VehicleProfile; paths: readonly LegPath[] }>();
const at = computed(() => new Map((props.profile.cableWays?.places ?? []).map((place) => [place.id, place])));
const points = computed(() => props.paths.flatMap(({ places }) => places.flatMap((id) => at.value.get(id)?.at ?? [])));
const SHOWN: readonly View[] = ['side', 'top'];
/** Of the body as much as tells where a way runs. */
const DRAWN = new Set<PlateKind>(['body', 'glass', 'tyre', 'panel']);
const drawings = computed(() =>
  SHOWN.map((view) => {
    const box = frameAround(view, props.profile.measures, points.value, 500, 2600);
    const size = box[2] / 1000;
    const line = (places: readonly string[]) =>
      places.flatMap((id) => {
        const place = at.value.get(id);
        return place ? [project(view, place.at)] : [];
      });
    const turns = [...new Set(props.paths.flatMap(({ places }) => places))].flatMap((id) => {
      const place = at.value.get(id);
      return place ? [{ id, name: place.name, spot: project(view, place.at) }] : [];
    });
    // Of places that lie behind each other in this view the first one is named.
    const apart = turns.filter(({ spot }, index) => !turns.slice(0, index).some((other) => Math.hypot(other.spot[0] - spot[0], other.spot[1] - spot[1]) < 60 * size));
    return {
      view,
      box,
      size,
      strokes: outline(props.profile.body, view, props.profile.measures).filter(({ kind }) => DRAWN.has(kind)),
      lines: props.paths.map(({ places }) => line(places)),
      turns: apart,
    };
  }),
);
</script>

<template>
  <div class="views">
    <figure v-for="drawing in drawings" :key="drawing.view">
      <svg :viewBox="drawing.box.join(' ')" role="img" :aria-label="CABLE_WAY.ways(drawing.view)">
        <path v-for="(stroke, index) in drawing.strokes" :key="index" :d="stroke.path" class="body" :stroke-width="2 * drawing.size" />
        <polyline
          v-for="(line, index) in drawing.lines"
          :key="`way ${index}`"
          class="way"
          :points="line.map((spot) => spot.join(',')).join(' ')"
          :stroke-width="7 * drawing.size"
        />
        <g v-for="(turn, index) in drawing.turns" :key="turn.id">
          <circle :cx="turn.spot[0]" :cy="turn.spot[1]" :r="8 * drawing.size" class="turn" :stroke-width="3 * drawing.size" />
          <text :x="turn.spot[0] + 13 * drawing.size" :y="turn.spot[1] + (index % 2 === 0 ? -12 : 38) * drawing.size" :font-size="33 * drawing.size">{{ turn.name }}</text>
        </g>
      </svg>
      <figcaption class="soft">{{ CABLE_WAY.from(drawing.view) }}</figcaption>
    </figure>
  </div>
</template>

<style scoped>
.views {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 12px;
}

figure {
  margin: 0;
}

svg {
  width: 100%;
}

.body {
  fill: none;
  stroke: var(--drawing);
}

.way {
  fill: none;
  stroke: var(--jade);
  stroke-linejoin: round;
}

.turn {
  fill: var(--paper-raised);
  stroke: var(--jade);
}

text {
  fill: var(--ink);
}
</style>
