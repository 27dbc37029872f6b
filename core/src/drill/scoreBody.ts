/** A set as it was sent, scored where it is kept: what the browser thinks of it is not asked. */
import type { StandardEvent } from '../standard/standard.ts'
import { makeFinish, scoreFinish } from './finishLine.ts'
import { makeReaches, readingsSent, scoreReaches } from './reaching.ts'
import { makeDrill } from './makeDrill.ts'
import { movementsFor, practiceOf } from './movement.ts'
import { isMovement, type DrillLevel, type Practised } from './practised.ts'
import { agreementOf, placeOfAnswer, scoreDrill } from './scoreDrill.ts'

/** What makes a set, and what was said of it. */
export interface WorkedDrill {
  readonly what: Practised
  readonly level: DrillLevel
  readonly seed: number
  readonly lanes: number
  readonly more?: string
  readonly answers: readonly { readonly lane: number; readonly atMs: number; readonly answer: string }[]
  readonly ends: readonly { readonly atMs: number | null }[]
}

export interface DrillWorth {
  /** Agreement beyond chance; of a finish the share of runners who are right, of reaches that of readings. */
  readonly mark: number | null
  readonly shown: number
  readonly counted: number
  readonly truly: number
  readonly reactionMs: number | null
  readonly faults: readonly {
    readonly reasonId: string
    readonly label: string
    readonly shown: number
    readonly seen: number
  }[]
}

/** Of a stamp nobody has put a bib to. */
export const NO_BIB = 'none'

const inOrder = ({ answers }: WorkedDrill): WorkedDrill['answers'] => [...answers].sort((a, b) => a.atMs - b.atMs)

type Event = Pick<StandardEvent, 'name' | 'protocol'>

/** What an event can be practised as; the likeliest first. */
export const practisedAs = (event: Event): Practised[] => {
  const of = practiceOf(event.protocol)?.of
  if (of === 'ruler') return ['reach']
  return of === 'finish' ? ['finishLine'] : movementsFor(event)
}

const scored = (event: Event, worked: WorkedDrill) => {
  const { what, answers: _answers, ends, ...rest } = worked
  if (!practisedAs(event).includes(what)) throw new RangeError(`This event is not practised as ${what}.`)
  if (!isMovement(what)) return null
  const drill = makeDrill(event.protocol, { ...rest, movement: what })
  return scoreDrill(
    drill,
    inOrder(worked),
    ends.map(({ atMs }) => atMs),
  )
}

/** @throws RangeError when the event does not show it */
export const scoreBody = (event: Event, worked: WorkedDrill): DrillWorth => {
  const score = scored(event, worked)
  if (score) {
    return {
      mark: score.kappa,
      shown: score.items.length,
      counted: score.counted,
      truly: score.truly,
      reactionMs: score.reactionMs,
      faults: score.faults.map(({ wrongly: _wrongly, ...fault }) => fault),
    }
  }
  if (worked.what === 'reach') return worthOfReaches(event, worked)
  const runners = makeFinish({ level: worked.level, seed: worked.seed, runners: worked.lanes })
  const finish = scoreFinish(
    runners,
    worked.answers.map(({ answer, atMs }) => ({ bib: answer === NO_BIB ? null : Number(answer), atMs })),
  )
  return {
    mark: finish.right / runners.length,
    shown: runners.length,
    counted: finish.right,
    truly: runners.length,
    reactionMs: finish.apartMs,
    faults: [],
  }
}

const worthOfReaches = (event: Event, worked: WorkedDrill): DrillWorth => {
  const { ruler } = practiceOf(event.protocol) ?? {}
  if (!ruler) throw new RangeError('Nothing of this event is read from a ruler.')
  const made = makeReaches(worked, ruler)
  const { reaches, right } = scoreReaches(made, readingsSent(made, inOrder(worked)))
  const fault = (reasonId: string, label: string, isShown: (one: (typeof reaches)[number]) => boolean) => {
    const shown = reaches.filter(isShown)
    const seen = shown.filter(({ result }) => result === 'right').length
    return shown.length === 0 ? [] : [{ reasonId, label, shown: shown.length, seen }]
  }
  return {
    mark: right / reaches.length,
    shown: reaches.length,
    counted: right,
    truly: reaches.length,
    reactionMs: null,
    faults: [
      ...fault('dart', 'Darts beyond where it stays', ({ reach }) => reach.dartsMm > 0),
      ...fault('hand-ahead', 'One hand ahead', ({ reach: { staysMm } }) => staysMm[0] !== staysMm[1]),
    ],
  }
}

/** How far two people said the same of the same set, beyond chance; null for a finish or reaches, or where there is nothing to tell apart. */
export const saidAlike = (event: Event, one: WorkedDrill, other: WorkedDrill): number | null => {
  const [first, second] = [scored(event, one), scored(event, other)]
  if (!first || !second) return null
  const beside = new Map(second.items.map((item) => [`${item.lane} ${item.item.no}`, item]))
  return agreementOf(
    first.items.flatMap((item) => {
      const theirs = beside.get(`${item.lane} ${item.item.no}`)
      return theirs ? [[placeOfAnswer(item), placeOfAnswer(theirs)] as const] : []
    }),
  )
}
