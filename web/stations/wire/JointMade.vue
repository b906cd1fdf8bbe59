<script setup lang="ts">
import { v4 } from 'uuid';
import { computed } from 'vue';
import { kitsOnVehicle } from '@jade/core/job';
import { LONGEST_TEXT } from '@jade/core/events';
import { plugsThere } from '@jade/core/loom';
import { LEG_GROUNDS, type LegWire } from '@jade/core/kit';
import { probe, wire } from '@jade/core/stations';
import { typedMeasure, type TypedUnit } from '@jade/core/units';
import { entryId } from '@jade/core/vehicle';
import { BLADE_FUSES_A } from '@jade/core/wiring';
import { sayRefusal } from '@jade/words/stations';
import { stated } from '@jade/words/units';
import { CHECK_WORDS, JOINT_MADE, sayArea } from '@jade/words/wiring';
import ChoiceRow from '../../design/ChoiceRow.vue';
import FormDialog from '../../design/FormDialog.vue';
import WordsField from '../../design/WordsField.vue';
import { useDraft } from '../../drafts/index.ts';
import { actedAt } from '../../job/clock.ts';
import { useCurrentJob } from '../../job/current.ts';
import { useRecording } from '../../job/recording.ts';

/** A joint of a kit that is made and that nobody has described: which plug or wire, what guards it, what it feeds. */
const props = defineProps<{ kit: string }>();
const emit = defineEmits<{ close: [] }>();
const { job, context, names } = useCurrentJob();
const { draft, kept, drop } = useDraft(
  () => `${job.view?.id}/joint/${props.kit}`,
  () => ({
    drawn: v4().slice(0, 4),
    by: undefined as wire.JoinedBy | undefined,
    plug: undefined as string | undefined,
    pin: undefined as string | undefined,
    name: '',
    lamps: [] as string[],
    slot: '',
    rated: '',
    feeds: undefined as wire.JointFeeds | undefined,
    main: '',
    distance: '',
    contact: '',
    long: '',
    area: undefined as number | undefined,
    ground: undefined as LegWire['ground'] | undefined,
  }),
);
const plugs = computed(() => plugsThere(context.value));
const lamps = computed(() => kitsOnVehicle(context.value).find(({ kit }) => kit.slug === props.kit)?.kit.lamps ?? []);
const plug = computed(() => plugs.value.find(({ id }) => id === draft.value.plug));
const pins = computed(() =>
  (plug.value ? wire.pinsKnown(context.value, plug.value) : []).map(({ pin: { id, colour }, carries, proved }) => ({
    value: id,
    text: JOINT_MADE.pinSays(id, colour, carries === 'unknown' ? JOINT_MADE.notKnown : proved ? JOINT_MADE.provedSo(carries) : JOINT_MADE.saidSo(carries)),
  })),
);
const areas = computed(() => wire.areasKnown(context.value));
const fuses = computed(() => wire.fusesKnown(context.value, draft.value));
const amount = (text: string, unit: TypedUnit): number | undefined => {
  const read = typedMeasure(text, unit);
  return 'fault' in read ? undefined : read.value;
};
const made = computed((): wire.JointMade => {
  const { by, plug: at, pin, name, lamps: lit, slot, rated, feeds, main, distance, contact, long, area, ground } = draft.value;
  return {
    by,
    plug: at,
    ...(by === 'wire' ? { pin } : {}),
    name,
    lamps: lit,
    slot,
    ratedA: amount(rated, 'A'),
    feeds,
    // Whoever says nothing of it leaves it open.
    ...(long.trim() === '' && area === undefined ? {} : { lead: { lengthMm: amount(long, 'mm') ?? 0, ...(area === undefined ? {} : { areaMm2: area, ground }) } }),
    ...(feeds === 'relay' ? { fuseA: amount(main, 'A'), batteryToFuseMm: amount(distance, 'mm'), contactA: amount(contact, 'A') } : {}),
  };
});
const id = computed(() => entryId(draft.value.name, draft.value.drawn));
const as = computed(() => wire.jointAsMade(context.value, props.kit, made.value, id.value, actedAt()));
const checks = computed(() => ('checks' in as.value ? as.value.checks : []));
const { refusals, record } = useRecording(
  computed(() => wire.actOfJoint(as.value)),
  () => {
    drop();
    emit('close');
  },
);

/** A lamp that is the only one is the one that is lit. */
function take(at: string): void {
  if (draft.value.plug !== at) draft.value.pin = undefined;
  draft.value.plug = at;
  if (lamps.value.length === 1) draft.value.lamps = lamps.value.map(({ id: lamp }) => lamp);
}
const toggle = (lamp: string) => (draft.value.lamps = draft.value.lamps.includes(lamp) ? draft.value.lamps.filter((other) => other !== lamp) : [...draft.value.lamps, lamp]);
function guardedBy(slot: string, ratedA: number): void {
  draft.value.slot = slot;
  draft.value.rated = String(ratedA);
}
</script>

<template>
  <FormDialog :title="JOINT_MADE.title" :action="JOINT_MADE.record" :ready="refusals.length === 0" :width="760" :kept="kept" @confirm="record" @anew="drop" @close="emit('close')">
    <p class="form-warn">{{ JOINT_MADE.caution }}</p>
    <template v-if="plugs.length === 0">
      <p>{{ JOINT_MADE.noPlug }}</p>
      <div>
        <router-link class="push" :to="{ name: 'station', params: { id: job.view?.id, station: 'probe' } }">{{ JOINT_MADE.toProbe }}</router-link>
      </div>
    </template>
    <template v-else>
      <div class="stack" role="group" :aria-label="JOINT_MADE.plug">
        <strong>{{ JOINT_MADE.plug }}</strong>
        <div class="form-chips">
          <button v-for="entry in plugs" :key="entry.id" type="button" class="push small" :aria-pressed="draft.plug === entry.id" @click="take(entry.id)">{{ entry.name }}</button>
          <router-link class="push small plain" :to="{ name: 'station', params: { id: job.view?.id, station: 'probe' } }">{{ JOINT_MADE.toProbe }}</router-link>
        </div>
      </div>
      <ChoiceRow
        named
        :label="JOINT_MADE.by"
        small
        :choices="wire.JOINED_BY.map((value) => ({ value, text: JOINT_MADE.ways[value] }))"
        :value="draft.by"
        @choose="(by) => (draft.by = by)"
      />
      <ChoiceRow v-if="draft.by === 'wire' && plug" named :label="JOINT_MADE.pin" small :choices="pins" :value="draft.pin" @choose="(pin) => (draft.pin = pin)" />
      <ul v-else-if="draft.by === 'plug' && plug">
        <li v-for="pin in pins" :key="pin.value">{{ pin.text }}</li>
      </ul>
      <WordsField v-model="draft.name" :label="JOINT_MADE.name" :most="LONGEST_TEXT.kitEntry" />
      <div v-if="draft.name === '' && draft.by" class="form-chips" role="group" :aria-label="JOINT_MADE.name">
        <button v-for="name in JOINT_MADE.names[draft.by]" :key="name" type="button" class="push small" @click="draft.name = name">{{ name }}</button>
      </div>
      <div class="stack" role="group" :aria-label="JOINT_MADE.lamps">
        <strong>{{ JOINT_MADE.lamps }}</strong>
        <div class="form-chips">
          <button v-for="lamp in lamps" :key="lamp.id" type="button" class="push small" :aria-pressed="draft.lamps.includes(lamp.id)" @click="toggle(lamp.id)">
            {{ lamp.name }}
          </button>
        </div>
      </div>
      <ChoiceRow
        named
        :label="JOINT_MADE.feeds"
        small
        :choices="wire.JOINT_FEEDS.map((value) => ({ value, text: JOINT_MADE.does[value] }))"
        :value="draft.feeds"
        @choose="(feeds) => (draft.feeds = feeds)"
      />
      <div v-if="draft.feeds === 'relay'" class="form-halves">
        <v-text-field v-model="draft.main" :label="JOINT_MADE.main" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
        <v-text-field v-model="draft.distance" :label="JOINT_MADE.distance" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
        <v-text-field v-model="draft.contact" :label="JOINT_MADE.contact" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
      </div>
      <div class="stack" role="group" :aria-label="JOINT_MADE.slot">
        <strong>{{ JOINT_MADE.slot }}</strong>
        <p class="soft">{{ JOINT_MADE.slotHow }}</p>
        <div v-if="fuses.length > 0" class="form-chips">
          <button v-for="fuse in fuses" :key="fuse.slot" type="button" class="push small" :aria-pressed="draft.slot === fuse.slot" @click="guardedBy(fuse.slot, fuse.ratedA)">
            {{ JOINT_MADE.known(fuse.slot, fuse.ratedA) }}
          </button>
        </div>
        <WordsField v-model="draft.slot" :label="JOINT_MADE.slot" :most="probe.LONGEST_SLOT" />
        <div class="form-chips" role="group" :aria-label="JOINT_MADE.rated">
          <button
            v-for="ampere in BLADE_FUSES_A"
            :key="ampere"
            type="button"
            class="push small"
            :aria-pressed="draft.rated === String(ampere)"
            @click="draft.rated = String(ampere)"
          >
            {{ stated(ampere, 'A') }}
          </button>
        </div>
        <v-text-field v-model="draft.rated" :label="JOINT_MADE.ratedUnit" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
      </div>
      <div class="stack" role="group" :aria-label="JOINT_MADE.lead">
        <strong>{{ JOINT_MADE.lead }}</strong>
        <p class="soft">{{ JOINT_MADE.leadWhy }}</p>
        <v-text-field v-model="draft.long" :label="JOINT_MADE.long" inputmode="decimal" maxlength="8" variant="outlined" density="comfortable" hide-details />
        <div class="form-chips" role="group" :aria-label="JOINT_MADE.area">
          <button
            v-for="area in areas"
            :key="area"
            type="button"
            class="push small"
            :aria-pressed="draft.area === area"
            @click="draft.area = draft.area === area ? undefined : area"
          >
            {{ sayArea(area) }}
          </button>
        </div>
        <ChoiceRow
          v-if="draft.area !== undefined"
          named
          :label="JOINT_MADE.ground"
          small
          :choices="LEG_GROUNDS.map((value) => ({ value, text: JOINT_MADE.grounds[value] }))"
          :value="draft.ground"
          @choose="(ground) => (draft.ground = ground)"
        />
      </div>
      <div v-if="checks.length > 0" class="stack">
        <strong>{{ JOINT_MADE.checks }}</strong>
        <ul>
          <li v-for="check in checks" :key="check">{{ CHECK_WORDS[check].look }}</li>
        </ul>
      </div>
      <template v-if="draft.plug !== undefined || draft.name.trim() !== ''">
        <p v-for="(refusal, index) in refusals" :key="index" class="odd" role="status">{{ refusal.code === 'missing' ? JOINT_MADE.missing : sayRefusal(refusal, names) }}</p>
      </template>
    </template>
  </FormDialog>
</template>
