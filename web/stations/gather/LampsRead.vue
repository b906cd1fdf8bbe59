<script setup lang="ts">
import { computed } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import type { Kit } from '@jade/core/kit';
import { gather, isRefused } from '@jade/core/stations';
import { typedMeasure, type TypedUnit } from '@jade/core/units';
import { LOAD_KINDS, type LoadKind } from '@jade/core/vehicle';
import { LAMPS_READ } from '@jade/words/kit';
import { sayRefusal } from '@jade/words/stations';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';

/** The lamps of a kit that nobody described, as they are read from themselves, their box and their paper. */
const props = defineProps<{ kit: Kit }>();
const { job, context, names } = useCurrentJob();
const SIZES = ['widthMm', 'heightMm', 'depthMm'] as const;
const offered = computed(() => gather.lampsOffered(context.value, props.kit.slug));
const { draft, drop } = useDraft(
  () => `${job.view?.id}/lamps/${props.kit.slug}`,
  () => ({
    without: [] as string[],
    power: '',
    voltage: '',
    kind: undefined as LoadKind | undefined,
    widthMm: '',
    heightMm: '',
    depthMm: '',
    marking: '',
    peak: '',
  }),
);
const lamps = computed(() => offered.value.filter(({ id }) => !draft.value.without.includes(id)));
const toggle = (id: string) => (draft.value.without = draft.value.without.includes(id) ? draft.value.without.filter((other) => other !== id) : [...draft.value.without, id]);
const amount = (text: string, unit: TypedUnit): number | undefined => {
  const read = typedMeasure(text, unit);
  return 'fault' in read ? undefined : read.value;
};
const plain = (text: string) => (/^\d+(\.\d+)?$/.test(text.trim()) ? Number(text) : undefined);
const read = computed((): gather.LampRead => {
  const { power, voltage, kind, marking, peak, ...sizes } = draft.value;
  const [powerW, peakCd] = [amount(power, 'W'), plain(peak)];
  const size = (field: (typeof SIZES)[number]) => amount(sizes[field], 'mm');
  return {
    ...(powerW === undefined ? {} : { powerW }),
    atV: amount(voltage, 'V') ?? 0,
    ...(kind ? { kind } : {}),
    widthMm: size('widthMm') ?? 0,
    heightMm: size('heightMm') ?? 0,
    depthMm: size('depthMm') ?? 0,
    marking,
    claims: peakCd === undefined ? {} : { peakCd },
  };
});
const act = computed(() => gather.lampsRead(context.value, props.kit.slug, lamps.value, read.value));
const refusals = computed(() => (isRefused(act.value) ? act.value.refused : []));

async function write(): Promise<void> {
  await job.perform(act.value);
  if (job.refusals.length === 0) drop();
}
</script>

<template>
  <section class="leaf stack undescribed" :aria-label="LAMPS_READ.title">
    <h3>{{ LAMPS_READ.title }}</h3>
    <template v-if="offered.length > 0">
      <p class="soft">{{ LAMPS_READ.why }}</p>
      <p class="form-warn">{{ LAMPS_READ.caution }}</p>
      <div class="form-chips" role="group" :aria-label="LAMPS_READ.which">
        <button v-for="lamp in offered" :key="lamp.id" type="button" class="push small" :aria-pressed="!draft.without.includes(lamp.id)" @click="toggle(lamp.id)">
          {{ lamp.name }}
        </button>
      </div>
      <div class="three">
        <v-text-field v-model="draft.power" :label="LAMPS_READ.power" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
        <v-text-field v-model="draft.voltage" :label="LAMPS_READ.voltage" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
        <v-select v-model="draft.kind" :label="LAMPS_READ.source" :items="LOAD_KINDS.map((value) => ({ value, title: LAMPS_READ.sources[value] }))" />
        <v-text-field
          v-for="field in SIZES"
          :key="field"
          v-model="draft[field]"
          :label="LAMPS_READ[field]"
          inputmode="decimal"
          maxlength="10"
          variant="outlined"
          density="comfortable"
          hide-details
        />
      </div>
      <WordsField v-model="draft.marking" :label="LAMPS_READ.marking" :most="LONGEST_TEXT.marking" />
      <details>
        <summary>{{ LAMPS_READ.more }}</summary>
        <div class="fields">
          <v-text-field v-model="draft.peak" :label="LAMPS_READ.peak" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
        </div>
      </details>
      <p v-for="refusal in refusals" :key="refusal.code" class="soft">
        {{ refusal.code === 'missing' || refusal.code === 'nothing' ? LAMPS_READ.missing : sayRefusal(refusal, names) }}
      </p>
    </template>
    <div class="line">
      <button v-if="offered.length > 0" type="button" class="push main" :disabled="refusals.length > 0" @click="write">{{ LAMPS_READ.write(lamps.length) }}</button>
      <button v-if="kit.lamps.length > 0" type="button" class="push" :class="{ main: offered.length === 0 }" @click="job.perform(gather.noMoreOfKit(context, kit.slug, 'lamps'))">
        {{ LAMPS_READ.noMore }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 190px), 1fr));
  gap: 12px;
}
</style>
