<script setup lang="ts">
import { computed } from 'vue';
import type { LoadCheck } from '@jade/core/wiring';
import { FUSE_WIRE } from '@jade/words/design';
import { amperes, percent, stated } from '@jade/words/units';

/** A fuse's load as a filled wire: what was on it, what is added, where it warns and where it ends; below it what is lost on the way, of what may be. */
const props = defineProps<{ check: LoadCheck; slotName: string; label: string }>();
const LEFT = 84;
const FULL = 250;
const at = (share: number) => LEFT + Math.min(1.18, share) * FULL;
const after = computed(() => at(props.check.shareAfter));
/** Where the share of the voltage that may be lost ends on its own scale. */
const LOST_END = 0.6;
const lost = computed(() => at((props.check.dropShare / props.check.dropLimitShare) * LOST_END));
</script>

<template>
  <svg viewBox="0 0 430 138" role="img" :aria-label="label" :class="check.verdict">
    <rect class="fuse" x="6" y="24" width="66" height="40" rx="6" />
    <path class="fuse-wire" d="M18 44c10-16 32 16 42 0" />
    <text class="mono" x="39" y="80" text-anchor="middle" font-size="13">{{ slotName }}</text>
    <rect class="wire" :x="LEFT" y="30" :width="FULL" height="28" rx="4" />
    <rect class="before" :x="LEFT" y="30" :width="at(check.shareBefore) - LEFT" height="28" />
    <rect class="added" :x="at(check.shareBefore)" y="30" :width="Math.max(0, after - at(check.shareBefore))" height="28" />
    <path class="limit" :d="`M${at(check.warnShare)} 22v44M${at(check.refuseShare)} 16v56`" />
    <text :x="at(check.warnShare)" y="16" text-anchor="middle" font-size="12">{{ percent(check.warnShare) }}</text>
    <text :x="at(check.refuseShare)" y="12" text-anchor="start" font-size="12">{{ check.weakest }} {{ stated(check.limitA, 'A') }}</text>
    <text class="after" :x="after" y="80" text-anchor="middle" font-size="14">{{ amperes(check.afterA) }}</text>
    <text x="6" y="111" font-size="12">{{ FUSE_WIRE.lost(percent(check.dropShare, 1), check.unknown.length > 0) }}</text>
    <rect class="wire" :x="LEFT" y="100" :width="FULL" height="14" rx="3" />
    <rect class="lost" :class="{ over: check.troubles.includes('drop') }" :x="LEFT" y="100" :width="lost - LEFT" height="14" />
    <path class="limit" :d="`M${at(LOST_END)} 94v26`" />
    <text :x="at(LOST_END)" y="133" text-anchor="middle" font-size="12">{{ FUSE_WIRE.atMost(percent(check.dropLimitShare, 1)) }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 560px;
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

.lost {
  fill: var(--jade);
}

.lost.over {
  fill: var(--amber);
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
