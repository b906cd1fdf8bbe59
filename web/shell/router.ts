import { createRouter, createWebHistory } from 'vue-router';
import { STATIONS, type Station } from '@jade/core/stations';
import { sayPageTitle, VIEW_TITLES } from '@jade/words/shell';
import { fetchStation } from './stations.ts';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'board', component: () => import('../shop/board/DayBoard.vue'), meta: { title: VIEW_TITLES.board } },
    { path: '/customers', name: 'customers', component: () => import('../shop/customers/CustomersView.vue'), meta: { title: VIEW_TITLES.customers } },
    { path: '/people', name: 'people', component: () => import('../shop/people/PeopleView.vue'), meta: { title: VIEW_TITLES.people } },
    { path: '/library', name: 'library', component: () => import('../shop/library/LibraryView.vue'), meta: { title: VIEW_TITLES.library } },
    { path: '/library/:slug/sheet', name: 'profile-sheet', component: () => import('../shop/library/ProfileSheet.vue'), meta: { title: VIEW_TITLES.library } },
    { path: '/library/:kind/:slug/correct', name: 'correct', component: () => import('../shop/library/correct/CorrectView.vue'), meta: { title: VIEW_TITLES.library } },
    { path: `/jobs/:id/:station(${STATIONS.join('|')})`, name: 'station', component: () => import('./StationFrame.vue') },
    { path: '/jobs/:id/job', name: 'itself', component: () => import('../itself/ItselfView.vue') },
    { path: '/jobs/:id/card', name: 'card', component: () => import('../itself/WorkCardView.vue') },
    { path: '/jobs/:id/photos', name: 'photos', component: () => import('../itself/PhotosView.vue') },
    { path: '/practice', name: 'practice', component: () => import('../shop/practice/PracticeView.vue'), meta: { title: VIEW_TITLES.practice } },
    { path: '/helper/:token', name: 'helper', component: () => import('../helper/HelperView.vue'), meta: { title: VIEW_TITLES.helper, alone: true } },
    { path: '/jobs/:id', redirect: (to) => ({ name: 'station', params: { id: to.params.id, station: 'check-in' } }) },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./NowhereView.vue'), meta: { title: VIEW_TITLES.nowhere } },
  ],
});

router.beforeEach((to) => {
  if (to.name === 'station') fetchStation(to.params.station as Station);
});

router.afterEach((to) => {
  document.title = sayPageTitle(typeof to.meta.title === 'string' ? to.meta.title : undefined);
});
