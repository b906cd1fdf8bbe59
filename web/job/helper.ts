import { onMounted, onUnmounted, ref, watch, type Ref } from 'vue';
import type { HelperLink, HelperLinks } from '@jade/contract/helper';
import type { VehicleState } from '@jade/core/states';
import { COMMON } from '@jade/words/common';
import { HELPER_PHONE } from '@jade/words/probing';
import { ask, Refused } from '../ask/index.ts';

/** The phone of a job's helper: what is asked of it is told as soon as it changes, for as long as a link is open. */
export function useHelper(job: () => string | undefined, asked: Ref<VehicleState | undefined>) {
  const open = ref(false);
  const link = ref<HelperLink>();
  /** The phone shows something else than what is asked here. */
  const behind = ref(false);
  const fault = ref('');

  async function tell(state: VehicleState | undefined): Promise<void> {
    const id = job();
    if (!id || !open.value) return;
    try {
      open.value = (await ask<{ told: boolean }>(`/api/jobs/${id}/helper/asked`, state === undefined ? {} : { state })).told;
      behind.value = false;
    } catch {
      behind.value = true;
    }
  }

  async function give(): Promise<void> {
    fault.value = '';
    try {
      link.value = await ask<HelperLink>(`/api/jobs/${job() ?? ''}/helper`, {});
      open.value = true;
      await tell(asked.value);
    } catch (error) {
      fault.value = error instanceof Refused ? `${error.message}.` : COMMON.serverAway;
    }
  }

  async function shut(): Promise<void> {
    try {
      await ask(`/api/jobs/${job() ?? ''}/helper/shut`, {});
      [open.value, link.value, behind.value] = [false, undefined, false];
    } catch (error) {
      fault.value = error instanceof Refused ? `${error.message}.` : HELPER_PHONE.stillOpen;
    }
  }

  /** A bench that comes back goes on telling. */
  async function look(): Promise<void> {
    try {
      open.value = (await ask<HelperLinks>(`/api/jobs/${job() ?? ''}/helper`)).open > 0;
      await tell(asked.value);
    } catch {
      // Away: whoever wants the link asks for it.
    }
  }

  const again = () => void tell(asked.value);
  watch(asked, (state) => void tell(state));
  onMounted(() => {
    void look();
    window.addEventListener('online', again);
  });
  onUnmounted(() => {
    window.removeEventListener('online', again);
    void tell(undefined);
  });
  return { open, link, behind, fault, give, shut, again };
}
