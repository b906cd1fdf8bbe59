<script setup lang="ts">
import type { PlugLibrary } from '@jade/core/wiring';
import { CORRECT } from '@jade/words/editing';
import { PLUG_SHELF } from '@jade/words/library';
import { sayFamily, sayPinMap } from '@jade/words/wiring';
import { money } from '@jade/words/units';
import EmptyNote from '../../design/EmptyNote.vue';
import RightGate from '../../session/RightGate.vue';

/** What the shop knows of plugs: families with their locks and contacts, and the leads from one to another. */
defineProps<{ plugs: PlugLibrary; currency: string }>();
</script>

<template>
  <section class="stack">
    <div class="line">
      <h2>{{ plugs.name }}</h2>
      <a class="push small" :href="`/api/documents/plugs/${plugs.slug}/export`" download>{{ PLUG_SHELF.export }}</a>
      <RightGate right="take in documents" quiet
        ><router-link class="push small" :to="{ name: 'correct', params: { kind: 'plugs', slug: plugs.slug } }">{{ CORRECT.show }}</router-link></RightGate
      >
    </div>
    <h3>{{ PLUG_SHELF.leads }}</h3>
    <EmptyNote v-if="plugs.adapters.length === 0" kind="empty">{{ PLUG_SHELF.noLeads }}</EmptyNote>
    <ul v-else class="leaf rows">
      <li v-for="adapter in plugs.adapters" :key="adapter.id">
        <span class="grow"
          >{{ adapter.name }} <span class="soft">{{ sayPinMap(adapter) }}</span></span
        >
        <span>{{ money(adapter.priceCents, currency) }}</span>
      </li>
    </ul>
    <h3>{{ PLUG_SHELF.families }}</h3>
    <ul class="leaf rows">
      <li v-for="family in plugs.families" :key="family.id">
        <strong class="mono">{{ family.id }}</strong>
        <span class="grow">{{ sayFamily(family) }}</span>
      </li>
    </ul>
  </section>
</template>
