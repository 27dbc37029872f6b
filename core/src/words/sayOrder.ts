/** In which order and over how many days a battery is done, as it stands in a printed standard. */
import { orderGroups } from '../standard/order.ts'
import type { Standard } from '../standard/standard.ts'

/** @returns a sentence for what is published, nothing for what is not */
export const sayOrder = (standard: Pick<Standard, 'events' | 'order' | 'occasionDays'>): string[] => {
  const { order, occasionDays } = standard
  return [
    ...(order ? [ORDERS[order.kind](standard)] : []),
    ...(occasionDays === undefined
      ? []
      : [`Everything is done on one day or spread, at most ${occasionDays} days after the first.`]),
  ]
}

type Ordered = Pick<Standard, 'events' | 'order'>

const groupsInWords = (standard: Ordered): string => {
  const nameOf = (id: string): string => standard.events.find((event) => event.id === id)?.name ?? id
  const groups = orderGroups(standard).map((group) => {
    const names = group.map(nameOf)
    return names.length === 1 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)} in any order`
  })
  return `Order: ${groups.join(', then ')}.`
}

const ORDERS: Readonly<Record<NonNullable<Standard['order']>['kind'], (standard: Ordered) => string>> = {
  listed: () => 'The events are done in the order they are listed.',
  free: () => 'The events are done in any order.',
  groups: groupsInWords,
}
