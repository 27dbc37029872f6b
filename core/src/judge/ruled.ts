/** What an officer rules about one mark, in a decision on the day or an amendment after the signature. */
import type { Finding } from '../document/finding.ts'
import { factsOf } from '../kinds/facts.ts'
import { mainSlotOf } from '../kinds/slots.ts'
import { fitsForm, type FieldForm } from '../quantity/field.ts'
import type { StandardEvent } from '../standard/standard.ts'

/** By a word, or by the measure everything is judged from again, never both. */
export interface Ruled {
  readonly as?: 'met' | 'short'
  /** In the base unit of the event's measure. */
  readonly value?: number
  readonly reason: string
}

/** How the result of an event is typed, as its measure rather than as a reading. */
export const resultFormOf = (event: StandardEvent): FieldForm => {
  const { unit } = factsOf(event.protocol)
  const main = mainSlotOf(event)
  return main?.unit === unit ? main : { unit }
}

/**
 * What is wrong with a ruling: neither word nor measure, both, or a measure the event cannot have.
 * @param events the event and what may stand in its place
 * @param place where the ruling stands, as the start of a path: "", "captures[0].payload."
 */
export const ruledFindings = (
  { as, value }: Pick<Ruled, 'as' | 'value'>,
  events: readonly StandardEvent[],
  place: string,
): Finding[] => {
  if ((as === undefined) === (value === undefined)) {
    const found = as === undefined ? 'neither' : 'both'
    return [{ place: `${place}as`, code: 'decision', found, expected: 'either a word or a value' }]
  }
  if (value === undefined) return []
  const forms = events.map(resultFormOf).filter(({ unit }) => unit !== 'done')
  if (forms.length === 0) {
    return [{ place: `${place}value`, code: 'decision', found: String(value), expected: 'a word: it is done or not' }]
  }
  return forms.some((form) => fitsForm(value, form))
    ? []
    : [
        {
          place: `${place}value`,
          code: 'schedule',
          found: String(value),
          expected: 'a level and shuttle of the schedule',
        },
      ]
}
