/** Two devices on one candidate, played again side by side: what each had counted by a moment, and where they differ. */
import { byCandidate } from '../capture/byCandidate.ts'
import { asVaried } from '../judge/asVaried.ts'
import type { Terms } from '../judge/basis.ts'
import { chosenEvent } from '../judge/chosenEvent.ts'
import type { DayCandidate } from '../judge/judgeDay.ts'
import type { Replay } from '../judge/replay.ts'
import { kindOf } from '../kinds/kinds.ts'
import { startsIn, waveStarts } from '../kinds/waveStart.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { decisionsOn, NOT_SEEN, pairDecisions } from './matchDecisions.ts'

/** What a device had counted of somebody by a moment. */
export interface CountOnDevice {
  readonly deviceId: string
  readonly soFar: number
}

/** What two devices said of one repetition, where it is not the same: that it counts, a reason of the protocol, or that nothing was pressed. */
export interface Difference {
  readonly entryId: string
  /** When it was pressed where it was pressed first, ms on the server's clock. */
  readonly atMs: number
  readonly holder: string
  readonly heldAnswer: string
  readonly deviceId: string
  readonly answer: string
}

export interface SideBySide {
  /** Of whom more than one device counted something: the holder's count first, then what was counted beside it. */
  readonly countsAt: (atMs: number) => ReadonlyMap<string, readonly CountOnDevice[]>
  /** In order of time. */
  readonly differences: readonly Difference[]
}

/** @param replay of the event; what was undone in it counts for nothing here either */
export const sideBySide = (
  { standard, asOfMs = null }: Pick<Terms, 'standard' | 'asOfMs'>,
  event: StandardEvent,
  candidates: readonly DayCandidate[],
  { settled, toMs }: Replay,
): SideBySide => {
  const { of: ownOf } = byCandidate(settled)
  const startFor = startsIn(waveStarts(settled))
  const several = candidates.flatMap((entered) => {
    const own = ownOf.get(entered.entryId) ?? []
    if (new Set(own.map(({ deviceId }) => deviceId)).size < 2) return []
    const candidate = asVaried(entered, event.id, own)
    const { protocol } = chosenEvent(standard, event, candidate).event
    const kind = kindOf(protocol)
    const start = kind.startsTogether ? startFor(candidate, own) : undefined
    const stoodAt = (atMs: number) =>
      atMs >= toMs
        ? kind.stood(protocol, candidate, own, start, asOfMs)
        : kind.stood(
            protocol,
            candidate,
            own.filter((capture) => capture.atMs <= atMs),
            start && start.atMs <= atMs ? start : undefined,
            atMs,
          )
    const { holder, second } = stoodAt(toMs)
    return holder === null || second.length === 0 ? [] : [{ entryId: candidate.entryId, own, stoodAt, holder, second }]
  })
  return {
    countsAt: (atMs) =>
      new Map(
        several.map(({ entryId, holder, second, stoodAt }) => {
          const at = stoodAt(atMs)
          const beside = new Map(at.second.map(({ deviceId, stamped }) => [deviceId, stamped.soFar]))
          return [
            entryId,
            [
              { deviceId: holder, soFar: at.holder === null ? 0 : at.stamped.soFar },
              ...second.map(({ deviceId }) => ({ deviceId, soFar: beside.get(deviceId) ?? 0 })),
            ],
          ]
        }),
      ),
    differences: several
      .flatMap(({ entryId, own, holder, second }) => {
        const held = decisionsOn(holder, own)
        return second.flatMap(({ deviceId }): Difference[] => {
          const others = decisionsOn(deviceId, own)
          const { besideOf, left } = pairDecisions(held, others)
          const who = { entryId, holder, deviceId }
          return [
            ...held.flatMap(({ atMs, answer: heldAnswer }, at) => {
              const other = others[besideOf.get(at) ?? -1]
              const answer = other?.answer ?? NOT_SEEN
              return answer === heldAnswer
                ? []
                : [{ ...who, atMs: Math.min(atMs, other?.atMs ?? atMs), heldAnswer, answer }]
            }),
            ...left.flatMap((at) => {
              const other = others[at]
              return other ? [{ ...who, atMs: other.atMs, heldAnswer: NOT_SEEN, answer: other.answer }] : []
            }),
          ]
        })
      })
      .sort((a, b) => a.atMs - b.atMs),
  }
}
