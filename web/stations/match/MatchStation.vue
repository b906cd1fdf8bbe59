<script setup lang="ts">
import { computed } from 'vue';
import { connectionsOf, kitsOnVehicle, verdicts, unplacedKits } from '@jade/core/job';
import { leavingCautions } from '@jade/core/plan';
import type { Kit } from '@jade/core/kit';
import { isRefused, match } from '@jade/core/stations';
import { MATCH_STATION, sayReason, TRUTH_WORDS } from '@jade/words/match';
import ChoiceRow from '../../design/ChoiceRow.vue';
import CautionList from '../../design/CautionList.vue';
import OpeningFit from '../../design/drawings/OpeningFit.vue';
import { useCurrentJob } from '../../job/current.ts';
import FactList from '../check-in/FactList.vue';

const { job, context, names } = useCurrentJob();
const SIGNS = { yes: '✓', no: '✕', unknown: '?' };

const kits = computed(() => {
  const all = verdicts(context.value);
  return kitsOnVehicle(context.value).map((onVehicle, index) => {
    const { kit, fitment, facts } = onVehicle;
    const openings = (fitment?.mounts ?? []).flatMap((place) => {
      const mount = context.value.profile.mounts.find((entry) => entry.id === place.mount);
      const lamp = kit.lamps.find((entry) => entry.id === place.lamp);
      return mount?.opening && lamp ? [{ name: mount.name, opening: mount.opening, box: lamp.box }] : [];
    });
    return { kit, cautions: leavingCautions(context.value, [onVehicle]), verdict: all[index], facts, openings: openings.slice(0, 1), joints: connectionsOf(onVehicle).length };
  });
});
const chosen = (kit: Kit, option: string, standard: string) => job.state.options[kit.slug]?.[option] ?? standard;
/** Kits of which nobody has described how they sit on this kind of vehicle. */
const unplaced = computed(() => unplacedKits(context.value));
const isConfirmed = (kit: Kit) => job.state.confirmed.includes(kit.slug);

const confirmation = (kit: Kit) => match.confirm(context.value, kit.slug);
</script>

<template>
  <div class="stack">
    <section v-for="{ kit, verdict, openings, cautions } in kits" :key="kit.slug" class="pair">
      <div v-if="verdict" class="leaf stack">
        <div class="verdict" :class="verdict.value">
          <span class="sign" aria-hidden="true">{{ SIGNS[verdict.value] }}</span>
          <div>
            <h2>{{ kit.maker }} {{ kit.name }} {{ TRUTH_WORDS[verdict.value] }}</h2>
            <p v-if="verdict.ask[0]" class="soft">
              {{ MATCH_STATION.factsLeft(verdict.ask.length) }}
            </p>
          </div>
        </div>
        <ul class="reasons" :aria-label="MATCH_STATION.why">
          <li v-for="(reason, index) in verdict.reasons" :key="index" :class="reason.value">
            <span class="sign" aria-hidden="true">{{ SIGNS[reason.value] }}</span>{{ sayReason(reason, names.fact, names.mount) }}
          </li>
        </ul>
        <OpeningFit v-for="place in openings" :key="place.name" :opening="place.opening" :box="place.box" :label="MATCH_STATION.opening(place.name)" />
        <CautionList :codes="cautions" :own="kit.warnings" />
      </div>
      <div class="stack">
        <FactList v-if="verdict && verdict.ask.length > 0" :only="verdict.ask" />
        <div v-if="verdict" class="leaf stack">
          <h2>{{ MATCH_STATION.options }}</h2>
          <div v-for="option in kit.options" :key="option.id" class="stack">
            <h3>{{ option.label }}</h3>
            <ChoiceRow
              :label="option.label"
              :choices="option.choices.map((choice) => ({ value: choice.id, text: choice.label }))"
              :value="chosen(kit, option.id, option.default)"
              @choose="(choice) => job.perform(match.choose(context, kit.slug, option.id, choice))"
            />
            <p class="soft">{{ option.choices.find((choice) => choice.id === chosen(kit, option.id, option.default))?.consequence }}</p>
          </div>
          <h3>{{ MATCH_STATION.needed }}</h3>
          <ul>
            <li v-for="item in verdict.adapters" :key="item">{{ names.item(kit.slug, item) }}</li>
            <li v-for="item in verdict.undecidedAdapters" :key="item" class="soft">{{ MATCH_STATION.undecided(names.item(kit.slug, item)) }}</li>
            <li v-if="verdict.adapters.length + verdict.undecidedAdapters.length === 0" class="soft">
              {{ kit.undescribed?.includes('contents') ? MATCH_STATION.contentsUnknown : MATCH_STATION.nothingBeyond }}
            </li>
          </ul>
          <button type="button" class="push main" :disabled="isRefused(confirmation(kit))" @click="job.perform(confirmation(kit))">
            {{ isConfirmed(kit) ? MATCH_STATION.confirmed : unplaced.includes(kit.slug) ? MATCH_STATION.held : MATCH_STATION.confirm }}
          </button>
        </div>
      </div>
    </section>
  </div>
</template>

<style scoped>
.verdict {
  display: flex;
  gap: 14px;
  align-items: center;
}

.verdict > .sign {
  width: 46px;
  height: 46px;
  font-size: 25px;
}

.sign {
  flex: none;
  display: inline-grid;
  place-items: center;
  width: 24px;
  height: 24px;
  margin-right: 10px;
  font-weight: 800;
  font-size: 14px;
  color: var(--on-jade);
  background: var(--jade);
  border-radius: 50%;
}

.no > .sign {
  background: var(--red);
  color: var(--paper-raised);
  border-radius: 2px;
}

.unknown > .sign {
  background: var(--tape);
  color: var(--on-tape);
  clip-path: polygon(50% 0, 100% 100%, 0 100%);
  border-radius: 0;
  padding-top: 6px;
}

.reasons li {
  display: flex;
  padding: 4px 0;
}
</style>
