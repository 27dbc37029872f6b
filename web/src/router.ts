import { createRouter, createWebHistory, type Router } from 'vue-router'
import { useSession } from './session/sessionStore.ts'

export const makeRouter = (): Router => {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/sign-in', name: 'signIn', component: () => import('./session/SignInRoom.vue') },
      { path: '/', name: 'days', component: () => import('./days/DaysRoom.vue') },
      {
        path: '/days/:dayId',
        component: () => import('./day/DayFrame.vue'),
        children: [
          { path: '', redirect: { name: 'run' } },
          { path: 'plan', name: 'plan', component: () => import('./plan/PlanRoom.vue') },
          { path: 'muster', name: 'muster', component: () => import('./muster/MusterRoom.vue') },
          { path: 'run', name: 'run', component: () => import('./run/RunRoom.vue') },
          { path: 'run/:eventId', name: 'event', component: () => import('./run/EventRoom.vue') },
          { path: 'verdicts', name: 'verdicts', component: () => import('./verdicts/VerdictsRoom.vue') },
          { path: 'verdicts/:entryId/sheet', name: 'sheet', component: () => import('./verdicts/ResultSheetRoom.vue') },
          { path: 'sign-off', name: 'signOff', component: () => import('./signoff/SignOffRoom.vue') },
        ],
      },
      { path: '/standards', name: 'library', component: () => import('./standards/LibraryRoom.vue') },
      {
        path: '/standards/:standardId/compare',
        name: 'compare',
        component: () => import('./standards/compare/CompareRoom.vue'),
      },
      {
        path: '/standards/:standardId/:version(\\d+)',
        component: () => import('./standards/StandardFrame.vue'),
        children: [
          { path: '', name: 'standard', component: () => import('./standards/StandardRoom.vue') },
          { path: 'edit', name: 'edit', component: () => import('./standards/edit/EditRoom.vue') },
          { path: 'try', name: 'try', component: () => import('./standards/try/TryRoom.vue') },
        ],
      },
      { path: '/:rest(.*)*', redirect: '/' },
    ],
  })
  router.beforeEach(async (to) => {
    const session = useSession()
    if (!session.known) await session.look()
    if (!session.account && to.name !== 'signIn') return { name: 'signIn', query: { to: to.fullPath } }
    return true
  })
  return router
}
