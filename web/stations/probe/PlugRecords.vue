<script setup lang="ts">
import { computed, ref } from 'vue';
import { mappedPins, withProved, type ProfileLearned } from '@jade/core/job';
import type { VehicleProfile } from '@jade/core/vehicle';
import { sayLearned, sayNotLearned } from '@jade/words/probing';
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
      <h2 id="plug-records">What was found</h2>
      <a class="push small" :href="paper('pdf')" target="_blank" rel="noopener">Print plug cards</a>
      <a class="push small" :href="paper('csv')" download>Pins, CSV</a>
      <a class="push small" :href="paper('json')" download="plugs.json">Values, JSON</a>
      <span class="grow" />
      <RightGate v-if="proved.length > 0" right="take in documents" quiet>
        <button type="button" class="push small" @click="offer">Keep it in the profile</button>
      </RightGate>
    </div>
    <p v-if="kept" class="good" role="status">
      Kept: version {{ kept }} of {{ context.profile.maker }} {{ context.profile.model }} holds what was proved. This job goes on with its own version.
    </p>
    <p v-if="fault && !offered" class="bad" role="alert">{{ fault }}</p>
    <FormDialog
      v-if="offered"
      title="Keep it in the profile"
      :action="`Keep ${offered.learned.length} as a new version`"
      :ready="offered.learned.length > 0"
      :width="620"
      @confirm="keep"
      @close="offered = undefined"
    >
      <p>
        On the next {{ context.profile.maker }} {{ context.profile.model }} these are likelier, and are still read on and off: colours and wiring differ from one vehicle to
        another.
      </p>
      <EmptyNote v-if="offered.learned.length === 0" kind="empty">Nothing is proved that the newest profile could hold.</EmptyNote>
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
