/** Sets on their way to the server; what cannot be sent now waits on this device. */
import {
  DrillBesideAnswer,
  DrillMarksAnswer,
  DrillResult,
  DrillsAnswer,
  type DrillBeside,
  type DrillBody,
  type DrillMark,
} from '@able-gauge/core'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { call, NoAnswer, Refusal } from '../api.ts'

interface Unsent {
  readonly accountId: string
  readonly drill: DrillBody
}

/** Drills of whoever practised here without a network. */
const unsent = useLocalStorage<readonly Unsent[]>('able-gauge-drills', [], { serializer: StorageSerializers.object })

const send = (drill: DrillBody): Promise<DrillResult> => call('POST', '/drills', DrillResult, drill)

/** @returns what it was worth, or null while it waits for a network */
export const keepDrill = async (accountId: string, drill: DrillBody): Promise<DrillResult | null> => {
  try {
    return await send(drill)
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error
    unsent.value = [...unsent.value, { accountId, drill }]
    return null
  }
}

/** Sends what waits of this person, in order; what still cannot be sent goes on waiting. */
const sendWaiting = async (accountId: string): Promise<void> => {
  for (const waiting of unsent.value.filter((one) => one.accountId === accountId)) {
    try {
      await send(waiting.drill)
    } catch (error) {
      // what the server will never take must not hold up the others
      if (!(error instanceof Refusal) || error.status !== 422) throw error
      console.error('A set that was practised on is refused.', error)
    }
    unsent.value = unsent.value.filter((one) => one !== waiting)
  }
}

/** The own sets, newest first. @throws as `call` */
export const listDrills = async (accountId: string): Promise<readonly DrillResult[]> => {
  await sendWaiting(accountId)
  return (await call('GET', '/drills', DrillsAnswer)).drills
}

/** How many sets wait here to be sent. */
export const countWaiting = (accountId: string): number =>
  unsent.value.filter((one) => one.accountId === accountId).length

/** What others made of the same set. @throws as `call` */
export const readBeside = async (drillId: string): Promise<readonly DrillBeside[]> =>
  (await call('GET', `/drills/${encodeURIComponent(drillId)}/beside`, DrillBesideAnswer)).others

/** The latest sets of everybody. @throws as `call` */
export const readMarks = async (): Promise<readonly DrillMark[]> =>
  (await call('GET', '/drills/marks', DrillMarksAnswer)).marks
