import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { PersonShown, SessionShown } from '@jade/contract/people';
import { sayFaultAlone } from '@jade/words/faults';
import { ask, Refused } from '../job/api.ts';

function deviceName(): string {
  return window.matchMedia('(pointer: coarse)').matches ? 'tablet' : 'counter';
}

/** Who is at this bench. */
export const useSession = defineStore('session', () => {
  const session = ref<SessionShown | null>();
  const people = ref<PersonShown[]>([]);
  /** Somebody else is to take over this bench. */
  const asking = ref(false);
  /** Whether the shop has been opened for the first time; undefined until that is known. */
  const opened = ref<boolean>();
  /** Why this device is not let in, where it is not. */
  const shut = ref('');

  async function load(): Promise<void> {
    try {
      opened.value = (await ask<object | null>('/api/shop')) !== null;
      session.value = await ask<SessionShown | null>('/api/session');
      people.value = await ask<PersonShown[]>('/api/people');
      shut.value = '';
    } catch (error) {
      // A server that is away is said where something is missing.
      const fault = error instanceof Refused && error.status === 403 ? error.faults[0] : undefined;
      if (fault) shut.value = `${sayFaultAlone(fault)}.`;
    }
  }

  async function pick(person: string): Promise<void> {
    session.value = await ask<SessionShown>('/api/session', { person, device: deviceName() });
    asking.value = false;
  }

  /** Nobody is at this bench any more. */
  async function leave(): Promise<void> {
    await ask('/api/session/end', {});
    session.value = null;
  }

  return { session, people, opened, shut, asking, load, pick, leave };
});
