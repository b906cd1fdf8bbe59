<script setup lang="ts">
import { computed, ref } from 'vue';
import { mappedPins, withProved, type ProfileLearned } from '@jade/core/loom';
import type { VehicleProfile } from '@jade/core/vehicle';
import { PLUG_RECORDS, sayLearned, sayNotLearned } from '@jade/words/probing';
import EmptyNote from '../../design/EmptyNote.vue';
import FormDialog from '../../design/FormDialog.vue';
import { ask } from '../../ask/index.ts';
import { useAttempt } from '../../ask/attempt.ts';
import { useCurrentJob } from '../../job/current.ts';
import RightGate from '../../session/RightGate.vue';

/** What was found of the plugs, to take away, and to keep in the profile for the next vehicle of this kind. */
const { job, context } = useCurrentJob();
const proved = computed(() => mappedPins(context.value).filter(({ status }) => status?.code === 'proved'));
const paper = (form: string) => `/api/jobs/${job.view?.id ?? ''}/plugs.${form}`;
/** The day of the last reading: that is when it was proved. */
const day = computed(() =>
  (job.log.findLast(({ type }) => type === 'reading.taken' || type === 'continuity.measured' || type === 'drop.measured')?.at ?? new Date().toISOString()).slice(0, 10),
);
const offered = ref<ProfileLearned & { version: number }>();
const kept = ref<number>();
const losses = ref<string[]>([]);
const { fault, attempt } = useAttempt();

/** The profile as it stands now is what is changed, not the one that the job pins. */
async function offer(): Promise<void> {
  losses.value = [];
  await attempt(async () => {
    const { document, version } = await ask<{ document: VehicleProfile; version: number }>(`/api/documents/vehicle/${context.value.profile.slug}`);
    offered.value = { ...withProved(context.value, document, day.value), version };
  });
}
async function keep(): Promise<void> {
  const offer = offered.value;
  if (!offer) return;
  await attempt(async () => {
    const { version } = await ask<{ version: number }>(`/api/documents?basedOn=${offer.version}`, offer.profile);
    kept.value = version;
    offered.value = undefined;
  });
}
</script>

<template>
  <section class="leaf stack" aria-labelledby="plug-records">
    <div class="line">
      <h2 id="plug-records">{{ PLUG_RECORDS.title }}</h2>
      <a class="push small" :href="paper('pdf')" target="_blank" rel="noopener">{{ PLUG_RECORDS.print }}</a>
      <a class="push small" :href="paper('csv')" download>{{ PLUG_RECORDS.csv }}</a>
      <a class="push small" :href="paper('json')" download="plugs.json">{{ PLUG_RECORDS.json }}</a>
      <span class="grow" />
      <RightGate v-if="proved.length > 0" right="take in documents" quiet>
        <button type="button" class="push small" @click="offer">{{ PLUG_RECORDS.keep }}</button>
      </RightGate>
    </div>
    <p v-if="kept" class="good" role="status">
      {{ PLUG_RECORDS.kept(kept, context.profile.maker, context.profile.model) }}
    </p>
    <p v-if="fault && !offered" class="bad" role="alert">{{ fault }}</p>
    <FormDialog
      v-if="offered"
      :title="PLUG_RECORDS.keep"
      :action="PLUG_RECORDS.keepAs(offered.learned.length)"
      :ready="offered.learned.length > 0"
      :width="620"
      @confirm="keep"
      @close="offered = undefined"
    >
      <p>
        {{ PLUG_RECORDS.next(context.profile.maker, context.profile.model) }}
      </p>
      <EmptyNote v-if="offered.learned.length === 0" kind="empty">{{ PLUG_RECORDS.nothing }}</EmptyNote>
      <ul class="rows">
        <li v-for="entry in offered.learned" :key="`${entry.plug}/${entry.pin}`" :class="{ odd: entry.was !== undefined && entry.was !== 'unknown' && entry.was !== entry.is }">
          {{ sayLearned(entry) }}
        </li>
        <li v-for="entry in offered.left" :key="`left ${entry.plug}/${entry.pin}`" class="soft">{{ sayNotLearned(entry) }}</li>
      </ul>
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    </FormDialog>
  </section>
</template>

<style scoped>
.grow {
  flex: 1;
}
</style>
