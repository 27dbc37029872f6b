/** The crossings of one runner that count: those of the timer, each once, whoever else stamped it. */
import type { Capture } from '../capture/capture.ts'

export type Crossing = Extract<Capture, { kind: 'crossed' }>

/** Stamps of different devices that are this near, in ms, are of the same crossing: nobody runs a lap in less. */
export const SAME_CROSSING_MS = 5_000

export const isOfWatch = (capture: Capture, watch: number): capture is Crossing =>
  capture.kind === 'crossed' && (capture.payload.watch ?? 1) === watch

/** Backups keep a log of their own, beside the laps. */
export const isTimers = (capture: Capture): capture is Crossing => isOfWatch(capture, 1)

export interface Crossings {
  /** In order, each crossing once. */
  readonly counted: readonly Crossing[]
  /** What a second device stamped of them. */
  readonly again: readonly Crossing[]
  readonly beforeStart: number
}

/**
 * Sorts out the timer's stamps of one runner. Of several devices' stamps of one crossing that of the device which gave the start
 * counts, else the first; two stamps of one device are two crossings, and a doubt where they are too near.
 * @param own settled captures of the runner, in order
 */
export const crossingsSince = (start: Pick<Capture, 'atMs' | 'deviceId'>, own: readonly Capture[]): Crossings => {
  const all = own.filter(isTimers)
  const since = all.filter(({ atMs }) => atMs > start.atMs)
  const groups: Crossing[][] = []
  for (const crossing of since) {
    const group = groups.at(-1)
    const [first] = group ?? []
    const isSame =
      group !== undefined &&
      first !== undefined &&
      crossing.atMs - first.atMs <= SAME_CROSSING_MS &&
      group.every(({ deviceId }) => deviceId !== crossing.deviceId)
    if (isSame) group.push(crossing)
    else groups.push([crossing])
  }
  const counted = groups.flatMap(
    (group) => group.find(({ deviceId }) => deviceId === start.deviceId) ?? group.slice(0, 1),
  )
  const again = since.filter((crossing) => !counted.includes(crossing))
  return { counted, again, beforeStart: all.length - since.length }
}
