/**
 * Captures stamped by the wall clock alone, after a reload without a network. They stay on this device until the server has
 * answered the page; then they get their time anew from the device's monotonic clock, which ran on all the while.
 */
import type { Agreement, Capture } from '@able-gauge/core'
import { CLOCK_RUN } from './clockRun.ts'
import { listWaiting, rewrite, type WaitingCapture } from './outbox.ts'

/** What is kept with a capture whose stamp is unsure. */
export const UNSURE: Pick<WaitingCapture, 'unsurePage'> = { unsurePage: CLOCK_RUN }

/** Whether a stamp still has to be made sure here; what another page left can no longer be, and goes as it is. */
export const isUnsure = ({ unsurePage }: WaitingCapture): boolean => unsurePage === CLOCK_RUN

/** From the time by the wall clock to the time as agreed, in ms of the day. */
export interface Shift {
  readonly shiftMs: number
  readonly uncertaintyMs: number
}

/** @param speed of the day's time, which runs faster in a rehearsal */
export const shiftBetween = (byWall: Agreement, agreed: Agreement, speed: number): Shift => ({
  shiftMs: Math.round((agreed.offsetMs - byWall.offsetMs) * speed),
  uncertaintyMs: Math.ceil(agreed.uncertaintyMs * speed),
})

/** Gives unsure captures of this page their time anew, on the disk. @returns them, as they are from now on */
export const makeSure = async (
  occasionId: string,
  accountId: string,
  { shiftMs, uncertaintyMs }: Shift,
): Promise<Capture[]> => {
  const unsure = (await listWaiting(occasionId, accountId, 'waiting')).filter(isUnsure)
  const sure = unsure.map(({ unsurePage: _page, ...one }) => ({
    ...one,
    capture: { ...one.capture, atMs: one.capture.atMs + shiftMs, uncertaintyMs },
  }))
  await rewrite(sure)
  return sure.map(({ capture }) => capture)
}
