<script setup lang="ts">
import { PIECE_CAME } from '@jade/words/open-up';
import ChoiceRow from '../../design/ChoiceRow.vue';

/** What a piece took: minutes, as the clock has them until somebody writes others, and people. */
const minutes = defineModel<string>('minutes', { required: true });
const people = defineModel<'1' | '2'>('people', { required: true });
</script>

<template>
  <div class="fields">
    <v-text-field v-model="minutes" :label="PIECE_CAME.minutes" inputmode="decimal" maxlength="6" variant="outlined" density="comfortable" hide-details />
    <ChoiceRow
      :label="PIECE_CAME.people"
      small
      :choices="[
        { value: '1', text: PIECE_CAME.one },
        { value: '2', text: PIECE_CAME.two },
      ]"
      :value="people"
      @choose="(value) => (people = value)"
    />
  </div>
</template>
