import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A picture that the server does not have yet. */
export interface UnsentPicture {
  hash: string;
  job: string;
  order: number;
  bytes: ArrayBuffer;
  /** Why the server refused it; it is kept until somebody has read that. */
  refused?: string;
}

interface Shelf extends DBSchema {
  unsent: { key: string; value: UnsentPicture };
}

let shelf: Promise<IDBPDatabase<Shelf>> | undefined;

function open(): Promise<IDBPDatabase<Shelf>> {
  // A place of its own beside the outbox: what one of them is changed to keeps nobody from the other.
  shelf ??= openDB<Shelf>('jade-photos', 1, { upgrade: (db) => void db.createObjectStore('unsent', { keyPath: 'hash' }) });
  shelf.catch(() => void (shelf = undefined));
  return shelf;
}

export async function keepPictures(pictures: readonly UnsentPicture[]): Promise<void> {
  const tx = (await open()).transaction('unsent', 'readwrite');
  await Promise.all([...pictures.map((picture) => tx.store.put(picture)), tx.done]);
}

/** Every picture that waits on this device, in the order they were taken. */
export async function allPictures(): Promise<UnsentPicture[]> {
  return (await (await open()).getAll('unsent')).sort((a, b) => a.order - b.order);
}

export async function forgetPicture(hash: string): Promise<void> {
  await (await open()).delete('unsent', hash);
}
