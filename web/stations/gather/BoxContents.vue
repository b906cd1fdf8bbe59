<script setup lang="ts">
import { v4 } from 'uuid';
import { computed, ref } from 'vue';
import { LONGEST_TEXT } from '@jade/core/events';
import { CONTENT_KINDS, type ContentItem, type ContentKind, type Kit } from '@jade/core/kit';
import { gather, isRefused } from '@jade/core/stations';
import { entryId } from '@jade/core/vehicle';
import { IN_THE_BOX } from '@jade/words/kit';
import { sayRefusal } from '@jade/words/stations';
import ChoiceRow from '../../design/ChoiceRow.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { useCurrentJob } from '../../job/current.ts';

/** What lies in the box of a kit that nobody described: what such a kit commonly holds is offered, and whoever looks counts what is there. */
const props = defineProps<{ kit: Kit }>();
const { job, context, names } = useCurrentJob();
type Hand = 'left' | 'right' | 'both';
const { draft, drop } = useDraft(
  () => `${job.view?.id}/box/${props.kit.slug}`,
  () => ({ counts: {} as Record<string, number>, others: [] as Omit<ContentItem, 'count'>[], name: '', kind: 'other' as ContentKind, hand: 'both' as Hand }),
);
const offered = computed(() => [...gather.contentsOffered(context.value, props.kit.slug), ...draft.value.others]);
const called = (item: Omit<ContentItem, 'count'>) => (item.hand ? `${item.name}, ${IN_THE_BOX[item.hand]}` : item.name);
const countOf = ({ id }: { id: string }) => draft.value.counts[id] ?? 0;
const set = ({ id }: { id: string }, count: number) => (draft.value.counts[id] = Math.min(500, Math.max(0, count)));
const items = computed((): ContentItem[] => offered.value.filter((item) => countOf(item) > 0).map((item) => ({ ...item, count: countOf(item) })));
const act = computed(() => gather.contentsFound(context.value, props.kit.slug, items.value));
const refusals = computed(() => (items.value.length > 0 && isRefused(act.value) ? act.value.refused : []));
const other = ref(false);

function add(): void {
  const { name, kind, hand } = draft.value;
  const item = { id: entryId(name, v4().slice(0, 4)), name: name.trim(), kind, ...(hand === 'both' ? {} : { hand }), spareAllowed: kind === 'fastener' };
  draft.value.others.push(item);
  draft.value.counts[item.id] = 1;
  draft.value.name = '';
  other.value = false;
}

async function write(): Promise<void> {
  await job.perform(act.value);
  if (job.refusals.length === 0) drop();
}
</script>

<template>
  <section class="leaf stack undescribed" :aria-label="IN_THE_BOX.title">
    <h3>{{ IN_THE_BOX.title }}</h3>
    <p class="soft">{{ IN_THE_BOX.why }}</p>
    <ul class="items">
      <li v-for="item in offered" :key="item.id" class="line">
        <span class="grow">{{ called(item) }}</span>
        <button type="button" class="push small" :aria-label="IN_THE_BOX.less(called(item))" :disabled="countOf(item) === 0" @click="set(item, countOf(item) - 1)">−</button>
        <input
          :value="countOf(item)"
          class="form-count"
          inputmode="numeric"
          maxlength="3"
          :aria-label="IN_THE_BOX.count(called(item))"
          @focus="($event.target as HTMLInputElement).select()"
          @change="set(item, Math.round(Number(($event.target as HTMLInputElement).value)) || 0)"
        />
        <button type="button" class="push small" :aria-label="IN_THE_BOX.more(called(item))" @click="set(item, countOf(item) + 1)">+</button>
      </li>
    </ul>
    <div v-if="other" class="stack">
      <div class="fields">
        <WordsField v-model="draft.name" :label="IN_THE_BOX.name" :most="LONGEST_TEXT.kitEntry" />
        <v-select v-model="draft.kind" :label="IN_THE_BOX.kind" :items="CONTENT_KINDS.map((value) => ({ value, title: IN_THE_BOX.kinds[value] }))" />
      </div>
      <div class="line">
        <ChoiceRow
          :label="IN_THE_BOX.hand"
          small
          :choices="[
            { value: 'left', text: IN_THE_BOX.left },
            { value: 'both', text: IN_THE_BOX.both },
            { value: 'right', text: IN_THE_BOX.right },
          ]"
          :value="draft.hand"
          @choose="(hand) => (draft.hand = hand)"
        />
        <button type="button" class="push" :disabled="draft.name.trim() === ''" @click="add">{{ IN_THE_BOX.add }}</button>
      </div>
    </div>
    <p v-for="refusal in refusals" :key="refusal.code" class="bad" role="alert">{{ sayRefusal(refusal, names) }}</p>
    <div class="line">
      <button type="button" class="push small plain" :aria-expanded="other" @click="other = !other">{{ IN_THE_BOX.other }}</button>
      <button v-if="items.length > 0" type="button" class="push main" :disabled="refusals.length > 0" @click="write">{{ IN_THE_BOX.write(items.length) }}</button>
      <button v-else-if="kit.contents.length > 0" type="button" class="push" @click="job.perform(gather.noMoreOfKit(context, kit.slug, 'contents'))">
        {{ IN_THE_BOX.noMore }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.items {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 8px 24px;
}
</style>
