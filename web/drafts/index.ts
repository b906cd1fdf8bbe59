import { computed, ref, toValue, watch, type MaybeRefOrGetter, type Ref, type WritableComputedRef } from 'vue';

const PREFIX = 'jade-draft/';

/** What somebody is writing, and has not sent. */
export interface Draft<T> {
  draft: Ref<T>;
  /** It was taken up from before: a reload, a way back, a form that was left. */
  kept: Ref<boolean>;
  /** It is sent, or not wanted: the form begins anew. */
  drop: () => void;
}

function read(key: string): Record<string, unknown> | undefined {
  try {
    const value: unknown = JSON.parse(sessionStorage.getItem(PREFIX + key) ?? 'null');
    return typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : undefined;
  } catch {
    return undefined;
  }
}

function write(key: string, text: string | undefined): void {
  try {
    if (text === undefined) sessionStorage.removeItem(PREFIX + key);
    else sessionStorage.setItem(PREFIX + key, text);
  } catch {
    // A page that may keep nothing still has what is written on its screen.
  }
}

/** What was kept of something large that is written piece by piece, in this tab and no longer than the tab. */
export const keptDraft = (key: string): Record<string, unknown> | undefined => read(key);
/** Keeps it; undefined lets go of what was kept. */
export const keepDraft = (key: string, value: object | undefined): void => write(key, value === undefined ? undefined : JSON.stringify(value));

/** Fields of a draft that the form still has, and of the kind it has them. */
function fitting<T extends object>(stored: Record<string, unknown>, fresh: T): T {
  const own = fresh as Record<string, unknown>;
  const same = ([name, value]: [string, unknown]) =>
    Object.hasOwn(own, name) && (own[name] === undefined || own[name] === null || (typeof own[name] === typeof value && Array.isArray(own[name]) === Array.isArray(value)));
  return { ...fresh, ...Object.fromEntries(Object.entries(stored).filter(same)) };
}

/**
 * What is written in a form and not yet sent: it survives a reload, the way back and Esc, in this tab and no longer than the tab. No key
 * means that the form is not open.
 */
export function useDraft<T extends object>(key: MaybeRefOrGetter<string | undefined>, fresh: () => T): Draft<T> {
  const draft = ref(fresh()) as Ref<T>;
  const kept = ref(false);
  let base = JSON.stringify(draft.value);

  watch(
    () => toValue(key),
    (now) => {
      const begun = fresh();
      base = JSON.stringify(begun);
      const stored = now === undefined ? undefined : read(now);
      draft.value = stored ? fitting(stored, begun) : begun;
      kept.value = JSON.stringify(draft.value) !== base;
    },
    { immediate: true, flush: 'sync' },
  );
  watch(
    draft,
    (value) => {
      const now = toValue(key);
      const text = JSON.stringify(value);
      if (now !== undefined) write(now, text === base ? undefined : text);
    },
    { deep: true, flush: 'sync' },
  );

  function drop(): void {
    const begun = fresh();
    base = JSON.stringify(begun);
    kept.value = false;
    draft.value = begun;
  }
  return { draft, kept, drop };
}

/**
 * A line that is recorded when its field is left. `typed` says whether something was written since it was last recorded: what was kept
 * from before is not recorded by passing through the field.
 */
export function useLine(key: MaybeRefOrGetter<string | undefined>, fresh: () => string): { text: WritableComputedRef<string>; typed: Ref<boolean>; drop: () => void } {
  const { draft, drop } = useDraft(key, () => ({ text: fresh() }));
  const typed = ref(false);
  const text = computed({
    get: () => draft.value.text,
    set: (now: string) => {
      draft.value.text = now;
      typed.value = true;
    },
  });
  return { text, typed, drop };
}
