<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { withChanges, type KindTaught } from '@jade/core/capture';
import type { VehicleProfile } from '@jade/core/vehicle';
import { sayConflict, sayTaughtPlace, sayTaughtWay, TAUGHT } from '@jade/words/capture';
import { COMMON } from '@jade/words/common';
import { ask, Refused } from '../../ask/index.ts';
import EmptyNote from '../../design/EmptyNote.vue';
import RightGate from '../../session/RightGate.vue';

/** Ways in that the jobs of a kind went and its profile does not have: each taken or left, and kept as the next version. */
const props = defineProps<{ profile: VehicleProfile; version: number }>();
const emit = defineEmits<{ kept: [said: string] }>();
type Taught = KindTaught & { version: number; jobs: number };
const taught = shallowRef<Taught>();
const failed = ref(false);
const said = ref('');
/** Changes that were turned round, by the way: what is shorter than a way of the profile is offered as taken, one more way as left. */
const turned = ref<readonly string[]>([]);

async function load(): Promise<void> {
  const { slug } = props.profile;
  failed.value = false;
  said.value = '';
  taught.value = undefined;
  turned.value = [];
  try {
    const found = await ask<Taught>(`/api/taught/${encodeURIComponent(slug)}`);
    if (slug === props.profile.slug) taught.value = found;
  } catch {
    failed.value = true;
  }
}
watch(
  () => [props.profile.slug, props.version],
  () => void load(),
  { immediate: true },
);

const name = (id: string) => props.profile.pieces.find((piece) => piece.id === id)?.name ?? id;
const sometimes = (id: string) => props.profile.pieces.find((piece) => piece.id === id)?.when !== undefined;
const place = (id: string) => [...props.profile.mounts, ...props.profile.plugs].find((entry) => entry.id === id)?.name ?? id;
const changes = computed(() =>
  (taught.value?.changes ?? []).map((change) => ({
    change,
    id: change.way.id,
    to: sayTaughtPlace(change, name, place),
    says: sayTaughtWay(change, name, sometimes),
    takes: change.shorterThan.length > 0 !== turned.value.includes(change.way.id),
  })),
);
const taken = computed(() => changes.value.filter(({ takes }) => takes).map(({ change }) => change));
const turn = (id: string) => (turned.value = turned.value.includes(id) ? turned.value.filter((other) => other !== id) : [...turned.value, id]);

async function keep(): Promise<void> {
  const { version, profile } = props;
  said.value = '';
  try {
    await ask(`/api/documents?basedOn=${version}`, withChanges(profile, taken.value));
    emit('kept', TAUGHT.kept(version + 1));
  } catch (error) {
    said.value = error instanceof Refused ? error.message : COMMON.away(TAUGHT.title);
  }
}
</script>

<template>
  <section class="leaf stack" :aria-label="TAUGHT.title">
    <h2>{{ TAUGHT.title }}</h2>
    <EmptyNote v-if="failed" kind="failed"
      >{{ TAUGHT.away }} <button type="button" class="push small" @click="load">{{ COMMON.tryAgain }}</button></EmptyNote
    >
    <EmptyNote v-else-if="!taught" kind="loading">{{ TAUGHT.reading }}</EmptyNote>
    <EmptyNote v-else-if="changes.length === 0" kind="empty">{{ TAUGHT.none(taught.jobs) }}</EmptyNote>
    <template v-else>
      <p class="soft">{{ TAUGHT.found(changes.length, taught.jobs) }}</p>
      <ul class="rows">
        <li v-for="{ id, to, says, takes } in changes" :key="id">
          <span class="grow stack tight">
            <span
              ><strong>{{ to }}:</strong> {{ says.now }}</span
            >
            <span v-for="way in says.before" :key="way" class="soft">{{ TAUGHT.shorter(way) }}</span>
            <span class="soft">{{ says.rests }}</span>
          </span>
          <RightGate right="take in documents" quiet
            ><button type="button" class="push small" :aria-pressed="takes" :aria-label="`${TAUGHT.take}: ${to}`" @click="turn(id)">{{ TAUGHT.take }}</button></RightGate
          >
        </li>
      </ul>
      <div>
        <RightGate right="take in documents"
          ><button type="button" class="push main" :disabled="taken.length === 0" @click="keep">{{ TAUGHT.save(version + 1) }}</button></RightGate
        >
      </div>
    </template>
    <p v-if="taught && taught.unsayable > 0" class="soft">{{ TAUGHT.unsayable(taught.unsayable) }}</p>
    <p v-for="(conflict, index) in taught?.conflicts ?? []" :key="index" class="heeded">{{ sayConflict(conflict, name) }}</p>
    <p v-if="said" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.tight {
  gap: 2px;
}
</style>
