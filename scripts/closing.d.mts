export function closer(parts: readonly { stop: () => Promise<unknown> }[]): () => Promise<void>;
