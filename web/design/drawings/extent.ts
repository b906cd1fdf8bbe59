import { computed, ref } from 'vue';
import type { SheetPoint } from '../geometry/outline.ts';
import { partBetween, type Part } from '../geometry/spot.ts';

/**
 * An extent that is dragged over a sheet from one corner to the other. A mouse drags it at once; a finger, which scrolls otherwise, where it is wanted.
 * @param spotOf where on the sheet the pointer is
 */
export function useExtent(spotOf: (event: PointerEvent) => SheetPoint | undefined, { wanted, done }: { wanted: () => boolean; done: (part: Part) => void }) {
  const from = ref<SheetPoint>();
  const to = ref<SheetPoint>();
  let dragged = false;
  const drop = () => (from.value = to.value = undefined);
  function begin(event: PointerEvent): void {
    dragged = false;
    if (event.button === 0 && (event.pointerType === 'mouse' || wanted())) from.value = spotOf(event);
  }
  function move(event: PointerEvent): void {
    if (!from.value) return;
    to.value = spotOf(event);
    if (partBetween(from.value, to.value)) (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }
  function end(): void {
    const part = partBetween(from.value, to.value);
    drop();
    if (!part) return;
    dragged = true;
    done(part);
  }
  return {
    /** What is being dragged now. */
    drawn: computed(() => partBetween(from.value, to.value)),
    begin,
    move,
    end,
    drop,
    /** Whether the tap that ends here was a drag. */
    wasDragged: () => dragged,
  };
}
