import { captureRoutes } from './captureRoutes.ts'
import { entryRoutes } from './entryRoutes.ts'
import { instrumentRoutes } from './instrumentRoutes.ts'
import { liveRoutes } from './liveRoutes.ts'
import { occasionRoutes } from './occasionRoutes.ts'
import { planRoutes } from './planRoutes.ts'
import { rehearsalRoutes } from './rehearsalRoutes.ts'
import type { Route } from './route.ts'
import { standardRoutes } from './standardRoutes.ts'
import { verdictRoutes } from './verdictRoutes.ts'

/** Every route that needs a session. */
export const ROUTES: readonly Route[] = [
  ...occasionRoutes,
  ...entryRoutes,
  ...captureRoutes,
  ...verdictRoutes,
  ...liveRoutes,
  ...standardRoutes,
  ...instrumentRoutes,
  ...rehearsalRoutes,
  ...planRoutes,
]
