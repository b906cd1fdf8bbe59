<script setup lang="ts">
import { onMounted, onUnmounted, useTemplateRef } from 'vue';
import { HELP, HELP_HERE } from '@jade/words/help';

/** The help of a view, in place: what it asks and what its marks mean, folded until somebody wants it. */
defineProps<{ of: keyof typeof HELP }>();
const help = useTemplateRef<HTMLDetailsElement>('help');
const shut = () => help.value && (help.value.open = false);
/** It lies over the view: a press beside it shuts it. */
const pressed = (event: PointerEvent) => event.target instanceof Node && !help.value?.contains(event.target) && shut();
onMounted(() => document.addEventListener('pointerdown', pressed));
onUnmounted(() => document.removeEventListener('pointerdown', pressed));
</script>

<template>
  <details ref="help" class="help" @keydown.esc="shut">
    <summary>{{ HELP_HERE.title }}</summary>
    <div class="leaf stack">
      <p v-for="text in HELP[of].how" :key="text">{{ text }}</p>
      <h2 v-if="HELP[of].marks.length > 0 || $slots.default">{{ HELP_HERE.marks }}</h2>
      <dl v-if="HELP[of].marks.length > 0">
        <template v-for="mark in HELP[of].marks" :key="mark.sign">
          <dt>{{ mark.sign }}</dt>
          <dd>{{ mark.says }}</dd>
        </template>
      </dl>
      <slot />
    </div>
  </details>
</template>

<style scoped>
.help {
  position: relative;
}

.last {
  margin-left: auto;
}

summary {
  min-height: 40px;
  align-content: center;
  font-weight: 560;
  cursor: pointer;
}

.help > .leaf {
  position: absolute;
  right: 0;
  z-index: 6;
  box-sizing: border-box;
  width: min(440px, calc(100vw - 24px));
  max-height: 76vh;
  overflow-y: auto;
  box-shadow: 0 6px 24px rgb(0 0 0 / 30%);
}

dl {
  display: grid;
  grid-template-columns: minmax(90px, auto) 1fr;
  gap: 4px 14px;
}

dt {
  font-weight: 650;
}
</style>
