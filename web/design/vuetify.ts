import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';

const shared = { 'border-opacity': 0.4, 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 0.8 };

/** Inputs, menus and dialogs take their colours from the same tokens as everything else. */
export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: {
    defaultTheme: 'counter',
    themes: {
      counter: { dark: false, colors: { primary: '#0a6b4e', surface: '#ffffff', background: '#f3f5f2', error: '#a3231c', 'on-surface': '#1a2220' }, variables: shared },
      bay: { dark: true, colors: { primary: '#4fd0a2', surface: '#2a3437', background: '#20282b', error: '#ff9d94', 'on-surface': '#eaf0ee' }, variables: shared },
    },
  },
  defaults: {
    VTextField: { color: 'primary' },
    VSelect: { color: 'primary', variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VTextarea: { color: 'primary', variant: 'outlined' },
  },
});
