<script setup lang="ts" generic="T extends string">
/** A few choices side by side, one of them taken: works by touch, by arrow keys and for assistive technology. */
const props = defineProps<{ label: string; choices: readonly { value: T; text: string }[]; value?: T; small?: boolean; /** Its label stands over it. */ named?: boolean }>();
const emit = defineEmits<{ choose: [value: T] }>();

function move(event: KeyboardEvent, step: number): void {
  const buttons = [...((event.currentTarget as HTMLElement).parentElement?.querySelectorAll('button') ?? [])];
  const next = buttons[(buttons.indexOf(event.currentTarget as HTMLButtonElement) + step + buttons.length) % buttons.length];
  next?.focus();
  event.preventDefault();
}

function reachable(value: T, index: number): number {
  return props.value === undefined ? (index === 0 ? 0 : -1) : props.value === value ? 0 : -1;
}
</script>

<template>
  <div class="choices" role="radiogroup" :aria-label="label">
    <strong v-if="named" class="over" aria-hidden="true">{{ label }}</strong>
    <button
      v-for="(choice, index) in choices"
      :key="choice.value"
      type="button"
      role="radio"
      class="push"
      :class="{ small }"
      :aria-checked="value === choice.value"
      :tabindex="reachable(choice.value, index)"
      @click="emit('choose', choice.value)"
      @keydown.right="move($event, 1)"
      @keydown.down="move($event, 1)"
      @keydown.left="move($event, -1)"
      @keydown.up="move($event, -1)"
    >
      {{ choice.text }}
    </button>
  </div>
</template>

<style scoped>
.over {
  flex-basis: 100%;
}

.choices {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
