<script setup lang="ts">
import { KEPT_COUNT } from '@jade/words/shell';
import { useOutbox } from '../outbox/index.ts';
import { usePhotos } from '../photos/index.ts';

/** How much of all jobs is kept on this device until the server has it. `always` also says that the server is away where nothing is kept. */
defineProps<{ always?: boolean }>();
const outbox = useOutbox();
const photos = usePhotos();
</script>

<template>
  <span v-if="outbox.count > 0 || photos.count > 0 || (always && !outbox.online)" class="away" role="status">{{
    KEPT_COUNT.keptHere(outbox.online, outbox.count, photos.count)
  }}</span>
</template>

<style scoped>
.away {
  padding: 3px 10px;
  border: 1.5px solid #f0c34d;
  border-radius: 4px;
  color: #f7dc93;
  font-size: 13.5px;
}
</style>
