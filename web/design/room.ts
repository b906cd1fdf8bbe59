import { onBeforeUnmount, ref, watch, type Ref } from 'vue';

/** Width of an element's inside as it is now, so that a drawing is made for the room it has. */
export function useRoom(element: Readonly<Ref<Element | null>>, atFirst: number): Ref<number> {
  const room = ref(atFirst);
  const observer = new ResizeObserver(([entry]) => {
    if (entry) room.value = Math.floor(entry.contentRect.width);
  });
  watch(element, (now, before) => {
    if (before) observer.unobserve(before);
    if (now) observer.observe(now);
  });
  onBeforeUnmount(() => observer.disconnect());
  return room;
}
