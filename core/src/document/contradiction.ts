/** Findings about parts that do not agree. */
import { showFound, type Finding } from './finding.ts'

export const finding = (place: string, code: string, found: unknown, expected: string): Finding => ({
  place,
  code,
  found: showFound(found),
  expected,
})

/** Ids used before in the same list. */
export const repeatedIds = (items: readonly { id: string }[], placeOf: (index: number) => string): Finding[] =>
  items.flatMap(({ id }, index) =>
    items.findIndex((item) => item.id === id) < index
      ? [finding(`${placeOf(index)}.id`, 'repeated', id, 'an id not used before')]
      : [],
  )
