<script setup lang="ts">
import dayjs from 'dayjs';
import { computed } from 'vue';
import type { FactCertainty } from '@jade/core/events';
import { checkIn, isRefused } from '@jade/core/stations';
import type { FactDefinition } from '@jade/core/vehicle';
import { FACT_LIST } from '@jade/words/check-in';
import { minutes } from '@jade/words/units';
import ChoiceRow from '../../design/ChoiceRow.vue';
import { useCurrentJob } from '../../job/current.ts';

/** Facts of this vehicle: known, assumed or not known, each with how to see it. `only` limits the list to some of them. */
const props = defineProps<{ only?: readonly string[] }>();
const { job, context } = useCurrentJob();
const UNKNOWN = 'not known';

const facts = computed(() => context.value.profile.facts.filter((fact) => !props.only || props.only.includes(fact.id)));
const choicesOf = (fact: FactDefinition) => [...fact.choices, UNKNOWN].map((value) => ({ value, text: value }));

function shown(fact: FactDefinition): string | undefined {
  const record = job.state.facts[fact.id];
  return record && (record.certainty === 'unknown' ? UNKNOWN : record.value);
}

function choose(fact: FactDefinition, value: string): void {
  const certainty: FactCertainty = value === UNKNOWN ? 'unknown' : 'known';
  const act = checkIn.recordFact(context.value, fact.id, certainty, value === UNKNOWN ? undefined : value);
  if (!isRefused(act)) void job.perform(act);
}

const isOut = (fact: FactDefinition, value: string) => job.state.facts[fact.id]?.not?.includes(value) ?? false;
</script>

<template>
  <div class="leaf">
    <h2>{{ only ? FACT_LIST.lookAt : FACT_LIST.label }}</h2>
    <ul class="rows">
      <li v-for="fact in facts" :key="fact.id">
        <div class="grow">
          <strong>{{ fact.label }}</strong><span v-if="job.state.facts[fact.id]?.certainty === 'assumed'" class="assumed">{{
            FACT_LIST.assumed(job.state.facts[fact.id]?.seenAt ? dayjs(job.state.facts[fact.id]?.seenAt).format('D MMM YYYY') : undefined)
          }}</span>
          <p class="soft how">
            {{ fact.howToSee }} <span v-if="!shown(fact)">({{ minutes(fact.lookMin) }})</span>
          </p>
        </div>
        <div>
          <ChoiceRow small :label="fact.label" :choices="choicesOf(fact)" :value="shown(fact)" @choose="(value) => choose(fact, value)" />
          <div v-if="checkIn.canRuleOut(context, fact.id).length > 0" class="out" role="group" :aria-label="FACT_LIST.surelyNotOf(fact.label)">
            <span class="soft">{{ FACT_LIST.surelyNot }}</span>
            <button
              v-for="value in checkIn.canRuleOut(context, fact.id)"
              :key="value"
              type="button"
              class="push small"
              :aria-pressed="isOut(fact, value)"
              @click="job.perform(checkIn.ruleOut(context, fact.id, value))"
            >
              {{ value }}
            </button>
          </div>
        </div>
      </li>
    </ul>
    <p v-if="facts.length === 0" class="soft">{{ FACT_LIST.none }}</p>
    <slot />
  </div>
</template>

<style scoped>
.out {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin-top: 6px;
}

.how {
  font-size: 13.5px;
}

.assumed {
  margin-left: 8px;
  padding: 0 6px;
  border: 1px dashed var(--amber);
  color: var(--amber);
  font-size: 13px;
}
</style>
