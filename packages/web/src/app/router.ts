import { until } from '@vueuse/core'
import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'
import { beginBench } from '../api/ahead'
import { useSession } from '../api/session-store'
import { loadRooms } from '../words/language'

/** Every part of every room's parts, to look at: while it is developed only. */
const SPECIMENS: RouteRecordRaw[] = import.meta.env.DEV
  ? [
      {
        path: '/specimens',
        component: () => import('../ui/specimens/SpecimensPage.vue'),
        meta: { open: true },
      },
    ]
  : []

/** Every address of the application. Who is signed in decides what '/' shows. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    ...SPECIMENS,
    { path: '/', component: () => import('../features/home/HomePage.vue') },
    {
      path: '/bench/:assignment',
      component: () => import('../features/bench/BenchPage.vue'),
      props: true,
      // the page is fetched meanwhile
      beforeEnter: ({ params }) => beginBench(String(params['assignment'])),
    },
    {
      path: '/review/:assignment/:handIn?',
      component: () => import('../features/review/ReviewPage.vue'),
      props: true,
    },
    {
      path: '/compare/:assignment',
      component: () => import('../features/compare/ComparePage.vue'),
      props: true,
    },
    { path: '/round/:assignment', component: () => import('../features/round/RoundPage.vue'), props: true },
    {
      path: '/sheets/:assignment/:handIn?',
      component: () => import('../features/sheets/SheetsPage.vue'),
      props: true,
    },
    { path: '/brief/:assignment', component: () => import('../features/brief/BriefPage.vue'), props: true },
    { path: '/assignments', component: () => import('../features/home/AssignmentsPage.vue') },
    { path: '/progress', component: () => import('../features/progress/ProgressPage.vue') },
    {
      path: '/class/:group/student/:person',
      component: () => import('../features/class/student/StudentPage.vue'),
      props: true,
    },
    {
      path: '/class/:group?/:part?',
      component: () => import('../features/class/ClassPage.vue'),
      props: true,
    },
    { path: '/groups/:group?', redirect: ({ params }) => `/class/${String(params['group'] ?? '')}` },
    {
      path: '/projector/:group',
      component: () => import('../features/projector/ProjectorPage.vue'),
      props: true,
    },
    { path: '/songs', component: () => import('../features/songbook/SongsPage.vue') },
    { path: '/song/:version', component: () => import('../features/songbook/SongPage.vue'), props: true },
    { path: '/lesson/:group', component: () => import('../features/lesson/LessonPage.vue'), props: true },
    { path: '/rig', component: () => import('../features/rig/RigPage.vue') },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})

// nothing of the rooms is fetched before somebody is signed in
router.beforeEach(async (to) => {
  if (!to.meta['open']) await until(() => useSession().person).toBeTruthy()
  await loadRooms()
})
