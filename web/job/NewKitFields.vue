<script setup lang="ts">
import { computed } from 'vue';
import { KIT_KINDS } from '@jade/core/kit';
import { NEW_KIT } from '@jade/words/kit';
import WordsField from '../design/WordsField.vue';
import { kitOf, type KitDraft } from './kit-draft.ts';

/** A kit that nobody has described: what its box says. What lies in it and how it is fitted is written down while it is worked with. */
const draft = defineModel<KitDraft>({ required: true });
defineProps<{ currency: string }>();
const emit = defineEmits<{ leave: [] }>();
const LONGEST = { maker: 60, name: 80 };
const made = computed(() => kitOf(draft.value));
</script>

<template>
  <section class="stack new-kit" :aria-label="NEW_KIT.title">
    <p class="soft">{{ NEW_KIT.why }}</p>
    <div class="fields">
      <WordsField v-model="draft.maker" :label="NEW_KIT.maker" :most="LONGEST.maker" />
      <WordsField v-model="draft.name" :label="NEW_KIT.name" :most="LONGEST.name" />
    </div>
    <div class="fields">
      <v-select v-model="draft.kind" :label="NEW_KIT.kind" :items="KIT_KINDS.map((value) => ({ value, title: NEW_KIT.kinds[value] }))" />
      <v-text-field v-model="draft.price" :label="NEW_KIT.price(currency)" inputmode="decimal" maxlength="12" variant="outlined" density="comfortable" hide-details />
    </div>
    <p v-if="!made" class="soft">{{ NEW_KIT.missing }}</p>
    <div>
      <button type="button" class="push small plain" @click="emit('leave')">{{ NEW_KIT.leave }}</button>
    </div>
  </section>
</template>

<style scoped>
.new-kit {
  padding: 12px 14px;
  border-left: 5px solid var(--line);
}
</style>
