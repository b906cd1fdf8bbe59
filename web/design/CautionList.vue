<script setup lang="ts">
import { computed } from 'vue';
import type { CautionCode } from '@jade/core/plan';
import { CAUTION, sayCautions } from '@jade/words/cautions';

/** What can hurt at a step, with what its profile or kit says of it besides; each once, in one place. */
const props = defineProps<{ codes: readonly CautionCode[]; own?: readonly (string | undefined)[] }>();
const texts = computed(() => [...new Set([...(props.own ?? []).filter((text): text is string => Boolean(text)), ...sayCautions(props.codes)])]);
</script>

<template>
  <div v-if="texts.length > 0" class="cautions">
    <span class="sign" aria-hidden="true">!</span>
    <ul :aria-label="CAUTION">
      <li v-for="text in texts" :key="text">{{ text }}</li>
    </ul>
  </div>
</template>

<style scoped>
.cautions {
  display: flex;
  gap: 10px;
  flex-basis: 100%;
  align-items: flex-start;
  padding: 8px 12px;
  background: var(--amber-soft);
  border-left: 5px solid var(--amber);
  color: var(--ink);
  font-weight: 560;
  line-height: 1.35;
  break-inside: avoid;
}

.cautions li + li {
  margin-top: 4px;
}

.sign {
  flex: none;
  width: 22px;
  height: 20px;
  text-align: center;
  font-weight: 800;
  font-size: 13px;
  line-height: 24px;
  background: var(--amber);
  color: var(--amber-soft);
  clip-path: polygon(50% 0, 100% 100%, 0 100%);
}

@media (max-width: 700px) {
  .cautions {
    font-size: 15px;
  }
}
</style>
