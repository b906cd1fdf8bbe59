import type { PhotoFault } from '@jade/core/photos';
import { beside } from '../workers/beside.ts';
import type { ReadyPhoto } from './ready.ts';

export type Prepared = ReadyPhoto | { fault: PhotoFault };

/** Makes a file ready away from the page's own thread; in the page where the browser cannot. What fails there too is broken. */
export const preparePhoto = beside<Blob, Prepared>(
  () => (typeof OffscreenCanvas === 'undefined' ? undefined : new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' })),
  (file) => import('./ready.ts').then(({ makeReady }) => makeReady(file)).catch(() => ({ fault: { code: 'broken' as const } })),
);
