import { ref, watchEffect } from 'vue';
import { vuetify } from '../design/vuetify.ts';

export type Light = 'counter' | 'bay';
const KEY = 'jade-light';

function stored(): Light {
  return localStorage.getItem(KEY) === 'bay' ? 'bay' : 'counter';
}

/** Light for the counter, dark for the bay; remembered on this device. */
export const light = ref<Light>(stored());

watchEffect(() => {
  document.documentElement.dataset.light = light.value;
  localStorage.setItem(KEY, light.value);
  vuetify.theme.change(light.value);
});
