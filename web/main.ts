import '@fontsource-variable/archivo/wdth.css';
import '@fontsource/spline-sans-mono/400.css';
import '@fontsource/spline-sans-mono/600.css';
import './design/beyond.css';
import 'vuetify/styles/core';
import './design/tokens.css';
import './design/base.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './shell/App.vue';
import { router } from './shell/router.ts';
import { vuetify } from './design/vuetify.ts';

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#bench');
