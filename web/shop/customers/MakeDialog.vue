<script setup lang="ts">
import { v7 } from 'uuid';
import { ref } from 'vue';
import { MAKE_DIALOG } from '@jade/words/customers';
import { useDraft } from '../../drafts/index.ts';
import FormDialog from '../../design/FormDialog.vue';
import { ask } from '../../ask/index.ts';
import { useAttempt } from '../../ask/attempt.ts';
import { bodyOf, newDraft } from './draft.ts';
import VehicleFields from './VehicleFields.vue';

/** A vehicle that is new to the shop, without a job yet. */
const emit = defineEmits<{ made: [id: string]; close: [] }>();
const id = v7();
const { draft, kept, drop } = useDraft('new-vehicle', newDraft);
const ready = ref(false);
const { fault, plateKnown, attempt } = useAttempt();

const make = (another = false) =>
  attempt(async () => {
    const made = await ask<{ id: string }>('/api/vehicles', { id, ...bodyOf(draft.value), ...(another ? { another } : {}) });
    drop();
    emit('made', made.id);
  });
</script>

<template>
  <FormDialog :title="MAKE_DIALOG.title" :action="MAKE_DIALOG.keep" :ready="ready" :width="680" :kept="kept" @confirm="make()" @anew="drop" @close="emit('close')">
    <VehicleFields :key="String(kept)" v-model="draft" may-make-kind @ready="(value) => (ready = value)" />
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <div v-if="plateKnown">
      <button type="button" class="push small" @click="make(true)">{{ MAKE_DIALOG.isAnother }}</button>
    </div>
  </FormDialog>
</template>
