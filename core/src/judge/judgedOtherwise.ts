/** Where today's judge gives another verdict than the older one that signed. What was signed stands; an officer looks at the difference. */
import { contentHash } from '../standard/contentHash.ts'
import type { Verdict } from './mark.ts'
import type { Outcome } from './outcome.ts'
import { storeVerdict, type StoredVerdict } from './storedVerdict.ts'

export interface JudgedOtherwise {
  readonly entryId: string
  readonly signed: Outcome
  readonly today: Outcome
  /** Events whose marks differ in more than the way they are explained. */
  readonly eventIds: readonly string[]
}

/** @returns null where nothing but the explanation differs */
export const judgedOtherwise = (entryId: string, signed: StoredVerdict, today: Verdict): JudgedOtherwise | null => {
  const { outcome, marks } = signed as unknown as Pick<Verdict, 'outcome' | 'marks'> // what is stored was a verdict
  const now = storeVerdict(today) as unknown as Pick<Verdict, 'marks'>
  const eventIds = now.marks.flatMap((mark) => {
    const before = marks.find(({ eventId }) => eventId === mark.eventId)
    return before && figuresOf(before) === figuresOf(mark) ? [] : [mark.eventId]
  })
  return outcome === today.outcome && eventIds.length === 0
    ? null
    : { entryId, signed: outcome, today: today.outcome, eventIds }
}

/** Neither the words nor what is looked at beside them. */
const figuresOf = ({ trace: _t, doubts: _d, span: _s, ...figures }: Verdict['marks'][number]): string =>
  contentHash(figures)
