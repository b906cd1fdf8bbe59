<script setup lang="ts">
import dayjs from 'dayjs';
import { computed, ref } from 'vue';
import { canUndo, lastEvents, undoneEvents } from '@jade/core/log';
import { traySlots } from '@jade/core/paper';
import { TRAY_DRAWING } from '@jade/words/design';
import { sayEvent } from '@jade/words/events';
import { sayLogLine, sayQuestion } from '@jade/words/job';
import { sayGroup } from '@jade/words/names';
import { JOB_TRAY } from '@jade/words/shell';
import { sayHold } from '@jade/words/stations';
import { inSentence } from '@jade/words/units';
import { useOutbox } from '../outbox/index.ts';
import { useJob } from '../job/store.ts';
import { useSession } from '../session/index.ts';

/** What lies in the tray: pieces off, fasteners out, open questions, and the last lines of the log. */
defineProps<{ open: boolean }>();
const emit = defineEmits<{ close: [] }>();
const job = useJob();
const outbox = useOutbox();
const session = useSession();
const FEW = 5;
const MORE = 60;
/** Lines of the log that are seen: only those are put into words. */
const shown = ref(FEW);
const lines = computed(() => job.log.reduce((sum, event) => sum + (event.type === 'undone' ? 0 : 1), 0));

const pieces = computed(() =>
  Object.entries(job.state.pieces)
    .filter(([, level]) => level !== 'fitted')
    .map(([id, level]) => ({ id, level, name: job.names?.piece(id) ?? id })),
);
const slots = computed(() =>
  (job.context ? traySlots(job.context) : [])
    .filter((slot) => slot.left > 0 || slot.dropped > 0)
    .map((slot) => ({
      key: `${slot.piece}/${slot.group}`,
      piece: TRAY_DRAWING.named(slot.slot, inSentence(job.names?.piece(slot.piece) ?? slot.piece)),
      group: sayGroup(slot.fastener) ?? slot.group,
      out: slot.left,
      dropped: slot.dropped,
    })),
);
const total = computed(() => slots.value.reduce((sum, slot) => sum + slot.out, 0));
const questions = computed(() => {
  const { names, standing } = job;
  if (!names || !standing) return [];
  const holds = standing.missing.filter((hold) => hold.kind !== 'to do').map((hold) => sayHold(hold, names));
  return [...holds, ...job.state.questions.filter(({ code }) => code !== 'contradicted').map((question) => sayQuestion(question, names))];
});
/** What was recorded for this job and refused: it is shown with what was said, until somebody has read it. */
const refused = computed(() => {
  const { names, view } = job;
  if (!names || !view) return [];
  return outbox.refusals.filter((entry) => entry.job === view.id).map(({ id, event, refused: why }) => ({ id, why, text: sayEvent(event, names) }));
});
const entries = computed(() => {
  const { names } = job;
  if (!names) return [];
  const undone = undoneEvents(job.log);
  const acts = new Set<string>();
  return lastEvents(job.log, shown.value).map((event) => ({
    id: event.id,
    text: sayLogLine(event, names, session.benchNameOf),
    // What one act recorded is taken back by one undo, at its newest line.
    again: event.act !== undefined && acts.size === acts.add(event.act).size,
    when: dayjs(event.at).format('HH:mm'),
    undone: undone.has(event.id),
    // A signed job is opened again before anything of it is taken back.
    fixed: !canUndo(event) || job.state.signed !== undefined,
  }));
});
</script>

<template>
  <aside class="tray" :class="{ open }" :aria-label="JOB_TRAY.tray">
    <button type="button" class="push small shut" @click="emit('close')">{{ JOB_TRAY.close }}</button>
    <section>
      <h2>{{ JOB_TRAY.out(total) }}</h2>
      <ul class="slots">
        <li v-for="slot in slots" :key="slot.key">
          <span class="count">{{ slot.out }}</span>
          <span
            >{{ slot.group }}<small>{{ slot.piece }}</small
            ><small v-if="slot.dropped" class="lost">{{ JOB_TRAY.droppedNotFound(slot.dropped) }}</small></span
          >
        </li>
      </ul>
    </section>
    <section v-if="pieces.length > 0">
      <h2>{{ JOB_TRAY.open(pieces.length) }}</h2>
      <ul class="plain">
        <li v-for="piece in pieces" :key="piece.id">
          {{ piece.name }} <small>{{ piece.level }}</small>
        </li>
      </ul>
    </section>
    <section v-if="questions.length > 0">
      <h2>{{ JOB_TRAY.questions }}</h2>
      <ul class="plain asks">
        <li v-for="text in questions" :key="text">{{ text }}</li>
      </ul>
    </section>
    <section v-if="refused.length > 0">
      <h2>{{ JOB_TRAY.refused }}</h2>
      <ul class="plain asks">
        <li v-for="entry in refused" :key="entry.id">{{ entry.text }}: {{ entry.why }}</li>
      </ul>
      <button type="button" class="push small" @click="outbox.dismiss(refused.map((entry) => entry.id))">{{ JOB_TRAY.read }}</button>
    </section>
    <section>
      <h2>{{ JOB_TRAY.log }}</h2>
      <ul class="plain log">
        <li v-for="entry in entries" :key="entry.id" :class="{ undone: entry.undone }">
          <span
            ><time class="mono">{{ entry.when }}</time> {{ entry.text }}</span
          >
          <button v-if="!entry.undone && !entry.fixed && !entry.again" type="button" class="undo" :aria-label="JOB_TRAY.undoThat(entry.text)" @click="job.undo(entry.id)">
            {{ JOB_TRAY.undo }}
          </button>
        </li>
      </ul>
      <button v-if="lines > shown" type="button" class="more" @click="shown += MORE">{{ JOB_TRAY.more(Math.min(MORE, lines - shown), lines) }}</button>
      <button v-if="shown > FEW" type="button" class="more" @click="shown = FEW">{{ JOB_TRAY.lastOnly }}</button>
    </section>
  </aside>
</template>

<style scoped>
.tray {
  grid-area: tray;
  width: var(--tray);
  max-height: calc(100vh - 66px);
  position: sticky;
  top: 0;
  overflow-y: auto;
  padding: 14px 16px 30px;
  background: var(--slate);
  color: var(--on-slate);
  font-size: 14px;
}

section + section {
  margin-top: 18px;
}

h2 {
  margin-bottom: 6px;
  font-size: 14.5px;
  color: #fff;
}

.slots {
  display: grid;
  gap: 6px;
}

.slots li {
  display: flex;
  gap: 10px;
  padding: 7px 9px;
  border: 1px solid var(--slate-line);
  border-radius: 7px;
  background: var(--slate-deep);
  box-shadow: inset 0 2px 5px rgb(0 0 0 / 45%);
}

.count {
  flex: none;
  min-width: 32px;
  height: 30px;
  padding: 0 6px;
  text-align: center;
  line-height: 30px;
  font-weight: 700;
  background: var(--tape);
  color: var(--on-tape);
  clip-path: polygon(0 5%, 2px 50%, 0 96%, 100% 100%, calc(100% - 2px) 48%, 100% 0);
}

small {
  display: block;
  color: var(--on-slate-soft);
  font-size: 12.5px;
}

.plain li {
  padding: 3px 0;
}

.plain small {
  display: inline;
}

.lost,
.asks li {
  color: #f7dc93;
}

.log li {
  align-items: baseline;
  display: flex;
  justify-content: space-between;
  gap: 8px;
  border-bottom: 1px solid var(--slate-line);
}

.log time {
  color: var(--on-slate-soft);
}

.undone {
  text-decoration: line-through;
  opacity: 0.7;
}

.undo,
.more {
  border: 0;
  background: none;
  color: #8fe0c3;
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
  min-height: 32px;
}

.shut {
  display: none;
  margin-bottom: 12px;
}

@media (max-width: 1180px) {
  .tray {
    display: none;
    position: fixed;
    inset: 0 0 0 auto;
    max-height: none;
    width: min(340px, 92vw);
    z-index: 6;
    box-shadow: -8px 0 30px rgb(0 0 0 / 40%);
  }

  .tray.open {
    display: block;
  }

  .shut {
    display: inline-flex;
  }
}
</style>
