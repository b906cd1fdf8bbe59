import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { afterHello, readMeterLine, withHeld, withoutHeld, type BenchLine, type HeldLine, type LineFault, type MeterMemory } from '@jade/core/probing';

/** Where a meter's bridge listens if nothing else is set. */
export const METER_ADDRESS = 'ws://127.0.0.1:4390';
const KEPT = 'jade-meter';
const WAITS_MS = [500, 1000, 2000, 4000];
/** What was shown so long ago is shown no more. */
const STALE_MS = 1500;

interface Kept {
  address: string;
  memory?: MeterMemory;
}

function readKept(): Kept | undefined {
  try {
    return (JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Kept | null) ?? undefined;
  } catch {
    return undefined;
  }
}

/**
 * The meter at this bench: what it shows now, and what was held at it. A reading that was held while the line stood goes to whoever listens; one that
 * was held while it was cut waits until somebody says of what it is. None is lost by a reload or by the line.
 */
export const useMeter = defineStore('meter', () => {
  const address = ref('');
  const name = ref('');
  const state = ref<'none' | 'calling' | 'open' | 'lost'>('none');
  const volts = ref<number>();
  const memory = shallowRef<MeterMemory>();
  const fault = ref<LineFault>();
  const waiting = computed(() => memory.value?.waiting ?? []);
  let socket: WebSocket | undefined;
  let retry: ReturnType<typeof setTimeout> | undefined;
  let stale: ReturnType<typeof setTimeout> | undefined;
  let losses = 0;
  /** Whoever may take what is held, the last who asked for it first. */
  const listeners: ((held: HeldLine) => boolean)[] = [];

  function keep(): void {
    try {
      if (address.value || waiting.value.length > 0) localStorage.setItem(KEPT, JSON.stringify({ address: address.value, memory: memory.value } satisfies Kept));
      else localStorage.removeItem(KEPT);
    } catch {
      // A device that keeps nothing loses what waits with the page.
    }
  }
  const say = (line: BenchLine) => socket?.readyState === WebSocket.OPEN && socket.send(`${JSON.stringify(line)}\n`);

  function settle(held: HeldLine): void {
    if (!memory.value) return;
    memory.value = withoutHeld(memory.value, held);
    keep();
    say({ run: memory.value.run, took: held.n });
  }

  function hear(text: string): void {
    const line = readMeterLine(text);
    if ('fault' in line) {
      fault.value = line.fault;
      return;
    }
    if ('hello' in line) {
      name.value = line.name;
      memory.value = afterHello(memory.value, line.run);
      state.value = 'open';
      [losses, fault.value] = [0, undefined];
      keep();
      say({ run: line.run, from: memory.value.heard });
    } else if ('shows' in line) {
      volts.value = line.shows === 'voltage' ? line.volts : undefined;
      clearTimeout(stale);
      stale = setTimeout(() => void (volts.value = undefined), STALE_MS);
    } else if (memory.value) {
      const { memory: next, isNew } = withHeld(memory.value, line);
      if (!isNew) return;
      memory.value = next;
      keep();
      if (!line.again && [...listeners].reverse().some((take) => take(line))) settle(line);
    }
  }

  function call(): void {
    if (!address.value) return;
    state.value = losses === 0 ? 'calling' : 'lost';
    try {
      socket = new WebSocket(address.value);
    } catch {
      state.value = 'lost';
      return;
    }
    const own = socket;
    own.onmessage = (message) => {
      if (own === socket) for (const text of String(message.data).split('\n')) if (text.trim()) hear(text);
    };
    own.onclose = () => {
      if (own !== socket) return;
      [state.value, volts.value] = ['lost', undefined];
      losses++;
      retry = setTimeout(call, WAITS_MS[Math.min(losses, WAITS_MS.length) - 1]);
    };
  }

  function hangUp(): void {
    clearTimeout(retry);
    const own = socket;
    socket = undefined;
    own?.close();
    volts.value = undefined;
  }

  /** Calls the bridge at an address and goes on calling it, on this device also the next time. */
  function connect(to: string): void {
    hangUp();
    address.value = to.trim();
    losses = 0;
    keep();
    call();
  }

  /** This bench works without a meter again; what waits stays until it was said of what it is. */
  function disconnect(): void {
    hangUp();
    [address.value, state.value] = ['', 'none'];
    keep();
  }

  /** Goes on with the meter that this device had. */
  function resume(): void {
    if (state.value !== 'none') return;
    const kept = readKept();
    if (!kept) return;
    [address.value, memory.value] = [kept.address, kept.memory];
    call();
  }

  /** Hears of what is held from now on; gives back how to stop. Says whether it took it. */
  function listen(take: (held: HeldLine) => boolean): () => void {
    listeners.push(take);
    return () => void listeners.splice(listeners.indexOf(take), 1);
  }

  return { address, name, state, volts, waiting, fault, connect, disconnect, resume, listen, settle };
});
