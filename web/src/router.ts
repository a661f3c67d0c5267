import { createRouter, createWebHistory } from 'vue-router';
import ShelfView from './shelf/ShelfView.vue';
import SignInView from './shelf/SignInView.vue';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'signIn', component: SignInView },
    { path: '/shelf', name: 'shelf', component: ShelfView },
    { path: '/bench/:id', name: 'bench', component: () => import('./bench/BenchView.vue'), props: true },
    { path: '/desk/:id', name: 'desk', component: () => import('./board/DeskView.vue'), props: true },
    { path: '/:rest(.*)', redirect: '/' },
  ],
});

/** The address for which the page has been loaded anew already. */
const reloadedFor = 'parvix-reloaded-for';

// After a new version a part of the page that was not loaded yet is gone: the whole page is loaded anew, once. What is
// unsent lies in the outbox.
router.onError((error, to) => {
  if (sessionStorage.getItem(reloadedFor) === to.fullPath) throw error;
  sessionStorage.setItem(reloadedFor, to.fullPath);
  window.location.assign(to.fullPath);
});
router.afterEach(() => sessionStorage.removeItem(reloadedFor));
