import type { DayAnswer } from '@able-gauge/core'
import { createRouter, createWebHistory, type RouteLocationNormalized, type Router } from 'vue-router'
import DayFrame from './day/DayFrame.vue'
import { lastDay } from './day/lastDay.ts'
import { fetchConsole } from './run/consoles.ts'
import EventRoom from './run/EventRoom.vue'
import { useSession } from './session/sessionStore.ts'

declare module 'vue-router' {
  interface RouteMeta {
    /** What the tab of the browser is called. */
    readonly title?: string
    /** Whether nobody has to be signed in for it. */
    readonly isOpen?: boolean
    /** Fetches what the room needs for a day that is being opened. */
    readonly prepare?: (day: DayAnswer, to: RouteLocationNormalized) => void
  }
}

const isOfStation = (
  { name, params }: RouteLocationNormalized,
  { occasionId, eventIds }: { readonly occasionId: string; readonly eventIds: readonly string[] },
): boolean => {
  if (params['dayId'] !== occasionId) return false
  return name === 'run' || ((name === 'event' || name === 'cards') && eventIds.includes(String(params['eventId'])))
}

/** The rooms of the application. What leads to the first console comes with the page; every other room comes when somebody goes there. */
export const makeRouter = (): Router => {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      {
        path: '/sign-in',
        name: 'signIn',
        component: () => import('./session/SignInRoom.vue'),
        meta: { title: 'Sign in', isOpen: true },
      },
      {
        path: '/welcome',
        name: 'welcome',
        component: () => import('./house/accounts/WelcomeRoom.vue'),
        meta: { title: 'Choose a password', isOpen: true },
      },
      {
        path: '/set-up',
        name: 'found',
        component: () => import('./house/accounts/FoundRoom.vue'),
        meta: { title: 'Set up', isOpen: true },
      },
      {
        path: '/mine',
        name: 'own',
        component: () => import('./people/own/OwnPageRoom.vue'),
        meta: { title: 'Your results', isOpen: true },
      },
      {
        path: '/connect',
        name: 'connect',
        component: () => import('./house/ConnectRoom.vue'),
        meta: { title: 'Connect a device', isOpen: true },
      },
      {
        path: '/accounts',
        name: 'accounts',
        component: () => import('./house/accounts/AccountsRoom.vue'),
        meta: { title: 'Accounts' },
      },
      {
        path: '/own-account',
        name: 'ownAccount',
        component: () => import('./house/accounts/OwnAccountRoom.vue'),
        meta: { title: 'Own account' },
      },
      {
        path: '/last',
        redirect: () => (lastDay.value === null ? { name: 'days' } : { name: 'run', params: { dayId: lastDay.value } }),
      },
      { path: '/', name: 'days', component: () => import('./days/DaysRoom.vue'), meta: { title: 'All days' } },
      {
        path: '/days/:dayId',
        component: DayFrame,
        children: [
          { path: '', redirect: { name: 'run' } },
          { path: 'plan', name: 'plan', component: () => import('./plan/PlanRoom.vue'), meta: { title: 'Plan' } },
          {
            path: 'papers/:paper',
            name: 'paper',
            component: () => import('./plan/papers/PaperRoom.vue'),
            meta: { title: 'Papers' },
          },
          {
            path: 'muster',
            name: 'muster',
            component: () => import('./muster/MusterRoom.vue'),
            meta: { title: 'Muster' },
          },
          { path: 'run', name: 'run', component: () => import('./run/RunRoom.vue'), meta: { title: 'Run' } },
          {
            path: 'run/:eventId',
            name: 'event',
            component: EventRoom,
            meta: {
              title: 'Event',
              prepare: ({ standard }, { params, query }) => {
                const event = standard.events.find(({ id }) => id === params['eventId'])
                if (event) fetchConsole(event, query['mode'])
              },
            },
          },
          {
            path: 'cards/:eventId',
            name: 'cards',
            component: () => import('./run/cards/CardsRoom.vue'),
            meta: { title: 'Cards' },
          },
          {
            path: 'verdicts',
            name: 'verdicts',
            component: () => import('./verdicts/VerdictsRoom.vue'),
            meta: { title: 'Verdicts' },
          },
          {
            path: 'replay/:eventId?',
            name: 'replay',
            component: () => import('./replay/ReplayRoom.vue'),
            meta: { title: 'Replay' },
          },
          {
            path: 'verdicts/:entryId/sheet',
            name: 'sheet',
            component: () => import('./verdicts/ResultSheetRoom.vue'),
            meta: { title: 'Result sheet' },
          },
          {
            path: 'sign-off',
            name: 'signOff',
            component: () => import('./signoff/SignOffRoom.vue'),
            meta: { title: 'Sign-off' },
          },
        ],
      },
      {
        path: '/people',
        name: 'people',
        component: () => import('./people/PeopleRoom.vue'),
        meta: { title: 'People' },
      },
      {
        path: '/people/:personId',
        name: 'person',
        component: () => import('./people/PersonRoom.vue'),
        meta: { title: 'Person' },
      },
      {
        path: '/insight/:view(results|fair|repeatable|graders|progress|due)?',
        name: 'insight',
        component: () => import('./insight/InsightRoom.vue'),
        meta: { title: 'Insight' },
      },
      {
        path: '/practice',
        name: 'practice',
        component: () => import('./practice/PracticeRoom.vue'),
        meta: { title: 'Practice' },
      },
      {
        path: '/practice/:dayId(set)/:standardId/:version(\\d+)/:eventId/:what',
        name: 'drill',
        component: () => import('./practice/DrillRoom.vue'),
        meta: { title: 'Practice' },
      },
      {
        path: '/house-rules',
        name: 'houseRules',
        component: () => import('./house/HouseRulesRoom.vue'),
        meta: { title: 'House rules' },
      },
      {
        path: '/stock',
        name: 'stock',
        component: () => import('./house/stock/StockRoom.vue'),
        meta: { title: 'Venues, kit, staff' },
      },
      {
        path: '/backups',
        name: 'backups',
        component: () => import('./house/backups/BackupsRoom.vue'),
        meta: { title: 'Backups' },
      },
      {
        path: '/units',
        name: 'units',
        component: () => import('./house/units/UnitsRoom.vue'),
        meta: { title: 'Units' },
      },
      {
        path: '/read/:standardId/:version(\\d+)',
        name: 'publicStandard',
        component: () => import('./standards/PublicStandardRoom.vue'),
        meta: { title: 'Standard', isOpen: true },
      },
      {
        path: '/standards',
        name: 'library',
        component: () => import('./standards/LibraryRoom.vue'),
        meta: { title: 'Standards' },
      },
      {
        path: '/standards/tests',
        name: 'chooseTests',
        component: () => import('./standards/ChooseRoom.vue'),
        meta: { title: 'Which test to choose' },
      },
      {
        path: '/standards/:standardId/compare',
        name: 'compare',
        component: () => import('./standards/compare/CompareRoom.vue'),
        meta: { title: 'Compare versions' },
      },
      {
        path: '/standards/:standardId/:version(\\d+)',
        component: () => import('./standards/StandardFrame.vue'),
        children: [
          {
            path: '',
            name: 'standard',
            component: () => import('./standards/StandardRoom.vue'),
            meta: { title: 'Standard' },
          },
          {
            path: 'edit',
            name: 'edit',
            component: () => import('./standards/edit/EditRoom.vue'),
            meta: { title: 'Edit a standard' },
          },
          {
            path: 'try',
            name: 'try',
            component: () => import('./standards/try/TryRoom.vue'),
            meta: { title: 'Try a standard' },
          },
        ],
      },
      {
        path: '/:rest(.*)*',
        name: 'nowhere',
        component: () => import('./NotFoundRoom.vue'),
        meta: { title: 'No such page' },
      },
    ],
  })
  router.beforeEach(async (to) => {
    const session = useSession()
    if (!session.known) await session.look()
    if (!session.account && to.meta.isOpen !== true) return { name: 'signIn', query: { to: to.fullPath } }
    // a station is a station: its events, and nothing else of the house
    const station = session.account?.station
    if (station && to.meta.isOpen !== true && !isOfStation(to, station)) {
      return { name: 'run', params: { dayId: station.occasionId } }
    }
    // an authenticator the house asks for comes before everything else
    if (session.account && session.asks.secondFactor && to.name !== 'ownAccount' && to.meta.isOpen !== true) {
      return { name: 'ownAccount' }
    }
    // who sees no day begins where their work is
    if (to.name === 'days' && session.account && !session.can('days.list')) {
      return { name: session.can('accounts.manage') ? 'accounts' : 'people' }
    }
    return true
  })
  return router
}
