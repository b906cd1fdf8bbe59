import { ref, watch } from 'vue';

/** As long as a second tap can come that was meant for the step before. */
const SECOND_TAP_MS = 350;

/** Whether a tap is meant for the step that is shown, and not for the one before it. */
export function useSecondTap(step: () => string | undefined): () => boolean {
  const shownAt = ref(Date.now());
  watch(step, () => void (shownAt.value = Date.now()));
  return () => Date.now() - shownAt.value >= SECOND_TAP_MS;
}
