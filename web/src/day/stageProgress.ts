/** How far each stage of a day is done, from 0 to 1. */
import { isMarkOver, recordsOf, type Verdict } from '@able-gauge/core'
import type { Day, Entry } from './day.ts'

export const STAGES = [
  { name: 'plan', label: 'Plan' },
  { name: 'muster', label: 'Muster' },
  { name: 'run', label: 'Run' },
  { name: 'verdicts', label: 'Verdicts' },
  { name: 'signOff', label: 'Sign-off' },
] as const

export type StageName = (typeof STAGES)[number]['name']

export const stageProgress = (
  day: Day,
  verdicts: ReadonlyMap<string, Verdict>,
): Readonly<Record<StageName, number>> => {
  const { entries, standard, occasion, records } = day
  const isGone = ({ attendance }: Entry): boolean => attendance === 'absent' || attendance === 'withdrawn'
  const here = entries.filter((entry) => !isGone(entry))
  const judged = [...verdicts.values()]
  const marks = judged.flatMap((verdict) => verdict.marks)
  const done = marks.filter(isMarkOver).length
  return {
    plan: half(entries.length > 0) + half(day.plan !== null),
    // checking people in is most of it; conditions and briefing are the rest
    muster:
      0.8 * share(entries.filter((entry) => entry.attendance === 'present' || isGone(entry)).length, entries.length) +
      0.2 * (half(recordsOf(records, 'conditions').length > 0) + half(recordsOf(records, 'briefed').length > 0)),
    run: share(done, here.length * standard.events.length),
    verdicts: share(judged.filter(({ settled }) => settled).length, here.length),
    signOff: occasion.signedOff ? 1 : 0,
  }
}

const half = (done: boolean): number => (done ? 0.5 : 0)

const share = (part: number, whole: number): number => (whole === 0 ? 0 : Math.min(1, part / whole))
