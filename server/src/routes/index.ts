import { accountRoutes } from './accountRoutes.ts'
import { archiveRoutes } from './archiveRoutes.ts'
import { backupRoutes } from './backupRoutes.ts'
import { broughtRoutes } from './broughtRoutes.ts'
import { captureRoutes } from './captureRoutes.ts'
import { deviceRoutes } from './deviceRoutes.ts'
import { entryRoutes } from './entryRoutes.ts'
import { exportRoutes } from './exportRoutes.ts'
import { factorRoutes } from './factorRoutes.ts'
import { houseRoutes } from './houseRoutes.ts'
import { insightRoutes } from './insightRoutes.ts'
import { instrumentRoutes } from './instrumentRoutes.ts'
import { keptDayRoutes } from './keptDayRoutes.ts'
import { keyRoutes } from './keyRoutes.ts'
import { liveRoutes } from './liveRoutes.ts'
import { occasionRoutes } from './occasionRoutes.ts'
import { peopleRoutes } from './peopleRoutes.ts'
import { planRoutes } from './planRoutes.ts'
import { recordRoutes } from './recordRoutes.ts'
import { registerRoutes } from './registerRoutes.ts'
import { drillRoutes } from './drillRoutes.ts'
import { rehearsalRoutes } from './rehearsalRoutes.ts'
import type { Route } from './route.ts'
import { securityRoutes } from './securityRoutes.ts'
import { standardRoutes } from './standardRoutes.ts'
import { stationRoutes } from './stationRoutes.ts'
import { unitRoutes } from './unitRoutes.ts'
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
  ...drillRoutes,
  ...planRoutes,
  ...keptDayRoutes,
  ...recordRoutes,
  ...houseRoutes,
  ...stationRoutes,
  ...archiveRoutes,
  ...peopleRoutes,
  ...registerRoutes,
  ...exportRoutes,
  ...broughtRoutes,
  ...accountRoutes,
  ...factorRoutes,
  ...keyRoutes,
  ...deviceRoutes,
  ...securityRoutes,
  ...backupRoutes,
  ...unitRoutes,
  ...insightRoutes,
]
