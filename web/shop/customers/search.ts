import { onUnmounted, ref, watch, type Ref } from 'vue';
import { ask } from '../../ask/index.ts';

const LOOK_AFTER_MS = 180;

/**
 * What the server finds for words while they are typed. An answer that comes after a later question is passed over.
 * `failed` while the server cannot be asked; `look` asks again.
 */
export function useSearch<T>(path: string, words: Ref<string>) {
  const found = ref<T>();
  const failed = ref(false);
  const looking = ref(false);
  let asked = 0;
  let waiting: ReturnType<typeof setTimeout> | undefined;

  async function look(): Promise<void> {
    const question = ++asked;
    looking.value = true;
    try {
      const answer = await ask<T>(`${path}?find=${encodeURIComponent(words.value.trim())}`);
      if (question !== asked) return;
      found.value = answer;
      failed.value = false;
    } catch {
      if (question === asked) failed.value = true;
    } finally {
      if (question === asked) looking.value = false;
    }
  }

  watch(words, () => {
    clearTimeout(waiting);
    waiting = setTimeout(() => void look(), LOOK_AFTER_MS);
  });
  onUnmounted(() => {
    clearTimeout(waiting);
    asked++;
  });
  void look();
  return { found, failed, looking, look };
}
