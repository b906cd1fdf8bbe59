<script setup lang="ts">
import { computed, onBeforeUnmount, provide, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { formBook, isWithin, pathOf, placeOf, valueAt, withEntry, withMoved, withValue, type FormBook, type Place, type Schema } from '@jade/core/editing';
import type { Fault } from '@jade/core/faults';
import { otherSideDrive, type VehicleProfile } from '@jade/core/vehicle';
import { differences } from '@jade/core/versions';
import { COMMON } from '@jade/words/common';
import { CORRECT, sayField } from '@jade/words/editing';
import { sayFault } from '@jade/words/faults';
import { PROFILE_SHEET, sayDifference } from '@jade/words/library';
import { sayPageTitle } from '@jade/words/shell';
import { ask, Refused } from '../../../ask/index.ts';
import EmptyNote from '../../../design/EmptyNote.vue';
import HelpHere from '../../../design/HelpHere.vue';
import { keepDraft, keptDraft } from '../../../drafts/index.ts';
import RightGate from '../../../session/RightGate.vue';
import CorrectDrawing from './CorrectDrawing.vue';
import { EDITOR } from './editor.ts';
import EntryList from './EntryList.vue';
import RecordForm from './RecordForm.vue';

/** A document of the library, corrected field by field: checked as at import while it is written, and saved as its next version, or as a vehicle of its own. */
const route = useRoute();
const router = useRouter();
const kind = computed(() => String(route.params.kind));
const slug = computed(() => String(route.params.slug));
/** A vehicle like another begins as a copy of it, without what is its own. */
const asCopy = computed(() => route.query.as === 'copy');

const base = shallowRef<object>();
const document_ = shallowRef<unknown>();
const past = shallowRef<readonly unknown[]>([]);
const book = shallowRef<FormBook>(new Map());
const basedOn = ref(0);
const kept = ref(false);
const failed = ref('');
const faults = shallowRef<readonly Fault[]>([]);
const losses = shallowRef<readonly Fault[]>([]);
const state = ref<'open' | 'checking' | 'checked' | 'away'>('open');
const said = ref('');
const opened = ref<ReadonlySet<string>>(new Set());
const section = ref('');
/** The entry that was opened last: what of it has a place is taken hold of on the drawing. */
const held = ref<Place>();

const draftKey = computed(() => `correct/${kind.value}/${slug.value}${asCopy.value ? '/copy' : ''}`);
const KEEP_MS = 400;
/** After the last key, before it is checked. */
const CHECK_MS = 300;

async function load(): Promise<void> {
  base.value = undefined;
  failed.value = '';
  try {
    const [schema, read] = await Promise.all([ask<Schema>(`/api/formats/${kind.value}`), ask<{ document: object; version: number }>(`/api/documents/${kind.value}/${slug.value}`)]);
    book.value = formBook(schema);
    const begun = asCopy.value ? { ...read.document, slug: '', maker: '', model: '', years: {} } : read.document;
    const draft = keptDraft(draftKey.value);
    base.value = begun;
    basedOn.value = asCopy.value ? 0 : read.version;
    kept.value = draft !== undefined;
    if (draft && typeof draft.basedOn === 'number') basedOn.value = draft.basedOn;
    document_.value = draft?.document ?? begun;
    past.value = [];
    document.title = sayPageTitle(CORRECT.title, slug.value);
    void check();
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : COMMON.away(CORRECT.theDocument);
  }
}
watch([kind, slug, asCopy], load, { immediate: true });

/** Where the last change was: letters that are written one after the other are one change. */
let last = '';
function become(next: unknown, where: string): void {
  if (next === document_.value) return;
  if (where === '' || where !== last) past.value = [...past.value, document_.value];
  last = where;
  document_.value = next;
}
function undo(): void {
  const before = past.value.at(-1);
  if (before === undefined) return;
  past.value = past.value.slice(0, -1);
  last = '';
  document_.value = before;
}
function anew(): void {
  if (base.value) become(base.value, '');
  kept.value = false;
}

provide(EDITOR, {
  form: RecordForm,
  get book() {
    return book.value;
  },
  document: document_,
  faults,
  opened,
  set: (place, value) => become(withValue(document_.value, place, value), pathOf(place)),
  insert: (list, at, value) => become(withEntry(document_.value, list, at, value), ''),
  move: (list, from, to) => become(withMoved(document_.value, list, from, to), ''),
  open: (entry, open) => {
    const path = pathOf(entry);
    if (open === opened.value.has(path)) return;
    const next = new Set(opened.value);
    if (open) next.add(path);
    else next.delete(path);
    opened.value = next;
    if (open) held.value = entry.slice(0, 2);
  },
});

let keeping: ReturnType<typeof setTimeout> | undefined;
let checking: ReturnType<typeof setTimeout> | undefined;
let asked = 0;
const keep = () => keepDraft(draftKey.value, document_.value === base.value ? undefined : { basedOn: basedOn.value, document: document_.value });
watch(document_, () => {
  clearTimeout(keeping);
  clearTimeout(checking);
  keeping = setTimeout(keep, KEEP_MS);
  checking = setTimeout(() => void check(), CHECK_MS);
});
onBeforeUnmount(() => {
  clearTimeout(checking);
  clearTimeout(keeping);
  if (base.value) keep();
});

async function check(): Promise<void> {
  const own = ++asked;
  state.value = 'checking';
  try {
    const found = await ask<{ faults: Fault[]; losses: Fault[] }>('/api/documents/check', document_.value);
    if (own !== asked) return;
    faults.value = found.faults;
    losses.value = found.losses;
    state.value = 'checked';
  } catch (error) {
    if (own !== asked) return;
    state.value = error instanceof Refused ? 'open' : 'away';
    if (error instanceof Refused) said.value = error.message;
    else checking = setTimeout(() => void check(), 2000);
  }
}

/** What a person calls it. */
const name = computed(() => {
  const { maker, model, name: own } = (base.value ?? {}) as { maker?: string; model?: string; name?: string };
  return [maker, model ?? own].filter((word) => word).join(' ') || slug.value;
});
const changes = computed(() => (base.value && document_.value ? differences(base.value, document_.value as object) : []));
async function save(acceptLosses = false): Promise<void> {
  said.value = '';
  try {
    const taken = await ask<{ slug: string }>(`/api/documents?basedOn=${basedOn.value}${acceptLosses ? '&losses=accepted' : ''}`, document_.value);
    clearTimeout(keeping);
    keepDraft(draftKey.value, undefined);
    base.value = undefined;
    await router.push({ name: 'library', query: { show: `${kind.value}/${taken.slug}` } });
  } catch (error) {
    said.value = error instanceof Refused ? error.message : COMMON.keptHere;
  }
}

/** The parts of the document: what is said of it in general, then each list and each record that holds lists. */
const sections = computed(() => {
  const fields = book.value.get('') ?? [];
  const isPart = (name: string) => {
    const form = fields.find((field) => field.name === name)?.form;
    return (form?.is === 'list' && form.of.is === 'record') || (form?.is === 'record' && (book.value.get(form.of) ?? []).some((field) => field.form.is === 'list'));
  };
  const wrong = (names: readonly string[]) => faults.value.filter((fault) => names.some((name) => isWithin(placeOf(fault.path), [name]))).length;
  const general = fields.map(({ name }) => name).filter((name) => !isPart(name));
  return [
    { name: '', label: CORRECT.itself, fields: general, wrong: wrong(general), count: undefined },
    ...fields
      .filter(({ name }) => isPart(name))
      .map(({ name }) => {
        const value = valueAt(document_.value, [name]);
        return { name, label: sayField(name).label, fields: [name], wrong: wrong([name]), count: Array.isArray(value) ? value.length : undefined };
      }),
  ];
});
const current = computed(() => sections.value.find(({ name }) => name === section.value) ?? sections.value[0]);
const listOf = computed(() => {
  const form = (book.value.get('') ?? []).find(({ name }) => name === section.value)?.form;
  return form?.is === 'list' && form.of.is === 'record' ? form.of.of : undefined;
});
/** What stands against no field that is seen. */
const whole = computed(() => faults.value.filter(({ path }) => !(book.value.get('') ?? []).some(({ name }) => isWithin(placeOf(path), [name]))));

const profile = computed(() => (kind.value === 'vehicle' ? (document_.value as VehicleProfile | undefined) : undefined));
function openPiece(id: string): void {
  const at = profile.value?.pieces.findIndex((piece) => piece.id === id) ?? -1;
  if (at < 0) return;
  section.value = 'pieces';
  held.value = ['pieces', at];
  opened.value = new Set([pathOf(held.value)]);
}
function otherDrive(): void {
  if (profile.value && faults.value.every(({ path }) => ['slug', 'maker', 'model', 'years'].includes(String(placeOf(path)[0])))) become(otherSideDrive(profile.value), '');
}
</script>

<template>
  <EmptyNote v-if="failed" kind="failed">{{ failed }}</EmptyNote>
  <EmptyNote v-else-if="!base" kind="loading">{{ CORRECT.reading }}</EmptyNote>
  <div v-else class="stack">
    <header class="line">
      <h1>{{ asCopy ? CORRECT.titleCopy : CORRECT.title }}</h1>
      <span class="soft grow">{{ asCopy ? CORRECT.copyWhy : CORRECT.of(name, basedOn) }}</span>
      <router-link class="push small" :to="{ name: 'library', query: { show: `${kind}/${slug}` } }">{{ PROFILE_SHEET.back }}</router-link>
      <HelpHere of="correct" />
    </header>
    <div class="leaf stack bar" role="status">
      <div class="line">
        <RightGate right="take in documents"
          ><button type="button" class="push main" :disabled="state !== 'checked' || faults.length > 0 || changes.length === 0" @click="save(false)">
            {{ asCopy ? CORRECT.saveNew : CORRECT.save(basedOn + 1) }}
          </button></RightGate
        >
        <button type="button" class="push" :disabled="past.length === 0" @click="undo">{{ CORRECT.undo }}</button>
        <button v-if="changes.length > 0" type="button" class="push" @click="anew">{{ CORRECT.anew }}</button>
        <span v-if="state === 'checking'" class="soft">{{ CORRECT.checking }}</span>
        <span v-else-if="state === 'away'" class="odd">{{ CORRECT.away }}</span>
        <span v-else-if="state === 'checked' && faults.length === 0" class="good">{{ CORRECT.sound }}</span>
        <span v-if="kept" class="soft">{{ CORRECT.keptDraft }}</span>
      </div>
      <p v-if="said" class="bad" role="alert">{{ said }}</p>
      <details v-if="faults.length > 0">
        <summary class="bad">{{ CORRECT.wrong(faults.length) }}</summary>
        <ul class="long" tabindex="0">
          <li v-for="(fault, index) in faults" :key="index" class="bad mono">{{ sayFault(fault) }}</li>
        </ul>
      </details>
      <details v-if="losses.length > 0" open>
        <summary class="odd">{{ CORRECT.losses(losses.length) }}</summary>
        <p>{{ CORRECT.lossesWhy }}</p>
        <ul class="long" tabindex="0">
          <li v-for="(fault, index) in losses" :key="index" class="mono">{{ sayFault(fault) }}</li>
        </ul>
        <RightGate right="take in documents"
          ><button type="button" class="push" :disabled="faults.length > 0" @click="save(true)">{{ CORRECT.allTheSame }}</button></RightGate
        >
      </details>
      <details v-if="changes.length > 0">
        <summary>{{ CORRECT.changed(changes.length) }}</summary>
        <ul class="rows long" tabindex="0">
          <li v-for="(difference, index) in changes" :key="index">
            <span class="mono">{{ difference.path.join(' › ') }}</span> <span>{{ sayDifference(difference) }}</span>
          </li>
        </ul>
      </details>
      <p v-else class="soft">{{ CORRECT.nothing }}</p>
      <div v-if="asCopy && kind === 'vehicle'" class="line">
        <button type="button" class="push small" @click="otherDrive">{{ CORRECT.otherDrive }}</button> <span class="soft">{{ CORRECT.otherDriveWhy }}</span>
      </div>
    </div>
    <div class="parts">
      <nav :aria-label="CORRECT.sections">
        <button
          v-for="entry in sections"
          :key="entry.name"
          type="button"
          class="push plain small"
          :aria-current="entry.name === section ? 'page' : undefined"
          @click="section = entry.name"
        >
          <span>{{ entry.label }}</span> <span v-if="entry.wrong > 0" class="bad">{{ CORRECT.faultsIn(entry.wrong) }}</span><span
            v-else-if="entry.count !== undefined"
            class="soft"
            >{{ entry.count }}</span
          >
        </button>
      </nav>
      <div class="both" :class="{ drawn: profile }">
        <section v-if="current" class="leaf stack" :aria-label="current.label">
          <h2>{{ current.label }}</h2>
          <p v-for="(fault, index) in current.name === '' ? whole : []" :key="index" class="bad">{{ CORRECT.elsewhere }}: {{ sayFault(fault) }}</p>
          <EntryList v-if="listOf" :key="current.name" :of="listOf" :place="[current.name]" />
          <RecordForm v-else :key="`general ${current.name}`" of="" :place="[]" :only="current.fields" />
        </section>
        <CorrectDrawing
          v-if="profile"
          class="beside"
          :profile="profile"
          :held="held"
          :sound="!faults.some(({ path }) => isWithin(placeOf(path), ['measures']))"
          @piece="openPiece"
          @put="(place, value) => become(withValue(document_, place, value), '')"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
}

.bar {
  position: sticky;
  top: 0;
  z-index: 3;
  gap: 6px;
  max-height: 46vh;
  overflow-y: auto;
}

.long {
  max-height: 30vh;
  overflow-y: auto;
}

summary {
  cursor: pointer;
  padding: 4px 0;
}

.parts {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}

nav {
  display: grid;
}

nav .push {
  justify-content: space-between;
  width: 100%;
  font-weight: 500;
}

nav .push[aria-current] {
  background: var(--jade-soft);
}

.both {
  display: grid;
  gap: 14px;
  align-items: start;
}

.drawn {
  grid-template-columns: minmax(0, 1fr) minmax(300px, 38%);
}

/* What is held stays in sight while its fields are written. */
.beside {
  position: sticky;
  top: 130px;
}

@media (max-width: 900px) {
  .beside {
    position: static;
    order: -1;
  }

  .drawn,
  .parts {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
