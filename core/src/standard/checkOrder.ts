/** Whether an order in groups holds every event of the battery once, in the order they are listed. */
import type { Remark } from '../document/remark.ts'
import type { Standard } from './standard.ts'

const MEND = 'Put each event of the battery into one group, in the order they are listed.'

export const checkOrder = ({ events, order }: Standard): Remark[] => {
  if (!order) return []
  const ids = events.map(({ id }) => id)
  const grouped = order.groups?.flatMap(({ eventIds }) => eventIds)
  if (order.kind !== 'groups')
    return grouped
      ? [{ ...REMARK, what: 'Groups are given, and the order is not one of groups.', mend: 'Take the groups out.' }]
      : []
  if (grouped?.join(' ') === ids.join(' ')) return []
  const missing = events.find(({ id }) => !grouped?.includes(id))
  const what = missing
    ? `${missing.name} is in no group.`
    : 'The groups do not hold the events in the order they are listed.'
  return [{ ...REMARK, what, mend: MEND }]
}

const REMARK = {
  place: 'order.groups',
  code: 'orderGroups',
  severity: 'error',
  example: 'Nobody could tell what has to be done before what.',
} as const
