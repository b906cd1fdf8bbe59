import { onUnmounted, ref, watch } from 'vue';
import type { HeldLine } from '@jade/core/probing';
import { isRefused, type Act, type Refusal } from '@jade/core/stations';
import { useCurrentJob } from '../../job/current.ts';
import { useMeter } from '../../meter/index.ts';

export interface VoltsProps {
  /** What the value is of: another one begins anew. */
  about: string;
  act: (lowV: number, highV: number, sure: boolean) => Act;
  /** What is held at the meter comes here. */
  listens?: boolean;
}

/** A value in volts, typed, tapped or held at the meter: recorded unless something is against it; what is odd is asked about first, and waits at the meter until it is said. */
export function useVolts(props: VoltsProps) {
  const { job, names } = useCurrentJob();
  const meter = useMeter();
  const refused = ref<Refusal[]>([]);
  const odd = ref<{ lowV: number; highV: number; held?: HeldLine }>();
  watch(
    () => props.about,
    () => void ([refused.value, odd.value] = [[], undefined]),
  );

  /** Whether it was recorded. */
  function take(lowV: number, highV: number, sure = false, held?: HeldLine): boolean {
    const act = props.act(lowV, highV, sure);
    refused.value = isRefused(act) ? act.refused : [];
    odd.value = refused.value.some(({ code }) => code === 'reading-odd') ? { lowV, highV, ...(held ? { held } : {}) } : undefined;
    if (isRefused(act)) return false;
    void job.perform(act);
    return true;
  }

  /** It is odd and it is so. */
  function insist(): void {
    const { lowV, highV, held } = odd.value ?? {};
    if (lowV !== undefined && highV !== undefined && take(lowV, highV, true) && held) meter.settle(held);
  }

  const hear = (held: HeldLine): boolean => props.listens === true && held.held === 'voltage' && take(held.lowV, held.highV, false, held);
  onUnmounted(meter.listen(hear));
  return { refused, odd, names, take, insist, hear };
}
