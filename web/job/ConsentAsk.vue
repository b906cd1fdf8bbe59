<script setup lang="ts">
import { LONGEST_TEXT } from '@jade/core/events';
import { consented, type Irreversible } from '@jade/core/stations';
import { key } from '@jade/core/subject';
import { CONSENT, sayConsent } from '@jade/words/job';
import { computed, ref } from 'vue';
import AskText from '../design/AskText.vue';
import CautionNote from '../design/CautionNote.vue';
import TapeLabel from '../design/TapeLabel.vue';
import { useCurrentJob } from './current.ts';

/** What cannot be undone: who agreed to it, asked for before it is done. */
const props = defineProps<{ about: Irreversible }>();
const { job } = useCurrentJob();
const asking = ref(false);
const by = computed(() => job.state.consents[key(props.about)]);

function written(name: string): void {
  void job.perform(consented({ state: job.state }, props.about, name));
  asking.value = false;
}
</script>

<template>
  <div class="consent">
    <CautionNote :text="CONSENT.caution" />
    <TapeLabel v-if="by">{{ sayConsent(by) }}</TapeLabel>
    <button v-else type="button" class="push" @click="asking = true">{{ CONSENT.ask }}</button>
    <AskText
      v-if="asking"
      :title="CONSENT.title"
      :label="CONSENT.label"
      :action="CONSENT.record"
      :about="`${job.view?.id}/consent/${key(about)}`"
      :most="LONGEST_TEXT.consent"
      @written="written"
      @close="asking = false"
    />
  </div>
</template>

<style scoped>
.consent {
  display: grid;
  gap: 8px;
  justify-items: start;
}
</style>
