<script setup lang="ts">
import { computed } from 'vue';
import type { OpenStep } from '@jade/core/access';
import { LONGEST_TEXT } from '@jade/core/events';
import { planClosingOf } from '@jade/core/plan';
import { openUp } from '@jade/core/stations';
import type { OpenLevel } from '@jade/core/vehicle';
import { sayWay } from '@jade/words/events';
import { sayGroup } from '@jade/words/names';
import { FOUND_HERE } from '@jade/words/open-up';
import { inSentence, personMinutes } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import DoubtWord from '../../design/DoubtWord.vue';
import FormDialog from '../../design/FormDialog.vue';
import { fits } from '../../design/words.ts';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';

/** Records what is different on this vehicle: a way that is not there, a bolt that will not move, or that the opening is given up. */
const props = defineProps<{ kind: 'leave' | 'blocked' | 'seized'; step?: OpenStep; blocked?: { place: string; level?: OpenLevel; way: string } }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();

/** One way, one step or the whole opening: what is begun about one is not about another. */
const about = computed(() => [props.kind, props.step?.piece, props.step?.level, props.blocked?.place, props.blocked?.level, props.blocked?.way].filter(Boolean).join('/'));
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/${about.value}`,
  () => ({ why: '', group: props.step?.fasteners[0]?.id ?? '', seizedCount: 1, addMin: context.value.rules.seizedMin ?? 0, never: 'no' }),
);

const onward = computed(() => job.plan?.personMin ?? 0);
const backward = computed(() => planClosingOf({ ...context.value, state: { ...job.state, left: 'asked' } }, undefined).personMin);
/** Minutes that make one wonder. */
const doubts = computed(() => (props.kind === 'seized' ? openUp.doubtsOfSeized(context.value, Number(draft.value.seizedCount), Number(draft.value.addMin)) : []));
const ready = computed(() => {
  const { why, group, seizedCount } = draft.value;
  if (props.kind === 'seized') return group !== '' && Number(seizedCount) > 0 && (doubts.value.length === 0 || fits(why, LONGEST_TEXT.why));
  return fits(why, LONGEST_TEXT.why);
});

function record(): void {
  const { step } = props;
  const { group, seizedCount, addMin } = draft.value;
  const why = draft.value.why.trim();
  if (props.kind === 'leave') void job.record('opening.left', { why });
  if (props.kind === 'blocked' && props.blocked) void job.perform(openUp.wayBlocked(context.value, { ...props.blocked, why, never: draft.value.never === 'yes' }));
  if (props.kind === 'seized' && step) {
    void job.perform(openUp.seized(context.value, step.piece, group, Number(seizedCount), Number(addMin), why));
  }
  drop();
  emit('close');
}
</script>

<template>
  <FormDialog
    :title="FOUND_HERE.titles[kind]"
    :action="kind === 'leave' ? FOUND_HERE.backOut : FOUND_HERE.record"
    :ready="ready"
    :kept="kept"
    @confirm="record"
    @anew="drop"
    @close="emit('close')"
  >
    <template v-if="kind === 'seized' && step">
      <p class="soft">{{ FOUND_HERE.seizedWhy(names.piece(step.piece)) }}</p>
      <v-select v-model="draft.group" :label="FOUND_HERE.which" :items="step.fasteners.map((entry) => ({ value: entry.id, title: `${sayGroup(entry)}, ${entry.place}` }))" />
      <div class="fields">
        <v-text-field v-model="draft.seizedCount" :label="FOUND_HERE.howMany" type="number" min="1" max="200" variant="outlined" hide-details />
        <v-text-field v-model="draft.addMin" :label="FOUND_HERE.minutes" type="number" min="0" max="600" step="0.5" variant="outlined" hide-details />
      </div>
      <DoubtWord v-if="doubts.length > 0" v-model="draft.why" :doubts="doubts" />
    </template>
    <template v-else-if="kind === 'leave'">
      <p>
        {{ FOUND_HERE.costs(personMinutes(onward), personMinutes(backward)) }}
      </p>
      <WordsField v-model="draft.why" autofocus :label="FOUND_HERE.whyAndWho" :most="LONGEST_TEXT.why" />
    </template>
    <template v-else-if="blocked">
      <p class="soft">{{ FOUND_HERE.blocked(names.place(blocked.place), blocked.level ?? '', sayWay(blocked.way)) }}</p>
      <WordsField v-model="draft.why" autofocus :label="FOUND_HERE.inTheWay(inSentence(names.place(blocked.place)))" :most="LONGEST_TEXT.why" />
      <template v-if="blocked.level">
        <span class="soft">{{ FOUND_HERE.ofWhom }}</span>
        <ChoiceRow
          :label="FOUND_HERE.ofWhom"
          small
          :choices="[
            { value: 'no', text: FOUND_HERE.perhaps },
            { value: 'yes', text: FOUND_HERE.never },
          ]"
          :value="draft.never"
          @choose="(value) => (draft.never = value)"
        />
      </template>
    </template>
  </FormDialog>
</template>
