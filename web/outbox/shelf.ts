import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { JobEvent } from '@jade/core/events';

/** An event that the server does not have yet. */
export interface Waiting {
  id: string;
  job: string;
  order: number;
  event: JobEvent;
  /** Public id of the session it was made in. */
  session?: string;
  /** Why the server refused it; it is kept until somebody has read that. */
  refused?: string;
}

interface Shelf extends DBSchema {
  unsent: { key: string; value: Waiting; indexes: { job: string } };
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
  // One that could not be opened is tried again the next time.
  shelf.catch(() => void (shelf = undefined));
  return shelf;
}

/** Keeps events on this device, all of them or none. */
export async function keepWaiting(entries: readonly Waiting[]): Promise<void> {
  const tx = (await open()).transaction('unsent', 'readwrite');
  await Promise.all([...entries.map((entry) => tx.store.put(entry)), tx.done]);
}

/** Everything that waits on this device, in the order it was made. */
export async function allWaiting(): Promise<Waiting[]> {
  return (await (await open()).getAll('unsent')).sort((a, b) => a.order - b.order);
}

export async function forgetWaiting(ids: readonly string[]): Promise<void> {
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
