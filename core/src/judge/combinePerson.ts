/** One person's marks -> verdict, with the most points each event could have earned them. */
import { combine } from './combine.ts'
import { fullPointsOf, type JudgedOn } from './ground.ts'
import type { Candidate, Mark, Verdict } from './mark.ts'

export const combinePerson = (on: JudgedOn, candidate: Candidate, marks: readonly Mark[]): Verdict =>
  combine(
    on,
    marks,
    on.standard.combination.kind === 'pointsTotal'
      ? on.standard.events.map((event) => fullPointsOf(on, event, candidate))
      : [],
  )
