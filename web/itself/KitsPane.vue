<script setup lang="ts">
import { computed, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { toTakeOut } from '@jade/core/job';
import { kitSlug, type NewKit } from '@jade/core/kit';
import { itself } from '@jade/core/stations';
import { ITSELF, KITS, sayUndoing } from '@jade/words/itself';
import AskText from '../design/AskText.vue';
import FormDialog from '../design/FormDialog.vue';
import { ask, Refused } from '../ask/index.ts';
import NewKitFields from '../job/NewKitFields.vue';
import { kitOf, newKitDraft, type KitDraft } from '../job/kit-draft.ts';
import { useCurrentJob } from '../job/current.ts';
import RightGate from '../session/RightGate.vue';

/** Kits of the job, added and dropped while it runs. */
const { job, context, names } = useCurrentJob();
const dropping = ref<string>();
const adding = ref(false);
const chosen = ref<string | null>(null);
const written = ref<KitDraft>();
const made = computed(() => written.value && kitOf(written.value));
const ready = computed(() => (written.value ? made.value !== undefined : chosen.value !== null));
const sending = ref(false);
const fault = ref('');
const kits = computed(() =>
  context.value.kits.map((kit) => ({
    slug: kit.slug,
    name: names.value.kit(kit.slug),
    why: job.state.dropped[kit.slug],
    out: toTakeOut(context.value).filter((entry) => entry.kit === kit.slug).length,
  })),
);
/** Kits of the library, as they are listed: those that name this kind of vehicle stand first, the others say that they do not. */
const listed = ref<{ kind: string; slug: string; title: string }[]>([]);
const others = computed(() => {
  const naming = (job.view?.otherKits ?? []).map((kit) => ({ value: kit.slug, title: `${kit.maker} ${kit.name}` }));
  const here = new Set([...naming.map(({ value }) => value), ...[...context.value.kits, ...(context.value.fitted ?? [])].map(({ slug }) => slug)]);
  return [...naming, ...listed.value.filter(({ kind, slug }) => kind === 'kit' && !here.has(slug)).map(({ slug, title }) => ({ value: slug, title: KITS.notNaming(title) }))];
});
async function begin(): Promise<void> {
  adding.value = true;
  // Without the server what the job knows is offered.
  listed.value = await ask<typeof listed.value>('/api/documents').catch(() => []);
}
const open = computed(() => !job.state.signed && !job.state.cancelled);

function drop(why: string): void {
  if (dropping.value) void job.perform(itself.kitDropped(context.value, dropping.value, why));
  dropping.value = undefined;
}
const addChosen = () => (made.value ? add(kitSlug(made.value), made.value) : chosen.value && add(chosen.value));
async function add(slug: string, make?: NewKit): Promise<void> {
  sending.value = true;
  fault.value = '';
  try {
    await job.addKit(slug, make);
    adding.value = false;
    chosen.value = null;
    written.value = undefined;
  } catch (error) {
    fault.value = error instanceof Refused ? error.message : ITSELF.away;
  } finally {
    sending.value = false;
  }
}
</script>

<template>
  <section class="leaf stack" aria-labelledby="kits">
    <h2 id="kits">{{ KITS.title }}</h2>
    <p v-if="kits.length === 0" class="soft">{{ KITS.none }}</p>
    <ul class="rows">
      <li v-for="kit in kits" :key="kit.slug">
        <div class="grow">
          <strong :class="{ gone: kit.why !== undefined }">{{ kit.name }}</strong>
          <p v-if="kit.why !== undefined" class="soft">{{ KITS.dropped(kit.why) }}</p>
          <router-link v-if="kit.out > 0" :to="{ name: 'station', params: { id: job.view?.id, station: 'fit' } }">{{ KITS.stillOn(kit.out) }}</router-link>
        </div>
        <RightGate v-if="open" right="change the order">
          <button v-if="kit.why === undefined" type="button" class="push small" @click="dropping = kit.slug">{{ KITS.drop }}</button>
          <button v-else type="button" class="push small" :disabled="sending" @click="add(kit.slug)">{{ KITS.addAgain }}</button>
        </RightGate>
      </li>
      <li v-for="kit in context.fitted ?? []" :key="kit.slug">
        <div class="grow">
          <strong>{{ names.kit(kit.slug) }}</strong>
          <p class="soft">{{ KITS.fitted }}</p>
        </div>
      </li>
    </ul>
    <p v-if="fault && !adding" class="bad" role="alert">{{ fault }}</p>
    <RightGate v-if="open" right="change the order">
      <div>
        <button type="button" class="push" @click="begin">{{ KITS.add }}</button>
      </div>
    </RightGate>
    <AskText
      v-if="dropping"
      :title="KITS.dropTitle(names.kit(dropping))"
      :hint="sayUndoing(itself.undoing(context, dropping), 'kit')"
      :label="KITS.why"
      :action="KITS.drop"
      :about="`${job.view?.id}/drop/${dropping}`"
      :most="LONGEST_TEXT.why"
      @written="drop"
      @close="dropping = undefined"
    />
    <FormDialog v-if="adding" :title="KITS.addTitle" :action="KITS.add" :ready="ready && !sending" @confirm="addChosen" @close="adding = false">
      <p class="soft">{{ KITS.addHint }}</p>
      <NewKitFields v-if="written" v-model="written" :currency="job.view?.currency ?? ''" @leave="written = undefined" />
      <template v-else>
        <v-select v-model="chosen" :label="KITS.which" :items="others" :no-data-text="KITS.noOther" />
        <div>
          <button type="button" class="push small" @click="written = newKitDraft()">{{ KITS.notThere }}</button>
        </div>
      </template>
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    </FormDialog>
  </section>
</template>

<style scoped>
.gone {
  text-decoration: line-through;
}
</style>
