import { ref } from 'vue';
import { COMMON } from '@jade/words/common';
import { Refused } from './index.ts';

/** A write that may be refused: what was said against it, and whether the plate is that of a known vehicle. What was written stays. */
export function useAttempt() {
  const fault = ref('');
  const plateKnown = ref(false);

  /** Does it; whether it was done. */
  async function attempt(work: () => Promise<void>): Promise<boolean> {
    fault.value = '';
    plateKnown.value = false;
    try {
      await work();
      return true;
    } catch (error) {
      fault.value = error instanceof Refused ? error.message : COMMON.keptHere;
      plateKnown.value = error instanceof Refused && error.faults.some(({ code }) => code === 'plate-known');
      return false;
    }
  }

  return { fault, plateKnown, attempt };
}
