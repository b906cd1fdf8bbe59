<script setup lang="ts">
import { computed, ref } from 'vue';
import { tooManyIn } from '@jade/core/events';
import { WORDS_FIELD } from '@jade/words/design';
import { sayTooLong } from '@jade/words/units';

/** Words that a person writes, with how many more there is room for while they are written. Nothing is cut: what is too long is said. */
const props = defineProps<{ label: string; most: number }>();
const text = defineModel<string>({ required: true });
const writing = ref(false);
const over = computed(() => tooManyIn(text.value, props.most));
const left = computed(() => props.most - text.value.trim().length);
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    variant="outlined"
    density="comfortable"
    hide-details="auto"
    :error-messages="over > 0 ? sayTooLong(over, most) : undefined"
    @focus="writing = true"
    @blur="writing = false"
  >
    <template v-if="writing && text !== '' && over === 0" #append-inner>
      <span class="left" aria-hidden="true">{{ WORDS_FIELD.left(left) }}</span>
    </template>
  </v-text-field>
</template>

<style scoped>
.left {
  font-size: 12.5px;
  white-space: nowrap;
  color: var(--ink-soft);
}
</style>
