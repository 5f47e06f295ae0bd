import { createRouter, createWebHistory } from 'vue-router'

import { whenUnpaired } from './api/client'
import { allRead } from './composables/useReading'
import GaragePage from './pages/GaragePage.vue'

/** Addresses: the garage, the shelf, and a vehicle with one page for each station. */
export const makeRouter = () => {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', component: GaragePage },
      { path: '/devices', component: () => import('./pages/DevicesPage.vue') },
      { path: '/instruments', component: () => import('./pages/InstrumentsPage.vue') },
      { path: '/words', component: () => import('./pages/WordsPage.vue') },
      { path: '/watched', component: () => import('./pages/WatchedPage.vue') },
      { path: '/pair', component: () => import('./pages/PairPage.vue') },
      { path: '/shelf', component: () => import('./pages/ShelfPage.vue') },
      {
        path: '/vehicle/:id',
        redirect: (to) => ({ path: `/vehicle/${String(to.params.id)}/springs`, query: to.query }),
      },
      { path: '/vehicle/:id/walk', component: () => import('./sag/SagPhone.vue') },
      { path: '/vehicle/:id/setdown', component: () => import('./settle/SetDownPhone.vue') },
      { path: '/vehicle/:id/weigh', component: () => import('./settle/RoundPhone.vue') },
      { path: '/vehicle/:id/readout', component: () => import('./settle/RoundPhone.vue') },
      { path: '/vehicle/:id/entry', component: () => import('./settle/EntryPhone.vue') },
      { path: '/vehicle/:id/:station', component: () => import('./pages/WorkspacePage.vue') },
      { path: '/:rest(.*)', redirect: '/' },
    ],
  })
  // a number typed a moment ago is still being read: its field stays until it has been taken
  router.beforeEach(allRead)
  whenUnpaired(() => void router.push('/pair'))
  return router
}
