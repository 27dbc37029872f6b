/** A set as it was sent, scored where it is kept: what the browser thinks of it is not asked. */
import type { StandardEvent } from '../standard/standard.ts'
import { makeFinish, scoreFinish } from './finishLine.ts'
import { makeDrill } from './makeDrill.ts'
import { movementsFor, practiceOf } from './movement.ts'
import type { DrillLevel, Practised } from './practised.ts'
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
  /** Agreement beyond chance; of a finish the share of runners who are right. */
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
export const practisedAs = (event: Event): Practised[] =>
  practiceOf(event.protocol)?.of === 'finish' ? ['finishLine'] : movementsFor(event)

const scored = (event: Event, worked: WorkedDrill) => {
  const { what, answers: _answers, ends, ...rest } = worked
  if (!practisedAs(event).includes(what)) throw new RangeError(`This event is not practised as ${what}.`)
  if (what === 'finishLine') return null
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

/** How far two people said the same of the same set, beyond chance; null for a finish, or where there is nothing to tell apart. */
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
