import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { JobEvent } from '@jade/core/job';

interface Unsent {
  id: string;
  job: string;
  order: number;
  event: JobEvent;
}

interface Shelf extends DBSchema {
  unsent: { key: string; value: Unsent; indexes: { job: string } };
  views: { key: string; value: { id: string; view: unknown } };
}

let shelf: Promise<IDBPDatabase<Shelf>> | undefined;

function open(): Promise<IDBPDatabase<Shelf>> {
  shelf ??= openDB<Shelf>('jade', 1, {
    upgrade(db) {
      db.createObjectStore('unsent', { keyPath: 'id' }).createIndex('job', 'job');
      db.createObjectStore('views', { keyPath: 'id' });
    },
  });
  return shelf;
}

let order = 0;

/** Keeps an event on this device until the server has it. */
export async function keepUnsent(job: string, event: JobEvent): Promise<void> {
  order = Math.max(order + 1, Date.now() * 1000);
  await (await open()).put('unsent', { id: event.id, job, order, event });
}

/** Unsent events of a job in the order they were made. */
export async function unsentOf(job: string): Promise<JobEvent[]> {
  const entries = await (await open()).getAllFromIndex('unsent', 'job', job);
  return entries.sort((a, b) => a.order - b.order).map((entry) => entry.event);
}

export async function forgetUnsent(ids: readonly string[]): Promise<void> {
  const tx = (await open()).transaction('unsent', 'readwrite');
  await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
}

/** The last view of a job, for a page that is loaded while the server is away. */
export async function keepView(id: string, view: unknown): Promise<void> {
  await (await open()).put('views', { id, view });
}

export async function keptView<T>(id: string): Promise<T | undefined> {
  return (await (await open()).get('views', id))?.view as T | undefined;
}
