import { parentPort } from 'node:worker_threads';
import { FaultyInput } from '@jade/core/faults';
import { planOpening } from '@jade/core/plan';
import { findComputation } from '@jade/contract/compute';
import type { Asked, Told } from './index.ts';

/** Works out what takes long away from the server's own thread, one question after the other. */
parentPort?.on('message', (asked: Asked) => {
  const tell = (told: Omit<Told, 'id'>) => parentPort?.postMessage({ id: asked.id, ...told } satisfies Told);
  try {
    if (asked.kind === 'plan') {
      const start = performance.now();
      tell({ answer: planOpening(asked.context, () => performance.now() - start > asked.mostMs) });
    } else tell({ answer: findComputation(asked.name).run(asked.input) });
  } catch (error) {
    tell(error instanceof FaultyInput ? { faults: error.faults } : { failed: (error as Error).message });
  }
});
