<script setup lang="ts">
import { computed, ref } from 'vue';
import { asWritten, feedOptions, suppliesOf, type FeedOption, type WireJoint } from '@jade/core/loom';
import { ownLiveIn } from '@jade/core/job';
import { wire } from '@jade/core/stations';
import { BAR_WORDS, sayFeedTo, sayLedShort, saySource, saySourceName, SOURCE_CHOICE } from '@jade/words/wiring';
import MeasureEntry from '../../design/MeasureEntry.vue';
import { useCurrentJob } from '../../job/current.ts';

/** What feeds each supply of a joint, and from where else it could be fed: chosen, all that hangs on it is worked out anew. */
const props = defineProps<{ joint: WireJoint; open?: boolean }>();
const { job, context } = useCurrentJob();
/** Open where something is led elsewhere or has to be; it stays as it was put. */
const shown = ref(props.open || props.joint.led.length > 0);
/** New wire to there, in metres: nobody knows it but who held it along its way. */
const metres = ref<number>();
const lengthMm = computed(() => (metres.value === undefined ? undefined : Math.round(metres.value * 1000)));
const supplies = computed(() =>
  suppliesOf(props.joint).map((pin) => ({
    pin,
    led: props.joint.led.find((entry) => entry.pin.id === pin.id),
    liveIn: ownLiveIn(context.value, asWritten(context.value, props.joint), pin),
    options: lengthMm.value === undefined ? [] : feedOptions(context.value, props.joint, pin.id, lengthMm.value),
  })),
);
const choose = (pin: string, option?: FeedOption) =>
  job.perform(wire.chooseSource(context.value, props.joint.kit.slug, props.joint.connection.id, pin, option?.source, lengthMm.value));
</script>

<template>
  <details v-if="supplies.length > 0 && !joint.joined" class="sources" :open="shown" @toggle="shown = ($event.target as HTMLDetailsElement).open">
    <summary>{{ SOURCE_CHOICE.title }}</summary>
    <MeasureEntry
      :label="SOURCE_CHOICE.length"
      :about="`${joint.kit.slug}/${joint.connection.id}`"
      unit="m"
      :value="metres"
      :least="0"
      :most="30"
      @measured="(value) => (metres = value)"
    />
    <p v-if="lengthMm === undefined" class="soft">{{ SOURCE_CHOICE.lengthHow }}</p>
    <section v-for="{ pin, led, liveIn, options } in supplies" :key="pin.id" class="stack">
      <h3>{{ SOURCE_CHOICE.pin(pin.id, pin.carries) }}</h3>
      <p v-if="led" class="line">
        <strong>{{ SOURCE_CHOICE.led(sayLedShort(led)) }}</strong>
        <button type="button" class="push small" @click="choose(pin.id)">{{ SOURCE_CHOICE.asKit }}</button>
      </p>
      <p class="soft">{{ SOURCE_CHOICE.wantedLive(liveIn) }}</p>
      <ul class="rows">
        <li v-for="option in options" :key="`${option.source.kind} ${option.source.id}`" class="option">
          <span class="grow">
            <strong>{{ saySourceName(option.source) }}</strong> <span class="soft">{{ option.source.kind }}</span>
            <span class="said">{{ saySource(option.source) }} {{ sayFeedTo(option) }}</span>
            <span v-for="bar in option.bars" :key="bar" class="bad said">{{ SOURCE_CHOICE.barred(BAR_WORDS[bar]) }}</span>
          </span>
          <button v-if="option.bars.length === 0" type="button" class="push" @click="choose(pin.id, option)">
            {{ option.chosen ? SOURCE_CHOICE.withLength : SOURCE_CHOICE.feedHere }}
          </button>
        </li>
      </ul>
      <p v-if="lengthMm !== undefined && options.length === 0" class="soft">{{ SOURCE_CHOICE.nothingElse }}</p>
    </section>
  </details>
</template>

<style scoped>
.sources summary {
  cursor: pointer;
  min-height: var(--touch);
  align-content: center;
  font-weight: 620;
}

.said {
  display: block;
}
</style>
