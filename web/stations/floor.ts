import { ref, watch, type Ref } from 'vue';

/** Whether a station shows one step at a time; each device remembers it for each station. */
export function useFloor(station: string): Ref<boolean> {
  const name = `jade.floor.${station}`;
  const floor = ref(read(name));
  watch(floor, (on) => {
    try {
      if (on) localStorage.setItem(name, 'on');
      else localStorage.removeItem(name);
    } catch {
      // A device that keeps nothing starts with the whole station.
    }
  });
  return floor;
}

function read(name: string): boolean {
  try {
    return localStorage.getItem(name) === 'on';
  } catch {
    return false;
  }
}
