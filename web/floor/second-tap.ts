import { onUnmounted, ref, watch, type Ref } from 'vue';

/** As long as a second tap can come that was meant for the step before. */
const SECOND_TAP_MS = 350;

/** Whether a tap is meant for the step that is shown, and not for the one before it. */
export function useSecondTap(step: () => string | undefined): Readonly<Ref<boolean>> {
  const meant = ref(false);
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(
    step,
    () => {
      meant.value = false;
      clearTimeout(timer);
      // By a timer: the clock of the device may be set while it stands there.
      timer = setTimeout(() => void (meant.value = true), SECOND_TAP_MS);
    },
    { immediate: true },
  );
  onUnmounted(() => clearTimeout(timer));
  return meant;
}
