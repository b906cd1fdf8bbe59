import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { PersonShown, SessionShown } from '@jade/contract/people';
import { sayFaultAlone } from '@jade/words/faults';
import { ask, Refused } from '../ask/index.ts';

function deviceName(): string {
  return window.matchMedia('(pointer: coarse)').matches ? 'tablet' : 'counter';
}

const KEPT = 'jade-session';

/** Whoever was at this bench when the server last said so: a page that is loaded while it is away goes on in their session. */
function keptSession(): SessionShown | null {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? 'null') as SessionShown | null;
  } catch {
    return null;
  }
}

function keepSession(session: SessionShown | null): void {
  try {
    if (session) localStorage.setItem(KEPT, JSON.stringify(session));
    else localStorage.removeItem(KEPT);
  } catch {
    // A device that keeps nothing says so where something is recorded.
  }
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

  /** What somebody is called at the bench; their id where they are not known here. */
  const benchNameOf = (id: string): string => people.value.find((person) => person.id === id)?.benchName ?? id;

  async function load(): Promise<void> {
    // Until the server answers, which can take long where something of it is away, whoever was here last is here.
    session.value ??= keptSession() ?? undefined;
    try {
      opened.value = (await ask<object | null>('/api/shop')) !== null;
      session.value = await ask<SessionShown | null>('/api/session');
      keepSession(session.value);
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
    keepSession(session.value);
    asking.value = false;
  }

  /** Nobody is at this bench any more. */
  async function leave(): Promise<void> {
    await ask('/api/session/end', {});
    session.value = null;
    keepSession(null);
  }

  return { session, people, benchNameOf, opened, shut, asking, load, pick, leave };
});
