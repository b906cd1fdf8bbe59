const AGAIN = new Set(['ER_LOCK_DEADLOCK', 'ER_DUP_ENTRY', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD']);
const MOST = 4;

/** Runs a transaction again where another one stood in its way; a few times at most. */
export async function retrying<T>(work: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      const cause = (error as { cause?: { code?: string }; code?: string }).cause?.code ?? (error as { code?: string }).code;
      if (attempt >= MOST || !cause || !AGAIN.has(cause)) throw error;
    }
  }
}
