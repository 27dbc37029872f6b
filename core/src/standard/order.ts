/** In which order the events of a battery are done: as listed, as one likes, or group by group. */
import { Choice, NestedList, Optional, SlugList } from '../document/rules.ts'

/** Events whose order among themselves is free. */
export class OrderGroup {
  @SlugList(1, 40) eventIds!: string[]
}

export class BatteryOrder {
  /** `listed`: one after the other. `free`: as stations allow. `groups`: free within each group, group after group. */
  @Choice(['listed', 'free', 'groups']) kind!: 'listed' | 'free' | 'groups'
  /** For `groups` alone: each event of the battery in one of them, in its order. */
  @Optional() @NestedList(() => OrderGroup, 2, 40) groups?: OrderGroup[]
}

interface Ordered {
  readonly events: readonly { readonly id: string }[]
  readonly order?: BatteryOrder
}

/**
 * Ids of the events, group after group. A standard that says nothing of its order is done as it is listed.
 * @returns every event of the battery once
 */
export const orderGroups = ({ events, order }: Ordered): string[][] => {
  if (order?.kind === 'free') return [events.map(({ id }) => id)]
  if (order?.kind === 'groups' && order.groups) return order.groups.map(({ eventIds }) => eventIds)
  return events.map(({ id }) => [id])
}

/**
 * Which events have to be done before each, as published; nothing where the standard says nothing of its order.
 * @returns by id of the event that comes later
 */
export const eventsBefore = (standard: Ordered): ReadonlyMap<string, readonly string[]> => {
  if (!standard.order) return new Map()
  const before: string[] = []
  return new Map(
    orderGroups(standard).flatMap((group) => {
      const earlier = [...before]
      before.push(...group)
      return group.map((id) => [id, earlier] as const)
    }),
  )
}
