import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Person } from '@jade/core/shop';
import { ask } from '../job/api.ts';

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
  const failed = ref('');

  async function load(): Promise<void> {
    try {
      opened.value = (await ask<object | null>('/api/shop')) !== null;
      session.value = await ask<Session | null>('/api/session');
      people.value = await ask<Person[]>('/api/people');
      failed.value = '';
    } catch {
      failed.value = 'The shop’s server cannot be reached.';
    }
  }

  async function pick(person: string): Promise<void> {
    session.value = await ask<Session>('/api/session', { person, device: deviceName() });
  }

  return { session, people, opened, failed, load, pick };
});
