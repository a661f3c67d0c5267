import { createRouter, createWebHistory } from 'vue-router';
import ShelfView from './shelf/ShelfView.vue';
import SignInView from './shelf/SignInView.vue';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'signIn', component: SignInView },
    { path: '/shelf', name: 'shelf', component: ShelfView },
    { path: '/bench/:id', name: 'bench', component: () => import('./bench/BenchView.vue'), props: true },
    { path: '/:rest(.*)', redirect: '/' },
  ],
});
