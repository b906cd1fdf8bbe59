import { onUnmounted, ref } from 'vue';

const EVERY_MS = 5_000;

/** Device time as it goes by, for what waits for a moment; the time of an act is taken when it is done. */
export function useClock() {
  const at = ref(new Date().toISOString());
  const timer = setInterval(() => void (at.value = new Date().toISOString()), EVERY_MS);
  onUnmounted(() => clearInterval(timer));
  return at;
}

/** The moment of an act. */
export const actedAt = (): string => new Date().toISOString();
