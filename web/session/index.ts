import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Person } from '@jade/core/shop';
import { sayFaultAlone } from '@jade/words/faults';
import { ask, Refused } from '../job/api.ts';

interface Session {
  person: string;
  benchName: string;
  role: string;
}

function deviceName(): string {
  return window.matchMedia('(pointer: coarse)').matches ? 'tablet' : 'counter';
}

/** Who is at this bench. */
export const useSession = defineStore('session', () => {
  const session = ref<Session | null>();
  const people = ref<Person[]>([]);
  /** Whether the shop has been opened for the first time; undefined until that is known. */
  const opened = ref<boolean>();
  /** Why this device is not let in, where it is not. */
  const shut = ref('');

  async function load(): Promise<void> {
    try {
      opened.value = (await ask<object | null>('/api/shop')) !== null;
      session.value = await ask<Session | null>('/api/session');
      people.value = await ask<Person[]>('/api/people');
      shut.value = '';
    } catch (error) {
      // A server that is away is said where something is missing.
      const fault = error instanceof Refused && error.status === 403 ? error.faults[0] : undefined;
      if (fault) shut.value = `${sayFaultAlone(fault)}.`;
    }
  }

  async function pick(person: string): Promise<void> {
    session.value = await ask<Session>('/api/session', { person, device: deviceName() });
  }

  return { session, people, opened, shut, load, pick };
});
