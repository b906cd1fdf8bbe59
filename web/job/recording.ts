import { computed, type ComputedRef } from 'vue';
import { isRefused, type Act } from '@jade/core/stations';
import { useCurrentJob } from './current.ts';

/** What a form records once it says all that it has to: what stands against it until then, whether its minutes make one wonder, and the recording. */
export function useRecording(act: ComputedRef<Act>, kept: () => void) {
  const { job } = useCurrentJob();
  const refusals = computed(() => (isRefused(act.value) ? act.value.refused : []));
  const doubtful = computed(() => refusals.value.some(({ code }) => code === 'doubtful'));
  async function record(): Promise<void> {
    if (isRefused(act.value)) return;
    await job.perform(act.value);
    if (job.refusals.length === 0) kept();
  }
  return { refusals, doubtful, record };
}
