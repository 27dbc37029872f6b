/** Whom this console has open, told to the other devices, and whom those have. */
import type { Claim, StandardEvent } from '@able-gauge/core'
import { computed, onScopeDispose, watch, type ComputedRef } from 'vue'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useSession } from '../session/sessionStore.ts'
import { deviceId } from '../sync/outbox.ts'
import { useWhoIsWhere } from '../sync/whoIsWhere.ts'

export interface OpenCandidates {
  /** Claims of other devices in the event, by candidate: the one that has been there longest. */
  readonly others: ComputedRef<ReadonlyMap<string, Claim>>
  /** Whether this device has somebody open, as the server knows it. */
  readonly isMine: (entryId: string) => boolean
}

/** Whom other devices have open in an event. */
export const useOthers = (event: () => Pick<StandardEvent, 'id'>): OpenCandidates => {
  const where = useWhoIsWhere()
  const mine = deviceId()
  const here = computed(() => where.claims.filter(({ eventId }) => eventId === event().id))
  const others = computed(
    () =>
      // the first word about somebody stands
      new Map(
        here.value
          .filter((claim) => claim.deviceId !== mine)
          .reverse()
          .map((claim) => [claim.entryId, claim]),
      ),
  )
  const own = computed(
    () => new Set(here.value.filter((claim) => claim.deviceId === mine).map(({ entryId }) => entryId)),
  )
  return { others, isMine: (entryId) => own.value.has(entryId) }
}

/**
 * Tells whom this console has open for as long as it lives.
 * @param entryIds those on the console
 * @param unlessTaken whether they came there by themselves, so that another device's claim comes first
 */
export const useOpenCandidates = (
  day: () => Day,
  eventId: string,
  entryIds: () => readonly string[],
  unlessTaken: () => boolean,
): OpenCandidates => {
  const where = useWhoIsWhere()
  const session = useSession()
  const store = useDay()
  const others = useOthers(() => ({ id: eventId }))
  watch(
    () => [entryIds().join(' '), unlessTaken()] as const,
    ([ids, only]) => {
      if (store.isPractice || !session.can('claims.write') || day().occasion.signedOff) return
      const wanted = ids === '' ? [] : ids.split(' ')
      where.have(day().occasion.id, { eventId, entryIds: wanted, ...(only ? { unlessTaken: true } : {}) })
    },
    { immediate: true },
  )
  onScopeDispose(where.close)
  return others
}
