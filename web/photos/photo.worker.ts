import { makeReady, type ReadyPhoto } from './ready.ts';
import type { PhotoFault } from '@jade/core/photos';

export interface Asked {
  id: number;
  file: Blob;
}
export type Told = { id: number; ready: ReadyPhoto | { fault: PhotoFault } } | { id: number; failed: true };

// One after the other: each holds a whole picture.
let before: Promise<void> = Promise.resolve();
self.onmessage = ({ data: { id, file } }: MessageEvent<Asked>) => {
  before = before.then(async () => {
    try {
      const ready = await makeReady(file);
      self.postMessage({ id, ready } satisfies Told, { transfer: 'fault' in ready ? [] : [ready.picture.bytes, ready.small.bytes] });
    } catch {
      self.postMessage({ id, failed: true } satisfies Told);
    }
  });
};
