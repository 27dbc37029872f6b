/** The console of each event kind. A new kind is a folder under kinds/ and a line here. */
import { kindOf, type EventKind, type StandardEvent } from '@able-gauge/core'
import { defineAsyncComponent, type Component } from 'vue'
import { fetchSoon } from '../ui/fetchSoon.ts'
import { modeIn, type CaptureMode } from './captureMode.ts'
import ConsoleOpening from './ConsoleOpening.vue'
import RepetitionsConsole from './kinds/repetitions/RepetitionsConsole.vue'

/** Where an event is worked as it happens. Consoles of one candidate all take the same props, and so do those of a group. */
interface Consoles {
  readonly ofOne?: Component
  readonly ofGroup?: Component
  /** Several who start together, each with a tile of their own. */
  readonly inLanes?: Component
}

/** Each console is fetched when it is first opened: a phone at a station needs one. The commonest comes with the page, the rest follow (`fetchOthers`) for the time without a network. */
const opened = (loader: Loader): Component => {
  const component = defineAsyncComponent({
    loader,
    loadingComponent: ConsoleOpening,
    delay: 0,
    onError: (_error, retry) => setTimeout(retry, RETRY_MS),
  })
  loaders.set(component, loader)
  return component
}
const RETRY_MS = 1_000
type Loader = () => Promise<{ readonly default: Component }>
const loaders = new Map<Component, Loader>()

const lanes = opened(() => import('./kinds/repetitions/LanesConsole.vue'))

export const CONSOLES: Readonly<Record<EventKind, Consoles>> = {
  repetitionsInTime: { ofOne: RepetitionsConsole, inLanes: lanes },
  repetitionsToFailure: { ofOne: RepetitionsConsole, inLanes: lanes },
  repetitionsToCadence: { ofOne: RepetitionsConsole, inLanes: lanes },
  heldPosition: { ofGroup: opened(() => import('./kinds/hold/HoldConsole.vue')) },
  timedDistance: { ofGroup: opened(() => import('./kinds/laps/LapConsole.vue')) },
  distanceInTime: { ofGroup: opened(() => import('./kinds/distance/DistanceConsole.vue')) },
  progressiveShuttle: { ofGroup: opened(() => import('./kinds/shuttle/ShuttleConsole.vue')) },
  sprint: {
    ofOne: opened(() => import('./kinds/sprint/SprintConsole.vue')),
    inLanes: opened(() => import('./kinds/sprint/SprintGroupConsole.vue')),
  },
  attempts: {},
  heaviestLift: { ofOne: opened(() => import('./kinds/lifts/LiftConsole.vue')) },
  stationCourse: { ofGroup: opened(() => import('./kinds/course/CourseConsole.vue')) },
  workChain: { ofOne: opened(() => import('./kinds/chain/ChainConsole.vue')) },
  untimedTask: { ofOne: opened(() => import('./kinds/tasks/TaskConsole.vue')) },
  stepTest: {
    ofOne: opened(() => import('./kinds/steps/StepConsole.vue')),
    inLanes: opened(() => import('./kinds/steps/StepGroupConsole.vue')),
  },
  bodyMeasures: {},
}

/** Where figures are read, from a card or an instrument. */
export const READINGS = opened(() => import('./kinds/readings/ReadingsConsole.vue'))

/** The console of an event, as far as its kind and the way it is captured tell. */
const consoleOf = ({ protocol }: Pick<StandardEvent, 'protocol'>, mode: CaptureMode): Component | undefined => {
  if (mode === 'typed' || kindOf(protocol).isRead?.(protocol)) return READINGS
  const { ofOne, ofGroup, inLanes } = CONSOLES[protocol.kind]
  return mode === 'lanes' ? inLanes : (ofGroup ?? ofOne ?? READINGS)
}

/** Fetches every console once the one that is open is there: the next event may begin where there is no network. */
export const fetchOthers = (): void => {
  for (const loader of loaders.values()) fetchSoon(loader, 'elsewhere')
}

/** Begins to fetch the console of an event before it is shown. @param mode as the address has it */
export const fetchConsole = (event: Pick<StandardEvent, 'protocol'>, mode: unknown): void => {
  const component = consoleOf(event, modeIn(mode))
  // what does not come is asked for again when it is shown, and told then
  if (component)
    loaders
      .get(component)?.()
      .catch(() => undefined)
}
