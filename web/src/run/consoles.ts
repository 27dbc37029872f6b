/** The console of each event kind. A new kind is a folder under kinds/ and a line here. */
import type { EventKind } from '@able-gauge/core'
import type { Component } from 'vue'
import ChainConsole from './kinds/chain/ChainConsole.vue'
import CourseConsole from './kinds/course/CourseConsole.vue'
import DistanceConsole from './kinds/distance/DistanceConsole.vue'
import HoldConsole from './kinds/hold/HoldConsole.vue'
import LapConsole from './kinds/laps/LapConsole.vue'
import LiftConsole from './kinds/lifts/LiftConsole.vue'
import ReadingsConsole from './kinds/readings/ReadingsConsole.vue'
import LanesConsole from './kinds/repetitions/LanesConsole.vue'
import RepetitionsConsole from './kinds/repetitions/RepetitionsConsole.vue'
import ShuttleConsole from './kinds/shuttle/ShuttleConsole.vue'
import SprintConsole from './kinds/sprint/SprintConsole.vue'
import SprintGroupConsole from './kinds/sprint/SprintGroupConsole.vue'
import StepConsole from './kinds/steps/StepConsole.vue'
import StepGroupConsole from './kinds/steps/StepGroupConsole.vue'
import TaskConsole from './kinds/tasks/TaskConsole.vue'

/** Where an event is worked as it happens. Consoles of one candidate all take the same props, and so do those of a group. */
interface Consoles {
  readonly ofOne?: Component
  readonly ofGroup?: Component
  /** Several who start together, each with a tile of their own. */
  readonly inLanes?: Component
}

export const CONSOLES: Readonly<Record<EventKind, Consoles>> = {
  repetitionsInTime: { ofOne: RepetitionsConsole, inLanes: LanesConsole },
  repetitionsToFailure: { ofOne: RepetitionsConsole, inLanes: LanesConsole },
  repetitionsToCadence: { ofOne: RepetitionsConsole, inLanes: LanesConsole },
  heldPosition: { ofGroup: HoldConsole },
  timedDistance: { ofGroup: LapConsole },
  distanceInTime: { ofGroup: DistanceConsole },
  progressiveShuttle: { ofGroup: ShuttleConsole },
  sprint: { ofOne: SprintConsole, inLanes: SprintGroupConsole },
  attempts: {},
  heaviestLift: { ofOne: LiftConsole },
  stationCourse: { ofGroup: CourseConsole },
  workChain: { ofOne: ChainConsole },
  untimedTask: { ofOne: TaskConsole },
  stepTest: { ofOne: StepConsole, inLanes: StepGroupConsole },
  bodyMeasures: {},
}

/** Where figures are read, from a card or an instrument. */
export { ReadingsConsole }
