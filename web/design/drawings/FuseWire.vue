<script setup lang="ts">
import { computed } from 'vue';
import type { LoadCheck } from '@jade/core/wiring';
import { amperes, stated } from '@jade/words/units';

/** A fuse's load as a filled wire: what was on it, what is added, where it warns and where it ends. */
const props = defineProps<{ check: LoadCheck; slotName: string; label: string }>();
const LEFT = 84;
const FULL = 430;
const at = (share: number) => LEFT + Math.min(1.18, share) * FULL;
const after = computed(() => at(props.check.shareAfter));
</script>

<template>
  <svg viewBox="0 0 640 92" role="img" :aria-label="label" :class="check.verdict">
    <rect class="fuse" x="6" y="24" width="66" height="40" rx="6" />
    <path class="fuse-wire" d="M18 44c10-16 32 16 42 0" />
    <text class="mono" x="39" y="80" text-anchor="middle" font-size="13">{{ slotName }}</text>
    <rect class="wire" :x="LEFT" y="30" :width="FULL" height="28" rx="4" />
    <rect class="before" :x="LEFT" y="30" :width="at(check.shareBefore) - LEFT" height="28" />
    <rect class="added" :x="at(check.shareBefore)" y="30" :width="Math.max(0, after - at(check.shareBefore))" height="28" />
    <path class="limit" :d="`M${at(0.8)} 22v44M${at(1)} 16v56`" />
    <text :x="at(0.8)" y="16" text-anchor="middle" font-size="12">80 %</text>
    <text :x="at(1)" y="12" text-anchor="middle" font-size="12">{{ check.weakest }} {{ stated(check.limitA, 'A') }}</text>
    <text class="after" :x="after" y="82" text-anchor="middle" font-size="14">{{ amperes(check.afterA) }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 660px;
}

.fuse {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 2;
}

.fuse-wire {
  fill: none;
  stroke: var(--drawing);
  stroke-width: 2.4;
}

.wire {
  fill: var(--paper-sunk);
  stroke: var(--drawing);
  stroke-width: 1.5;
}

.before {
  fill: var(--drawing-soft);
}

.added {
  fill: var(--jade);
}

.warn .added {
  fill: var(--amber);
}

.refuse .added,
.never .added {
  fill: var(--red);
}

.limit {
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: 4 3;
}

text {
  fill: var(--ink);
}

.after {
  font-weight: 700;
}
</style>
