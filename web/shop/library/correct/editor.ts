import { inject, type Component, type InjectionKey, type Ref, type ShallowRef } from 'vue';
import type { Fault } from '@jade/core/faults';
import type { FormBook, Place } from '@jade/core/editing';

/** A document that is being corrected: what every field of it reads and writes. */
export interface Editor {
  /** What shows the fields of a record: they may hold records again. */
  form: Component;
  book: FormBook;
  document: Readonly<ShallowRef<unknown>>;
  faults: Readonly<Ref<readonly Fault[]>>;
  /** Entries of lists that are open, by their path. */
  opened: Ref<ReadonlySet<string>>;
  /** Puts a value; undefined takes it out. */
  set: (place: Place, value: unknown) => void;
  insert: (list: Place, at: number, value: unknown) => void;
  move: (list: Place, from: number, to: number) => void;
  open: (entry: Place, open: boolean) => void;
}

export const EDITOR: InjectionKey<Editor> = Symbol('editor');

export function useEditor(): Editor {
  const editor = inject(EDITOR);
  if (!editor) throw new Error('nothing is being corrected');
  return editor;
}
