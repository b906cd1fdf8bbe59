import { effectScope, ref } from 'vue';
import { useDraft } from './index.ts';

class Shelf {
  readonly kept = new Map<string, string>();
  full = false;
  getItem(key: string): string | null {
    if (this.full) throw new Error('no storage');
    return this.kept.get(key) ?? null;
  }
  setItem(key: string, text: string): void {
    if (this.full) throw new Error('no storage');
    this.kept.set(key, text);
  }
  removeItem(key: string): void {
    this.kept.delete(key);
  }
}
let shelf: Shelf;
beforeEach(() => {
  shelf = new Shelf();
  Object.assign(globalThis, { sessionStorage: shelf });
});

const fresh = () => ({ name: '', count: 2, holds: [] as string[], size: undefined as number | undefined });
/** A form that is opened: a page loaded anew opens another one. */
const form = (key: Parameters<typeof useDraft>[0] = 'van/accessory') => {
  const scope = effectScope();
  const opened = scope.run(() => useDraft(key, fresh)) as ReturnType<typeof useDraft<ReturnType<typeof fresh>>>;
  return { ...opened, leave: () => scope.stop() };
};

test('what was written and not sent is there when the form is opened again, and not in another', () => {
  const first = form();
  expect([first.draft.value, first.kept.value]).toEqual([fresh(), false]);
  first.draft.value.name = 'Light bar';
  first.draft.value.holds.push('grille');
  first.draft.value.size = 8;
  first.leave();
  const second = form();
  expect([second.draft.value, second.kept.value]).toEqual([{ name: 'Light bar', count: 2, holds: ['grille'], size: 8 }, true]);
  expect(form('van/code').kept.value).toBe(false);
});

test('sent, or written back to how it began, nothing is kept', () => {
  const first = form();
  first.draft.value.name = 'Winch';
  expect(shelf.kept.size).toBe(1);
  first.draft.value.name = '';
  expect(shelf.kept.size).toBe(0);
  first.draft.value.name = 'Winch';
  first.drop();
  expect([first.draft.value, first.kept.value, shelf.kept.size]).toEqual([fresh(), false, 0]);
  first.draft.value.name = 'Mount';
  expect(form().draft.value.name).toBe('Mount');
});

test('a form that is not open keeps nothing; opened for another thing it shows that one', () => {
  const key = ref<string>();
  const { draft, kept } = form(key);
  draft.value.name = 'lost';
  expect(shelf.kept.size).toBe(0);
  key.value = 'a';
  expect(draft.value.name).toBe('');
  draft.value.name = 'of a';
  key.value = 'b';
  expect([draft.value.name, kept.value]).toEqual(['', false]);
  key.value = 'a';
  expect([draft.value.name, kept.value]).toEqual(['of a', true]);
});

test('what an older page kept counts as far as it fits; what is no draft, and a storage that keeps nothing, do no harm', () => {
  shelf.kept.set('jade-draft/van/accessory', JSON.stringify({ name: 7, count: 3, holds: {}, size: 4, gone: 'x' }));
  expect(form().draft.value).toEqual({ name: '', count: 3, holds: [], size: 4 });
  for (const text of ['{', 'null', '"x"']) {
    shelf.kept.set('jade-draft/van/accessory', text);
    expect(form().draft.value).toEqual(fresh());
  }
  shelf.full = true;
  const { draft } = form();
  draft.value.name = 'on the screen';
  expect(draft.value.name).toBe('on the screen');
});
