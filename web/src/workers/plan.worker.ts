/** Proposes plans and simulates days away from the page, so that dragging never waits. */
import {
  proposePlans,
  simulateDays,
  whatWouldHelp,
  type Habits,
  type Help,
  type Proposal,
  type ProposalTask,
  type SimulatedDay,
  type SoFar,
  type Timetable,
  type TimetableTask,
} from '@able-gauge/core'
import { expose } from 'comlink'

export interface Forecast {
  readonly simulated: SimulatedDay
  readonly help: readonly Help[]
}

const DAYS = 500
/** Enough to tell which change is worth more. */
const DAYS_OF_HELP = 120
const SEED = 2026

const planner = {
  propose: (task: ProposalTask): Proposal[] => proposePlans(task, SEED),
  /** @param soFar of the day under way: what would help is no longer asked */
  forecast: (task: TimetableTask, timetable: Timetable, habits: Habits, day: number, soFar: SoFar | null): Forecast => {
    const options = { day, days: DAYS, seed: SEED }
    const simulated = simulateDays(task, timetable, habits, { ...options, ...(soFar ? { soFar } : {}) })
    const help = soFar ? [] : whatWouldHelp(task, simulated, habits, { ...options, days: DAYS_OF_HELP })
    return { simulated, help }
  },
}

export type Planner = typeof planner

expose(planner)
