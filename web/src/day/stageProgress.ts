/** How far each stage of a day is done, from 0 to 1. */
import type { Verdict } from '@able-gauge/core'
import type { Day } from './day.ts'

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
  const { entries, standard, occasion } = day
  const here = entries.filter(({ attendance }) => attendance !== 'absent')
  const judged = [...verdicts.values()]
  const marks = judged.flatMap((verdict) => verdict.marks)
  const done = marks.filter(({ kind }) => kind !== 'waiting' && kind !== 'running').length
  return {
    plan: 1,
    muster: share(
      entries.filter(({ attendance }) => attendance === 'present' || attendance === 'absent').length,
      entries.length,
    ),
    run: share(done, here.length * standard.events.length),
    verdicts: share(judged.filter(({ settled }) => settled).length, here.length),
    signOff: occasion.signedOff ? 1 : 0,
  }
}

const share = (part: number, whole: number): number => (whole === 0 ? 0 : Math.min(1, part / whole))
