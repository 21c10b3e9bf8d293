import { createRouter, createWebHistory } from 'vue-router'

/** Every address of the application. Who is signed in decides what '/' shows. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', component: () => import('./assignments/HomePage.vue') },
    { path: '/bench/:assignment', component: () => import('./bench/BenchPage.vue'), props: true },
    { path: '/review/:assignment/:handIn?', component: () => import('./review/ReviewPage.vue'), props: true },
    { path: '/compare/:assignment', component: () => import('./compare/ComparePage.vue'), props: true },
    { path: '/sheets/:assignment/:handIn?', component: () => import('./sheets/SheetsPage.vue'), props: true },
    { path: '/brief/:assignment', component: () => import('./brief/BriefPage.vue'), props: true },
    { path: '/groups/:group?', component: () => import('./groups/GroupsPage.vue'), props: true },
    { path: '/songs', component: () => import('./songbook/SongsPage.vue') },
    { path: '/song/:version', component: () => import('./songbook/SongPage.vue'), props: true },
    { path: '/lesson/:group', component: () => import('./lesson/LessonPage.vue'), props: true },
    { path: '/rig', component: () => import('./surface/RigPage.vue') },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})
