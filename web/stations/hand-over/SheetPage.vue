<script setup lang="ts">
import { computed } from 'vue';
import { sheetOf } from '@jade/core/sheet';
import { handOver } from '@jade/core/stations';
import { SHEET, SIGNING, sayHead, sheetContent } from '@jade/words/sheet';
import { strokePath } from '../../design/geometry/strokes.ts';
import TapeLabel from '../../design/TapeLabel.vue';
import { useClock } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import { usePhotos } from '../../photos/index.ts';
import PhotoRing from '../../photos/PhotoRing.vue';
import { useSession } from '../../session/index.ts';
import SignaturePad from './SignaturePad.vue';

/** The customer's sheet as a page: what it will say, or says, and the customer's signature below it. */
const { job, context } = useCurrentJob();
const session = useSession();
const clock = useClock();
const photos = usePhotos();

const content = computed(() => {
  const { view } = job;
  if (!view) return undefined;
  const { signed } = job.state;
  const at = signed?.at ?? clock.value;
  const frame = {
    ...view.shop,
    shop: view.shop.name,
    job: view.id,
    plate: view.vehicle.plate,
    customer: view.customer,
    at,
    benchName: session.benchNameOf,
    ...(signed ? { signedBy: session.benchNameOf(signed.by ?? session.session?.person ?? '') } : {}),
  };
  return sheetContent(sheetOf(context.value, job.log, at), context.value, frame);
});
</script>

<template>
  <article v-if="content" class="leaf stack sheet">
    <header class="stack">
      <p class="shop">{{ content.shop }}</p>
      <h2>{{ job.state.signed ? SHEET.title : SHEET.draft }}</h2>
      <p class="line">
        <TapeLabel>{{ content.plate }}</TapeLabel> {{ content.vehicle }} · {{ content.customer }}
      </p>
      <p class="soft">{{ sayHead(content) }}</p>
      <p class="verdict">{{ content.verdict }}</p>
    </header>
    <section v-for="table in content.tables" :key="table.title">
      <h3>{{ table.title }}</h3>
      <p v-if="table.rows.length === 0" class="soft">{{ table.empty }}</p>
      <div v-else class="scroll">
        <table>
          <thead>
            <tr>
              <th v-for="head in table.head" :key="head" scope="col">{{ head }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, index) in table.rows" :key="index">
              <td v-for="(cell, place) in row" :key="place">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <section v-if="content.photos.length > 0">
      <h3>{{ SHEET.photos }}</h3>
      <div class="photos">
        <figure v-for="photo in content.photos" :key="photo.hash + photo.text">
          <div class="picture" :style="{ aspectRatio: `${photo.widthPx} / ${photo.heightPx}` }">
            <img v-if="photos.addressOf(photo.hash)" :src="photos.addressOf(photo.hash)" :alt="photo.text" />
            <p v-else class="soft">{{ SHEET.photoToCome }}</p>
            <PhotoRing v-if="photo.ring" :ring="photo.ring" :width-px="photo.widthPx" :height-px="photo.heightPx" />
          </div>
          <figcaption>{{ photo.text }}</figcaption>
        </figure>
      </div>
    </section>
    <ul class="stack">
      <li v-for="note in content.notes" :key="note">{{ note }}</li>
    </ul>
    <p>{{ content.signed }}</p>
    <div class="stack">
      <svg v-if="content.signature" viewBox="0 0 1000 300" class="signature" role="img" :aria-label="SIGNING.drawn"><path :d="strokePath(content.signature)" /></svg>
      <p>{{ content.received }}</p>
      <template v-if="!content.signature && !job.state.signed">
        <p class="soft">{{ SIGNING.ask }}</p>
        <SignaturePad @signed="(strokes) => job.perform(handOver.customerSigned(context, strokes))" />
      </template>
    </div>
  </article>
</template>

<style scoped>
.sheet {
  max-width: 860px;
  padding: 26px 30px;
}

.shop {
  color: var(--jade);
  font-weight: 700;
  letter-spacing: 0.06em;
  text-transform: uppercase;
}

.verdict {
  font-weight: 650;
}

h3 {
  margin-bottom: 3px;
  font-size: 15px;
  color: var(--jade);
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
  padding: 3px 14px 3px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}

th {
  color: var(--ink-soft);
  font-size: 13.5px;
}

figure {
  margin: 0;
}

figcaption {
  padding-top: 3px;
  font-size: 13.5px;
}

.photos {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 14px;
}

.picture {
  position: relative;
}

.picture :is(img, :deep(svg)) {
  width: 100%;
  height: 100%;
}

.signature {
  width: min(420px, 100%);
  border-bottom: 1.5px solid var(--line-strong);
  background: #fff;
}

.signature path {
  fill: none;
  stroke: #1d2521;
  stroke-width: 5;
  stroke-linecap: round;
  stroke-linejoin: round;
}

@media (max-width: 700px) {
  .sheet {
    padding: 14px;
  }
}
</style>
