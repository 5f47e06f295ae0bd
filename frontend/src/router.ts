import { createRouter, createWebHistory } from 'vue-router'

import GaragePage from './pages/GaragePage.vue'

/** Addresses: the garage, the shelf, and a vehicle with one page for each station. */
export const makeRouter = () =>
  createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', component: GaragePage },
      { path: '/shelf', component: () => import('./pages/ShelfPage.vue') },
      { path: '/vehicle/:id', redirect: (to) => `/vehicle/${String(to.params.id)}/springs` },
      { path: '/vehicle/:id/:station', component: () => import('./pages/WorkspacePage.vue') },
      { path: '/:rest(.*)', redirect: '/' },
    ],
  })
