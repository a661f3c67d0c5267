import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/source-serif-4/index.css';
import 'ant-design-vue/dist/reset.css';
import 'katex/dist/katex.min.css';
import './generated/themes.css';
import './styles/theme.css';
import './styles/base.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { startWorker } from './api/offline';
import { CoreLost, cores } from './core/client';
import { router } from './router';
import { listenToWindows } from './saving/windows';

// Whoever was asking a core that was lost needs no answer any more; the bench says what happened.
window.addEventListener('unhandledrejection', (e) => {
  if (e.reason instanceof CoreLost) e.preventDefault();
});

// Signed out in one window is signed out in all.
listenToWindows((told) => {
  if (told.kind === 'signedOut') window.location.assign('/');
});

startWorker();
createApp(App).use(createPinia()).use(router).mount('#app');

// The core takes longest to come; it is sent for before the bench's own code, or while the shelf is looked at.
if (window.location.pathname.startsWith('/bench/')) cores();
else if (!window.location.pathname.startsWith('/desk/')) window.setTimeout(cores, 800);
